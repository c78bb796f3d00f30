<script setup lang="ts">
import { ref } from 'vue'
import { keyCard, useKeys, EVERYWHERE } from '@/shared/keys/registry'
import KeyCap from '@/ui/KeyCap.vue'
import ModalDialog from '@/ui/ModalDialog.vue'

const open = ref(false)
defineExpose({ show: () => (open.value = true) })

useKeys(EVERYWHERE, [{ key: '?', label: 'Show this key card', run: () => (open.value = true) }])
const keys = [{ key: '?', label: 'Close this key card', run: () => (open.value = false) }]
</script>

<template>
  <ModalDialog :open="open" :keys="keys" name="Keys" @close="open = false">
    <div class="sheet card">
      <h2>Keys</h2>
      <template v-for="layer in keyCard" :key="layer.title">
        <section v-if="layer.bindings.length">
          <h3>{{ layer.title }}</h3>
          <dl>
            <template v-for="binding in layer.bindings" :key="binding.key">
              <dt><KeyCap :name="binding.key" /></dt>
              <dd>{{ binding.label }}</dd>
            </template>
          </dl>
        </section>
      </template>
      <p class="slate">Keys rest while you type into a field. <KeyCap name="Escape" /> closes this card.</p>
    </div>
  </ModalDialog>
</template>

<style scoped>
.card {
  padding: 24px 30px;
  overflow: auto;
}

h2 {
  font-size: var(--type-head);
  margin: 0;
}

h3 {
  font-size: var(--type-note);
  color: var(--v-slate);
  margin: 16px 0 6px;
}

dl {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 7px 12px;
  margin: 0;
}

dt {
  text-align: right;
}

dd {
  margin: 0;
}

p {
  margin: 18px 0 0;
  font-size: var(--type-note);
}
</style>
