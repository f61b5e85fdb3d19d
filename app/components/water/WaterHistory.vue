<script setup lang="ts">
import { valueName } from '~/words/unitPrefs'

/** Each value over time: the chart or every reading as a row, what is ordinary, and what lies ahead. */
const desk = useWaterDeskStore()
const history = useHistoryDesk()
const view = ref<'chart' | 'table'>('chart')
const showLimits = ref(true)

const spans = [
  { value: '3', title: '3 months' },
  { value: '12', title: 'a year' },
  { value: 'all', title: 'all' },
] as const
const views = [
  { value: 'chart', title: 'Chart' },
  { value: 'table', title: 'Table' },
] as const
const columns = [
  { key: 'day', title: 'Day' },
  { key: 'what', title: 'Reading or change' },
  { key: 'how', title: 'How' },
  { key: 'doubt', title: 'Doubt' },
]
</script>

<template>
  <div class="history">
    <template v-if="history.keys.length > 0">
      <div class="controls">
        <ChoiceChips
          :model-value="history.key"
          label="Value"
          hide-label
          :options="history.keys.map(k => ({ value: k, title: valueName(k) }))"
          @update:model-value="history.picked = $event"
        />
        <div class="right">
          <ChoiceChips v-model="history.months" label="How far back" hide-label :options="spans" />
          <ChoiceChips v-model="view" label="Show as" hide-label :options="views" />
        </div>
      </div>
      <figure v-if="view === 'chart'">
        <HistoryChart :history="history" :show-limits="showLimits" />
        <figcaption>
          <HistoryLegend v-model="showLimits" :history="history" />
          <p class="hidden-to-eyes">{{ history.summary }}</p>
        </figcaption>
      </figure>
      <DataTable
        v-else
        :label="`Readings of ${valueName(history.key)} and what was poured, newest first`"
        :columns="columns"
        :rows="history.rows"
        height="55vh"
      />
      <p v-for="s in history.sentences" :key="s" class="say"><TheSentence :text="s" /></p>
      <p v-if="history.ahead.length > 0" class="small muted">
        Ahead: a well-mixed glass with what evaporates<template v-if="!desk.boxHabits.evaporationKnown">
          (0.4 % of the water a day, from memory: log top-ups to learn it)</template
        >, its top-ups, its own drift<template
          v-if="history.key === 'nitrateMgL' && desk.boxHabits.nitrateMgLPerWeek > 0"
          >, what feeding brings ({{ desk.boxHabits.nitrateMgLPerWeek }} mg/L a week by its school, from
          memory)</template
        ><template v-if="desk.boxHabits.carbonateGL > 0"
          >, carbonate stone that holds KH up (simple rule, from memory)</template
        ><template v-if="desk.boxHabits.soilAgeWeeks !== null"
          >, active soil that takes KH up (simple rule, from memory)</template
        >, and no changes unless ticked. The shade holds the truth four times out of five.
      </p>
    </template>
    <template v-else>
      <p class="statement">The history will stand here.</p>
      <p class="muted">Log a test of the water with L: from the third reading on, drift shows.</p>
    </template>
  </div>
</template>

<style scoped>
.history {
  padding-top: var(--space-5);
  display: grid;
  gap: var(--space-4);
}
.controls {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-7);
  justify-content: space-between;
}
.right {
  display: flex;
  gap: var(--space-6);
  flex-wrap: wrap;
}
.say {
  font-size: var(--type-section);
}
</style>
