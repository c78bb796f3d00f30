import type { Correction } from '@/shared/api/client'
import { CARDS } from '@/features/decide'

/** The decisions that can be advised, each with its key. */
export const ADVISABLE = CARDS.flatMap(({ advised, key, text }) => (advised ? [{ advised, key, text }] : []))

/** What somebody said of mail, in words; the later word stands for what was said before. */
export function saidOf({ matters, should }: Pick<Correction, 'matters' | 'should'>): string {
  const words = [
    matters > 0 ? 'matters more' : matters < 0 ? 'matters less' : '',
    should ? `should be advised: ${ADVISABLE.find((one) => one.advised === should)?.text.toLowerCase()}` : '',
  ]
  return words.filter(Boolean).join('; ')
}

/** For which mail something counts. */
export const ABOUT = {
  sender: (name: string) => `mail from ${name}`,
  list: (name: string) => `the list ${name}`,
  kind: (name: string) => `all ${name}`,
}
