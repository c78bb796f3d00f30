<script setup lang="ts">
import { ref, watch } from 'vue'
import { signInNeeded } from '@/shared/api/client'
import { useSession } from '@/shared/api/session'
import AskDialog from '@/ui/AskDialog.vue'
import DayRail from '@/features/rail/DayRail.vue'
import FailedState from '@/ui/FailedState.vue'
import JotLine from '@/features/jot/JotLine.vue'
import KeyCard from './KeyCard.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import NoticeBar from './NoticeBar.vue'
import PasteDialog from '@/features/tasks/PasteDialog.vue'
import { ImportanceSlip } from '@/features/importance'
import { LabelSlip } from '@/features/labels'
import { OrderDialog } from '@/features/orders'
import { StampDialog, StampSlip } from '@/features/stamps'
import PutOffDialog from '@/features/tasks/PutOffDialog.vue'
import TemplateDialog from '@/features/write/TemplateDialog.vue'
import { TimeDialog } from '@/features/clock'
import CardDialog from '@/features/people/ContactDialog.vue'
import SignInPanel from './SignInPanel.vue'
import TopBar from './TopBar.vue'
import TheDock from './TheDock.vue'
import WorkStrip from './WorkStrip.vue'
import { alone } from '@/shared/alone'
import { setTypist } from '@/shared/typing/kept'

const { data: session, account, error, refetch } = useSession()
watch(account, (now) => now && setTypist(now.email), { immediate: true, flush: 'sync' })
const jotLine = ref<InstanceType<typeof JotLine>>()
const keyCard = ref<InstanceType<typeof KeyCard>>()
</script>

<template>
  <v-app>
    <template v-if="account">
      <TopBar
        v-if="!$route.meta.bare"
        :demo="session?.demo ?? false"
        @keys="keyCard?.show()"
        @jot="jotLine?.show()"
      />
      <WorkStrip />
      <main>
        <router-view v-slot="{ Component, route }">
          <component :is="Component" :key="String(route.name)" />
        </router-view>
      </main>
      <TheDock />
      <DayRail v-if="!alone && !$route.meta.bare" />
      <JotLine ref="jotLine" />
      <KeyCard ref="keyCard" />
      <AskDialog />
      <ImportanceSlip />
      <LabelSlip />
      <StampSlip />
      <StampDialog />
      <OrderDialog />
      <PutOffDialog />
      <PasteDialog />
      <TemplateDialog />
      <CardDialog />
      <TimeDialog />
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
