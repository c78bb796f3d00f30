import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Entry } from './api/client'
import { Problem } from './api/problem'
import { attempt, clearNotice, notice, say, tell, tellUndecided } from './notice'

beforeEach(() => {
  vi.useFakeTimers()
  clearNotice()
})
afterEach(() => vi.useRealTimers())

test('what is good to know goes by itself, trouble stays', () => {
  say('It is a draft now.')
  expect(notice.value).toMatchObject({ text: 'It is a draft now.', isNews: true })
  vi.advanceTimersByTime(8_000)
  expect(notice.value).toBeNull()
  tell(new Problem('No.', 422))
  vi.advanceTimersByTime(60_000)
  expect(notice.value?.text).toBe('No.')
})

test('trouble that comes after news does not go with it', () => {
  say('Sent.')
  vi.advanceTimersByTime(5_000)
  tell(new Problem('No.', 422))
  vi.advanceTimersByTime(5_000)
  expect(notice.value?.text).toBe('No.')
})

test('a fault of the page is said to be one, and logged', () => {
  const log = vi.spyOn(console, 'error').mockImplementation(() => undefined)
  tell(new TypeError('x is undefined'))
  expect(notice.value?.text).toBe('Something went wrong on this page. Reload it and try again.')
  expect(log).toHaveBeenCalledOnce()
  tell(new Problem('No.', 422))
  expect(log).toHaveBeenCalledOnce()
})

test('what stands in the way of undoing is named, and what can be undone with it', () => {
  const later = { id: 'later' } as Entry
  const problem = new Problem('It was deleted since.', 409, {}, later, 0, null, [], null, null, 2)
  tell(problem)
  expect(notice.value).toMatchObject({ later })
  expect(notice.value?.through).toBeUndefined()
  problem.undoing = 'entry'
  tell(problem)
  expect(notice.value?.through).toEqual({ entry: 'entry', steps: 2 })
})

test('what was not decided is named, one after the other as long as the reason is the same', () => {
  const gone = Problem.unreachable()
  tellUndecided(['Rota'], gone)
  expect(notice.value?.text).toBe(`“Rota” is not decided; it lies where it was. ${gone.message}`)
  tellUndecided(['Glass', 'Slates'], gone)
  expect(notice.value?.text).toBe(
    `“Rota”, “Glass” and “Slates” are not decided; they lie where they were. ${gone.message}`,
  )
  tellUndecided(['Plan'], new Problem('It was decided in another window.', 409))
  expect(notice.value?.text).toBe(
    '“Plan” is not decided; it lies where it was. It was decided in another window.',
  )
})

test('what works takes trouble away, but neither news nor what was not decided', async () => {
  tell(new Problem('No.', 422))
  expect(await attempt(() => Promise.resolve())).toBe(true)
  expect(notice.value).toBeNull()
  say('Sent.')
  await attempt(() => Promise.resolve())
  expect(notice.value?.text).toBe('Sent.')
  tellUndecided(['Rota'], new Problem('No.', 409))
  await attempt(() => Promise.resolve())
  expect(notice.value?.undecided?.names).toEqual(['Rota'])
})

test('what does not work is told', async () => {
  expect(await attempt(() => Promise.reject(new Problem('No.', 422)))).toBe(false)
  expect(notice.value?.text).toBe('No.')
})
