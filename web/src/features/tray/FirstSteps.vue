<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { importFile } from '@/features/import'
import { useSession } from '@/shared/api/session'
import { firstLetters } from './firstLetters'
import KeyCap from '@/ui/KeyCap.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { attempt } from '@/shared/notice'

/** Three steps from an empty tray to real use. */
const queries = useQueryClient()
const { account } = useSession()
const reading = ref(false)
const busy = ref(false)

const METHOD: { key: string; text: string }[] = [
  { key: 'Space', text: 'Start clearing. You see one conversation at a time, and decide it once.' },
  {
    key: '1',
    text: 'What takes two minutes or less is done on the spot: answer it, and it is off the desk.',
  },
  {
    key: '2',
    text: 'What takes longer becomes a task with a day of its own, and the mail goes to the archive.',
  },
  { key: '3', text: 'What cannot be done yet comes back by itself at its moment.' },
  { key: '4', text: 'What somebody else can do is handed over, and you are told when the answer is late.' },
  { key: '5', text: 'Everything else goes to the archive, where Find finds it again.' },
  { key: 'Ctrl+z', text: 'No decision is final: each is in the journal and can be undone.' },
]

async function take(): Promise<void> {
  busy.value = true
  await attempt(async () => {
    await importFile(firstLetters(account.value?.email ?? ''), 'tray')
    await queries.invalidateQueries()
  })
  busy.value = false
}
</script>

<template>
  <section class="first" aria-label="First steps">
    <h2>Three steps to an empty tray</h2>
    <ol>
      <li class="sheet">
        <b>Bring your mail in</b>
        <p>
          From your mail server, with which it is kept in step from then on, or from files that other programs
          write.
        </p>
        <v-btn color="primary" to="/settings#mailboxes">Connect your mailbox</v-btn>
        <router-link class="link" to="/import">Bring files in</router-link>
      </li>
      <li class="sheet">
        <b>See the method</b>
        <p>Seven sentences, one minute: how a full tray becomes a short list that you trust.</p>
        <v-btn variant="outlined" @click="reading = true">Look at it</v-btn>
      </li>
      <li class="sheet">
        <b>Or try it first</b>
        <p>Five made-up letters to decide, on this desk of yours. Delete them when you have seen enough.</p>
        <v-btn variant="outlined" :loading="busy" @click="take">Take five along</v-btn>
      </li>
    </ol>
    <ModalDialog :open="reading" max-width="620" name="The method" @close="reading = false">
      <div class="sheet method">
        <h2>The method</h2>
        <dl>
          <template v-for="one in METHOD" :key="one.key">
            <dt><KeyCap :name="one.key" /></dt>
            <dd>{{ one.text }}</dd>
          </template>
        </dl>
        <p class="slate"><KeyCap name="?" /> shows all keys, in every view.</p>
        <v-btn v-first color="primary" @click="reading = false">I see</v-btn>
      </div>
    </ModalDialog>
  </section>
</template>

<style scoped>
.first {
  padding: 28px 0;
}

h2 {
  margin: 0 0 16px;
  font-size: var(--type-head);
  font-weight: 600;
}

ol {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 18px;
  counter-reset: step;
}

li {
  display: grid;
  grid-row: span 4;
  grid-template-rows: subgrid;
  gap: 8px;
  align-content: start;
  justify-items: start;
  padding: 20px 24px;
}

li b::before {
  counter-increment: step;
  content: counter(step) '  ';
  white-space: pre;
  color: rgb(var(--v-theme-primary));
}

p {
  margin: 0 0 6px;
}

.method {
  padding: 24px 30px;
}

dl {
  display: grid;
  grid-template-columns: 74px minmax(0, 1fr);
  gap: 10px 12px;
  margin: 0 0 14px;
}

dt {
  text-align: right;
}

dd {
  margin: 0;
}

@media (max-width: 760px) {
  ol {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
