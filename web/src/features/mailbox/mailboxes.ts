import type { FolderRole, Mailbox, MailServer } from '@/shared/api/client'
import { moment } from '@/shared/time/format'
import { counted } from '@/shared/words'

export const SECURITY: Record<MailServer['security'], string> = {
  tls: 'TLS',
  starttls: 'STARTTLS',
  plain: 'none (same machine only)',
}

/** What the folders stand for that have a part in keeping a mailbox in step. */
export const ROLES: Partial<Record<FolderRole, string>> = {
  archive: 'Archive',
  sent: 'Sent',
  bin: 'Bin',
  spam: 'Spam',
  away: 'Away',
  drafts: 'Drafts',
}

/** The choice of a part of an inbox by words of one's own. */
export const OWN = 'own'
export const phraseOf = (days: number) => `last ${days} days`

/** How it stands with a mailbox, in a line. */
export const standing = ({ here, wanted, waiting, left, lookedAt, paused }: Mailbox): string =>
  [
    paused ? 'Paused' : '',
    lookedAt ? `Looked at ${moment(lookedAt)}` : 'Not looked at yet',
    `${counted(here, 'message')} in step`,
    wanted ? `${counted(wanted, 'message')} still to come in` : '',
    waiting ? `${counted(waiting, 'change')} on the way there` : '',
    left ? `${counted(left, 'message')} could not be taken in` : '',
  ]
    .filter(Boolean)
    .join(' · ')
