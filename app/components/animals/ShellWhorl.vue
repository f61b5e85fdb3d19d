<script setup lang="ts">
import type { ZoneKind } from '#core/records'
import { formatNumber } from '#core/units'
import { zoneWord } from '~/words/animals'
import { diameterAt, type WhorlFrame, zonePath } from './whorl'

/** A whorl with its zones, from the middle outwards. Where it may be marked, a touch ends a zone there. */
const props = defineProps<{
  zones: readonly { kind: ZoneKind; endMm: number }[]
  /** diameter of the whole; that of the last zone where it is missing */
  mostMm?: number
  marks?: boolean
}>()
const emit = defineEmits<{ mark: [mm: number] }>()
const frame = computed<WhorlFrame>(() => ({
  ...{ cx: 92, cy: 104, radius: 100 },
  mostMm: props.mostMm ?? props.zones.at(-1)?.endMm ?? 1,
}))
const drawn = computed(() =>
  props.zones.map((z, i) => ({ ...z, path: zonePath(frame.value, props.zones[i - 1]?.endMm ?? 0, z.endMm) })),
)
const whole = computed(() => zonePath(frame.value, 0, frame.value.mostMm))
const told = computed(
  () =>
    'A shell from its middle outwards: ' +
    (props.zones.map(z => `${zoneWord[z.kind]} to ${formatNumber(z.endMm, 1)} mm`).join(', ') || 'nothing marked yet'),
)
function touch(event: MouseEvent) {
  if (!props.marks) return
  const svg = event.currentTarget as SVGSVGElement
  const box = svg.getBoundingClientRect()
  const mm = diameterAt(
    frame.value,
    ((event.clientX - box.left) / box.width) * 200,
    ((event.clientY - box.top) / box.height) * 200,
  )
  if (mm !== null) emit('mark', Math.round(10 * mm) / 10)
}
</script>

<template>
  <svg viewBox="0 0 200 200" class="whorl" :class="{ marks }" role="img" :aria-label="told" @click="touch">
    <defs>
      <pattern id="whorl-white" width="7" height="7" patternUnits="userSpaceOnUse">
        <rect width="7" height="7" class="ground" />
        <circle cx="3.5" cy="3.5" r="2.4" class="patch" />
      </pattern>
      <pattern id="whorl-pits" width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" class="ground" />
        <circle cx="3" cy="3" r="1.3" class="pit" />
      </pattern>
      <pattern id="whorl-thin" width="4" height="4" patternUnits="userSpaceOnUse">
        <rect width="4" height="4" class="pale" />
      </pattern>
      <pattern id="whorl-thick" width="3" height="3" patternUnits="userSpaceOnUse">
        <rect width="3" height="3" class="ground" />
        <path d="M0 1.5h3" class="ridge" />
      </pattern>
      <pattern id="whorl-even" width="4" height="4" patternUnits="userSpaceOnUse">
        <rect width="4" height="4" class="ground" />
      </pattern>
      <pattern id="whorl-chips" width="9" height="9" patternUnits="userSpaceOnUse">
        <rect width="9" height="9" class="ground" />
        <path d="M0 0l4 4l4 -4" class="chip" />
      </pattern>
    </defs>
    <path :d="whole" class="whole" />
    <path v-for="z in drawn" :key="z.endMm" :d="z.path" :fill="`url(#whorl-${z.kind})`" class="edge" />
  </svg>
</template>

<style scoped>
.whorl {
  width: 200px;
  height: 200px;
  display: block;
}
.marks {
  cursor: crosshair;
}
.whole {
  fill: var(--surface);
  stroke: var(--rule);
}
.edge {
  stroke: var(--ink);
  stroke-width: 0.8;
}
.ground {
  fill: var(--shell, #b9875a);
}
.pale {
  fill: var(--shell-thin, #e6cfae);
}
.patch {
  fill: #fbf7ee;
}
.pit {
  fill: #4a3524;
}
.ridge {
  stroke: #6d4726;
  stroke-width: 1.2;
}
.chip {
  stroke: #4a3524;
  fill: none;
  stroke-width: 1.4;
}
</style>
