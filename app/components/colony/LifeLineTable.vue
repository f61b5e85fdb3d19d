<script setup lang="ts">
import { format } from 'date-fns'
import { WEEK_MS } from '#core/records'
import type { PopulationAnswer } from '#core/population'
import { whole } from '~/words/numbers'
import { countMethodWord } from '~/words/states'

/** The life line as a table, four weeks a row: for screen readers, and for reading exact numbers. */
const props = defineProps<{ population: PopulationAnswer; nowMs: number }>()
const rows = computed(() => {
  const { path, fan, counts, steps } = props.population
  const start = path[0]?.at ?? props.nowMs
  const ends: number[] = []
  for (let at = props.nowMs; at > start; at -= 4 * WEEK_MS) ends.unshift(at)
  const past = ends.map(at => {
    const band = path.findLast(p => p.at <= at) ?? path[0]!
    const inside = (t: number) => t > at - 4 * WEEK_MS && t <= at
    return {
      at,
      band,
      counts: counts
        .filter(c => inside(c.at))
        .map(c => `${whole(c.seen)} ${countMethodWord[c.method]}${c.weight === 'none' ? ', not believed' : ''}`)
        .join('; '),
      change: steps
        .filter(s => inside(s.at))
        .map(s => (s.change > 0 ? `+${s.change}` : `−${-s.change}`))
        .join(', '),
    }
  })
  return [
    ...past,
    ...fan.filter((_, i) => i > 0 && i % 4 === 0).map(band => ({ at: band.at, band, counts: 'ahead', change: '' })),
  ]
})
</script>

<template>
  <div class="scroll" tabindex="0" role="region" aria-label="Life line as a table">
    <table>
      <caption class="hidden-to-eyes">
        Estimate with likely range, counts, and animals that came or went, every four weeks
      </caption>
      <thead>
        <tr>
          <th scope="col">Day</th>
          <th scope="col" class="num">Animals</th>
          <th scope="col" class="num">Likely</th>
          <th scope="col">Counts</th>
          <th scope="col">Came and went</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.at">
          <th scope="row">{{ format(r.at, 'd MMM yyyy') }}</th>
          <td class="num">{{ whole(r.band.p50) }}</td>
          <td class="num">{{ whole(r.band.p10) }} to {{ whole(r.band.p90) }}</td>
          <td>{{ r.counts }}</td>
          <td>{{ r.change }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
  flex: 1;
  min-height: 240px;
  max-height: 60vh;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 15px;
}
th,
td {
  text-align: left;
  padding: 6px 12px 6px 0;
  border-bottom: 1px solid var(--rule);
  font-weight: 400;
}
thead th {
  color: var(--muted);
  font-size: 14px;
  position: sticky;
  top: 0;
  background: var(--paper);
}
.num {
  text-align: right;
}
</style>
