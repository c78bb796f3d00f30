<script setup lang="ts">
import { computed } from 'vue'
import type { FolderRole } from '@/shared/api/client'
import { ChoiceList, TickBox } from '@/ui/kit'
import { ROLES } from './mailboxes'

/** What the folders of a mailbox stand for, and which of them are taken in. */
const props = defineProps<{
  folders: { name: string; role: FolderRole; messages?: number; takenIn?: boolean }[]
}>()
const chosen = defineModel<Record<string, { role: FolderRole; takenIn: boolean }>>({ required: true })

const TAKEN: FolderRole[] = ['inbox', 'away', 'archive', 'sent']
const now = (one: (typeof props.folders)[number]) =>
  chosen.value[one.name] ?? { role: one.role, takenIn: one.takenIn ?? TAKEN.includes(one.role) }
const rank = (role: FolderRole) => (Object.keys(ROLES).indexOf(role) + 99) % 99
const shown = computed(() =>
  props.folders
    .filter(({ role }) => role !== 'inbox')
    .sort((a, b) => rank(a.role) - rank(b.role) || a.name.localeCompare(b.name)),
)

/** Another one that stood for the same gives way. */
function setRole(one: (typeof props.folders)[number], role: FolderRole): void {
  const next = { ...chosen.value }
  for (const other of shown.value)
    if (role !== 'other' && other.name !== one.name && now(other).role === role)
      next[other.name] = { role: 'other', takenIn: now(other).takenIn }
  next[one.name] = { role, takenIn: TAKEN.includes(role) || now(one).takenIn }
  chosen.value = next
}
const setTakenIn = (one: (typeof props.folders)[number], takenIn: boolean) =>
  (chosen.value = { ...chosen.value, [one.name]: { role: now(one).role, takenIn } })
</script>

<template>
  <details v-if="shown.length" class="folders">
    <summary>
      Folders<span class="slate">
        {{
          shown
            .filter((one) => now(one).role in ROLES)
            .map((one) => `${ROLES[now(one).role]}: ${one.name}`)
            .join(' · ')
        }}</span
      >
    </summary>
    <table>
      <thead class="slate">
        <tr>
          <th scope="col">On the server</th>
          <th scope="col">Stands for</th>
          <th scope="col">Taken in</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in shown" :key="one.name">
          <th scope="row">
            {{ one.name }}
            <span v-if="one.messages" class="slate">{{ one.messages.toLocaleString('en') }}</span>
          </th>
          <td>
            <ChoiceList
              :model-value="now(one).role"
              :aria-label="`What ${one.name} stands for`"
              @update:model-value="(role) => role && setRole(one, role)"
            >
              <option value="other">a folder of your own</option>
              <option v-for="(name, role) in ROLES" :key="role" :value="role">{{ name }}</option>
            </ChoiceList>
          </td>
          <td>
            <TickBox
              :model-value="now(one).takenIn"
              :aria-label="`Take in ${one.name}`"
              @update:model-value="(takenIn) => setTakenIn(one, !!takenIn)"
            />
          </td>
        </tr>
      </tbody>
    </table>
  </details>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
.folders {
  margin: 8px 0;
}

summary {
  cursor: pointer;
}

summary .slate {
  margin-left: 10px;
}

table {
  margin: 6px 0;
  border-collapse: collapse;
}

th {
  font-weight: 400;
  text-align: left;
}

td,
th {
  padding: 3px 18px 3px 0;
}
</style>
