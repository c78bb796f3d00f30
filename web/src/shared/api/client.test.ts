import { afterEach, expect, test, vi } from 'vitest'
import { answer, heard, isSignedIn, signInNeeded } from './client'

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

test('what is answered during a click is heard of behind it', async () => {
  const said: string[] = []
  const call = (name: string, ok: boolean) =>
    answer(
      Promise.resolve({ data: name, error: {}, response: new Response(null, { status: ok ? 200 : 500 }) }),
    ).then(
      () => said.push(name),
      () => said.push(`no ${name}`),
    )
  await call('at once', true)
  window.dispatchEvent(new Event('pointerdown'))
  const later = [call('an answer', true), call('answer', false)]
  await new Promise((done) => setTimeout(done))
  expect(said).toEqual(['at once'])
  window.dispatchEvent(new Event('pointerup'))
  await Promise.all(later)
  expect(said).toEqual(['at once', 'an answer', 'no answer'])
})
