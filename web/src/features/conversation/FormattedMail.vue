<script setup lang="ts">
import { ref } from 'vue'

defineProps<{ message: string }>()

const height = ref(240)

/** Scripts never run in there, so the height is read from out here. */
function fit(event: Event): void {
  const page = (event.target as HTMLIFrameElement).contentDocument
  if (page) height.value = Math.min(20_000, page.documentElement.scrollHeight + 8)
}
</script>

<template>
  <iframe
    class="frame"
    title="The message as it was formatted"
    sandbox="allow-same-origin allow-popups allow-popups-to-escape-sandbox"
    :src="`/api/messages/${message}/formatted`"
    :style="{ height: height + 'px' }"
    @load="fit"
  />
</template>

<style scoped>
.frame {
  width: 100%;
  border: 0;
  border-radius: 6px;
  background: #fff;
  color-scheme: light;
}
</style>
