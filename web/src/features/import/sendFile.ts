import { csrfHeader, type ImportLine } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'

/** How far a file is: what has been sent, or what became of a few messages, with places in the whole file. */
export type Step = { sent: number } | Required<Pick<ImportLine, 'position' | 'new' | 'known' | 'refused'>>

/** It was stopped by the person. What was kept until then stays. */
export class Stopped extends Error {}

/**
 * Sends one file to be read, and tells how far it is.
 *
 * @param from  bytes at its beginning that were read before; a message begins there
 * @param signal stops it; the server ends after what it is keeping
 */
export function importFile(
  file: File,
  into: 'tray' | 'archive',
  from = 0,
  signal?: AbortSignal,
  progress: (step: Step) => void = () => undefined,
): Promise<void> {
  return new Promise((resolve, reject) => {
    const form = new FormData()
    form.append('files[]', from ? new File([file.slice(from)], file.name) : file, file.name)
    form.append('into', into)
    const request = new XMLHttpRequest()
    request.open('POST', '/api/imports')
    for (const [name, value] of Object.entries(csrfHeader)) request.setRequestHeader(name, value)
    request.setRequestHeader('Accept', 'application/x-ndjson')
    const lines = readLines()
    let last: ImportLine = {}
    request.upload.onprogress = ({ lengthComputable, loaded, total }) =>
      progress({ sent: lengthComputable ? loaded / total : 0 })
    request.onprogress = () => {
      if (request.status !== 200) return
      for (const line of lines(request.responseText)) {
        last = line
        if (line.position !== undefined) progress(inWhole(line, from))
      }
    }
    request.onload = () => {
      if (request.status !== 200) reject(Problem.of(request.status, parsed(request.responseText)))
      else if (last.done) resolve()
      else
        reject(new Problem(last.problem ?? 'The server stopped in the middle of it. Go on in a moment.', 200))
    }
    request.onerror = () => reject(Problem.unreachable())
    request.onabort = () => reject(new Stopped())
    signal?.addEventListener('abort', () => request.abort())
    request.send(form)
  })
}

/** Gives the whole lines that have come since it was asked last. */
export function readLines(): (text: string) => ImportLine[] {
  let done = 0
  return (text) => {
    const end = text.lastIndexOf('\n') + 1
    const lines = end > done ? text.slice(done, end).split('\n') : []
    done = Math.max(done, end)
    return lines.filter(Boolean).map((line) => JSON.parse(line) as ImportLine)
  }
}

/** Places in the whole file, of which only what comes behind `from` was sent. */
const inWhole = (line: ImportLine, from: number) => ({
  position: from + (line.position ?? 0),
  new: line.new ?? 0,
  known: line.known ?? 0,
  refused: (line.refused ?? []).map((one) => ({ ...one, position: one.position + from })),
})

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
