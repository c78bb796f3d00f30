<script setup lang="ts">
import { mdiClose, mdiMagnify } from '@mdi/js'
import { refDebounced } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import { ChoiceList, LinkButton, PlainButton } from '@/ui/kit'
import KeyCap from '@/ui/KeyCap.vue'
import { useReading } from './queries'
import { accepted, begun, quoted, turned, without } from './search'

/** One field for words and refinements: how it is read stands below it, and what could follow. */
const typed = defineModel<string>({ required: true })
const emit = defineEmits<{ down: [] }>()

/** What can be asked besides words, by mouse. */
const MORE = {
  'Who and when': ['from', 'to', 'with', 'before', 'after', 'this week', 'last week'],
  Where: ['in tray', 'in away', 'in archive', 'in bin', 'list', 'label', 'stage'],
  'What it is': [
    'with attachment',
    'with pdf',
    'file',
    'asks something',
    'with open task',
    'owed',
    'undecided',
    'decided as',
    'unread',
    'larger than 1 MB',
  ],
  Tasks: [
    'overdue',
    'due today',
    'due this week',
    'without date',
    'high priority',
    'repeats',
    'is open',
    'is done',
  ],
}
const field = ref<{ $el: HTMLElement }>()
const input = () => field.value?.$el.querySelector('input')
const settled = refDebounced(typed, 120)
const { data } = useReading(settled)
const isCurrent = computed(() => typed.value.trim() !== '' && settled.value === typed.value)
const clauses = computed(() => (typed.value.trim() ? (data.value?.clauses ?? []) : []))
const offers = computed(() => (isCurrent.value ? (data.value?.offers ?? []) : []))

async function set(text: string): Promise<void> {
  typed.value = text
  await nextTick()
  input()?.focus()
  input()?.setSelectionRange(text.length, text.length)
}
function right(event: KeyboardEvent): void {
  const [offer] = offers.value
  const { selectionStart, value } = event.target as HTMLInputElement
  if (!offer || selectionStart !== value.length) return
  event.preventDefault()
  void set(accepted(typed.value, offer))
}
function add(event: Event): void {
  const list = event.target as HTMLSelectElement
  void set(begun(typed.value, list.value))
  list.value = ''
}
defineExpose({ focus: () => input()?.focus() })
</script>

<template>
  <div class="search">
    <v-text-field
      ref="field"
      v-model="typed"
      v-first
      density="comfortable"
      bg-color="surface"
      label="Find: words, “a phrase”, from ada, before last friday, in archive …"
      maxlength="500"
      autocomplete="off"
      hide-details
      :prepend-inner-icon="mdiMagnify"
      clearable
      @keydown.down.prevent="emit('down')"
      @keydown.right="right"
      @click:clear="typed = ''"
    />
    <div class="below">
      <ChoiceList model-value="" class="more" aria-label="Ask for more than words" @change="add">
        <option value="" disabled>Narrow by …</option>
        <optgroup v-for="(some, name) in MORE" :key="name" :label="name">
          <option v-for="words in some" :key="words" :value="words">{{ words }}</option>
        </optgroup>
      </ChoiceList>
      <ul v-if="clauses.length" aria-label="How it is read">
        <li
          v-for="clause in clauses"
          :key="`${clause.from} ${clause.reading}`"
          :class="{ wrong: !clause.what }"
        >
          <PlainButton
            v-if="clause.what"
            :title="clause.not ? 'It must not hold; turn it round' : 'Turn it round: it must not hold'"
            @click="set(turned(typed, clause, clause.not))"
            ><b v-if="clause.not">not </b>{{ clause.reading }}</PlainButton
          >
          <template v-else>
            <span role="alert">{{ clause.reading }}</span>
            <LinkButton @click="set(quoted(typed, clause))">look for these words</LinkButton>
          </template>
          <PlainButton :aria-label="`Without: ${clause.reading}`" @click="set(without(typed, clause))">
            <v-icon :icon="mdiClose" size="14" />
          </PlainButton>
        </li>
      </ul>
      <ul v-if="offers.length" class="offers" aria-label="What could follow">
        <li v-for="(offer, at) in offers" :key="offer.text">
          <PlainButton :title="offer.hint" @click="set(accepted(typed, offer))"
            ><KeyCap v-if="at === 0" name="ArrowRight" />{{ offer.text.trim() }}</PlainButton
          >
        </li>
      </ul>
      <slot />
    </div>
  </div>
</template>

<style scoped>
.below {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
  min-height: 30px;
  margin: 8px 0;
  font-size: var(--type-note);
}

ul {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

li {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  padding: 2px 8px;
  background: var(--v-sea-soft);
  border-radius: 7px;
}

li b {
  color: rgb(var(--v-theme-error));
}

.wrong {
  color: rgb(var(--v-theme-error));
  background: none;
  border: 1px solid currentcolor;
}

.offers li {
  padding: 1px 7px;
  background: none;
  border: 1px dashed var(--v-edge);
}

.more {
  padding: 4px 6px;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}
</style>
