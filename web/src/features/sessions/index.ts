export { default as HeldLine } from './HeldLine.vue'
export { useLetIn } from './letIn'
