<script setup lang="ts">
import { mdiPaperclip } from '@mdi/js'
import { computed, ref } from 'vue'
import type { Message, Person } from '@/shared/api/client'
import { moment, size } from '@/shared/time/format'
import { proposeCard } from '@/features/people'
import { label } from '@/features/labels'
import { attempt } from '@/shared/notice'
import { useLookUp } from '@/shared/steps/lookUp'
import { subjectOf } from '@/shared/words'
import CopyAddress from './CopyAddress.vue'
import EventSlip from './EventSlip.vue'
import FormattedMail from './FormattedMail.vue'
import MessageRemarks from './MessageRemarks.vue'
import MessageText from './MessageText.vue'
import MoreText from './MoreText.vue'
import { editTemplate } from '@/features/write'
import { LinkButton } from '@/ui/kit'

/** One message: who, when, the text, and what came with it. */
const props = defineProps<{ message: Message }>()

/** What was written now, without what it quotes and without the signature. */
function keepAsTemplate(): void {
  const letters = [...props.message.text]
  const text = props.message.parts
    .filter(({ kind }) => kind === 'written')
    .map(({ from, to }) => letters.slice(from, to).join(''))
    .join('\n')
  editTemplate({ name: '', subject: props.message.subject, text: text.trim(), signed: true })
}

const { addReference } = useLookUp()
/** The message, or what is attached to it, is kept in a list, to be looked up there. */
const toLookUp = (file?: { name: string; number: number }) =>
  label({
    kind: 'look-up',
    what: file?.name ?? subjectOf(props.message),
    borne: [],
    put: async ([list]) =>
      list &&
      (await addReference(list, {
        kind: file ? 'attachment' : 'message',
        message: props.message.id,
        ...(file ? { attachment: file.number } : {}),
      })),
  })

const asFormatted = ref(!props.message.plain)

const event = computed(() => props.message.attachments.find((file) => file.event)?.event)
const people = (list: Person[]) => list.map(({ name, email }) => name || email).join(', ')
const to = computed(() => people(props.message.to))
const cc = computed(() => people(props.message.cc))
const files = computed(() =>
  props.message.attachments
    .map((file, number) => ({ ...file, number }))
    .filter(({ inline }) => !inline || !asFormatted.value),
)
const dateNote = computed(
  () =>
    ({
      header: '',
      received: 'the message has no usable date; this is when it was received',
      import: 'the message has no usable date; this is when it came in here',
    })[props.message.dateSource],
)
</script>

<template>
  <article class="message" :aria-label="`Message from ${message.from.name || message.from.email}`">
    <header>
      <p class="from">
        <router-link
          v-if="message.from.email && !message.own"
          class="plain"
          :to="{ name: 'person', params: { email: message.from.email } }"
          ><strong>{{ message.from.name || message.from.email }}</strong></router-link
        >
        <strong v-else>{{ message.from.name || message.from.email || 'unknown sender' }}</strong>
        <span v-if="message.from.name" class="slate">{{ message.from.email }}</span>
      </p>
      <p class="slate line">
        to {{ to || 'nobody named' }}<template v-if="cc">, copy to {{ cc }}</template> ·
        {{ moment(message.sentAt) }}
        <em v-if="dateNote">({{ dateNote }})</em>
      </p>
      <p class="tools">
        <LinkButton v-if="message.formatted" @click="asFormatted = !asFormatted">
          {{ asFormatted ? 'As plain text' : 'As it was formatted' }}
        </LinkButton>
        <LinkButton v-if="!message.own && message.from.email" @click="attempt(() => proposeCard(message))">
          Contact card
        </LinkButton>
        <LinkButton v-if="message.own" @click="keepAsTemplate"> Keep as a template </LinkButton>
        <LinkButton @click="toLookUp()">To look up</LinkButton>
        <a class="link" :href="`/api/messages/${message.id}/source`" download>Save as .eml</a>
        <CopyAddress :message="message" />
      </p>
      <MessageRemarks :remarks="message.remarks.filter(({ place }) => place !== 'file')" />
    </header>
    <EventSlip v-if="event" :event="event" />
    <FormattedMail v-if="asFormatted" :message="message.id" />
    <MessageText
      v-else-if="message.text"
      :text="message.text"
      :parts="message.parts"
      :found="message.found"
    />
    <p v-else class="slate">This message has no text.</p>
    <MoreText
      v-if="!asFormatted && message.next !== null"
      :key="message.id"
      :message="message.id"
      :next="message.next"
    />
    <ul v-if="files.length" class="files" aria-label="Attachments">
      <li v-for="file in files" :key="file.number">
        <a class="plain file" :href="`/api/messages/${message.id}/attachments/${file.number}`" download>
          <v-icon :icon="mdiPaperclip" size="16" /> <span>{{ file.name }}</span>
          <span class="slate">{{ size(file.size) }}</span>
        </a>
        <LinkButton class="keep" :aria-label="`To look up: ${file.name}`" @click="toLookUp(file)"
          >To look up</LinkButton
        >
      </li>
    </ul>
    <MessageRemarks :remarks="message.remarks.filter(({ place }) => place === 'file')" />
  </article>
</template>

<style scoped>
header {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  column-gap: 20px;
  margin-bottom: 16px;
}

header > * {
  grid-column: 1 / -1;
}

header p {
  margin: 0;
}

.from {
  display: flex;
  flex-wrap: wrap;
  column-gap: 8px;
  grid-column: 1;
  overflow-wrap: anywhere;
}

.line {
  font-size: var(--type-note);
}

.tools {
  grid-column: 2;
  grid-row: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
  align-items: baseline;
  align-self: start;
}

.files {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 18px 0 0;
  padding: 14px 0 0;
  border-top: 1px dashed var(--v-edge);
}

.file {
  display: inline-flex;
  gap: 7px;
  align-items: center;
  padding: 5px 12px;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
  font-size: var(--type-note);
}

.file:hover {
  border-color: rgb(var(--v-theme-primary));
}

@media (max-width: 760px) {
  .from,
  .tools {
    grid-column: 1 / -1;
    grid-row: auto;
  }

  .tools {
    margin-top: 4px !important;
  }
}
</style>
