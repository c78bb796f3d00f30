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

/** What the server was to do with a message, as the end of a line. */
export const wantedThere = ({ what, to }: Mailbox['troubles'][number]): string => {
  const folder = to === 'inbox' ? 'the inbox' : ((to && ROLES[to]) ?? 'another folder')
  return {
    move: `to ${folder}`,
    append: `into ${folder}`,
    seen: 'marked as read or not',
    told: 'marked as answered',
  }[what]
}

/** Who puts what is sent from here into Sent: as it is found out by looking, or as the person says. */
export const KEEPERS = [
  { keeps: null, text: 'put into Sent, unless the server does it' },
  { keeps: false, text: 'put into Sent from here' },
  { keeps: true, text: 'put there by the server itself' },
]

/** What was found out of it, as a remark. */
export const foundOut = (one?: Mailbox): string =>
  one?.keepsSent !== null || one.sentFound === null
    ? ''
    : one.sentFound
      ? 'The server does it, as was found.'
      : 'The server does not, as was found.'

/** The choice of a part of an inbox by words of one's own. */
export const OWN = 'own'
export const phraseOf = (days: number) => `last ${days} days`
/** Days that are chosen as long as nobody says otherwise. */
export const USUAL = 14

/** The parts to choose from: one that holds no more than the one before says nothing, and none holds all. */
export const spansOf = (ages: { days: number; messages: number }[], inbox: number) =>
  ages.filter(
    ({ days, messages }, at) =>
      messages < inbox && (days === USUAL || messages > (ages[at - 1]?.messages ?? 0)),
  )

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
