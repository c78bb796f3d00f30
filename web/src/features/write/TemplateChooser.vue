<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { Template } from '@/shared/api/client'
import { useCover } from '@/shared/keys/registry'
import { holdKeys } from '@/shared/typing/held'
import KeyCap from '@/ui/KeyCap.vue'
import { endOfOwn } from './letterFields'
import { attempt } from '@/shared/notice'
import { editTemplate } from './templateDialog'
import { fillTemplate, useTemplates } from './queries'
import { LinkButton, TextInput } from '@/ui/kit'

/** A template is found by a part of its name; what it asks for is answered here. */
const props = defineProps<{ to: string; text: string }>()
const emit = defineEmits<{ insert: [filled: { subject: string; text: string; signed: boolean }] }>()

const { data } = useTemplates()
const open = ref(false)
const words = ref('')
const at = ref(0)
const asking = ref<Template | null>(null)
const answers = ref<Record<string, string>>({})
const field = ref<{ el?: HTMLInputElement }>()
const form = ref<HTMLFormElement>()
useCover(open, () => (open.value = false))
const found = computed(() =>
  (data.value ?? []).filter(({ name }) => name.toLowerCase().includes(words.value.trim().toLowerCase())),
)

async function show(now: boolean): Promise<void> {
  open.value = now
  if (!now) return
  // What was answered and not put in yet is there again.
  if (!Object.values(answers.value).some((said) => said.trim())) asking.value = null
  words.value = ''
  at.value = 0
  await nextTick()
  type()
}

/** The field is hidden until the place of the drop-down is known, and cannot be typed into before. */
function type(): void {
  const first = field.value?.el ?? form.value?.querySelector('input')
  first?.focus()
  if (open.value && first && document.activeElement !== first) requestAnimationFrame(type)
}

async function choose(template: Template | undefined): Promise<void> {
  if (!template) return
  if (template.questions.length && asking.value !== template) {
    asking.value = template
    answers.value = Object.fromEntries(template.questions.map((question) => [question, '']))
    return
  }
  const given = Object.fromEntries(Object.entries(answers.value).filter(([, said]) => said.trim()))
  await attempt(async () => {
    emit('insert', await fillTemplate(template.id, props.to, template.questions.length ? given : {}))
    open.value = false
    asking.value = null
    answers.value = {}
  })
}

function another(): void {
  asking.value = null
  answers.value = {}
  void nextTick(type)
}

function pressed(event: KeyboardEvent): void {
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (step) {
    event.preventDefault()
    at.value = (at.value + step + found.value.length) % Math.max(1, found.value.length)
  } else if (event.key === 'Enter') {
    event.preventDefault()
    event.stopPropagation()
    void choose(found.value[at.value])
  }
}

defineExpose({
  show: () => {
    holdKeys()
    void show(true)
  },
})

/** What was written so far, without what is quoted, as a template of its own. */
function keep(): void {
  open.value = false
  const text = props.text.slice(0, endOfOwn(props.text))
  editTemplate({ name: '', subject: '', text, signed: true })
}
</script>

<template>
  <v-menu :model-value="open" :close-on-content-click="false" @update:model-value="show">
    <template #activator="{ props: menu }">
      <LinkButton v-bind="menu" title="A template (F8)"> Template <KeyCap name="F8" /> </LinkButton>
    </template>
    <div class="sheet chooser">
      <form v-if="asking" ref="form" class="questions" @submit.prevent="choose(asking)">
        <p class="slate">{{ asking.name }}</p>
        <v-text-field
          v-for="(question, index) in asking.questions"
          :key="question"
          v-model="answers[question]"
          v-first="index === 0"
          :label="question"
          hide-details
        />
        <p class="acts">
          <v-btn type="submit" color="primary" size="small">Insert</v-btn>
          <LinkButton @click="another">Another template</LinkButton>
        </p>
      </form>
      <template v-else>
        <TextInput
          ref="field"
          v-model="words"
          type="text"
          aria-label="Part of the name"
          placeholder="part of its name"
          @input="at = 0"
          @keydown="pressed"
        />
        <ul role="listbox" aria-label="Templates">
          <li
            v-for="(template, index) in found"
            :key="template.id"
            role="option"
            :aria-selected="index === at"
            @click="choose(template)"
          >
            {{ template.name }}
          </li>
        </ul>
        <p v-if="data && !found.length" class="slate">No template has that in its name.</p>
        <LinkButton @click="keep">Keep what is written as a template</LinkButton>
      </template>
    </div>
  </v-menu>
</template>

<style scoped>
.chooser {
  width: 320px;
  padding: 10px 14px 12px;
  box-shadow: var(--shadow);
}

input[type='text'] {
  width: 100%;
  padding: 6px 2px;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--v-edge);
}

ul {
  max-height: 260px;
  margin: 6px 0;
  overflow-y: auto;
}

li {
  padding: 5px 8px;
  border-radius: 6px;
  cursor: pointer;
}

li:hover,
li[aria-selected='true'] {
  background: var(--v-sea-soft);
}

p {
  margin: 6px 0;
  font-size: var(--type-note);
}

.acts {
  display: flex;
  gap: 14px;
  align-items: center;
}

.questions {
  display: grid;
  gap: 10px;
}
</style>
