<script setup lang="ts">
import type { Sizes } from '#core/groups'
import type { SizesTold } from '#core/statements'
import { formatNumber } from '#core/units'
import { whole } from '~/words/numbers'
import { edgeText, sampleText } from '~/words/shells'
import { sizeWord } from '~/words/animals'
import { dayText } from '~/words/when'

/** Sizes that were sampled of a colony: of what age they are, who is large enough to breed, and how shells look now. */
const props = defineProps<{ sizes: Sizes; told: SizesTold; colonyId: string; nowMs: number }>()
const logSheet = useLogSheetStore()
const columns = [
  { key: 'at', title: 'When' },
  { key: 'n', title: 'Measured', as: 'number' },
  { key: 'range', title: 'From to, mm', as: 'number' },
  { key: 'breeding', title: 'Of breeding size', as: 'number' },
] as const
const rows = computed(() =>
  props.told.samples.toReversed().map(s => ({
    at: dayText(s.at, props.nowMs),
    n: whole(s.n),
    range: `${formatNumber(s.leastMm, 1)} to ${formatNumber(s.mostMm, 1)}`,
    breeding: whole(s.breeding),
  })),
)
</script>

<template>
  <section class="shells" aria-label="Sizes">
    <h2>Sizes</h2>
    <p v-if="told.samples.length > 0">{{ sampleText(told.samples.at(-1)!, nowMs) }}</p>
    <p v-else class="muted">
      {{ sizeWord[sizes.of] }}: they hatch at about {{ formatNumber(sizes.hatchMm.value, 1) }} mm, breed from about
      {{ formatNumber(sizes.breedsMm.value, 0) }} and reach about {{ formatNumber(sizes.mostMm.value, 0) }}. Measure a
      dozen now and then: it tells ages.
    </p>
    <p v-if="told.look">{{ edgeText(told, nowMs) }}</p>
    <DataTable v-if="rows.length > 0" label="Samples" :columns="columns" :rows="rows" />
    <button type="button" class="link" @click="logSheet.show(colonyId, 'shell')">Measure some</button>
  </section>
</template>

<style scoped>
.shells {
  padding-top: var(--space-6);
  display: grid;
  gap: var(--space-3);
  justify-items: start;
}
.link {
  min-height: 44px;
}
</style>
