import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { emptyFields } from './letterFields'
import { useDraft } from './draft'

const { beginAnswer, keepDraft } = vi.hoisted(() => ({ beginAnswer: vi.fn(), keepDraft: vi.fn() }))
vi.mock('./queries', () => ({ beginAnswer, keepDraft }))
vi.mock('./steps', () => ({ useWriteSteps: () => ({ sendMail: vi.fn() }) }))
vi.mock('@tanstack/vue-query', () => ({ useQueryClient: () => ({ getQueryData: () => undefined }) }))

let scope: EffectScope
const draft = () => {
  const made = scope.run(() => useDraft({ kind: 'reply', message: 'a', then: null }))
  if (!made) throw new Error('no scope')
  return made
}

beforeEach(() => {
  vi.spyOn(console, 'warn').mockImplementation(() => undefined)
  localStorage.clear()
  scope = effectScope()
  vi.useFakeTimers()
  beginAnswer.mockResolvedValue({ ...emptyFields(), text: 'Hello' })
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})

test('a draft counts as kept when all of it is, not when what stood there before the last keys is', async () => {
  let revision = 0
  keepDraft.mockImplementation(() => Promise.resolve({ revision: ++revision }))
  const { fields, state } = draft()
  await vi.advanceTimersByTimeAsync(0)
  expect(state.value).toBe('begun')

  fields.text = 'Hello you'
  await vi.advanceTimersByTimeAsync(1000)
  expect(state.value).toBe('kept')
  expect(keepDraft).toHaveBeenCalledTimes(1)

  fields.text = 'Hello you there'
  expect(state.value).toBe('keeping')
  await vi.advanceTimersByTimeAsync(1000)
  expect(state.value).toBe('kept')
})

test('what is typed while it is being kept is not kept yet', async () => {
  let answerIt: (kept: { revision: number }) => void = () => undefined
  keepDraft.mockImplementation(() => new Promise((resolve) => (answerIt = resolve)))
  const { fields, state } = draft()
  await vi.advanceTimersByTimeAsync(0)
  fields.text = 'Hello you'
  await vi.advanceTimersByTimeAsync(1000)
  fields.text = 'Hello you there'
  answerIt({ revision: 1 })
  await vi.advanceTimersByTimeAsync(0)
  expect(state.value).toBe('keeping')
})
