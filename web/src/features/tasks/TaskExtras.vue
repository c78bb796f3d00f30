<script setup lang="ts">
import { computed } from 'vue'
import type { TaskDraft } from './draft'
import WhenField from '@/ui/WhenField.vue'
import { useLabels } from '@/features/labels'
import { ChoiceDot, TickBox } from '@/ui/kit'

/** What not every task needs: start, repeat, estimate, priority, labels. */
const props = defineProps<{ draft: TaskDraft; wrong: Record<string, string> }>()

const { data: labels } = useLabels()
const known = computed(() => (labels.value ?? []).map(({ name }) => name))
const PRIORITIES = ['high', 'normal', 'low'] as const
const draft = computed(() => props.draft)
</script>

<template>
  <div class="extras">
    <WhenField
      v-model="draft.start"
      label="Start"
      placeholder="out of the way until …"
      :error="wrong.start"
    />
    <div>
      <WhenField
        v-model="draft.repeat"
        label="Repeat"
        takes="repeat"
        :anchors="{ due: draft.due.phrase }"
        :quiet="!draft.due.phrase"
        placeholder="every month on the 1st …"
        :error="wrong.repeat"
      />
      <label v-if="draft.repeat.phrase" class="check">
        <TickBox v-model="draft.fromCompletion" />
        Count the next one from the day it is done
      </label>
    </div>
    <WhenField
      v-model="draft.estimate"
      label="Takes"
      as="estimate"
      placeholder="20 min, 1h 30 …"
      :error="wrong.estimate"
    />
    <fieldset class="priority">
      <legend class="slate">Priority</legend>
      <label v-for="priority in PRIORITIES" :key="priority" :class="{ on: draft.priority === priority }">
        <ChoiceDot v-model="draft.priority" name="priority" :value="priority" />
        {{ priority }}
      </label>
    </fieldset>
    <v-combobox
      v-model="draft.labels"
      class="wide"
      :items="known"
      label="Labels"
      multiple
      chips
      closable-chips
      hide-selected
      hide-no-data
      hide-details="auto"
      :error-messages="wrong.labels"
    />
  </div>
</template>

<style scoped>
.extras {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px;
  align-items: start;
}

.wide {
  grid-column: 1 / -1;
}

.check {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 5px;
  font-size: var(--type-note);
}

.check input {
  width: 15px;
  height: 15px;
}

.priority {
  position: relative;
  display: flex;
  min-width: 0;
  height: 40px;
  margin: 0;
  padding: 3px;
  border: 1px solid var(--v-edge);
  border-radius: 8px;
}

.priority legend {
  position: absolute;
  top: -9px;
  left: 10px;
  padding: 0 4px;
  font-size: var(--type-mark);
  background: rgb(var(--v-theme-surface));
}

.priority label {
  flex: 1;
  display: grid;
  place-items: center;
  border-radius: 6px;
  font-size: var(--type-note);
  color: var(--v-slate);
  cursor: pointer;
}

.priority .on {
  background: var(--v-sea-soft);
  color: rgb(var(--v-theme-on-surface));
  font-weight: 600;
}

.priority label:focus-within {
  outline: 2px solid rgb(var(--v-theme-primary));
}

.priority input {
  position: absolute;
  opacity: 0;
}

@media (max-width: 640px) {
  .extras {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
