<script setup lang="ts">
import { toleratedOf } from '#core/groups'
import { readoutsOf, type RecipeKey, recipeKeys, type ValueVerdict, type WaterRecipe } from '#core/water'
import type { Water } from '#core/records'
import { formatNumber } from '#core/units'
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
  const tolerated = toleratedOf(key, target)
  const moments = [...(props.filling ? [] : [first.value.before]), ...props.recipe.steps.map(s => s.after)]
  const window = moments.map((w, i) => ({
    entryId: '',
    at: i,
    value: readoutsOf(w)[key],
    sd: 0,
    method: 'reckoned' as const,
  }))
  const end = window.at(-1)!
  const state =
    end.value >= target.preferred[0] - 1e-6 && end.value <= target.preferred[1] + 1e-6
      ? 'onTarget'
      : end.value >= tolerated[0] && end.value <= tolerated[1]
        ? 'drifting'
        : 'off'
  return {
    state,
    conclusion: { key: 'water.onTarget', values: {} },
    reasons: [],
    actions: [],
    evidence: [],
    key,
    target,
    tolerated,
    latest: end,
    window,
    ageDays: 0,
    trendPerWeek: null,
    inFourWeeks: null,
  }
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
        of: (w: Water) => formatNumber(r.of(w), r.decimals),
        strip: null,
      }))
  // calcium, magnesium, sodium stand together; conductivity sums up
  return [
    ...measured.filter(r => r.key !== 'conductivityUsCm'),
    ...following,
    ...measured.filter(r => r.key === 'conductivityUsCm'),
  ]
})
const many = computed(() => props.recipe.steps.length > 1)
</script>

<template>
  <table class="recipe">
    <caption class="hidden-to-eyes">
      Values in the glass now, after this change, and after the last one
    </caption>
    <thead>
      <tr>
        <th scope="col">In the glass</th>
        <th v-if="!filling" scope="col" class="n">now</th>
        <th scope="col" class="n">{{ filling ? 'filled' : 'then' }}</th>
        <th v-if="many" scope="col" class="n">after the last</th>
        <th scope="col" class="against">against the target</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in rows" :key="r.key">
        <th scope="row">
          {{ r.title }} <span class="small muted">{{ r.unit }}</span>
        </th>
        <td v-if="!filling" class="n">{{ r.of(first.before) }}</td>
        <td class="n then">{{ r.of(first.after) }}</td>
        <td v-if="many" class="n">{{ r.of(last.after) }}</td>
        <td class="against">
          <TargetStrip v-if="r.strip" :verdict="r.strip" /><span v-else class="small muted">no target</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.recipe {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  font-weight: 400;
  padding: 7px 10px 7px 0;
  border-bottom: 1px solid var(--rule);
}
thead th {
  color: var(--muted);
  font-size: 14px;
  padding: 4px 10px 4px 0;
}
.n {
  text-align: right;
  width: 66px;
  white-space: nowrap;
}
.then {
  font-weight: 650;
}
tbody th {
  white-space: nowrap;
}
.against {
  width: 36%;
  padding-left: 12px;
  padding-right: 0;
}
thead .against {
  text-align: right;
}
@media (max-width: 700px) {
  tbody th {
    white-space: normal;
  }
  .against {
    width: 30%;
  }
  .n {
    width: 52px;
    padding-right: 6px;
  }
}
</style>
