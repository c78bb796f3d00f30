<script setup lang="ts">
import { mdiDotsHorizontal, mdiPlus } from '@mdi/js'
import { computed, nextTick, ref } from 'vue'
import type { TaskList } from '@/shared/api/client'
import { dragged, endDrag } from '@/ui/drag'
import ListDialog from './ListDialog.vue'
import { attempt } from '@/shared/notice'
import { useTaskSteps } from './steps'
import { useListSteps } from './listSteps'
import { LinkButton, PlainButton } from '@/ui/kit'

/** The lists in the person's own order, with what each holds; tasks can be dropped on them. */
const props = defineProps<{ lists: TaskList[]; chosen: string }>()
const emit = defineEmits<{ choose: [id: string] }>()

const { changeTasks } = useTaskSteps()
const { moveList } = useListSteps()
const editing = ref<TaskList | 'new' | null>(null)
const over = ref('')
const withArchived = ref(false)
const moved = ref<TaskList | null>(null)

/** Those that lie under another stand below it. */
const shown = computed(() => {
  const there = props.lists.filter(({ archived }) => withArchived.value || !archived)
  const isUnder = (list: TaskList, parent: string) => list.parent === parent
  const tops = there.filter(({ parent }) => !parent || !there.some(({ id }) => id === parent))
  return tops.flatMap((top) => [top, ...there.filter((list) => isUnder(list, top.id))])
})
const depth = (list: TaskList) => (shown.value.some(({ id }) => id === list.parent) ? 1 : 0)
const siblings = (list: TaskList) =>
  shown.value.filter((one) => depth(one) === depth(list) && (!depth(list) || one.parent === list.parent))
const archived = computed(() => props.lists.filter((list) => list.archived).length)

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
  const above = all[all.findIndex(({ id }) => id === list.id) - 1]
  if (!isIn && depth(list)) await move(list, list.parent, null)
  else if (isIn && !depth(list) && above) {
    const last = shown.value.filter(({ parent }) => parent === above.id).at(-1)
    await move(list, last?.id ?? null, above.id)
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
          under: depth(list),
        }"
        draggable="true"
        @dragstart="moved = list"
        @dragend="((moved = null), (over = ''))"
        @dragover.prevent="over = list.id"
        @dragleave="over = ''"
        @drop.prevent="drop(list)"
      >
        <PlainButton
          class="name"
          :aria-current="list.id === chosen || undefined"
          :data-list="list.id"
          title="Ctrl+↑ ↓ moves it; Ctrl+→ lays it under the one above, Ctrl+← out again"
          @click="emit('choose', list.id)"
          @keydown.ctrl.up.prevent.stop="step(list, -1)"
          @keydown.ctrl.down.prevent.stop="step(list, 1)"
          @keydown.ctrl.right.prevent.stop="nest(list, true)"
          @keydown.ctrl.left.prevent.stop="nest(list, false)"
        >
          <i class="dot" :class="list.colour" aria-hidden="true" />
          <span>{{ list.name }}</span>
          <span v-if="list.archived" class="slate">archived</span>
          <span v-else class="slate count"
            >{{ list.open }}<b v-if="list.over">, {{ list.over }} over</b></span
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

<style scoped>
ul {
  margin: 0 0 10px;
}

li {
  position: relative;
  display: flex;
  align-items: center;
  border-radius: 8px;
}

li.under {
  margin-left: 18px;
}

li.chosen {
  background: rgb(var(--v-theme-surface));
  box-shadow: 0 1px 2px rgb(30 44 53 / 12%);
}

li.over {
  outline: 2px solid rgb(var(--v-theme-primary));
}

.name {
  flex: 1;
  display: flex;
  align-items: baseline;
  min-width: 0;
  padding: 7px 10px;
  font-weight: 550;
  text-align: left;
}

.name > span:first-of-type {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.count,
.archived .slate {
  margin-left: auto;
  padding-left: 8px;
  font-size: var(--type-small);
  font-weight: 500;
  white-space: nowrap;
}

.count b {
  font-weight: 600;
  color: rgb(var(--v-theme-error));
}

.more {
  position: absolute;
  right: 2px;
  display: grid;
  padding: 4px 6px;
  border-radius: 6px;
  color: var(--v-slate);
  background: none;
  border: 0;
  opacity: 0;
  cursor: pointer;
}

li:hover .more,
.more:focus-visible {
  opacity: 1;
  background: var(--v-rim);
}

.new {
  display: flex;
  gap: 4px;
  align-items: center;
  margin: 0 0 6px 8px;
}

nav > .link:not(.new) {
  margin-left: 10px;
  color: var(--v-slate);
}
</style>
