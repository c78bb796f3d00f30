<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Entry } from '@/shared/api/client'
import { useSession } from '@/shared/api/session'
import { millisecondsUntil } from '@/shared/time/clock'
import { LinkButton } from '@/ui/kit'

/** Undo, as long as it can be done; of what was sent it says for how long. */
const props = defineProps<{ entry: Entry }>()
defineEmits<{ undo: [] }>()

const { account } = useSession()
const left = ref(0)
const isSent = computed(() => props.entry.kind === 'send')
function look(): void {
  const seconds = account.value?.settings.undoSeconds ?? 0
  left.value = Math.ceil(seconds + millisecondsUntil(props.entry.at) / 1000)
  if (left.value <= 0) pause()
}
const { pause } = useIntervalFn(look, 500, { immediate: isSent.value })
if (isSent.value) look()
</script>

<template>
  <LinkButton v-if="entry.undoable && (!isSent || left > 0)" @click="$emit('undo')">
    Undo<template v-if="isSent"> ({{ left }})</template>
  </LinkButton>
</template>

<style scoped>
.link {
  flex: none;
  text-decoration: underline;
}
</style>
