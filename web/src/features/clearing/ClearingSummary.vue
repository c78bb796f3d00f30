<script setup lang="ts">
import { computed } from 'vue'
import type { Clearing } from '@/shared/api/client'
import { nearMoment } from '@/shared/time/format'
import KeyCap from '@/ui/KeyCap.vue'
import TrayMark from '@/ui/TrayMark.vue'
import { counted, deedOf, lasting, subjectOf } from '@/shared/words'
import { useComing } from '@/features/coming'
import { HeldLine } from '@/features/sessions'

/** What became of a clearing: how many, how long, what of them, and what comes back next. */
const props = defineProps<{ clearing: Clearing; left: number }>()
defineEmits<{ again: []; rest: [] }>()

const { parts: coming } = useComing(['mail', 'owed'])
const next = computed(() =>
  (coming.value?.[0]?.stretches ?? [])
    .flatMap(({ items }) => items.flatMap(({ conversation }) => conversation ?? []))
    .slice(0, 3),
)
const lasted = computed(() =>
  lasting(Math.max(0, Date.parse(props.clearing.endedAt ?? '') - Date.parse(props.clearing.startedAt))),
)
const most = computed(() => Math.max(1, ...props.clearing.became.map(({ count }) => count)))
</script>

<template>
  <div class="summary sheet">
    <TrayMark :left="left > 0" />
    <h1>{{ left ? `${left} left in the tray` : 'The tray is empty' }}</h1>
    <p class="slate">
      {{
        clearing.decided
          ? `${counted(clearing.decided, 'conversation')} decided in ${lasted}.`
          : 'Nothing was decided.'
      }}
      <template v-if="clearing.passed">{{ counted(clearing.passed, 'conversation') }} passed over.</template>
    </p>
    <HeldLine />
    <div class="parts">
      <section v-if="clearing.became.length">
        <h2>What became of them</h2>
        <dl>
          <template v-for="{ kind, count } in clearing.became" :key="kind">
            <dt>{{ deedOf(kind) }}</dt>
            <dd>
              <i :style="{ width: `${(count / most) * 100}%` }" /><b>{{ count }}</b>
            </dd>
          </template>
        </dl>
      </section>
      <section v-if="next.length">
        <h2>Comes back next</h2>
        <ul>
          <li v-for="row in next" :key="row.id">
            <b>{{ subjectOf(row) }}</b>
            <span class="slate">{{ row.awayUntil ? nearMoment(row.awayUntil) : '' }}</span>
          </li>
        </ul>
      </section>
    </div>
    <div class="actions">
      <v-btn v-if="left" variant="outlined" @click="$emit('rest')">Archive the rest</v-btn>
      <v-btn v-if="left" variant="outlined" @click="$emit('again')">Go through them again</v-btn>
      <v-btn v-else variant="outlined" to="/tasks">Look at the tasks</v-btn>
      <v-btn color="primary" to="/">Back to the tray <KeyCap name="Escape" /></v-btn>
    </div>
  </div>
</template>

<style scoped>
.summary {
  max-width: 780px;
  margin: 26px auto 0;
  padding: 38px 48px 32px;
  text-align: center;
}

h1 {
  margin: 14px 0 4px !important;
}

.parts {
  display: flex;
  justify-content: center;
  gap: 56px;
  margin: 26px 0 30px;
  text-align: left;
}

section {
  flex: 1;
  max-width: 320px;
}

h2 {
  margin: 0 0 8px;
  font-size: var(--type-note);
  font-weight: 600;
  color: var(--v-slate);
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 14px;
  margin: 0;
}

dd {
  display: flex;
  align-items: center;
  gap: 9px;
  margin: 0;
}

dd i {
  height: 8px;
  min-width: 4px;
  border-radius: 4px;
  background: rgb(var(--v-theme-primary));
}

ul {
  display: grid;
  gap: 6px;
}

li b {
  display: block;
  font-weight: 550;
}

.actions {
  display: flex;
  flex-wrap: wrap;
  justify-content: center;
  gap: 10px;
}

@media (max-width: 760px) {
  .summary {
    padding: 26px 16px;
  }

  .parts {
    flex-direction: column;
    gap: 24px;
  }
}
</style>
