<script setup lang="ts">
import { ref } from 'vue'
import { Problem } from '@/shared/api/problem'
import { useSignIn } from '@/shared/api/session'

const props = defineProps<{
  firstVisit?: boolean
  demo?: boolean
  title?: string
  email?: string
  note?: string
}>()

const { signIn, openAccount } = useSignIn()
const name = ref('')
const address = ref(props.email ?? '')
const password = ref('')
const word = ref('')
const sentence = ref('')
const fields = ref<Record<string, string>>({})
const busy = ref(false)

async function enter(): Promise<void> {
  busy.value = true
  sentence.value = ''
  fields.value = {}
  try {
    await (props.firstVisit
      ? openAccount(name.value, address.value, password.value, word.value)
      : signIn(address.value.trim(), password.value))
  } catch (problem) {
    const known = problem instanceof Problem ? problem : Problem.unreachable()
    fields.value = known.fields
    sentence.value = Object.keys(known.fields).length ? '' : known.message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="sheet panel" novalidate @submit.prevent="enter">
    <img :src="'/mark.svg'" alt="" width="40" height="40" />
    <h1>{{ title ?? (firstVisit ? 'Welcome to Zippy Tray' : 'Zippy Tray') }}</h1>
    <p class="slate">
      <template v-if="firstVisit">
        Go through your mail once, decide each conversation, and keep a short list of tasks that you trust.
        Your mail stays on this machine.
      </template>
      <template v-else-if="title">Sign in to go on where you were. Nothing that you typed is lost.</template>
      <template v-else>Sign in to open your tray.</template>
    </p>
    <v-text-field
      v-if="firstVisit"
      v-model="name"
      v-first
      label="Your name"
      name="name"
      autocomplete="name"
      :error-messages="fields.name"
    />
    <v-text-field
      v-model="address"
      v-first="!firstVisit && !email"
      label="Email address"
      name="email"
      type="email"
      autocomplete="username"
      :error-messages="fields.email"
    />
    <v-text-field
      v-model="password"
      v-first="!firstVisit && !!email"
      label="Password"
      name="password"
      type="password"
      :autocomplete="firstVisit ? 'new-password' : 'current-password'"
      :hint="firstVisit ? 'At least 10 characters; several words are best' : ''"
      :persistent-hint="firstVisit"
      :error-messages="fields.password"
    />
    <v-text-field
      v-if="firstVisit"
      v-model="word"
      label="The word from the window"
      name="word"
      autocomplete="off"
      autocapitalize="off"
      spellcheck="false"
      hint="Printed where ./zippy serve was started, so that only you can make this account"
      persistent-hint
      :error-messages="fields.word"
    />
    <p v-if="sentence" class="wrong" role="alert">{{ sentence }}</p>
    <v-btn type="submit" color="primary" size="large" block :loading="busy">
      {{ firstVisit ? 'Make my account' : 'Sign in' }}
    </v-btn>
    <p v-if="demo" class="slate demo">This is the demo: wren@ternpoint.example, tern-point-light</p>
  </form>
</template>

<style scoped>
.panel {
  width: min(440px, 100%);
  display: grid;
  gap: 16px;
  padding: 34px 38px;
}

p {
  margin: 0;
}

.wrong {
  color: rgb(var(--v-theme-error));
  font-weight: 550;
}

.demo {
  font-size: var(--type-note);
}
</style>
