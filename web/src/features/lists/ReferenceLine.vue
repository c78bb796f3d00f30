<script setup lang="ts">
import {
  mdiDragVertical,
  mdiFileOutline,
  mdiLink,
  mdiPaperclip,
  mdiTextBoxOutline,
  mdiEmailOutline,
} from '@mdi/js'
import { computed, reactive, ref } from 'vue'
import type { Reference } from '@/shared/api/client'
import { fileAddress } from '@/shared/api/files'
import { attempt } from '@/shared/notice'
import { dateOf, day, size } from '@/shared/time/format'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import KeptNote from '@/ui/KeptNote.vue'
import MarkdownText from '@/ui/MarkdownText.vue'
import { LinkButton, PlainButton } from '@/ui/kit'
import { useListCardSteps } from './steps'

/** A thing to look up: it opens what it leads to, and its words can be changed. */
const props = defineProps<{ reference: Reference; current?: boolean; selected?: boolean }>()
defineEmits<{ select: [event: MouseEvent] }>()

const KINDS = {
  message: { icon: mdiEmailOutline, text: 'message' },
  attachment: { icon: mdiPaperclip, text: 'attachment' },
  page: { icon: mdiLink, text: 'web page' },
  file: { icon: mdiFileOutline, text: 'file' },
  text: { icon: mdiTextBoxOutline, text: 'text' },
}
const { editReference, takeOut } = useListCardSteps()
const was = () => ({
  title: props.reference.title,
  text: props.reference.text,
  url: props.reference.url,
})
const fields = reactive(was())
const { keptAt, accept, anew, isChanged } = useTyped(`reference:${props.reference.id}`, fields)
const isOpen = ref(isChanged() || keptAt.value !== '')
const facts = computed(() => {
  const { kind, file, source, url } = props.reference
  return [
    KINDS[kind].text,
    source ? `${source.who}, ${day(dateOf(source.sentAt))}` : '',
    source && !source.conversation ? 'the mail is gone, its copy is here' : '',
    file ? size(file.size) : '',
    kind === 'page' ? url.replace(/^https?:\/\//, '').split('/')[0] : '',
  ].filter(Boolean)
})
const { wrong, busy, keep } = useKeeping(
  'text',
  () => editReference(props.reference.id, { ...fields }, was()),
  () => {
    accept()
    isOpen.value = false
  },
)
function edit(): void {
  if (!keptAt.value) Object.assign(fields, was())
  isOpen.value = true
}
function cancel(): void {
  isOpen.value = false
  anew()
  Object.assign(fields, was())
}
defineExpose({ edit })
</script>

<template>
  <li class="reference" :class="{ current, selected }" draggable="true">
    <PlainButton
      class="grip"
      :aria-label="`Select ${reference.title}`"
      :aria-pressed="selected ?? false"
      tabindex="-1"
      title="Click to select, drag to move"
      @click="$emit('select', $event)"
    >
      <v-icon :icon="mdiDragVertical" size="18" />
    </PlainButton>
    <v-icon class="slate" :icon="KINDS[reference.kind].icon" size="18" />
    <div class="what">
      <a
        v-if="reference.kind === 'page'"
        class="plain name"
        :href="reference.url"
        target="_blank"
        rel="noopener noreferrer"
        :data-reference="reference.id"
        draggable="false"
        >{{ reference.title }}</a
      >
      <a
        v-else-if="reference.file"
        class="plain name"
        :href="fileAddress(reference.file.id)"
        :download="reference.file.name"
        :data-reference="reference.id"
        draggable="false"
        >{{ reference.title }}</a
      >
      <router-link
        v-else-if="reference.source"
        class="plain name"
        :to="{ name: 'source', params: { id: reference.source.id } }"
        :data-reference="reference.id"
        draggable="false"
        >{{ reference.title }}</router-link
      >
      <a
        v-else
        class="plain name"
        tabindex="0"
        role="button"
        :data-reference="reference.id"
        @click="edit"
        @keydown.enter="edit"
        >{{ reference.title }}</a
      >
      <span class="slate facts">{{ facts.join(' · ') }}</span>
      <div v-if="reference.text && !isOpen" class="text"><MarkdownText :text="reference.text" /></div>
      <form v-if="isOpen" novalidate @submit.prevent="keep" @keydown.ctrl.enter.prevent="keep">
        <KeptNote :at="keptAt" @anew="anew" />
        <v-text-field
          v-model="fields.title"
          v-first
          label="Title"
          maxlength="300"
          hide-details="auto"
          :error-messages="wrong.title"
        />
        <v-text-field
          v-if="reference.kind === 'page'"
          v-model="fields.url"
          label="Address"
          hide-details="auto"
          :error-messages="wrong.url"
        />
        <v-textarea
          v-model="fields.text"
          label="Words"
          rows="2"
          auto-grow
          maxlength="50000"
          hide-details="auto"
          :error-messages="wrong.text"
          @keydown.esc.stop="isOpen = false"
        />
        <p>
          <v-btn type="submit" color="primary" size="small" :loading="busy">Save</v-btn>
          <v-btn variant="text" size="small" @click="cancel">Cancel</v-btn>
        </p>
      </form>
    </div>
    <span class="do">
      <router-link
        v-if="reference.source?.conversation"
        class="link"
        :to="{ name: 'conversation', params: { id: reference.source.conversation } }"
        >Conversation</router-link
      >
      <LinkButton v-if="!isOpen" :aria-label="`Change ${reference.title}`" @click="edit">Change</LinkButton>
      <LinkButton :aria-label="`Take out ${reference.title}`" @click="attempt(() => takeOut([reference.id]))"
        >Take out</LinkButton
      >
    </span>
  </li>
</template>

<style scoped>
.reference {
  display: flex;
  gap: 10px;
  align-items: flex-start;
  padding: 9px 12px 9px 6px;
}

.reference.selected {
  background: var(--v-sea-soft);
}

.reference.current {
  box-shadow: inset 3px 0 rgb(var(--v-theme-primary));
}

.grip {
  cursor: grab;
  opacity: 0.5;
}

.what {
  flex: 1;
  display: grid;
  gap: 2px;
  min-width: 0;
}

.name {
  justify-self: start;
  font-weight: 550;
  overflow-wrap: anywhere;
  cursor: pointer;
}

.facts {
  font-size: var(--type-note);
}

.text {
  max-width: 75ch;
  max-height: 16em;
  margin-top: 2px;
  overflow: auto;
  font-size: var(--type-note);
}

form {
  display: grid;
  gap: 8px;
  max-width: 75ch;
  margin-top: 8px;
}

form p {
  display: flex;
  gap: 8px;
  margin: 0;
}

.do {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  justify-content: flex-end;
  font-size: var(--type-note);
}
</style>
