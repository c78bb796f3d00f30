<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/shared/api/session'
import { ChoiceList } from '@/ui/kit'

/** From which of one's addresses a letter comes; nothing where there is only one. */
const from = defineModel<string | undefined>({ required: true })
defineProps<{ error?: string | undefined }>()
const { account } = useSession()
const senders = computed(() => account.value?.senders ?? [])
const chosen = computed({
  get: () => from.value || (senders.value[0] ?? ''),
  set: (address) => (from.value = address === senders.value[0] ? '' : address),
})
</script>

<template>
  <div v-if="senders.length > 1" class="row">
    <label class="name slate"
      ><span>From</span>
      <ChoiceList v-model="chosen">
        <option v-if="!senders.includes(chosen)" :value="chosen">{{ chosen }}</option>
        <option v-for="one in senders" :key="one" :value="one">{{ one }}</option>
      </ChoiceList></label
    >
    <p v-if="error" class="wrong" role="alert">{{ error }}</p>
  </div>
</template>

<style scoped src="./write.css"></style>
