<script setup lang="ts">
import { format } from 'date-fns'
import { WEEK_MS } from '#core/records'
import type { PopulationAnswer } from '#core/population'
import { whole } from '~/words/numbers'
import { countMethodWord } from '~/words/states'

/** The life line as a table, four weeks a row: for screen readers, and for reading exact numbers. */
const props = defineProps<{ population: PopulationAnswer; nowMs: number }>()
const columns = [
  { key: 'day', title: 'Day' },
  { key: 'animals', title: 'Animals', as: 'number' },
  { key: 'likely', title: 'Likely', as: 'number' },
  { key: 'grown', title: 'Of them grown', as: 'number' },
  { key: 'counts', title: 'Counts' },
  { key: 'change', title: 'Came and went' },
] as const
const rows = computed(() => {
  const { path, fan, grown, counts, steps } = props.population
  const start = path[0]?.at ?? props.nowMs
  const ends: number[] = []
  for (let at = props.nowMs; at > start; at -= 4 * WEEK_MS) ends.unshift(at)
  const past = ends.map(at => {
    const nth = Math.max(
      0,
      path.findLastIndex(p => p.at <= at),
    )
    const band = path[nth]!
    const inside = (t: number) => t > at - 4 * WEEK_MS && t <= at
    return {
      at,
      band,
      of: grown.past[nth]!,
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
  const ahead = fan
    .map((band, i) => ({ at: band.at, band, of: grown.ahead[i]!, counts: 'ahead', change: '' }))
    .filter((_, i) => i > 0 && i % 4 === 0)
  return [...past, ...ahead].map(({ at, band, of, counts, change }) => ({
    day: format(at, 'd MMM yyyy'),
    animals: whole(band.p50),
    likely: `${whole(band.p10)} to ${whole(band.p90)}`,
    grown: `${whole(of.value)} (${whole(of.low)} to ${whole(of.high)})`,
    counts,
    change,
  }))
})
</script>

<template>
  <DataTable
    label="Estimate with likely range, counts, and animals that came or went, every four weeks"
    :columns="columns"
    :rows="rows"
    height="60vh"
  />
</template>
