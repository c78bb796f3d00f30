<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/shared/api/session'
import KeyCap from './KeyCap.vue'
import { capitalised } from '@/shared/words'

/**
 * Times that are meant often, in a row under the field in which a time is written. Each has a key that works as long as
 * the field is empty or all selected, and with which no time begins.
 */
const props = defineProps<{
  /** For a reminder: counted from the date that there is, or by itself */
  as?: 'reminder' | 'lead' | undefined
}>()
const emit = defineEmits<{ choose: [phrase: string] }>()
const KEYS = ['=', '.', ',', '/', '*', '-', '+', ';', ':', '#', '%']
const USUAL = ['today', 'tomorrow', 'end of the week', 'next week']
const LEADS = ['1 hour before', '1 day before', 'the morning before']
const SHORT: Record<string, string> = { 'end of the week': 'Week’s end' }

const { account } = useSession()
const phrases = computed(() =>
  [
    ...new Set([
      ...(props.as === 'lead' ? LEADS : props.as ? [] : USUAL),
      ...(account.value?.settings.snoozes ?? []),
    ]),
  ].slice(0, KEYS.length),
)

/** Whether the key chose one. */
function pressed(event: KeyboardEvent, field: HTMLInputElement): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) return false
  const isWhole = field.selectionStart === 0 && field.selectionEnd === field.value.length
  const phrase = isWhole ? phrases.value[KEYS.indexOf(event.key)] : undefined
  if (phrase) emit('choose', phrase)
  return phrase !== undefined
}
defineExpose({ pressed })
</script>

<template>
  <p class="row" role="group" aria-label="Times at hand">
    <button
      v-for="(phrase, index) in phrases"
      :key="phrase"
      type="button"
      tabindex="-1"
      :title="`${phrase} (${KEYS[index]})`"
      @mousedown.prevent
      @click="emit('choose', phrase)"
    >
      <KeyCap :name="KEYS[index] ?? ''" /> {{ SHORT[phrase] ?? capitalised(phrase) }}
    </button>
  </p>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 5px 0 0 !important;
}

button {
  padding: 2px 7px 2px 4px;
  font: inherit;
  font-size: var(--type-small);
  color: inherit;
  background: var(--v-sea-soft);
  border: 0;
  border-radius: 6px;
  cursor: pointer;
}

kbd {
  min-width: 17px;
  padding: 1px 4px;
  text-align: center;
}
</style>
