<script setup lang="ts">
import { type Colony, TestMethod, type ValueKey, valueKeys } from '#core/records'
import { resolveGroup } from '#core/groups'
import { verdictOfLevels } from '~/components/drawing/verdictOfLevels'
import { readValue } from '~/forms/testReadings'
import { testMethodWord } from '~/words/states'
import { valueName, valueText, valueUnit } from '~/words/unitPrefs'
import { agoText } from '~/words/when'

/** Any subset of the values, each with its method; the strip moves as a value is typed. */
const props = defineProps<{ colony: Colony; issues: Record<string, string> }>()
const readings = defineModel<Record<string, { text: string; method: string }>>({ required: true })
const rawConductivity = defineModel<boolean>('rawConductivity', { required: true })
const settings = useSettingsStore()
const statements = useStatementsStore()
const more = ref(false)

const verdicts = computed(() => new Map(statements.of(props.colony.id)?.water.values.map(v => [v.key, v])))
const group = computed(() => resolveGroup(props.colony))
const targets = computed(() => group.value.targets)
/** Where a value lies; what nobody needs to test here stands against its range once it is typed. */
function stripOf(key: ValueKey) {
  const target = group.value.judgedWhereLogged[key]
  const value = typed(key)
  return verdicts.value.get(key) ?? (target && value !== null ? verdictOfLevels(key, target, [value]) : undefined)
}
/** First what this keeper tests here, then what the group has a target for, then the rest. */
const order = computed(() => {
  const tested = valueKeys.filter(k => verdicts.value.get(k)?.latest)
  const often =
    tested.length > 0
      ? tested
      : valueKeys.filter(k => targets.value[k] && !['copperMgL', 'nitriteMgL', 'ammoniaMgL'].includes(k))
  return { often, rest: valueKeys.filter(k => !often.includes(k)) }
})
const shown = computed(() =>
  more.value
    ? [...order.value.often, ...order.value.rest]
    : [...order.value.often, ...order.value.rest.filter(k => readings.value[k]?.text)],
)
const methods = TestMethod.options.map(value => ({ value, title: testMethodWord[value] }))

const usual = (key: ValueKey): string =>
  verdicts.value.get(key)?.latest?.method ??
  (key === 'temperatureC' || key === 'humidityPct' ? 'probe' : settings.testMethod)
function set(key: ValueKey, change: Partial<{ text: string; method: string }>) {
  readings.value = { ...readings.value, [key]: { text: '', method: usual(key), ...readings.value[key], ...change } }
}
function typed(key: ValueKey): number | null {
  const text = readings.value[key]?.text ?? ''
  const read = text === '' ? null : readValue(key, text, settings.units)
  return read?.ok ? read.value : null
}
function last(key: ValueKey): string {
  const v = verdicts.value.get(key)
  return v?.latest ? `${valueText(key, v.latest.value, settings.units)}, ${agoText(v.ageDays ?? 0)}` : 'never tested'
}
</script>

<template>
  <div class="test">
    <div v-for="key in shown" :key="key" class="row">
      <TextInput
        :model-value="readings[key]?.text ?? ''"
        :label="valueName(key)"
        :suffix="valueUnit(key, settings.units)"
        numeric
        :error="issues[`readings.${key}`]"
        @update:model-value="set(key, { text: $event })"
      />
      <PickOne
        :model-value="readings[key]?.method ?? usual(key)"
        :label="`Method for ${valueName(key)}`"
        :options="methods"
        hide-label
        @update:model-value="set(key, { method: $event })"
      />
      <div class="against">
        <TargetStrip v-if="stripOf(key)" :verdict="stripOf(key)!" :typed="typed(key)" />
        <span class="small muted">{{ last(key) }}</span>
      </div>
    </div>
    <FieldIssue :text="issues.readings" />
    <button v-if="!more" type="button" class="link" @click="more = true">More values</button>
    <label v-if="readings.conductivityUsCm?.text" class="raw small"
      ><input v-model="rawConductivity" type="checkbox" /> My probe does not compensate: bring the conductivity to 25 °C
      with the temperature typed here</label
    >
    <p v-else class="small muted">Conductivity at 25 °C, as most probes show it.</p>
  </div>
</template>

<style scoped>
.test {
  display: grid;
  gap: var(--space-5);
  justify-items: start;
}
.row {
  display: grid;
  grid-template-columns: 168px 118px minmax(0, 1fr);
  gap: var(--space-5);
  align-items: end;
  width: 100%;
}
.against {
  min-width: 0;
  padding-bottom: var(--space-1);
}
.raw {
  display: flex;
  gap: var(--space-4);
  align-items: center;
  min-height: 44px;
}
.raw input {
  width: 20px;
  height: 20px;
  accent-color: var(--weed);
  flex: none;
}
@media (--phone) {
  .row {
    grid-template-columns: 1fr 118px;
  }
  .against {
    grid-column: 1 / -1;
  }
}
</style>
