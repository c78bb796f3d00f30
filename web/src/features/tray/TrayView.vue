<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { ConversationRow } from '@/shared/api/client'
import { useCounts } from '@/shared/api/heartbeat'
import { useKeys } from '@/shared/keys/registry'
import { DecisionCards } from '@/features/decide'
import FailedState from '@/ui/FailedState.vue'
import { GROUPINGS, trayLabel, trayOrder, useGrouping } from '@/features/conversation'
import { WEIGH, weigh } from '@/features/importance'
import { LabelFilter, MarkButtons, useLabels, useMarkKeys } from '@/features/labels'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { attempt } from '@/shared/notice'
import { useWritingFrom } from '@/features/write'
import { useSelection } from '@/shared/selection'
import { send } from '@/features/tasks'
import { PastLine } from '@/features/orders'
import { KeptGroups } from '@/features/find'
import { HeldLine } from '@/features/sessions'
import { StampCards } from '@/features/stamps'
import TrayEmpty from './TrayEmpty.vue'
import TrayGroup from './TrayGroup.vue'
import TrayRest from './TrayRest.vue'
import { age } from '@/shared/time/format'
import { claimOf, useDecideSteps } from '@/shared/steps/decide'
import { useTray } from './queries'
import { ChoiceList, LinkButton } from '@/ui/kit'

const router = useRouter()
const { decide } = useDecideSteps()
const { data: labels } = useLabels()
const writeFrom = useWritingFrom()
const { data, error, refetch } = useTray(trayOrder, trayLabel)
const { data: counts } = useCounts()
const rows = computed(() => data.value ?? [])
const { grouping, groups, isFolded, fold, visible } = useGrouping(rows)
const above = computed(() => {
  let sum = 0
  return groups.value.map((group) => (isFolded(group) ? sum : (sum += group.rows.length) - group.rows.length))
})
const { current, currentId, moving, selecting, selected, goTo, clicked, select, clear, meant } = useSelection(
  visible,
  'data-conversation',
  'tray',
)
const archivingRest = ref(false)

/** The server gives so many rows at the most; what was taken out of the list a moment ago is not counted any more. */
const MOST = 500
const total = computed(() => (rows.value.length < MOST ? rows.value.length : (whole() ?? rows.value.length)))
const chosen = computed(() => labels.value?.find(({ id }) => id === trayLabel.value))
const whole = () => (trayLabel.value ? chosen.value?.tray : counts.value?.tray)

/** What came back has waited since its return. */
const waitingSince = (row: ConversationRow) => (row.returned && row.awayUntil) || row.latestAt
const oldest = computed(() => rows.value.map(waitingSince).sort()[0] ?? '')
const indexOf = (row: ConversationRow) => visible.value.findIndex(({ id }) => id === row.id)

async function afterDeciding(): Promise<void> {
  clear()
  if (current.value >= 0) await goTo(current.value)
}

const { keys: markKeys } = useMarkKeys(
  () => meant.value,
  () => goTo(current.value),
)

useKeys('Tray', [
  {
    key: ' ',
    label: 'Start clearing',
    when: () => (rows.value.length > 0 || !!counts.value?.forClearing) && !archivingRest.value,
    run: () => void router.push({ name: 'clearing' }),
  },
  ...moving,
  {
    key: 'Enter',
    label: 'Open the conversation',
    when: () => current.value >= 0,
    run: () => {
      const row = visible.value[current.value]
      if (row) void router.push({ name: 'conversation', params: { id: row.id } })
    },
  },
  {
    key: '=',
    label: 'Send to a day',
    when: () => meant.value.length > 0,
    run: () => send({ kind: 'conversation', rows: meant.value }),
  },
  {
    key: WEIGH,
    label: 'How much does it matter?',
    when: () => !!visible.value[current.value]?.advice,
    run: () => weigh(visible.value[current.value]),
  },
  {
    key: '*',
    label: 'Select its group',
    when: () => current.value >= 0,
    run: () => {
      const group = groups.value.find((one) => one.rows.some(({ id }) => id === currentId.value))
      select(group?.rows.map(({ id }) => id) ?? [])
    },
  },
  ...markKeys,
  {
    key: '9',
    label: 'Archive the rest',
    when: () => rows.value.length > 0 && !trayLabel.value,
    run: () => (archivingRest.value = true),
  },
  ...selecting,
])
</script>

<template>
  <div class="view">
    <div class="view-head stick">
      <h1 v-if="selected.size">
        {{ selected.size }} selected
        <small><LinkButton @click="clear">Select none</LinkButton></small>
      </h1>
      <h1 v-else-if="rows.length">
        {{ total }} to decide<template v-if="chosen"> with “{{ chosen.name }}”</template>
        <small>
          {{ counts?.decidedToday ? `${counts.decidedToday} decided today, ` : '' }}the oldest has waited
          {{ age(oldest)
          }}<span class="by"
            >, <label for="grouping">grouped by</label>
            <ChoiceList id="grouping" v-model="grouping" @change="($event.target as HTMLElement).blur()">
              <option v-for="name in GROUPINGS" :key="name">{{ name }}</option>
            </ChoiceList></span
          ><span class="by"> <LabelFilter v-model="trayLabel" counts="tray" /></span>
        </small>
      </h1>
      <h1 v-else>Tray</h1>
      <template v-if="rows.length">
        <div v-show="!selected.size" class="start">
          <v-btn v-if="!trayLabel" variant="outlined" @click="archivingRest = true"
            >Archive the rest <KeyCap name="9"
          /></v-btn>
          <v-btn color="primary" :to="{ name: 'clearing' }">Start clearing <KeyCap name=" " /></v-btn>
        </div>
        <DecisionCards
          :rows="meant"
          bar
          :class="{ idle: !selected.size }"
          @decided="afterDeciding"
          @folded="goTo(current)"
          @write="(wanted) => meant[0] && writeFrom(meant[0], wanted)"
        />
        <StampCards v-show="selected.size" bar :rows="meant" @decided="afterDeciding" @folded="goTo(current)">
          <MarkButtons :rows="meant" @folded="goTo(current)" />
        </StampCards>
      </template>
    </div>

    <TrayRest v-model="archivingRest" @archived="clear" />
    <KeptGroups in="tray" />
    <HeldLine v-if="rows.length" class="waits" />
    <FailedState v-if="error && !data" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!data" />
    <TrayEmpty
      v-else-if="!rows.length"
      :label="trayLabel ? (chosen?.name ?? '') : undefined"
      @all="trayLabel = ''"
    />
    <template v-else>
      <TrayGroup
        v-for="(group, index) in groups"
        :key="group.name"
        :group="group"
        :folded="isFolded(group)"
        :by-importance="grouping === 'importance'"
        :among="rows.length"
        :above="above[index] ?? 0"
        :current="currentId"
        :selected="selected"
        :meant="meant"
        @fold="fold(group)"
        @all="select(group.rows.map(({ id }) => id))"
        @decide="(kind) => attempt(() => decide(kind, group.rows.map(claimOf)))"
        @select="(row, range) => clicked(indexOf(row), range)"
        @reach="(row) => (current = indexOf(row))"
      />
      <p v-if="total > rows.length" class="slate hint">
        These are the {{ rows.length }} newest of {{ total }}. As you decide them, the older ones come up.
      </p>
      <p class="slate hint">
        <PastLine dot /><KeyCap name="ArrowUp" /> <KeyCap name="ArrowDown" /> move ·
        <KeyCap name="Enter" /> opens · <KeyCap name="Ctrl+ " /> selects · <KeyCap name="?" /> all keys
      </p>
    </template>
  </div>
</template>

<style scoped>
.stick {
  position: sticky;
  top: 54px;
  z-index: 30;
  margin: -20px -10px 0;
  padding: 16px 10px 8px;
  background: rgb(var(--v-theme-background));
}

.stick > .cards {
  position: relative;
}

.start {
  display: flex;
  gap: 12px;
}

.waits {
  margin: -2px 0 6px;
}

/* the cards stand in for the two buttons as soon as something is selected */
.idle {
  position: absolute !important;
  width: 0;
  height: 0;
  overflow: hidden;
}

.idle:has(.fields) {
  right: 10px;
  top: 60px;
  width: auto;
  overflow: visible;
}

.idle :deep(.card) {
  display: none;
}

.by {
  white-space: nowrap;
}

.by select {
  font-weight: 550;
  color: rgb(var(--v-theme-primary));
  padding: 2px 0;
  field-sizing: content;
}

.hint {
  margin-top: 18px;
  font-size: var(--type-note);
}

@media (max-width: 760px) {
  .stick > .cards {
    width: 100%;
  }

  .stick {
    top: 92px;
  }

  .hint {
    display: none;
  }

  .start {
    width: 100%;
  }

  .start > * {
    flex: 1;
  }

  .start kbd {
    display: none;
  }
}
</style>
