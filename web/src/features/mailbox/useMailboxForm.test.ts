import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { effectScope, nextTick, type EffectScope } from 'vue'
import { useMailboxForm } from './useMailboxForm'

/** What the server proposes, answered when the test says so. */
let waiting: Record<string, (host: string | null) => void> = {}
let scope: EffectScope

beforeEach(() => {
  waiting = {}
  vi.stubGlobal(
    'fetch',
    async (request: Request) =>
      new Promise<Response>((resolve) => {
        void request.json().then(({ address }: { address: string }) => {
          waiting[address] = (host) =>
            resolve(
              host
                ? Response.json({
                    imap: { host, port: 993, security: 'tls' },
                    smtp: { host, port: 465, security: 'tls' },
                    isSaid: true,
                    provider: null,
                  })
                : Response.json({ detail: 'No such address.', violations: [] }, { status: 422 }),
            )
        })
      }),
  )
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.unstubAllGlobals()
  localStorage.clear()
})

const form = (address = '') => scope.run(() => useMailboxForm(undefined, address)) ?? expect.fail()
async function answered(address: string, host: string | null): Promise<void> {
  await vi.waitFor(() => expect(waiting[address]).toBeDefined())
  waiting[address]?.(host)
  await new Promise((resolve) => setTimeout(resolve, 5))
  await nextTick()
}

test('of two addresses that are asked about beside each other the later one counts', async () => {
  const { fields, propose, isFinding } = form('wren@one.example')
  fields.address = 'wren@two.example'
  void propose()
  await answered('wren@two.example', 'imap.two.example')
  await answered('wren@one.example', 'imap.one.example')
  expect(fields.imap.host).toBe('imap.two.example')
  expect(isFinding.value).toBe(false)
})

test('what was entered by hand is left as it is', async () => {
  const { fields, propose } = form('wren@one.example')
  await answered('wren@one.example', 'imap.one.example')
  fields.imap.host = 'post.house.example'
  fields.address = 'wren@two.example'
  void propose()
  await answered('wren@two.example', 'imap.two.example')
  expect(fields.imap.host).toBe('post.house.example')
})

test('an address for which there was no answer is asked about again', async () => {
  const { fields, propose, at } = form('wren@one.example')
  await answered('wren@one.example', null)
  delete waiting['wren@one.example']
  expect(fields.imap.host).toBe('')
  void propose()
  await answered('wren@one.example', 'imap.one.example')
  expect([fields.imap.host, at('address')]).toEqual(['imap.one.example', ''])
})
