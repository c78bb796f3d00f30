<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, api, type Settings } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { useSession, useSignIn } from '@/shared/api/session'
import { readOnce } from '@/shared/api/when'
import { tell } from '@/shared/notice'
import { remember } from '@/shared/trail'
import { useAskAgain } from '@/shared/steps/steps'
import { useShareKeptFree } from '@/features/agenda'
import { shortSpan } from '@/shared/time/span'
import { counted } from '@/shared/words'
import AgendaAddress from './AgendaAddress.vue'
import OtherCalendars from './OtherCalendars.vue'
import { FileInput, LinkButton, TextInput, TickBox } from '@/ui/kit'

/** At which hours one works, how much of them stays free, and the agenda as calendar files. */
type Agenda = Settings['agenda']

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
const USUAL = { from: '09:00', to: '17:00' }
const { account } = useSession()
const { saveSettings } = useSignIn()
const askAgain = useAskAgain()
const agenda = computed(() => account.value?.settings.agenda)
const { data: came } = useShareKeptFree()
const wrong = ref('')
/** Of every day, also where nobody has said anything yet. */
const hours = computed(() =>
  DAYS.map((_, index) => {
    const said = agenda.value?.hours
    if (said) return said[String(index + 1)] ?? null
    return account.value?.settings.workingDays.includes(index + 1) ? USUAL : null
  }),
)

async function change(more: Partial<Agenda>): Promise<void> {
  if (!account.value || !agenda.value) return
  wrong.value = ''
  try {
    await saveSettings({ ...account.value.settings, agenda: { ...agenda.value, ...more } })
    void askAgain(['slot'])
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422)
      wrong.value = problem.fields.agenda ?? problem.message
    else tell(problem)
  }
}
/** Written as people write times. What cannot be read stays in its field. */
async function read(text: string): Promise<string | null> {
  const found = await readOnce(text, 'when').catch(() => null)
  if (found?.understood && found.time) return found.time
  wrong.value = `“${text}” is not a time. Write 8:30 or half past 8.`
  return null
}
function setHours(index: number, span: { from: string; to: string } | null): Promise<void> {
  const all = hours.value.map((one, at) => (at === index ? span : one))
  return change({
    hours: Object.fromEntries(all.flatMap((one, at) => (one ? [[String(at + 1), one]] : []))),
  })
}
async function setEdge(index: number, edge: 'from' | 'to', text: string): Promise<void> {
  const time = await read(text)
  const now = hours.value[index]
  if (time && now) await setHours(index, { ...now, [edge]: time })
}
async function setShown(edge: 'from' | 'to', text: string): Promise<void> {
  const time = await read(text)
  if (time) await change({ [edge]: time })
}

const outcome = ref<{ taken: string[]; known: string[]; left: string[] } | null>(null)
const busy = ref(false)
async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file || busy.value) return
  busy.value = true
  outcome.value = null
  const body = new FormData()
  body.append('file', file)
  try {
    const found = await answer(
      api.POST('/agenda/imports', { body: body as unknown as { file: string }, bodySerializer: () => body }),
    )
    outcome.value = found
    for (const entry of found.entries) remember(entry)
    void askAgain()
  } catch (problem) {
    tell(problem)
  }
  busy.value = false
  input.value = ''
}
</script>

<template>
  <section v-if="agenda" class="sheet part">
    <h2>Agenda</h2>
    <p class="slate">
      At which hours you work. What takes place in them, and the share below, is not promised.
    </p>
    <ul class="week">
      <li v-for="(name, index) in DAYS" :key="name">
        <label class="name">
          <TickBox :checked="hours[index] !== null" @change="setHours(index, hours[index] ? null : USUAL)" />
          {{ name }}
        </label>
        <template v-if="hours[index]">
          <TextInput
            class="time"
            size="6"
            maxlength="40"
            :model-value="hours[index]?.from"
            :aria-label="`${name}, from`"
            @change="setEdge(index, 'from', ($event.target as HTMLInputElement).value)"
          />
          <span class="slate">to</span>
          <TextInput
            class="time"
            size="6"
            maxlength="40"
            :model-value="hours[index]?.to"
            :aria-label="`${name}, to`"
            @change="setEdge(index, 'to', ($event.target as HTMLInputElement).value)"
          />
        </template>
        <span v-else class="slate">free</span>
      </li>
    </ul>
    <p>
      <label
        >Kept free for what comes in
        <TextInput
          class="time"
          type="number"
          min="0"
          max="90"
          :model-value="agenda.keptFree"
          @change="change({ keptFree: Number(($event.target as HTMLInputElement).value) })"
        />
        %</label
      >
      <span v-if="came?.share != null" class="slate came">
        The last four weeks brought {{ shortSpan(came.clearing + came.unplanned) }} a day:
        {{ shortSpan(came.clearing) }} of clearing and {{ shortSpan(came.unplanned) }} of tasks that came up.
        That is {{ came.share }} %.
        <LinkButton v-if="came.share !== agenda.keptFree" @click="change({ keptFree: came.share })"
          >Keep so much free</LinkButton
        >
      </span>
    </p>
    <p>
      A day is shown from
      <TextInput
        class="time"
        size="6"
        aria-label="A day is shown from"
        :model-value="agenda.from"
        @change="setShown('from', ($event.target as HTMLInputElement).value)"
      />
      to
      <TextInput
        class="time"
        size="6"
        aria-label="A day is shown to"
        :model-value="agenda.to"
        @change="setShown('to', ($event.target as HTMLInputElement).value)"
      />, and wider where something lies outside.
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <h3>Calendar files</h3>
    <p>
      <a class="link" href="/api/agenda.ics" download>All events and tasks as a file (.ics)</a>
    </p>
    <p>
      <label class="link file"
        >Take in a calendar file <FileInput accept=".ics,text/calendar" :disabled="busy" @change="take"
      /></label>
      <span v-if="busy" class="slate"> is being read …</span>
    </p>
    <div v-if="outcome" role="status">
      <p>
        {{ counted(outcome.taken.length, 'thing') }} taken, {{ outcome.known.length }} known already,
        {{ outcome.left.length }} left out.
      </p>
      <ul v-if="outcome.left.length" class="left">
        <li v-for="sentence in outcome.left.slice(0, 50)" :key="sentence">{{ sentence }}</li>
      </ul>
      <LinkButton @click="outcome = null">All right</LinkButton>
    </div>
    <OtherCalendars />
    <AgendaAddress />
  </section>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
.came {
  display: block;
  margin-top: 4px;
  font-size: var(--type-note);
}

.week {
  display: grid;
  gap: 4px;
  margin-bottom: 10px;
}

.week li {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  min-height: 34px;
}

.name {
  width: 130px;
}

section {
  overflow-wrap: anywhere;
}

.file input {
  max-width: 100%;
}

p {
  margin: 0 0 8px;
}

h3 {
  margin: 14px 0 6px;
  font-size: var(--type-text);
}

.left {
  margin: 0 0 8px 18px;
  font-size: var(--type-note);
  list-style: disc;
}
</style>
