import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { setClock } from '../time/clock'
import { answer, api, isSignedIn, type Session, type Settings } from './client'

const KEY = ['session']

/** @param age how long ago it was told, in milliseconds */
function settle(session: Session, age = 0): Session {
  setClock(session.now, age, session.account?.zone)
  if (session.account) isSignedIn()
  return session
}

/** The server writes it into the page for somebody who is signed in, and so it need not be asked for. */
function inPage(): Session | undefined {
  const element = document.getElementById('session')
  if (!element?.textContent) return undefined
  element.remove()
  const [load] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[]
  return settle(JSON.parse(element.textContent) as Session, performance.now() - (load?.responseStart ?? 0))
}

/** Who is signed in. */
export function useSession() {
  const query = useQuery({
    queryKey: KEY,
    initialData: inPage,
    queryFn: async () => settle(await answer(api.GET('/session'))),
    staleTime: Infinity,
  })
  return { ...query, account: computed(() => query.data.value?.account ?? null) }
}

/** Signing in and out, and making the first account. */
export function useSignIn() {
  const queries = useQueryClient()
  const take = (session: Session) => {
    queries.setQueryData(KEY, settle(session))
    void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' })
  }
  const saveSettings = async (settings: Settings) =>
    take(await answer(api.PUT('/settings', { body: settings })))
  return {
    signIn: async (email: string, password: string) =>
      take(await answer(api.POST('/sign-in', { body: { email, password } }))),
    openAccount: async (name: string, email: string, password: string, word: string) => {
      const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
      take(await answer(api.POST('/accounts', { body: { name, email, password, zone, word } })))
    },
    saveSettings,
    /** A choice made by a handle on the page: it holds from now on, in every view, also while it is being saved. */
    choose: async (more: Partial<Settings>) => {
      const session = queries.getQueryData<Session>(KEY)
      if (!session?.account) return
      const settings = { ...session.account.settings, ...more }
      queries.setQueryData<Session>(KEY, { ...session, account: { ...session.account, settings } })
      await saveSettings(settings)
    },
    signOut: async () => {
      await answer(api.DELETE('/session'))
      queries.clear()
      location.assign('/')
    },
  }
}
