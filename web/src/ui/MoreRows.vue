<script setup lang="ts">
import { useIntersectionObserver } from '@vueuse/core'
import { ref, watch } from 'vue'
import type { Parts } from '@/shared/api/parts'
import { tell } from '@/shared/notice'
import { counted } from '@/shared/words'

/** At the end of what is there of a long list: the next part is asked for before one gets there. */
const props = defineProps<{ parts: Parts; left: number; one: string }>()

const root = ref<HTMLElement>()
const isAsking = ref(false)
const isNear = ref(false)

async function ask(): Promise<void> {
  if (isAsking.value) return
  isAsking.value = true
  try {
    await props.parts.more()
  } catch (problem) {
    tell(problem)
  }
  isAsking.value = false
}
useIntersectionObserver(root, ([entry]) => (isNear.value = entry?.isIntersecting ?? false), {
  rootMargin: '1200px 0px',
})
watch([isNear, () => props.left], () => isNear.value && void ask())
</script>

<template>
  <p v-if="parts.hasMore.value" ref="root" class="more">
    <button type="button" class="link" :disabled="isAsking" @click="ask">
      {{ isAsking ? 'One moment …' : counted(left, `more ${one}`) }}
    </button>
  </p>
</template>

<style scoped>
.more {
  margin: 12px 0;
  text-align: center;
}
</style>
