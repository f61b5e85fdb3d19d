<script setup lang="ts">
import { format } from 'date-fns'
import { deviceDay } from '~/forms/deviceDays'
import { groupOf } from '#core/groups'
import type { Offer } from '#core/surplus'
import { csvOf } from '~/files/csv'
import { saveFile } from '~/files/saveFile'
import { cautionText } from '~/words/cautions'
import { whole } from '~/words/numbers'
import { moneyText } from '~/words/surplus'

/** The weekly list of what is on offer, as a table, a CSV file and a sheet to print. */
const props = defineProps<{ offers: readonly Offer[]; nowMs: number; currency: string }>()
const room = useRoomStore()
const about = (o: Offer) => {
  const colony = room.colonyById.get(o.colonyId)
  return colony ? groupOf(colony.groupId).animals : ''
}
const columns = [
  { key: 'name', title: 'Colony', as: 'name' },
  { key: 'about', title: 'Animals', as: 'quiet' },
  { key: 'offered', title: 'On offer', as: 'figure' },
  { key: 'reserved', title: 'Reserved' },
  { key: 'price', title: 'Price of each' },
] as const
const week = computed(() => `Week of ${format(props.nowMs, 'd MMMM yyyy')}`)
const on = computed(() => props.offers.filter(o => o.offered > 0))
const total = computed(() => on.value.reduce((s, o) => s + o.offered, 0))
function saveCsv() {
  saveFile(
    `offers-${deviceDay(props.nowMs)}.csv`,
    csvOf(
      ['colony', 'animals', 'on offer', 'reserved', `price each${props.currency ? ` (${props.currency})` : ''}`],
      on.value.map(o => [o.name, about(o), o.offered, o.reserved, o.priceEach ?? '']),
    ),
    'text/csv',
  )
}
async function savePdf() {
  const { cardPdf } = await import('~/files/cardPdf')
  const pdf = await cardPdf(`${room.room?.name ?? 'Room'}: on offer`, [
    { text: week.value, size: 10, gap: 10 },
    ...on.value.map(o => ({
      text:
        `${o.offered}  ${o.name} ` +
        `(${about(o)})${o.priceEach === null ? '' : `, ${moneyText(o.priceEach, props.currency)} each`}`,
      size: 12,
      gap: 7,
    })),
    { text: cautionText('neverRelease') ?? '', size: 8, gap: 2 },
    { text: 'Numbers are what can go without harm to the colonies; ask before you come.', size: 8 },
  ])
  saveFile(`offers-${deviceDay(props.nowMs)}.pdf`, pdf, 'application/pdf')
}
</script>

<template>
  <section aria-labelledby="offers-title">
    <div class="head">
      <h2 id="offers-title">
        {{ on.length > 0 ? `${whole(total)} animals on offer` : 'Nothing is on offer this week' }}
      </h2>
      <span v-if="on.length > 0" class="files"
        ><v-btn class="quiet" @click="savePdf">PDF</v-btn><v-btn class="quiet" @click="saveCsv">CSV</v-btn></span
      >
    </div>
    <p class="muted">
      {{ week }}. What can go today, less what is ordered for the next four weeks. Prices are those of the last order or
      sale.
    </p>
    <DataTable v-if="offers.length > 0" label="Weekly list" :columns="columns" :rows="offers">
      <template #about="{ row }">{{ about(row) }}</template>
      <template #offered="{ row }">{{ row.offered === 0 ? 'none' : whole(row.offered) }}</template>
      <template #reserved="{ row }">{{ row.reserved || '' }}</template>
      <template #price="{ row }">{{
        row.priceEach === null ? 'none yet' : moneyText(row.priceEach, currency)
      }}</template>
    </DataTable>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
.files {
  display: flex;
  gap: var(--space-4);
}
</style>
