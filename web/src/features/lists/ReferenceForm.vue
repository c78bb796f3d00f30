<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { handIn } from '@/shared/api/files'
import { Problem } from '@/shared/api/problem'
import { useLookUp } from '@/shared/steps/lookUp'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import KeptNote from '@/ui/KeptNote.vue'
import { FileInput, LinkButton } from '@/ui/kit'

/** A thing to look up is put into a list: an address, a text, or a file that is chosen, dropped or pasted. */
const props = defineProps<{ list: string }>()

const { addReference } = useLookUp()
const fields = reactive({ text: '' })
const { keptAt, accept, anew } = useTyped(`look-up:${props.list}`, fields)
const over = ref(false)
const taking = ref(0)
const refused = ref('')
const picker = ref<InstanceType<typeof FileInput>>()
/** One word that begins like an address, and nothing else. */
const isPage = computed(() => /^(https?:\/\/|www\.)\S+$/i.test(fields.text.trim()))

const { wrong, busy, keep } = useKeeping(
  'text',
  () => {
    const text = fields.text.trim()
    return addReference(props.list, isPage.value ? { kind: 'page', url: text } : { kind: 'text', text })
  },
  () => {
    fields.text = ''
    accept()
  },
)

async function take(files: Iterable<File>): Promise<void> {
  over.value = false
  refused.value = ''
  for (const file of files) {
    taking.value++
    try {
      const stored = await handIn(file)
      await addReference(props.list, { kind: 'file', title: stored.name, file: stored.id })
    } catch (problem) {
      refused.value = problem instanceof Problem ? problem.message : 'The file did not arrive. Try again.'
    } finally {
      taking.value--
    }
  }
}
function pasted(event: ClipboardEvent): void {
  const files = [...(event.clipboardData?.files ?? [])]
  if (!files.length) return
  event.preventDefault()
  void take(files)
}
</script>

<template>
  <form
    class="new"
    :class="{ over }"
    novalidate
    @submit.prevent="keep"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="take($event.dataTransfer?.files ?? [])"
    @paste="pasted"
    @keydown.ctrl.enter.prevent="keep"
  >
    <KeptNote :at="keptAt" @anew="anew" />
    <v-textarea
      v-model="fields.text"
      class="words"
      label="To look up: an address, or words of your own"
      rows="1"
      auto-grow
      maxlength="50000"
      hide-details="auto"
      :error-messages="wrong.text ?? wrong.url ?? wrong.title"
      @keydown.esc.stop="($event.target as HTMLElement).blur()"
    />
    <p class="slate">
      <v-btn type="submit" color="primary" size="small" :disabled="!fields.text.trim()" :loading="busy">{{
        isPage ? 'Keep the page' : 'Keep it'
      }}</v-btn>
      <span
        ><LinkButton @click="picker?.el?.click()">Choose a file</LinkButton>, or drop or paste one here</span
      >
      <span v-if="taking" role="status">Taking {{ taking }} in …</span>
    </p>
    <p v-if="refused" class="wrong" role="alert">{{ refused }}</p>
    <FileInput
      ref="picker"
      class="sr-only"
      multiple
      tabindex="-1"
      aria-label="Files to look up"
      @change="take(($event.target as HTMLInputElement).files ?? [])"
    />
  </form>
</template>

<style scoped>
.new {
  padding: 10px 12px;
  margin-bottom: 12px;
  border: 1px dashed var(--v-edge);
  border-radius: 9px;
}

.over {
  background: var(--v-sea-soft);
  border-color: rgb(var(--v-theme-primary));
}

p {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  margin: 8px 0 0;
  font-size: var(--type-note);
}

.wrong {
  color: rgb(var(--v-theme-error));
}
</style>
