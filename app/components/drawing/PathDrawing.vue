<script setup lang="ts">
/**
 * A course over time as one line: what something will be at each moment, with the range or limit that it is held
 * against and the moments that matter named below. Every number that it shows stands in words or a table beside it.
 */
const props = defineProps<{
  /** unit and name of what is drawn, at the top left */
  title: string
  /** corners of the line in order of x; x is anything that grows with time */
  points: readonly { x: number; y: number }[]
  /** likely range around the line, at the same x */
  range?: readonly { low: number; high: number }[]
  /** another way beside it, dashed and named at its end */
  beside?: { points: readonly { x: number; y: number }[]; text: string } | null
  /** a rule across, named */
  limit?: { y: number; text: string } | null
  /** a band across, named */
  band?: { low: number; high: number; text: string } | null
  /** moments that are named below */
  marks: readonly { x: number; text: string }[]
  /** where the present is */
  now?: number | null
  /** what the drawing says, for those who do not see it */
  summary: string
  /** of a number on the left */
  shown: (y: number) => string
  height?: number
}>()

// drawn at its true width, so that the words keep their size on a phone
const svg = ref<SVGSVGElement>()
const { width } = useElementSize(svg, { width: 540, height: 150 })
const box = computed(() => ({
  width: Math.max(260, Math.round(width.value)),
  height: props.height ?? 150,
  left: 44,
  right: 12,
  top: 22,
  bottom: 26,
}))
/** A word below needs so much room. */
const WORD_PX = 74
/** A number on the left needs so much. */
const LABEL_PX = 14

const span = computed(() => {
  const xs = [...props.points, ...props.marks].map(p => p.x)
  const ys = [
    ...[...props.points, ...(props.beside?.points ?? [])].map(p => p.y),
    ...(props.range ?? []).flatMap(r => [r.low, r.high]),
    ...(props.limit ? [props.limit.y] : []),
    ...(props.band ? [props.band.low, props.band.high] : []),
  ]
  const [least, most] = [Math.min(...ys), Math.max(...ys)]
  const room = Math.max(most - least, 0.05 * Math.abs(most), 1e-6) * 0.1
  return {
    x0: Math.min(...xs),
    x1: Math.max(...xs, Math.min(...xs) + 1e-9),
    y0: least >= 0 && least - room < 0 ? 0 : least - room,
    y1: most + room,
  }
})
const px = (x: number) => {
  const { left, right, width: w } = box.value
  return left + ((w - left - right) * (x - span.value.x0)) / (span.value.x1 - span.value.x0)
}
const py = (y: number) => {
  const { top, bottom, height: h } = box.value
  return top + (h - top - bottom) * (1 - (y - span.value.y0) / (span.value.y1 - span.value.y0))
}
const through = (points: readonly { x: number; y: number }[]) =>
  points.map((p, i) => `${i === 0 ? 'M' : 'L'}${px(p.x)},${py(p.y)}`).join(' ')
/** Where a way is at a moment. */
function yAt(points: readonly { x: number; y: number }[], x: number): number {
  const next = points.findIndex(p => p.x >= x)
  const [a, b] = [points[Math.max(0, next - 1)]!, points[next < 0 ? points.length - 1 : next]!]
  return b.x === a.x ? b.y : a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x)
}
/** The name of the other way, where it has one, stands at its middle, on the side that is away from the line. */
const besideName = computed(() => {
  const way = props.beside?.text ? props.beside.points : null
  if (!way) return null
  const x = (way[0]!.x + way.at(-1)!.x) / 2
  const y = yAt(way, x)
  return y >= yAt(props.points, x)
    ? { x: px(x), y: py(y) - 8, anchor: 'middle' as const }
    : { x: px(x) - 10, y: py(y) + 10, anchor: 'end' as const }
})
const path = computed(() => through(props.points))
const area = computed(() => {
  if (!props.range) return ''
  const at = (side: 'low' | 'high') => props.range!.map((r, i) => `${px(props.points[i]!.x)},${py(r[side])}`)
  return `M${[...at('high'), ...at('low').reverse()].join(' L')} Z`
})
/** Named moments, but for those that would stand on the word before. */
const words = computed(() => {
  let free = -Infinity
  return props.marks.map(m => {
    const at = px(m.x)
    const anchor = at < box.value.left + 30 ? 'start' : at > box.value.width - 40 ? 'end' : 'middle'
    const from = anchor === 'start' ? at : anchor === 'end' ? at - WORD_PX : at - WORD_PX / 2
    const named = from >= free
    if (named) free = from + WORD_PX
    return { ...m, at, anchor, named }
  })
})
/** Numbers on the left: ends of the line, then of its range; none stands on another. */
const levels = computed(() => {
  const ys = props.points.map(p => p.y)
  const wanted = [
    Math.max(...ys),
    Math.min(...ys),
    ...(props.range ? [Math.max(...props.range.map(r => r.high)), Math.min(...props.range.map(r => r.low))] : []),
  ]
  return wanted.reduce<number[]>(
    (kept, y) => (kept.every(k => Math.abs(py(k) - py(y)) >= LABEL_PX) ? [...kept, y] : kept),
    [],
  )
})
</script>

<template>
  <svg ref="svg" class="course" :viewBox="`0 0 ${box.width} ${box.height}`" role="img" :aria-label="summary">
    <text x="0" y="12" class="note">{{ title }}</text>
    <template v-if="band">
      <rect
        :x="box.left"
        :width="box.width - box.left - box.right"
        :y="py(band.high)"
        :height="Math.max(0, py(band.low) - py(band.high))"
        class="band"
      />
      <text :x="box.width - box.right - 4" :y="py(band.high) + 14" class="note end">{{ band.text }}</text>
    </template>
    <template v-if="limit">
      <line :x1="box.left" :x2="box.width - box.right" :y1="py(limit.y)" :y2="py(limit.y)" class="limit" />
      <text :x="box.left + 4" :y="py(limit.y) - 5" class="note">{{ limit.text }}</text>
    </template>
    <line :x1="box.left" :x2="box.width - box.right" :y1="py(span.y0)" :y2="py(span.y0)" class="floor" />
    <path v-if="area" :d="area" class="area" />
    <template v-if="beside">
      <path :d="through(beside.points)" class="beside" />
      <text v-if="besideName" :x="besideName.x" :y="besideName.y" :text-anchor="besideName.anchor" class="note">
        {{ beside.text }}
      </text>
    </template>
    <path :d="path" class="path" />
    <text v-for="y in levels" :key="y" :x="box.left - 6" :y="py(y) + 4" class="note end">{{ shown(y) }}</text>
    <template v-if="now !== undefined && now !== null && now >= span.x0 && now <= span.x1">
      <line :x1="px(now)" :x2="px(now)" :y1="box.top - 4" :y2="py(span.y0)" class="now" />
      <text :x="px(now) + 4" :y="box.top + 6" class="note">now</text>
    </template>
    <template v-for="w in words" :key="`${w.x} ${w.text}`">
      <line :x1="w.at" :x2="w.at" :y1="py(span.y0)" :y2="py(span.y0) + 5" class="floor" />
      <text v-if="w.named" :x="w.at" :y="box.height - 6" :text-anchor="w.anchor" class="note">{{ w.text }}</text>
    </template>
  </svg>
</template>

<style scoped>
.course {
  display: block;
  width: 100%;
}
.path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-linejoin: round;
}
.area,
.band {
  fill: var(--water-solid);
  opacity: 0.5;
}
.beside {
  fill: none;
  stroke: var(--rust);
  stroke-dasharray: 5 4;
}
.limit {
  stroke: var(--rust);
  stroke-dasharray: 5 4;
}
.floor {
  stroke: var(--rule);
}
.now {
  stroke: var(--ink);
  stroke-dasharray: 2 3;
}
.note {
  font: var(--type-fine) var(--v-font-body);
  fill: var(--muted);
}
.end {
  text-anchor: end;
}
</style>
