<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api } from '@/shared/api/client'
import { ask } from '@/shared/ask'
import { attempt, say } from '@/shared/notice'
import { LinkButton } from '@/ui/kit'

/** The address at which other programs read the agenda. */
const queries = useQueryClient()
const { data } = useQuery({
  queryKey: ['agenda-address'],
  queryFn: ({ signal }) => answer(api.GET('/agenda-address', { signal })),
})
const address = computed(() => (data.value?.path ? window.location.origin + data.value.path : ''))
const set = (now: { path: string | null }) => queries.setQueryData(['agenda-address'], now)

const make = () => attempt(async () => set(await answer(api.PUT('/agenda-address'))))
async function change(): Promise<void> {
  const said = await ask({
    title: 'Another address?',
    text: 'Programs that read the agenda at the present one are shown nothing new from now on.',
    answers: [
      { value: 'change', text: 'Change it' },
      { value: 'close', text: 'Have none' },
    ],
  })
  if (said === 'change') await make()
  if (said === 'close') await attempt(async () => set(await answer(api.DELETE('/agenda-address'))))
}
async function copy(): Promise<void> {
  if (await attempt(() => navigator.clipboard.writeText(address.value))) say('The address is copied.')
}
</script>

<template>
  <h3>For other programs</h3>
  <p v-if="address" class="address">
    <code>{{ address }}</code>
    <LinkButton @click="copy">Copy</LinkButton>
    <LinkButton @click="change">Change it …</LinkButton>
  </p>
  <p class="slate">
    <template v-if="address">Whoever knows this address reads your agenda, and can change nothing.</template>
    <template v-else>
      Another calendar program can show your agenda, without changing it.
      <LinkButton @click="make">Make an address for it</LinkButton>
    </template>
  </p>
</template>

<style scoped>
h3 {
  margin: 16px 0 4px;
  font-size: var(--type-text);
  font-weight: 600;
}

.address {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}

code {
  overflow-wrap: anywhere;
  font-size: var(--type-note);
}
</style>
