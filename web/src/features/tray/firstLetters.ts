/**
 * A few made-up letters with which somebody can try the program before their own mail is there. All names and addresses
 * in them are invented.
 */

import { present } from '@/shared/time/clock'

interface Made {
  from: string
  subject: string
  /** Hours ago */
  ago: number
  text: string
  headers?: string
}

const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday']

const letters = (now: Date): Made[] => {
  const inDays = (days: number) => DAYS[new Date(now.getTime() + days * 86_400_000).getDay()]
  return [
    {
      from: 'Nora Brill <nora@millrace.example>',
      subject: 'Which room?',
      ago: 1,
      text: 'Good morning,\n\nshall I book the small room or the large one for the talk? A word is enough.\n\nNora',
    },
    {
      from: 'Piet Aldous <piet@gearworks.example>',
      subject: 'Figures for the board',
      ago: 5,
      text: `Hello,\n\ncould you send me the visitor figures of the autumn by ${inDays(4)}? The board meets the day after.\n\nPiet`,
    },
    {
      from: 'Millrace Trust <news@millrace.example>',
      subject: 'What happened in the wheelhouse this month',
      ago: 9,
      headers: 'List-Unsubscribe: <mailto:off@millrace.example>\r\nList-Id: <news.millrace.example>\r\n',
      text: [
        'The new sluice is in place, the otters are back, and the open day had 240 visitors.',
        'You are receiving this because you asked for it. Unsubscribe at any time.',
      ].join('\n\n'),
    },
    {
      from: 'Ines Calder <ines@stonecourt.example>',
      subject: 'Before we begin',
      ago: 20,
      text: [
        'Hello,',
        'before we can begin we would need from you:',
        '1. the key of the side gate\n2. the plan of the drains\n3. a place for two vans',
        'Take your time, we come in three weeks.',
        'Ines',
      ].join('\n\n'),
    },
    {
      from: 'Otto Finch <otto@gearworks.example>',
      subject: 'Thank you',
      ago: 26,
      text: 'Thank you for the drawings, they were all that we needed.\n\nOtto',
    },
  ]
}

/** "Thu Nov 26 09:00:00 2026", in UTC, as the line above each message of an mbox has it (RFC 4155, appendix A). */
function asctime(at: Date): string {
  const [weekday = '', day, month, year, time] = at.toUTCString().split(' ')
  return [weekday.slice(0, 3), month, String(Number(day)).padStart(2), time, year].join(' ')
}

/** One file to be brought in. */
export function firstLetters(to: string, now = present()): File {
  const text = letters(now).map(({ from, subject, ago, text: body, headers = '' }) => {
    const at = new Date(now.getTime() - ago * 3_600_000)
    const date = at.toUTCString().replace('GMT', '+0000')
    const id = `${crypto.randomUUID()}@millrace.example`
    const lines = body.replaceAll('\n', '\r\n').replaceAll(/^From /gm, '>From ')
    return [
      `From ${id} ${asctime(at)}`,
      `From: ${from}`,
      `To: ${to}`,
      `Subject: ${subject}`,
      `Date: ${date}`,
      `Message-ID: <${id}>`,
      `${headers}Content-Type: text/plain; charset=utf-8`,
      '',
      lines,
      '\r\n',
    ].join('\r\n')
  })
  return new File(text, 'made-up-letters.mbox', { type: 'application/mbox' })
}
