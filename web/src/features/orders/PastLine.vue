<script setup lang="ts">
import { ref } from 'vue'
import { attempt } from '@/shared/notice'
import { present } from '@/shared/time/clock'
import { age, dateOf } from '@/shared/time/format'
import { counted, subjectOf } from '@/shared/words'
import { useUndo } from '@/shared/steps/undo'
import ModalDialog from '@/ui/ModalDialog.vue'
import { LinkButton } from '@/ui/kit'
import { usePast } from './queries'
import { useUndoDay } from './steps'

/** What standing orders took past the tray since the last clearing, in a quiet line that unfolds. */
defineProps<{ /** Something stands behind it */ dot?: boolean }>()
const { data } = usePast()
const { undo } = useUndo()
const undoDay = useUndoDay()
const open = ref(false)
const said = ref('')

const all = () =>
  attempt(async () => {
    const { undone, left } = await undoDay(dateOf(present()))
    said.value = `${counted(undone, 'step')} taken back${left.length ? `; ${left.length} could not be: ${left[0] ?? ''}` : ''}.`
  })
</script>

<template>
  <span v-if="data?.count" class="past">
    {{ data.count }} went past the tray: <LinkButton @click="open = true">look</LinkButton
    >{{ dot ? ' · ' : '' }}
    <ModalDialog :open="open" max-width="760" name="What went past the tray" @close="open = false">
      <div class="sheet asking">
        <h2>What went past the tray</h2>
        <ul>
          <li v-for="one in data.rows" :key="one.entry">
            <span class="who">{{ one.row.who }}</span>
            <router-link :to="{ name: 'conversation', params: { id: one.row.id } }" @click="open = false">{{
              subjectOf(one.row)
            }}</router-link>
            <span class="slate">{{ one.order || 'an order that is deleted' }}</span>
            <span class="slate">{{ age(one.at) }}</span>
            <LinkButton
              :aria-label="`Undo: ${subjectOf(one.row)}`"
              @click="attempt(() => undo({ id: one.entry }))"
              >Undo</LinkButton
            >
          </li>
        </ul>
        <p v-if="said" role="status">{{ said }}</p>
        <div class="actions">
          <v-btn v-first variant="outlined" @click="open = false">Close</v-btn>
          <v-btn variant="text" @click="all">Take back all of today</v-btn>
        </div>
      </div>
    </ModalDialog>
  </span>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
.past {
  font-size: var(--type-note);
  color: var(--v-slate);
}

ul {
  max-height: 56vh;
  margin-bottom: 14px;
  overflow-y: auto;
}

li {
  display: grid;
  grid-template-columns: 140px minmax(0, 1fr) 150px 44px auto;
  gap: 10px;
  padding: 4px 0;
}

li > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

@media (max-width: 760px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
}
</style>
