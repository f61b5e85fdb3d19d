<script setup lang="ts">
import { format } from 'date-fns'
import { type Order, TakeKind } from '#core/records'
import { newId } from '~/data/newId'
import { type OrderDraft, readOrder } from '~/forms/orderDraft'
import { takeKindWord } from '~/words/outlook'
import { moneyText, orderText } from '~/words/surplus'

/** Orders: who wants how many of whom by when. What is open is reserved from what can go. */
const props = defineProps<{ orders: readonly Order[]; colonyId: string; nowMs: number; currency: string }>()
defineEmits<{ serve: [order: Order] }>()
const room = useRoomStore()
const { save: saveRecord } = useSave()
const blank = (): OrderDraft => ({ who: '', colonyId: props.colonyId, number: '', of: 'any', dueAt: '', priceEach: '' })
const draft = ref(blank())
const issues = ref<Partial<Record<keyof OrderDraft, string>>>({})
const colonies = computed(() => room.colonies.map(c => ({ value: c.id, title: c.name })))
const kinds = TakeKind.options.map(value => ({ value, title: takeKindWord[value] }))
const open = computed(() => props.orders.filter(o => o.state === 'open'))
const past = computed(() =>
  props.orders
    .filter(o => o.state !== 'open')
    .toReversed()
    .slice(0, 12),
)

async function save() {
  const read = readOrder(
    { ...draft.value, colonyId: draft.value.colonyId || props.colonyId },
    newId(),
    room.room?.id ?? '',
    Date.now(),
  )
  issues.value = read.ok ? {} : read.issues
  if (!read.ok) return
  if (!(await saveRecord('orders', read.order, `Order for ${read.order.who} saved.`))) return
  draft.value = blank()
}
async function set(order: Order, state: Order['state']) {
  await saveRecord(
    'orders',
    { ...order, state },
    `Order for ${order.who} ${state === 'dropped' ? 'dropped' : 'is open again'}.`,
  )
}
const nameOf = (o: Order) => room.colonyById.get(o.colonyId)?.name ?? 'a colony that is gone'
</script>

<template>
  <div class="orders">
    <section aria-labelledby="open-orders">
      <h2 id="open-orders">Open orders</h2>
      <p v-if="open.length === 0" class="muted">
        No orders. What somebody wants by a day goes here; it is then kept back from the weekly list.
      </p>
      <ul>
        <li v-for="o in open" :key="o.id">
          <span class="what"
            ><b>{{ nameOf(o) }}</b> {{ orderText(o, nowMs, room.rungWords)
            }}<template v-if="o.priceEach !== undefined">, {{ moneyText(o.priceEach, currency) }} each</template></span
          >
          <v-btn class="quiet" size="small" :aria-label="`Serve ${o.who}`" @click="$emit('serve', o)">Serve</v-btn>
          <button type="button" class="link" :aria-label="`Drop the order for ${o.who}`" @click="set(o, 'dropped')">
            Drop
          </button>
        </li>
      </ul>
      <template v-if="past.length > 0">
        <h3>Served and dropped</h3>
        <ul>
          <li v-for="o in past" :key="o.id" class="muted">
            <span class="what"
              >{{ nameOf(o) }} {{ o.number }} for {{ o.who }}, {{ format(new Date(o.dueAt), 'd MMM') }}:
              {{ o.state === 'filled' ? 'served' : 'dropped' }}</span
            ><button
              type="button"
              class="link"
              :aria-label="`Open the order for ${o.who} again`"
              @click="set(o, 'open')"
            >
              Open again
            </button>
          </li>
        </ul>
      </template>
    </section>
    <form aria-label="New order" @submit.prevent="save">
      <h2>New order</h2>
      <TextInput v-model="draft.who" label="For whom" placeholder="B. N." :error="issues.who" />
      <PickOne v-model="draft.colonyId" label="From which colony" :options="colonies" />
      <FieldGrid :columns="2">
        <TextInput v-model="draft.number" label="How many" numeric :error="issues.number" />
        <PickOne v-model="draft.of" label="Of them" :options="kinds" />
      </FieldGrid>
      <FieldGrid :columns="2">
        <TextInput v-model="draft.dueAt" label="By" type="date" :error="issues.dueAt" />
        <TextInput
          v-model="draft.priceEach"
          label="Price of each"
          :suffix="currency"
          numeric
          :error="issues.priceEach"
        />
      </FieldGrid>
      <v-btn type="submit" color="primary">Save the order</v-btn>
    </form>
  </div>
</template>

<style scoped>
.orders {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: var(--space-8);
}
form {
  display: grid;
  gap: var(--space-5);
  align-content: start;
  justify-items: stretch;
}
li {
  display: flex;
  gap: var(--space-5);
  align-items: center;
  border-top: 1px solid var(--rule);
  min-height: 48px;
}
.what {
  flex: 1;
}
h3 {
  padding: var(--space-6) 0 var(--space-2);
}
@media (--narrow) {
  .orders {
    grid-template-columns: 1fr;
  }
}
</style>
