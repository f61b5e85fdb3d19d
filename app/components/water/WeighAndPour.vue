<script setup lang="ts">
import { formatNumber } from '#core/units'
import { NO_DEVICES } from '~/words/probe'
import { benchScale } from '~/devices/benchScale'
import type { BenchStep } from '~/words/recipe'

/** What to measure, weigh and pour, in working order, with the scale beside it and the cautions under it. */
const props = defineProps<{ steps: BenchStep[]; cautions: string[]; cardTitle: string; cardAbout: string }>()
const desk = useWaterDeskStore()
/** the step whose salt lies on the scale; −1 while the scale is off */
const weighing = ref(-1)
watch(
  () => props.steps,
  () => {
    weighing.value = -1
  },
)
const target = computed(() => props.steps[weighing.value]?.weigh ?? null)
const { reading, state } = useDevice(
  () =>
    benchScale(
      () => target.value?.grams ?? 0,
      () => desk.bench.scaleStepG,
    ),
  () => (target.value ? `${weighing.value} ${target.value.grams}` : null),
)
const shown = computed(() =>
  formatNumber(reading.value?.grams ?? 0, Math.max(0, -Math.floor(Math.log10(desk.bench.scaleStepG) + 1e-9))),
)
const status = computed(() => {
  if (!target.value) return 'Press “Weigh” at a salt.'
  if (state.value === 'absent') return NO_DEVICES
  if (state.value === 'lost') return 'The line to the scale is lost. Trying again …'
  if (!reading.value) return 'Waiting for the scale …'
  return reading.value.settled
    ? `That is it: ${shown.value} g ${target.value.name}.`
    : `Keep spooning: ${formatNumber(target.value.grams, 2)} g wanted.`
})
</script>

<template>
  <section class="weigh" aria-label="Weigh and pour">
    <div class="card-head">
      <h1>{{ cardTitle }}</h1>
      <p>{{ cardAbout }}</p>
    </div>
    <h2>Weigh and pour</h2>
    <ol>
      <li v-for="(s, i) in steps" :key="s.text">
        <span class="number" aria-hidden="true">{{ i + 1 }}</span>
        <span class="do"><TheSentence :text="s.text" /></span>
        <button
          v-if="s.weigh"
          type="button"
          class="link weigh-it"
          :aria-pressed="weighing === i"
          @click="weighing = weighing === i ? -1 : i"
        >
          {{ weighing === i ? 'Done' : 'Weigh' }}
        </button>
      </li>
    </ol>
    <div v-if="steps.some(s => s.weigh)" class="scale">
      <span>On the scale</span><b class="numeral">{{ shown }} g <span class="tag">simulated</span></b>
      <p class="small muted" role="status">{{ status }}</p>
    </div>
    <CautionNote v-for="c in cautions" :key="c" class="small">{{ c }}</CautionNote>
    <slot />
  </section>
</template>

<style scoped>
.weigh {
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  padding: var(--space-5) var(--space-6) var(--space-5);
  align-self: start;
}
.card-head {
  display: none;
}
h2 {
  padding-bottom: var(--space-3);
}
li {
  display: flex;
  gap: var(--space-4);
  border-top: 1px solid var(--rule);
  padding: var(--space-4) 0;
  align-items: flex-start;
  font-size: var(--type-small);
  line-height: 1.35;
}
.number {
  flex: none;
  width: 24px;
  height: 24px;
  border: 1.5px solid var(--water);
  border-radius: 50%;
  color: var(--water);
  font-size: var(--type-fine);
  display: grid;
  place-items: center;
  margin-top: -1px;
}
.do {
  flex: 1;
}
.do :deep(.numeral) {
  font-size: var(--type-section);
}
.weigh-it {
  min-height: 44px;
  margin: -12px 0;
  padding: 0 var(--space-1);
  font-size: var(--type-small);
}
.scale {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: var(--space-1) var(--space-4);
  border-top: 1px solid var(--rule);
  padding: var(--space-4) 0;
  color: var(--muted);
  font-size: var(--type-small);
}
.scale b {
  color: var(--ink);
}
.scale p {
  grid-column: 1 / -1;
  min-height: 20px;
}
.tag {
  font: 400 var(--type-fine) var(--v-font-body);
  color: var(--muted);
}
@media print {
  .card-head {
    display: block;
    padding-bottom: var(--space-4);
  }
  .weigh {
    border: 0;
  }
  .scale,
  .weigh-it {
    display: none;
  }
}
</style>
<style>
@media print {
  .rail,
  header.top,
  .water-nav,
  .beside-card,
  .notice {
    display: none !important;
  }
  .frame {
    display: block !important;
  }
}
</style>
