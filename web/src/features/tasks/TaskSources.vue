<script setup lang="ts">
import { mdiFileTreeOutline, mdiLinkVariant, mdiPaperclip } from '@mdi/js'
import { computed } from 'vue'
import type { Task } from '@/shared/api/client'
import { fileAddress } from '@/shared/api/files'
import { size } from '@/shared/time/format'
import SourceBlock from './SourceBlock.vue'

/** What a task leads back to, what is attached to it, and what leads to it. */
const props = defineProps<{ task: Task }>()
const messages = computed(() => props.task.sources.flatMap(({ copy }) => copy ?? []))
const others = computed(() => props.task.sources.filter(({ kind }) => kind !== 'message'))
const isPicture = (type: string) => /^image\/(png|jpeg|gif|webp)$/.test(type)
</script>

<template>
  <ul v-if="others.length || task.files.length || task.usedBy.length" class="extra">
    <li v-for="source in others" :key="source.ref">
      <v-icon :icon="source.kind === 'web' ? mdiLinkVariant : mdiFileTreeOutline" size="16" />
      <a
        v-if="source.kind === 'web'"
        class="link"
        :href="source.ref"
        target="_blank"
        rel="noopener noreferrer"
        >{{ source.ref }}</a
      >
      <router-link
        v-else-if="source.task"
        class="link"
        :to="{ name: 'tasks', params: { id: source.ref }, query: $route.query }"
        >{{ source.task.title }}</router-link
      >
      <span v-else class="slate">a task that is not there any more</span>
    </li>
    <li v-for="user in task.usedBy" :key="user.id">
      <v-icon :icon="mdiFileTreeOutline" size="16" />
      <span class="slate">a source of</span>
      <router-link class="link" :to="{ name: 'tasks', params: { id: user.id }, query: $route.query }">{{
        user.title
      }}</router-link>
    </li>
    <li v-for="file in task.files" :key="file.id">
      <img v-if="isPicture(file.type)" :src="fileAddress(file.id)" :alt="file.name" />
      <v-icon v-else :icon="mdiPaperclip" size="16" />
      <a class="link" :href="fileAddress(file.id)" :download="file.name">{{ file.name }}</a>
      <span class="slate">{{ size(file.size) }}</span>
    </li>
  </ul>
  <SourceBlock v-for="source in messages" :key="source.id" :source="source" />
</template>

<style scoped>
.extra {
  margin: 18px 0 0;
}

li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 3px 0;
  font-size: var(--type-note);
}

li .link {
  min-width: 0;
  overflow-wrap: anywhere;
}

img {
  max-width: 120px;
  max-height: 80px;
  border-radius: 6px;
}
</style>
