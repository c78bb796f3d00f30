<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { moment } from '@/shared/time/format'
import { attempt } from '@/shared/notice'
import { forgetLeftOut, useMailWays } from './queries'

/** Mail that has come and could not be taken in. */
const queries = useQueryClient()
const { data } = useMailWays()

const forget = () =>
  attempt(async () => {
    await forgetLeftOut()
    await queries.invalidateQueries()
  })
</script>

<template>
  <section v-if="data?.leftOut.length" id="left-out" class="sheet part">
    <h2>Could not be taken in</h2>
    <p class="slate">They lie where they came from; nothing of them was changed.</p>
    <ul>
      <li v-for="one in data.leftOut" :key="one.name">
        <strong>{{ one.name }}</strong>
        <span>{{ one.problem }}</span>
        <span class="slate">{{ moment(one.at) }}</span>
      </li>
    </ul>
    <p><v-btn variant="outlined" size="small" @click="forget">I have seen it</v-btn></p>
  </section>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
ul {
  display: grid;
  gap: 6px;
  margin: 10px 0;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  overflow-wrap: anywhere;
}
</style>
