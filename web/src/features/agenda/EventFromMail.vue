<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Conversation } from '@/shared/api/client'
import { useKeys } from '@/shared/keys/registry'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { PlainButton } from '@/ui/kit'
import EventForm from './EventForm.vue'
import { useEventProposal } from './queries'
import { invitationIn } from './things'

/** What a letter says takes place, and a key that puts it into the agenda. Where it was invited to, that is answered instead. */
const props = defineProps<{ conversation: Conversation }>()
const open = ref(false)
const incoming = computed(() => props.conversation.messages.filter(({ own }) => !own))
/** The newest that speaks of something that takes place; else the newest. */
const speaking = computed(() =>
  incoming.value.findLast((one) => one.found?.dates.some(({ kind }) => kind === 'appointment')),
)
const message = computed(() => speaking.value ?? incoming.value.at(-1) ?? props.conversation.messages.at(-1))
const isInvited = computed(() => invitationIn(props.conversation) !== undefined)
const { data } = useEventProposal(() =>
  !isInvited.value && message.value && (speaking.value || open.value) ? message.value.id : '',
)

useKeys('Event', [
  {
    key: 'F8',
    label: 'Into the agenda',
    opens: true,
    when: () => !isInvited.value && !!message.value,
    run: () => (open.value = true),
  },
])
</script>

<template>
  <PlainButton v-if="!isInvited && speaking && data?.found" class="beside" @click="open = true">
    <span class="head"><b>Into the agenda</b> <KeyCap name="F8" /></span>
    <span>{{ [data.when, data.place].filter(Boolean).join(', ') }}</span>
  </PlainButton>
  <ModalDialog :open="open" max-width="640" name="Event" @close="open = false">
    <EventForm
      v-if="data && message"
      :key="message.id"
      :sheet="null"
      :when="data.when"
      :proposal="data"
      :source="message.id"
      @close="open = false"
    />
    <div v-else-if="open" class="sheet"><LoadingRows /></div>
  </ModalDialog>
</template>

<style scoped src="./beside-letter.css"></style>
