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
const canvas = ref<HTMLCanvasElement | null>(null)
const { cross, tap, key } = usePictureCross(() => props.picture, {
  hit: (x, y) => emit('tap', { x: Math.round(x), y: Math.round(y) }),
  back: () => undefined,
})
watchEffect(() => {
  const { width, height, data } = props.picture
  const context = canvas.value?.getContext('2d')
  if (!canvas.value || !context) return
  canvas.value.width = width
  canvas.value.height = height
  const image = new ImageData(new Uint8ClampedArray(data), width, height)
  // a light line where an outline ends, on any picture
  for (const { mask } of props.outlines)
    for (const i of edgeOf(mask, props.picture)) image.data.set([255, 233, 168, 255], 4 * i)
  context.putImageData(image, 0, 0)
})
const marks = computed(() =>
  [
    { spot: props.animal, letter: 'A' },
    { spot: props.card, letter: 'C' },
  ].flatMap(m => (m.spot ? [{ ...m.spot, letter: m.letter }] : [])),
)
</script>

<template>
  <div class="picture" :style="{ aspectRatio: `${picture.width} / ${picture.height}` }">
    <canvas ref="canvas" aria-hidden="true" />
    <!-- eslint-disable-next-line vuejs-accessibility/no-noninteractive-tabindex -->
    <svg
      :viewBox="`0 0 ${picture.width} ${picture.height}`"
      preserveAspectRatio="none"
      role="application"
      :aria-label="label"
      tabindex="0"
      @click="tap"
      @keydown="key"
    >
      <g v-for="m in marks" :key="m.letter" class="mark">
        <circle :cx="m.x" :cy="m.y" r="5" />
        <text :x="m.x + 8" :y="m.y - 5">{{ m.letter }}</text>
      </g>
      <g v-if="cross.shown" class="mark">
        <line :x1="cross.x - 9" :x2="cross.x + 9" :y1="cross.y" :y2="cross.y" />
        <line :y1="cross.y - 9" :y2="cross.y + 9" :x1="cross.x" :x2="cross.x" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.picture {
  position: relative;
  width: min(100%, 720px);
  border: 1px solid var(--rule);
  border-radius: 6px;
  overflow: hidden;
}
canvas,
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
canvas {
  image-rendering: auto;
}
svg {
  cursor: crosshair;
  touch-action: manipulation;
}
.mark circle,
.mark line {
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
