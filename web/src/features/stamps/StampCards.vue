<script setup lang="ts">
import { computed } from 'vue'
import type { ConversationRow, Stamp } from '@/shared/api/client'
import { useKeys } from '@/shared/keys/registry'
import KeyCap from '@/ui/KeyCap.vue'
import { PlainButton } from '@/ui/kit'
import { useStamps } from './queries'
import { stamping, stepsText } from './using'

/** The second row of cards: the person's own stamps, each with its key, and what else can be done besides. */
const props = defineProps<{ rows: ConversationRow[]; clearing?: string | undefined; bar?: boolean }>()
const emit = defineEmits<{ decided: []; folded: [] }>()

const { data } = useStamps()
const stamps = computed(() => data.value ?? [])

function apply(stamp: Stamp | undefined): void {
  if (!stamp || !props.rows.length) return
  stamping.value = {
    stamp,
    rows: props.rows,
    clearing: props.clearing,
    decided: () => emit('decided'),
    closed: () => emit('folded'),
  }
}
const withKey = (key: number) => stamps.value.find((one) => one.key === key)

useKeys(
  'Stamps',
  [1, 2, 3, 4, 5, 6, 7, 8, 9].map((key) => ({
    key: `Shift+${key}`,
    get label() {
      return withKey(key)?.name ?? ''
    },
    when: () => props.rows.length > 0 && withKey(key) !== undefined,
    run: () => apply(withKey(key)),
  })),
)
</script>

<template>
  <div
    v-if="stamps.length || $slots.default"
    class="stamps"
    :class="{ bar }"
    role="group"
    aria-label="Stamps"
  >
    <PlainButton
      v-for="stamp in stamps"
      :key="stamp.id"
      class="stamp"
      :disabled="!rows.length"
      :title="`${stamp.name}: ${stepsText(stamp)}`"
      @click="apply(stamp)"
    >
      <KeyCap v-if="stamp.key" :name="`Shift+${stamp.key}`" />
      <span class="name">{{ stamp.name }}</span>
    </PlainButton>
    <slot />
  </div>
</template>

<style scoped>
.stamps {
  display: flex;
  flex-wrap: wrap;
  gap: 7px;
  margin: 0 0 10px;
}

/* above the rail: what is selected stays where it is */
.bar {
  position: fixed;
  z-index: 40;
  right: max(20px, calc((100vw - 1192px) / 2));
  bottom: calc(var(--rail) + var(--dock, 0px) + 8px);
  max-width: calc(100vw - 40px);
  margin: 0;
  padding: 7px;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--v-edge);
  border-radius: 9px;
  box-shadow: var(--shadow);
}

/* a stamp leaves its print: an outline, a little askew */
.stamp {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  max-width: 100%;
  padding: 3px 9px 3px 4px;
  font-size: var(--type-note);
  font-weight: 600;
  color: rgb(var(--v-theme-primary));
  border: 1.5px solid currentcolor;
  border-radius: 4px;
  transform: rotate(-0.7deg);
}

.stamp:nth-child(even) {
  transform: rotate(0.6deg);
}

.stamp:hover {
  background: var(--v-sea-soft);
}

.stamp:disabled {
  opacity: 0.5;
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
