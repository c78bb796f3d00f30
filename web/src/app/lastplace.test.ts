import { afterEach, expect, it, vi } from 'vitest'
import { rememberPlace } from './lastplace'

afterEach(() => vi.restoreAllMocks())

it('knows without asking how far a page was scrolled that goes', () => {
  rememberPlace()
  const heard = vi.fn()
  document.addEventListener('visibilitychange', heard)
  const hide = () => document.dispatchEvent(new Event('visibilitychange', { bubbles: true }))
  history.replaceState({ current: '/' }, '')
  Object.defineProperty(window, 'scrollY', { value: 640, configurable: true })
  window.dispatchEvent(new Event('scroll'))

  vi.spyOn(document, 'visibilityState', 'get').mockReturnValue('hidden')
  hide()
  expect(heard).toHaveBeenCalledTimes(1)

  const asked = vi.fn(() => 0)
  Object.defineProperty(window, 'scrollY', { get: asked, configurable: true })
  window.dispatchEvent(new Event('pagehide'))
  hide()
  expect(history.state).toEqual({ current: '/', scroll: { left: 0, top: 640 } })
  expect(asked).not.toHaveBeenCalled()
  expect(heard).toHaveBeenCalledTimes(1)

  // The browser kept it, and shows it again.
  vi.spyOn(document, 'visibilityState', 'get').mockReturnValue('visible')
  window.dispatchEvent(new Event('pageshow'))
  hide()
  expect(heard).toHaveBeenCalledTimes(2)
})
