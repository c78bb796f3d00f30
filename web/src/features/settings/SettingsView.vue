<script setup lang="ts">
import { useEventListener, useMutationObserver } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { BlockedSender, ClearingOrder, Settings } from '@/shared/api/client'
import { useSession, useSignIn } from '@/shared/api/session'
import { CorrectionList } from '@/features/importance'
import { LabelList } from '@/features/labels'
import { OldMailList, OrderList } from '@/features/orders'
import { StampList } from '@/features/stamps'
import AwaySettings from './AwaySettings.vue'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import AccessSettings from './AccessSettings.vue'
import MailInSettings from './MailInSettings.vue'
import MailSettings from './MailSettings.vue'
import { attempt } from '@/shared/notice'
import PersonSettings from './PersonSettings.vue'
import AgendaSettings from './AgendaSettings.vue'
import SessionSettings from './SessionSettings.vue'
import TaskSettings from './TaskSettings.vue'
import TimeSettings from './TimeSettings.vue'
import { counted } from '@/shared/words'
import { moment } from '@/shared/time/format'
import { useBlocked } from './queries'
import { useSettingsSteps } from './steps'
import { ChoiceDot, LinkButton } from '@/ui/kit'

const route = useRoute()
const { account } = useSession()
const { saveSettings } = useSignIn()
const { unblock } = useSettingsSteps()
const { data: blocked, error, refetch } = useBlocked()

const settings = computed(() => account.value?.settings)
const change = (more: Partial<Settings>) =>
  attempt(async () => settings.value && (await saveSettings({ ...settings.value, ...more })))

const ORDERS: { value: ClearingOrder; text: string }[] = [
  { value: 'grouped', text: 'As the tray is grouped by advice' },
  { value: 'important', text: 'What matters most first' },
  { value: 'oldest', text: 'Oldest first' },
  { value: 'newest', text: 'Newest first' },
]
const AFTER = [
  { value: true, text: 'the next one of its group opens' },
  { value: false, text: 'the list comes back' },
]

/** The sections that there are, as they stand; those in which the words occur. */
const root = ref<HTMLElement>()
const words = ref('')
const sections = ref<{ id: string; name: string }[]>([])
const idOf = (name: string) => name.toLowerCase().replaceAll(/[^a-z]+/g, '-')

function look(): void {
  const wanted = words.value.toLowerCase().split(/\s+/).filter(Boolean)
  const found: { id: string; name: string }[] = []
  for (const section of root.value?.querySelectorAll<HTMLElement>('section.part') ?? []) {
    const name = section.querySelector('h2')?.textContent.trim() ?? ''
    section.id ||= idOf(name)
    const text = section.textContent.toLowerCase()
    const fits = wanted.every((word) => text.includes(word))
    section.hidden = !fits
    if (fits && name) found.push({ id: section.id, name })
  }
  if (JSON.stringify(found) !== JSON.stringify(sections.value)) sections.value = found
}
watch(words, look)
useMutationObserver(root, look, { childList: true, subtree: true })

/** What an address leads to stays in sight while what stands above it comes, until the person does something. */
let sought = route.hash.slice(1)
useMutationObserver(root, () => sought && document.getElementById(sought)?.scrollIntoView(), {
  childList: true,
  subtree: true,
})
useEventListener(['wheel', 'keydown', 'pointerdown', 'touchstart'], () => (sought = ''), { passive: true })
onMounted(async () => {
  look()
  await nextTick()
  if (sought) goTo(sought)
})

function goTo(id: string): void {
  const section = document.getElementById(id)
  section?.scrollIntoView({ block: 'start' })
  section?.querySelector<HTMLElement>('input, select, textarea, button')?.focus({ preventScroll: true })
}

const name = ({ pattern, domain }: BlockedSender) => (domain ? `everything from ${pattern}` : pattern)
</script>

<template>
  <div class="view">
    <div class="view-head"><h1>Settings</h1></div>
    <div class="sides">
      <nav aria-label="Sections of the settings">
        <v-text-field
          v-model="words"
          label="Find a setting"
          density="compact"
          hide-details
          clearable
          @click:clear="words = ''"
        />
        <ul>
          <li v-for="one in sections" :key="one.id">
            <a class="plain" :href="`#${one.id}`" @click.prevent="goTo(one.id)">{{ one.name }}</a>
          </li>
        </ul>
        <p v-if="!sections.length" class="slate" role="status">No setting is called so.</p>
      </nav>
      <div ref="root">
        <PersonSettings />
        <AccessSettings />
        <TimeSettings />
        <TaskSettings />
        <section class="sheet part">
          <h2>Clearing</h2>
          <fieldset>
            <legend class="slate">In which order do you go through the tray?</legend>
            <label v-for="{ value, text } in ORDERS" :key="value"
              ><ChoiceDot
                name="clearing"
                :model-value="settings?.clearingOrder"
                :value="value"
                @change="change({ clearingOrder: value })"
              />
              {{ text }}</label
            >
          </fieldset>
          <fieldset>
            <legend class="slate">After a decision in an opened conversation</legend>
            <label v-for="{ value, text } in AFTER" :key="text"
              ><ChoiceDot
                name="after"
                :model-value="settings?.nextAfterDeciding"
                :value="value"
                @change="change({ nextAfterDeciding: value })"
              />
              {{ text }}</label
            >
          </fieldset>
        </section>
        <AgendaSettings />
        <SessionSettings />
        <section class="sheet part">
          <h2>Labels</h2>
          <LabelList />
        </section>
        <section class="sheet part">
          <h2>Stamps</h2>
          <StampList />
        </section>
        <section class="sheet part">
          <h2>Standing orders</h2>
          <OrderList />
        </section>
        <section class="sheet part">
          <h2>Old mail</h2>
          <OldMailList />
        </section>
        <section class="sheet part">
          <h2>What matters to you</h2>
          <CorrectionList />
        </section>
        <AwaySettings />
        <MailSettings />
        <MailInSettings />
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
                <LinkButton @click="attempt(() => unblock(sender.id, false))"> Let in again </LinkButton>
                <LinkButton v-if="sender.conversations" @click="attempt(() => unblock(sender.id, true))">
                  … and bring {{ sender.conversations === 1 ? 'it' : 'them' }} back
                </LinkButton>
              </span>
            </li>
          </ul>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
.sides {
  display: grid;
  grid-template-columns: 210px minmax(0, 860px);
  gap: 28px;
  align-items: start;
}

nav {
  position: sticky;
  top: 72px;
}

nav ul {
  display: grid;
  gap: 1px;
  margin: 12px 0 0;
}

nav a {
  display: block;
  padding: 4px 10px;
  border-radius: 7px;
}

nav a:hover {
  background: var(--v-sea-soft);
}

@media (max-width: 960px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
    gap: 14px;
  }

  nav {
    position: static;
  }

  nav ul {
    display: flex;
    flex-wrap: wrap;
  }
}
</style>
