<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { ComingLine } from '@/features/mailbox'
import RestDialog from './RestDialog.vue'

/** How far the mailboxes have come in; and what had better stay, of the rest of the tray or of the older part of one of them. */
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ archived: [] }>()

/** Whose older part it is; none: the tray. */
const mailbox = ref<number>()
let asked: number | undefined
function check(number: number): void {
  asked = number
  open.value = true
}
// Until it has closed it shows what it showed.
watch(
  open,
  (isOpen) => {
    if (!isOpen) return
    mailbox.value = asked
    asked = undefined
  },
  { flush: 'sync' },
)
const { older } = useRoute().query
if (older) check(Number(older))
</script>

<template>
  <ComingLine @check="check" />
  <RestDialog v-model="open" :mailbox="mailbox" @archived="emit('archived')" />
</template>
