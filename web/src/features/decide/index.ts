export { default as DecisionCards } from './DecisionCards.vue'
export { type CardKind } from './cards'
export { type Along } from './take'
export { CARDS } from './cards'
