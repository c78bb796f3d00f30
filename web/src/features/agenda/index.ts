export { default as InvitationCard } from './InvitationCard.vue'
export { default as PinnedToday } from './PinnedToday.vue'
export { isPinned } from './pinned'
export { useBalances } from './queries'
