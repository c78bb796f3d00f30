<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import type { ImportOutcome } from '@/api/client'
import { importFile } from '@/api/importing'
import { Problem } from '@/api/problem'
import ImportedFile from '@/parts/ImportedFile.vue'

export interface Upload {
  file: File
  state: 'waiting' | 'sending' | 'reading' | 'done' | 'failed'
  share: number
  outcome: ImportOutcome | null
  sentence: string
}

const queries = useQueryClient()
const into = ref<'tray' | 'archive'>('tray')
const uploads = ref<Upload[]>([])
const over = ref(false)
const busy = ref(false)
const picker = ref<HTMLInputElement>()
const anyNew = computed(() => uploads.value.some(({ outcome }) => (outcome?.new ?? 0) > 0))

async function send(upload: Upload): Promise<void> {
  upload.state = 'sending'
  upload.sentence = ''
  try {
    upload.outcome = await importFile(upload.file, into.value, (share) => {
      upload.share = share
      if (share >= 1) upload.state = 'reading'
    })
    upload.state = 'done'
  } catch (problem) {
    upload.state = 'failed'
    upload.sentence = problem instanceof Problem ? problem.message : 'This file could not be sent.'
  }
}

/** One file after the other, so that each says how far it is. */
async function work(): Promise<void> {
  if (busy.value) return
  busy.value = true
  for (let next = waiting(); next; next = waiting()) await send(next)
  busy.value = false
  await queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' })
}

const waiting = () => uploads.value.find(({ state }) => state === 'waiting')

function take(files: Iterable<File>): void {
  over.value = false
  for (const file of files) {
    uploads.value.push({ file, state: 'waiting', share: 0, outcome: null, sentence: '' })
  }
  void work()
}

function again(upload: Upload): void {
  upload.state = 'waiting'
  void work()
}
</script>

<template>
  <div class="view import">
    <div class="view-head"><h1>Bring mail in</h1></div>
    <fieldset>
      <legend class="sr-only">Where it goes</legend>
      <label><input v-model="into" type="radio" value="tray" /> into the tray, to be decided</label>
      <label
        ><input v-model="into" type="radio" value="archive" /> into the archive: old mail that needs no
        decision any more</label
      >
    </fieldset>
    <div
      class="drop"
      :class="{ over }"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="take($event.dataTransfer?.files ?? [])"
    >
      <p><strong>Drop files here</strong>, or choose them.</p>
      <p class="slate">
        Single messages (.eml) and mailboxes (mbox) are read; several files at once are fine.
      </p>
      <v-btn color="primary" @click="picker?.click()">Choose files</v-btn>
      <input
        ref="picker"
        type="file"
        multiple
        class="sr-only"
        tabindex="-1"
        aria-label="Mail files"
        @change="take(picker?.files ?? [])"
      />
    </div>
    <ul v-if="uploads.length" class="rows" aria-label="Files">
      <ImportedFile v-for="(upload, index) in uploads" :key="index" :upload="upload" @again="again(upload)" />
    </ul>
    <p v-if="anyNew && !busy" class="next"><v-btn color="primary" to="/">Go to the tray</v-btn></p>
    <p class="slate folders">
      A whole Maildir folder, or a very large mailbox, comes in on the command line:
      <code>./zippy console mail:import FOLDER</code>
    </p>
  </div>
</template>

<style scoped>
.import {
  max-width: 860px;
}

fieldset {
  border: 0;
  padding: 0;
  margin: 0 0 14px;
  display: grid;
  gap: 6px;
}

label {
  cursor: pointer;
}

input[type='radio'] {
  accent-color: rgb(var(--v-theme-primary));
  margin-right: 6px;
}

.drop {
  display: grid;
  justify-items: center;
  gap: 6px;
  padding: 44px 20px;
  margin-bottom: 16px;
  text-align: center;
  border: 2px dashed var(--v-edge);
  border-radius: 12px;
  background: rgb(var(--v-theme-surface));
}

.drop.over {
  border-color: rgb(var(--v-theme-primary));
  background: var(--v-sea-soft);
}

.drop p {
  margin: 0;
}

.drop .v-btn {
  margin-top: 12px;
}

.folders {
  margin-top: 22px;
  font-size: 14px;
}
</style>
