import { csrfHeader, type ImportOutcome } from './client'
import { Problem } from './problem'

/**
 * Sends one file to be read.
 *
 * @param progress called with the share that has been sent, 0 to 1
 */
export function importFile(
  file: File,
  into: 'tray' | 'archive',
  progress: (share: number) => void,
): Promise<ImportOutcome> {
  return new Promise((resolve, reject) => {
    const form = new FormData()
    form.append('files[]', file, file.name)
    form.append('into', into)
    const request = new XMLHttpRequest()
    request.open('POST', '/api/imports')
    for (const [name, value] of Object.entries(csrfHeader)) request.setRequestHeader(name, value)
    request.responseType = 'json'
    request.upload.onprogress = (event) => progress(event.lengthComputable ? event.loaded / event.total : 0)
    request.onload = () =>
      request.status === 200
        ? resolve(request.response as ImportOutcome)
        : reject(Problem.of(request.status, request.response))
    request.onerror = () => reject(Problem.unreachable())
    request.send(form)
  })
}
