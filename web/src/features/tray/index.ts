export { default as RestDialog } from './RestDialog.vue'
export { useTray } from './queries'
