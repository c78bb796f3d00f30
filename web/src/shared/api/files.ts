import { answer, csrfHeader, heard, type StoredFile } from './client'

export const fileAddress = (id: string) => `/api/files/${id}`

/** Hands a file in, to be attached to a task. */
export function handIn(file: File): Promise<StoredFile> {
  const body = new FormData()
  body.append('file', file, file.name || 'picture.png')
  const call = async () => {
    const response = await heard('/api/files', { method: 'POST', body, headers: csrfHeader })
    const said: unknown = await response.json().catch(() => null)
    return { data: said as StoredFile, error: said, response }
  }
  return answer(call())
}
