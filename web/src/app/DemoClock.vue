<script setup lang="ts">
import { ref } from 'vue'
import { answer, api } from '@/shared/api/client'
import { useCover } from '@/shared/keys/registry'
import { now } from '@/shared/time/clock'
import { moment } from '@/shared/time/format'
import { attempt } from '@/shared/notice'
import { useAskAgain } from '@/shared/steps/steps'
import { PlainButton } from '@/ui/kit'

const open = ref(false)
useCover(open, () => (open.value = false))
const askAgain = useAskAgain()
const moves = [
  { to: 'hour', text: 'An hour on' },
  { to: 'morning', text: 'To tomorrow morning' },
  { to: 'week', text: 'A week on' },
] as const

async function move(to: (typeof moves)[number]['to']): Promise<void> {
  await answer(api.POST('/demo/clock', { body: { to } }))
  await askAgain()
}
</script>

<template>
  <v-menu v-model="open">
    <template #activator="{ props }">
      <PlainButton v-bind="props" class="clock" title="Demo clock: move the program's time forward">
        {{ moment(now as Date) }}
      </PlainButton>
    </template>
    <v-list>
      <v-list-subheader>Move the program's time</v-list-subheader>
      <v-list-item v-for="{ to, text } in moves" :key="to" :title="text" @click="attempt(() => move(to))" />
    </v-list>
  </v-menu>
</template>

<style scoped>
.clock {
  font-size: var(--type-note);
  border: 1px dashed var(--v-slate);
  border-radius: 7px;
  padding: 4px 10px;
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
</style>
