import { ref } from 'vue'
import type { ImportOutcome } from '@/shared/api/client'
import { importFile, Stopped } from './sendFile'
import { Problem } from '@/shared/api/problem'

/** A file that is brought in. */
export interface Upload {
  file: File
  into: 'tray' | 'archive'
  state: 'waiting' | 'sending' | 'reading' | 'stopped' | 'done' | 'failed'
  /** Of what is sent, 0 to 1 */
  sent: number
  /** Bytes of the file that have been read and kept */
  position: number
  /** What became of its messages, also of those before it was stopped */
  new: number
  known: number
  refused: ImportOutcome['refused']
  /** Messages each second, and milliseconds that are left, as far as that can be told */
  rate: number
  left: number | null
  sentence: string
}

/** They go on when one leaves the view, and are there when one comes back. */
export const uploads = ref<Upload[]>([])
let stopper: AbortController | undefined
let isWorking = false

const waiting = () => uploads.value.find(({ state }) => state === 'waiting')

export function take(files: Iterable<File>, into: 'tray' | 'archive'): void {
  for (const file of files) {
    uploads.value.push({
      file,
      into,
      state: 'waiting',
      sent: 0,
      position: 0,
      new: 0,
      known: 0,
      refused: [],
      rate: 0,
      left: null,
      sentence: '',
    })
  }
}

export const readOf = (upload: Upload): number => upload.new + upload.known + upload.refused.length

/** Notes what became of a few messages, and how long the rest will take. */
export function note(
  upload: Upload,
  line: Pick<Upload, 'position' | 'new' | 'known' | 'refused'>,
  turn: { from: number; read: number; took: number },
): void {
  // The message at which it was stopped is read again.
  const again = turn.from > 0 && readOf(upload) === turn.read ? 1 : 0
  upload.state = 'reading'
  upload.position = line.position
  upload.new += line.new
  upload.known += Math.max(0, line.known - again)
  upload.refused = [...upload.refused, ...line.refused]
  const share = (line.position - turn.from) / Math.max(1, upload.file.size - turn.from)
  upload.rate = turn.took > 0 ? (1000 * (readOf(upload) - turn.read)) / turn.took : 0
  upload.left = share > 0 ? (turn.took * (1 - share)) / share : null
}

async function send(upload: Upload): Promise<void> {
  Object.assign(upload, { state: 'sending', sent: 0, sentence: '', left: null })
  const [from, read] = [upload.position, readOf(upload)]
  let began = 0
  stopper = new AbortController()
  try {
    await importFile(upload.file, upload.into, from, stopper.signal, (step) => {
      if (!('sent' in step)) return note(upload, step, { from, read, took: performance.now() - began })
      upload.sent = step.sent
      if (step.sent >= 1) upload.state = 'reading'
      began = performance.now()
    })
    upload.state = 'done'
  } catch (problem) {
    upload.state = problem instanceof Stopped ? 'stopped' : 'failed'
    upload.sentence = problem instanceof Problem ? problem.message : 'This file could not be sent.'
  } finally {
    stopper = undefined
  }
}

/** One file after the other, so that each says how far it is. */
export async function work(then: () => Promise<unknown>): Promise<void> {
  if (isWorking) return
  isWorking = true
  for (let next = waiting(); next; next = waiting()) await send(next)
  isWorking = false
  await then()
}

export function stop(): void {
  stopper?.abort()
}
