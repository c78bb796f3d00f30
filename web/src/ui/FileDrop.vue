<script setup lang="ts">
import { mdiClose, mdiPaperclip } from '@mdi/js'
import { ref } from 'vue'
import type { StoredFile } from '@/shared/api/client'
import { fileAddress, handIn } from '@/shared/api/files'
import { Problem } from '@/shared/api/problem'
import { size } from '@/shared/time/format'

/** Pictures and files: chosen, dropped here, or pasted from the clipboard. */
defineProps<{ error?: string | undefined }>()
const files = defineModel<StoredFile[]>({ required: true })

const picker = ref<HTMLInputElement>()
const over = ref(false)
const busy = ref(0)
const wrong = ref('')

async function take(some: Iterable<File>): Promise<void> {
  wrong.value = ''
  over.value = false
  for (const file of some) {
    busy.value++
    try {
      const stored = await handIn(file)
      files.value = [...files.value, stored]
    } catch (problem) {
      wrong.value = problem instanceof Problem ? problem.message : 'The file did not arrive. Try again.'
    } finally {
      busy.value--
    }
  }
}

/** Where one is in the sheet around it does not matter. */
function pasted(event: ClipboardEvent): void {
  const some = [...(event.clipboardData?.files ?? [])]
  if (!some.length || event.defaultPrevented) return
  event.preventDefault()
  void take(some)
}

const isPicture = ({ type }: StoredFile) => /^image\/(png|jpeg|gif|webp)$/.test(type)
defineExpose({ pasted, take })
</script>

<template>
  <div
    class="drop"
    :class="{ over }"
    tabindex="-1"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="take($event.dataTransfer?.files ?? [])"
    @paste="pasted"
  >
    <ul v-if="files.length">
      <li v-for="file in files" :key="file.id">
        <img v-if="isPicture(file)" :src="fileAddress(file.id)" alt="" />
        <v-icon v-else :icon="mdiPaperclip" size="17" />
        <a class="plain" :href="fileAddress(file.id)" :download="file.name">{{ file.name }}</a>
        <span class="slate">{{ size(file.size) }}</span>
        <button
          type="button"
          :aria-label="`Remove ${file.name}`"
          @click="files = files.filter((other) => other !== file)"
        >
          <v-icon :icon="mdiClose" size="15" />
        </button>
      </li>
    </ul>
    <p class="slate">
      <button class="link" type="button" @click="picker?.click()">Attach files</button>, drop them here, or
      <input class="paste" aria-label="Paste a picture here" placeholder="paste a picture" readonly />
      <span v-if="busy" role="status">Taking {{ busy }} in …</span>
    </p>
    <p v-if="wrong || error" class="wrong" role="alert">{{ wrong || error }}</p>
    <input
      ref="picker"
      class="sr-only"
      type="file"
      multiple
      tabindex="-1"
      aria-label="Files to attach"
      @change="take(($event.target as HTMLInputElement).files ?? [])"
    />
  </div>
</template>

<style scoped>
.drop {
  position: relative;
  padding: 8px 12px;
  border: 1px dashed var(--v-edge);
  border-radius: 8px;
}

.drop.over {
  border-color: rgb(var(--v-theme-primary));
  background: var(--v-sea-soft);
}

ul {
  margin: 0 0 6px;
}

li {
  display: flex;
  gap: 9px;
  align-items: center;
  padding: 3px 0;
  font-size: var(--type-note);
}

li a {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

img {
  width: 34px;
  height: 34px;
  object-fit: cover;
  border-radius: 5px;
}

li button {
  display: grid;
  margin-left: auto;
  padding: 2px;
  color: var(--v-slate);
  background: none;
  border: 0;
  cursor: pointer;
}

p {
  margin: 0;
  font-size: var(--type-note);
}

.paste {
  width: 110px;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px dotted var(--v-slate);
}

.wrong {
  color: rgb(var(--v-theme-error));
}
</style>
