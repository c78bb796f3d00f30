import type { Condition } from '@/shared/api/client'

export type Test = Condition['test']

interface Ask {
  test: Test
  text: string
  /** What can be chosen; without, it is typed */
  choices?: { value: string; text: string }[]
  placeholder?: string
  /** It may be left empty */
  optional?: boolean
}

/** What can be asked of mail, in the order in which it is offered. */
export const ASKS: Ask[] = [
  { test: 'from', text: 'from the address', placeholder: 'olga@roofs.example' },
  { test: 'domain', text: 'from the domain', placeholder: 'roofs.example' },
  { test: 'list', text: 'of the mailing list', placeholder: 'keepers.lights.example' },
  { test: 'to', text: 'to my address or sub-address', placeholder: '+news' },
  {
    test: 'addressed',
    text: 'addressed',
    choices: [
      { value: 'alone', text: 'to me alone' },
      { value: 'among', text: 'to me among others' },
      { value: 'copied', text: 'to me only in copy' },
    ],
  },
  { test: 'subject', text: 'with in the subject', placeholder: 'invoice, or "in quotes"' },
  { test: 'words', text: 'with in subject or text', placeholder: 'words, or "in quotes"' },
  { test: 'larger', text: 'larger than (kB)', placeholder: '5000' },
  { test: 'smaller', text: 'smaller than (kB)', placeholder: '20' },
  { test: 'attached', text: 'with an attachment', placeholder: 'any, or pdf', optional: true },
  {
    test: 'kind',
    text: 'of the kind',
    choices: [
      { value: 'personal', text: 'personal letters' },
      { value: 'discussion', text: 'discussions' },
      { value: 'newsletter', text: 'newsletters' },
      { value: 'advert', text: 'adverts' },
      { value: 'notice', text: 'notices' },
      { value: 'invitation', text: 'invitations' },
      { value: 'auto_reply', text: 'automatic answers' },
      { value: 'suspicious', text: 'suspicious letters' },
    ],
  },
  {
    test: 'known',
    text: 'from',
    choices: [
      { value: 'known', text: 'somebody I have written to' },
      { value: 'stranger', text: 'a stranger' },
    ],
  },
  { test: 'important', text: 'that matters at least (of 100)', placeholder: '70' },
  { test: 'unimportant', text: 'that matters less than (of 100)', placeholder: '30' },
  { test: 'label', text: 'that bears the label', placeholder: 'money' },
  { test: 'task_list', text: 'with a task in the list', placeholder: 'Roof' },
]

/** Kinds of mail that may go by themselves when they are old: those that ask nobody. */
export const OLD_KINDS = (ASKS.find((one) => one.test === 'kind')?.choices ?? []).filter(
  ({ value }) => value !== 'personal' && value !== 'invitation',
)

export const GROUPS: { test: Test; text: string }[] = [
  { test: 'all', text: 'all of these' },
  { test: 'any', text: 'any of these' },
  { test: 'none', text: 'none of these' },
]

/** A condition while it is filled in: a group has others within it. */
export interface Asked {
  test: Test
  is: string
  of: Asked[]
}

export const isGroup = (test: Test): boolean => GROUPS.some((one) => one.test === test)

export const newAsked = (test: Test): Asked => ({
  test,
  is: ASKS.find((one) => one.test === test)?.choices?.[0]?.value ?? '',
  of: [],
})

export const askedOf = ({ test, is, of }: Condition): Asked => ({
  test,
  is: is ?? '',
  of: (of ?? []).map(askedOf),
})

/** At the top there is always a group, to which others can be added. */
export const grouped = (condition: Condition): Asked =>
  isGroup(condition.test) ? askedOf(condition) : { test: 'all', is: '', of: [askedOf(condition)] }

export function conditionOf({ test, is, of }: Asked): Condition {
  return isGroup(test) ? { test, of: of.map(conditionOf) } : { test, is }
}
