<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Owed, When } from '@/shared/api/client'
import AwayTabs from '@/ui/AwayTabs.vue'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { attempt } from '@/shared/notice'
import OwedLine from './OwedLine.vue'
import { useSelection } from '@/shared/selection'
import { useKeys } from '@/shared/keys/registry'
import WhenDialog from '@/ui/WhenDialog.vue'
import { counted } from '@/shared/words'
import { useOwed } from './queries'
import { useOwedSteps } from './steps'

/** Who owes what until when, by person; what was settled lately is below. */
const router = useRouter()
const { data, error, refetch } = useOwed()
const { settleOwed, moveOwed, takeUpOwed } = useOwedSteps()

const nameOf = ({ person }: Owed) => person.name || person.email
const open = computed(() => (data.value ?? []).filter(({ state }) => state === 'open'))
const settled = computed(() => (data.value ?? []).filter(({ state }) => state !== 'open'))
const people = computed(() => {
  const found = new Map<string, Owed[]>()
  for (const one of open.value) found.set(nameOf(one), [...(found.get(nameOf(one)) ?? []), one])
  return [...found].map(([name, rows]) => ({ name, rows, over: rows.filter(({ over }) => over).length }))
})
const rows = computed(() => [...people.value.flatMap(({ rows }) => rows), ...settled.value])
const { current, moving: rowKeys } = useSelection(rows, 'data-owed', 'owed')
const at = computed(() => rows.value[current.value])
const isOpen = () => at.value?.state === 'open'

const moving = ref<Owed | null>(null)
async function move(until: When): Promise<void> {
  const one = moving.value
  const step = one?.state === 'open' ? moveOwed : takeUpOwed
  if (one && (await attempt(() => step(one.id, until)))) moving.value = null
}

const askAgain = (one: Owed | undefined) =>
  one && void router.push({ name: 'write', query: { owed: one.id } })
const settle = (one: Owed | undefined, as: 'answered' | 'dropped') =>
  one && void attempt(() => settleOwed(one.id, as))

useKeys('Owed to you', [
  ...rowKeys,
  {
    key: '0',
    label: 'Ask again',
    when: () => isOpen() && !!at.value?.person.email,
    run: () => askAgain(at.value),
  },
  {
    key: '3',
    label: 'More time, or owed again',
    when: () => !!at.value,
    run: () => (moving.value = at.value ?? null),
  },
  { key: '5', label: 'It is here', when: isOpen, run: () => settle(at.value, 'answered') },
  {
    key: '6',
    label: 'Not expected any more',
    when: isOpen,
    run: () => settle(at.value, 'dropped'),
  },
])
</script>

<template>
  <div class="view">
    <AwayTabs />
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <EmptyState v-else-if="!data.length" title="Nobody owes you anything">
      Hand a conversation over (<kbd>4</kbd>), or say that you expect an answer when you write: then it stands
      here until it is there.
    </EmptyState>
    <template v-else>
      <section v-for="one in people" :key="one.name" class="sheet bunch" :aria-label="one.name">
        <h2>
          {{ one.name }} <span class="slate">{{ counted(one.rows.length, 'answer') }}</span>
        </h2>
        <ul>
          <OwedLine
            v-for="row in one.rows"
            :key="row.id"
            :owed="row"
            :current="row.id === at?.id"
            @focusin="current = rows.indexOf(row)"
            @again="askAgain(row)"
            @move="moving = row"
            @settle="(as) => settle(row, as)"
          />
        </ul>
      </section>
      <section v-if="settled.length" class="bunch settled" aria-label="Settled lately">
        <h2 class="slate">Settled in the last two weeks</h2>
        <ul>
          <OwedLine
            v-for="row in settled"
            :key="row.id"
            :owed="row"
            :current="row.id === at?.id"
            named
            @focusin="current = rows.indexOf(row)"
            @move="moving = row"
          />
        </ul>
      </section>
    </template>
    <WhenDialog
      :title="
        moving ? `${moving.state === 'open' ? 'More time for' : 'Owed again by'} ${nameOf(moving)}` : ''
      "
      label="Owed by"
      first="in 3 working days"
      @choose="move"
      @close="moving = null"
    />
  </div>
</template>

<style scoped src="@/ui/bunch.css"></style>
