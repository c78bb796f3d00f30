import { afterEach, expect, test, vi } from 'vitest'
import { heard, isSignedIn, signInNeeded } from './client'

afterEach(() => (signInNeeded.value = false))

/** An answer that comes when it is let go. */
function held(status: number, url = '/api/tray') {
  let go: () => void = () => undefined
  const response = new Response(null, { status })
  Object.defineProperty(response, 'url', { value: `http://localhost${url}` })
  const answer = new Promise<Response>((resolve) => (go = () => resolve(response)))
  vi.spyOn(globalThis, 'fetch').mockReturnValueOnce(answer)
  const asked = heard(url, {})
  return async () => {
    go()
    await asked
    return signInNeeded.value
  }
}

test('who is not signed in any more is asked to', async () => {
  expect(await held(200)()).toBe(false)
  expect(await held(403)()).toBe(false)
  expect(await held(401, '/api/sign-in')()).toBe(false)
  expect(await held(401)()).toBe(true)
})

test('what was asked for before somebody signed in says nothing any more', async () => {
  const late = held(401)
  isSignedIn()
  expect(await late()).toBe(false)
  expect(await held(401)()).toBe(true)
  isSignedIn()
  expect(signInNeeded.value).toBe(false)
})
