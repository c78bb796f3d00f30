<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Settings } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { useSession, useSignIn } from '@/shared/api/session'
import { tell } from '@/shared/notice'
import { askPermission, permission } from '@/shared/notify'
import { useSnoozeChoices } from '@/shared/api/snoozeChoices'
import { LinkButton, TextInput, TickBox } from '@/ui/kit'

/** How the person puts things off, and is reminded. */
const { data: offered } = useSnoozeChoices()
const { account } = useSession()
const { saveSettings } = useSignIn()
const settings = computed(() => account.value?.settings)
const phrases = ref<string[]>([])
const wrong = ref('')

watch(
  () => settings.value?.snoozes,
  (now) => (phrases.value = [...(now ?? [])]),
  { immediate: true },
)

async function change(more: Partial<Settings>): Promise<void> {
  if (!settings.value) return
  wrong.value = ''
  try {
    await saveSettings({ ...settings.value, ...more })
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422)
      wrong.value = problem.fields.snoozes ?? problem.message
    else tell(problem)
  }
}

const save = () => change({ snoozes: phrases.value.filter((phrase) => phrase.trim()) })
function remove(index: number): void {
  phrases.value = phrases.value.toSpliced(index, 1)
  void save()
}
function up(index: number): void {
  const [phrase = ''] = phrases.value.slice(index, index + 1)
  phrases.value = phrases.value.toSpliced(index, 1).toSpliced(index - 1, 0, phrase)
  void save()
}
const add = () => (phrases.value = [...phrases.value, ''])
const isUsual = computed(() => JSON.stringify(phrases.value) === JSON.stringify(offered.value?.usual))
</script>

<template>
  <section v-if="settings" class="sheet part">
    <h2>Putting off</h2>
    <fieldset>
      <legend class="slate">At hand, each with its digit, in words of your own</legend>
      <ol>
        <li v-for="(_, index) in phrases" :key="index">
          <TextInput
            v-model="phrases[index]"
            class="time"
            size="26"
            maxlength="200"
            :aria-label="`Choice ${index + 1}`"
            placeholder="friday 3pm, in 2 days …"
            @change="save"
          />
          <LinkButton v-if="index" :aria-label="`Choice ${index + 1} up`" @click="up(index)"> Up </LinkButton>
          <LinkButton :aria-label="`Remove choice ${index + 1}`" @click="remove(index)"> Remove </LinkButton>
        </li>
      </ol>
      <p class="acts">
        <LinkButton v-if="offered && phrases.length < offered.most" @click="add"> Another one </LinkButton>
        <LinkButton v-if="offered && !isUsual" @click="change({ snoozes: offered.usual })">
          As they were in the beginning
        </LinkButton>
      </p>
    </fieldset>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <label>
      <TickBox
        :model-value="settings.mailEndsSnooze"
        @change="change({ mailEndsSnooze: !settings.mailEndsSnooze })"
      />
      A new message brings a snoozed conversation back at once
    </label>
  </section>
  <section class="sheet part">
    <h2>Reminders</h2>
    <p class="slate line">
      They appear as a quiet card in this page, without a sound.
      <template v-if="permission === 'granted'"
        >While the page is behind another one, your browser shows them, too.</template
      >
      <template v-else-if="permission === 'denied'"
        >Your browser does not let this page show them outside; its settings for this site can allow
        it.</template
      >
      <template v-else-if="permission === 'missing'"
        >This browser cannot show them outside the page.</template
      >
      <template v-else>Your browser can show them while the page is behind another one.</template>
    </p>
    <v-btn v-if="permission === 'default'" variant="outlined" size="small" @click="askPermission">
      Show them outside the page, too
    </v-btn>
  </section>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
ol {
  display: grid;
  gap: 6px;
  padding-left: 22px;
  list-style: decimal;
}

li > * {
  margin-right: 12px;
}

.acts {
  margin: 8px 0;
  margin-left: 22px;
}

.line {
  margin: 0 0 8px;
}
</style>
