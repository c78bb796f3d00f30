<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Settings } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { useSession, useSignIn } from '@/shared/api/session'
import { useTemplates, editTemplate, useWriteSteps } from '@/features/write'
import { attempt, tell } from '@/shared/notice'
import LeftOutList from './LeftOutList.vue'
import { MailboxSettings } from '@/features/mailbox'
import WaysSettings from './WaysSettings.vue'
import { LinkButton, LongText, TextInput, TickBox } from '@/ui/kit'

/** How the person writes mail, and how it goes out. */
const { account } = useSession()
const { saveSettings } = useSignIn()
const { deleteTemplate } = useWriteSteps()
const { data: templates } = useTemplates()
const settings = computed(() => account.value?.settings)
const signature = ref('')
const wrong = ref<Record<string, string>>({})

watch(
  () => settings.value?.signature,
  (now) => (signature.value = now ?? ''),
  { immediate: true },
)

async function change(more: Partial<Settings>): Promise<void> {
  if (!settings.value) return
  wrong.value = {}
  try {
    await saveSettings({ ...settings.value, ...more })
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422) wrong.value = problem.fields
    else tell(problem)
  }
}
</script>

<template>
  <section v-if="settings" class="sheet part">
    <h2>Writing</h2>
    <label class="slate" for="signature">Signature under what you write</label>
    <LongText id="signature" v-model="signature" rows="3" maxlength="2000" @change="change({ signature })" />
    <p v-if="wrong.signature" class="wrong" role="alert">{{ wrong.signature }}</p>
    <label>
      Sending can be taken back for
      <TextInput
        type="number"
        class="seconds"
        min="0"
        max="120"
        :model-value="settings.undoSeconds"
        @change="change({ undoSeconds: Number(($event.target as HTMLInputElement).value) })"
      />
      seconds
    </label>
    <label>
      <TickBox :model-value="settings.digest" @change="change({ digest: !settings.digest })" />
      Each working morning, write me what is due, comes back and is owed that day
    </label>
    <p v-if="wrong.undoSeconds" class="wrong" role="alert">{{ wrong.undoSeconds }}</p>
  </section>
  <section class="sheet part">
    <h2>Templates</h2>
    <p v-if="templates && !templates.length" class="slate">
      Texts that you write again and again. There are none yet.
    </p>
    <ul class="templates">
      <li v-for="template in templates" :key="template.id">
        <b>{{ template.name }}</b>
        <span class="slate text">{{ template.text }}</span>
        <span class="acts">
          <LinkButton @click="editTemplate(template, template.id)">Change</LinkButton>
          <LinkButton @click="attempt(() => deleteTemplate(template.id))"> Delete </LinkButton>
        </span>
      </li>
    </ul>
    <v-btn
      variant="outlined"
      size="small"
      @click="editTemplate({ name: '', subject: '', text: '', signed: true })"
      >New template</v-btn
    >
  </section>
  <MailboxSettings />
  <WaysSettings />
  <LeftOutList />
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
textarea {
  display: block;
  width: min(520px, 100%);
  margin: 4px 0 12px;
  padding: 6px 10px;
  font: inherit;
  color: inherit;
  background: none;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}

label > .seconds {
  width: 64px;
  height: auto;
  margin: 0 4px;
  appearance: auto;
  padding: 3px 6px;
  font: inherit;
  color: inherit;
  background: none;
  border: 1px solid var(--v-edge);
  border-radius: 6px;
}

.templates {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  margin: 0 0 12px;
}

.templates li {
  display: flex;
  gap: 12px;
  align-items: baseline;
}

.templates b {
  flex: none;
}

.text {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  font-size: var(--type-note);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.acts {
  display: flex;
  flex: none;
  gap: 14px;
}
</style>
