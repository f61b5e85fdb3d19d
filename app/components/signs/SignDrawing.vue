<script setup lang="ts">
import { type SignId, signs } from '~/words/signs'
import { signFigures } from './signFigures'

/** One sign, drawn; unnamed where its name is the question. */
const props = defineProps<{ of: SignId; unnamed?: boolean }>()
const figure = computed(() => signFigures[props.of])
</script>

<template>
  <svg
    class="sign"
    viewBox="0 0 120 70"
    role="img"
    :aria-label="unnamed ? 'A drawing to tell' : `Drawing: ${signs[of].title}`"
  >
    <g :transform="figure.turn ? `rotate(${figure.turn} 60 35)` : undefined">
      <path v-for="(p, i) in figure.parts" :key="i" :d="p.d" :class="p.as" />
    </g>
  </svg>
</template>

<style scoped>
.sign {
  display: block;
  width: 100%;
  max-width: 220px;
}
path {
  stroke-linecap: round;
  stroke-linejoin: round;
}
.body {
  fill: var(--weed);
}
.soft {
  fill: var(--weed-tint);
  stroke: var(--weed);
  stroke-width: 1.5;
}
.clear {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1.5;
}
.pale {
  fill: var(--rust-tint);
  stroke: var(--rust);
  stroke-width: 1.5;
}
.line {
  fill: none;
  stroke: var(--weed);
  stroke-width: 2;
}
.thin {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1.2;
}
.gap {
  fill: none;
  stroke: var(--paper);
  stroke-width: 5;
}
.egg {
  fill: var(--roe);
}
.ripe {
  fill: var(--straw-tint);
  stroke: var(--straw);
  stroke-width: 1;
}
.dark {
  fill: var(--ink);
}
.white {
  fill: var(--surface);
  stroke: var(--muted);
  stroke-width: 0.8;
}
.shell {
  fill: var(--straw-tint);
  stroke: var(--weed);
  stroke-width: 2;
}
.bud {
  fill: var(--roe);
}
</style>
