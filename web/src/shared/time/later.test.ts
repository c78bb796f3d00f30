import { expect, test, vi } from 'vitest'
import { onScreen } from './later'

test('what waits for the screen goes on after the next frame', async () => {
  const frames: FrameRequestCallback[] = []
  vi.stubGlobal('requestAnimationFrame', (frame: FrameRequestCallback) => frames.push(frame))
  const gone = vi.fn()
  void onScreen().then(gone)
  await new Promise((done) => setTimeout(done))
  expect(gone).not.toHaveBeenCalled()
  frames.forEach((frame) => frame(0))
  await vi.waitFor(() => expect(gone).toHaveBeenCalledOnce())
  vi.unstubAllGlobals()
})

test('where the page is left meanwhile, it does not wait for a frame that may never come', async () => {
  vi.stubGlobal('requestAnimationFrame', () => 0)
  const gone = vi.fn()
  void onScreen().then(gone)
  dispatchEvent(new Event('pagehide'))
  await vi.waitFor(() => expect(gone).toHaveBeenCalledOnce())
  vi.unstubAllGlobals()
})
