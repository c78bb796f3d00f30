<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { attempt, clearNotice, notice } from '@/shared/notice'
import { counted, deed, object } from '@/shared/words'
import { moment } from '@/shared/time/format'
import { useUndo } from '@/shared/steps/undo'
import { LinkButton } from '@/ui/kit'

const { undo } = useUndo()
async function through({ entry }: { entry: string }): Promise<void> {
  if (await attempt(() => undo({ id: entry }, true))) clearNotice()
}
</script>

<template>
  <div
    v-if="notice"
    class="notice"
    :class="{ news: notice.isNews }"
    :role="notice.isNews ? 'status' : 'alert'"
  >
    <p>
      {{ notice.text }}
      <template v-if="notice.later">
        In the way: <strong>{{ deed(notice.later) }}: {{ object(notice.later) }}</strong
        >, {{ moment(notice.later.at) }}.
        <LinkButton v-if="notice.through" @click="through(notice.through)">
          Undo this and {{ counted(notice.through.steps, 'later step') }}
        </LinkButton>
        <router-link class="link" to="/journal">Open the journal</router-link>
      </template>
    </p>
    <v-btn :icon="mdiClose" variant="text" size="small" aria-label="Close" @click="clearNotice" />
  </div>
</template>

<style scoped>
.notice {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 4px 44px;
  background: rgb(var(--v-theme-surface));
  border-top: 2px solid rgb(var(--v-theme-error));
}

.news {
  border-color: rgb(var(--v-theme-primary));
}

p {
  margin: 0 auto 0 0;
}

@media (max-width: 760px) {
  .notice {
    padding: 4px 12px;
  }
}
</style>
