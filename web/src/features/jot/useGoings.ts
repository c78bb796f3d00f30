import { useQuery } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api } from '@/shared/api/client'
import { useLists } from '@/shared/api/lists'
import { keyCard } from '@/shared/keys/registry'
import { useSearches } from '@/features/find'
import type { Going } from './go'

/** The views of the program, as they are called. */
const VIEWS: [text: string, to: { name: string; query?: Record<string, string> }][] = [
  ['Tray', { name: 'tray' }],
  ['Clearing', { name: 'clearing' }],
  ['Tasks', { name: 'tasks' }],
  ['Tasks by list', { name: 'tasks', query: { by: 'list' } }],
  ['Agenda', { name: 'agenda' }],
  ['Lay out today', { name: 'lay-out' }],
  ['Evening look', { name: 'evening' }],
  ['Look back', { name: 'look-back' }],
  ['Coming back', { name: 'away' }],
  ['Owed to you', { name: 'owed' }],
  ['Drafts and going out', { name: 'going-out' }],
  ['Find', { name: 'find' }],
  ['People', { name: 'people' }],
  ['Journal', { name: 'journal' }],
  ['Settings', { name: 'settings' }],
  ['Bring mail in', { name: 'import' }],
]
const LIST_VIEWS = ['stages', 'mail', 'look-up', 'history', 'people'] as const
/** What moves about in what is seen is done by its key alone. */
const MOVES = /(?:^|\+)(?:Arrow\w+|Home|End|Escape|Enter|PageUp|PageDown)$|^;$/

/** Everything that the line can go to or do, as long as it is open. */
export function useGoings(line: MaybeRefOrGetter<string>, open: MaybeRefOrGetter<boolean>) {
  const router = useRouter()
  const { data: lists } = useLists()
  const { data: searches } = useSearches()
  const { data: people } = useQuery({
    queryKey: ['people', 'going', line],
    queryFn: ({ signal }) =>
      answer(api.GET('/people', { signal, params: { query: { words: toValue(line), count: 4 } } })),
    enabled: () => toValue(open) && /^[^;]{2,40}$/.test(toValue(line).trim()),
  })
  return computed((): Going[] => {
    if (!toValue(open)) return []
    return [
      ...VIEWS.map(([text, to]) => ({ id: `view ${text}`, kind: 'view', text, run: () => router.push(to) })),
      ...(lists.value ?? []).flatMap(({ id, name }) => [
        {
          id: `list ${id}`,
          kind: 'list',
          text: name,
          run: () => router.push({ name: 'tasks', query: { by: 'list', list: id } }),
        },
        ...LIST_VIEWS.map((view) => ({
          id: `list ${id} ${view}`,
          kind: 'list',
          text: `${name}: ${view === 'look-up' ? 'to look up' : view}`,
          run: () => router.push({ name: 'list', params: { id, view } }),
        })),
      ]),
      ...(searches.value ?? []).map(({ id, name, words, sort }) => ({
        id: `search ${id}`,
        kind: 'search',
        text: name,
        hint: words,
        run: () => router.push({ name: 'find', query: { words, ...(sort === 'mail' ? {} : { sort }) } }),
      })),
      ...(people.value ?? []).map(({ name, email }) => ({
        id: `person ${email}`,
        kind: 'person',
        text: name || email,
        hint: name ? email : '',
        run: () => router.push({ name: 'person', params: { email } }),
      })),
      ...keyCard.value.flatMap(({ title, bindings }) =>
        bindings
          .filter(({ key, label }) => label && !MOVES.test(key))
          .map(({ key, label, run }) => ({
            id: `command ${title} ${key}`,
            kind: 'command',
            text: label,
            key,
            run: () => run(new KeyboardEvent('keydown', { key })),
          })),
      ),
    ]
  })
}
