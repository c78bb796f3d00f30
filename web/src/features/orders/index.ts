export { default as OrderDialog } from './OrderDialog.vue'
export { default as OrderList } from './OrderList.vue'
export { default as PastLine } from './PastLine.vue'
export { giveOrderOf } from './giving'
