<script setup lang="ts">
import { readoutsOf, type RecipeKey, recipeKeys, type ValueVerdict, type WaterRecipe } from '#core/water'
import type { Water } from '#core/records'
import { formatNumber } from '#core/units'
import { verdictOfLevels } from '~/components/drawing/verdictOfLevels'
import type { DataColumn } from '~/components/drawing/dataColumn'
import { type BenchRow, ionRows } from '~/words/recipe'
import { valueName, valueNumber, valueUnit } from '~/words/unitPrefs'

/** What stands in the glass now, after this change and after the last one, each value against its target. */
const props = defineProps<{ recipe: WaterRecipe; filling: boolean }>()
const desk = useWaterDeskStore()
const settings = useSettingsStore()

const first = computed(() => props.recipe.steps[0]!)
const last = computed(() => props.recipe.steps.at(-1)!)
const salty = computed(() => last.value.after.seaSaltGL > 0.5)
const keys = computed(() =>
  recipeKeys.filter(k =>
    k === 'salinityGKg' ? salty.value || desk.shared.targets[k] : !salty.value || desk.shared.targets[k],
  ),
)
/** The strip of a value: it ends where the last change brings it, with the way there as paler ticks. */
function strip(key: RecipeKey): ValueVerdict | null {
  const target = desk.shared.targets[key]
  if (!target) return null
  const moments = [...(props.filling ? [] : [first.value.before]), ...props.recipe.steps.map(s => s.after)]
  return verdictOfLevels(
    key,
    target,
    moments.map(w => readoutsOf(w)[key]),
  )
}
const rows = computed(() => {
  const value = (key: RecipeKey) => (w: Water) => valueNumber(key, readoutsOf(w)[key], settings.units)
  const measured = keys.value.map(key => ({
    key,
    title: valueName(key),
    unit: valueUnit(key, settings.units),
    of: value(key),
    strip: strip(key),
  }))
  const following = salty.value
    ? []
    : ionRows.map((r: BenchRow) => ({
        key: r.key,
        title: r.title,
        unit: r.unit,
        of: (w: Water) => (Number.isFinite(r.of(w)) ? formatNumber(r.of(w), r.decimals) : '–'),
        strip: null,
      }))
  // calcium, magnesium, sodium stand together; conductivity sums up
  return [
    ...measured.filter(r => r.key !== 'conductivityUsCm'),
    ...following,
    ...measured.filter(r => r.key === 'conductivityUsCm'),
  ]
})
const columns = computed<DataColumn[]>(() => [
  { key: 'title', title: 'In the glass' },
  ...(props.filling ? [] : [{ key: 'now', title: 'now', as: 'number' } as const]),
  { key: 'then', title: props.filling ? 'filled' : 'then', as: 'number' },
  ...(props.recipe.steps.length > 1 ? [{ key: 'last', title: 'after the last', as: 'number' } as const] : []),
  { key: 'against', title: 'against the target', width: '36%' },
])
</script>

<template>
  <DataTable label="Values in the glass now, after this change, and after the last one" :columns="columns" :rows="rows">
    <template #title="{ row }">
      {{ row.title }} <span class="small muted">{{ row.unit }}</span>
    </template>
    <template #now="{ row }">{{ row.of(first.before) }}</template>
    <template #then="{ row }"
      ><b>{{ row.of(first.after) }}</b></template
    >
    <template #last="{ row }">{{ row.of(last.after) }}</template>
    <template #against="{ row }">
      <TargetStrip v-if="row.strip" :verdict="row.strip" /><span v-else class="small muted">no target</span>
    </template>
  </DataTable>
</template>
