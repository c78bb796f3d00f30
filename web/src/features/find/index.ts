export { default as FoundMail } from './FoundMail.vue'
export { default as KeptGroups } from './KeptGroups.vue'
export { useFind, useSearches } from './queries'
