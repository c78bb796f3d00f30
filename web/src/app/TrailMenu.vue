<script setup lang="ts">
import { mdiUndoVariant } from '@mdi/js'
import { onClickOutside } from '@vueuse/core'
import { ref } from 'vue'
import type { Entry } from '@/shared/api/client'
import { useCover } from '@/shared/keys/registry'
import { nearMoment } from '@/shared/time/format'
import KeyCap from '@/ui/KeyCap.vue'
import { trail } from '@/shared/trail'
import { useUndoing } from '@/shared/undoing'
import UndoSlip from './UndoSlip.vue'
import { deed, object } from '@/shared/words'
import { attempt } from '@/shared/notice'
import { giveOrderOf } from '@/features/orders'
import { makeStampOf } from '@/features/stamps'
import { LinkButton, PlainButton } from '@/ui/kit'

/** The last few things that were done in this window, each with the way back; the journal has the rest. */
const { undoIt } = useUndoing()
const open = ref(false)
useCover(open, () => (open.value = false))
const root = ref<HTMLElement>()
onClickOutside(root, () => (open.value = false))

function stampOf(entry: Entry): void {
  open.value = false
  void attempt(() => makeStampOf(entry))
}

function orderOf(entry: Entry): void {
  open.value = false
  void attempt(() => giveOrderOf(entry))
}

function undo(entry: Entry): void {
  open.value = false
  void undoIt(entry)
}
</script>

<template>
  <div v-if="trail.length" ref="root" class="trail">
    <PlainButton
      class="tool"
      title="What you did last (Ctrl+Z undoes it)"
      aria-label="Undo"
      :aria-expanded="open"
      @click="open = !open"
    >
      <v-icon :icon="mdiUndoVariant" size="18" /> <span>Undo</span>
    </PlainButton>
    <div v-if="open" class="sheet steps" role="group" aria-label="What you did last">
      <p v-for="entry in trail" :key="entry.id">
        <span class="what">{{ deed(entry) }}: {{ object(entry) }}</span>
        <span class="slate">{{ nearMoment(entry.at) }}</span>
        <LinkButton
          v-if="!entry.undoes"
          title="With what you did to the same mail shortly before"
          @click="stampOf(entry)"
          >Make a stamp of it</LinkButton
        >
        <LinkButton v-if="!entry.undoes" @click="orderOf(entry)">Always do this</LinkButton>
        <UndoSlip :entry="entry" @undo="undo(entry)" />
      </p>
      <p class="slate">
        <span><KeyCap name="Ctrl+z" /> undoes the first of these.</span>
        <router-link class="link" to="/journal" @click="open = false">All of it: the journal</router-link>
      </p>
    </div>
  </div>
</template>

<style scoped src="./tool.css"></style>
<style scoped>
.trail {
  position: relative;
}

.steps {
  position: absolute;
  z-index: 20;
  top: calc(100% + 6px);
  right: 0;
  display: grid;
  gap: 7px;
  width: max-content;
  max-width: min(720px, 94vw);
  padding: 12px 18px 14px;
  font-size: var(--type-note);
  border: 1px solid var(--v-edge);
}

@media (max-width: 760px) {
  .tool span {
    display: none;
  }

  .steps {
    position: fixed;
    top: 52px;
    right: 3vw;
  }
}

p {
  display: flex;
  gap: 12px;
  align-items: baseline;
  margin: 0;
}

.what {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}
</style>
