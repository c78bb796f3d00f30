<script setup lang="ts">
import { mdiClose, mdiEmailOutline, mdiFileTreeOutline, mdiLinkVariant } from '@mdi/js'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Source } from '@/shared/api/client'
import { useTasks } from './queries'
import { PlainButton } from '@/ui/kit'

/** What a task came from or needs at hand: messages, web addresses, other tasks. */
defineProps<{ error?: string | undefined }>()
const sources = defineModel<Source[]>({ required: true })

const wanted = ref('')
const looked = computed(() => wanted.value.trim())
const sought = refDebounced(looked, 150)
const has = (title: string) =>
  looked.value
    .toLowerCase()
    .split(/\s+/)
    .every((word) => title.toLowerCase().includes(word))
/** A message by its lasting address, of RFC 2392 or of this program. */
const message = computed(() => {
  if (/^mid:\S+@\S+$/i.test(looked.value)) return looked.value
  const here = looked.value.startsWith(`${location.origin}/m/`)
    ? looked.value.slice(location.origin.length)
    : looked.value
  return here.startsWith('/m/') ? decodeURIComponent(here.slice(3)) : ''
})
const isWeb = computed(() => !message.value && /^https?:\/\/\S+$/i.test(looked.value))
const isName = computed(() => looked.value.length > 1 && !isWeb.value && !message.value)
const { tasks } = useTasks(
  () => ({
    state: 'open' as const,
    parts: true,
    list: '',
    label: '',
    priority: '' as const,
    words: sought.value,
  }),
  () => isName.value && !!sought.value,
)
const found = computed(() =>
  // What was found for less than what stands there now is not what is meant.
  isName.value ? (tasks.value ?? []).filter(({ title }) => has(title)).slice(0, 6) : [],
)
const ICONS = { message: mdiEmailOutline, web: mdiLinkVariant, task: mdiFileTreeOutline }

function text(source: Source): string {
  if (source.kind === 'message')
    return source.copy ? source.copy.subject || 'no subject' : `the message ${source.ref}`
  return source.kind === 'web' ? source.ref : (source.task?.title ?? 'a task that is gone')
}

function add(source: Source): void {
  if (!sources.value.some(({ kind, ref: other }) => kind === source.kind && other === source.ref)) {
    sources.value = [...sources.value, source]
  }
  wanted.value = ''
  entered.value = ''
}

/** What stood there when Enter was pressed before it had been found. */
const entered = ref('')
watch(found, () => entered.value && entered.value === looked.value && addFirst())
function addFirst(): void {
  const [first] = found.value
  if (first) add({ kind: 'task', ref: first.id, task: { id: first.id, title: first.title, done: false } })
  else entered.value = looked.value
}

function onEnter(event: KeyboardEvent): void {
  if (!looked.value || event.ctrlKey) return
  event.preventDefault()
  if (message.value) add({ kind: 'message', ref: message.value })
  else if (isWeb.value) add({ kind: 'web', ref: looked.value })
  else addFirst()
}
</script>

<template>
  <div class="sources">
    <ul v-if="sources.length">
      <li v-for="source in sources" :key="source.kind + source.ref">
        <v-icon :icon="ICONS[source.kind]" size="16" />
        <span>{{ text(source) }}</span>
        <PlainButton
          :aria-label="`Let go of ${text(source)}`"
          @click="sources = sources.filter((other) => other !== source)"
        >
          <v-icon :icon="mdiClose" size="15" />
        </PlainButton>
      </li>
    </ul>
    <v-text-field
      v-model="wanted"
      label="Add a source"
      placeholder="https://…, a message's address, or the title of a task"
      autocomplete="off"
      hide-details="auto"
      :error-messages="error"
      @keydown.enter="onEnter"
    />
    <div v-if="isWeb || message || found.length" class="found">
      <PlainButton v-if="message" @click="add({ kind: 'message', ref: message })">
        Add this message
      </PlainButton>
      <PlainButton v-if="isWeb" @click="add({ kind: 'web', ref: looked })">Add this address</PlainButton>
      <PlainButton
        v-for="task in found"
        :key="task.id"
        @click="add({ kind: 'task', ref: task.id, task: { id: task.id, title: task.title, done: false } })"
      >
        {{ task.title }} <span class="slate">{{ task.list.name }}</span>
      </PlainButton>
    </div>
  </div>
</template>

<style scoped>
ul {
  margin: 0 0 6px;
}

li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 3px 0;
  font-size: var(--type-note);
}

li span {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

li button {
  display: grid;
  margin-left: auto;
  padding: 2px;
  color: var(--v-slate);
  background: none;
  border: 0;
  cursor: pointer;
}

.found {
  display: grid;
  margin-top: 4px;
  border: 1px solid var(--v-edge);
  border-radius: 8px;
  overflow: hidden;
}

.found button {
  padding: 6px 12px;
  font-size: var(--type-note);
  text-align: left;
}

.found button:hover,
.found button:focus-visible {
  background: var(--v-sea-soft);
}
</style>
