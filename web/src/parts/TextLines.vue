<script setup lang="ts">
import { computed } from 'vue'

/** Plain text, line by line, with its addresses as links. */
const props = defineProps<{ text: string }>()

const ADDRESS = /\bhttps?:\/\/[^\s<>"')\]]+[^\s<>"')\].,;:!?]|\b[\w.+-]+@[\w-]+(?:\.[\w-]+)+/g

interface Piece {
  text: string
  href?: string
}

function linked(line: string): Piece[] {
  const pieces: Piece[] = []
  let at = 0
  for (const match of line.matchAll(ADDRESS)) {
    if (match.index > at) pieces.push({ text: line.slice(at, match.index) })
    const found = match[0]
    pieces.push({ text: found, href: found.startsWith('http') ? found : `mailto:${found}` })
    at = match.index + found.length
  }
  if (at < line.length) pieces.push({ text: line.slice(at) })
  return pieces
}

const lines = computed(() => props.text.split('\n').map(linked))
</script>

<template>
  <div>
    <div v-for="(line, i) in lines" :key="i" class="row">
      <template v-for="(piece, j) in line" :key="j"
        ><a v-if="piece.href" :href="piece.href" target="_blank" rel="noopener noreferrer">{{ piece.text }}</a
        ><template v-else>{{ piece.text }}</template></template
      >
    </div>
  </div>
</template>

<style scoped>
.row {
  white-space: pre-wrap;
  min-height: 0.8em;
}

a {
  color: rgb(var(--v-theme-primary));
}
</style>
