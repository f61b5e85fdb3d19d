<script setup lang="ts">
import type { OutlookAnswer, OutlookAsk } from '#core/outlook'
import type { BandPoint } from '#core/population'
import type { ScenarioChange } from '#core/records'
import { percent, plain, whole } from '~/words/numbers'
import type { DataColumn } from '~/components/drawing/dataColumn'
import { changeText, fullText, reachText } from '~/words/outlook'

/** Scenarios side by side: how many, when, how likely, and what may go wrong. */
const props = defineProps<{
  drawn: readonly {
    id: string
    name: string
    change: ScenarioChange
    answer: OutlookAnswer
    fan: readonly BandPoint[]
  }[]
  ask: OutlookAsk
  nowMs: number
}>()
const settings = useSettingsStore()
const at = (fan: readonly BandPoint[], week: number) => fan[Math.min(week, props.ask.weeks)]
const columns = computed<DataColumn[]>(() => [
  { key: 'name', title: 'Scenario', as: 'name' },
  { key: 'week8', title: 'In 8 weeks', as: 'figure' },
  { key: 'week26', title: 'In 26 weeks', as: 'figure' },
  { key: 'reach', title: `${whole(props.ask.number)} there` },
  { key: 'by', title: `By week ${props.ask.byWeek}`, as: 'figure' },
  { key: 'diesOut', title: 'Dies out', as: 'figure' },
  { key: 'full', title: 'Room full' },
])
</script>

<template>
  <DataTable label="Scenarios compared" :columns="columns" :rows="drawn">
    <template #name="{ row }">
      {{ row.name }}<span v-if="row.id !== 'now'" class="below">{{ changeText(row.change, settings.units) }}</span>
    </template>
    <template v-for="w in [8, 26]" #[`week${w}`]="{ row }" :key="w">
      {{ whole(at(row.fan, w)?.p50 ?? 0)
      }}<span class="below">{{ whole(at(row.fan, w)?.p10 ?? 0) }} to {{ whole(at(row.fan, w)?.p90 ?? 0) }}</span>
    </template>
    <template #reach="{ row }">{{ plain(reachText(row.answer, ask, nowMs)) }}</template>
    <template #by="{ row }">{{ percent(row.answer.chanceBy) }}</template>
    <template #diesOut="{ row }">{{ row.answer.diedOut < 0.001 ? 'hardly' : percent(row.answer.diedOut) }}</template>
    <template #full="{ row }">{{ plain(fullText(row.answer, nowMs)) }}</template>
  </DataTable>
</template>
