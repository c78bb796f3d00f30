<script setup lang="ts">
import {
  mdiAccountMultipleOutline,
  mdiEmailArrowLeftOutline,
  mdiEyeOffOutline,
  mdiKeyboardOutline,
  mdiLogout,
  mdiThemeLightDark,
  mdiTuneVariant,
} from '@mdi/js'
import { computed, ref } from 'vue'
import { useTheme } from 'vuetify'
import { useSession, useSignIn } from '@/shared/api/session'
import { useCover } from '@/shared/keys/registry'
import { keepTheme, keptTheme, type ThemeChoice } from './theme'
import { alone } from '@/shared/alone'
import { attempt } from '@/shared/notice'
import { PlainButton } from '@/ui/kit'

defineEmits<{ keys: [] }>()

const { account } = useSession()
const { signOut } = useSignIn()
const theme = useTheme()
const open = ref(false)
useCover(open, () => (open.value = false))
const choice = ref<ThemeChoice>(keptTheme())
const next = computed<ThemeChoice>(() => (theme.current.value.dark ? 'light' : 'dark'))

const initials = computed(() =>
  (account.value?.name ?? '')
    .split(/\s+/)
    .map((word) => word.charAt(0).toUpperCase())
    .slice(0, 2)
    .join(''),
)

function changeTheme(): void {
  choice.value = next.value
  keepTheme(choice.value)
  theme.change(choice.value)
}
</script>

<template>
  <v-menu v-if="account" v-model="open">
    <template #activator="{ props }">
      <PlainButton v-bind="props" class="me" aria-label="Account and more">{{ initials }}</PlainButton>
    </template>
    <v-list>
      <v-list-item :title="account.name" :subtitle="account.email" />
      <v-divider />
      <v-list-item :prepend-icon="mdiEmailArrowLeftOutline" title="Bring mail in" to="/import" />
      <v-list-item :prepend-icon="mdiAccountMultipleOutline" title="People" to="/people" />
      <v-list-item :prepend-icon="mdiTuneVariant" title="Settings" to="/settings" />
      <v-list-item :prepend-icon="mdiKeyboardOutline" title="Keys" @click="$emit('keys')" />
      <v-list-item :prepend-icon="mdiEyeOffOutline" title="Only this in sight" @click="alone = true" />
      <v-list-item
        :prepend-icon="mdiThemeLightDark"
        :title="next === 'dark' ? 'Dark desk' : 'Light desk'"
        @click="changeTheme"
      />
      <v-list-item :prepend-icon="mdiLogout" title="Sign out" @click="attempt(signOut)" />
    </v-list>
  </v-menu>
</template>

<style scoped>
.me {
  width: 32px;
  height: 32px;
  border: 0;
  border-radius: 50%;
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
  font:
    600 13px 'Figtree Variable',
    sans-serif;
  cursor: pointer;
}
</style>
