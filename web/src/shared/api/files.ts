import { csrfHeader, heard, type StoredFile } from './client'
import { Problem } from './problem'

export const fileAddress = (id: string) => `/api/files/${id}`

/** Hands a file in, to be attached to a task. */
export async function handIn(file: File): Promise<StoredFile> {
  const body = new FormData()
  body.append('file', file, file.name || 'picture.png')
  let response: Response
  try {
    response = await heard('/api/files', { method: 'POST', body, headers: csrfHeader })
  } catch {
    throw Problem.unreachable()
  }
  const answered: unknown = await response.json().catch(() => null)
  if (!response.ok) throw Problem.of(response.status, answered)
  return answered as StoredFile
}
