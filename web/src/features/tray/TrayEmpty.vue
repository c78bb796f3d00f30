<script setup lang="ts">
import { useCounts } from '@/shared/api/heartbeat'
import { nearMoment } from '@/shared/time/format'
import { counted } from '@/shared/words'
import { useFind } from '@/features/find'
import { PastLine } from '@/features/orders'
import { HeldLine } from '@/features/sessions'
import EmptyState from '@/ui/EmptyState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import FirstSteps from './FirstSteps.vue'

/** Nothing is in the tray, or nothing that bears the label. */
defineProps<{ label?: string | undefined }>()
defineEmits<{ all: [] }>()

const { data: counts } = useCounts()
/** Whether anything was ever here. */
const { data: everything } = useFind('', '')
</script>

<template>
  <EmptyState v-if="label !== undefined" :title="`Nothing in the tray bears “${label}”`">
    What was dealt with is found under Find.
    <template #actions>
      <v-btn color="primary" @click="$emit('all')">Show all of the tray</v-btn>
    </template>
  </EmptyState>
  <LoadingRows v-else-if="!everything" />
  <FirstSteps v-else-if="everything.total === 0" />
  <EmptyState v-else title="Nothing to decide">
    Everything has its place. <PastLine />
    <template v-if="counts?.forClearing"
      >{{ counted(counts.forClearing, 'conversation') }} wait{{ counts.forClearing === 1 ? 's' : '' }} for
      your next clearing.</template
    >
    <template v-if="counts?.nextReturn"
      >What you put off comes back {{ nearMoment(counts.nextReturn) }}.</template
    >
    <template v-else>When mail comes in, it waits for you here.</template>
    <HeldLine />
    <template #actions>
      <v-btn variant="outlined" to="/tasks">Look at the tasks</v-btn>
      <v-btn v-if="counts?.forClearing" color="primary" :to="{ name: 'clearing' }"
        >Start clearing <KeyCap name=" "
      /></v-btn>
      <v-btn v-else color="primary" to="/import">Bring mail in</v-btn>
    </template>
  </EmptyState>
</template>
