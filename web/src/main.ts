import '@fontsource-variable/figtree'
import 'vuetify/styles/core'
import './style.css'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { Problem } from './api/problem'
import { vFirst } from './keys/first'
import { vKeyed } from './keys/keyed'
import { router } from './router'
import { vuetify } from './theme'
import { forgetOld } from './typing/kept'

const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (count, error) => count < 2 && !(error instanceof Problem && error.status < 500),
    },
  },
})

forgetOld()

createApp(App)
  .use(router)
  .use(vuetify)
  .use(VueQueryPlugin, { queryClient })
  .directive('first', vFirst)
  .directive('keyed', vKeyed)
  .mount('#app')
