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
const log = useLogStore()
const { save } = useSave()
const outlets = Object.keys(outletWords) as Outlet[]
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
  if (await save('rooms', { ...room.room, currency: sign.value.trim() })) log.tell('Sign of the money saved.')
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
    <table v-if="months.length > 0" aria-label="Ledger by month">
      <thead>
        <tr>
          <th scope="col">Month</th>
          <th v-for="o in outlets" :key="o" scope="col">{{ outletWords[o] }}</th>
          <th scope="col">In all</th>
          <th scope="col">Came in</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="m in months" :key="m.month">
          <th scope="row">{{ format(new Date(`${m.month}-15`), 'MMMM yyyy') }}</th>
          <td v-for="o in outlets" :key="o" class="numeral">{{ m.byOutlet[o] ?? '' }}</td>
          <td class="numeral">{{ whole(m.number) }}</td>
          <td class="numeral">{{ m.income > 0 ? moneyText(m.income, currency) : '' }}</td>
        </tr>
      </tbody>
    </table>
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
table {
  width: 100%;
  border-collapse: collapse;
  margin: 12px 0;
}
thead th {
  font-size: 13px;
  font-weight: 400;
  color: var(--muted);
}
th,
td {
  text-align: left;
  padding: 8px 12px 8px 0;
  border-top: 1px solid var(--rule);
}
tbody th {
  font-weight: 600;
}
.sign {
  display: flex;
  gap: 12px;
  align-items: flex-end;
  width: 260px;
}
</style>
