<script setup lang="ts">
import { presentGlassId } from '#core/records'
import type { BroodDesk } from '~/composables/useBroodDesk'
import { broodBasis, type BroodOf, broodTitle, growingUpText, youngText } from '~/words/broods'
import { broodSteps } from '~/words/broodSteps'
import { cautionText } from '~/words/cautions'
import { stretchText, weekdayText } from '~/words/when'

/** One row: what is known of it, what to do at each step, and why. */
const props = defineProps<{ desk: BroodDesk; row: BroodOf }>()
defineEmits<{ why: [] }>()
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
const BARE = { when: 'Now', says: 'The intake sponge is broken: young are pulled in.' }
const steps = computed(() => [
  ...(bare.value ? [BARE] : []),
  ...broodSteps(props.row, { ...resolved.value, schools: props.desk.colonyOf(props.row).colony.schools }, nowMs.value),
])
const sheets = useSheets()
/** Larvae go into sea water within hours: a tub of their own. */
const sea = computed(() => resolved.value.group.larvae !== undefined)
const begin = () => (sheets.colony.value = { glassId: null, groupId: resolved.value.group.id, form: 'rearing' })
</script>

<template>
  <RowDetail
    :title="`${row.name}, ${broodTitle(row, nowMs)}`"
    :below="row.line.eyed && !row.line.age ? 'eyes seen' : ''"
    :facts="facts"
    :steps="steps"
    :basis="broodBasis(row.broods, settings.units)"
    :caution="cautionText('neverRelease')"
    @why="$emit('why')"
    @log="desk.log(row)"
  >
    <v-btn v-if="sea" color="primary" @click="begin">They hatched: begin a rearing</v-btn>
  </RowDetail>
</template>
