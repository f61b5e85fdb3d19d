<script setup lang="ts">
import type { PlanStart, StartIssues } from '~/forms/planStart'
import { unitOf, volume } from '#core/units'
import { valueUnit } from '~/words/unitPrefs'

/** What somebody has: a tank, their tap, the warmth of the room; and what they want of their animals. */
defineProps<{ issues: StartIssues }>()
const start = defineModel<PlanStart>({ required: true })
const settings = useSettingsStore()
const unit = computed(() => unitOf(volume, settings.units.volume).symbol)
const sizes = [
  { value: 'litres', title: 'Litres' },
  { value: 'edges', title: 'Its sides' },
] as const
const disinfectants = [
  { value: 'unknown', title: 'not known' },
  { value: 'chlorine', title: 'chlorine' },
  { value: 'chloramine', title: 'chloramine' },
  { value: 'none', title: 'none' },
] as const
const wishes = [
  { value: '', title: 'anything' },
  { value: 'breed', title: 'see them breed' },
  { value: 'algae', title: 'keep algae down' },
  { value: 'odd', title: 'something odd' },
] as const
</script>

<template>
  <form class="have" novalidate aria-labelledby="have-title" @submit.prevent>
    <h2 id="have-title">What do you have?</h2>
    <ChoiceChips v-model="start.sizeBy" label="A tank" :options="sizes" />
    <TextInput
      v-if="start.sizeBy === 'litres'"
      v-model="start.litres"
      label="Holds, when full"
      :suffix="unit"
      numeric
      :error="issues.litres"
    />
    <template v-else>
      <EdgeFields v-model="start" />
      <FieldIssue :text="issues.edges ?? ''" />
    </template>
    <p class="label">
      Your tap water: <GlossWord of="gh" />, <GlossWord of="kh" /> and <GlossWord of="ph" /> from a drop kit or the
      supplier’s sheet
    </p>
    <template v-if="start.tapKnown">
      <FieldGrid :columns="2">
        <TextInput
          v-model="start.values.ghDh"
          label="GH"
          :suffix="valueUnit('ghDh', settings.units)"
          numeric
          :error="issues.ghDh"
        /><TextInput
          v-model="start.values.khDh"
          label="KH"
          :suffix="valueUnit('khDh', settings.units)"
          numeric
          :error="issues.khDh"
        /><TextInput v-model="start.values.ph" label="pH" numeric :error="issues.ph" />
        <PickOne v-model="start.disinfectant" label="Disinfected with" :options="disinfectants" />
      </FieldGrid>
      <button type="button" class="link" @click="start.tapKnown = false">I do not know it yet</button>
    </template>
    <CautionNote v-else class="small">
      Ask your water supplier for hardness, alkalinity and the disinfectant (it is on its website), or buy drop kits for
      GH and KH: strips are too rough. Kits for ammonia and nitrite are needed anyway.
      <button type="button" class="link" @click="start.tapKnown = true">I know it now</button>
    </CautionNote>
    <FieldGrid :columns="2">
      <TextInput
        v-model="start.winter"
        label="The room in winter"
        :suffix="valueUnit('temperatureC', settings.units)"
        numeric
        :error="issues.winter"
      /><TextInput
        v-model="start.summer"
        label="in summer"
        :suffix="valueUnit('temperatureC', settings.units)"
        numeric
        :error="issues.summer"
      />
    </FieldGrid>
    <ChoiceChips v-model="start.wish" label="What do you want of them?" :options="wishes" />
  </form>
</template>

<style scoped>
.have {
  display: grid;
  gap: var(--space-5);
  align-content: start;
  justify-items: stretch;
}
.label {
  color: var(--muted);
  font-size: var(--type-small);
}
.link {
  justify-self: start;
}
</style>
