<script setup lang="ts">
import { computed } from 'vue'
import type { ClearingOrder } from '@/shared/api/client'
import { PastLine } from '@/features/orders'
import ShareRail from '@/ui/ShareRail.vue'
import { ChoiceList, LinkButton } from '@/ui/kit'

/** How far one has got, and how long it may take. */
const props = defineProps<{ left: number; decided: number; pace: number | undefined }>()
const order = defineModel<ClearingOrder>({ required: true })
defineEmits<{ end: [] }>()

const share = computed(() => props.decided / Math.max(1, props.decided + props.left))
const time = computed(() => {
  if (props.pace === undefined) return ''
  const minutes = (props.left * props.pace) / 60
  return minutes < 1 ? 'less than a minute' : `about ${Math.round(minutes)} min`
})
</script>

<template>
  <div class="head">
    <p role="status">
      <strong>{{ left }} left</strong>, {{ decided }} decided
    </p>
    <ShareRail class="rail" :share="share" />
    <p>{{ time }}</p>
    <PastLine />
    <ChoiceList v-model="order" aria-label="Order" @change="($event.target as HTMLElement).blur()">
      <option value="grouped">as grouped</option>
      <option value="important">what matters most first</option>
      <option value="oldest">oldest first</option>
      <option value="newest">newest first</option>
    </ChoiceList>
    <LinkButton @click="$emit('end')">End here</LinkButton>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: 30px;
  font-size: var(--type-note);
  color: var(--v-slate);
}

p {
  margin: 0;
  white-space: nowrap;
  font-variant-numeric: tabular-nums;
}

strong {
  color: rgb(var(--v-theme-on-background));
}

select {
  field-sizing: content;
}

@media (max-width: 760px) {
  .head {
    flex-wrap: wrap;
    gap: 4px 14px;
  }

  .rail {
    order: -1;
    flex-basis: 100%;
  }
}
</style>
