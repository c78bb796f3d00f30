<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { csrfHeader, type Entry } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { editCard } from './contactDialog'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { tell } from '@/shared/notice'
import { remember } from '@/shared/trail'
import { counted } from '@/shared/words'
import { age } from '@/shared/time/format'
import { useContacts, useKnownPeople } from './queries'
import { FileInput, LinkButton, PlainButton } from '@/ui/kit'

/** Whom the person knows: from their mail, and from the cards that they keep. */
const queries = useQueryClient()
const typed = ref('')
const words = refDebounced(typed, 150)
const { data, error, refetch } = useKnownPeople(words)
const { data: contacts } = useContacts()
const picker = ref<{ el?: HTMLInputElement }>()
const said = ref('')

const rows = computed(() => {
  const known = new Set((data.value ?? []).map(({ email }) => email))
  const wanted = words.value.trim().toLowerCase()
  const cards = (contacts.value ?? []).filter(
    ({ name, email }) => !known.has(email.toLowerCase()) && `${name} ${email}`.toLowerCase().includes(wanted),
  )
  const carded = new Map((contacts.value ?? []).map((one) => [one.email.toLowerCase(), one]))
  return [
    ...(data.value ?? []).map((one) => ({ ...one, card: carded.get(one.email) })),
    ...cards.map((card) => ({ name: card.name, email: card.email, received: 0, sent: 0, lastAt: '', card })),
  ]
})

async function takeIn(file: File | undefined): Promise<void> {
  if (!file) return
  const body = new FormData()
  body.append('file', file)
  try {
    const response = await fetch('/api/contacts/imports', { method: 'POST', body, headers: csrfHeader })
    const found = (await response.json()) as { taken: number; refused: unknown[]; entry: Entry | null }
    if (!response.ok) throw Problem.of(response.status, found)
    if (found.entry) remember(found.entry)
    const left = found.refused.length ? `, ${counted(found.refused.length, 'card')} could not be read` : ''
    said.value = `${counted(found.taken, 'card')} taken in${left}.`
    await queries.invalidateQueries({ queryKey: ['contacts'] })
  } catch (problem) {
    tell(problem)
  }
}
</script>

<template>
  <div class="view">
    <div class="view-head">
      <h1>People</h1>
      <span class="slate" role="status">{{ said }}</span>
      <LinkButton @click="editCard()">New card</LinkButton>
      <LinkButton @click="picker?.el?.click()">Take in a vCard file</LinkButton>
      <a v-if="contacts?.length" class="link" href="/api/contacts.vcf" download>Save all cards</a>
      <FileInput
        ref="picker"
        class="sr-only"
        accept=".vcf,text/vcard"
        tabindex="-1"
        aria-label="A vCard file"
        @change="takeIn(($event.target as HTMLInputElement).files?.[0])"
      />
    </div>
    <v-text-field v-model="typed" label="Part of a name or an address" hide-details class="field" />
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <EmptyState v-else-if="!rows.length" title="Nobody of that name">
      Whoever writes to you, or gets mail from you, is here by themselves.
    </EmptyState>
    <ul v-else class="sheet people">
      <li v-for="row in rows" :key="row.email || row.name" class="line">
        <router-link
          v-if="row.email"
          class="plain body"
          :to="{ name: 'person', params: { email: row.email } }"
        >
          <b>{{ row.card?.name || row.name || row.email }}</b>
          <span class="slate">{{
            [row.card?.firm, row.name || row.card?.name ? row.email : ''].filter(Boolean).join(' · ')
          }}</span>
        </router-link>
        <PlainButton v-else class="plain body open" @click="editCard(row.card)">
          <b>{{ row.name }}</b>
        </PlainButton>
        <span v-if="row.lastAt" class="slate count"
          >{{ row.received }} from, {{ row.sent }} to · {{ age(row.lastAt) }}</span
        >
      </li>
    </ul>
  </div>
</template>

<style scoped src="@/ui/away-line.css"></style>
<style scoped>
.field {
  max-width: 460px;
  margin-bottom: 14px;
}

.people {
  padding: 6px 0;
}

.line {
  padding-right: 18px;
}

.count {
  font-size: var(--type-note);
}
</style>
