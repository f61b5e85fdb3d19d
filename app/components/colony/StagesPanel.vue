<script setup lang="ts">
import type { SpeciesGroup } from '#core/groups'
import { type PopulationAnswer, stageNames } from '#core/population'
import { whole } from '~/words/numbers'
import {
  disagreementText,
  learntName,
  learntText,
  lookText,
  mattersText,
  stageHint,
  stageWord,
} from '~/words/population'
import { weeksText } from '~/words/when'

/**
 * Of whom the number is made: every stage with its likely range, what was learnt of this colony, what matters most, and
 * what to look at next.
 */
const props = defineProps<{ population: PopulationAnswer; group: SpeciesGroup }>()

const columns = [
  { key: 'title', title: 'Stage', as: 'name', width: '30%' },
  { key: 'bar', title: 'Likely range', width: '42%' },
  { key: 'text', title: 'How many', as: 'figure' },
] as const
const rows = computed(() => {
  const hermaphrodite = props.group.stages.femaleShare.value === 1
  const shown = stageNames.filter(
    stage => (stage !== 'males' || !hermaphrodite) && props.population.stages[stage].high > 0,
  )
  const counted = shown.filter(stage => !stageHint[stage])
  const top = Math.max(
    1,
    ...counted.map(stage => props.population.stages[stage].high),
    props.population.stages.first.high,
  )
  return shown.map(stage => {
    const { value, low, high } = props.population.stages[stage]
    const x = (n: number) => `${Math.min(100, (n / top) * 100).toFixed(1)}%`
    return {
      stage,
      title: stageWord(stage, props.group),
      hint: stageHint[stage] ?? '',
      text: `about ${whole(value)}`,
      range: `likely ${whole(low)} to ${whole(high)}`,
      bar: stage === 'eggs' ? null : { left: x(low), width: `calc(${x(high)} - ${x(low)} + 2px)`, mark: x(value) },
    }
  })
})
const broods = computed(() => {
  const { value, low, high } = props.population.broods
  // of masses the Broods place tells those that are seen and hidden: how many are laid is the model's weakest guess
  if (high < 1 || props.group.care.brood?.sign === 'eggMass') return ''
  const word = props.group.stages.eggs === 'carried' ? 'females carry eggs' : 'masses or clutches are on the way'
  return `About ⟦${whole(value)}⟧ ${word}, likely ⟦${whole(low)} to ${whole(high)}⟧.`
})
const matrix = computed(() => props.population.matrix)
</script>

<template>
  <section class="stages" aria-label="Stages">
    <div>
      <DataTable label="Animals by stage, about and likely" :columns="columns" :rows="rows">
        <template #title="{ row }">
          {{ row.title }}<span v-if="row.hint" class="below">{{ row.hint }}</span>
        </template>
        <template #bar="{ row }">
          <span v-if="row.bar" class="track" aria-hidden="true"
            ><span class="range" :style="{ left: row.bar.left, width: row.bar.width }" /><span
              class="mark"
              :style="{ left: row.bar.mark }"
          /></span>
        </template>
        <template #text="{ row }">
          {{ row.text }}<span class="below">{{ row.range }}</span>
        </template>
      </DataTable>
      <p v-if="broods"><TheSentence :text="broods" /></p>
    </div>
    <div class="words">
      <CautionNote v-if="population.fit.disagreement" role="status">
        <TheSentence :text="disagreementText(population)" />
      </CautionNote>
      <template v-if="matrix && matrix.matters.length > 1">
        <p><TheSentence :text="mattersText(matrix)" /></p>
        <p v-if="matrix.generationWeeks" class="muted">
          A generation takes about {{ weeksText(matrix.generationWeeks)
          }}<template v-if="matrix.doublingWeeks">
            and a settled colony of this kind doubles in about {{ weeksText(matrix.doublingWeeks) }}</template
          >.
        </p>
      </template>
      <h3>What to look at next</h3>
      <ul>
        <li v-for="l in population.looks" :key="l.what"><TheSentence :text="lookText(l)" /></li>
      </ul>
      <h3>Learnt from this log</h3>
      <dl>
        <div v-for="l in population.learnt" :key="l.name">
          <dt>{{ learntName(l) }}</dt>
          <dd>{{ learntText(l) }}</dd>
        </div>
      </dl>
    </div>
  </section>
</template>

<style scoped>
.stages {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: var(--space-7);
  padding: var(--space-5) 0 var(--space-4);
}
.track {
  position: relative;
  display: block;
  height: 16px;
  border-bottom: 1px solid var(--rule);
}
.range {
  position: absolute;
  top: 3px;
  height: 10px;
  border-radius: 3px;
  background: rgba(var(--v-theme-weed), 0.3);
}
.mark {
  position: absolute;
  top: 0;
  width: 3px;
  height: 16px;
  margin-left: -1px;
  background: var(--weed);
}
p {
  padding-top: var(--space-4);
}
.words p:first-child {
  padding-top: 0;
}
h3 {
  padding: var(--space-5) 0 var(--space-1);
}
li,
dl div {
  border-top: 1px solid var(--rule);
  padding: var(--space-2) 0;
}
dl div {
  display: grid;
  grid-template-columns: 2fr 3fr;
  gap: var(--space-5);
  font-size: var(--type-small);
}
dd {
  margin: 0;
}
@media (--narrow) {
  .stages {
    grid-template-columns: 1fr;
    gap: var(--space-5);
  }
}
</style>
