<script setup lang="ts">
import { attempt } from '@/shared/notice'
import { moment } from '@/shared/time/format'
import { capitalised } from '@/shared/words'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { LinkButton } from '@/ui/kit'
import { useCorrections } from './queries'
import { ABOUT, saidOf } from './said'
import { useImportanceSteps } from './steps'

/** What the person said themselves of how much mail matters, each of which can be taken back. */
const { data, error, refetch } = useCorrections()
const { takeBack } = useImportanceSteps()
</script>

<template>
  <FailedState v-if="error && !data" :error="error" @again="refetch()" />
  <LoadingRows v-else-if="!data" />
  <p v-else-if="!data.length" class="slate">
    How much mail matters to you is learned from what you do with it. Where that is wrong, <kbd>Alt+↑</kbd> on
    a conversation says so; what you said is listed here.
  </p>
  <ul v-else class="said">
    <li v-for="one in data" :key="one.id">
      <span
        >{{ capitalised(ABOUT[one.about](one.name)) }} <b>{{ saidOf(one) }}</b></span
      >
      <span class="slate">since {{ moment(one.madeAt) }}</span>
      <LinkButton @click="attempt(() => takeBack(one.id))">Take back</LinkButton>
    </li>
  </ul>
</template>

<style scoped>
.said li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
  padding: 6px 0;
}

.said li > :first-child {
  overflow-wrap: anywhere;
}

.said b {
  margin-left: 8px;
  font-weight: 550;
}

.said .link {
  margin-left: auto;
}
</style>
