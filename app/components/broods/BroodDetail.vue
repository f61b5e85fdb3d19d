<script setup lang="ts">
import { presentGlassId } from '#core/records'
import type { BroodDesk } from '~/composables/useBroodDesk'
import { broodBasis, type BroodOf, broodTitle, growingUpText, stretchText, youngText } from '~/words/broods'
import { broodSteps } from '~/words/broodSteps'
import { cautionText } from '~/words/cautions'
import { weekdayText } from '~/words/when'

/** One row: what is known of it, what to do at each step, and why. */
const props = defineProps<{ desk: BroodDesk; row: BroodOf }>()
defineEmits<{ why: []; log: [row: BroodOf] }>()
const settings = useSettingsStore()
const nowMs = computed(() => props.desk.nowMs.value)
const resolved = computed(() => props.desk.groupOf(props.row))
const population = computed(() => props.desk.colonyOf(props.row).told.population)
const facts = computed(() => {
  const { line } = props.row
  const { begunFromMs, begunToMs, earliestMs, latestMs, likelyMs } = line.hatch
  const inPlace = resolved.value.group.life.breedsInPlace && line.place !== 'incubator'
  return [
    { name: line.awaits ? 'Eggs between' : 'Began', value: stretchText(begunFromMs, begunToMs, nowMs.value) },
    { name: 'Hatches', value: stretchText(earliestMs, latestMs, nowMs.value) },
    { name: 'Likely', value: weekdayText(likelyMs) },
    { name: 'Young', value: youngText(line, population.value.broods) },
    ...(inPlace ? [{ name: 'Growing up', value: growingUpText(line, population.value.broods) }] : []),
  ]
})
const steps = computed(() =>
  broodSteps(props.row, { ...resolved.value, schools: props.desk.colonyOf(props.row).colony.schools }, nowMs.value),
)
const sheets = useSheets()
/** Larvae go into sea water within hours: a tub of their own. */
const sea = computed(() => resolved.value.group.larvae !== undefined)
const begin = () => (sheets.colony.value = { glassId: null, groupId: resolved.value.group.id, form: 'rearing' })
const care = useCareStore()
/** A filter without its sponge takes the young in. */
const bare = computed(() =>
  care.items.some(
    i =>
      i.kind === 'mend' &&
      i.glassId === presentGlassId(props.desk.colonyOf(props.row).colony) &&
      String(i.values.parts).includes('intake'),
  ),
)
</script>

<template>
  <section class="detail" :aria-label="`${row.name}, ${broodTitle(row, nowMs)}`">
    <h2>
      {{ row.name }}, {{ broodTitle(row, nowMs) }}
      <span v-if="row.line.eyed && !row.line.age" class="below">eyes seen</span>
    </h2>
    <FactList :facts="facts" />
    <h2>What to do</h2>
    <ul>
      <li v-if="bare">
        <b>Now</b>
        <p>The intake sponge is broken: young are pulled in.</p>
      </li>
      <li v-for="s in steps" :key="s.says">
        <b>{{ s.when }}</b>
        <p>{{ s.says }}</p>
      </li>
    </ul>
    <p class="small muted">
      {{ broodBasis(row.broods, settings.units) }}
      <button type="button" class="link" @click="$emit('why')">Why?</button>
    </p>
    <v-btn v-if="sea" color="primary" @click="begin">They hatched: begin a rearing</v-btn>
    <v-btn variant="outlined" color="primary" @click="$emit('log', row)">Log what you see of it</v-btn>
    <CautionNote class="small">{{ cautionText('neverRelease') }}</CautionNote>
  </section>
</template>

<style scoped>
.detail {
  display: grid;
  gap: var(--space-4);
  align-content: start;
  justify-items: start;
}
ul {
  width: 100%;
  border-top: 1px solid var(--rule);
}
h2 + ul {
  margin-top: 0;
}
li {
  padding: var(--space-4) 0;
  border-bottom: 1px solid var(--rule);
}
</style>
