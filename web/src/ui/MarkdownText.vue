<script setup lang="ts">
import MarkdownIt from 'markdown-it'
import { computed } from 'vue'
import { useRouter } from 'vue-router'

/** Notes as they were meant. Nothing of them is taken as HTML, and links lead only to where links may. */
const props = defineProps<{ text: string }>()

const router = useRouter()
const markdown = new MarkdownIt({ html: false, linkify: true, breaks: true })
const isAllowed = markdown.validateLink.bind(markdown)
markdown.validateLink = (url) => /^(https?|mailto|mid):|^\/(?!\/)/i.test(url.trim()) && isAllowed(url)
// A picture from elsewhere would tell its sender that the notes were read.
markdown.renderer.rules.image = (tokens, index) => markdown.utils.escapeHtml(tokens[index]?.content ?? '')
markdown.renderer.rules.link_open = (tokens, index, options, _env, renderer) => {
  const token = tokens[index]
  const href = String(token?.attrGet('href') ?? '')
  if (/^mid:/i.test(href)) token?.attrSet('href', `/m/${encodeURIComponent(href)}`)
  else if (!href.startsWith('/')) {
    token?.attrSet('target', '_blank')
    token?.attrSet('rel', 'noopener noreferrer')
  }
  return renderer.renderToken(tokens, index, options)
}
const html = computed(() => markdown.render(props.text))

/** Addresses within the program are opened without loading the page anew. */
function follow(event: MouseEvent): void {
  const link = (event.target as HTMLElement).closest('a')
  const path = link?.getAttribute('href')
  if (!path?.startsWith('/') || event.ctrlKey || event.metaKey) return
  event.preventDefault()
  void router.push(path)
}
</script>

<template>
  <!-- eslint-disable-next-line vue/no-v-html -- made by the parser from text, with HTML turned off -->
  <div class="markdown" @click="follow" v-html="html" />
</template>

<style scoped>
.markdown {
  overflow-wrap: anywhere;
}

.markdown :deep(p),
.markdown :deep(ul),
.markdown :deep(ol),
.markdown :deep(pre),
.markdown :deep(blockquote) {
  margin: 0 0 8px;
}

.markdown :deep(ul),
.markdown :deep(ol) {
  padding-left: 22px;
  list-style: revert;
}

.markdown :deep(h1),
.markdown :deep(h2),
.markdown :deep(h3) {
  margin: 10px 0 4px;
  font-size: var(--type-lead);
  letter-spacing: 0;
}

.markdown :deep(blockquote) {
  padding-left: 12px;
  border-left: 3px solid var(--v-edge);
  color: var(--v-slate);
}

.markdown :deep(code) {
  font-size: var(--type-note);
  background: var(--v-rim);
  border-radius: 4px;
  padding: 1px 4px;
}

.markdown :deep(pre) {
  overflow-x: auto;
  padding: 8px 10px;
  background: var(--v-rim);
  border-radius: 6px;
}

.markdown :deep(a) {
  color: rgb(var(--v-theme-primary));
}
</style>
