<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import ImportedFile from './ImportedFile.vue'
import { stop, take, uploads, work, type Upload } from './uploads'
import { ChoiceDot, FileInput } from '@/ui/kit'

const queries = useQueryClient()
const into = ref<'tray' | 'archive'>('tray')
const over = ref(false)
const picker = ref<{ el?: HTMLInputElement }>()
const isBusy = computed(() => uploads.value.some(({ state }) => ['sending', 'reading'].includes(state)))
const anyNew = computed(() => uploads.value.some((upload) => upload.new > 0))

const begin = () =>
  void work(() => queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' }))

function bring(files: Iterable<File>): void {
  over.value = false
  take(files, into.value)
  begin()
}

function goOn(upload: Upload): void {
  upload.state = 'waiting'
  begin()
}
</script>

<template>
  <div class="view import">
    <div class="view-head"><h1>Bring mail in</h1></div>
    <fieldset>
      <legend class="sr-only">Where it goes</legend>
      <label><ChoiceDot v-model="into" value="tray" /> into the tray, to be decided</label>
      <label
        ><ChoiceDot v-model="into" value="archive" /> into the archive: old mail that needs no decision any
        more</label
      >
    </fieldset>
    <div
      class="drop"
      :class="{ over }"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="bring($event.dataTransfer?.files ?? [])"
    >
      <p><strong>Drop files here</strong>, or choose them.</p>
      <p class="slate">
        Single messages (.eml) and mailboxes (mbox) are read; several files at once are fine.
      </p>
      <v-btn color="primary" @click="picker?.el?.click()">Choose files</v-btn>
      <FileInput
        ref="picker"
        multiple
        class="sr-only"
        tabindex="-1"
        aria-label="Mail files"
        @change="bring(picker?.el?.files ?? [])"
      />
    </div>
    <ul v-if="uploads.length" class="rows" aria-label="Files">
      <ImportedFile
        v-for="(upload, index) in uploads"
        :key="index"
        :upload="upload"
        @again="goOn(upload)"
        @stop="stop"
      />
    </ul>
    <p v-if="isBusy" class="slate">
      You may go on working meanwhile. Leave this window open; what has been read stays, whenever it ends.
    </p>
    <p v-if="anyNew && !isBusy" class="next"><v-btn color="primary" to="/">Go to the tray</v-btn></p>
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
  font-size: var(--type-note);
}
</style>
