import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { importFile, readLines, Stopped, type Step } from './sendFile'

/** A request that answers as it is told to. */
class FakeRequest {
  static last: FakeRequest
  upload: { onprogress?: (event: { lengthComputable: boolean; loaded: number; total: number }) => void } = {}
  status = 200
  responseText = ''
  form: FormData | undefined
  onprogress: () => void = () => undefined
  onload: () => void = () => undefined
  onerror: () => void = () => undefined
  onabort: () => void = () => undefined
  constructor() {
    FakeRequest.last = this
  }
  open = vi.fn()
  setRequestHeader = vi.fn()
  send(form: FormData) {
    this.form = form
  }
  abort() {
    this.onabort()
  }
  says(...lines: object[]) {
    this.responseText += lines.map((line) => JSON.stringify(line) + '\n').join('')
    this.onprogress()
  }
}

beforeEach(() => vi.stubGlobal('XMLHttpRequest', FakeRequest))
afterEach(() => vi.unstubAllGlobals())

const file = new File(['0123456789'], 'box.mbox')

describe('a file that is brought in', () => {
  it('tells how far it is, and is in when the server says so', async () => {
    const steps: Step[] = []
    const done = importFile(file, 'tray', 0, undefined, (step) => steps.push(step))
    const request = FakeRequest.last
    request.upload.onprogress?.({ lengthComputable: true, loaded: 5, total: 10 })
    request.upload.onprogress?.({ lengthComputable: false, loaded: 5, total: 0 })
    request.says({ position: 4, new: 2, known: 1, refused: [] })
    request.says({ position: 10, new: 1 }, { done: true })
    request.onload()
    await done
    expect(steps).toEqual([
      { sent: 0.5 },
      { sent: 0 },
      { position: 4, new: 2, known: 1, refused: [] },
      { position: 10, new: 1, known: 0, refused: [] },
    ])
  })

  it('goes on where it was stopped, with places in the whole file', async () => {
    const steps: Step[] = []
    const done = importFile(file, 'archive', 6, undefined, (step) => steps.push(step))
    const request = FakeRequest.last
    const sent = request.form?.get('files[]')
    expect([sent instanceof File && (await sent.text()), request.form?.get('into')]).toEqual([
      '6789',
      'archive',
    ])
    const refused = [{ file: 'box.mbox', position: 1, error: 'No letter.' }]
    request.says({ position: 4, new: 1, known: 0, refused }, { done: true })
    request.onload()
    await done
    expect(steps).toEqual([
      { position: 10, new: 1, known: 0, refused: [{ file: 'box.mbox', position: 7, error: 'No letter.' }] },
    ])
  })

  it('is not in when the server stopped in the middle, with its reason where it gives one', async () => {
    const half = importFile(file, 'tray')
    FakeRequest.last.says({ position: 4, new: 2 })
    FakeRequest.last.onload()
    await expect(half).rejects.toThrow('The server stopped in the middle of it. Go on in a moment.')
    const full = importFile(file, 'tray')
    FakeRequest.last.says({ position: 4 }, { problem: 'The disk is full.' })
    FakeRequest.last.onload()
    await expect(full).rejects.toThrow('The disk is full.')
  })

  it('is refused with the server’s sentence, whatever it says', async () => {
    const large = importFile(file, 'tray')
    Object.assign(FakeRequest.last, { status: 413, responseText: '{"detail":"It is too large."}' })
    FakeRequest.last.onprogress()
    FakeRequest.last.onload()
    await expect(large).rejects.toMatchObject({ message: 'It is too large.', status: 413 })
    const broken = importFile(file, 'tray')
    Object.assign(FakeRequest.last, { status: 502, responseText: '<html>Bad Gateway' })
    FakeRequest.last.onload()
    await expect(broken).rejects.toMatchObject({ status: 502 })
  })

  it('can be stopped, and says when nobody answers', async () => {
    const stop = new AbortController()
    const stopped = importFile(file, 'tray', 0, stop.signal)
    stop.abort()
    await expect(stopped).rejects.toBeInstanceOf(Stopped)
    const alone = importFile(file, 'tray')
    FakeRequest.last.onerror()
    await expect(alone).rejects.toMatchObject({ status: 0 })
  })
})

describe('lines that come one after the other', () => {
  it('are read once, and only when they are whole', () => {
    const lines = readLines()
    expect(lines('')).toEqual([])
    expect(lines('{"new":1}')).toEqual([])
    expect(lines('{"new":1}\n{"ne')).toEqual([{ new: 1 }])
    expect(lines('{"new":1}\n{"new":2}\n\n')).toEqual([{ new: 2 }])
    expect(lines('{"new":1}\n{"new":2}\n\n')).toEqual([])
  })
})
