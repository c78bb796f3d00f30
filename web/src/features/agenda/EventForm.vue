<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { PeopleField, addressOf } from '@/features/write'
import type { EventFields, EventProposal, EventSheet } from '@/shared/api/client'
import type { Written } from '@/shared/api/when'
import { useSession } from '@/shared/api/session'
import { attempt } from '@/shared/notice'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import KeptNote from '@/ui/KeptNote.vue'
import ReminderField from '@/ui/ReminderField.vue'
import WhenField from '@/ui/WhenField.vue'
import { ChoiceDot, TickBox } from '@/ui/kit'
import MarkedLetter from './MarkedLetter.vue'
import { askWhetherToTell } from './questions'
import { useAgendaSteps } from './steps'

/** An event in its fields. What somebody else says, when and where it is, is only told. */
const props = defineProps<{
  /** null: a new one */
  sheet: EventSheet | null
  /** The phrase with which a new one begins */
  when: string
  /** What the letter says from which it is made */
  proposal?: EventProposal
  source?: string
  /** An event of a calendar of others, of which it begins as a copy */
  model?: EventSheet
}>()
const emit = defineEmits<{ close: [] }>()

const { makeEvent, changeEvent, dropEvent } = useAgendaSteps()
const { account } = useSession()
const first = (phrase: string): Written => ({ phrase, reading: null })
const event = computed(() => props.sheet?.event ?? null)
const isFixed = computed(() => event.value?.organiser != null)
const ownZone = computed(() => account.value?.zone ?? '')
const begin = props.sheet ?? props.model
const fields = reactive({
  title: begin?.event.title ?? props.proposal?.title ?? '',
  when: first(begin?.when ?? props.when),
  zone: begin?.zone ?? '',
  place: begin?.event.place ?? props.proposal?.place ?? '',
  repeat: first(props.sheet?.repeat ?? ''),
  people: props.proposal?.people ?? (props.sheet?.participants ?? []).map(addressOf).join(', '),
  reminders: props.sheet?.reminders ?? [],
  notes: begin?.notes ?? '',
  busy: props.sheet?.busy ?? null,
})
const { keptAt, accept, anew } = useTyped(
  `event:${event.value ? `${event.value.id} ${event.value.key}` : (props.source ?? props.model?.event.id ?? 'new')}`,
  fields,
)
/** Whether those who take part are told by mail: at first, and from then on whenever it changes. */
const tell = ref(props.sheet?.told ?? true)
const hasOthers = computed(() => fields.people.trim() !== '' || props.sheet?.told === true)
const isTold = computed(() => !isFixed.value && hasOthers.value && tell.value)
/** What is meant of a series. */
const which = ref<'one' | 'all'>('one')
const key = computed(() => (event.value?.repeats ? event.value.key : null))
const isOne = computed(() => event.value?.repeats === true && which.value === 'one')
const isElsewhere = computed(() => fields.zone !== '' && fields.zone !== ownZone.value)

const sent = (): EventFields => ({
  title: fields.title,
  when: { phrase: fields.when.phrase, ...(fields.zone ? { zone: fields.zone } : {}) },
  place: fields.place,
  notes: fields.notes,
  repeat: isOne.value
    ? ''
    : fields.repeat.phrase === (props.sheet?.repeat ?? '')
      ? null
      : fields.repeat.phrase,
  people: fields.people,
  reminders: [...fields.reminders],
  ...(fields.busy === null ? {} : { busy: fields.busy }),
})
function done(): void {
  accept()
  emit('close')
}
const { wrong, busy, keep } = useKeeping(
  'title',
  () =>
    event.value
      ? changeEvent(event.value.id, key.value, sent(), isTold.value, !isOne.value)
      : makeEvent(sent(), props.source ?? null, isTold.value),
  done,
)
async function remove(): Promise<void> {
  const one = event.value
  const told = props.sheet?.told && !isFixed.value ? await askWhetherToTell() : 'no'
  if (one && told && (await attempt(() => dropEvent(one.id, isOne.value ? key.value : null, told === 'yes'))))
    done()
}
const SAID = {
  'needs-action': 'no answer yet',
  accepted: 'comes',
  tentative: 'perhaps',
  declined: 'does not come',
  delegated: 'sends somebody',
}
</script>

<template>
  <div class="sheet asking">
    <h2>{{ !sheet ? 'A new event' : isFixed ? event?.title : 'Event' }}</h2>
    <KeptNote :at="keptAt" @anew="anew" />
    <form novalidate @submit.prevent="keep" @keydown.ctrl.enter.prevent="keep">
      <fieldset v-if="event?.repeats" class="which">
        <legend>It comes {{ sheet?.repeat }}. Which is meant?</legend>
        <label><ChoiceDot v-model="which" name="which" value="one" /> Only this one</label>
        <label><ChoiceDot v-model="which" name="which" value="all" /> All of them</label>
      </fieldset>
      <template v-if="isFixed">
        <p>
          <b>{{ sheet?.when }}</b><template v-if="event?.place">, {{ event.place }}</template>
        </p>
        <p class="slate">
          {{ event?.organiser?.name || event?.organiser?.email }} says when and where it is.
        </p>
      </template>
      <template v-else>
        <MarkedLetter v-if="proposal?.pieces.length" :pieces="proposal.pieces" />
        <v-text-field
          v-model="fields.title"
          v-first
          label="What takes place"
          maxlength="500"
          hide-details="auto"
          :error-messages="wrong.title"
        />
        <div class="pair">
          <WhenField
            v-model="fields.when"
            label="When"
            as="event"
            bare
            quiet
            placeholder="friday 2-4pm, 25 to 27 nov …"
            :error="wrong.when"
          />
          <v-text-field
            v-model="fields.place"
            label="Where"
            maxlength="500"
            hide-details="auto"
            :error-messages="wrong.place"
          />
        </div>
        <p v-if="isElsewhere" class="slate">By the clocks of {{ fields.zone.replace(/_/g, ' ') }}.</p>
        <WhenField
          v-if="!isOne"
          v-model="fields.repeat"
          label="Again"
          takes="repeat"
          quiet
          placeholder="every friday, every month on the 1st …"
          :error="wrong.repeat"
        />
        <PeopleField v-model="fields.people" label="With" :error="wrong.people" />
      </template>
      <ul v-if="sheet?.participants.length" class="people" aria-label="Who takes part">
        <li v-for="one in sheet.participants" :key="one.email">
          {{ one.name || one.email }} <span class="slate">{{ SAID[one.answer] }}</span>
        </li>
      </ul>
      <ReminderField
        v-model="fields.reminders"
        folded
        :anchors="{ start: fields.when.reading?.text.replace(/ to .*/, '') ?? '' }"
        :error="wrong.reminders"
      />
      <v-textarea
        v-model="fields.notes"
        label="Notes"
        rows="3"
        auto-grow
        maxlength="50000"
        hide-details="auto"
        :error-messages="wrong.notes"
      />
      <label class="takes">
        <TickBox
          :checked="fields.busy ?? fields.when.reading?.kind !== 'date'"
          @change="fields.busy = ($event.target as HTMLInputElement).checked"
        />
        It takes these hours
      </label>
      <label v-if="!isFixed && hasOthers" class="takes">
        <TickBox v-model="tell" />
        {{ sheet?.told ? 'Tell them by mail what is otherwise' : 'Ask them by mail' }}
        <span v-if="wrong.tell" class="wrong" role="alert">{{ wrong.tell }}</span>
      </label>
      <router-link v-if="sheet?.conversation" :to="{ name: 'message', params: { id: event?.source ?? '' } }"
        >The message that it was made from</router-link
      >
      <div class="actions">
        <v-btn type="submit" color="primary" :loading="busy">{{ sheet ? 'Keep it' : 'Make it' }}</v-btn>
        <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
        <v-btn v-if="sheet" class="delete" variant="text" @click="remove">{{
          isOne ? 'Leave this one out' : 'Take it out'
        }}</v-btn>
      </div>
    </form>
  </div>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
form {
  display: grid;
  gap: 12px;
}

p {
  margin: 0;
}

.pair {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}

.which {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  padding: 0;
  border: 0;
}

.which legend {
  margin-bottom: 4px;
  font-size: var(--type-note);
}

.people {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  font-size: var(--type-note);
}

.takes {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: var(--type-note);
}

.wrong {
  color: rgb(var(--v-theme-error));
}

.delete {
  margin-left: auto;
}

@media (max-width: 640px) {
  .pair {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
