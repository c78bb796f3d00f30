import { createRouter, createWebHistory } from 'vue-router'
import { closeTopmost } from '@/keys/registry'
import TrayView from './views/TrayView.vue'

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
    saved ?? { top: from.name === 'conversation' ? (scrolled.get(to.fullPath) ?? 0) : 0 },
  routes: [
    { path: '/', name: 'tray', component: TrayView, meta: { title: 'Tray' } },
    {
      path: '/c/:id',
      name: 'conversation',
      component: () => import('./views/ConversationView.vue'),
      props: true,
      meta: { title: 'Conversation', view: 'tray' },
    },
    {
      path: '/clear',
      name: 'clearing',
      component: () => import('./views/ClearingView.vue'),
      meta: { title: 'Clearing', view: 'tray' },
    },
    {
      path: '/settings',
      name: 'settings',
      component: () => import('./views/SettingsView.vue'),
      meta: { title: 'Settings' },
    },
    {
      path: '/tasks/:id?',
      name: 'tasks',
      component: () => import('./views/TasksView.vue'),
      props: true,
      meta: { title: 'Tasks' },
    },
    {
      path: '/coming-back',
      name: 'away',
      component: () => import('./views/ComingBackView.vue'),
      meta: { title: 'Coming back' },
    },
    {
      path: '/owed',
      name: 'owed',
      component: () => import('./views/OwedView.vue'),
      meta: { title: 'Owed to you', view: 'away' },
    },
    {
      path: '/going-out',
      name: 'going-out',
      component: () => import('./views/GoingOutView.vue'),
      meta: { title: 'Drafts and going out', view: 'away' },
    },
    {
      path: '/write/:id?',
      name: 'write',
      component: () => import('./views/WriteView.vue'),
      props: true,
      meta: { title: 'Write' },
    },
    {
      path: '/people',
      name: 'people',
      component: () => import('./views/PeopleView.vue'),
      meta: { title: 'People' },
    },
    {
      path: '/people/:email',
      name: 'person',
      component: () => import('./views/PersonView.vue'),
      props: true,
      meta: { title: 'A person' },
    },
    { path: '/find', name: 'find', component: () => import('./views/FindView.vue'), meta: { title: 'Find' } },
    {
      path: '/journal',
      name: 'journal',
      component: () => import('./views/JournalView.vue'),
      meta: { title: 'Journal' },
    },
    {
      path: '/import',
      name: 'import',
      component: () => import('./views/ImportView.vue'),
      meta: { title: 'Bring mail in' },
    },
    {
      path: '/m/:id(.*)',
      name: 'message',
      component: () => import('./views/MessageView.vue'),
      props: true,
      meta: { title: 'Message' },
    },
    {
      path: '/source/:id',
      name: 'source',
      component: () => import('./views/SourceView.vue'),
      props: true,
      meta: { title: 'Source' },
    },
    {
      path: '/:path(.*)',
      component: () => import('./views/NothingHereView.vue'),
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
