<script setup lang="ts">
import { computed, ref } from 'vue'
import { onItsWay, stopSending, useListSteps, useTaskSteps } from '@/features/tasks'
import { useLists } from '@/shared/api/lists'
import { attempt } from '@/shared/notice'
import { endDrag } from '@/ui/drag'
import { PlainButton } from '@/ui/kit'

/** The lists, as dividers, while something is on its way: put down on one it belongs to it, wherever it is. */
const { data } = useLists()
const lists = computed(() => data.value?.filter(({ archived }) => !archived) ?? [])
const { putMail } = useListSteps()
const { changeTasks } = useTaskSteps()
const over = ref('')

async function put(list: { id: string; name: string }): Promise<void> {
  const what = onItsWay.value
  stopSending()
  endDrag()
  if (!what) return
  await attempt(() =>
    what.kind === 'task'
      ? changeTasks(
          what.tasks.map(({ id }) => id),
          { list: list.name },
        )
      : putMail(
          what.rows.map(({ id }) => id),
          list.id,
        ),
  )
}
</script>

<template>
  <div v-if="lists.length" class="lists">
    <span class="row-name">Into a list</span>
    <PlainButton
      v-for="list in lists"
      :key="list.id"
      class="list"
      :class="[list.colour, { on: over === list.id }]"
      :aria-label="`Into ${list.name}`"
      @dragover.prevent="over = list.id"
      @dragleave="over = ''"
      @drop.prevent="put(list)"
      @click="put(list)"
      >{{ list.name }}</PlainButton
    >
  </div>
</template>

<style scoped>
.lists {
  display: flex;
  gap: 4px;
  align-items: center;
  padding: 4px 12px;
  overflow-x: auto;
}

.row-name {
  flex: none;
  width: 96px;
  font-size: var(--type-small);
}

.list {
  flex: 1 0 auto;
  max-width: 180px;
  padding: 5px 10px;
  overflow: hidden;
  font-size: var(--type-note);
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
  background: rgb(var(--v-theme-surface));
  border-left: 5px solid var(--tint, var(--v-slate));
  border-radius: 0 7px 7px 0;
}

.list.on,
.list:hover {
  background: var(--v-sea-soft);
}
</style>
