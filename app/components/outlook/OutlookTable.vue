<script setup lang="ts">
import type { OutlookAnswer, OutlookAsk } from '#core/outlook'
import type { BandPoint } from '#core/population'
import type { ScenarioChange } from '#core/records'
import { percent, plain, whole } from '~/words/numbers'
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
const at = (fan: readonly BandPoint[], week: number) => fan[Math.min(week, props.ask.weeks)]
</script>

<template>
  <div class="scroll">
    <table aria-label="Scenarios compared">
      <thead>
        <tr>
          <th scope="col">Scenario</th>
          <th scope="col">In 8 weeks</th>
          <th scope="col">In 26 weeks</th>
          <th scope="col">{{ whole(ask.number) }} there</th>
          <th scope="col">By week {{ ask.byWeek }}</th>
          <th scope="col">Dies out</th>
          <th scope="col">Room full</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in drawn" :key="l.id">
          <th scope="row">
            {{ l.name }}<span v-if="l.id !== 'now'" class="small muted">{{ changeText(l.change) }}</span>
          </th>
          <td v-for="w in [8, 26]" :key="w">
            <span class="numeral">{{ whole(at(l.fan, w)?.p50 ?? 0) }}</span><span class="small muted"
              >{{ whole(at(l.fan, w)?.p10 ?? 0) }} to {{ whole(at(l.fan, w)?.p90 ?? 0) }}</span
            >
          </td>
          <td>{{ plain(reachText(l.answer, ask, nowMs)) }}</td>
          <td class="numeral">{{ percent(l.answer.chanceBy) }}</td>
          <td class="numeral">{{ l.answer.diedOut < 0.001 ? 'hardly' : percent(l.answer.diedOut) }}</td>
          <td>{{ plain(fullText(l.answer, nowMs)) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 15px;
}
thead th {
  font-size: 13px;
  font-weight: 400;
  color: var(--muted);
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 5px 12px 5px 0;
  border-top: 1px solid var(--rule);
}
tbody th {
  font-weight: 600;
  max-width: 220px;
}
th span,
td span {
  display: block;
  font-weight: 400;
}
td .numeral {
  font-weight: 650;
}
td.numeral,
td span {
  white-space: nowrap;
}
</style>
