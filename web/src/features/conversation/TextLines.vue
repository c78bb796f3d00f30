<script setup lang="ts">
import { computed } from 'vue'
import { pieces, type Mark } from './marks'

/** Plain text, line by line, with its addresses as links and what was found in it marked. */
const props = defineProps<{
  text: string
  marks?: Mark[]
  /** Where the text begins, in the characters by which the marks are counted */
  from?: number
}>()

const lines = computed(() => pieces(props.text, props.from ?? 0, props.marks ?? []))
const kinds = (marks: Mark[]) => marks.map(({ kind }) => kind)
const title = (marks: Mark[]) => marks.findLast((mark) => mark.title)?.title
</script>

<template>
  <div>
    <div
      v-for="(line, i) in lines"
      :key="i"
      class="row"
      :class="{ listed: line.some(({ marks: of }) => of.some(({ kind }) => kind === 'item')) }"
    >
      <template v-for="(piece, j) in line" :key="j"
        ><a v-if="piece.href" :href="piece.href" target="_blank" rel="noopener noreferrer">{{ piece.text }}</a
        ><mark
          v-else-if="piece.marks.some(({ kind }) => kind !== 'item')"
          :class="kinds(piece.marks)"
          :title="title(piece.marks)"
          >{{ piece.text }}</mark
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

.listed {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 14px;
  margin-left: -17px;
}

a {
  color: rgb(var(--v-theme-primary));
}

mark {
  color: inherit;
  background: none;
}

/* underlined broadly, as with a felt pen */
.request {
  background: linear-gradient(transparent 62%, var(--v-sea-soft) 62%);
}

.date {
  color: var(--v-tab-soon-ink);
  background: var(--v-tab-soon);
  border-radius: 4px;
  padding: 1px 3px;
  margin: 0 -1px;
  font-weight: 600;
}
</style>
