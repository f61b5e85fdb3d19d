<script setup lang="ts">
import type { Picture } from '#core/counting'
import { type MarkStage, stageMarkWord } from '~/words/count'

/** A mark on a picture, in the picture's pixels. */
export interface PictureMark {
  x: number
  y: number
  stage: MarkStage
}

/**
 * A picture to mark animals on. A tap sets a mark, a tap on a mark takes it away, a tap on a suggestion takes it on.
 * With the keyboard: arrows move the cross, Enter marks, Backspace takes the last one away.
 */
const props = defineProps<{
  picture: Picture
  stage: MarkStage
  suggestions?: readonly { x: number; y: number }[]
  missed?: readonly { x: number; y: number }[]
  grid?: boolean
  locked?: boolean
}>()
const marks = defineModel<PictureMark[]>({ required: true })
const emit = defineEmits<{ accept: [index: number] }>()

/** Marks are drawn as large on a phone as on a desk: the radius is in pixels of the picture. */
const radius = computed(() => Math.max(props.picture.width, props.picture.height) / 75)

function hit(x: number, y: number) {
  if (props.locked) return
  const near = (p: { x: number; y: number }) => Math.hypot(p.x - x, p.y - y) < 1.2 * radius.value
  const at = marks.value.findLastIndex(near)
  if (at >= 0) {
    marks.value = marks.value.filter((_, i) => i !== at)
    return
  }
  const suggested = props.suggestions?.findIndex(near) ?? -1
  const place = suggested >= 0 ? props.suggestions![suggested]! : { x, y }
  if (suggested >= 0) emit('accept', suggested)
  marks.value = [...marks.value, { x: place.x, y: place.y, stage: props.stage }]
}
function back() {
  if (!props.locked) marks.value = marks.value.slice(0, -1)
}
const lines = computed(() => [1, 2, 3].map(i => i / 4))
const label = computed(
  () =>
    `Picture with ${marks.value.length} marks. Arrows move the cross, Enter marks, Backspace takes the last mark away.`,
)
</script>

<template>
  <div class="marked" :style="{ width: `min(100%, calc(66vh * ${picture.width / picture.height}))` }">
    <PictureStage :picture="picture" :label="label" @hit="hit" @back="back">
      <g v-if="grid" class="grid">
        <template v-for="l in lines" :key="l">
          <line :x1="l * picture.width" :x2="l * picture.width" y1="0" :y2="picture.height" />
          <line :y1="l * picture.height" :y2="l * picture.height" x1="0" :x2="picture.width" />
        </template>
      </g>
      <circle v-for="(s, i) in suggestions" :key="`s${i}`" class="suggestion" :cx="s.x" :cy="s.y" :r="radius" />
      <template v-for="(m, i) in marks" :key="i">
        <circle v-if="m.stage === 'grown'" class="mark grown" :cx="m.x" :cy="m.y" :r="radius" />
        <rect
          v-else-if="m.stage === 'halfGrown'"
          class="mark half"
          :x="m.x - radius * 0.85"
          :y="m.y - radius * 0.85"
          :width="radius * 1.7"
          :height="radius * 1.7"
        />
        <path
          v-else
          class="mark young"
          :d="`M${m.x},${m.y - radius} L${m.x + radius},${m.y + radius * 0.8} L${m.x - radius},${m.y + radius * 0.8} Z`"
        />
      </template>
      <circle v-for="(m, i) in missed" :key="`m${i}`" class="missed" :cx="m.x" :cy="m.y" :r="radius * 1.3" />
    </PictureStage>
    <p class="hidden-to-eyes" role="status">
      {{ marks.length }} marked:
      {{
        Object.entries(stageMarkWord)
          .map(([k, w]) => `${marks.filter(m => m.stage === k).length} ${w.toLowerCase()}`)
          .join(', ')
      }}
    </p>
  </div>
</template>

<style scoped>
.marked {
  margin: 0 auto;
}
.mark,
.suggestion,
.missed {
  fill: none;
  stroke-width: 2.5;
  vector-effect: non-scaling-stroke;
}
/* on any picture: a light line with a dark one around it */
.mark {
  stroke: #fff;
  paint-order: stroke;
  filter: drop-shadow(0 0 1.5px #000) drop-shadow(0 0 1px #000);
}
.suggestion {
  stroke: #ffe9a8;
  stroke-dasharray: 4 3;
  filter: drop-shadow(0 0 1.5px #000);
}
.missed {
  stroke: #ffb3a8;
  stroke-width: 3.5;
  filter: drop-shadow(0 0 1.5px #000);
}
.grid line {
  stroke: rgba(255, 255, 255, 0.55);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
</style>
