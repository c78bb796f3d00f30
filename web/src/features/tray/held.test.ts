import { expect, test } from 'vitest'
import type { RestHeld } from '@/shared/api/client'
import { heldGroups } from './held'

const held = (id: string, because: RestHeld['because'], latestAt: string) =>
  ({ row: { id, latestAt }, because, reason: '' }) as unknown as RestHeld

test('what had better stay stands under why, the newest first', () => {
  const rows = heldGroups([
    held('old letter', 'unanswered', '2024-01-01'),
    held('new question', 'asks', '2026-11-01'),
    held('old question', 'asks', '2025-11-01'),
    held('newer question', 'asks', '2026-11-02'),
  ])
  expect(rows.map(({ id }) => id)).toEqual([
    'asks',
    'newer question',
    'new question',
    'old question',
    'unanswered',
    'old letter',
  ])
  expect(rows[0]).toMatchObject({ ids: ['newer question', 'new question', 'old question'] })
  expect(heldGroups([])).toEqual([])
})
