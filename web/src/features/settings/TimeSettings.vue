<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Settings } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { useSession, useSignIn } from '@/shared/api/session'
import { readOnce } from '@/shared/api/when'
import { tell } from '@/shared/notice'
import ZoneSetting from './ZoneSetting.vue'
import { ChoiceDot, ChoiceList, TextInput, TickBox } from '@/ui/kit'

/** How the person speaks of time. */
const { account } = useSession()
const { saveSettings } = useSignIn()
const settings = computed(() => account.value?.settings)
const wrong = ref<Record<string, string>>({})

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
const MARKS = [
  { mark: 'morning', text: 'Morning' },
  { mark: 'afternoon', text: 'Afternoon' },
  { mark: 'end_of_day', text: 'End of day' },
  { mark: 'evening', text: 'Evening' },
  { mark: 'tonight', text: 'Tonight' },
] as const

async function change(more: Partial<Settings>): Promise<void> {
  if (!settings.value) return
  wrong.value = {}
  try {
    await saveSettings({ ...settings.value, ...more })
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422) wrong.value = problem.fields
    else tell(problem)
  }
}

function toggle(day: number): void {
  const days = settings.value?.workingDays ?? []
  const next = days.includes(day) ? days.filter((other) => other !== day) : [...days, day]
  void change({ workingDays: next.sort() })
}

/** Written as people write times: "8:30", "half past 9". */
async function mark(name: (typeof MARKS)[number]['mark'], text: string, event: Event): Promise<void> {
  const field = event.target as HTMLInputElement
  const now = settings.value
  if (!now) return
  const read = await readOnce(field.value, 'when').catch(() => null)
  if (read?.understood && read.time) {
    await change({ marks: { ...now.marks, [name]: read.time } })
    field.value = settings.value?.marks[name] ?? ''
  } else {
    wrong.value = { marks: `${text}: “${field.value}” is not a time. Write 8:30 or half past 8.` }
  }
}
const chosen = (event: Event) => Number((event.target as HTMLSelectElement).value)
</script>

<template>
  <section v-if="settings" class="sheet part">
    <h2>Time</h2>
    <ZoneSetting />
    <fieldset>
      <legend class="slate">How do you read 4/12?</legend>
      <label>
        <ChoiceDot
          name="order"
          :model-value="settings.dayFirst"
          :value="true"
          @change="change({ dayFirst: true })"
        />
        The fourth of December, day first
      </label>
      <label>
        <ChoiceDot
          name="order"
          :model-value="settings.dayFirst"
          :value="false"
          @change="change({ dayFirst: false })"
        />
        The twelfth of April, month first
      </label>
    </fieldset>
    <label class="row">
      <span class="slate">The week begins on</span>
      <ChoiceList :model-value="settings.weekStart" @change="change({ weekStart: chosen($event) })">
        <option v-for="(day, index) in DAYS" :key="day" :value="index + 1">{{ day }}</option>
      </ChoiceList>
    </label>
    <fieldset class="row">
      <legend class="slate">Working days</legend>
      <label v-for="(day, index) in DAYS" :key="day">
        <TickBox :model-value="settings.workingDays.includes(index + 1)" @change="toggle(index + 1)" />
        {{ day.slice(0, 3) }}
      </label>
    </fieldset>
    <p v-if="wrong.workingDays" class="wrong" role="alert">{{ wrong.workingDays }}</p>
    <fieldset class="row">
      <legend class="slate">What you mean by</legend>
      <label v-for="{ mark: name, text } in MARKS" :key="name">
        {{ text }}
        <TextInput
          class="time"
          size="5"
          :model-value="settings.marks[name]"
          :aria-label="text"
          @change="mark(name, text, $event)"
        />
      </label>
    </fieldset>
    <p v-if="wrong.marks" class="wrong" role="alert">{{ wrong.marks }}</p>
  </section>
</template>

<style scoped src="@/ui/part.css"></style>
