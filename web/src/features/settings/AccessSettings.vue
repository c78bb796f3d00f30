<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answer, api } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { moment } from '@/shared/time/format'
import { attempt, tell } from '@/shared/notice'
import { counted } from '@/shared/words'
import { LinkButton, TextInput } from '@/ui/kit'

/** The password, and where the person is signed in. */
const queries = useQueryClient()
const { data: sessions } = useQuery({
  queryKey: ['sessions'],
  queryFn: ({ signal }) => answer(api.GET('/sessions', { signal })),
})
/** So many are shown at first, the ones used last. */
const FEW = 4
const isWhole = ref(false)

const present = ref('')
const fresh = ref('')
const wrong = ref<Record<string, string>>({})
const said = ref('')
const busy = ref(false)

async function change(): Promise<void> {
  wrong.value = {}
  said.value = ''
  busy.value = true
  try {
    await answer(api.PUT('/password', { body: { present: present.value, new: fresh.value } }))
    present.value = ''
    fresh.value = ''
    said.value = 'It is changed. Everywhere else you are signed out.'
    await queries.invalidateQueries({ queryKey: ['sessions'] })
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422)
      wrong.value = { all: problem.message, ...problem.fields }
    else tell(problem)
  } finally {
    busy.value = false
  }
}

const end = (id: string) =>
  attempt(async () => {
    await answer(api.DELETE('/sessions/{id}', { params: { path: { id } } }))
    await queries.invalidateQueries({ queryKey: ['sessions'] })
  })

/** What a browser calls itself is long, and begins with what all of them say. */
function name(browser: string): string {
  const program = /(Firefox|Edg|OPR|Chrome|Safari)\/(\d+)/.exec(browser)
  const system = /\((?:[^;)]*; )?([^;)]+)/.exec(browser)
  return program
    ? `${program[1]} ${program[2]}${system ? `, ${system[1]}` : ''}`
    : browser || 'unknown browser'
}
</script>

<template>
  <section class="sheet part">
    <h2>Password and sessions</h2>
    <form novalidate @submit.prevent="change">
      <TextInput type="text" name="username" autocomplete="username" hidden />
      <div class="fields">
        <v-text-field
          v-model="present"
          label="Present password"
          type="password"
          autocomplete="current-password"
          :error-messages="wrong.present"
        />
        <v-text-field
          v-model="fresh"
          label="New password"
          type="password"
          autocomplete="new-password"
          :error-messages="wrong.new"
        />
      </div>
      <p class="slate">A new one has at least 10 characters; several words are best.</p>
      <p v-if="wrong.all && !wrong.present && !wrong.new" class="wrong" role="alert">{{ wrong.all }}</p>
      <p class="acts">
        <v-btn type="submit" variant="outlined" size="small" :loading="busy">Change the password</v-btn>
        <span class="slate" role="status">{{ said }}</span>
      </p>
    </form>
    <ul v-if="sessions" aria-label="Where you are signed in">
      <li v-for="one in isWhole ? sessions : sessions.slice(0, FEW)" :key="one.id">
        <strong>{{ name(one.browser) }}</strong>
        <span class="slate">since {{ moment(one.begunAt) }}, last used {{ moment(one.usedAt) }}</span>
        <span v-if="one.current" class="slate">this one</span>
        <LinkButton v-else @click="end(one.id)">Sign out there</LinkButton>
      </li>
      <li v-if="!isWhole && sessions.length > FEW">
        <LinkButton @click="isWhole = true">
          {{ counted(sessions.length - FEW, 'more place', 'more places') }}
        </LinkButton>
      </li>
    </ul>
  </section>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 10px 16px;
  align-items: start;
  max-width: 640px;
}

ul {
  display: grid;
  gap: 6px;
  margin: 14px 0 0;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
}
</style>
