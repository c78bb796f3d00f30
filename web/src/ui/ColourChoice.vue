<script setup lang="ts">
import type { Colour } from '@/shared/api/client'
import { ChoiceDot } from './kit'

/** The colour of a list or a label. */
const colour = defineModel<Colour>({ required: true })
/** Where several are on screen, each has a name of its own. */
withDefaults(defineProps<{ name?: string }>(), { name: 'colour' })

const COLOURS: Colour[] = ['slate', 'sea', 'moss', 'brass', 'rust', 'plum', 'sky']
</script>

<template>
  <fieldset>
    <legend class="slate">Colour</legend>
    <label v-for="one in COLOURS" :key="one" :class="{ on: colour === one }" :title="one">
      <ChoiceDot v-model="colour" :name="name" :value="one" :aria-label="one" />
      <i class="dot" :class="one" />
    </label>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: flex;
  gap: 6px;
  align-items: center;
  margin: 0;
  padding: 0;
  border: 0;
}

legend {
  float: left;
  padding: 0;
  margin-right: 10px;
  font-size: var(--type-note);
}

label {
  position: relative;
  display: grid;
  place-items: center;
  width: 32px;
  height: 32px;
  border-radius: 50%;
  cursor: pointer;
}

label.on {
  box-shadow: inset 0 0 0 2px rgb(var(--v-theme-primary));
}

label:focus-within {
  outline: 2px solid rgb(var(--v-theme-primary));
}

label input {
  position: absolute;
  opacity: 0;
}

label .dot {
  width: 16px;
  height: 16px;
  margin: 0;
}
</style>
