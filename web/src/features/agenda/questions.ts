import { ask } from '@/shared/ask'
import type { Thing } from './things'

/** Whether those who were asked hear that it is called off; null: it is not taken out at all. */
export const askWhetherToTell = (): Promise<'yes' | 'no' | null> =>
  ask({
    title: 'Tell those who take part?',
    text: 'They were asked by mail, and do not know yet that it does not take place.',
    answers: [
      { value: 'yes', text: 'Tell them' },
      { value: 'no', text: 'Only take it out' },
    ],
  }) as Promise<'yes' | 'no' | null>

/** What is meant of a series; null: nothing is done. */
export const askWhich = ({ title }: Thing): Promise<'one' | 'all' | null> =>
  ask({
    title,
    text: 'It comes again and again. Which is meant?',
    answers: [
      { value: 'one', text: 'Only this one' },
      { value: 'all', text: 'All of them' },
    ],
  }) as Promise<'one' | 'all' | null>
