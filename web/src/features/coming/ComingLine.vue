<script setup lang="ts">
import {
  mdiBellOutline,
  mdiEmailOutline,
  mdiAccountArrowRightOutline,
  mdiPlayOutline,
  mdiSendClockOutline,
} from '@mdi/js'
import { computed } from 'vue'
import type { ComingKind } from '@/shared/api/client'
import { day, nearness } from '@/shared/time/format'
import { canMove, nameOf, noteOf, NOW, type Row } from './coming'
import IndexTab from '@/ui/IndexTab.vue'
import { LinkButton } from '@/ui/kit'

/** Something that comes, in one line. */
const props = defineProps<{
  row: Row
  current: boolean
  /** Its day is not that of its stretch */ dated?: boolean
}>()
defineEmits<{ now: []; move: [] }>()

const ICONS: Record<ComingKind, { path: string; text: string }> = {
  mail: { path: mdiEmailOutline, text: 'Mail comes back' },
  owed: { path: mdiAccountArrowRightOutline, text: 'Owed to you' },
  start: { path: mdiPlayOutline, text: 'A task begins' },
  reminder: { path: mdiBellOutline, text: 'A reminder' },
  out: { path: mdiSendClockOutline, text: 'A message goes out' },
}
const icon = computed(() => ICONS[props.row.kind])
const to = computed(() => {
  const { task, conversation } = props.row
  if (task) return { name: 'tasks', params: { id: task.id } }
  return conversation ? { name: 'conversation', params: { id: conversation.id } } : { name: 'going-out' }
})
const tab = computed(() =>
  [props.dated ? day(props.row.date) : '', props.row.time ?? (props.dated ? '' : 'that day')]
    .filter(Boolean)
    .join(', '),
)
</script>

<template>
  <li class="line" :class="{ current }">
    <v-icon :icon="icon.path" size="17" :aria-label="icon.text" :title="icon.text" />
    <router-link class="plain body" :to="to" :data-coming="row.id" draggable="false">
      <b>{{ nameOf(row) }}</b>
      <span v-if="row.conversation && row.kind !== 'owed'" class="slate who">{{ row.conversation.who }}</span>
      <span class="slate note">{{ noteOf(row) }}</span>
    </router-link>
    <span class="acts">
      <LinkButton v-if="canMove(row)" v-keyed="'3'" tabindex="-1" @click="$emit('move')"> Move </LinkButton>
      <LinkButton v-keyed="'Backspace'" tabindex="-1" @click="$emit('now')">
        {{ NOW[row.kind] }}
      </LinkButton>
    </span>
    <IndexTab :near="nearness(row.date)">{{ tab }}</IndexTab>
  </li>
</template>

<style scoped src="@/ui/away-line.css"></style>
<style scoped>
.line {
  gap: 12px;
  min-height: 36px;
  padding-left: 12px;
}

.v-icon {
  color: var(--v-slate);
}

.body {
  line-height: 34px;
}

.body:focus-visible {
  outline-offset: -3px;
}

@media (max-width: 760px) {
  .line {
    gap: 0 10px;
    padding: 6px 0 6px 10px;
  }

  .body {
    line-height: 1.4;
  }

  .body b {
    min-width: 0;
  }

  .acts {
    padding-left: 29px;
  }
}
</style>
