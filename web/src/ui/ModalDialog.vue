<script setup lang="ts">
import { useTemplateRef } from 'vue'
import { useCover, type Binding } from '@/shared/keys/registry'
import CoverSheet from './CoverSheet.vue'

/**
 * A dialog. As long as it is open it has the keys, alone; Esc and a click beside it close it, unless it has to be
 * answered.
 */
const props = defineProps<{
  open: boolean
  /** What it is, for who cannot see it */
  name: string
  keys?: Binding[]
  /** Nothing but its own buttons closes it */
  insistent?: boolean
}>()
const emit = defineEmits<{ close: [] }>()

const close = () => void (props.insistent || emit('close'))
const sheet = useTemplateRef<{ contentEl?: HTMLElement }>('sheet')
useCover(
  () => props.open,
  close,
  props.keys,
  () => sheet.value?.contentEl,
)
</script>

<template>
  <v-dialog
    ref="sheet"
    :model-value="open"
    :aria-label="name"
    persistent
    no-click-animation
    @click:outside="close"
  >
    <slot />
    <CoverSheet />
  </v-dialog>
</template>
