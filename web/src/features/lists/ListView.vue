<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useLists } from '@/shared/api/lists'
import { counted } from '@/shared/words'
import { ListNav, ListNote, ListViews } from '@/features/tasks'
import EmptyState from '@/ui/EmptyState.vue'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import ListAside from './ListAside.vue'
import HistoryView from './HistoryView.vue'
import LookUpView from './LookUpView.vue'
import MailView from './MailView.vue'
import PeopleOfList from './PeopleOfList.vue'
import StagesView from './StagesView.vue'

/** A list as the home of its subject, seen one way or another. */
const props = defineProps<{ id: string; view: string }>()
const router = useRouter()
const { data: lists, error, refetch } = useLists()
const list = computed(() => lists.value?.find(({ id }) => id === props.id))
const choose = (id: string) => router.replace({ name: 'list', params: { id, view: props.view } })
const holds = computed(() =>
  list.value
    ? [
        counted(list.value.conversations, 'conversation'),
        counted(list.value.open, 'task'),
        `${counted(list.value.references, 'thing')} to look up`,
      ].join(', ')
    : '',
)
</script>

<template>
  <div class="view">
    <FailedState v-if="error && !lists" :error="error" @again="refetch()" />
    <LoadingRows v-else-if="!lists" />
    <EmptyState v-else-if="!list" title="This list is not there any more">
      It was deleted, here or in another window.
      <template #actions
        ><v-btn variant="outlined" :to="{ name: 'tasks', query: { by: 'list' } }"
          >To the lists</v-btn
        ></template
      >
    </EmptyState>
    <div v-else class="body" :class="{ aside: view === 'stages' }">
      <ListNav :lists="lists" :chosen="id" @choose="choose" />
      <div class="content">
        <ListViews :list="list" :here="view" />
        <p class="slate holds">{{ holds }}</p>
        <StagesView v-if="view === 'stages'" :key="id" :list="list" />
        <MailView v-else-if="view === 'mail'" :key="id" :list="list" />
        <HistoryView v-else-if="view === 'history'" :key="id" :list="list" />
        <PeopleOfList v-else-if="view === 'people'" :key="id" :list="list" />
        <template v-else>
          <ListNote :id="id" :key="id" />
          <LookUpView :key="id" :list="list" />
        </template>
      </div>
      <ListAside v-if="view === 'stages'" class="beside" :list="list" />
    </div>
  </div>
</template>

<style scoped>
.body {
  display: grid;
  grid-template-columns: 212px minmax(0, 1fr);
  gap: 26px;
  align-items: start;
}

.body.aside {
  grid-template-columns: 190px minmax(0, 1fr) 216px;
  gap: 22px;
}

.holds {
  margin: -4px 0 12px;
  font-size: var(--type-note);
}

@media (max-width: 960px) {
  .body.aside {
    grid-template-columns: 190px minmax(0, 1fr);
  }

  .beside {
    grid-column: 2;
  }
}

@media (max-width: 760px) {
  .beside {
    grid-column: 1;
  }

  .body,
  .body.aside {
    grid-template-columns: minmax(0, 1fr);
    gap: 10px;
  }

  .body :deep(.lists ul) {
    display: flex;
    overflow-x: auto;
  }
}
</style>
