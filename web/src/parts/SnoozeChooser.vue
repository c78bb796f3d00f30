<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { LocalMoment } from '@/api/client'
import { useSnoozeChoices } from '@/api/reading'
import { day, plusDays, today } from '@/time/format'
import { useKeys } from '@/keys/registry'
import KeyCap from './KeyCap.vue'

const props = defineProps<{ error?: string }>()
const emit = defineEmits<{ choose: [until: LocalMoment]; close: [] }>()

const { data: choices } = useSnoozeChoices()
const names = { later_today: 'Later today', tomorrow_morning: 'Tomorrow morning', next_monday: 'Next Monday' }
const date = ref(plusDays(today(), 2))
const time = ref('09:00')
const wrong = computed(() => (date.value && time.value ? props.error : 'Give a date and a time.'))
const tried = ref(false)
watch([date, time], () => (tried.value = false))

function own(): void {
  tried.value = true
  if (date.value && time.value) emit('choose', { date: date.value, time: time.value })
}

useKeys(
  'Snooze',
  [1, 2, 3].map((number) => ({
    key: String(number),
    label: `Choice ${number}`,
    when: () => (choices.value?.length ?? 0) >= number,
    run: () => {
      const choice = choices.value?.[number - 1]
      if (choice) emit('choose', choice)
    },
  })),
)
</script>

<template>
  <div class="chooser">
    <button
      v-for="(choice, index) in choices"
      :key="choice.choice"
      type="button"
      class="choice"
      @click="emit('choose', { date: choice.date, time: choice.time })"
    >
      <KeyCap :name="String(index + 1)" />
      <span>{{ names[choice.choice] }}</span>
      <span class="slate">{{ day(choice.date) }}, {{ choice.time }}</span>
    </button>
    <form class="own" novalidate @submit.prevent="own">
      <v-text-field v-model="date" type="date" label="Or on" :min="today()" hide-details />
      <v-text-field v-model="time" type="time" label="at" hide-details />
      <v-btn type="submit" color="primary">Snooze until then</v-btn>
    </form>
    <p v-if="tried && wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.chooser {
  display: grid;
  gap: 4px;
}

.choice {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 12px;
  align-items: center;
  padding: 7px 8px;
  font: inherit;
  color: inherit;
  text-align: left;
  background: none;
  border: 0;
  border-radius: 7px;
  cursor: pointer;
}

.choice:hover {
  background: var(--v-sea-soft);
}

.choice .slate {
  font-size: 14px;
}

.own {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  margin-top: 8px;
}

.own .v-btn {
  grid-column: 1 / -1;
}

.wrong {
  margin: 4px 0 0;
  font-size: 13.5px;
  color: rgb(var(--v-theme-error));
}
</style>
