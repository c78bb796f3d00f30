<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { KnownPerson } from '@/shared/api/client'
import { addressOf, withAddress } from './letterFields'
import { useFirstPerson, usePeople } from './queries'
import { TextInput } from '@/ui/kit'

/** Addresses, separated by commas; known people are offered while one is written. */
defineProps<{ label: string; error?: string | undefined }>()
const model = defineModel<string>({ required: true })

const focused = ref(false)
const at = ref(-1)
const field = ref<{ focus: (how?: FocusOptions) => void }>()
/** What stands behind the last comma. */
const word = computed(() => (/[^,;]*$/.exec(model.value)?.[0] ?? '').trim())
const PAUSE = 100
const asked = refDebounced(word, PAUSE)
const { data, isPlaceholderData } = usePeople(asked, () => focused.value && asked.value.length > 1)
/** What is offered was asked for what stands there now, and not for what stood there before. */
const isFresh = computed(() => asked.value === word.value && !!data.value && !isPlaceholderData.value)
const firstOf = useFirstPerson()
const people = computed(() =>
  focused.value && word.value.length > 1 && !/[<>]/.test(word.value)
    ? (data.value ?? []).filter(({ email }) => !model.value.toLowerCase().includes(`<${email}>`))
    : [],
)
watch(word, () => (at.value = -1))
watch(people, (now, before) => {
  const chosen = before[at.value]?.email
  if (chosen) at.value = now.findIndex(({ email }) => email === chosen)
})

function choose(person: KnownPerson): void {
  const before = model.value.slice(0, model.value.length - (/[^,;]*$/.exec(model.value)?.[0].length ?? 0))
  model.value = `${before}${before && !before.endsWith(' ') ? ' ' : ''}${addressOf(person)}, `
  at.value = -1
  field.value?.focus()
}

/** Who is known by that is told later: it is put in where the word stands, unless that has been changed meanwhile. */
async function takeFirst(name: string): Promise<void> {
  const begun = `${model.value.trimEnd()}, `
  model.value = begun
  const person = await firstOf(name).catch(() => undefined)
  if (person) model.value = withAddress(model.value, name, addressOf(person))
  else if (model.value === begun) model.value = begun.slice(0, -2)
}

function pressed(event: KeyboardEvent): void {
  const isTaking = (event.key === 'Enter' || event.key === 'Tab') && !event.ctrlKey && !event.shiftKey
  if (isTaking && at.value < 0 && !isFresh.value && word.value.length > 1 && !/[<>@"]/.test(word.value)) {
    if (event.key === 'Enter') event.preventDefault()
    void takeFirst(word.value)
    return
  }
  if (!people.value.length) return
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (step) {
    event.preventDefault()
    at.value = (at.value + step + people.value.length) % people.value.length
  } else if (isTaking) {
    const person = people.value[Math.max(0, at.value)]
    if (!person || (event.key === 'Tab' && at.value < 0 && word.value.includes('@'))) return
    event.preventDefault()
    choose(person)
  } else if (event.key === 'Escape') {
    event.stopPropagation()
    focused.value = false
  }
}

defineExpose({ focus: () => field.value?.focus({ preventScroll: true }) })
const listId = `people-${Math.random().toString(36).slice(2)}`
</script>

<template>
  <div class="row">
    <label class="name slate">
      <span>{{ label }}</span>
      <TextInput
        ref="field"
        v-model="model"
        type="text"
        autocomplete="off"
        spellcheck="false"
        maxlength="20000"
        role="combobox"
        :aria-expanded="people.length > 0"
        :aria-controls="listId"
        :aria-activedescendant="at < 0 ? undefined : `${listId}-${at}`"
        :aria-invalid="!!error"
        @focus="focused = true"
        @input="focused = true"
        @blur="focused = false"
        @keydown="pressed"
      />
    </label>
    <slot />
    <ul v-show="people.length" :id="listId" class="sheet offers" role="listbox" aria-label="Known people">
      <li
        v-for="(person, index) in people"
        :id="`${listId}-${index}`"
        :key="person.email"
        role="option"
        :aria-selected="index === at"
        @mousedown.prevent="choose(person)"
      >
        <b>{{ person.name || person.email }}</b>
        <span class="slate">{{ person.name ? person.email : '' }}</span>
      </li>
    </ul>
    <p v-if="error" class="wrong" role="alert">{{ error }}</p>
  </div>
</template>

<style scoped src="./write.css"></style>
