import { useQueryClient } from '@tanstack/vue-query'
import { useRouter } from 'vue-router'
import { answer, api, type Source } from '@/shared/api/client'
import { attempt, say } from '@/shared/notice'

/** Opens where a task comes from, without the task being opened. */
export function useSources() {
  const router = useRouter()
  const queries = useQueryClient()

  const sourcesOf = async (id: string): Promise<Source[]> =>
    (
      await queries.fetchQuery({
        queryKey: ['task', id],
        queryFn: () => answer(api.GET('/tasks/{id}', { params: { path: { id } } })),
        staleTime: 30_000,
      })
    ).sources

  async function openSource(source: Source | undefined): Promise<void> {
    if (source?.kind === 'message') await router.push({ name: 'source', params: { id: source.ref } })
    else if (source?.kind === 'task') await router.push({ name: 'tasks', params: { id: source.ref } })
    else if (source) window.open(source.ref, '_blank', 'noopener')
  }

  const open = (id: string, choose: (sources: Source[]) => Source | undefined, none: string) =>
    attempt(async () => {
      const source = choose(await sourcesOf(id))
      if (source) await openSource(source)
      else say(none)
    })

  return {
    openSource,
    /** The message before all else. */
    openSourceOf: (id: string) =>
      open(
        id,
        (sources) => sources.find(({ kind }) => kind === 'message') ?? sources[0],
        'It comes from nowhere else.',
      ),
    openWebOf: (id: string) =>
      open(id, (sources) => sources.find(({ kind }) => kind === 'web'), 'It has no web address.'),
  }
}
