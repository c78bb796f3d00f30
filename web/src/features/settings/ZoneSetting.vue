<script setup lang="ts">
import { computed } from 'vue'
import type { Settings } from '@/shared/api/client'
import { useSession, useSignIn } from '@/shared/api/session'
import { attempt } from '@/shared/notice'
import { ChoiceList, LinkButton } from '@/ui/kit'

/** Where the person is. */
const { account } = useSession()
const { saveSettings } = useSignIn()
const settings = computed(() => account.value?.settings)
const here = Intl.DateTimeFormat().resolvedOptions().timeZone
const zones = computed(() => {
  const all = Intl.supportedValuesOf('timeZone')
  const own = account.value?.zone
  return own && !all.includes(own) ? [own, ...all] : all
})

const move = (zone: string) =>
  attempt(async () => settings.value && (await saveSettings({ ...settings.value, zone } satisfies Settings)))
</script>

<template>
  <div v-if="account" class="row">
    <label>
      <span class="slate">You are in</span>
      <ChoiceList :model-value="account.zone" @change="move(($event.target as HTMLSelectElement).value)">
        <option v-for="zone in zones" :key="zone" :value="zone">{{ zone.replaceAll('_', ' ') }}</option>
      </ChoiceList>
    </label>
    <LinkButton v-if="here !== account.zone && here !== 'UTC'" @click="move(here)">
      This machine is in {{ here.replaceAll('_', ' ') }}: take that
    </LinkButton>
    <span class="slate">Moments stay moments and days stay days when you travel.</span>
  </div>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
.row {
  margin: 0 0 12px;
}
</style>
