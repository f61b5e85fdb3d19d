<script setup lang="ts">
import { TakeKind } from '#core/records'
import { unitOf, volume } from '#core/units'
import { emptyScenario, type ScenarioDraft } from '~/forms/scenarioDraft'
import { takeKindWord } from '~/words/outlook'
import { valueNumber, valueUnit } from '~/words/unitPrefs'

/** What is different in a scenario. Empty fields stay as things are, which stand in grey. */
const props = defineProps<{
  issues: Partial<Record<keyof ScenarioDraft, string>>
  temperatureC: number
  hasFish: boolean | null
  oneSex: boolean
}>()
const settings = useSettingsStore()
const draft = defineModel<ScenarioDraft>({ required: true })
const kinds = computed(() =>
  TakeKind.options
    .filter(k => !props.oneSex || (k !== 'females' && k !== 'males'))
    .map(value => ({ value, title: takeKindWord[value] })),
)
const fish = [
  { value: '' as const, title: 'as now' },
  { value: 'none' as const, title: 'none' },
  { value: 'peaceful' as const, title: 'small and peaceful' },
]
const changed = computed(() => JSON.stringify(draft.value) !== JSON.stringify(emptyScenario()))
</script>

<template>
  <div class="form">
    <FieldGrid :columns="2">
      <TextInput
        v-model="draft.temperature"
        label="Temperature"
        :suffix="valueUnit('temperatureC', settings.units)"
        numeric
        :placeholder="valueNumber('temperatureC', temperatureC, settings.units)"
        :error="issues.temperature"
      />
      <TextInput
        v-model="draft.roomFactor"
        label="Food and surface"
        suffix="times"
        numeric
        placeholder="1"
        :error="issues.roomFactor"
      />
    </FieldGrid>
    <FieldGrid :columns="2">
      <TextInput
        v-model="draft.secondTank"
        label="A second tank of"
        :suffix="unitOf(volume, settings.units.volume).symbol"
        numeric
        placeholder="none"
        :error="issues.secondTank"
      />
      <TextInput v-model="draft.putIn" label="Put in today" numeric placeholder="none" :error="issues.putIn" />
    </FieldGrid>
    <FieldGrid :columns="2">
      <TextInput v-model="draft.takeNow" label="Take out today" numeric placeholder="none" :error="issues.takeNow" />
      <PickOne v-model="draft.takeNowOf" label="of them" :options="kinds" />
    </FieldGrid>
    <FieldGrid :columns="2">
      <TextInput v-model="draft.weekly" label="Take out each week" numeric placeholder="none" :error="issues.weekly" />
      <PickOne v-model="draft.weeklyOf" label="of those" :options="kinds" />
    </FieldGrid>
    <PickOne v-if="hasFish !== null" v-model="draft.fish" label="Fish with them" :options="fish" />
    <button v-if="changed" type="button" class="link" @click="draft = emptyScenario()">
      Back to things as they are
    </button>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  gap: var(--space-4);
}
.link {
  justify-self: start;
  min-height: 32px;
}
</style>
