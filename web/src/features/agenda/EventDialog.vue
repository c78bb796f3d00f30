<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import ModalDialog from '@/ui/ModalDialog.vue'
import EventForm from './EventForm.vue'
import OthersEvent from './OthersEvent.vue'
import { useEvent } from './queries'

/** The event that the address names: to read, to change, or to make. */
const route = useRoute()
const router = useRouter()
const word = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : '')
const id = computed(() => word('event'))
const key = computed(() => word('key') || null)
const isNew = computed(() => id.value === 'new')
const { data, error, refetch } = useEvent(() => (isNew.value ? '' : id.value), key)
/** What is in somebody else's calendar is taken over as an event of one's own. */
const taken = ref(false)
watch(id, () => (taken.value = false))
const close = () => void router.replace({ name: 'agenda' })
</script>

<template>
  <ModalDialog :open="!!id" max-width="640" name="Event" @close="close">
    <EventForm v-if="isNew" :key="word('when')" :sheet="null" :when="word('when')" @close="close" />
    <OthersEvent
      v-else-if="data?.event.calendar && !taken"
      :sheet="data"
      @close="close"
      @take="taken = true"
    />
    <EventForm
      v-else-if="data?.event.calendar"
      :key="`own ${id} ${key}`"
      :sheet="null"
      :model="data"
      when=""
      @close="close"
    />
    <EventForm v-else-if="data" :key="id + key" :sheet="data" when="" @close="close" />
    <div v-else-if="id" class="sheet">
      <FailedState v-if="error" :error="error" @again="refetch()" />
      <LoadingRows v-else />
    </div>
  </ModalDialog>
</template>
