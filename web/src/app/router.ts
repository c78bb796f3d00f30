import { createRouter, createWebHistory } from 'vue-router'
import { closeTopmost } from '@/shared/keys/registry'
import TrayView from '@/features/tray/TrayView.vue'

/** How far each list was scrolled when it was left, so that one comes back from a conversation to the same rows. */
const scrolled = new Map<string, number>()

/** Whether the address changes since one goes back or forward; heard before the router hears of it. */
let isTravelling = false
window.addEventListener(
  'popstate',
  () => {
    isTravelling = true
    setTimeout(() => (isTravelling = false))
  },
  { capture: true },
)

export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: (to, from, saved) =>
    // What has a place within it goes there by itself, when it is there.
    saved ?? (to.hash ? false : { top: from.name === 'conversation' ? (scrolled.get(to.fullPath) ?? 0) : 0 }),
  routes: [
    { path: '/', name: 'tray', component: TrayView, meta: { title: 'Tray' } },
    {
      path: '/c/:id',
      name: 'conversation',
      component: () => import('@/features/conversation/ConversationView.vue'),
      props: true,
      meta: { title: 'Conversation', view: 'tray' },
    },
    {
      path: '/clear',
      name: 'clearing',
      component: () => import('@/features/clearing/ClearingView.vue'),
      meta: { title: 'Clearing', view: 'tray' },
    },
    {
      path: '/settings',
      name: 'settings',
      component: () => import('@/features/settings/SettingsView.vue'),
      meta: { title: 'Settings' },
    },
    {
      path: '/tasks/:id?',
      name: 'tasks',
      component: () => import('./TasksPage.vue'),
      props: true,
      meta: { title: 'Tasks' },
    },
    {
      path: '/lists/:id/:view(stages|mail|look-up|history|people)',
      name: 'list',
      component: () => import('@/features/lists/ListView.vue'),
      props: true,
      meta: { title: 'List', view: 'tasks' },
    },
    {
      path: '/agenda',
      name: 'agenda',
      component: () => import('@/features/agenda/AgendaView.vue'),
      meta: { title: 'Agenda' },
    },
    {
      path: '/agenda/morning',
      name: 'lay-out',
      component: () => import('@/features/rituals/LayOutView.vue'),
      meta: { title: 'Lay out today', view: 'agenda' },
    },
    {
      path: '/agenda/evening',
      name: 'evening',
      component: () => import('@/features/rituals/EveningView.vue'),
      meta: { title: 'Evening look', view: 'agenda' },
    },
    {
      path: '/agenda/week',
      name: 'look-back',
      component: () => import('@/features/rituals/LookBackView.vue'),
      meta: { title: 'Look back', view: 'agenda' },
    },
    {
      path: '/focus/:id',
      name: 'focus',
      component: () => import('@/features/focus/FocusView.vue'),
      props: true,
      meta: { title: 'Focus', view: 'tasks', bare: true },
    },
    {
      path: '/coming-back',
      name: 'away',
      component: () => import('@/features/coming/ComingBackView.vue'),
      meta: { title: 'Coming back' },
    },
    {
      path: '/owed',
      name: 'owed',
      component: () => import('@/features/owed/OwedView.vue'),
      meta: { title: 'Owed to you', view: 'away' },
    },
    {
      path: '/going-out',
      name: 'going-out',
      component: () => import('@/features/write/GoingOutView.vue'),
      meta: { title: 'Drafts and going out', view: 'away' },
    },
    {
      path: '/write/:id?',
      name: 'write',
      component: () => import('@/features/write/WriteView.vue'),
      props: true,
      meta: { title: 'Write' },
    },
    {
      path: '/people',
      name: 'people',
      component: () => import('@/features/people/PeopleView.vue'),
      meta: { title: 'People' },
    },
    {
      path: '/people/:email',
      name: 'person',
      component: () => import('@/features/people/PersonView.vue'),
      props: true,
      meta: { title: 'A person' },
    },
    {
      path: '/find',
      name: 'find',
      component: () => import('@/features/find/FindView.vue'),
      meta: { title: 'Find' },
    },
    {
      path: '/journal',
      name: 'journal',
      component: () => import('@/features/journal/JournalView.vue'),
      meta: { title: 'Journal' },
    },
    {
      path: '/import',
      name: 'import',
      component: () => import('@/features/import/ImportView.vue'),
      meta: { title: 'Bring mail in' },
    },
    {
      path: '/m/:id(.*)',
      name: 'message',
      component: () => import('@/features/conversation/MessageView.vue'),
      props: true,
      meta: { title: 'Message' },
    },
    {
      path: '/source/:id',
      name: 'source',
      component: () => import('@/features/conversation/SourceView.vue'),
      props: true,
      meta: { title: 'Source' },
    },
    {
      path: '/:path(.*)',
      component: () => import('./NothingHereView.vue'),
      meta: { title: 'Nothing here' },
    },
  ],
})

router.beforeEach((_to, from) => {
  // Back, as on a phone, closes what lies on top of the page first.
  if (isTravelling && closeTopmost()) return false
  scrolled.set(from.fullPath, window.scrollY)
  return true
})

router.afterEach((to) => {
  document.title = `${String(to.meta.title ?? '')} · Zippy Tray`
})
