<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Conversation } from '@/shared/api/client'
import { useKeys } from '@/shared/keys/registry'
import { day } from '@/shared/time/format'
import KeyCap from '@/ui/KeyCap.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { PlainButton } from '@/ui/kit'
import InvitationForm from './InvitationForm.vue'
import { useInvitation } from './queries'
import { invitationIn } from './things'

/** An invitation in the conversation: what clashes, and a key to answer it. */
const props = defineProps<{ conversation: Conversation; clearing?: string | undefined }>()
const emit = defineEmits<{ decided: [] }>()

const message = computed(() => invitationIn(props.conversation))
const { data } = useInvitation(() => message.value?.id ?? '')
const open = ref(false)
const SAID = {
  'needs-action': 'not answered yet',
  accepted: 'you come',
  tentative: 'perhaps you come',
  declined: 'you do not come',
  delegated: 'somebody else goes',
}
function answered(): void {
  open.value = false
  emit('decided')
}
useKeys('Invitation', [
  {
    key: 'F8',
    label: 'Answer the invitation',
    when: () => !!data.value,
    run: () => (open.value = true),
  },
])
</script>

<template>
  <PlainButton v-if="data && message" class="beside" @click="open = true">
    <span class="head"><b>Invitation</b> {{ SAID[data.said] }} <KeyCap name="F8" /></span>
    <span v-for="one in data.clashes.slice(0, 2)" :key="one.key" class="clash">
      Clashes with {{ one.title }}, {{ day(one.begins.date)
      }}{{ one.begins.time ? `, ${one.begins.time}` : '' }}
    </span>
    <span v-for="sentence in data.changes" :key="sentence" class="clash">{{ sentence }}</span>
    <span v-if="data.old" class="clash">Your agenda has a newer one.</span>
    <span v-if="!data.clashes.length && !data.old" class="slate">Nothing else takes place then.</span>
  </PlainButton>
  <ModalDialog :open="open && !!data" max-width="560" name="Invitation" @close="open = false">
    <InvitationForm
      v-if="data && message"
      :message="message.id"
      :conversation="conversation.row.id"
      :invitation="data"
      :clearing="clearing"
      @answered="answered"
      @close="open = false"
    />
  </ModalDialog>
</template>

<style scoped src="./beside-letter.css"></style>
<style scoped>
.beside {
  border-left-color: rgb(var(--v-theme-primary));
}

.clash {
  color: rgb(var(--v-theme-warning));
}
</style>
