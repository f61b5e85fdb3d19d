<script setup lang="ts">
import { Chart, type ChartData, type ChartOptions } from 'chart.js'
import { axisDay } from '~/charts/axisDay'
import { TimeLine } from '~/charts/timeLine'
import type { ColonyBroods } from '#core/broods'
import { WEEK_MS } from '#core/records'
import type { BandPoint, PopulationAnswer } from '#core/population'
import { whole } from '~/words/numbers'
import { countMethodWord } from '~/words/states'
import { aroundText, dayText, stretchText } from '~/words/when'
import { lifeLineMarks, type LifeLineMarks } from './lifeLineMarks'

/** The life of a colony: estimate with its band, counts with error bars, what came and went, and the fan past today. */
Chart.register(lifeLineMarks)

const props = defineProps<{
  population: PopulationAnswer
  broods: ColonyBroods | null
  nowMs: number
  months: number | null
}>()
const { colour, faded, noteStyle, frame, timeAxis, valueAxis } = useChartStyle()

const since = computed(() =>
  props.months === null
    ? (props.population.path[0]?.at ?? props.nowMs)
    : Math.max(props.population.path[0]?.at ?? props.nowMs, props.nowMs - props.months * 30.44 * 86_400_000),
)
const past = computed(() => props.population.path.filter(p => p.at >= since.value - WEEK_MS))
const shownCounts = computed(() => props.population.counts.filter(c => c.at >= since.value))

const points = (band: readonly BandPoint[], key: 'p10' | 'p25' | 'p50' | 'p75' | 'p90') =>
  band.map(b => ({ x: b.at, y: b[key] }))
/** The grown among them, from the same moment on and ahead: what lies above is half-grown. */
const grownPast = computed(() => props.population.grown.past.filter(g => g.at >= since.value - WEEK_MS))
const grown = computed(() => [...grownPast.value, ...props.population.grown.ahead].map(g => ({ x: g.at, y: g.value })))
const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => {
  const { fan } = props.population
  const edge = { borderWidth: 0, pointRadius: 0, tension: 0 }
  return {
    datasets: [
      { ...edge, label: 'likely from', data: points(past.value, 'p10') },
      { ...edge, label: 'likely to', data: points(past.value, 'p90'), fill: '-1', backgroundColor: faded('weed', 0.2) },
      { ...edge, label: 'estimate', data: points(past.value, 'p50'), borderWidth: 2.5, borderColor: colour('weed') },
      { ...edge, label: 'likely from', data: points(fan, 'p10') },
      { ...edge, label: 'likely to', data: points(fan, 'p90'), fill: '-1', backgroundColor: faded('weed', 0.13) },
      { ...edge, label: 'inner half from', data: points(fan, 'p25') },
      { ...edge, label: 'inner half to', data: points(fan, 'p75'), fill: '-1', backgroundColor: faded('weed', 0.18) },
      {
        ...edge,
        label: 'ahead',
        data: points(fan, 'p50'),
        borderWidth: 2.5,
        borderColor: colour('weed'),
        borderDash: [2, 5],
        borderCapStyle: 'round',
      },
      { ...edge, label: 'grown', data: grown.value, borderWidth: 1.25, borderColor: faded('ink', 0.55) },
    ],
  }
})

/** Estimate at a moment: where an arrow starts. */
const levelAt = (at: number) => past.value.findLast(p => p.at < at)?.p50 ?? past.value[0]?.p50 ?? 0
const marks = computed<LifeLineMarks>(() => {
  const steps = props.population.steps.filter(s => s.at >= since.value)
  const largest = Math.max(1, ...steps.map(s => Math.abs(s.change)))
  return {
    counts: shownCounts.value.map(c => ({
      at: c.at,
      implied: c.value,
      low: c.low,
      high: c.high,
      believed: c.weight !== 'none',
      words: `count of ${whole(c.seen)} ${countMethodWord[c.method]}: not believed`,
    })),
    // words on every small step would crowd the line: only the larger ones speak
    steps: steps.map(s => ({
      at: s.at,
      level: levelAt(s.at),
      change: s.change,
      words:
        Math.abs(s.change) >= 0.5 * largest && steps.length <= 12
          ? `${s.change < 0 ? '−' : '+'}${whole(Math.abs(s.change))}`
          : '',
    })),
    broods: (props.broods?.lines ?? []).map(({ hatch }) => ({
      begunMs: hatch.begunToMs,
      fromMs: hatch.earliestMs,
      toMs: hatch.latestMs,
    })),
    todayMs: props.nowMs,
    ink: colour('ink'),
    muted: colour('muted'),
    roe: colour('roe'),
    paper: colour('background'),
  }
})
/** One wild count must not squeeze the rest: it is drawn at the top edge. */
const top = computed(() => {
  const highs = [
    ...past.value.map(p => p.p90),
    ...props.population.fan.map(p => p.p90),
    ...shownCounts.value.filter(c => c.weight !== 'none').map(c => c.high),
  ]
  return Math.max(3, ...highs) * 1.06
})
const options = computed<ChartOptions<'line'>>(() => ({
  ...frame,
  interaction: { mode: 'index', intersect: false, axis: 'x' },
  layout: { padding: { right: 8 } },
  scales: {
    x: timeAxis({ min: since.value, max: props.population.fan.at(-1)?.at }, (ms, before) =>
      axisDay(ms, before, (props.months ?? 99) < 9),
    ),
    y: valueAxis('animals', { min: 0, max: top.value }, whole),
  },
  plugins: {
    legend: { display: false },
    lifeLineMarks: { marks: marks.value },
    tooltip: {
      ...noteStyle(),
      filter: item => ['estimate', 'ahead'].includes(item.dataset.label ?? ''),
      callbacks: {
        title: items => (items[0] ? dayText(Number(items[0].parsed.x), props.nowMs) : ''),
        label: item => {
          const isAhead = item.dataset.label === 'ahead'
          const band = (isAhead ? props.population.fan : past.value)[item.dataIndex]
          const of = (isAhead ? props.population.grown.ahead : grownPast.value)[item.dataIndex]
          if (!band || !of) return []
          return [
            `about ${whole(band.p50)}, likely ${whole(band.p10)} to ${whole(band.p90)}`,
            `grown about ${whole(of.value)}, likely ${whole(of.low)} to ${whole(of.high)}`,
          ]
        },
      },
    },
  },
}))

/** " At the foot: 3 broods, the first hatches 27 Nov to 4 Dec." */
const hatching = computed(() => {
  const lines = props.broods?.lines ?? []
  const [first] = lines
  if (!first) return ''
  const when = stretchText(first.hatch.earliestMs, first.hatch.latestMs, props.nowMs)
  const which = lines.length === 1 ? 'a brood that' : `${lines.length} broods, of which the first`
  return ` At the foot: ${which} hatches ${when}.`
})
const summary = computed(() => {
  const first = past.value[0]
  const { now, fan, known } = props.population
  const end = fan.at(-1)
  if (!first || !end) return ''
  return (
    (known
      ? `From ${whole(first.p50)} on ${dayText(first.at, props.nowMs)} to ${whole(now.value)} today, each followed; by `
      : `From about ${whole(first.p50)} on ${dayText(first.at, props.nowMs)} to about ${whole(now.value)} today ` +
        `(likely ${whole(now.low)} to ${whole(now.high)}), from ${shownCounts.value.length} counts; by `) +
    `${aroundText(end.at, props.nowMs)} likely ${whole(end.p10)} to ${whole(end.p90)}. Thin line: the grown ` +
    `among them.${hatching.value}`
  )
})
</script>

<template>
  <figure>
    <div class="canvas">
      <TimeLine :data="data" :options="options" role="img" :aria-label="`Life line: ${summary}`" />
    </div>
    <figcaption class="small muted">{{ summary }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1;
}
.canvas {
  position: relative;
  flex: 1;
  min-height: 220px;
}
figcaption {
  padding-top: var(--space-1);
}
@media (--phone) {
  .canvas {
    min-height: 280px;
  }
}
</style>
