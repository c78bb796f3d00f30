<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { tell } from '@/shared/notice'
import { claimOf } from '@/shared/steps/decide'
import { counted, subjectOf } from '@/shared/words'
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import { useForeseen } from './queries'
import { useStampSteps } from './steps'
import { decides, stamping } from './using'

/** A stamp about to be applied: what it will do to this very mail. Enter, or its key once more, applies it. */
const { stamp } = useStampSteps()

/** For so many of them it is said what becomes of each; whether it works for the others, the server says. */
const SHOWN = 50
const rows = computed(() => stamping.value?.rows ?? [])
const {
  data: foreseen,
  error,
  refetch,
} = useForeseen(
  () => stamping.value?.stamp.id ?? '',
  () => rows.value.slice(0, SHOWN).map(({ id }) => id),
)
const of = (id: string) => foreseen.value?.find((one) => one.conversation === id)?.steps ?? []
const hasRefused = computed(() => foreseen.value?.some(({ steps }) => steps.some(({ refused }) => refused)))
const busy = ref(false)
watch(stamping, () => (busy.value = false))

function close(): void {
  const closed = stamping.value?.closed
  stamping.value = null
  closed?.()
}

/** What is pressed before the answer is there is done when it is. */
let isPressed = false
watch(stamping, () => (isPressed = false))
watch(foreseen, (there) => {
  if (there && isPressed) void apply()
})

async function apply(): Promise<void> {
  const now = stamping.value
  if (!now || busy.value || hasRefused.value) return
  if (!foreseen.value) {
    isPressed = true
    return
  }
  busy.value = true
  const leaves = decides(now.stamp)
  try {
    await stamp(now.stamp, now.rows.map(claimOf), leaves, now.clearing)
    stamping.value = null
    if (leaves) now.decided()
    else now.closed()
  } catch (problem) {
    tell(problem)
  } finally {
    busy.value = false
  }
}

const keys = [
  { key: 'Enter', label: 'Apply it', run: () => void apply() },
  ...[1, 2, 3, 4, 5, 6, 7, 8, 9].map((key) => ({
    key: `Shift+${key}`,
    label: 'Apply it',
    when: () => stamping.value?.stamp.key === key,
    run: () => void apply(),
  })),
]
</script>

<template>
  <ModalDialog :open="!!stamping" name="A stamp" max-width="520" :keys="keys" @close="close">
    <div v-if="stamping" class="sheet asking">
      <h2>
        {{ stamping.stamp.name }}
        <small class="slate">on {{ rows.length === 1 ? '' : counted(rows.length, 'conversation') }}</small>
        <template v-if="rows[0] && rows.length === 1">“{{ subjectOf(rows[0]) }}”</template>
      </h2>
      <FailedState v-if="error && !foreseen" :error="error" @again="refetch()" />
      <LoadingRows v-else-if="!foreseen" />
      <template v-else>
        <div class="all">
          <section v-for="row in rows.slice(0, SHOWN)" :key="row.id">
            <h3 v-if="rows.length > 1">{{ subjectOf(row) }}</h3>
            <ol>
              <li v-for="step in of(row.id)" :key="step.text" :class="{ refused: step.refused }">
                {{ step.refused ? `Not possible: ${step.text}` : step.text }}
              </li>
            </ol>
          </section>
          <p v-if="rows.length > SHOWN" class="slate">and {{ rows.length - SHOWN }} more</p>
        </div>
        <p v-if="hasRefused" class="slate" role="alert">It is applied to all of them or to none.</p>
        <div class="actions">
          <v-btn v-first color="primary" :disabled="hasRefused" :loading="busy" @click="apply"
            >Apply it <KeyCap name="Enter"
          /></v-btn>
          <v-btn variant="text" @click="close">Not now</v-btn>
        </div>
      </template>
    </div>
  </ModalDialog>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
h2 small {
  font-weight: 400;
}

h3 {
  margin: 10px 0 2px;
  font-size: var(--type-text);
  overflow-wrap: anywhere;
}

.all {
  max-height: 52vh;
  overflow-y: auto;
}

ol {
  margin: 0 0 12px;
  padding-left: 20px;
  list-style: decimal;
}

li {
  padding: 2px 0;
  overflow-wrap: anywhere;
}

.refused {
  color: rgb(var(--v-theme-error));
}
</style>
