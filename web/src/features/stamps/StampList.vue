<script setup lang="ts">
import FailedState from '@/ui/FailedState.vue'
import KeyCap from '@/ui/KeyCap.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { LinkButton } from '@/ui/kit'
import { makeStamp } from './making'
import { useStamps } from './queries'
import { stepsText } from './using'

/** All stamps, to be made and changed. */
const { data, error, refetch } = useStamps()
</script>

<template>
  <FailedState v-if="error && !data" :error="error" @again="refetch()" />
  <LoadingRows v-else-if="!data" />
  <template v-else>
    <p v-if="!data.length" class="slate">
      A stamp does several things to mail with one key: a label, a task with its due, an answer from a
      template. Make one here, or of what you just did, under Undo in the bar.
    </p>
    <ul v-else class="stamps">
      <li v-for="stamp in data" :key="stamp.id">
        <span class="key"><KeyCap v-if="stamp.key" :name="`Shift+${stamp.key}`" /></span>
        <b>{{ stamp.name }}</b>
        <span class="slate">{{ stepsText(stamp) }}</span>
        <LinkButton :aria-label="`Change ${stamp.name}`" @click="makeStamp(stamp)">Change</LinkButton>
      </li>
    </ul>
    <LinkButton @click="makeStamp()">New stamp</LinkButton>
  </template>
</template>

<style scoped>
.stamps {
  margin-bottom: 10px;
}

li {
  display: grid;
  grid-template-columns: 34px auto 1fr auto;
  gap: 4px 14px;
  align-items: baseline;
  padding: 5px 0;
}

.slate {
  overflow-wrap: anywhere;
}
</style>
