<script setup lang="ts">
import { computed } from 'vue'

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

/** Lines that quote somebody else are set apart from what was written now. */
const blocks = computed(() => {
  const found: { quoted: boolean; lines: Piece[][] }[] = []
  for (const line of props.text.split('\n')) {
    const quoted = line.startsWith('>')
    if (found.at(-1)?.quoted !== quoted) found.push({ quoted, lines: [] })
    found.at(-1)?.lines.push(linked(line))
  }
  return found
})
</script>

<template>
  <div class="text">
    <div v-for="(block, i) in blocks" :key="i" :class="{ quoted: block.quoted }">
      <div v-for="(line, j) in block.lines" :key="j" class="row">
        <template v-for="(piece, k) in line" :key="k"
          ><a v-if="piece.href" :href="piece.href" target="_blank" rel="noopener noreferrer">{{
            piece.text
          }}</a
          ><template v-else>{{ piece.text }}</template></template
        >
      </div>
    </div>
  </div>
</template>

<style scoped>
.text {
  max-width: var(--measure);
  font-size: 15.5px;
  line-height: 1.6;
  overflow-wrap: anywhere;
}

.row {
  white-space: pre-wrap;
  min-height: 0.8em;
}

.quoted {
  color: var(--v-slate);
  border-left: 2px solid var(--v-edge);
  padding-left: 12px;
  margin: 6px 0;
}

a {
  color: rgb(var(--v-theme-primary));
}
</style>
