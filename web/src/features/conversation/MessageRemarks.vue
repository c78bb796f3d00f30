<script setup lang="ts">
import { mdiAlertOutline, mdiInformationOutline } from '@mdi/js'
import type { Message } from '@/shared/api/client'

/** What there is to say of a message besides: what pretends to be something else, and what was not read. */
defineProps<{ remarks: Message['remarks'] }>()
</script>

<template>
  <ul v-if="remarks.length" class="remarks" aria-label="To be known of this message">
    <li v-for="remark in remarks" :key="remark.text" :class="{ deceit: remark.deceit }">
      <v-icon :icon="remark.deceit ? mdiAlertOutline : mdiInformationOutline" size="17" />
      <span>{{ remark.text }}</span>
    </li>
  </ul>
</template>

<style scoped>
.remarks {
  display: grid;
  gap: 3px;
  margin: 8px 0 0;
  font-size: var(--type-note);
  overflow-wrap: anywhere;
}

li {
  display: flex;
  gap: 7px;
  align-items: baseline;
  color: var(--v-slate);
}

.v-icon {
  align-self: center;
  flex: none;
}

.deceit {
  color: rgb(var(--v-theme-error));
  font-weight: 550;
}
</style>
