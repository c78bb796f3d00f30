export { default as ComingLine } from './ComingLine.vue'
export { default as MailboxSettings } from './MailboxSettings.vue'
export { useMailboxes } from './queries'
