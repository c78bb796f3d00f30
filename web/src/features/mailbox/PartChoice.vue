<script setup lang="ts">
import { computed, watch } from 'vue'
import { counted } from '@/shared/words'
import { ChoiceDot, TextInput } from '@/ui/kit'
import { OWN, phraseOf, spansOf } from './mailboxes'

/** Which part of an inbox is to be decided; the rest goes to the archive. */
const choice = defineModel<string>('choice', { required: true })
const own = defineModel<string>('own', { required: true })
const props = defineProps<{
  inbox: number
  ages: { days: number; messages: number }[]
  /** What is wrong with the words of one's own */
  wrong: string
  /** What they mean; empty: it was not asked yet */
  read: string
}>()
const emit = defineEmits<{ read: [] }>()

const spans = computed(() => spansOf(props.ages, props.inbox))
watch(
  spans,
  (now) => {
    // Where there is no such choice, that is all of it.
    const phrases = [...now.map(({ days }) => phraseOf(days)), OWN]
    if (!phrases.includes(choice.value)) choice.value = 'all'
  },
  { immediate: true },
)
</script>

<template>
  <fieldset class="part-choice">
    <legend>Which part of the inbox do you want to decide? It holds {{ counted(inbox, 'message') }}.</legend>
    <label v-for="{ days, messages } in spans" :key="days">
      <ChoiceDot v-model="choice" name="part" :value="phraseOf(days)" />
      <span>What came in the last {{ days === 365 ? 'year' : `${days} days` }}</span>
      <span class="slate count">{{ messages.toLocaleString('en') }}</span>
    </label>
    <label>
      <ChoiceDot v-model="choice" name="part" :value="OWN" />
      <span class="since"
        >What came since
        <TextInput
          v-model="own"
          class="own"
          placeholder="monday, march, 3 weeks"
          aria-label="Since when"
          maxlength="100"
          spellcheck="false"
          @focus="choice = OWN"
          @change="own.trim() && emit('read')"
      /></span>
      <span v-if="choice === OWN && read && !wrong" class="slate count read" role="status">{{ read }}</span>
    </label>
    <p v-if="choice === OWN && wrong" class="wrong" role="alert">{{ wrong }}</p>
    <label>
      <ChoiceDot v-model="choice" name="part" value="all" />
      <span>All of it</span>
      <span class="slate count">{{ inbox.toLocaleString('en') }}</span>
    </label>
    <p class="slate">
      What is older goes to the archive here, and stays where it is on the server. When it is here you are
      shown what of it still asks for something, names a day to come or was never answered by you, and say
      what becomes of it.
    </p>
  </fieldset>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
.part-choice {
  margin: 12px 0;
}

label {
  display: grid;
  grid-template-columns: 16px minmax(0, 340px) auto;
  gap: 10px;
  padding: 3px 0;
  justify-content: start;
}

.count {
  font-variant-numeric: tabular-nums;
}

.since {
  display: flex;
  gap: 8px;
  align-items: center;
  white-space: nowrap;
}

.own {
  flex: 1;
  min-width: 0;
  max-width: 200px;
  padding: 2px 8px;
  font: inherit;
  color: inherit;
  background: none;
  border: 1px solid var(--v-edge);
  border-radius: 6px;
}

@media (max-width: 760px) {
  .read {
    grid-column: 2;
  }
}

p.slate {
  max-width: var(--measure);
  margin: 6px 0 0;
}
</style>
