<script setup lang="ts">
import { useReading } from '@/shared/api/when'
import { nearMoment } from '@/shared/time/format'

/** A reminder in words, with the moment at which it comes. */
const props = defineProps<{
  text: string
  anchors: { start?: string; due?: string }
  /** Only the moment, where there is one */
  short?: boolean | undefined
}>()
const reading = useReading(
  () => props.text,
  'reminder',
  () => props.anchors,
)
</script>

<template>
  <span v-if="reading?.understood && reading.instant && reading.kind === 'lead'"
    >{{ short ? '' : `${text}, `
    }}<span :class="{ slate: !short }">{{ nearMoment(reading.instant) }}</span></span
  >
  <span v-else>{{ text }}</span>
</template>
