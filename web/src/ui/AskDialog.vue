<script setup lang="ts">
import type { Binding } from '@/shared/keys/registry'
import { question, reply } from '@/shared/ask'
import KeyCap from './KeyCap.vue'
import ModalDialog from './ModalDialog.vue'

/** Asks what has to be asked, one question at a time. */
const keys: Binding[] = [1, 2, 3].map((number) => ({
  key: String(number),
  label: `Answer ${number}`,
  when: () => (question.value?.answers.length ?? 0) >= number,
  run: () => reply(question.value?.answers[number - 1]?.value ?? null),
}))
</script>

<template>
  <ModalDialog
    :open="!!question"
    :name="question?.title ?? ''"
    :keys="keys"
    max-width="460"
    @close="reply(null)"
  >
    <div v-if="question" class="sheet ask">
      <h2>{{ question.title }}</h2>
      <p>{{ question.text }}</p>
      <div class="actions">
        <v-btn
          v-for="(answer, index) in question.answers"
          :key="answer.value"
          v-first="index === 0"
          :color="index ? undefined : 'primary'"
          :variant="index ? 'outlined' : 'flat'"
          @click="reply(answer.value)"
          >{{ answer.text }} <KeyCap :name="String(index + 1)"
        /></v-btn>
        <v-btn variant="text" @click="reply(null)">Cancel</v-btn>
      </div>
    </div>
  </ModalDialog>
</template>

<style scoped>
.ask {
  padding: 22px 26px;
}

h2 {
  margin: 0 0 6px;
  font-size: var(--type-lead);
}

p {
  margin: 0 0 18px;
}

.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
