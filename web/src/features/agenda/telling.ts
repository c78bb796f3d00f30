import { ask } from '@/shared/ask'

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
