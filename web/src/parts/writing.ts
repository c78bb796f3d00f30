import { useLocalStorage, watchDebounced } from '@vueuse/core'
import { computed, onBeforeUnmount, reactive, ref, shallowRef, watch } from 'vue'
import {
  newId,
  type AnswerKind,
  type Claim,
  type Letter,
  type Outgoing,
  type StoredFile,
  type WrittenLetter,
} from '@/api/client'
import { useDeciding } from '@/api/deciding'
import type { SendDetails } from '@/api/mailing'
import { Problem } from '@/api/problem'
import type { Written } from '@/api/when'
import { longDay } from '@/time/format'
import { beginAnswer, keepDraft, readOutgoing, type Beginning } from '@/api/writing'

/** A letter that is to be written, and what is to become of its conversation when it is sent. */
export interface Writing extends Beginning {
  /** An existing draft */
  id?: string
  then: 'do_now' | 'hand_over' | null
  /** The conversation, as it is on screen */
  claim?: Claim
  clearing?: string | undefined
  /** Of a hand-over */
  to?: string
  what?: string
  until?: Written
}

/** A letter in its fields. */
export type Fields = Omit<WrittenLetter, 'files'> & { files: StoredFile[] }

interface Unkept {
  kind: AnswerKind
  message: string | null
  fields: Fields
}

/** What has been typed and has not reached the server yet, by draft. It outlives a crash. */
const unkept = useLocalStorage<Record<string, Unkept>>('zippy-tray.unkept-drafts', {})

const PAUSE = 700
const AGAIN = 5000

const empty = (): Fields => ({
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
})

const fieldsOf = (letter: Letter): Fields => ({
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
})

const writtenOf = (fields: Fields): WrittenLetter => ({ ...fields, files: fields.files.map(({ id }) => id) })

/** What stands between the signature's mark and what follows it, taken out. */
export function withoutSignature(text: string, signature: string): string {
  return signature ? text.replace(`\n\n${signature}`, '') : text
}

/** The words with which something is handed over; the person changes them as they like. */
export function handOverText(
  to: string,
  what: string,
  until: { date: string | null; time: string | null } | null,
  phrase: string,
): string {
  const name = /^\s*"?([\p{L}'-]+)/u.exec(to.includes('@') && !to.includes('<') ? '' : to)?.[1]
  const asked = what.trim().replace(/[.\s]+$/, '')
  const by = until?.date ? longDay(until.date, until.time) : phrase
  return [
    name ? `Hello ${name},` : 'Hello,',
    '',
    `could you take this over${asked ? `: ${asked.charAt(0).toLowerCase()}${asked.slice(1)}` : ''}? I count on it by ${by}.`,
  ].join('\n')
}

/** A draft while it is written: it is kept on the server a moment after each change, and in the browser at once. */
export function useDraft(writing: Writing) {
  const { sendMail } = useDeciding()
  const message = writing.message ?? null
  const found = Object.entries(unkept.value).find(([id, one]) =>
    writing.id ? id === writing.id : message !== null && one.message === message,
  )
  const id = writing.id ?? found?.[0] ?? newId()
  const kind = ref<AnswerKind>(found?.[1].kind ?? writing.kind)
  const fields = reactive<Fields>(empty())
  const letter = shallowRef<Letter>()
  const revision = ref(0)
  const state = ref<'loading' | 'begun' | 'kept' | 'keeping' | 'unkept' | 'missing'>('loading')
  const wrong = ref<Record<string, string>>({})
  const misgivings = ref<string[]>([])
  const elsewhere = shallowRef<Outgoing | null>(null)
  let kept = ''
  let underway: Promise<void> = Promise.resolve()
  let again: ReturnType<typeof setTimeout> | undefined
  /** Sent or deleted: there is nothing to be kept any more. */
  let isOver = false

  const now = () => JSON.stringify(writtenOf(fields))
  const isChanged = () => state.value !== 'loading' && now() !== kept

  function show(outgoing: Outgoing): void {
    kind.value = outgoing.row.kind
    letter.value = outgoing.letter
    revision.value = outgoing.revision
    Object.assign(fields, fieldsOf(outgoing.letter))
    kept = now()
    state.value = 'kept'
  }

  async function begin(): Promise<void> {
    try {
      if (writing.id || found) {
        try {
          show(await readOutgoing(id))
        } catch (problem) {
          if (!found || !(problem instanceof Problem && problem.status === 404)) throw problem
        }
      }
      if (!letter.value) {
        letter.value = await beginAnswer({ ...writing, kind: kind.value })
        Object.assign(fields, fieldsOf(letter.value))
        kept = now()
      }
      if (found) Object.assign(fields, found[1].fields)
      state.value = revision.value ? 'kept' : 'begun'
    } catch (problem) {
      state.value = 'missing'
      wrong.value = { text: problem instanceof Problem ? problem.message : 'It could not be opened.' }
    }
  }

  async function keepNow(): Promise<void> {
    if (isOver || !isChanged() || elsewhere.value) return
    clearTimeout(again)
    const sent = now()
    state.value = 'keeping'
    try {
      const outgoing = await keepDraft(id, {
        revision: revision.value,
        kind: kind.value,
        message,
        letter: JSON.parse(sent) as WrittenLetter,
      })
      revision.value = outgoing.revision
      kept = sent
      wrong.value = {}
      state.value = 'kept'
      if (now() === sent) forget()
    } catch (problem) {
      state.value = 'unkept'
      if (!(problem instanceof Problem)) throw problem
      if (problem.outgoing) elsewhere.value = problem.outgoing
      else if (problem.status === 422) wrong.value = { text: problem.message, ...problem.fields }
      else again = setTimeout(() => void keep(), AGAIN)
    }
  }

  /** One after the other, so that each carries the revision of the one before. */
  function keep(): Promise<void> {
    underway = underway.then(keepNow)
    return underway
  }

  function forget(): void {
    unkept.value = Object.fromEntries(Object.entries(unkept.value).filter(([one]) => one !== id))
  }

  watch(
    fields,
    () => {
      misgivings.value = []
      if (isOver || !isChanged()) return
      unkept.value = {
        ...unkept.value,
        [id]: { kind: kind.value, message, fields: JSON.parse(JSON.stringify(fields)) as Fields },
      }
    },
    { deep: true },
  )
  watchDebounced(fields, () => void keep(), { deep: true, debounce: PAUSE, maxWait: 3000 })
  onBeforeUnmount(() => {
    clearTimeout(again)
    void keep()
  })
  void begin()

  return {
    id,
    kind,
    fields,
    letter,
    state,
    wrong,
    misgivings,
    elsewhere,
    isKept: computed(() => revision.value > 0),
    keep,
    /** Nothing of it is kept from now on. */
    end: () => {
      isOver = true
      forget()
    },
    /** What was typed here is the draft from now on. */
    keepMine: async () => {
      revision.value = elsewhere.value?.revision ?? revision.value
      elsewhere.value = null
      await keep()
    },
    takeTheirs: () => {
      if (elsewhere.value) show(elsewhere.value)
      elsewhere.value = null
      forget()
    },
    /** Another kind of answer: recipients and quotation anew, what was written stays. */
    turnInto: async (other: AnswerKind) => {
      const before = letter.value
      const written =
        before && fields.text.endsWith(before.text) ? fields.text.slice(0, -before.text.length) : null
      const next = await beginAnswer({ ...writing, kind: other })
      kind.value = other
      letter.value = next
      const { text, ...head } = fieldsOf(next)
      Object.assign(fields, head, { files: fields.files })
      if (written !== null) fields.text = written + text
    },
    /** Gives whether it was sent. */
    send: async (details: SendDetails): Promise<boolean> => {
      wrong.value = {}
      misgivings.value = []
      // What has not been touched is kept, too: it is what is sent.
      if (revision.value === 0) kept = ''
      await keep()
      if (state.value !== 'kept') return false
      try {
        await sendMail(id, details)
        isOver = true
        forget()
        return true
      } catch (problem) {
        if (!(problem instanceof Problem)) throw problem
        if (problem.misgivings.length) misgivings.value = problem.misgivings
        else wrong.value = Object.keys(problem.fields).length ? problem.fields : { all: problem.message }
        return false
      }
    },
  }
}
