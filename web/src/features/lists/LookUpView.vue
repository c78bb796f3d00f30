<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Reference, TaskList } from '@/shared/api/client'
import { together } from '@/shared/api/parts'
import { attempt } from '@/shared/notice'
import { useKeys } from '@/shared/keys/registry'
import { useSelection } from '@/shared/selection'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import MoreRows from '@/ui/MoreRows.vue'
import { useReferences } from './queries'
import { LinkButton, TextInput } from '@/ui/kit'
import ReferenceForm from './ReferenceForm.vue'
import ReferenceLine from './ReferenceLine.vue'
import { useListCardSteps } from './steps'

/** What belongs to a list and asks nothing, in an order of one's own. */
const props = defineProps<{ list: TaskList }>()

const found = useReferences(() => props.list.id)
const { error, refetch } = found
const all = computed(() => together(found.parts.value?.map(({ references }) => references)))
/** Only those with these words, of what is there. */
const words = ref('')
const rows = computed(() =>
  all.value.filter(({ title, text, url }) =>
    `${title} ${text} ${url}`.toLowerCase().includes(words.value.trim().toLowerCase()),
  ),
)
const total = computed(() => found.parts.value?.at(-1)?.total ?? 0)
const { moveReference, takeOut } = useListCardSteps()
const { current, currentId, moving, selecting, selected, clicked, clear, meant, goTo } = useSelection(
  rows,
  'data-reference',
  'look-up',
  found.whole,
)
const lines = ref(new Map<string, InstanceType<typeof ReferenceLine>>())
const now = computed(() => rows.value[current.value])

const move = (one: Reference, behind: string | null) =>
  attempt(() => moveReference(one.id, props.list.id, behind))
async function shift(by: number): Promise<void> {
  const at = current.value
  const behind = by > 0 ? rows.value[at + 1] : rows.value[at - 2]
  if (now.value && (by > 0 ? behind : at > 0)) await move(now.value, behind?.id ?? null)
}

const dragged = ref<Reference | null>(null)
const over = ref('')
async function drop(onto: Reference): Promise<void> {
  const one = dragged.value
  over.value = ''
  dragged.value = null
  if (!one || one.id === onto.id) return
  const from = rows.value.findIndex(({ id }) => id === one.id)
  const at = rows.value.findIndex(({ id }) => id === onto.id)
  await move(one, from < at ? onto.id : (rows.value[at - 1]?.id ?? null))
}

const out = () => attempt(() => takeOut(meant.value.map(({ id }) => id))).then(clear)
const has = () => !!now.value
useKeys('To look up', [
  ...moving,
  { key: 'Ctrl+ArrowDown', label: 'Further down', when: has, run: () => void shift(1) },
  { key: 'Ctrl+ArrowUp', label: 'Further up', when: has, run: () => void shift(-1) },
  {
    key: 'F2',
    label: 'Change its words',
    opens: true,
    when: has,
    run: () => lines.value.get(currentId.value ?? '')?.edit(),
  },
  {
    key: 'Delete',
    label: 'Take out',
    when: has,
    run: () => void out(),
  },
  ...selecting,
])
const keep = (id: string, line: unknown) =>
  line ? lines.value.set(id, line as InstanceType<typeof ReferenceLine>) : lines.value.delete(id)
</script>

<template>
  <section aria-label="To look up">
    <ReferenceForm :key="list.id" :list="list.id" />
    <!-- there from the first on: what is clicked does not move away -->
    <p v-if="all.length" class="bar slate">
      <TextInput v-model="words" type="search" placeholder="Words" aria-label="Only those with" />
      <template v-if="selected.size"
        >{{ selected.size }} selected <LinkButton @click="out">Take them out</LinkButton>
        <LinkButton @click="clear">Select none</LinkButton></template
      >
    </p>
    <FailedState v-if="error && !all.length" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!found.parts.value" />
    <EmptyState v-else-if="!rows.length && words" title="Nothing is like that">Use fewer words.</EmptyState>
    <EmptyState v-else-if="!rows.length" title="Nothing to look up yet">
      Addresses, texts, files, and letters or what is attached to them (“To look up” beside them): what
      belongs to
      {{ list.name }} and asks nothing. Find finds it, too.
    </EmptyState>
    <ul v-else class="sheet rows">
      <ReferenceLine
        v-for="(one, index) in rows"
        :key="one.id"
        :ref="(line) => keep(one.id, line)"
        :class="{ over: over === one.id }"
        :reference="one"
        :current="index === current"
        :selected="selected.has(one.id)"
        @select="(event) => clicked(index, event.shiftKey)"
        @focusin="current = index"
        @dragstart="dragged = one"
        @dragend="((dragged = null), (over = ''))"
        @dragover="dragged && ($event.preventDefault(), (over = one.id))"
        @drop.prevent="drop(one)"
        @click.self="goTo(index)"
      />
    </ul>
    <MoreRows :parts="found" :left="total - all.length" one="thing" />
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  min-height: 30px;
  margin: 0 0 8px;
  font-size: var(--type-note);
}

.bar input {
  width: 160px;
  padding: 3px 8px;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}

.rows > * + * {
  border-top: 1px solid var(--v-edge);
}

.over {
  box-shadow: inset 0 0 0 2px rgb(var(--v-theme-primary));
}
</style>
