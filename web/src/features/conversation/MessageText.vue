<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Message } from '@/shared/api/client'
import { marksOf } from './marks'
import TextLines from './TextLines.vue'
import { PlainButton } from '@/ui/kit'

/** What was written now; quoted messages and the signature are folded away until they are asked for. */
const props = defineProps<{ text: string; parts?: Message['parts']; found?: Message['found'] }>()

const marks = computed(() => marksOf(props.found))

interface Stretch {
  kind: 'written' | 'quoted' | 'signature'
  text: string
  /** Its first character within the whole text */
  from: number
  /** What it answers, when it was written between quotes */
  answers: string
}

const stretches = computed<Stretch[]>(() => {
  if (!props.parts) return [{ kind: 'written', text: props.text, from: 0, answers: '' }]
  const characters = Array.from(props.text)
  return props.parts
    .map(({ kind, from, to, answers }) => {
      const whole = characters.slice(from, to).join('')
      const leading = /^\n*/.exec(whole)?.[0].length ?? 0
      return { kind, text: whole.slice(leading).trimEnd(), from: from + leading, answers }
    })
    .filter(({ text }) => text !== '')
})

/** A message that is nothing but a quote is shown as it is. */
const nothingWritten = computed(() => !stretches.value.some(({ kind }) => kind === 'written'))
const unfolded = ref(new Set<number>())
watch(
  () => props.text,
  () => (unfolded.value = new Set()),
)

const isOpen = (stretch: Stretch, index: number) =>
  stretch.kind === 'written' || nothingWritten.value || unfolded.value.has(index)

/** Nothing would be unfolded but what stands above the answer already. */
const isAllShown = (stretch: Stretch, index: number) =>
  stretch.text
    .split('\n')
    .map((line) => line.replace(/^\s*(?:>\s?)+/, '').trim())
    .filter(Boolean)
    .join(' ') === stretches.value[index + 1]?.answers

function turn(index: number): void {
  const next = new Set(unfolded.value)
  if (!next.delete(index)) next.add(index)
  unfolded.value = next
}

function name({ kind, text }: Stretch): string {
  const lines = text.split('\n').length
  return kind === 'signature' ? 'Signature' : `Earlier message, ${lines} ${lines === 1 ? 'line' : 'lines'}`
}
</script>

<template>
  <div class="text">
    <div v-for="(stretch, index) in stretches" :key="index" :class="stretch.kind">
      <PlainButton
        v-if="stretch.kind !== 'written' && !nothingWritten && !isAllShown(stretch, index)"
        class="fold"
        :aria-expanded="isOpen(stretch, index)"
        @click="turn(index)"
      >
        {{ isOpen(stretch, index) ? '▾' : '▸' }} {{ name(stretch)
        }}{{ isOpen(stretch, index) ? '' : ' folded away' }}
      </PlainButton>
      <blockquote v-if="stretch.answers && !isOpen(stretches[index - 1]!, index - 1)" class="answered">
        {{ stretch.answers }}
      </blockquote>
      <TextLines v-if="isOpen(stretch, index)" :text="stretch.text" :from="stretch.from" :marks="marks" />
    </div>
  </div>
</template>

<style scoped>
.text {
  max-width: var(--measure);
  font-size: var(--type-text);
  line-height: 1.6;
  overflow-wrap: anywhere;
}

.fold {
  padding: 2px 0;
  margin: 4px 0;
  font-size: var(--type-note);
  color: var(--v-slate);
}

.fold:hover {
  color: rgb(var(--v-theme-primary));
}

.answered {
  margin: 12px 0 4px;
  font-size: var(--type-text);
  color: var(--v-slate);
  border-left: 2px solid var(--v-edge);
  padding-left: 12px;
}

.quoted > :not(.fold) {
  color: var(--v-slate);
  border-left: 2px solid var(--v-edge);
  padding-left: 12px;
}

.signature > :not(.fold) {
  color: var(--v-slate);
  font-size: var(--type-text);
}
</style>
