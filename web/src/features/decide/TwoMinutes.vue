<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { GIVEN as MINUTES, beginAtOnce, leaveAtOnce, useUsual } from '@/features/clock'
import KeyCap from '@/ui/KeyCap.vue'
import ShareRail from '@/ui/ShareRail.vue'

/** Two minutes to do it in. When they are over, a task can be made of it instead. */
const props = defineProps<{ what?: string | undefined; conversation?: string | undefined }>()
defineEmits<{ done: []; task: []; answer: [] }>()

const left = ref(MINUTES * 60)
const began = Date.now()
const { pause } = useIntervalFn(() => {
  left.value = Math.max(0, MINUTES * 60 - Math.floor((Date.now() - began) / 1000))
  if (left.value === 0) pause()
}, 250)
const shown = computed(() => `${Math.floor(left.value / 60)}:${String(left.value % 60).padStart(2, '0')}`)
const { data: usual } = useUsual(() => props.what ?? '')
const done = ref<{ $el: HTMLElement }>()
onMounted(() => {
  done.value?.$el.focus({ preventScroll: true })
  if (props.conversation) beginAtOnce(props.conversation, props.what ?? '')
})
onBeforeUnmount(() => {
  if (props.conversation) leaveAtOnce(props.conversation)
})
</script>

<template>
  <div class="clock">
    <p v-if="props.what" class="what">{{ props.what }}</p>
    <div class="time" :class="{ over: left === 0 }" role="timer" :aria-label="`${shown} left`">
      <span class="left">{{ shown }}</span>
      <ShareRail :share="left / (MINUTES * 60)" />
    </div>
    <p v-if="usual" class="slate">Such things take you {{ usual }}.</p>
    <p v-if="left === 0" class="slate" role="status">
      The two minutes are over. It may be more than a thing to do in between.
    </p>
    <div class="actions">
      <v-btn
        :variant="left === 0 ? 'flat' : 'text'"
        :color="left === 0 ? 'primary' : undefined"
        @click="$emit('task')"
      >
        A task instead <KeyCap name="2" />
      </v-btn>
      <v-btn variant="outlined" @click="$emit('answer')">Answer <KeyCap name="0" /></v-btn>
      <v-btn ref="done" :variant="left === 0 ? 'text' : 'flat'" color="primary" @click="$emit('done')">
        Done <KeyCap name="1" />
      </v-btn>
    </div>
  </div>
</template>

<style scoped>
.what {
  margin: 0 0 10px;
}

.time {
  display: flex;
  align-items: center;
  gap: 12px;
  margin-bottom: 12px;
}

.left {
  font-size: var(--type-title);
  font-weight: 650;
  font-variant-numeric: tabular-nums;
}

.over .left {
  color: rgb(var(--v-theme-warning));
}

.actions {
  display: flex;
  justify-content: flex-end;
  flex-wrap: wrap;
  gap: 4px;
}

.actions .v-btn {
  padding: 0 8px;
}
</style>
