<script setup lang="ts">
import type { RecipeKey, WaterRecipe } from '#core/water'
import { readoutsOf } from '#core/water'
import { DAY_MS } from '#core/records'
import { limitText, valueName, valueNumber, valueUnit } from '~/words/unitPrefs'
import { dayText } from '~/words/when'

/** The staged stair: one value, change by change, against its preferred range. */
const props = defineProps<{
  recipe: WaterRecipe
  shown: RecipeKey
  preferred: readonly [number, number] | null
  startMs: number
  nowMs: number
}>()
const settings = useSettingsStore()

// drawn at its true width, so that the words keep their size on a phone
const svg = ref<SVGSVGElement>()
const { width } = useElementSize(svg, { width: 540, height: 118 })
const BOX = reactive({
  width: computed(() => Math.max(260, Math.round(width.value))),
  height: 118,
  left: 50,
  right: 8,
  top: 16,
  bottom: 28,
})
/** Labels need so much room. */
const LABEL_PX = 62
const levels = computed(() => [
  readoutsOf(props.recipe.steps[0]!.before)[props.shown],
  ...props.recipe.steps.map(s => readoutsOf(s.after)[props.shown]),
])
const rises = computed(() => levels.value.at(-1)! >= levels.value[0]!)
const axis = computed(() => {
  const [low, high] = props.preferred ?? [levels.value[0]!, levels.value.at(-1)!]
  const least = Math.min(...levels.value)
  const most = Math.max(...levels.value)
  // the stair fills the height; of the range only the nearer edge has to be seen
  const span = Math.max(most - least, 0.1 * Math.abs(most), 0.5)
  const from = Math.min(least, Math.max(low, least - span * 0.4))
  const to = Math.max(most, Math.min(high, most + span * 0.4))
  return { from: from - span * 0.12, to: to + span * 0.18 }
})
const y = (v: number) =>
  BOX.top + (BOX.height - BOX.top - BOX.bottom) * (1 - (v - axis.value.from) / (axis.value.to - axis.value.from))
const x = (i: number) => BOX.left + ((BOX.width - BOX.left - BOX.right) * (i + 0.6)) / (props.recipe.steps.length + 0.6)
const path = computed(() => {
  let d = `M${BOX.left},${y(levels.value[0]!)}`
  props.recipe.steps.forEach((_, i) => {
    d += ` H${x(i)} V${y(levels.value[i + 1]!)}`
  })
  return `${d} H${BOX.width - BOX.right}`
})
const band = computed(() => {
  if (!props.preferred) return null
  const top = Math.max(BOX.top - 8, y(props.preferred[1]))
  const bottom = Math.min(BOX.height - BOX.bottom + 4, y(props.preferred[0]))
  return bottom > top ? { y: top, height: bottom - top } : null
})
const every = computed(() => Math.ceil((props.recipe.steps.length * LABEL_PX) / (BOX.width - BOX.left)))
const text = (v: number) => valueNumber(props.shown, v, settings.units)
const day = (i: number) => {
  const ms = props.startMs + props.recipe.steps[i]!.afterDays * DAY_MS
  return ms - props.nowMs < DAY_MS / 2 ? 'today' : dayText(ms, props.nowMs)
}
const summary = computed(
  () =>
    `${valueName(props.shown)} ${valueUnit(props.shown, settings.units)}: ${text(levels.value[0]!)} now, ` +
    `${props.recipe.steps.map((_, i) => `${text(levels.value[i + 1]!)} after the change of ${day(i)}`).join(', ')}`,
)
</script>

<template>
  <svg ref="svg" class="stair" :viewBox="`0 0 ${BOX.width} ${BOX.height}`" role="img" :aria-label="summary">
    <rect
      v-if="band"
      :x="BOX.left"
      :width="BOX.width - BOX.left - BOX.right"
      :y="band.y"
      :height="band.height"
      class="band"
    />
    <text v-if="band && preferred" :x="BOX.left + 6" :y="rises ? band.y + 15 : band.y + band.height - 6" class="note">
      preferred {{ limitText(shown, preferred[0], settings.units) }} to
      {{ limitText(shown, preferred[1], settings.units) }}
    </text>
    <path :d="path" class="path" />
    <text :x="BOX.left" :y="y(levels[0]!) + (rises ? -7 : 18)" class="value">{{ text(levels[0]!) }}</text>
    <g v-for="(s, i) in recipe.steps" :key="i">
      <circle :cx="x(i)" :cy="y(levels[i + 1]!)" r="4" class="dot" />
      <template v-if="i === recipe.steps.length - 1 || (i % every === 0 && recipe.steps.length - 1 - i >= every)">
        <text :x="x(i) + 6" :y="y(levels[i + 1]!) + (rises ? -7 : 18)" class="value">{{ text(levels[i + 1]!) }}</text>
        <text :x="x(i)" :y="BOX.height - 6" class="note middle">{{ day(i) }}</text>
      </template>
    </g>
    <text x="0" :y="BOX.top - 4" class="note">{{ valueName(shown) }} {{ valueUnit(shown, settings.units) }}</text>
  </svg>
</template>

<style scoped>
.stair {
  display: block;
  width: 100%;
  height: 118px;
}
.band {
  fill: var(--water-solid);
  opacity: 0.5;
}
.path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.dot {
  fill: var(--water);
}
.value {
  font: 650 var(--type-small) var(--v-font-heading);
  fill: var(--ink);
}
.note {
  font: var(--type-fine) var(--v-font-body);
  fill: var(--muted);
}
.middle {
  text-anchor: middle;
}
</style>
