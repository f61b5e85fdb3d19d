<script setup lang="ts">
import type { ValueVerdict } from '#core/water'
import { possibleRange } from '#core/records'
import { stateWord } from '~/words/states'
import { rangeText, valueName, valueText } from '~/words/unitPrefs'

/**
 * One value against its target: tolerated range pale, preferred range solid, the latest reading a tall tick, earlier
 * readings fading behind it, and where its way is sure an arrow to where it will be in four weeks.
 * `typed` moves the tick while a new reading is being typed.
 */
const props = defineProps<{
  verdict: ValueVerdict
  small?: boolean
  typed?: number | null
  /** the same span for strips that stand under each other */
  span?: readonly [number, number]
}>()
const settings = useSettingsStore()

const level = computed(() => props.typed ?? props.verdict.latest?.value ?? null)
const axis = computed(() => {
  if (props.span) return { low: props.span[0], high: props.span[1] }
  const { target, tolerated, window, inFourWeeks, key } = props.verdict
  const [possibleLow, possibleHigh] = possibleRange[key]
  const wide = Math.max(
    tolerated[1] - tolerated[0],
    target.preferred[1] - target.preferred[0],
    tolerated[1] * 0.05,
    0.2,
  )
  const points = [
    tolerated[0] - wide * 0.15,
    tolerated[1] + wide * 0.15,
    ...window.map(r => r.value),
    ...(inFourWeeks ? [inFourWeeks.value] : []),
    ...(level.value === null ? [] : [level.value]),
  ]
  return { low: Math.max(possibleLow, Math.min(...points)), high: Math.min(possibleHigh, Math.max(...points)) }
})
const at = (value: number) =>
  Math.min(100, Math.max(0, ((value - axis.value.low) / (axis.value.high - axis.value.low)) * 100))
const band = (low: number, high: number) => ({ left: `${at(low)}%`, width: `${Math.max(at(high) - at(low), 1.5)}%` })
const earlier = computed(() =>
  props.verdict.window
    .slice(0, props.typed == null ? -1 : undefined)
    .map((r, i, all) => ({ left: `${at(r.value)}%`, opacity: 0.15 + (0.55 * (i + 1)) / all.length })),
)
const arrow = computed(() => {
  const { inFourWeeks, trendPerWeek: trend } = props.verdict
  // only a way that is sure is drawn
  const sure = trend && (trend.low > 0 || trend.high < 0)
  if (props.typed != null || !inFourWeeks || !sure || level.value === null) return null
  const from = at(level.value)
  const to = at(inFourWeeks.value)
  if (Math.abs(to - from) < 2.5) return null
  return { left: `${Math.min(from, to)}%`, width: `${Math.abs(to - from)}%`, down: to < from }
})
const label = computed(() => {
  const { key, latest, state, target, trendPerWeek } = props.verdict
  const [low, high] = target.preferred
  const range = `preferred ${rangeText(key, low, high, settings.units)}`
  if (!latest) return `${valueName(key)} never tested, ${range}`
  const way = state === 'drifting' && trendPerWeek ? (trendPerWeek.value < 0 ? ' down' : ' up') : ''
  return `${valueName(key)} ${valueText(key, latest.value, settings.units)}, ${stateWord[state]}${way}, ${range}`
})
</script>

<template>
  <span class="strip" :class="{ small, off: verdict.state === 'off' && typed == null }" role="img" :aria-label="label">
    <i class="axis" />
    <i class="band tolerated" :style="band(...(verdict.tolerated as [number, number]))" />
    <i class="band preferred" :style="band(...verdict.target.preferred)" />
    <template v-if="!small">
      <i v-for="(tick, i) in earlier" :key="i" class="tick earlier" :style="tick" />
      <i v-if="arrow" class="arrow" :class="{ down: arrow.down }" :style="{ left: arrow.left, width: arrow.width }" />
    </template>
    <i v-if="level !== null" class="tick latest" :style="{ left: `${at(level)}%` }" />
  </span>
</template>

<style scoped>
.strip {
  position: relative;
  display: block;
  height: 22px;
  min-width: 0;
}
.strip i {
  position: absolute;
  display: block;
}
.axis {
  left: 0;
  right: 0;
  top: 10.5px;
  height: 1px;
  background: var(--rule);
}
.band {
  top: 7px;
  height: 8px;
  border-radius: 2px;
}
.tolerated {
  background: var(--water-tint);
}
.preferred {
  background: var(--water-solid);
}
.tick {
  top: 2px;
  width: 2px;
  height: 18px;
  margin-left: -1px;
  background: var(--water);
}
.latest {
  top: 0;
  width: 4px;
  height: 22px;
  margin-left: -2px;
  background: var(--ink);
  border-radius: 1px;
}
.off .latest {
  background: var(--rust);
}
.arrow {
  top: 10px;
  border-top: 2px dotted var(--ink);
}
.arrow::after {
  content: '';
  position: absolute;
  top: -6px;
  right: -5px;
  border: 5px solid transparent;
  border-left-color: var(--ink);
  border-right-width: 0;
}
.arrow.down::after {
  right: auto;
  left: -5px;
  border-left-width: 0;
  border-right: 5px solid var(--ink);
}
.small {
  height: 8px;
}
.small .axis {
  display: none;
}
.small .band {
  top: 2.5px;
  height: 3px;
  border-radius: 1px;
}
.small .latest {
  top: 0;
  width: 3px;
  height: 8px;
  margin-left: -1.5px;
}
</style>
