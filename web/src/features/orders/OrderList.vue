<script setup lang="ts">
import { ref } from 'vue'
import type { Order } from '@/shared/api/client'
import { attempt } from '@/shared/notice'
import { counted } from '@/shared/words'
import FailedState from '@/ui/FailedState.vue'
import LoadingRows from '@/ui/LoadingRows.vue'
import { LinkButton, TickBox } from '@/ui/kit'
import { giveOrder } from './giving'
import OnOldDialog from './OnOldDialog.vue'
import { useOrders } from './queries'
import { useOrderSteps } from './steps'

/** All standing orders in their order, to be given, changed, moved and put to rest. */
const { data, error, refetch } = useOrders()
const { turnOrder, moveOrder } = useOrderSteps()
const onOld = ref<Order | null>(null)

const up = (index: number) =>
  attempt(async () => {
    const [order, behind] = [data.value?.[index], data.value?.[index - 2]]
    if (order) await moveOrder(order.id, behind?.id ?? null)
  })
const doesText = ({ steps, urgent }: Order) =>
  [...steps.map(({ text }) => text), urgent ? 'urgent' : ''].filter(Boolean).join(', ')
</script>

<template>
  <FailedState v-if="error && !data" :error="error" @again="refetch()" />
  <LoadingRows v-else-if="!data" />
  <template v-else>
    <p v-if="!data.length" class="slate">
      A standing order does something by itself with mail that arrives. Give one here, or of what you just
      did, under Undo in the bar.
    </p>
    <ol v-else class="orders">
      <li v-for="(order, index) in data" :key="order.id" :class="{ resting: !order.on }">
        <TickBox
          :model-value="order.on"
          :aria-label="`${order.name} is in force`"
          @change="attempt(() => turnOrder(order.id, !order.on))"
        />
        <div>
          <b>{{ order.name }}</b>
          <p class="slate">
            Mail {{ order.text }}: {{ doesText(order) }}{{ order.last ? '; then no other' : '' }}.
            {{ order.done ? `Carried out ${counted(order.done, 'time')} in 30 days.` : '' }}
          </p>
        </div>
        <LinkButton v-if="index" :aria-label="`${order.name} before the one above`" @click="up(index)"
          >Up</LinkButton
        >
        <LinkButton :aria-label="`${order.name} on old mail`" @click="onOld = order">On old mail</LinkButton>
        <LinkButton :aria-label="`Change ${order.name}`" @click="giveOrder(order)">Change</LinkButton>
      </li>
    </ol>
    <LinkButton @click="giveOrder()">New standing order</LinkButton>
    <OnOldDialog v-if="onOld" :order="onOld" @close="onOld = null" />
  </template>
</template>

<style scoped>
.orders {
  margin-bottom: 10px;
}

li {
  display: grid;
  grid-template-columns: 24px 1fr auto auto auto;
  gap: 12px;
  align-items: baseline;
  padding: 6px 0;
}

.resting b {
  color: var(--v-slate);
}

p {
  margin: 0;
  font-size: var(--type-note);
  overflow-wrap: anywhere;
}

@media (max-width: 760px) {
  li {
    grid-template-columns: 24px 1fr;
  }

  .link {
    grid-column: 2;
    justify-self: start;
  }
}
</style>
