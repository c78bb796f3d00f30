<script setup lang="ts">
import { mdiDotsHorizontal, mdiPlus } from '@mdi/js'
import { useLocalStorage } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import type { TaskList } from '@/shared/api/client'
import { dragged, endDrag } from '@/ui/drag'
import ListDialog from './ListDialog.vue'
import { attempt } from '@/shared/notice'
import { counted } from '@/shared/words'
import { useTaskSteps } from './steps'
import { useListSteps } from './listSteps'
import { LinkButton, PlainButton } from '@/ui/kit'

/** The lists in the person's own order, with what each holds; tasks and mail can be dropped on them. */
const props = defineProps<{ lists: TaskList[]; chosen: string }>()
const emit = defineEmits<{ choose: [id: string] }>()

const { changeTasks } = useTaskSteps()
const { moveList, putMail } = useListSteps()
/** Levels under the top. */
const DEEPEST = 2
const editing = ref<TaskList | 'new' | null>(null)
const over = ref('')
const withArchived = ref(false)
const moved = ref<TaskList | null>(null)

/** Those whose lists are folded away on this device. */
const folded = useLocalStorage<string[]>('zippy-tray.folded-lists', [])
const isParent = (list: TaskList) =>
  props.lists.some(({ parent, archived: isAway }) => parent === list.id && (withArchived.value || !isAway))
function fold(list: TaskList, isAway: boolean): void {
  if (isParent(list))
    folded.value = [...folded.value.filter((id) => id !== list.id), ...(isAway ? [list.id] : [])]
}
/** Those that lie under another stand below it. */
const shown = computed(() => {
  const there = props.lists.filter(({ archived }) => withArchived.value || !archived)
  const ids = new Set(there.map(({ id }) => id))
  const withUnder = (list: TaskList): TaskList[] => [
    list,
    ...(folded.value.includes(list.id)
      ? []
      : there.filter(({ parent }) => parent === list.id).flatMap(withUnder)),
  ]
  return there.filter(({ parent }) => !parent || !ids.has(parent)).flatMap(withUnder)
})
/** The list that it is shown under. */
const above = (list: TaskList) => shown.value.find(({ id }) => id === list.parent)
const depth = (list: TaskList): number => {
  const one = above(list)
  return one ? 1 + depth(one) : 0
}
const siblings = (list: TaskList) => shown.value.filter((one) => above(one)?.id === above(list)?.id)
const archived = computed(() => props.lists.filter((list) => list.archived).length)

const held = (list: TaskList): string =>
  [
    list.open || !list.conversations ? `${list.open} to do` : '',
    list.conversations ? counted(list.conversations, 'letter') : '',
  ]
    .filter(Boolean)
    .join(', ')

async function drop(list: TaskList): Promise<void> {
  over.value = ''
  const what = dragged.value
  if (moved.value) {
    const at = shown.value.findIndex(({ id }) => id === list.id)
    const from = shown.value.findIndex(({ id }) => id === moved.value?.id)
    const among = siblings(list)
    const place = among.findIndex(({ id }) => id === list.id)
    const behind = from < at ? list.id : (among[place - 1]?.id ?? null)
    const { id } = moved.value
    moved.value = null
    if (id !== list.id && behind !== id)
      await attempt(() => moveList(id, behind, depth(list) ? list.parent : null))
    return
  }
  if (what?.kind === 'conversation') {
    const mail = what.rows.map(({ id }) => id)
    endDrag()
    await attempt(() => putMail(mail, list.id))
  }
  if (what?.kind !== 'task') return
  const ids = what.tasks.map(({ id }) => id)
  endDrag()
  await attempt(() => changeTasks(ids, { list: list.name }))
}

async function step(list: TaskList, by: number): Promise<void> {
  const all = siblings(list)
  const at = all.findIndex(({ id }) => id === list.id)
  const behind = by > 0 ? all[at + 1] : all[at - 2]
  if ((by > 0 && !behind) || (by < 0 && at < 1)) return
  await move(list, behind?.id ?? null, depth(list) ? list.parent : null)
}

/** Under the one above it, or out of the one that it lies under. */
async function nest(list: TaskList, isIn: boolean): Promise<void> {
  const all = siblings(list)
  const before = all[all.findIndex(({ id }) => id === list.id) - 1]
  if (!isIn && depth(list)) await move(list, list.parent, above(list)?.parent ?? null)
  else if (isIn && depth(list) < DEEPEST && before) {
    const last = shown.value.filter(({ parent }) => parent === before.id).at(-1)
    await move(list, last?.id ?? null, before.id)
  }
}

/** The focus goes with the list. */
async function move(list: TaskList, behind: string | null, parent: string | null): Promise<void> {
  if (!(await attempt(() => moveList(list.id, behind, parent)))) return
  await nextTick()
  document.querySelector<HTMLElement>(`[data-list="${list.id}"]`)?.focus()
}
</script>

<template>
  <nav class="lists" aria-label="Lists">
    <ul>
      <li
        v-for="list in shown"
        :key="list.id"
        :class="{
          chosen: list.id === chosen,
          over: over === list.id,
          archived: list.archived,
          parent: isParent(list),
        }"
        :style="{ marginLeft: `${depth(list) * 18}px` }"
        draggable="true"
        @dragstart="moved = list"
        @dragend="((moved = null), (over = ''))"
        @dragover.prevent="over = list.id"
        @dragleave="over = ''"
        @drop.prevent="drop(list)"
      >
        <PlainButton
          v-if="isParent(list)"
          class="fold"
          tabindex="-1"
          :aria-label="`${folded.includes(list.id) ? 'Unfold' : 'Fold'} ${list.name}`"
          :aria-expanded="!folded.includes(list.id)"
          @click="fold(list, !folded.includes(list.id))"
          >{{ folded.includes(list.id) ? '▸' : '▾' }}</PlainButton
        >
        <PlainButton
          class="name"
          :aria-current="list.id === chosen || undefined"
          :data-list="list.id"
          title="Ctrl+↑ ↓ moves it; Ctrl+→ lays it under the one above, Ctrl+← out again; ← → fold what lies under it"
          @click="emit('choose', list.id)"
          @keydown.ctrl.up.prevent.stop="step(list, -1)"
          @keydown.ctrl.down.prevent.stop="step(list, 1)"
          @keydown.ctrl.right.prevent.stop="nest(list, true)"
          @keydown.ctrl.left.prevent.stop="nest(list, false)"
          @keydown.left.exact.prevent.stop="fold(list, true)"
          @keydown.right.exact.prevent.stop="fold(list, false)"
        >
          <i class="spine" :class="list.colour" aria-hidden="true" />
          <span>{{ list.name }}</span>
          <span v-if="list.archived" class="slate count">archived</span>
          <span v-else class="slate count"
            >{{ held(list) }}<b v-if="list.over">, {{ list.over }} over</b></span
          >
        </PlainButton>
        <PlainButton class="more" :aria-label="`Change the list ${list.name}`" @click="editing = list">
          <v-icon :icon="mdiDotsHorizontal" size="17" />
        </PlainButton>
      </li>
    </ul>
    <LinkButton class="new" @click="editing = 'new'">
      <v-icon :icon="mdiPlus" size="16" /> New list
    </LinkButton>
    <LinkButton v-if="archived" @click="withArchived = !withArchived">
      {{ withArchived ? 'Hide archived' : `Show ${archived} archived` }}
    </LinkButton>
    <ListDialog
      v-if="editing"
      :list="editing === 'new' ? null : editing"
      :others="lists.filter((list) => list !== editing && !list.archived)"
      @close="editing = null"
    />
  </nav>
</template>

<style scoped src="./list-nav.css"></style>
