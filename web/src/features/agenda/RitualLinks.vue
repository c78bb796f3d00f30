<script setup lang="ts">
import { computed } from 'vue'
import type { AgendaDay } from '@/shared/api/client'
import { now } from '@/shared/time/clock'
import { time } from '@/shared/time/format'
import KeyCap from '@/ui/KeyCap.vue'
import { RITUALS } from './agendaKeys'
import { minutesOf } from './place'

/** What one does with a day in the morning and in the evening, and with a week at its end; what it is time for stands out. */
const props = defineProps<{ today: AgendaDay | undefined }>()

/** Minutes before the end of work from which it is evening. */
const BEFORE = 60

const due = computed(() => {
  const day = props.today
  if (!day?.hours) return ''
  const isEvening = minutesOf(time(now.value)) >= minutesOf(day.hours.to, true) - BEFORE
  if (isEvening) return day.closed ? '' : 'evening'
  return day.laidOut ? '' : 'lay-out'
})
</script>

<template>
  <p class="rituals">
    <router-link
      v-for="one in RITUALS"
      :key="one.to"
      class="link"
      :class="{ due: due === one.to }"
      :to="{ name: one.to }"
      >{{ one.text }} <KeyCap :name="one.key"
    /></router-link>
  </p>
</template>

<style scoped>
.rituals {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin: -4px 0 10px;
  font-size: var(--type-note);
}

.due {
  font-weight: 650;
}
</style>
