<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Settings } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { useSession, useSignIn } from '@/shared/api/session'
import { tell } from '@/shared/notice'
import { ChoiceDot, TextInput, TickBox } from '@/ui/kit'

/** Letters to oneself that make things. */
const { account } = useSession()
const { saveSettings } = useSignIn()
const mailIn = computed(() => account.value?.settings.mailIn)
const allowed = ref('')
const wrong = ref('')
watch(
  () => mailIn.value?.allowed,
  (now) => (allowed.value = (now ?? []).join(', ')),
  { immediate: true },
)

const at = (detail: string) => account.value?.email.replace('@', `+${detail}@`) ?? ''
const ADDRESSES = [
  { detail: 'task', makes: 'a task, with the letter as its source' },
  { detail: 'list.harbour', makes: 'a task in the list Harbour' },
  {
    detail: 'tomorrow.9am',
    makes: 'the letter comes back then; in Bcc of a letter to somebody else, unless they have answered',
  },
  { detail: 'every.friday', makes: 'a task that repeats' },
]
const CONFIRM: { value: Settings['mailIn']['confirm']; text: string }[] = [
  { value: 'always', text: 'Always' },
  { value: 'trouble', text: 'Only when something was not understood' },
  { value: 'never', text: 'Never' },
]

async function change(more: Partial<Settings['mailIn']>): Promise<void> {
  if (!account.value || !mailIn.value) return
  wrong.value = ''
  try {
    await saveSettings({ ...account.value.settings, mailIn: { ...mailIn.value, ...more } })
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422)
      wrong.value = problem.fields.mailIn ?? problem.message
    else tell(problem)
  }
}
const allow = () => change({ allowed: allowed.value.split(/[\s,;]+/).filter(Boolean) })
</script>

<template>
  <section v-if="mailIn" class="sheet part">
    <h2>Mail-in addresses</h2>
    <label>
      <TickBox :model-value="mailIn.on" @change="change({ on: !mailIn.on })" />
      Letters of mine to these addresses make things, from any mail program
    </label>
    <template v-if="mailIn.on">
      <dl>
        <template v-for="{ detail, makes } in ADDRESSES" :key="detail">
          <dt>
            <code>{{ at(detail) }}</code>
          </dt>
          <dd class="slate">{{ makes }}</dd>
        </template>
      </dl>
      <p class="slate">
        Several go together: <code>+task+friday</code>. A dot or a dash stands for a blank. Where your mail
        server takes no such addresses, write to yourself with the same in the first line:
        <code>+tomorrow 9am</code>. The lines above the first empty one can say more, as a jotted line does:
        <code>due friday 3pm; high; label harbour</code>. What is not understood lies in the tray and says so.
      </p>
      <fieldset class="allowed">
        <legend class="slate">Besides you, letters from these addresses may do so</legend>
        <TextInput
          v-model="allowed"
          class="time"
          aria-label="Addresses that may make things, with commas between them"
          placeholder="nobody else"
          maxlength="2000"
          @change="allow"
        />
      </fieldset>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <fieldset>
        <legend class="slate">
          A short answer by mail says what was made; answer it with “cancel”, or with another time
        </legend>
        <label v-for="{ value, text } in CONFIRM" :key="value"
          ><ChoiceDot
            name="confirm"
            :model-value="mailIn.confirm"
            :value="value"
            @change="change({ confirm: value })"
          />
          {{ text }}</label
        >
      </fieldset>
    </template>
  </section>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
dl {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 4px 18px;
  margin: 8px 0;
}

dd {
  margin: 0;
}

code {
  padding: 1px 6px;
  font-size: var(--type-note);
  overflow-wrap: anywhere;
  background: var(--v-rim);
  border-radius: 5px;
}

p {
  margin: 0 0 10px;
}

.allowed {
  margin-bottom: 10px;
}

.allowed input {
  width: min(100%, 480px);
}

@media (max-width: 760px) {
  dl {
    grid-template-columns: minmax(0, 1fr);
  }

  dd + dt {
    margin-top: 6px;
  }
}
</style>
