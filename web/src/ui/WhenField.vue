<script setup lang="ts">
import { mdiCalendarBlankOutline } from '@mdi/js'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useReading, plain, type ReadAs, type Written } from '@/shared/api/when'
import { useCover } from '@/shared/keys/registry'
import { nearMoment } from '@/shared/time/format'
import { afterPress } from '@/shared/typing/press'
import KeyCap from './KeyCap.vue'
import PresetRow from './PresetRow.vue'

/**
 * One field for time, written as people say it. It shows how it was read while it is written, offers
 * another reading where that is common, and a calendar for the mouse.
 */
const props = withDefaults(
  defineProps<{
    label: string
    as?: ReadAs
    /** What may be written: a day or moment, a repeat, or both */
    takes?: 'single' | 'repeat' | 'both'
    /** What is wrong with it as a whole */
    error?: string | undefined
    /** What a reminder counts from */
    anchors?: { start?: string; due?: string }
    placeholder?: string
    /** Nothing to be said about what stands there already */
    quiet?: boolean
    /** The key that leads to it */
    keyed?: string
    /** What is often meant stands beside it already */
    bare?: boolean
  }>(),
  { as: 'when', takes: 'single', placeholder: 'friday 3pm, in 2 weeks …' },
)
const model = defineModel<Written>({ required: true })
defineEmits<{ enter: [] }>()

const WhenCalendar = defineAsyncComponent(() => import('./WhenCalendar.vue'))

const initial = model.value.phrase
/** What nobody has typed may be said in better words. */
const given = ref(initial)
const touched = ref(false)
const calendar = ref(false)
/** The calendar is made when it is asked for, not with each field. */
const wanted = ref(false)
const opener = ref<HTMLElement>()
useCover(calendar, () => (calendar.value = false))
function openCalendar(): void {
  if (wanted.value) return
  wanted.value = true
  calendar.value = true
}
const answer = useReading(
  () => (props.quiet && !touched.value ? '' : model.value.phrase),
  () => props.as,
  () => props.anchors ?? {},
)
const reading = computed(() => (answer.value?.understood ? answer.value : null))

const kindWrong = computed(() => {
  if (!reading.value || props.as !== 'when') return ''
  if (props.takes === 'single' && reading.value.kind === 'repeat')
    return 'Write one day or moment, not a repeat.'
  if (props.takes === 'repeat' && reading.value.kind !== 'repeat')
    return 'A repeat begins with “every”, “daily” or the like.'
  return ''
})
/** Words may still be on their way to the end of the phrase; a fault within it is said at once. */
const unread = computed(() =>
  answer.value?.understood === false && answer.value.error !== '' ? answer.value : null,
)
/** What the words themselves say comes first: the fault from outside may belong to earlier ones. */
const faults = computed(
  () => kindWrong.value || unread.value?.error || (touched.value ? '' : (props.error ?? '')),
)

watch(reading, (now) => {
  if (!now || kindWrong.value) return
  const { phrase } = model.value
  model.value = { phrase: phrase === given.value && isPlain(phrase) ? now.text : phrase, reading: now }
})
watch(
  () => props.error,
  () => (touched.value = false),
)

function write(phrase: string | null): void {
  touched.value = (phrase ?? '') !== initial || touched.value
  model.value = { phrase: phrase ?? '', reading: null }
}

const isPlain = (phrase: string) => /^\d{4}-\d\d-\d\d( \d\d:\d\d)?$/.test(phrase)

/** A day from the calendar keeps the time that was written. */
function pick(date: string): void {
  calendar.value = false
  const time = reading.value && reading.value.kind !== 'repeat' ? reading.value.time : null
  given.value = plain({ date, time })
  write(given.value)
}

const root = ref<HTMLElement>()
function focus(): void {
  const input = root.value?.querySelector('input')
  input?.focus({ preventScroll: true })
  input?.select()
}
defineExpose({ focus })

/** A time at hand; one that is chosen counts as written. */
const presets = ref<InstanceType<typeof PresetRow>>()
const isFocused = ref(false)
function left(): void {
  afterPress(() => (isFocused.value = root.value?.contains(document.activeElement) ?? false))
}
const hasPresets = computed(() => !props.bare && props.as !== 'estimate' && props.takes !== 'repeat')
const presetsAs = computed(() =>
  props.as !== 'reminder' ? undefined : props.anchors?.due || props.anchors?.start ? 'lead' : 'reminder',
)
function pressed(event: KeyboardEvent): void {
  if (event.target instanceof HTMLInputElement && presets.value?.pressed(event, event.target))
    event.preventDefault()
}

const said = computed(() => {
  const now = reading.value
  if (!now || faults.value) return ''
  if (now.kind === 'lead')
    return now.instant ? `${now.text}: ${nearMoment(now.instant)}` : `${now.text}, once there is a date`
  // What stands there already needs no saying again.
  const text = now.text === model.value.phrase.trim() ? '' : now.text
  const instead = Object.entries(now.corrected ?? {}).map(
    ([typed, read]) => `“${typed}” is read as “${read}”`,
  )
  const only = now.until && props.takes === 'single' ? 'only its beginning counts here' : ''
  return [...instead, text, only, now.past ? `${now.distance}, past` : now.distance]
    .filter(Boolean)
    .join(', ')
})
</script>

<template>
  <div ref="root" class="when" :class="{ focused: isFocused }" @focusin="isFocused = true" @focusout="left">
    <v-text-field
      :model-value="model.phrase"
      :label="label"
      :placeholder="placeholder"
      :error-messages="faults"
      clearable
      persistent-clear
      maxlength="200"
      autocomplete="off"
      spellcheck="false"
      hide-details="auto"
      @update:model-value="write"
      @keydown="pressed"
      @keydown.enter="$emit('enter')"
    >
      <template v-if="keyed && !model.phrase" #prepend-inner><KeyCap :name="keyed" /></template>
      <template v-if="as === 'when' && takes !== 'repeat'" #append-inner>
        <button
          ref="opener"
          type="button"
          class="calendar"
          :aria-label="`${label}: choose from a calendar`"
          title="Choose from a calendar"
          @click="openCalendar"
        >
          <v-icon :icon="mdiCalendarBlankOutline" size="19" />
        </button>
        <v-menu v-if="wanted" v-model="calendar" :activator="opener" :close-on-content-click="false">
          <WhenCalendar :date="reading?.date ?? null" @pick="pick" />
        </v-menu>
      </template>
    </v-text-field>
    <p
      v-if="said || reading?.odd || reading?.alternatives.length || (isFocused && !faults)"
      class="said"
      :class="{ past: reading?.past }"
      aria-live="polite"
    >
      {{ said }}
      <b v-if="reading?.odd">{{ reading.odd }}</b>
      <template v-if="reading?.alternatives.length">
        <button
          v-for="other in reading.alternatives"
          :key="other"
          type="button"
          class="link"
          @click="write(other)"
        >
          or {{ other }}
        </button>
      </template>
    </p>
    <PresetRow v-if="hasPresets && isFocused" ref="presets" :as="presetsAs" @choose="write" />
  </div>
</template>

<style scoped>
.when {
  min-width: 0;
}

.calendar {
  display: grid;
  padding: 3px;
  color: var(--v-slate);
  background: none;
  border: 0;
  border-radius: 5px;
  cursor: pointer;
}

.calendar:hover {
  color: rgb(var(--v-theme-primary));
}

.said {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  margin: 3px 0 0 2px;
  font-size: var(--type-small);
  color: rgb(var(--v-theme-primary));
}

/* what it says comes while one types, and nothing moves for it */
.focused .said {
  min-height: 20px;
}

.said b {
  font-weight: 500;
  color: rgb(var(--v-theme-warning));
}

.said.past {
  color: rgb(var(--v-theme-error));
}

.said .link {
  font-size: var(--type-small);
  text-decoration: underline;
}
</style>
