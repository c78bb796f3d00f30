import { useQueryClient } from '@tanstack/vue-query'
import { useLocalStorage, watchDebounced } from '@vueuse/core'
import { computed, onBeforeUnmount, reactive, ref, shallowRef, watch } from 'vue'
import {
  newId,
  type AnswerKind,
  type Claim,
  type Conversation,
  type Letter,
  type Outgoing,
  type WrittenLetter,
} from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import type { Written } from '@/shared/api/when'
import { emptyFields, fieldsOf, writtenOf, type Fields } from './letterFields'
import { beginAnswer, keepDraft, readOutgoing, type Beginning } from './queries'
import { useWriteSteps, type SendDetails } from './steps'

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
  /** It waited to go out, and was taken back to be changed: by which step, and when it was to go */
  waited?: Waited
}

export interface Waited {
  entry: string
  /** RFC 3339; null: it was to go at once */
  at: string | null
}

interface Unkept {
  kind: AnswerKind
  message: string | null
  fields: Fields
}

/** What has been typed and has not reached the server yet, by draft. It outlives a crash. */
const unkept = useLocalStorage<Record<string, Unkept>>('zippy-tray.unkept-drafts', {})

const PAUSE = 700
const AGAIN = 5000

/** A draft while it is written: it is kept on the server a moment after each change, and in the browser at once. */
export function useDraft(writing: Writing) {
  const { sendMail } = useWriteSteps()
  const queries = useQueryClient()
  const message = writing.message ?? null
  const found = Object.entries(unkept.value).find(([id, one]) =>
    writing.id
      ? id === writing.id
      : message !== null &&
        one.message === message &&
        (one.kind === 'forward') === (writing.kind === 'forward'),
  )
  const id = writing.id ?? found?.[0] ?? newId()
  const kind = ref<AnswerKind>(found?.[1].kind ?? writing.kind)
  const fields = reactive<Fields>(emptyFields())
  const letter = shallowRef<Letter>()
  const revision = ref(0)
  const state = ref<'loading' | 'begun' | 'kept' | 'keeping' | 'unkept' | 'missing'>('loading')
  const wrong = ref<Record<string, string>>({})
  const misgivings = ref<string[]>([])
  const elsewhere = shallowRef<Outgoing | null>(null)
  /** The conversation as it was when it was looked at last. */
  let claim = writing.claim
  const kept = ref('')
  /** As it was when it was opened. */
  let begun = ''
  let underway: Promise<void> = Promise.resolve()
  let again: ReturnType<typeof setTimeout> | undefined
  /** Sent or deleted: there is nothing to be kept any more. */
  let isOver = false

  /** What is handed over, when it is said before the letter begins. */
  const handOver = () =>
    writing.then === 'hand_over' && !writing.task
      ? { to: writing.to ?? '', what: writing.what ?? '', until: writing.until?.phrase ?? '' }
      : undefined
  const now = () => JSON.stringify(writtenOf(fields))
  const isChanged = () => state.value !== 'loading' && now() !== kept.value
  /** It is kept when all of it is, not when what stood there before the last keys is. */
  const shownState = computed(() => (state.value === 'kept' && isChanged() ? 'keeping' : state.value))

  function show(outgoing: Outgoing): void {
    kind.value = outgoing.row.kind
    letter.value = outgoing.letter
    revision.value = outgoing.revision
    Object.assign(fields, fieldsOf(outgoing.letter))
    kept.value = now()
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
        letter.value = await beginAnswer({ ...writing, kind: kind.value, handOver: handOver() })
        Object.assign(fields, fieldsOf(letter.value))
        kept.value = now()
      }
      begun = now()
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
      kept.value = sent
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

  /** The page shows what has come in by then, and says whose it is. */
  async function whatCame(problem: Problem, byMail: boolean): Promise<string> {
    const of = writing.claim?.id ?? ''
    await queries.invalidateQueries({ queryKey: ['conversation', of] })
    if (!byMail) return `${problem.message} Send it once more, and the letter decides anew.`
    const news = shown().filter((one) => !one.own && !seen.has(one.id))
    for (const one of shown()) seen.add(one.id)
    const who = news.at(-1)?.from
    const name = who ? who.name || who.email : 'Somebody'
    return `${name} has written meanwhile; it stands above. Send it once more if your letter is still right.`
  }
  const shown = () =>
    queries.getQueryData<Conversation>(['conversation', writing.claim?.id ?? ''])?.messages ?? []
  /** The messages that were there when the letter was begun. */
  const seen = new Set(shown().map((one) => one.id))

  return {
    id,
    kind,
    fields,
    letter,
    state: shownState,
    wrong,
    misgivings,
    elsewhere,
    isKept: computed(() => revision.value > 0),
    /** Whether anything was typed since it was opened. */
    isTouched: () => now() !== begun,
    keep,
    /** After it could not be opened. */
    again: (): void => {
      wrong.value = {}
      state.value = 'loading'
      void begin()
    },
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
      if (revision.value === 0) kept.value = ''
      await keep()
      if (state.value !== 'kept') return false
      try {
        await sendMail(id, { ...details, ...(claim ? { conversation: claim } : {}) })
        isOver = true
        forget()
        return true
      } catch (problem) {
        if (!(problem instanceof Problem)) throw problem
        const { overtaken } = problem
        if (overtaken && claim) {
          // Who has been told sends it all the same with the next press.
          claim = { ...claim, revision: overtaken.revision }
          misgivings.value = [await whatCame(problem, overtaken.byMail)]
        } else if (problem.misgivings.length) misgivings.value = problem.misgivings
        else wrong.value = Object.keys(problem.fields).length ? problem.fields : { all: problem.message }
        return false
      }
    },
  }
}
