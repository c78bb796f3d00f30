<script setup lang="ts">
import { until } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { TaskFields, TaskRow } from '@/shared/api/client'
import { useCompleting } from './complete'
import { emptyDraft } from './draft'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import ListNav from './ListNav.vue'
import ListNote from './ListNote.vue'
import ListViews from './ListViews.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import MoreRows from '@/ui/MoreRows.vue'
import { attempt } from '@/shared/notice'
import { pasting } from './paste'
import { useSelection } from '@/shared/selection'
import TaskBar from './TaskBar.vue'
import TaskFilters from './TaskFilters.vue'
import TaskForm from './TaskForm.vue'
import TaskGroups from './TaskGroups.vue'
import TaskSheet from './TaskSheet.vue'
import TaskTree from './TaskTree.vue'
import { useTaskKeys } from './taskKeys'
import { ORDERS, useTaskList } from './taskList'
import { type Spot, useTaskSteps } from './steps'
import { LinkButton, PlainButton } from '@/ui/kit'

const props = defineProps<{ id?: string }>()
const route = useRoute()
const router = useRouter()
const { makeTasks, moveTasks, clearDone } = useTaskSteps()
const { check } = useCompleting()
const {
  order,
  lists,
  listId,
  list,
  words,
  filter,
  isFiltered,
  data,
  error,
  refetch,
  tasks,
  groups,
  some,
  ahead,
  later,
  unfolded,
  tree,
  rows,
  whole,
} = useTaskList()
const show = (id?: string) => router.replace({ name: 'tasks', params: { id: id ?? '' }, query: route.query })
const sort = (by: string, list?: string) =>
  router.replace({ name: 'tasks', params: { id: '' }, query: { by, ...(list ? { list } : {}) } })

const { current, moving, selecting, selected, goTo, clicked, clear, select, meant } = useSelection(
  rows,
  'data-task',
  'tasks',
  whole,
)
watch(order, clear)
const adding = ref(false)
const sheet = ref<InstanceType<typeof TaskSheet>>()

async function add(fields: TaskFields): Promise<void> {
  await makeTasks([{ fields }])
  adding.value = false
}

const paste = () =>
  (pasting.value = { text: '', ...(order.value === 'list' && list.value ? { list: list.value.name } : {}) })

async function step(by: number): Promise<void> {
  if (current.value < 0 && props.id) current.value = rows.value.findIndex(({ id }) => id === props.id)
  await goTo(current.value + by)
  const task = rows.value[current.value]
  if (task && props.id) await show(task.id)
}

async function move(spot: Spot | null, task: TaskRow): Promise<void> {
  if (!spot) return
  const ids = selected.value.has(task.id) ? meant.value.map(({ id }) => id) : [task.id]
  if (await attempt(() => moveTasks(ids, spot))) moved = task.id
}
/** A row that was moved keeps the focus where it stands then. */
let moved = ''
watch(rows, (there) => {
  const index = there.findIndex(({ id }) => id === moved)
  moved = ''
  if (index >= 0) void goTo(index)
})
const now = computed(() => rows.value[current.value] ?? rows.value.find(({ id }) => id === props.id))
/** The selected ones, or the current one. */
const chosen = computed(() => (selected.value.size ? meant.value : now.value ? [now.value] : []))
const reach = (task: TaskRow) => (current.value = rows.value.findIndex(({ id }) => id === task.id))
const pick = (task: TaskRow, range: boolean) => clicked(rows.value.indexOf(task), range)

const bar = ref<InstanceType<typeof TaskBar>>()
/** What is asked about tasks is asked in the bar of what is selected. */
async function askFor(what: 'due' | 'list' | 'priority'): Promise<void> {
  select(chosen.value.map(({ id }) => id))
  await nextTick()
  bar.value?.unfold(what)
}
function settle(): void {
  clear()
  void goTo(current.value)
}
useTaskKeys({
  now,
  chosen,
  tree,
  moving,
  selecting,
  isSelecting: () => selected.value.size > 0,
  isOrdered: () => order.value === 'list',
  openId: () => props.id,
  show,
  step,
  move,
  clear,
  write: () => (adding.value = true),
  paste,
  edit: async () => {
    await until(sheet).toBeTruthy()
    sheet.value?.edit()
  },
  askFor,
})
</script>

<template>
  <div class="view tasks" :class="{ opened: id }">
    <div class="left">
      <div class="view-head">
        <h1>Tasks</h1>
        <div class="orders" role="group" aria-label="Order">
          <PlainButton
            v-for="by in ORDERS"
            :key="by.value"
            :aria-pressed="order === by.value"
            @click="sort(by.value)"
          >
            {{ by.text }}
          </PlainButton>
        </div>
        <v-btn variant="outlined" @click="paste">Paste a list <KeyCap name="9" /></v-btn>
        <v-btn color="primary" @click="adding = true">Write a task down <KeyCap name="2" /></v-btn>
      </div>
      <div v-if="adding" class="sheet adding">
        <TaskForm
          place="task:new"
          :initial="emptyDraft({ list: order === 'list' ? (list?.name ?? '') : '' })"
          submit-text="Write it down"
          :save="add"
          compact
          @cancel="adding = false"
        />
      </div>
      <div class="body" :class="{ listed: order === 'list' }">
        <ListNav
          v-if="order === 'list' && lists?.length"
          :lists="lists"
          :chosen="listId"
          @choose="(chosen) => sort('list', chosen)"
        />
        <div class="content">
          <template v-if="order === 'list' && list">
            <ListViews :list="list" here="todo" />
            <ListNote :id="list.id" :key="list.id" />
          </template>
          <slot v-if="order !== 'list'" />
          <TaskBar
            v-if="selected.size"
            ref="bar"
            :tasks="meant"
            :lists="(lists ?? []).filter((one) => !one.archived)"
            @done="settle"
            @left="goTo(current)"
            @clear="clear"
          />
          <TaskFilters
            v-model:words="words"
            v-model:filter="filter"
            :lists="lists ?? []"
            :listless="order === 'list'"
          />
          <FailedState v-if="error && !data" :error="error" @again="refetch()" />
          <LoadingRows v-else-if="!data" />
          <EmptyState v-else-if="!tasks.length && isFiltered && words" title="No task is like that">
            Use fewer words, or show all again.
          </EmptyState>
          <EmptyState v-else-if="!tasks.length && order === 'done'" title="Nothing done is kept here">
            Completed tasks are kept here until they are cleared away, and can be opened again.
          </EmptyState>
          <EmptyState v-else-if="!tasks.length && isFiltered" title="No task is like that">
            Show all again: nothing has this list, label or priority.
          </EmptyState>
          <EmptyState
            v-else-if="!tasks.length"
            :title="order === 'list' && list ? `Nothing open in ${list.name}` : 'No open tasks'"
          >
            Make one of a conversation in the tray, or write one down.
            <template #actions><v-btn variant="outlined" to="/">Go to the tray</v-btn></template>
          </EmptyState>
          <TaskTree
            v-else-if="order === 'list'"
            :tree="tree"
            :current="now?.id"
            :selected="selected"
            :meant="meant"
            @check="check"
            @select="pick"
            @reach="reach"
            @move="(spot, task) => move(spot, task)"
          />
          <TaskGroups
            v-else
            :groups="groups"
            :current="now?.id"
            :selected="selected"
            :meant="meant"
            :by-completion="order === 'done'"
            @check="check"
            @select="pick"
            @reach="reach"
            @whole="attempt(() => some.whole(() => tasks.at(-1)?.group !== 'over'))"
          />
          <MoreRows
            v-if="order !== 'list' && tasks.length"
            :parts="some"
            :left="some.total.value - tasks.length"
            one="task"
          />
          <template v-if="ahead.length">
            <LinkButton class="ahead" :aria-expanded="unfolded" @click="unfolded = !unfolded">
              {{ later.total.value }} not to begin yet {{ unfolded ? '▾' : '▸' }}
            </LinkButton>
            <TaskGroups
              v-if="unfolded"
              :groups="[{ key: 'ahead', head: '', sub: '', over: false, tasks: ahead }]"
              :current="now?.id"
              :selected="selected"
              :meant="meant"
              plain
              @check="check"
              @select="pick"
              @reach="reach"
            />
            <MoreRows v-if="unfolded" :parts="later" :left="later.total.value - ahead.length" one="task" />
          </template>
          <p v-if="order === 'done' && tasks.length" class="clear">
            <v-btn variant="text" @click="attempt(() => clearDone(filter.list || undefined))">{{
              filter.list ? 'Clear away what is done in this list' : 'Clear away what is done'
            }}</v-btn>
          </p>
        </div>
      </div>
    </div>
    <aside v-if="id"><TaskSheet :id="id" ref="sheet" :key="id" @close="show()" /></aside>
  </div>
</template>

<style scoped src="./tasks.css"></style>
