<script setup lang="ts">
import { reactive, ref } from 'vue'
import type { EventAnswer, Invitation } from '@/shared/api/client'
import type { Written } from '@/shared/api/when'
import { useKeys } from '@/shared/keys/registry'
import { day } from '@/shared/time/format'
import { useKeeping } from '@/shared/typing/keeping'
import { useTyped } from '@/shared/typing/kept'
import KeptNote from '@/ui/KeptNote.vue'
import KeyCap from '@/ui/KeyCap.vue'
import WhenField from '@/ui/WhenField.vue'
import { LinkButton } from '@/ui/kit'
import { useAgendaSteps } from './steps'

/** Yes, perhaps, no, or another time, with a sentence that goes along. */
const props = defineProps<{
  message: string
  conversation: string
  invitation: Invitation
  clearing: string | undefined
}>()
const emit = defineEmits<{ answered: []; close: [] }>()

const { answerInvitation } = useAgendaSteps()
const fields = reactive<{ comment: string; other: Written }>({
  comment: '',
  other: { phrase: '', reading: null },
})
const { keptAt, accept, anew } = useTyped(`invitation:${props.message}`, fields)
const isOther = ref(fields.other.phrase !== '')
const chosen = ref<EventAnswer>('accepted')
const { wrong, busy, keep } = useKeeping(
  'answer',
  () =>
    answerInvitation(props.message, props.conversation, {
      answer: chosen.value,
      comment: fields.comment,
      ...(isOther.value && chosen.value === 'tentative' ? { proposed: { phrase: fields.other.phrase } } : {}),
      ...(props.clearing ? { clearing: props.clearing } : {}),
    }),
  () => {
    accept()
    emit('answered')
  },
)
const ANSWERS = [
  { key: '1', answer: 'accepted', text: 'Yes, I come' },
  { key: '2', answer: 'tentative', text: 'Perhaps' },
  { key: '3', answer: 'declined', text: 'No' },
] as const
function say(answer: EventAnswer): void {
  isOther.value = false
  chosen.value = answer
  void keep()
}
function propose(): void {
  chosen.value = 'tentative'
  void keep()
}
const askOther = () => (isOther.value = true)
useKeys('Invitation', [
  ...ANSWERS.map(({ key, answer, text }) => ({ key, label: text, run: () => say(answer) })),
  { key: '4', label: 'Another time', opens: true, run: askOther },
])
</script>

<template>
  <div class="sheet asking">
    <h2>{{ invitation.title }}</h2>
    <KeptNote :at="keptAt" @anew="anew" />
    <p>
      {{ invitation.when }}<template v-if="invitation.place">, {{ invitation.place }}</template>
    </p>
    <p v-for="sentence in invitation.changes" :key="sentence" class="clash">{{ sentence }}</p>
    <ul v-if="invitation.clashes.length" class="clash">
      <li v-for="one in invitation.clashes" :key="one.key">
        Clashes with {{ one.title
        }}<template v-if="one.begins.time">, {{ one.begins.time }} to {{ one.ends.time }}</template>
      </li>
    </ul>
    <form novalidate @submit.prevent="isOther ? propose() : undefined">
      <v-textarea
        v-model="fields.comment"
        label="A sentence that goes along"
        rows="1"
        auto-grow
        maxlength="2000"
        hide-details="auto"
        :error-messages="wrong.comment"
      />
      <div class="answers">
        <v-btn
          v-for="{ key, answer, text } in ANSWERS"
          :key="answer"
          :color="answer === 'accepted' ? 'primary' : ''"
          :variant="answer === 'accepted' ? 'flat' : 'outlined'"
          :loading="busy && chosen === answer && !isOther"
          @click="say(answer)"
          >{{ text }} <KeyCap :name="key"
        /></v-btn>
        <v-btn v-if="!isOther" variant="outlined" @click="askOther">Another time <KeyCap name="4" /></v-btn>
      </div>
      <p v-if="wrong.answer" class="wrong" role="alert">{{ wrong.answer }}</p>
      <template v-if="isOther">
        <WhenField
          v-model="fields.other"
          v-first
          label="When would suit you"
          as="event"
          bare
          placeholder="friday 2-4pm"
          :error="wrong.when"
          @enter="propose"
        />
        <p v-if="invitation.free.length" class="slate">
          You have time
          <LinkButton
            v-for="one in invitation.free"
            :key="one.date + one.time"
            @click="
              fields.other = {
                phrase: `${one.date} ${one.time} for ${invitation.minutes} min`,
                reading: null,
              }
            "
            >{{ day(one.date) }}, {{ one.time }}</LinkButton
          >
        </p>
        <v-btn type="submit" color="primary" :loading="busy" :disabled="!fields.other.phrase.trim()"
          >Propose it</v-btn
        >
      </template>
    </form>
    <p class="slate">
      The answer goes to who asks, the event into your agenda, and the conversation is done.
    </p>
  </div>
</template>

<style scoped src="@/ui/dialog.css"></style>
<style scoped>
form {
  display: grid;
  gap: 12px;
  justify-items: start;
  margin: 10px 0;
}

form > * {
  max-width: 100%;
}

form > :deep(.v-input),
form > :deep(.when) {
  width: 100%;
}

p {
  margin: 0 0 4px;
}

.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.clash {
  color: rgb(var(--v-theme-warning));
}

.slate :deep(button) {
  margin-left: 10px;
}
</style>
