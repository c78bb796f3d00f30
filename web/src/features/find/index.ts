export { default as FoundMail } from './FoundMail.vue'
export { useFind } from './queries'
