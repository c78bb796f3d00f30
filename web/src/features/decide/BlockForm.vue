<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { ConversationRow } from '@/shared/api/client'
import KeyCap from '@/ui/KeyCap.vue'
import { counted } from '@/shared/words'
import { ChoiceDot } from '@/ui/kit'

/** Whose mail goes to Blocked: an address, or everything from its domain. */
const props = defineProps<{ rows: ConversationRow[]; still?: boolean }>()
const emit = defineEmits<{ submit: [wholeDomain: boolean]; cancel: [] }>()

const wholeDomain = ref(false)
const emails = computed(() => [...new Set(props.rows.map(({ email }) => email))])
const domains = computed(() => [...new Set(emails.value.map((email) => email.split('@').at(-1) ?? ''))])
const named = (list: string[], many: string) => (list.length === 1 ? list[0] : counted(list.length, many))
const button = ref<{ $el: HTMLElement }>()
const focus = () => button.value?.$el.focus({ preventScroll: true })
onMounted(() => {
  if (!props.still) focus()
})
defineExpose({ focus })
</script>

<template>
  <form
    class="form"
    @submit.prevent="emit('submit', wholeDomain)"
    @keydown.esc.stop.prevent="$emit('cancel')"
  >
    <label><ChoiceDot v-model="wholeDomain" :value="false" /> {{ named(emails, 'address') }}</label>
    <label
      ><ChoiceDot v-model="wholeDomain" :value="true" /> everything from {{ named(domains, 'domain') }}</label
    >
    <p class="slate">
      This and all that comes from there goes to Blocked, and what else of it waits in the tray, too. Settings
      list who is blocked.
    </p>
    <div class="actions">
      <v-btn v-if="!still" variant="text" @click="$emit('cancel')">Cancel</v-btn>
      <v-btn ref="button" type="submit" color="error">Block <KeyCap name="7" /></v-btn>
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 8px;
}

label {
  display: flex;
  gap: 9px;
  align-items: center;
  overflow-wrap: anywhere;
}

p {
  margin: 2px 0 4px;
  font-size: var(--type-note);
}

.actions {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
