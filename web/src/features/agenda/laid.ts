import { computed, ref, type MaybeRefOrGetter } from 'vue'
import { newId, type ConversationRow, type When } from '@/shared/api/client'
import { useSession } from '@/shared/api/session'
import { claimOf } from '@/shared/steps/decide'
import { asProposed, proposalsOf, useTaskSteps } from '@/features/tasks'
import { useMoves } from './moves'
import { hoursShown, minutesOf } from './place'
import { useAgenda } from './queries'
import { useAgendaSteps } from './steps'
import { thingsOf, type Spot, type Thing } from './things'

/** Days with what lies on them, as far as it has been moved by hand, and the hours that hold it all. */
export function useLaid(from: MaybeRefOrGetter<string>, days: MaybeRefOrGetter<number>) {
  const { account } = useSession()
  const settings = computed(() => account.value?.settings.agenda)
  const { data, error, refetch } = useAgenda(from, days)
  const { move } = useAgendaSteps()
  const tasks = computed(() => new Map(data.value?.tasks.map((task) => [task.id, task])))
  const moves = useMoves(
    computed(() => thingsOf(data.value?.days ?? [], data.value?.events ?? [], tasks.value)),
    move,
  )
  const { laid, hold, put } = moves
  const shown = computed(() =>
    hoursShown(
      {
        from: minutesOf(settings.value?.from ?? '07:00'),
        to: minutesOf(settings.value?.to ?? '19:00', true),
      },
      [
        ...laid.value.flatMap(({ time, minutes }) =>
          time ? [{ from: minutesOf(time), to: minutesOf(time) + minutes }] : [],
        ),
        ...(data.value?.days ?? []).flatMap(({ hours }) =>
          hours ? [{ from: minutesOf(hours.from), to: minutesOf(hours.to, true) }] : [],
        ),
      ],
    ),
  )

  /** Its edge is pulled; null: it was let go. */
  const pulled = ref<Spot | null>(null)
  function pull(one: Thing, to: Spot | null): void {
    if (to) hold(one, (pulled.value = to))
    else if (pulled.value) void put(one, pulled.value)
    if (!to) pulled.value = null
  }

  return { settings, data, error, refetch, tasks, shown, pull, ...moves }
}

/** Mail becomes tasks, as they are proposed, which are laid there. */
export function useLayMail() {
  const { makeTasks } = useTaskSteps()
  return async (
    rows: readonly Pick<ConversationRow, 'id' | 'revision' | 'subject'>[],
    when: When,
    clearing?: string,
  ): Promise<void> => {
    const proposals = await proposalsOf(rows.map(({ id }) => id))
    const of = new Map(proposals.map((one) => [one.conversation, one.proposal]))
    const made = rows.map((row) => ({
      ...asProposed(row, of.get(row.id), {}),
      id: newId(),
      conversation: claimOf(row),
      slot: { id: newId(), when },
    }))
    await makeTasks(made, clearing)
  }
}
