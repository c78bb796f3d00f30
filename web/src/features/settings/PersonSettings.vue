<script setup lang="ts">
import { ref, watch } from 'vue'
import { Problem } from '@/shared/api/problem'
import { useSession, useSignIn } from '@/shared/api/session'
import { say, tell } from '@/shared/notice'

/** Who the person is: the name stands under what they send. */
const { account } = useSession()
const { saveSettings } = useSignIn()
const name = ref('')
const wrong = ref('')
watch(account, (now) => (name.value = now?.name ?? ''), { immediate: true })

async function save(): Promise<void> {
  const settings = account.value?.settings
  if (!settings || name.value.trim() === account.value?.name) return
  wrong.value = ''
  try {
    await saveSettings({ ...settings, name: name.value })
    say('Your name is changed.')
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422)
      wrong.value = problem.fields.name ?? problem.message
    else tell(problem)
  }
}
</script>

<template>
  <section v-if="account" class="sheet part">
    <h2>You</h2>
    <form class="you" novalidate @submit.prevent="save">
      <v-text-field
        v-model="name"
        label="Name"
        autocomplete="name"
        maxlength="200"
        hide-details="auto"
        :error-messages="wrong"
        @change="save"
      />
      <p class="slate">Your address is {{ account.email }}.</p>
    </form>
  </section>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
.you {
  display: grid;
  grid-template-columns: minmax(0, 320px) auto;
  gap: 8px 18px;
  align-items: center;
  justify-content: start;
}

p {
  margin: 0;
}

@media (max-width: 760px) {
  .you {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
