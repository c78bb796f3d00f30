<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { answer, api, newId, type Subscription } from '@/shared/api/client'
import { ask } from '@/shared/ask'
import { attempt } from '@/shared/notice'
import { useAskAgain } from '@/shared/steps/steps'
import { moment } from '@/shared/time/format'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import { counted } from '@/shared/words'
import FailedState from '@/ui/FailedState.vue'
import { LinkButton, TextInput, TickBox } from '@/ui/kit'

/** Calendars of others that are read at an address and shown among the days. */
const SOON = 2000
const queries = useQueryClient()
const askAgain = useAskAgain()
const { data, error, refetch } = useQuery({
  queryKey: ['subscriptions'],
  queryFn: ({ signal }) => answer(api.GET('/subscriptions', { signal })),
  // The program reads it when it comes to it.
  refetchInterval: ({ state }) => (state.data?.subscriptions.some(({ waiting }) => waiting) ? SOON : false),
})
const all = computed(() => data.value?.subscriptions ?? [])
type Answer = NonNullable<typeof data.value>
function set(now: Answer): void {
  queries.setQueryData(['subscriptions'], now)
  void askAgain(['slot'])
}
watch(
  () => all.value.map(({ readAt, events }) => `${readAt} ${events}`).join(),
  () => void askAgain(['slot']),
)

const fields = reactive({ address: '', name: '' })
const { accept } = useTyped('subscription', fields)
const isOpen = ref(fields.address !== '' || fields.name !== '')
const {
  wrong,
  busy,
  keep: add,
} = useKeeping(
  'address',
  async () =>
    set(
      await answer(
        api.PUT('/subscriptions/{id}', {
          params: { path: { id: newId() } },
          body: { ...fields, busy: true },
        }),
      ),
    ),
  () => {
    Object.assign(fields, { address: '', name: '' })
    accept()
    isOpen.value = false
  },
)

const at = (id: string) => ({ params: { path: { id } } })
const change = ({ id, name, busy: takes }: Subscription, more: { name?: string; busy?: boolean }) =>
  attempt(async () =>
    set(
      await answer(
        api.POST('/subscriptions/{id}/changes', { ...at(id), body: { name, busy: takes, ...more } }),
      ),
    ),
  )
const read = ({ id }: Subscription) =>
  attempt(async () => set(await answer(api.POST('/subscriptions/{id}/readings', at(id)))))
async function rename(one: Subscription, event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  if (input.value.trim()) await change(one, { name: input.value })
  else input.value = one.name
}
async function remove(one: Subscription): Promise<void> {
  const said = await ask({
    title: `Take “${one.name}” away?`,
    text: 'Nothing is lost where it comes from. To show it again, its address has to be written again.',
    answers: [{ value: 'remove', text: 'Take it away' }],
  })
  if (said) await attempt(async () => set(await answer(api.DELETE('/subscriptions/{id}', at(one.id)))))
}
const state = (one: Subscription): string =>
  [
    one.host,
    one.waiting ? 'is being read …' : '',
    one.readAt ? `${counted(one.events, 'event')}, read ${moment(one.readAt)}` : '',
  ]
    .filter(Boolean)
    .join(' · ')
</script>

<template>
  <h3>Calendars of others</h3>
  <p class="slate">
    They lie among your days, and cannot be changed here. Each is read again every hour, over https alone.
  </p>
  <FailedState v-if="error && !data" :error="error" @again="refetch()" />
  <ul v-if="all.length" class="calendars" aria-label="Calendars of others">
    <li v-for="one in all" :key="one.id">
      <TextInput
        class="time name"
        maxlength="200"
        :aria-label="`Name of ${one.name}`"
        :model-value="one.name"
        @change="rename(one, $event)"
      />
      <label>
        <TickBox :checked="one.busy" @change="change(one, { busy: !one.busy })" />
        takes my hours
      </label>
      <span class="acts">
        <LinkButton :disabled="one.waiting" @click="read(one)">Read it now</LinkButton>
        <LinkButton @click="remove(one)">Take it away</LinkButton>
      </span>
      <span class="slate state">{{ state(one) }}</span>
      <span v-if="one.problem" class="wrong state" role="status"
        >It could not be read: {{ one.problem }}{{ one.readAt ? ' What is shown is from before.' : '' }}</span
      >
      <details v-if="one.left.length" class="state">
        <summary class="slate">What was left out</summary>
        <p v-for="sentence in one.left" :key="sentence" class="slate">{{ sentence }}</p>
      </details>
    </li>
  </ul>
  <form v-if="isOpen" novalidate class="new" @submit.prevent="add" @keydown.esc.stop="isOpen = false">
    <v-text-field
      v-model="fields.address"
      v-first
      label="Its address"
      placeholder="https:// or webcal://"
      inputmode="url"
      autocomplete="off"
      spellcheck="false"
      hide-details="auto"
      :error-messages="wrong.address"
    />
    <v-text-field
      v-model="fields.name"
      label="Name for it"
      placeholder="as it calls itself"
      maxlength="200"
      hide-details="auto"
      :error-messages="wrong.name"
    />
    <span class="buttons">
      <v-btn type="submit" color="primary" :loading="busy">Show it</v-btn>
      <v-btn variant="text" @click="isOpen = false">Cancel</v-btn>
    </span>
  </form>
  <p v-else-if="data"><LinkButton @click="isOpen = true">Show another calendar …</LinkButton></p>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
h3 {
  margin: 16px 0 4px;
  font-size: var(--type-text);
}

.calendars {
  display: grid;
  gap: 12px;
  margin: 8px 0 12px;
}

.calendars li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: center;
  overflow-wrap: anywhere;
}

.name {
  flex: 0 1 240px;
  min-width: 0;
  font-weight: 550;
}

.state {
  flex-basis: 100%;
}

.state p,
.wrong {
  margin: 2px 0 0;
}

.new {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) auto;
  gap: 10px;
  align-items: start;
  margin-top: 8px;
}

.buttons {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 40px;
}

@media (max-width: 640px) {
  .new {
    grid-template-columns: minmax(0, 1fr);
  }

  .acts {
    margin-left: 0;
  }
}
</style>
