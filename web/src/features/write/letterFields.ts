import type { Letter, StoredFile, WrittenLetter } from '@/shared/api/client'

/** A letter in its fields. */
export type Fields = Omit<WrittenLetter, 'files'> & { files: StoredFile[] }

export const emptyFields = (): Fields => ({
  to: '',
  cc: '',
  bcc: '',
  subject: '',
  text: '',
  formatted: false,
  files: [],
  carried: [],
  what: '',
  until: '',
  from: '',
})

export const fieldsOf = (letter: Letter): Fields => ({
  to: letter.to,
  cc: letter.cc,
  bcc: letter.bcc,
  subject: letter.subject,
  text: letter.text,
  formatted: letter.formatted,
  files: letter.files,
  carried: letter.carried,
  what: letter.what,
  until: letter.until,
  from: letter.from,
})

export const writtenOf = (fields: Fields): WrittenLetter => ({
  ...fields,
  files: fields.files.map(({ id }) => id),
})

/** What stands between the signature's mark and what follows it, taken out. */
export function withoutSignature(text: string, signature: string): string {
  return signature ? text.replace(`\n\n${signature}`, '') : text
}

/** Where one's own words end, above the signature and what is quoted or forwarded. */
export function endOfOwn(text: string): number {
  const end = text.search(/\n\n(-- \n|On .* wrote:\n|---------- Forwarded)/)
  return end < 0 ? text.length : end
}

/** How far the keeping of a draft is, in words. */
export const KEEPING: Record<string, string> = {
  keeping: 'being kept …',
  kept: 'draft kept',
  unkept: 'kept in this browser only',
}

/** What the button says that sends it. */
export function actionOf(panel: 'later' | 'expect' | null, then: 'do_now' | 'hand_over' | null): string {
  if (panel === 'later') return 'Send it then'
  if (then === 'hand_over') return 'Send and hand over'
  if (panel === 'expect') return 'Send and wait for the answer'
  return then === 'do_now' ? 'Send and archive' : 'Send'
}

/** Several addresses, of which the one that is written as `name` alone becomes `address`; as they were when none is. */
export function withAddress(addresses: string, name: string, address: string): string {
  const parts = addresses.split(/([,;])/)
  const place = parts.findIndex((part) => part.trim() === name)
  if (place < 0) return addresses
  parts[place] = (parts[place] ?? '').replace(name, () => address)
  return parts.join('')
}

/** An address as it is written in a letter (RFC 5322, 3.4). */
export const addressOf = ({ name, email }: { name: string; email: string }): string => {
  if (!name) return email
  return /^[\p{L}\p{N} .'-]+$/u.test(name)
    ? `${name} <${email}>`
    : `"${name.replace(/["\\]/g, '\\$&')}" <${email}>`
}
