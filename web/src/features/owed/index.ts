export { default as OwedIn } from './OwedIn.vue'
export { default as OwedLine } from './OwedLine.vue'
export { useOwedSteps } from './steps'
