export { default as RestDialog } from './RestDialog.vue'
