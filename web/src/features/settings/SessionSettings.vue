<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Settings } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { useSession, useSignIn } from '@/shared/api/session'
import { readOnce } from '@/shared/api/when'
import { tell } from '@/shared/notice'
import { HeldLine } from '@/features/sessions'
import { LinkButton, TextInput, TickBox } from '@/ui/kit'

/** At which hours mail comes in. */
const MOST = 12
const { account } = useSession()
const { saveSettings } = useSignIn()
const sessions = computed(() => account.value?.settings.sessions)
const hours = ref<string[]>([])
const wrong = ref('')

watch(
  () => sessions.value?.hours,
  (now) => (hours.value = [...(now ?? [])]),
  { immediate: true },
)

async function change(more: Partial<Settings['sessions']>): Promise<void> {
  if (!account.value || !sessions.value) return
  wrong.value = ''
  try {
    await saveSettings({ ...account.value.settings, sessions: { ...sessions.value, ...more } })
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422)
      wrong.value = problem.fields.sessions ?? problem.message
    else tell(problem)
  }
}

/** Written as people write times: "8:30", "half past 9". What cannot be read stays in its field. */
async function hour(index: number, text: string): Promise<void> {
  const read = await readOnce(text, 'when').catch(() => null)
  if (!read?.understood || !read.time) {
    wrong.value = `“${text}” is not a time. Write 8:30 or half past 8.`
    return
  }
  hours.value[index] = read.time
  if (hours.value.every(Boolean)) await change({ hours: hours.value })
}
function remove(index: number): void {
  hours.value = hours.value.toSpliced(index, 1)
  void change({ hours: hours.value.filter(Boolean) })
}
</script>

<template>
  <section v-if="sessions" class="sheet part">
    <h2>Mail in sessions</h2>
    <p class="slate">
      Mail that arrives is fetched and sorted, and Find has it; into the tray it comes at hours of yours. What
      answers something that is owed to you, and what a standing order calls urgent, comes in at once.
    </p>
    <label>
      <TickBox :model-value="sessions.on" @change="change({ on: !sessions.on })" />
      Hold arriving mail back until an hour at which I clear
    </label>
    <template v-if="sessions.on">
      <fieldset class="row">
        <legend class="slate">It comes in at</legend>
        <span v-for="(text, index) in hours" :key="index" class="hour">
          <TextInput
            class="time"
            size="6"
            maxlength="40"
            :model-value="text"
            :aria-label="`Hour ${index + 1}`"
            @change="hour(index, ($event.target as HTMLInputElement).value)"
          />
          <LinkButton v-if="hours.length > 1" :aria-label="`Remove hour ${index + 1}`" @click="remove(index)"
            >Remove</LinkButton
          >
        </span>
        <LinkButton v-if="hours.length < MOST && hours.every(Boolean)" @click="hours.push('')"
          >Another hour</LinkButton
        >
      </fieldset>
      <label>
        <TickBox
          :model-value="sessions.workingDaysOnly"
          @change="change({ workingDaysOnly: !sessions.workingDaysOnly })"
        />
        On working days only
      </label>
    </template>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <HeldLine class="now" />
  </section>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: baseline;
  padding: 6px 0;
}

.row legend {
  float: left;
  margin: 0;
}

.hour {
  display: inline-flex;
  gap: 8px;
  align-items: baseline;
}

p {
  margin: 0 0 8px;
}

.now {
  margin-top: 8px;
}
</style>
