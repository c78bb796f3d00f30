<script setup lang="ts">
import { ref, watch } from 'vue'
import { signInNeeded } from './api/client'
import { useSession } from './api/session'
import AskDialog from './parts/AskDialog.vue'
import DayRail from './parts/DayRail.vue'
import FailedState from './parts/FailedState.vue'
import JotLine from './parts/JotLine.vue'
import KeyCard from './parts/KeyCard.vue'
import ModalDialog from './parts/ModalDialog.vue'
import NoticeBar from './parts/NoticeBar.vue'
import PasteDialog from './parts/PasteDialog.vue'
import PutOffDialog from './parts/PutOffDialog.vue'
import TemplateDialog from './parts/TemplateDialog.vue'
import CardDialog from './parts/CardDialog.vue'
import SignInPanel from './parts/SignInPanel.vue'
import TopBar from './parts/TopBar.vue'
import TheDock from './parts/TheDock.vue'
import WorkStrip from './parts/WorkStrip.vue'
import { setTypist } from './typing/kept'

const { data: session, account, error, refetch } = useSession()
watch(account, (now) => now && setTypist(now.email), { immediate: true, flush: 'sync' })
const jotLine = ref<InstanceType<typeof JotLine>>()
const keyCard = ref<InstanceType<typeof KeyCard>>()
</script>

<template>
  <v-app>
    <template v-if="account">
      <TopBar :demo="session?.demo ?? false" @keys="keyCard?.show()" @jot="jotLine?.show()" />
      <WorkStrip />
      <main>
        <router-view v-slot="{ Component, route }">
          <component :is="Component" :key="String(route.name)" />
        </router-view>
      </main>
      <TheDock />
      <DayRail />
      <JotLine ref="jotLine" />
      <KeyCard ref="keyCard" />
      <AskDialog />
      <PutOffDialog />
      <PasteDialog />
      <TemplateDialog />
      <CardDialog />
      <ModalDialog :open="signInNeeded" insistent max-width="440" name="Sign in again">
        <SignInPanel title="You were signed out" :email="account.email" />
      </ModalDialog>
    </template>
    <main v-else-if="session" class="door">
      <SignInPanel
        :first-visit="session.firstVisit"
        :demo="session.demo"
        :email="session.awaited ?? ''"
        :note="session.awaited ? `Mail for ${session.awaited} has been brought in already.` : ''"
      />
    </main>
    <main v-else-if="error" class="door"><FailedState :error="error" @again="refetch()" /></main>
    <NoticeBar v-if="!account" />
  </v-app>
</template>

<style scoped>
.door {
  min-height: 100vh;
  display: grid;
  place-items: center;
  padding: 20px;
}
</style>
