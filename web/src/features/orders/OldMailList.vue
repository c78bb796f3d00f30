<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { OldRule } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { useSession, useSignIn } from '@/shared/api/session'
import { useLabels } from '@/features/labels'
import { tell } from '@/shared/notice'
import { ChoiceList, LinkButton, TextInput } from '@/ui/kit'
import { OLD_KINDS } from './conditions'

/** After how many days what nobody decided goes to the archive by itself. */
const { account } = useSession()
const { saveSettings } = useSignIn()
const { data: labels } = useLabels()
const rules = ref<OldRule[]>([])
const wrong = ref('')
watch(
  () => account.value?.settings.oldMail,
  (now) => (rules.value = (now ?? []).map((rule) => ({ ...rule }))),
  { immediate: true },
)

const named = ({ about, what }: OldRule) =>
  about === 'label' ? `with the label ${what}` : (OLD_KINDS.find(({ value }) => value === what)?.text ?? what)
/** What has no age yet. */
const others = computed(() =>
  [
    ...OLD_KINDS.map(({ value, text }) => ({ about: 'kind' as const, what: value, text })),
    ...(labels.value ?? []).map(({ name }) => ({
      about: 'label' as const,
      what: name,
      text: `with the label ${name}`,
    })),
  ].filter((one) => !rules.value.some(({ about, what }) => about === one.about && what === one.what)),
)

async function save(): Promise<void> {
  if (!account.value) return
  wrong.value = ''
  try {
    await saveSettings({ ...account.value.settings, oldMail: rules.value })
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422) wrong.value = problem.message
    else tell(problem)
  }
}
function add(event: Event): void {
  const list = event.target as HTMLSelectElement
  const one = others.value[Number(list.value)]
  list.value = ''
  if (!one) return
  rules.value.push({ about: one.about, what: one.what, days: 14 })
  void save()
}
function age(rule: OldRule, event: Event): void {
  rule.days = Math.round(Number((event.target as HTMLInputElement).value))
  void save()
}
function remove(index: number): void {
  rules.value.splice(index, 1)
  void save()
}
</script>

<template>
  <p class="slate">
    What nobody decided goes to the archive by itself after so many days, once a day and as one step of the
    journal. What asks for something, names a day ahead or came back stays.
  </p>
  <ul>
    <li v-for="(rule, index) in rules" :key="rule.about + rule.what">
      <span>{{ named(rule) }} after</span>
      <TextInput
        :model-value="rule.days"
        type="number"
        min="1"
        max="365"
        :aria-label="`Days: ${named(rule)}`"
        @change="age(rule, $event)"
      />
      <span>days</span>
      <LinkButton :aria-label="`Remove: ${named(rule)}`" @click="remove(index)">Remove</LinkButton>
    </li>
  </ul>
  <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  <ChoiceList v-if="others.length" model-value="" aria-label="Old mail that goes by itself" @change="add">
    <option value="" disabled>Old mail …</option>
    <option v-for="(one, index) in others" :key="one.about + one.what" :value="String(index)">
      {{ one.text }}
    </option>
  </ChoiceList>
</template>

<style scoped>
p {
  margin: 0 0 8px;
}

li {
  display: flex;
  gap: 9px;
  align-items: baseline;
  padding: 4px 0;
}

input {
  width: 70px;
  padding: 3px 8px;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}

select {
  padding: 4px 7px;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}

.link {
  margin-left: auto;
}

.wrong {
  color: rgb(var(--v-theme-error));
}
</style>
