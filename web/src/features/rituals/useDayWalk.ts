import { computed, ref, type ComputedRef, type Ref } from 'vue'
import type { DayAsk, When } from '@/shared/api/client'
import { useKeys } from '@/shared/keys/registry'
import { attempt } from '@/shared/notice'
import { today } from '@/shared/time/format'
import { useAgendaSteps } from '@/features/agenda'
import { useAnswers } from './answers'
import { titleOf } from './asks'
import { eveningCards, morningCards, weekCards, type AnswerCard } from './cards'
import { useWalk } from './walk'

/** Going through what is asked about a day, by key and by mouse. */
export function useDayWalk(
  title: string,
  asks: Ref<readonly DayAsk[] | undefined>,
  askedAt: Ref<number>,
  keystone: ComputedRef<string | null>,
  kind: 'morning' | 'evening' | 'week',
  leave: () => void,
  isDayOff: () => boolean = () => false,
) {
  const walk = useWalk(asks, askedAt)
  const answers = useAnswers()
  const { chooseKeystone } = useAgendaSteps()
  const { current, take } = walk
  /** What another time is asked for. */
  const asked = ref<DayAsk | null>(null)
  const question = computed(() => (asked.value ? `When will it be: “${titleOf(asked.value)}”?` : ''))

  async function chosen(when: When): Promise<void> {
    const ask = asked.value
    if (!ask) return
    await take(ask, async () => {
      const well = await answers.later(ask, when)
      if (well) asked.value = null
      return well
    })
  }

  const stone = (id: string): Promise<boolean> =>
    attempt(() => chooseKeystone(today(), keystone.value === id ? null : id))

  const cards = computed<AnswerCard[]>(() => {
    const ask = current.value
    if (!ask) return []
    const run = {
      hour: () => ask.free && take(ask, () => answers.put(ask, today(), ask.free)),
      pocket: () => take(ask, () => answers.put(ask, today(), null)),
      tomorrow: () => take(ask, () => answers.tomorrow(ask)),
      later: () => (asked.value = ask),
      handOver: () => answers.handOver(ask),
      finish: () => take(ask, () => answers.finish(ask)),
      drop: () => take(ask, () => answers.drop(ask)),
      keystone: () => ask.task && stone(ask.task.id),
    }
    if (kind === 'morning') return morningCards(ask, keystone.value, run, isDayOff())
    return kind === 'evening' ? eveningCards(ask, run) : weekCards(ask, run, walk.pass)
  })

  const card = (key: string) => cards.value.find((one) => one.key === key && !one.off)
  useKeys(title, [
    {
      key: ' ',
      label: 'The first answer',
      when: () => !!current.value,
      run: () => void cards.value.find(({ first }) => first)?.run(),
    },
    ...['1', '2', '3', '4', '5', '6', '8'].map((key) => ({
      key,
      label: `Answer ${key}`,
      opens: key === '3' || key === '4',
      when: () => !!card(key),
      run: () => void card(key)?.run(),
    })),
    { key: 'ArrowRight', label: 'Pass over', when: () => !!current.value, run: walk.pass },
    {
      key: 'ArrowLeft',
      label: 'Back to what was passed over',
      when: () => walk.passed.value.length > 0,
      run: () => void walk.back(),
    },
    { key: 'Escape', label: 'Leave; it goes on later', run: leave },
  ])

  return { ...walk, cards, question, chosen, stone, ask: asked }
}
