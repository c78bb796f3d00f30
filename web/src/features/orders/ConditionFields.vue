<script setup lang="ts">
import { computed } from 'vue'
import { ChoiceList, LinkButton, TextInput } from '@/ui/kit'
import { ASKS, type Asked, GROUPS, newAsked, type Test } from './conditions'

/** A group of conditions, within which others can lie. */
const props = defineProps<{ group: Asked; depth: number }>()
defineEmits<{ remove: [] }>()

const group = computed(() => props.group)
/** Deeper than that nobody sees through it. */
const DEPTH = 3
const askOf = (test: Test) => ASKS.find((one) => one.test === test)

function add(event: Event): void {
  const list = event.target as HTMLSelectElement
  group.value.of.push(newAsked(list.value as Test))
  list.value = ''
}
</script>

<template>
  <div class="group" :class="{ within: depth > 1 }">
    <p>
      <template v-if="depth === 1">Mail for which</template>
      <ChoiceList v-model="group.test" aria-label="How they go together">
        <option v-for="one in GROUPS" :key="one.test" :value="one.test">{{ one.text }}</option>
      </ChoiceList>
      hold
      <LinkButton v-if="depth > 1" class="remove" @click="$emit('remove')">Remove</LinkButton>
    </p>
    <template v-for="(one, index) in group.of" :key="index">
      <ConditionFields
        v-if="GROUPS.some(({ test }) => test === one.test)"
        :group="one"
        :depth="depth + 1"
        @remove="group.of.splice(index, 1)"
      />
      <div v-else class="line">
        <span>{{ askOf(one.test)?.text }}</span>
        <ChoiceList v-if="askOf(one.test)?.choices" v-model="one.is" :aria-label="askOf(one.test)?.text">
          <option v-for="choice in askOf(one.test)?.choices" :key="choice.value" :value="choice.value">
            {{ choice.text }}
          </option>
        </ChoiceList>
        <TextInput
          v-else
          v-model="one.is"
          maxlength="200"
          :placeholder="askOf(one.test)?.placeholder"
          :aria-label="askOf(one.test)?.text"
        />
        <LinkButton :aria-label="`Remove: ${askOf(one.test)?.text}`" @click="group.of.splice(index, 1)"
          >Remove</LinkButton
        >
      </div>
    </template>
    <ChoiceList model-value="" aria-label="Add a condition" @change="add">
      <option value="" disabled>Add a condition …</option>
      <option v-for="one in ASKS" :key="one.test" :value="one.test">{{ one.text }} …</option>
      <template v-if="depth < DEPTH">
        <option v-for="one in GROUPS" :key="one.test" :value="one.test">{{ one.text }} …</option>
      </template>
    </ChoiceList>
  </div>
</template>

<style scoped>
.group {
  display: grid;
  gap: 7px;
  justify-items: start;
}

.within {
  padding-left: 14px;
  border-left: 3px solid var(--v-edge);
}

.group > *:not(select) {
  width: 100%;
}

p {
  display: flex;
  gap: 7px;
  align-items: center;
  margin: 0;
}

.line {
  display: grid;
  grid-template-columns: 210px 1fr auto;
  gap: 10px;
  align-items: center;
}

.remove {
  margin-left: auto;
}

input {
  min-width: 0;
  padding: 5px 9px;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}

select {
  padding: 4px 7px;
  border: 1px solid var(--v-edge);
  border-radius: 7px;
}

@media (max-width: 760px) {
  .line {
    grid-template-columns: 1fr auto;
  }

  .line > span {
    grid-column: 1 / -1;
  }
}
</style>
