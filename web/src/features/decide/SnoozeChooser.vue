<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { ConversationRow, When } from '@/shared/api/client'
import { toWhen, type Written } from '@/shared/api/when'
import { useKeys } from '@/shared/keys/registry'
import { dateOf, day, nearDay } from '@/shared/time/format'
import KeyCap from '@/ui/KeyCap.vue'
import PresetList from '@/ui/PresetList.vue'
import WhenField from '@/ui/WhenField.vue'
import { type SnoozeFor } from '@/shared/steps/decide'
import { useSnoozeChoices } from '@/shared/api/snoozeChoices'
import { PlainButton } from '@/ui/kit'

/** Until when something is put off, and what else may bring it back before. */
const props = defineProps<{ rows: ConversationRow[]; error?: string | undefined }>()
const emit = defineEmits<{ choose: [until: When | undefined, what: SnoozeFor] }>()

const A_WEEK = 'in a week'
const { data } = useSnoozeChoices()
const own = ref<Written>({ phrase: '', reading: null })
const forAnswer = ref(false)
const missing = ref('')
const field = ref<InstanceType<typeof WhenField>>()

/** How often and since when the one that is meant has been put off. */
const before = computed(() => {
  const [row] = props.rows
  if (props.rows.length !== 1 || !row?.snoozes) return ''
  const since = row.snoozedSince ? nearDay(dateOf(row.snoozedSince)) : ''
  if (row.snoozes === 1) return `Put off once${since && `, ${since}`}.`
  return `Put off ${row.snoozes} times${since && ` since ${since}`}.`
})

function choose(): void {
  const until = toWhen(own.value)
  if (until) emit('choose', until, forAnswer.value ? 'answer' : 'snooze')
  else missing.value = 'When should it come back at the latest?'
}

async function waitForAnswer(): Promise<void> {
  forAnswer.value = !forAnswer.value
  if (!forAnswer.value) return
  if (!own.value.phrase.trim()) own.value = { phrase: A_WEEK, reading: null }
  await nextTick()
  field.value?.focus()
}
const nextClearing = () => emit('choose', undefined, 'next_clearing')

useKeys('Snooze', [
  { key: '8', label: 'When I next clear the tray', run: nextClearing },
  { key: '9', label: 'Until they answer', run: () => void waitForAnswer() },
])
</script>

<template>
  <div class="chooser">
    <p v-if="before" class="before">{{ before }}</p>
    <PresetList title="Snooze" @choose="(when) => emit('choose', when, 'snooze')" @write="field?.focus()">
      <li>
        <PlainButton class="preset" @click="nextClearing">
          <KeyCap name="8" />
          <span class="phrase">When I next clear the tray</span>
          <span v-if="data" class="slate">by {{ day(data.nextClearing.date) }}</span>
        </PlainButton>
      </li>
      <li>
        <PlainButton class="preset" :aria-pressed="forAnswer" @click="waitForAnswer">
          <KeyCap name="9" />
          <span class="phrase">Until they answer</span>
          <span class="slate">{{ forAnswer ? 'at the latest:' : 'at the latest …' }}</span>
        </PlainButton>
      </li>
    </PresetList>
    <form class="own" novalidate @submit.prevent="choose">
      <WhenField
        ref="field"
        v-model="own"
        bare
        keyed="0"
        :label="forAnswer ? 'At the latest' : 'Or until'"
        placeholder="thursday 10am …"
        :error="error || missing"
      />
      <v-btn type="submit" color="primary">{{
        forAnswer ? 'Snooze until they answer' : 'Snooze until then'
      }}</v-btn>
    </form>
  </div>
</template>

<style scoped src="@/ui/presets.css"></style>
<style scoped>
.chooser {
  display: grid;
  gap: 6px;
}

.before {
  margin: 0 8px;
  font-size: var(--type-note);
  color: var(--v-tab-soon-ink);
}

.own {
  display: grid;
  gap: 8px;
  margin-top: 4px;
}
</style>
