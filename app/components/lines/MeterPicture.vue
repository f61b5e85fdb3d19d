<script setup lang="ts">
import type { Picture } from '#core/counting'
import { edgeOf, type Outline, type Spot } from '#core/meter'

/** A picture of one animal: taps say where the animal and the card are, and their outlines are drawn over it. */
const props = defineProps<{
  picture: Picture
  animal: Spot | null
  card: Spot | null
  outlines: readonly Outline[]
  label: string
}>()
const emit = defineEmits<{ tap: [spot: Spot] }>()
const hit = (x: number, y: number) => emit('tap', { x: Math.round(x), y: Math.round(y) })
/** The picture with a light line where an outline ends. */
const drawn = computed<Picture>(() => {
  const data = new Uint8ClampedArray(props.picture.data)
  for (const { mask } of props.outlines)
    for (const i of edgeOf(mask, props.picture)) data.set([255, 233, 168, 255], 4 * i)
  return { ...props.picture, data }
})
const marks = computed(() =>
  [
    { spot: props.animal, letter: 'A' },
    { spot: props.card, letter: 'C' },
  ].flatMap(m => (m.spot ? [{ ...m.spot, letter: m.letter }] : [])),
)
</script>

<template>
  <PictureStage :picture="drawn" :label="label" class="picture" @hit="hit">
    <g v-for="m in marks" :key="m.letter" class="mark">
      <circle :cx="m.x" :cy="m.y" r="5" />
      <text :x="m.x + 8" :y="m.y - 5">{{ m.letter }}</text>
    </g>
  </PictureStage>
</template>

<style scoped>
.picture {
  width: min(100%, 720px);
}
.mark circle {
  fill: none;
  stroke: #fff;
  stroke-width: 2.5;
  vector-effect: non-scaling-stroke;
  filter: drop-shadow(0 0 1.5px #000) drop-shadow(0 0 1px #000);
}
.mark text {
  fill: #fff;
  font: 650 var(--type-fine) var(--v-font-heading);
  paint-order: stroke;
  stroke: #000;
  stroke-width: 2px;
}
</style>
