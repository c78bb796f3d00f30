export { default as DraftStrip } from './DraftStrip.vue'
export { default as PeopleField } from './PeopleField.vue'
export { default as WriteSheet } from './WriteSheet.vue'
export { type Wanted, useAnswering, useAwaited, useWritingFrom } from './answer'
export {
  forgetLeftOut,
  tryMailWays,
  useContacts,
  useKnownPeople,
  useMailWays,
  useOwed,
  usePerson,
  useTemplates,
} from './queries'
export { editTemplate } from './templateDialog'
