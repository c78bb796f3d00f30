<script setup lang="ts">
import { computed } from 'vue'
import type { BlockedSender, ClearingOrder, Settings } from '@/api/client'
import { useDeciding } from '@/api/deciding'
import { useBlocked } from '@/api/reading'
import { useSession, useSignIn } from '@/api/session'
import AwaySettings from '@/parts/AwaySettings.vue'
import FailedState from '@/parts/FailedState.vue'
import LoadingRows from '@/parts/LoadingRows.vue'
import AccessSettings from '@/parts/AccessSettings.vue'
import MailSettings from '@/parts/MailSettings.vue'
import { attempt } from '@/parts/notice'
import TimeSettings from '@/parts/TimeSettings.vue'
import { counted } from '@/parts/words'
import { moment } from '@/time/format'

const { account } = useSession()
const { saveSettings } = useSignIn()
const { unblock } = useDeciding()
const { data: blocked, error, refetch } = useBlocked()

const settings = computed(() => account.value?.settings)
const change = (more: Partial<Settings>) =>
  attempt(async () => settings.value && (await saveSettings({ ...settings.value, ...more })))

const ORDERS: { value: ClearingOrder; text: string }[] = [
  { value: 'grouped', text: 'As the tray is grouped by advice' },
  { value: 'oldest', text: 'Oldest first' },
  { value: 'newest', text: 'Newest first' },
]
const name = ({ pattern, domain }: BlockedSender) => (domain ? `everything from ${pattern}` : pattern)
</script>

<template>
  <div class="view">
    <div class="view-head"><h1>Settings</h1></div>
    <TimeSettings />
    <AwaySettings />
    <MailSettings />
    <AccessSettings />
    <section class="sheet part">
      <h2>Clearing</h2>
      <fieldset>
        <legend class="slate">In which order do you go through the tray?</legend>
        <label v-for="{ value, text } in ORDERS" :key="value"
          ><input
            type="radio"
            name="clearing"
            :checked="settings?.clearingOrder === value"
            @change="change({ clearingOrder: value })"
          />
          {{ text }}</label
        >
      </fieldset>
    </section>
    <section class="sheet part">
      <h2>Blocked senders</h2>
      <FailedState v-if="error && !blocked" :error="error" @again="refetch()" />
      <LoadingRows v-else-if="!blocked" />
      <p v-else-if="!blocked.length" class="slate">
        Nobody is blocked. <kbd>7</kbd> blocks a sender; their mail then goes to Blocked, where Find still
        finds it.
      </p>
      <ul v-else class="senders">
        <li v-for="sender in blocked" :key="sender.id">
          <span class="pattern">{{ name(sender) }}</span>
          <span class="slate"
            >since {{ moment(sender.since) }},
            <router-link class="link" :to="{ name: 'find', query: { in: 'blocked' } }"
              >{{ counted(sender.conversations, 'conversation') }} in Blocked</router-link
            ></span
          >
          <span class="acts">
            <button class="link" type="button" @click="attempt(() => unblock(sender.id, false))">
              Let in again
            </button>
            <button
              v-if="sender.conversations"
              class="link"
              type="button"
              @click="attempt(() => unblock(sender.id, true))"
            >
              … and bring {{ sender.conversations === 1 ? 'it' : 'them' }} back
            </button>
          </span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped src="../parts/settings.css"></style>
