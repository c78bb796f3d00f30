import createClient from 'openapi-fetch'
import { ref } from 'vue'
import type { components, paths } from './contract'
import { Problem } from './problem'
import { pressed } from '@/shared/typing/press'

type Schemas = components['schemas']
export type ConversationRow = Schemas['ConversationRow']
export type Conversation = Schemas['Conversation']
export type Message = Schemas['Message']
export type Person = Schemas['Person']
export type Entry = Schemas['Entry']
export type TaskRow = Schemas['TaskRow']
export type Slot = Schemas['Slot']
export type LookBack = components['schemas']['LookBack']
export type EventProposal = components['schemas']['EventProposal']
export type DayAsk = components['schemas']['DayAsk']
export type AgendaDay = Schemas['AgendaDay']
export type Event = Schemas['Event']
export type Short = Schemas['Short']
export type EventAnswer = Schemas['EventAnswer']
export type Invitation = Schemas['Invitation']
export type Way = Schemas['Way']
export type EventSheet = Schemas['EventSheet']
export type Subscription = Schemas['Subscription']
export type EventFields = Schemas['EventFields']
export type EventWhen = Schemas['EventWhen']
export type TaskFields = Schemas['TaskFields']
export type TaskLink = Schemas['TaskLink']
export type Due = Schemas['Due']
export type CalendarEvent = Schemas['CalendarEvent']
export type When = Schemas['When']
export type Task = Schemas['Task']
export type DayGlance = Schemas['DayGlance']
export type TaskList = Schemas['TaskList']
export type Stage = Schemas['Stage']
export type StageOfCards = Schemas['StageOfCards']
export type ListCard = Schemas['ListCard']
export type CardName = Schemas['CardName']
export type Reference = Schemas['Reference']
export type FindSort = Schemas['FindSort']
export type KeptSearch = Schemas['KeptSearch']
export type Colour = Schemas['Colour']
export type Label = Schemas['Label']
export type Stamp = Schemas['Stamp']
export type Condition = Schemas['Condition']
export type Order = Schemas['Order']
export type OldRule = Settings['oldMail'][number]
export type StampStep = Schemas['StampStep']
export type LabelOn = Schemas['LabelOn']
export type Priority = Schemas['Priority']
export type Outline = Schemas['Outline']
export type StoredFile = Schemas['File']
export type Source = Schemas['Source']
export type TaskProposal = Schemas['TaskProposal']
export type Mailbox = Schemas['Mailbox']
export type MailServer = Schemas['MailServer']
export type RestHeld = Schemas['RestHeld']
export type FolderRole = Schemas['FolderRole']
export type Settings = Schemas['Settings']
export type Place = Schemas['Place']
export type Heartbeat = Schemas['Heartbeat']
export type Ring = Schemas['Ring']
export type Coming = Schemas['Coming']
export type ComingItem = Schemas['ComingItem']
export type ComingKind = ComingItem['kind']
export type PutOff = Schemas['PutOff']
export type Letter = Schemas['Letter']
export type WrittenLetter = Schemas['WrittenLetter']
export type AnswerKind = Schemas['AnswerKind']
export type Outgoing = Schemas['Outgoing']
export type OutgoingRow = Schemas['OutgoingRow']
export type KnownPerson = Schemas['KnownPerson']
export type Owed = Schemas['Owed']
export type Contact = Schemas['Contact']
export type Template = Schemas['Template']
export type Session = Schemas['Session']
export type Advice = Schemas['Advice']
export type AdvisedDecision = Schemas['AdvisedDecision']
export type AdviceGroup = Schemas['AdviceGroup']
export type Claim = Schemas['Claim']
export type Clearing = Schemas['Clearing']
export type ClearingOrder = Schemas['ClearingOrder']
export type Correction = Schemas['Correction']
export type CorrectionAbout = Schemas['CorrectionAbout']
/** What somebody says of mail: that it matters more or less, or what should have been advised */
export type Said = Pick<Partial<Correction>, 'should'> & { matters?: -1 | 1 }
export type BlockedSender = Schemas['BlockedSender']
export type Decision = Schemas['Decision']
export type Decided = Schemas['Decided']
export type Found = Schemas['Found']
export type ImportLine = Schemas['ImportLine']
export type ImportOutcome = Schemas['ImportOutcome']

/** Something was refused because nobody is signed in any more. */
export const signInNeeded = ref(false)

/** How often somebody has signed in here. */
let signedIn = 0

/** What was asked for before that says nothing any more. */
export function isSignedIn(): void {
  signedIn += 1
  signInNeeded.value = false
}

/** Asks, and hears whether nobody is signed in any more. */
export async function heard(request: Request | string, init: RequestInit): Promise<Response> {
  const asked = signedIn
  const response = await fetch(request, init)
  const isDoor = response.url.endsWith('/api/sign-in')
  if (response.status === 401 && !isDoor && asked === signedIn) signInNeeded.value = true
  return response
}

/** How many calls got no answer. */
export const lostCalls = ref(0)

/** An identifier by which the server recognises a request that it has seen before. */
export function newId(): string {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID()
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  const hex = Array.from(bytes, (byte, i) =>
    (i === 6 ? (byte & 15) | 64 : i === 8 ? (byte & 63) | 128 : byte).toString(16).padStart(2, '0'),
  ).join('')
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5')
}

/** Sent with every request, for browsers that do not say where it comes from. */
export const csrfHeader: Record<string, string> = { 'X-Csrf-Token': newId() }

/** Milliseconds after which one that does not answer counts as gone; what was sent keeps its id when it is sent again. */
const PATIENCE = 30_000

const patient = (request: Request): Promise<Response> =>
  heard(request, { signal: AbortSignal.any([request.signal, AbortSignal.timeout(PATIENCE)]) })

export const api = createClient<paths>({ baseUrl: '/api', headers: csrfHeader, fetch: patient })

/** What a call gave, when no click is being made that it could take along. Whatever fails is thrown as a Problem. */
export async function answer<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<Exclude<T, undefined>> {
  let result: Awaited<typeof call>
  try {
    result = await call
  } catch (problem) {
    // What the page itself does not wait for any more says nothing of the server.
    if (!(problem instanceof DOMException && problem.name === 'AbortError')) lostCalls.value += 1
    throw Problem.unreachable()
  } finally {
    await pressed()
  }
  if (!result.response.ok) {
    throw Problem.of(result.response.status, result.error)
  }
  return result.data as Exclude<T, undefined>
}
