<script setup lang="ts">
import { format } from 'date-fns'
import type { EntryOf } from '#core/records'
import type { LedgerMonth, Outlet } from '#core/surplus'
import { deviceDay } from '~/forms/deviceDays'
import { csvOf } from '~/files/csv'
import { saveFile } from '~/files/saveFile'
import { whole } from '~/words/numbers'
import { moneyText, outletWords } from '~/words/surplus'

/** What left the room month by month, where to, and what came in for it. */
const props = defineProps<{
  months: readonly LedgerMonth[]
  removals: readonly EntryOf<'removal'>[]
  currency: string
}>()
const room = useRoomStore()
const { save } = useSave()
const outlets = Object.keys(outletWords) as Outlet[]
const columns = [
  { key: 'month', title: 'Month', as: 'name' },
  ...outlets.map(o => ({ key: o, title: outletWords[o], as: 'figure' }) as const),
  { key: 'number', title: 'In all', as: 'figure' },
  { key: 'income', title: 'Came in', as: 'figure' },
] as const
const sign = ref(props.currency)
watch(
  () => props.currency,
  c => {
    sign.value = c
  },
)
const issue = ref('')
async function saveSign() {
  issue.value = sign.value.trim().length > 4 ? 'Four letters at most, like € or EUR.' : ''
  if (issue.value || !room.room) return
  await save('rooms', { ...room.room, currency: sign.value.trim() }, 'Sign of the money saved.')
}
const total = computed(() => props.months.reduce((s, m) => s + m.income, 0))
function saveCsv() {
  const rows = props.removals
    .toSorted((a, b) => (a.at < b.at ? -1 : 1))
    .map(r => [
      deviceDay(Date.parse(r.at)),
      room.colonyById.get(r.colonyId)?.name ?? '',
      r.number,
      r.outlet,
      r.price ?? '',
      r.text ?? '',
    ])
  saveFile(
    'ledger.csv',
    csvOf(
      ['date', 'colony', 'animals', 'outlet', `price of all${props.currency ? ` (${props.currency})` : ''}`, 'note'],
      rows,
    ),
    'text/csv',
  )
}
</script>

<template>
  <section aria-labelledby="ledger-title">
    <div class="head">
      <h2 id="ledger-title">
        {{
          months.length === 0
            ? 'Nothing has left the room yet'
            : `${whole(months.reduce((s, m) => s + m.number, 0))} animals have left, for ${moneyText(total, currency)}`
        }}
      </h2>
      <v-btn v-if="months.length > 0" class="quiet" @click="saveCsv">CSV</v-btn>
    </div>
    <DataTable v-if="months.length > 0" label="Ledger by month" :columns="columns" :rows="months">
      <template #month="{ row }">{{ format(new Date(`${row.month}-15`), 'MMMM yyyy') }}</template>
      <template v-for="o in outlets" #[o]="{ row }" :key="o">{{ row.byOutlet[o] ?? '' }}</template>
      <template #number="{ row }">{{ whole(row.number) }}</template>
      <template #income="{ row }">{{ row.income > 0 ? moneyText(row.income, currency) : '' }}</template>
    </DataTable>
    <form class="sign" @submit.prevent="saveSign">
      <TextInput v-model="sign" label="Sign of the money" placeholder="€" :error="issue" />
      <v-btn v-if="sign.trim() !== currency" type="submit" class="quiet">Save</v-btn>
    </form>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
.sign {
  display: flex;
  gap: var(--space-5);
  align-items: flex-end;
  width: 260px;
}
</style>
