<script setup lang="ts">
import type { Picture } from '#core/counting'

/**
 * A picture to point at: a tap, or a cross that arrows move and Enter sets. What is drawn over it lies in the picture's
 * own pixels.
 */
const props = defineProps<{ picture: Picture; label: string }>()
const emit = defineEmits<{ hit: [x: number, y: number]; back: [] }>()
const canvas = ref<HTMLCanvasElement | null>(null)
watchEffect(() => {
  const { width, height, data } = props.picture
  if (!canvas.value) return
  canvas.value.width = width
  canvas.value.height = height
  canvas.value.getContext('2d')?.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0)
})
const cross = ref({ x: 0, y: 0, shown: false })
/** Half of the cross: as large on a phone as on a desk. */
const arm = computed(() => Math.max(props.picture.width, props.picture.height) / 47)
function tap(event: MouseEvent) {
  const box = (event.currentTarget as Element).getBoundingClientRect()
  cross.value.shown = false
  const { width, height } = props.picture
  emit('hit', ((event.clientX - box.left) / box.width) * width, ((event.clientY - box.top) / box.height) * height)
}
function key(event: KeyboardEvent) {
  const { width, height } = props.picture
  const step = width / (event.shiftKey ? 12 : 60)
  const moves: Record<string, [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
  }
  const move = moves[event.key]
  if (move) {
    const from = cross.value.shown ? cross.value : { x: width / 2, y: height / 2 }
    cross.value = {
      x: Math.min(width, Math.max(0, from.x + move[0] * step)),
      y: Math.min(height, Math.max(0, from.y + move[1] * step)),
      shown: true,
    }
  } else if (event.key === 'Enter' && cross.value.shown) emit('hit', cross.value.x, cross.value.y)
  else if (event.key === 'Backspace') emit('back')
  else return
  event.preventDefault()
}
</script>

<template>
  <div class="stage" :style="{ aspectRatio: `${picture.width} / ${picture.height}` }">
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
      <slot />
      <g v-if="cross.shown" class="cross">
        <line :x1="cross.x - arm" :x2="cross.x + arm" :y1="cross.y" :y2="cross.y" />
        <line :y1="cross.y - arm" :y2="cross.y + arm" :x1="cross.x" :x2="cross.x" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.stage {
  position: relative;
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
svg {
  cursor: crosshair;
  touch-action: manipulation;
}
.cross line {
  fill: none;
  stroke: #fff;
  stroke-width: 2.5;
  vector-effect: non-scaling-stroke;
  filter: drop-shadow(0 0 1px #000);
}
</style>
