<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Mailbox } from '@/shared/api/client'
import { useSession } from '@/shared/api/session'
import { ask } from '@/shared/ask'
import { attempt } from '@/shared/notice'
import FailedState from '@/ui/FailedState.vue'
import { LinkButton } from '@/ui/kit'
import ComingLine from './ComingLine.vue'
import MailboxForm from './MailboxForm.vue'
import { standing } from './mailboxes'
import MailTroubles from './MailTroubles.vue'
import { useMailboxes } from './queries'

/** Mailboxes on mail servers that are kept in step. */
const router = useRouter()
const { account } = useSession()
const { data, error, refetch, all, set: keep, look, giveUp, disconnect: end } = useMailboxes()
/** The number of the one that is changed; -1: a new one. */
const open = ref<number>()
/** At whom the person has just signed in, and for which address. */
const signedIn = ref<{ address: string; provider: string }>()
/** Whether the provider of a mailbox has led back here, and it is asked what that brought. */
const isAnswering = ref(false)
async function answered(code: string, state: string, error: string): Promise<void> {
  isAnswering.value = true
  await router.replace({ hash: '#mailboxes' })
  await attempt(async () => {
    signedIn.value = await answer(api.POST('/mailboxes/sign-ins/answers', { body: { code, state, error } }))
  })
  await refetch()
  const known = all.value.find(
    ({ address }) => address.toLowerCase() === signedIn.value?.address.toLowerCase(),
  )
  open.value = known?.number ?? -1
  isAnswering.value = false
}
// Who comes here to connect the first one begins with it.
const { hash, query } = useRoute()
if (typeof query.state === 'string')
  void answered(String(query.code ?? ''), query.state, String(query.error ?? ''))
watch(
  data,
  (now) => {
    if (!isAnswering.value && hash === '#mailboxes' && now?.mailboxes.length === 0) open.value ??= -1
  },
  { immediate: true },
)
const set = (mailboxes: Mailbox[]) => {
  keep({ mailboxes })
  open.value = signedIn.value = undefined
}
async function disconnect(one: Mailbox): Promise<void> {
  const said = await ask({
    title: `Disconnect ${one.address}?`,
    text: 'On the server nothing changes, and here everything stays. What is decided from then on is not done there any more.',
    answers: [{ value: 'disconnect', text: 'Disconnect' }],
  })
  if (said) await end(one.number)
}
</script>

<template>
  <section class="sheet part">
    <h2>Mailboxes</h2>
    <p class="slate">
      A mailbox on your mail server is kept in step in both directions: what you archive here is out of the
      inbox there, and what you archive on the phone is out of the tray.
    </p>
    <ComingLine only @check="(older) => router.push({ name: 'tray', query: { older } })" />
    <p v-if="isAnswering" class="slate" role="status">Signing in…</p>
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <ul v-if="all.length" class="mailboxes" aria-label="Mailboxes">
      <li v-for="one in all" :key="one.number">
        <b>{{ one.address }}</b>
        <span class="slate"
          >{{ one.imap.host }}{{ one.provider ? `, signed in at ${one.provider}` : '' }}</span
        >
        <span class="acts">
          <LinkButton @click="look">{{ one.paused ? 'Go on' : 'Look now' }}</LinkButton>
          <LinkButton @click="open = open === one.number ? undefined : one.number">Change</LinkButton>
          <LinkButton @click="disconnect(one)">Disconnect</LinkButton>
        </span>
        <span class="slate state">{{ standing(one) }}</span>
        <span v-if="one.problem" class="wrong state" role="status">{{ one.problem }}</span>
        <MailTroubles
          v-if="one.troubles.length"
          class="state"
          :troubles="one.troubles"
          @again="look"
          @leave="(trouble) => giveUp(one.number, trouble)"
        />
        <MailboxForm
          v-if="open === one.number"
          class="state"
          :mailbox="one"
          :address="one.address"
          :signed-in-at="signedIn?.provider"
          @connected="set"
          @close="open = undefined"
        />
      </li>
    </ul>
    <MailboxForm
      v-if="open === -1"
      :address="signedIn?.address ?? (all.length ? '' : (account?.email ?? ''))"
      :signed-in-at="signedIn?.provider"
      @connected="set"
      @close="open = undefined"
    />
    <LinkButton v-else-if="data && !isAnswering" @click="open = -1">{{
      all.length ? 'Connect another mailbox' : 'Connect your mailbox'
    }}</LinkButton>
  </section>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
.mailboxes {
  margin: 0 0 10px;
  padding: 0;
  list-style: none;
}

.mailboxes li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
  padding: 8px 0;
}

.mailboxes li + li {
  border-top: 1px solid rgb(from var(--v-edge) r g b / 50%);
}

.state {
  flex-basis: 100%;
}
</style>
