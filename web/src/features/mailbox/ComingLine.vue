<script setup lang="ts">
import { computed } from 'vue'
import type { Mailbox } from '@/shared/api/client'
import { counted, lasting } from '@/shared/words'
import { LinkButton } from '@/ui/kit'
import { comingOf } from './pace'
import { useMailboxes } from './queries'

/** How far the mailboxes have come in the first time, and what is in the way of one; nothing where all is as usual. */
const { only = false } = defineProps<{
  /** Whether what is in the way is told elsewhere */
  only?: boolean
}>()
const emit = defineEmits<{ check: [number: number] }>()
const { all, pace, look, takeOlder } = useMailboxes()

const lines = computed(() =>
  all.value.flatMap((one) => {
    const coming = comingOf(one)
    return (coming === 'done' && (only || !one.problem)) || (only && one.problem) ? [] : [{ one, coming }]
  }),
)
const share = ({ here, left, wanted }: Mailbox) => (100 * (here + left)) / Math.max(1, here + left + wanted)

function came(one: Mailbox): string {
  const now = pace(one.number)
  const of = one.here + one.left + one.wanted
  return [
    `${(one.here + one.left).toLocaleString('en')} of ${counted(of, 'message')} have come in`,
    ...(now ? [`${Math.max(1, Math.round(now.rate))} a second`, `${lasting(now.left)} left`] : []),
  ].join(', ')
}
</script>

<template>
  <ul v-if="lines.length" class="coming" aria-label="Mailboxes">
    <li v-for="{ one, coming } in lines" :key="one.number" class="sheet">
      <b>{{ one.address }}</b>
      <span v-if="one.problem" class="wrong" role="status">{{ one.problem }}</span>
      <span v-else-if="coming === 'looking'" class="slate" role="status">It is being looked at.</span>
      <span v-else-if="coming === 'coming'" class="slate" role="status" aria-live="off"
        >{{ came(one) }}. You can clear what is here already.</span
      >
      <span v-else-if="coming === 'stopped'" class="slate" role="status"
        >{{ counted(one.wanted, 'older message') }} {{ one.wanted === 1 ? 'is' : 'are' }} still to come in,
        when you say so.</span
      >
      <span v-else-if="coming === 'reading'" class="slate" role="status" aria-live="off"
        >All of the inbox is here. {{ counted(one.older.reading, 'older message') }}
        {{ one.older.reading === 1 ? 'is' : 'are' }} still to be read.</span
      >
      <span v-else class="slate" role="status"
        >{{ counted(one.older.messages, 'older message') }} {{ one.older.messages === 1 ? 'lies' : 'lie' }} in
        the archive. Something may still hang on some of them.</span
      >
      <span class="acts">
        <template v-if="one.problem">
          <LinkButton @click="look">{{ one.paused ? 'Go on' : 'Try again' }}</LinkButton>
          <router-link class="link" to="/settings#mailboxes">Change it</router-link>
        </template>
        <LinkButton v-else-if="coming === 'coming'" @click="takeOlder(one.number, false)">Stop</LinkButton>
        <LinkButton v-else-if="coming === 'stopped'" @click="takeOlder(one.number, true)">Go on</LinkButton>
        <v-btn
          v-else-if="coming === 'check'"
          size="small"
          variant="outlined"
          @click="emit('check', one.number)"
          >See what had better stay</v-btn
        >
      </span>
      <v-progress-linear
        v-if="!one.problem && ['looking', 'coming', 'stopped'].includes(coming)"
        class="bar"
        color="primary"
        height="4"
        rounded
        :indeterminate="coming === 'looking'"
        :model-value="share(one)"
        :aria-label="`${one.address} comes in`"
      />
    </li>
  </ul>
</template>

<style scoped>
.coming {
  display: grid;
  gap: 8px;
  margin: 6px 0 12px;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
  padding: 10px 16px;
  font-size: var(--type-note);
}

b {
  font-weight: 550;
}

.wrong {
  color: rgb(var(--v-theme-error));
}

.acts {
  display: flex;
  gap: 14px;
  margin-left: auto;
}

.bar {
  flex-basis: 100%;
}
</style>
