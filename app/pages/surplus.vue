<script setup lang="ts">
import type { Order } from '#core/records'
import { counted } from '~/words/numbers'
import { say } from '~/words/say'

useHead({ title: 'Surplus · Ulkin' })
const room = useRoomStore()
const statements = useStatementsStore()
const settings = useSettingsStore()
const desk = useSurplusDesk()
const saying = useSaying()

const tab = useTab(['go', 'orders', 'offers', 'ledger'] as const)
const tabs = computed(() => [
  { id: 'go' as const, title: 'What can go' },
  { id: 'orders' as const, title: `Orders ${desk.open.value.length || ''}` },
  { id: 'offers' as const, title: 'Weekly list' },
  { id: 'ledger' as const, title: 'Ledger' },
])
const chosen = ref('')
const picked = computed({
  get: () =>
    room.colonyById.has(chosen.value)
      ? chosen.value
      : room.colonyById.has(settings.lastColonyId) &&
          desk.colonies.value.some(c => c.colony.id === settings.lastColonyId && c.canGo > 0)
        ? settings.lastColonyId
        : (desk.colonies.value[0]?.colony.id ?? ''),
  set: id => {
    chosen.value = id
  },
})
const one = computed(() => desk.colonies.value.find(c => c.colony.id === picked.value))
const serving = shallowRef<Order | null>(null)
function serve(order: Order) {
  chosen.value = order.colonyId
  serving.value = order
  tab.value = 'go'
}
watch(picked, id => {
  if (serving.value && serving.value.colonyId !== id) serving.value = null
})
</script>

<template>
  <div class="surplus">
    <AppTop title="Surplus" about="What can leave this week, and where to?" />
    <div v-if="room.colonies.length > 0" class="page">
      <TabRow v-model="tab" class="parts" :tabs="tabs" label="Parts of the Surplus" />
      <div v-if="tab === 'go'" class="go">
        <PickOne
          v-if="desk.colonies.value.length > 0"
          v-model="picked"
          class="pick"
          label="Colony"
          :options="
            desk.colonies.value.map(c => ({
              value: c.colony.id,
              title: `${c.colony.name}: ${c.canGo || 'none'} can go`,
            }))
          "
        />
        <p v-if="desk.colonies.value.length === 0" class="muted">Working it out …</p>
        <p v-if="statements.firstLooks > 0 && desk.colonies.value.length > 0" class="small muted" role="status">
          A first look: what can go of
          {{ counted(statements.firstLooks, 'more colony', 'more colonies').toLowerCase() }}
          is being worked out.
        </p>
        <SurplusList v-if="desk.colonies.value.length > 0" v-model="picked" :colonies="desk.colonies.value" />
        <div v-if="one" class="one">
          <SurplusDetail
            :key="one.colony.id"
            :colony="one.colony"
            :population="one.population"
            :orders="desk.open.value.filter(o => o.colonyId === one!.colony.id)"
            :now-ms="desk.nowMs.value"
            :as-of="statements.of(one.colony.id)?.asOf ?? 0"
            :rungs="one.rungs"
            :currency="desk.currency.value"
            :held="one.held ? say(one.held, saying(one.colony)) : ''"
          />
          <HarvestForm
            :colony="one.colony"
            :can-go="one.canGo"
            :rungs="one.rungs"
            :order="serving"
            :currency="desk.currency.value"
            @done="serving = null"
          />
        </div>
      </div>
      <OrdersPanel
        v-else-if="tab === 'orders'"
        :orders="desk.orders.value"
        :colony-id="picked"
        :now-ms="desk.nowMs.value"
        :currency="desk.currency.value"
        @serve="serve"
      />
      <OffersPanel
        v-else-if="tab === 'offers'"
        :offers="desk.offers.value"
        :now-ms="desk.nowMs.value"
        :currency="desk.currency.value"
      />
      <LedgerPanel v-else :months="desk.months.value" :removals="desk.removals.value" :currency="desk.currency.value" />
    </div>
    <EmptyPlace v-else-if="room.ready" statement="There is no colony yet." to="/" leads="To the Room">
      Here you will read what can leave without harm, keep orders, print the weekly list and see what came in.
    </EmptyPlace>
  </div>
</template>

<style scoped>
.surplus {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.page {
  padding: var(--space-2) var(--space-7) var(--space-6);
}
.parts {
  padding-bottom: var(--space-4);
}
.go {
  display: grid;
  grid-template-columns: minmax(330px, 5fr) minmax(0, 7fr);
  gap: var(--space-7);
  align-items: start;
}
.one {
  display: grid;
  gap: var(--space-5);
  position: sticky;
  top: 8px;
}
.pick {
  display: none;
}
@media (--narrow) {
  .page {
    padding: var(--space-2) var(--space-6) var(--space-6);
  }
  .go {
    grid-template-columns: 1fr;
  }
  .one {
    order: -1;
    position: static;
  }
  .pick {
    display: block;
    order: -2;
  }
}
</style>
