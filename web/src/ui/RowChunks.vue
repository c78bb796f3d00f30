<script setup lang="ts" generic="T extends { id: string }">
import { computed, onBeforeUnmount, ref, watch } from 'vue'

/**
 * Rows on a sheet, of which only those near the window are really there when there are very many. The
 * chunk with the current row is always there, so that the row can take the focus.
 */
const props = defineProps<{
  rows: T[]
  current?: string | undefined
  label?: string
  tree?: boolean
  /** How many rows there are with those of other sheets in the same view */
  among?: number
  /** How many of them stand above this sheet */
  above?: number
}>()

/** So many are all there: the browser finds words in them, and they are read aloud. */
const FEW = 200

/** So many rows are shown, or not, together. */
const SIZE = 30
/** So many are there at once; the rest as soon as the window is found to come near. */
const FIRST = 40
/** About as high as a row is, in pixels, as long as it has never been seen. */
const ROW = 44

const chunks = computed(() =>
  Array.from({ length: Math.ceil(props.rows.length / SIZE) }, (_, index) => ({
    index,
    rows: props.rows.slice(index * SIZE, (index + 1) * SIZE),
  })),
)
const near = ref(new Set([0, 1].filter((index) => (props.above ?? 0) + index * SIZE < FIRST)))
const heights = new Map<number, number>()
const currentChunk = computed(() => {
  const at = props.rows.findIndex(({ id }) => id === props.current)
  return at < 0 ? -1 : Math.floor(at / SIZE)
})
const isMany = computed(() => Math.max(props.rows.length, props.among ?? 0) > FEW)
const isShown = (index: number) => !isMany.value || near.value.has(index) || index === currentChunk.value
const height = (index: number, count: number) => heights.get(index) ?? count * ROW

const observer = new IntersectionObserver(
  (entries) => {
    const next = new Set(near.value)
    for (const { target, isIntersecting } of entries) {
      const index = Number((target as HTMLElement).dataset.chunk)
      if (isIntersecting) next.add(index)
      else {
        heights.set(index, (target as HTMLElement).offsetHeight)
        next.delete(index)
      }
    }
    near.value = next
  },
  { rootMargin: '900px 0px' },
)
onBeforeUnmount(() => observer.disconnect())
watch(
  () => props.rows.length,
  () => heights.clear(),
)
const seen = new Map<number, Element>()
function observe(element: unknown, index: number): void {
  const before = seen.get(index)
  if (before === element) return
  if (before) observer.unobserve(before)
  if (element instanceof Element) {
    seen.set(index, element)
    observer.observe(element)
  } else seen.delete(index)
}
</script>

<template>
  <div class="rows" :role="tree ? 'tree' : label ? 'group' : undefined" :aria-label="label">
    <component
      :is="isShown(index) ? 'ul' : 'div'"
      v-for="{ index, rows: some } in chunks"
      :key="index"
      :ref="(element: unknown) => observe(element, index)"
      :data-chunk="index"
      :role="tree && isShown(index) ? 'group' : undefined"
      :style="isShown(index) ? undefined : { height: `${height(index, some.length)}px` }"
    >
      <template v-if="isShown(index)">
        <slot v-for="row in some" :key="row.id" :row="row" />
      </template>
    </component>
  </div>
</template>

<style scoped>
.rows :deep(li + li),
ul + ul {
  border-top: 1px solid rgb(from var(--v-edge) r g b / 50%);
}
</style>
