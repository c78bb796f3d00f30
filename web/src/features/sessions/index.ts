export { default as HeldLine } from './HeldLine.vue'
