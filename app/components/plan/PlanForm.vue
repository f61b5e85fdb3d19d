<script setup lang="ts">
import { groupOf, groups } from '#core/groups'
import { type Plan, SubstrateKind } from '#core/records'
import { unitOf, volume } from '#core/units'
import { type PlanDraft, type PlanIssues, wantsOf } from '~/forms/planDraft'
import { substrateWord } from '~/words/plan'
import { glassKindWord } from '~/words/states'

/**
 * The fields of a plan, in the order in which a keeper decides. `fixed` once it is a glass: animals and size stay then.
 */
const props = defineProps<{ issues: PlanIssues; fixed: boolean; plan: Plan }>()
const draft = defineModel<PlanDraft>({ required: true })
const settings = useSettingsStore()
const room = useRoomStore()
const chooseFirst = (groupId: string) => {
  draft.value = { ...draft.value, groupA: groupId, ...wantsOf(groupId, props.plan, settings.units) }
}
const chooseSecond = (groupId: string) => {
  draft.value = {
    ...draft.value,
    groupB: groupId,
    startersB: groupId ? String(groupOf(groupId).stocking.starters.value) : '0',
  }
}
const unit = computed(() => unitOf(volume, settings.units.volume).symbol)
const all = groups.map(g => ({ value: g.id, title: g.name }))
const second = [{ value: '', title: 'nobody else' }, ...all]
const kinds = (['tank', 'jar', 'tub', 'paludarium'] as const).map(value => ({ value, title: glassKindWord[value] }))
const substrates = SubstrateKind.options.map(value => ({ value, title: substrateWord[value] }))
const sources = computed(() => [
  { value: '', title: 'the tap' },
  ...room.sources.map(s => ({ value: s.id, title: s.name })),
])
</script>

<template>
  <form class="fields" novalidate @submit.prevent>
    <TextInput v-model="draft.name" label="Name of the plan" :error="issues.name" />
    <PickOne
      v-if="!fixed"
      :model-value="draft.groupA"
      label="Animals"
      :options="all"
      @update:model-value="chooseFirst"
    />
    <PickOne
      v-if="!fixed"
      :model-value="draft.groupB"
      label="Together with"
      :options="second"
      @update:model-value="chooseSecond"
    />
    <fieldset>
      <legend>The glass</legend>
      <template v-if="!fixed">
        <PickOne v-model="draft.kind" label="Kind" :options="kinds" />
        <ChoiceChips
          v-model="draft.sizeBy"
          label="Size by"
          hide-label
          :options="[
            { value: 'litres', title: 'Litres' },
            { value: 'edges', title: 'Inner edges' },
          ]"
        />
        <TextInput
          v-if="draft.sizeBy === 'litres'"
          v-model="draft.litres"
          label="Holds, when full"
          :suffix="unit"
          numeric
          :error="issues.litres"
        />
        <EdgeFields v-else v-model="draft" :issues="issues" />
        <TextInput
          v-model="draft.fillPct"
          label="Share of the height that is water"
          suffix="%"
          numeric
          :error="issues.fillPct"
        />
        <FieldGrid :columns="2">
          <PickOne v-model="draft.substrate" label="Bottom" :options="substrates" />
          <TextInput
            v-if="draft.substrate !== 'none'"
            v-model="draft.depthCm"
            label="Depth"
            suffix="cm"
            numeric
            :error="issues.depthCm"
          />
        </FieldGrid>
      </template>
      <FieldGrid :columns="2">
        <TextInput
          v-model="draft.carbonateGL"
          label="Carbonate stone"
          suffix="g/L"
          numeric
          :error="issues.carbonateGL"
        />
        <TextInput v-model="draft.leaves" label="Dried leaves" numeric :error="issues.leaves" />
        <TextInput
          v-model="draft.filterRatedL"
          label="Filters rated for"
          :suffix="unit"
          numeric
          :error="issues.filterRatedL"
        />
        <TextInput v-model="draft.lightHours" label="Light a day" suffix="h" numeric :error="issues.lightHours" />
      </FieldGrid>
      <label class="tick"><input v-model="draft.intakeGuard" type="checkbox" /> sponge over the intake</label>
      <label class="tick"><input v-model="draft.cover" type="checkbox" /> covered, gaps closed</label>
    </fieldset>
    <FieldGrid :columns="2">
      <TextInput v-model="draft.starters" label="Starters" numeric :error="issues.starters" />
      <TextInput
        v-if="draft.groupB"
        v-model="draft.startersB"
        label="Of the second"
        numeric
        :error="issues.startersB"
      />
    </FieldGrid>
    <PickOne v-model="draft.sourceId" label="First fill from" :options="sources" />
    <TextInput v-model="draft.startsAt" label="Filled on" type="date" :error="issues.startsAt" />
    <details v-if="!fixed" class="fold">
      <summary>Habits (schools)</summary>
      <SchoolFields v-model="draft.schools" :group-id="draft.groupA" />
    </details>
  </form>
</template>

<style scoped>
.fields,
fieldset {
  display: grid;
  gap: var(--space-5);
  align-content: start;
}
fieldset {
  border-top: 1px solid var(--rule);
  padding-top: var(--space-4);
}
legend {
  font: 600 var(--type-text) var(--v-font-heading);
  float: left;
  padding-bottom: var(--space-1);
}
fieldset > * {
  clear: both;
}
.tick {
  display: flex;
  gap: var(--space-4);
  align-items: center;
  min-height: 40px;
}
.tick input {
  width: 20px;
  height: 20px;
  accent-color: var(--weed);
}
</style>
