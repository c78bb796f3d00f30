<script setup lang="ts">
import { computed, onMounted, reactive, ref, toRef, watch } from 'vue'
import type { TaskRow } from '@/shared/api/client'
import { escape } from '@/shared/keys/registry'
import { useTyped } from '@/shared/typing/kept'
import { shortSpan } from '@/shared/time/span'
import { PlainButton, TextInput } from '@/ui/kit'

/** What is written on an hour: a title makes an event, and a task that it names can be laid there. */
const props = defineProps<{
  label: string
  /** Those that can be laid there */
  tasks: readonly TaskRow[]
  busy: boolean
}>()
const emit = defineEmits<{ event: [line: string]; task: [id: string]; close: [] }>()

/** So many are offered. */
const MOST = 5
const typed = reactive({ text: '' })
const { accept } = useTyped('agenda-hour', typed)
const text = toRef(typed, 'text')
const at = ref(-1)
const root = ref<HTMLElement>()
onMounted(() => root.value?.scrollIntoView({ block: 'nearest' }))
const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  return props.tasks
    .filter(({ title }) => words.every((word) => title.toLowerCase().includes(word)))
    .slice(0, MOST)
})
watch(text, () => (at.value = -1))

function go(): void {
  const task = found.value[at.value]
  if (task) emit('task', task.id)
  else if (text.value.trim()) emit('event', text.value.trim())
}
function step(by: number): void {
  at.value = Math.max(-1, Math.min(found.value.length - 1, at.value + by))
}
defineExpose({ accepted: accept })
</script>

<template>
  <form
    ref="root"
    class="sheet line"
    novalidate
    @submit.prevent="go"
    @keydown.esc="escape($event, () => emit('close'))"
    @pointerdown.stop
  >
    <TextInput
      v-model="text"
      v-first
      :aria-label="label"
      placeholder="An event, or a task to do then"
      maxlength="500"
      autocomplete="off"
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
    />
    <ul v-if="found.length" aria-label="Tasks to lay there">
      <li v-for="(task, index) in found" :key="task.id">
        <PlainButton :class="{ on: index === at }" @click="emit('task', task.id)">
          <span>{{ task.title }}</span>
          <small v-if="task.estimate" class="slate">{{ shortSpan(task.estimate) }}</small>
        </PlainButton>
      </li>
    </ul>
    <div class="foot">
      <small class="slate">{{ label }}</small>
      <v-btn
        class="go"
        type="submit"
        size="small"
        color="primary"
        :loading="busy"
        :disabled="!text.trim() && at < 0"
      >
        {{ at < 0 ? 'Make an event' : 'Do it then' }}
      </v-btn>
    </div>
  </form>
</template>

<style scoped>
.line {
  z-index: 20;
  display: grid;
  gap: 6px;
  width: 340px;
  scroll-margin: 70px 0 110px;
  max-width: calc(100vw - 48px);
  padding: 10px;
  border: 1px solid rgb(var(--v-theme-primary));
  box-shadow: 0 6px 18px rgb(30 44 53 / 18%);
}

input {
  padding: 6px 8px;
  border: 1px solid var(--v-edge);
  border-radius: 6px;
}

li button {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  width: 100%;
  padding: 5px 8px;
  font-size: var(--type-note);
  text-align: left;
  border-radius: 6px;
}

li button.on,
li button:hover {
  background: var(--v-sea-soft);
}

li span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

/* the kit has buttons in a grid as wide as they can be */
.go {
  flex: none;
  width: auto;
  margin-left: auto;
}

.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
  font-size: var(--type-small);
}
</style>
