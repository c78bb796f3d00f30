<script setup lang="ts">
import { RouterLink } from 'vue-router'
import type { Mailbox } from '@/shared/api/client'
import { counted } from '@/shared/words'
import { LinkButton } from '@/ui/kit'
import { wantedThere } from './mailboxes'

/** What the mail server would not do, why, and what can be done about it. */
defineProps<{ troubles: Mailbox['troubles'] }>()
const emit = defineEmits<{ again: []; leave: [trouble: number] }>()
</script>

<template>
  <section v-if="troubles.length" class="troubles" aria-label="What the server would not do">
    <p class="head">
      <span class="odd">{{ counted(troubles.length, 'change') }} the server would not make</span>
      <LinkButton @click="emit('again')">Try again now</LinkButton>
    </p>
    <ul>
      <li v-for="one in troubles" :key="one.id">
        <span
          ><RouterLink
            v-if="one.conversation"
            :to="{ name: 'conversation', params: { id: one.conversation } }"
            >{{ one.subject || 'No subject' }}</RouterLink
          ><template v-else>{{ one.subject || 'No subject' }}</template>
          <span class="slate">{{ ` ${wantedThere(one)}` }}</span></span
        >
        <LinkButton
          :aria-label="`Leave ${one.subject || 'No subject'} there as it is`"
          @click="emit('leave', one.id)"
          >Leave it there as it is</LinkButton
        >
        <span class="slate why">{{ one.problem }}</span>
      </li>
    </ul>
    <p class="slate">
      Nothing is lost by it: what you decided holds here. It is tried again by itself, after longer and longer
      pauses.
    </p>
  </section>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
.head {
  display: flex;
  gap: 14px;
}

ul {
  margin: 2px 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
  justify-content: space-between;
  padding: 3px 0;
}

.head,
ul + .slate {
  margin: 4px 0;
}

a {
  color: rgb(var(--v-theme-primary));
  text-decoration: none;
}

.why {
  flex-basis: 100%;
}
</style>
