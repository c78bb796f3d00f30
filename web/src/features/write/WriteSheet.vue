<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { computed, nextTick, ref, watch } from 'vue'
import { plain, says, toWhen, written, type Written } from '@/shared/api/when'
import { useKeys } from '@/shared/keys/registry'
import CarriedFiles from './CarriedFiles.vue'
import FileDrop from '@/ui/FileDrop.vue'
import FromField from './FromField.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import MarkdownText from '@/ui/MarkdownText.vue'
import { attempt } from '@/shared/notice'
import PeopleField from './PeopleField.vue'
import TemplateChooser from './TemplateChooser.vue'
import { actionOf, endOfOwn, KEEPING, withoutSignature } from './letterFields'
import { useWaiting } from './untilSent'
import { useDraft, type Writing } from './draft'
import WhenField from '@/ui/WhenField.vue'
import WriteKinds from './WriteKinds.vue'
import WriteTrouble from './WriteTrouble.vue'
import { dateOf, nearMoment, time } from '@/shared/time/format'
import { freeKeys, holdKeys } from '@/shared/typing/held'
import { useWriteSteps } from './steps'
import { LinkButton, LongText, PlainButton, TextInput, TickBox } from '@/ui/kit'

/** A letter while it is written: an answer, a forward, a hand-over or a new message. */
const props = defineProps<{ writing: Writing }>()
const emit = defineEmits<{ sent: []; close: [] }>()

const { dropDraft } = useWriteSteps()
const draft = useDraft(props.writing)
const { fields, kind, letter, state, wrong, misgivings } = draft
const isHandOver = computed(() => props.writing.then === 'hand_over')
const copies = ref(false)
const waited = props.writing.waited
const panel = ref<'later' | 'expect' | null>(isHandOver.value ? 'expect' : waited?.at ? 'later' : null)
/** One that waited keeps its moment. */
const itsMoment = waited?.at ? plain({ date: dateOf(waited.at), time: time(waited.at) }) : ''
const goesAt = ref<Written>({ phrase: itsMoment || 'tomorrow morning', reading: null })
const until = ref<Written>(props.writing.until ?? { phrase: 'in 3 working days', reading: null })
const what = ref(props.writing.what ?? '')
const to = ref<InstanceType<typeof PeopleField>>()
const text = ref<{ el?: HTMLTextAreaElement }>()
const files = ref<InstanceType<typeof FileDrop>>()
const templates = ref<InstanceType<typeof TemplateChooser>>()
const sending = ref(false)
const sheet = ref<HTMLElement>()
/** What was typed while it should have opened. */
const unopened = ref('')

const action = computed(() => actionOf(panel.value, props.writing.then))

/** The hand goes to where something is missing: to whom, or the text, above what is quoted. */
async function settle(): Promise<void> {
  if (state.value === 'missing') return void (unopened.value = freeKeys())
  if (state.value === 'begun' && props.writing.to) fields.to = props.writing.to
  if (isHandOver.value && state.value === 'begun') {
    const due = letter.value?.due
    if (due && !props.writing.until) until.value = written(due)
    if (!what.value && letter.value?.what) what.value = letter.value.what
  }
  if (state.value === 'kept' && fields.until) {
    if (!itsMoment) panel.value = 'expect'
    what.value = fields.what
    until.value = { phrase: fields.until, reading: null }
  }
  if (fields.cc || fields.bcc) copies.value = true
  await nextTick()
  sheet.value?.scrollIntoView({ block: 'end' })
  const at = endOfOwn(fields.text)
  text.value?.el?.setSelectionRange(at, at)
  if (fields.to) text.value?.el?.focus({ preventScroll: true })
  else to.value?.focus()
}
/** What is expected belongs to the draft, too. */
watch([panel, what, until], () => {
  if (state.value === 'loading') return
  fields.what = panel.value === 'expect' ? what.value : ''
  fields.until = panel.value === 'expect' ? until.value.phrase : ''
})
watch([misgivings, wrong], () => nextTick(() => sheet.value?.scrollIntoView({ block: 'end' })))
watch(state, (_, before) => before === 'loading' && void settle())

async function send(despite = false): Promise<void> {
  if (sending.value) return
  const expected = panel.value === 'expect' ? toWhen(until.value) : null
  const later = panel.value === 'later' ? toWhen(goesAt.value) : null
  if (panel.value === 'expect' && !expected) return void (wrong.value = { until: 'Until when?' })
  if (panel.value === 'later' && !later) return void (wrong.value = { at: 'When?' })
  const { then, claim, clearing, task } = props.writing
  const becomes = then ?? (expected && claim ? 'hand_over' : null)
  sending.value = true
  try {
    const isSent = await draft.send({
      then: becomes === 'do_now' && expected ? 'hand_over' : becomes,
      ...(claim ? { conversation: claim } : {}),
      ...(clearing ? { clearing } : {}),
      ...(later ? { at: later } : {}),
      ...(expected ? { until: expected, what: what.value } : {}),
      ...(task ? { task } : {}),
      despite,
    })
    if (!isSent) return
    waiting.end()
    emit('sent')
  } finally {
    sending.value = false
  }
}

const waiting = useWaiting(
  draft,
  waited,
  () => !itsMoment || (panel.value === 'later' && says(goesAt.value, itsMoment)),
)

const fold = () => waiting.settle().then(() => emit('close'))

async function drop(): Promise<void> {
  const isGone = draft.isKept.value ? await attempt(() => dropDraft(draft.id)) : true
  if (!isGone) return
  waiting.end()
  draft.end()
  emit('close')
}

function insert(filled: { subject: string; text: string; signed: boolean }): void {
  const field = text.value?.el
  const [from, end] = [field?.selectionStart ?? 0, field?.selectionEnd ?? 0]
  fields.text = fields.text.slice(0, from) + filled.text.trimEnd() + fields.text.slice(end)
  if (!filled.signed && letter.value) fields.text = withoutSignature(fields.text, letter.value.signature)
  if (kind.value === 'new' && !fields.subject) fields.subject = filled.subject
  void nextTick(() => field?.focus())
}

/** Keys of the sheet itself: they work while one types. */
function pressed(event: KeyboardEvent): void {
  if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
    event.preventDefault()
    void send(misgivings.value.length > 0)
  } else if (event.key === 'Escape' && !event.defaultPrevented) {
    event.stopPropagation()
    void fold()
  }
}
useKeys('Writing', [
  { key: 'Ctrl+Enter', label: 'Send it', run: () => void send() },
  { key: 'F8', label: 'A template', typing: true, run: () => templates.value?.show() },
])
</script>

<template>
  <section
    ref="sheet"
    class="sheet write"
    aria-label="Your message"
    @keydown="pressed"
    @paste="files?.pasted($event)"
  >
    <LoadingRows v-if="state === 'loading'" />
    <div v-else-if="state === 'missing'" role="alert">
      <p>{{ wrong.text }}</p>
      <p v-if="unopened">You typed: “{{ unopened }}”</p>
      <v-btn variant="outlined" size="small" @click="(holdKeys(), draft.again())">Try again</v-btn>
    </div>
    <template v-else>
      <header>
        <WriteKinds
          v-if="writing.message && !isHandOver"
          :kind="kind"
          @choose="(other) => attempt(() => draft.turnInto(other))"
        />
        <h2 v-else>{{ isHandOver ? 'Hand over' : 'Your message' }}</h2>
        <span class="slate state" role="status">{{ KEEPING[state] }}</span>
        <PlainButton class="close" title="Fold (Esc); the draft stays" @click="fold">
          <v-icon :icon="mdiClose" size="18" /><span class="sr-only">Fold</span>
        </PlainButton>
      </header>
      <FromField v-model="fields.from" :error="wrong.from" />
      <PeopleField ref="to" v-model="fields.to" label="To" :error="wrong.to">
        <LinkButton v-if="!copies" @click="copies = true">Copies</LinkButton>
      </PeopleField>
      <template v-if="copies">
        <PeopleField v-model="fields.cc" label="Copy to" :error="wrong.cc" />
        <PeopleField v-model="fields.bcc" label="Unseen" :error="wrong.bcc" />
      </template>
      <div class="row">
        <label class="name slate"
          ><span>Subject</span><TextInput v-model="fields.subject" type="text" maxlength="500"
        /></label>
        <p v-if="wrong.subject" class="wrong" role="alert">{{ wrong.subject }}</p>
      </div>
      <div v-if="panel === 'expect'" class="expect">
        <v-text-field
          v-model="what"
          label="What they owe you"
          maxlength="200"
          hide-details="auto"
          :error-messages="wrong.what"
        />
        <WhenField v-model="until" label="By" :error="wrong.until" />
      </div>
      <LongText
        ref="text"
        v-model="fields.text"
        aria-label="Text"
        :rows="Math.min(15, Math.max(8, fields.text.split('\n').length + 1))"
        spellcheck="true"
      />
      <p v-if="wrong.text" class="wrong" role="alert">{{ wrong.text }}</p>
      <div v-if="fields.formatted" class="preview" aria-label="As it is sent">
        <MarkdownText :text="fields.text" />
      </div>
      <CarriedFiles
        v-if="kind === 'forward' && letter?.carriable.length"
        v-model="fields.carried"
        :files="letter.carriable"
      />
      <p v-if="waited" class="slate waited">
        Taken back to be changed{{ waited.at ? `; it was to go out ${nearMoment(waited.at)}` : '' }}. Closed
        as it is, it waits again.
      </p>
      <FileDrop ref="files" v-model="fields.files" :error="wrong.files" />
      <WriteTrouble
        :misgivings="misgivings"
        :wrong="wrong.all"
        :elsewhere="draft.elsewhere.value"
        @despite="send(true)"
        @mine="draft.keepMine()"
        @theirs="draft.takeTheirs()"
      />
      <div v-if="panel === 'later'" class="later">
        <WhenField v-model="goesAt" label="Goes out" :error="wrong.at" @enter="send()" />
      </div>
      <footer>
        <v-btn color="primary" :loading="sending" @click="send(misgivings.length > 0)"
          >{{ action }} <KeyCap name="Ctrl+Enter"
        /></v-btn>
        <v-btn
          v-if="!isHandOver"
          variant="text"
          :aria-pressed="panel === 'later'"
          @click="panel = panel === 'later' ? null : 'later'"
          >Later</v-btn
        >
        <v-btn
          v-if="!isHandOver"
          variant="text"
          :aria-pressed="panel === 'expect'"
          @click="panel = panel === 'expect' ? null : 'expect'"
          >I expect an answer</v-btn
        >
        <span class="tools">
          <TemplateChooser ref="templates" :to="fields.to" :text="fields.text" @insert="insert" />
          <label class="slate"><TickBox v-model="fields.formatted" /> Markdown</label>
          <LinkButton
            v-if="letter?.signature && fields.text.includes(letter.signature)"
            @click="fields.text = withoutSignature(fields.text, letter?.signature ?? '')"
          >
            Without signature
          </LinkButton>
          <LinkButton @click="drop">Delete draft</LinkButton>
        </span>
      </footer>
    </template>
  </section>
</template>

<style scoped src="./write.css"></style>
<style scoped src="./write-sheet.css"></style>
