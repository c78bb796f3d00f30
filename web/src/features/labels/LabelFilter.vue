<script setup lang="ts">
import { computed } from 'vue'
import { ChoiceList } from '@/ui/kit'
import { useLabels } from './queries'

/** Only what bears a label; how much that is stands beside each. */
const chosen = defineModel<string>({ required: true })
const props = defineProps<{ counts: 'tray' | 'conversations' | 'tasks' }>()

const { data } = useLabels()
const labels = computed(() =>
  (data.value ?? []).filter((one) => one[props.counts] > 0 || one.id === chosen.value),
)
function choose(event: Event): void {
  const list = event.target as HTMLSelectElement
  chosen.value = list.value
  list.blur()
}
</script>

<template>
  <ChoiceList
    v-if="labels.length"
    :model-value="chosen"
    aria-label="With the label"
    :class="{ on: chosen }"
    @change="choose"
  >
    <option value="">any label</option>
    <option v-for="one in labels" :key="one.id" :value="one.id">{{ one.name }} ({{ one[counts] }})</option>
  </ChoiceList>
</template>
