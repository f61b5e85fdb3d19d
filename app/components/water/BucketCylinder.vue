<script setup lang="ts">
import { formatNumber, unitOf, volume } from '#core/units'
import { preciseVolume } from '~/words/unitPrefs'

/**
 * The bucket with its sources, the first at the bottom. The lines between them are dragged, or moved with the arrow
 * keys; every other source keeps its litres.
 */
const props = defineProps<{ parts: { id: string; name: string; litres: number }[]; totalL: number; stepL: number }>()
const emit = defineEmits<{ blend: [litres: Record<string, number>] }>()
const settings = useSettingsStore()

const BOX = { width: 240, top: 14, height: 270, left: 62, wall: 108 }
const y = (litres: number) => BOX.top + BOX.height * (1 - litres / props.totalL)
const layers = computed(() => {
  let below = 0
  return props.parts.map((p, i) => {
    const from = below
    below += p.litres
    return { ...p, from, to: below, shade: 0.12 + 0.2 * i }
  })
})
/** A line between two neighbours: it may go from the lower edge of one to the upper edge of the other. */
const lines = computed(() =>
  layers.value.slice(0, -1).map((lower, i) => ({ lower, upper: layers.value[i + 1]!, at: lower.to })),
)
const unit = computed(() => unitOf(volume, settings.units.volume))
/** Marks on the wall: round numbers of the keeper's unit, six or seven of them. */
const marks = computed(() => {
  const total = props.totalL / unit.value.scale
  const rough = total / 6
  const size = 10 ** Math.floor(Math.log10(rough))
  const step = size * ([1, 2, 5].find(f => f * size >= rough) ?? 10)
  const decimals = Math.max(0, -Math.floor(Math.log10(step) + 1e-9))
  return Array.from({ length: Math.floor(total / step + 1e-9) + 1 }, (_, i) => ({
    litres: i * step * unit.value.scale,
    text: `${formatNumber(i * step, decimals)} ${unit.value.symbol}`,
  }))
})

function moveTo(line: (typeof lines.value)[number], litres: number) {
  const { lower, upper } = line
  const snapped = Math.round(litres / props.stepL) * props.stepL
  const at = Number(Math.min(upper.to, Math.max(lower.from, snapped)).toFixed(4))
  emit(
    'blend',
    Object.fromEntries(
      layers.value.map(l => [l.id, l.id === lower.id ? at - lower.from : l.id === upper.id ? upper.to - at : l.litres]),
    ),
  )
}
const svg = ref<SVGSVGElement>()
const dragged = ref(-1)
function drag(event: PointerEvent, i: number) {
  if (dragged.value !== i || !svg.value) return
  const { top, height } = svg.value.getBoundingClientRect()
  const inside = ((event.clientY - top) / height) * (BOX.height + 2 * BOX.top)
  moveTo(lines.value[i]!, (1 - (inside - BOX.top) / BOX.height) * props.totalL)
}
function grab(event: PointerEvent, i: number) {
  dragged.value = i
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
const keys: Record<string, number> = {
  ArrowUp: 1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowLeft: -1,
  PageUp: 5,
  PageDown: -5,
}
function key(event: KeyboardEvent, i: number) {
  const line = lines.value[i]!
  const by = keys[event.key]
  const to =
    by !== undefined
      ? line.at + by * props.stepL
      : event.key === 'Home'
        ? line.lower.from
        : event.key === 'End'
          ? line.upper.to
          : null
  if (to === null) return
  event.preventDefault()
  moveTo(line, to)
}
const say = (l: { name: string; litres: number }) => `${l.name} ${preciseVolume(l.litres, settings.units)}`
</script>

<template>
  <svg
    ref="svg"
    class="bucket"
    :viewBox="`0 0 ${BOX.width} ${BOX.height + 2 * BOX.top}`"
    role="group"
    :aria-label="`Bucket of ${preciseVolume(totalL, settings.units)}: ${parts.map(say).join(', ')}`"
  >
    <g v-for="l in layers" :key="l.id">
      <rect
        :x="BOX.left"
        :width="BOX.wall"
        :y="y(l.to)"
        :height="Math.max(0, y(l.from) - y(l.to))"
        class="layer"
        :style="{ opacity: l.shade }"
      />
      <template v-if="y(l.from) - y(l.to) > 34">
        <text :x="BOX.left + BOX.wall / 2" :y="(y(l.from) + y(l.to)) / 2 - 3" class="name">
          {{ l.name.length > 13 ? `${l.name.slice(0, 12)}…` : l.name }}
        </text>
        <text :x="BOX.left + BOX.wall / 2" :y="(y(l.from) + y(l.to)) / 2 + 15" class="litres">
          {{ preciseVolume(l.litres, settings.units) }}
        </text>
      </template>
      <text
        v-else
        :x="BOX.left + BOX.wall + 10"
        :y="(y(l.from) + y(l.to)) / 2 + (layers[0] === l ? 1 : -2)"
        class="beside"
      >
        {{ l.name.length > 9 ? `${l.name.slice(0, 8)}…` : l.name }}
      </text>
    </g>
    <path
      :d="`M${BOX.left},${BOX.top - 10} V${BOX.top + BOX.height} H${BOX.left + BOX.wall} V${BOX.top - 10}`"
      class="wall"
    />
    <g v-for="m in marks" :key="m.text">
      <line :x1="BOX.left" :x2="BOX.left + 14" :y1="y(m.litres)" :y2="y(m.litres)" class="mark" />
      <text :x="BOX.left - 8" :y="y(m.litres) + 5" class="scale">{{ m.text }}</text>
    </g>
    <g
      v-for="(line, i) in lines"
      :key="line.lower.id"
      class="line"
      role="slider"
      tabindex="0"
      aria-orientation="vertical"
      :aria-label="`Between ${line.lower.name} and ${line.upper.name}`"
      :aria-valuemin="line.lower.from"
      :aria-valuemax="line.upper.to"
      :aria-valuenow="line.at"
      :aria-valuetext="`${say(line.lower)}, ${say(line.upper)}`"
      @pointerdown.prevent="grab($event, i)"
      @pointermove="drag($event, i)"
      @pointerup="dragged = -1"
      @pointercancel="dragged = -1"
      @keydown="key($event, i)"
    >
      <rect :x="BOX.left - 4" :width="BOX.wall + 62" :y="y(line.at) - 22" height="44" class="hold" />
      <line :x1="BOX.left" :x2="BOX.left + BOX.wall + 16" :y1="y(line.at)" :y2="y(line.at)" class="edge" />
      <path :d="`M${BOX.left + BOX.wall + 16},${y(line.at)} l9,-8 h16 v16 h-16 z`" class="handle" />
      <path :d="`M${BOX.left + BOX.wall + 28},${y(line.at) - 3} h10 m-10,6 h10`" class="grip" />
    </g>
  </svg>
</template>

<style scoped>
.bucket {
  display: block;
  width: 100%;
  max-width: 260px;
  touch-action: none;
  user-select: none;
}
.layer {
  fill: var(--water);
}
.wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.mark {
  stroke: var(--ink);
  stroke-width: 1;
}
.name {
  text-anchor: middle;
  font: 650 var(--type-small) var(--v-font-body);
  fill: var(--ink);
}
.litres {
  text-anchor: middle;
  font: var(--type-small) var(--v-font-body);
  fill: var(--ink);
}
.beside {
  font: var(--type-fine) var(--v-font-body);
  fill: var(--muted);
}
.scale {
  text-anchor: end;
  font: var(--type-small) var(--v-font-body);
  fill: var(--muted);
}
.line {
  cursor: ns-resize;
  outline: none;
}
.hold {
  fill: transparent;
}
.edge {
  stroke: var(--water);
  stroke-width: 2;
}
.handle {
  fill: var(--surface);
  stroke: var(--water);
  stroke-width: 1.5;
}
.grip {
  stroke: var(--water);
  stroke-width: 1.5;
}
.line:focus-visible .handle {
  stroke: var(--weed);
  stroke-width: 3;
}
.line:hover .handle {
  fill: var(--water-tint);
}
</style>
