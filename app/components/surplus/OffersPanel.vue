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
  { key: 'rung', title: 'Grade' },
  { key: 'about', title: 'Animals', as: 'quiet' },
  { key: 'offered', title: 'On offer', as: 'figure' },
  { key: 'reserved', title: 'Reserved' },
  { key: 'price', title: 'Price of each' },
] as const
const week = computed(() => `Week of ${format(props.nowMs, 'd MMMM yyyy')}`)
const on = computed(() => props.offers.filter(o => o.offered > 0))
/** A line of the list: a colony, or one rung of it. */
interface Row {
  key: string
  name: string
  about: string
  rung: string
  offered: number
  reserved: number
  priceEach: number | null
}
/** What is graded is listed by rung, best first; who is not grown yet stands for itself. */
function rowsOf(o: Offer): Row[] {
  const { name, reserved } = o
  const row = { key: o.colonyId, name, about: about(o), rung: '', offered: o.offered, reserved, priceEach: o.priceEach }
  if (o.rungs.length === 0) return [row]
  const graded = o.rungs.reduce((s, r) => s + r.offered, 0)
  const parts: Row[] = o.rungs.map(r => ({
    ...row,
    ...{ key: `${o.colonyId} ${r.words}`, rung: r.words, offered: r.offered, reserved: 0 },
    priceEach: r.priceEach ?? o.priceEach,
  }))
  const rest = o.offered - graded
  if (rest > 0) parts.push({ ...row, key: `${o.colonyId} rest`, rung: 'not graded', offered: rest, reserved: 0 })
  parts[0]!.reserved = reserved
  return parts
}
const rows = computed(() => props.offers.flatMap(rowsOf))
const onRows = computed(() => rows.value.filter(r => r.offered > 0))
const named = (r: Row) => (r.rung ? `${r.name}, ${r.rung}` : r.name)
const total = computed(() => on.value.reduce((s, o) => s + o.offered, 0))
function saveCsv() {
  saveFile(
    `offers-${deviceDay(props.nowMs)}.csv`,
    csvOf(
      [
        'colony',
        'grade',
        'animals',
        'on offer',
        'reserved',
        `price each${props.currency ? ` (${props.currency})` : ''}`,
      ],
      onRows.value.map(r => [r.name, r.rung, r.about, r.offered, r.reserved, r.priceEach ?? '']),
    ),
    'text/csv',
  )
}
async function savePdf() {
  const { cardPdf } = await import('~/files/cardPdf')
  const pdf = await cardPdf(`${room.room?.name ?? 'Room'}: on offer`, [
    { text: week.value, size: 10, gap: 10 },
    ...onRows.value.map(r => ({
      text:
        `${r.offered}  ${named(r)} ` +
        `(${r.about})${r.priceEach === null ? '' : `, ${moneyText(r.priceEach, props.currency)} each`}`,
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
      {{ week }}. What can go today, less what is ordered for the next four weeks; who breeds for a line stays. Prices
      are those of the ladder, or of the last order or sale.
    </p>
    <DataTable v-if="offers.length > 0" label="Weekly list" :columns="columns" :rows="rows">
      <template #rung="{ row }">{{ row.rung }}</template>
      <template #about="{ row }">{{ row.about }}</template>
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
