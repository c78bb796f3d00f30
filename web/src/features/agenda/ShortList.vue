<script setup lang="ts">
import { ref } from 'vue'
import type { Short, TaskRow } from '@/shared/api/client'
import { LinkButton } from '@/ui/kit'
import WaysOut from './WaysOut.vue'

/** What does not fit before it is due, what is due soonest first. */
defineProps<{ short: readonly Short[]; tasks: ReadonlyMap<string, TaskRow> }>()

/** So many are named at once. */
const FEW = 4
const isWhole = ref(false)
</script>

<template>
  <ul class="short">
    <WaysOut
      v-for="one in isWhole ? short : short.slice(0, FEW)"
      :key="one.task"
      :short="one"
      :tasks="tasks"
    />
    <li v-if="!isWhole && short.length > FEW">
      <LinkButton @click="isWhole = true">and {{ short.length - FEW }} more</LinkButton>
    </li>
  </ul>
</template>

<style scoped>
.short {
  margin: 0 0 8px;
  font-size: var(--type-note);
}
</style>
