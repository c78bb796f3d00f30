<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { ref } from 'vue'
import { FoundMail } from '@/features/find'
import { useKeys } from '@/shared/keys/registry'
import type { TaskList } from '@/shared/api/client'
import { PLACES, type FindPlace } from '@/shared/places'
import { counted } from '@/shared/words'
import EmptyState from '@/ui/EmptyState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import { PlainButton, TextInput } from '@/ui/kit'

/** The letters about a subject, wherever they are. */
defineProps<{ list: TaskList }>()

const typed = ref('')
const words = refDebounced(typed, 150)
const place = ref<FindPlace>('')
const total = ref<number>()
const found = ref<InstanceType<typeof FoundMail>>()
const field = ref<{ focus: () => void }>()

useKeys('Mail of the list', [{ key: 'F2', label: 'To the words', run: () => field.value?.focus() }])
</script>

<template>
  <div class="filters">
    <TextInput
      ref="field"
      v-model="typed"
      type="search"
      placeholder="Words in its letters"
      aria-label="Words in its letters"
      @keydown.down.prevent="found?.first()"
    />
    <div role="group" aria-label="Where to look">
      <PlainButton
        v-for="where in PLACES"
        :key="where.value"
        :aria-pressed="place === where.value"
        @click="place = where.value"
        >{{ where.text }}</PlainButton
      >
    </div>
    <span v-if="total !== undefined" class="slate" role="status">{{ counted(total, 'conversation') }}</span>
  </div>
  <FoundMail ref="found" :words="words" :place="place" :list="list.id" @found="(count) => (total = count)">
    <template #none>
      <EmptyState :title="words || place ? 'Nothing found' : 'No mail here yet'">
        <template v-if="words || place">Nothing of {{ list.name }} is like that.</template>
        <template v-else
          ><KeyCap name="F7" /> puts letters into {{ list.name }}: from the tray, a conversation or Find; or
          drag them onto it.</template
        >
      </EmptyState>
    </template>
  </FoundMail>
</template>

<style scoped>
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin-bottom: 8px;
  font-size: var(--type-note);
}

input {
  flex: 0 1 220px;
  padding: 5px 10px;
  border: 1px solid var(--v-edge);
  border-radius: 8px;
}

[role='group'] {
  display: flex;
  flex-wrap: wrap;
}

button {
  padding: 4px 9px;
  color: var(--v-slate);
  border-radius: 7px;
}

button[aria-pressed='true'] {
  color: rgb(var(--v-theme-primary));
  background: var(--v-sea-soft);
}
</style>
