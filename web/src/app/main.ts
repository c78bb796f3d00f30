import '@fontsource-variable/figtree'
import 'vuetify/styles/core'
import '../ui/tokens.css'
import '../ui/kit.css'
import './style.css'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { Problem } from '@/shared/api/problem'
import { vFirst } from '@/shared/keys/first'
import { vKeyed } from '@/shared/keys/keyed'
import { rememberPlace } from './lastplace'
import { router } from './router'
import { vuetify } from './theme'
import { forgetOld } from '@/shared/typing/kept'

const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      // Answers are exchanged whole and never changed, so that nobody has to watch each of their fields.
      shallow: true,
      staleTime: 5_000,
      retry: (count, error) => count < 2 && !(error instanceof Problem && error.status < 500),
    },
  },
})

forgetOld()
rememberPlace()

createApp(App)
  .use(router)
  .use(vuetify)
  .use(VueQueryPlugin, { queryClient })
  .directive('first', vFirst)
  .directive('keyed', vKeyed)
  .mount('#app')
