<script setup lang="ts">
import { computed } from 'vue'
import type { BlockedSender, ClearingOrder } from '@/api/client'
import { useDeciding } from '@/api/deciding'
import { useBlocked } from '@/api/reading'
import { useSession, useSignIn } from '@/api/session'
import FailedState from '@/parts/FailedState.vue'
import LoadingRows from '@/parts/LoadingRows.vue'
import { attempt } from '@/parts/notice'
import { counted } from '@/parts/words'
import { moment } from '@/time/format'

const { account } = useSession()
const { saveSettings } = useSignIn()
const { unblock } = useDeciding()
const { data: blocked, error, refetch } = useBlocked()

const settings = computed(() => ({
  dayFirst: account.value?.dayFirst ?? true,
  clearingOrder: account.value?.clearingOrder ?? ('grouped' as ClearingOrder),
}))
const change = (more: Partial<typeof settings.value>) =>
  attempt(() => saveSettings({ ...settings.value, ...more }))

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
    <section class="sheet part">
      <h2>Dates in mail</h2>
      <fieldset>
        <legend class="slate">How do you read 4/12?</legend>
        <label
          ><input
            type="radio"
            name="order"
            :checked="settings.dayFirst"
            @change="change({ dayFirst: true })"
          />
          The fourth of December, day first</label
        >
        <label
          ><input
            type="radio"
            name="order"
            :checked="!settings.dayFirst"
            @change="change({ dayFirst: false })"
          />
          The twelfth of April, month first</label
        >
      </fieldset>
    </section>
    <section class="sheet part">
      <h2>Clearing</h2>
      <fieldset>
        <legend class="slate">In which order do you go through the tray?</legend>
        <label v-for="{ value, text } in ORDERS" :key="value"
          ><input
            type="radio"
            name="clearing"
            :checked="settings.clearingOrder === value"
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

<style scoped>
.part {
  max-width: 860px;
  padding: 20px 26px;
  margin-bottom: 14px;
}

h2 {
  margin: 0 0 8px;
  font-size: 16px;
}

fieldset {
  border: 0;
  margin: 0;
  padding: 0;
}

legend {
  padding: 0;
  margin-bottom: 6px;
  font-size: 14px;
}

label {
  display: flex;
  gap: 9px;
  align-items: center;
  padding: 4px 0;
  cursor: pointer;
}

input {
  width: 16px;
  height: 16px;
  margin: 0;
  accent-color: rgb(var(--v-theme-primary));
}

.senders {
  list-style: none;
  margin: 0;
  padding: 0;
}

.senders li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
  padding: 8px 0;
}

.senders li + li {
  border-top: 1px solid rgb(from var(--v-edge) r g b / 50%);
}

.pattern {
  font-weight: 550;
  overflow-wrap: anywhere;
}

.slate {
  font-size: 14px;
}

.acts {
  display: flex;
  gap: 14px;
  margin-left: auto;
}

kbd {
  font: inherit;
  border: 1px solid var(--v-edge);
  border-radius: 4px;
  padding: 0 5px;
}
</style>
