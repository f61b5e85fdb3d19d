<script setup lang="ts">
import type { Rack } from '#core/records'
import { unitOf, volume } from '#core/units'
import type { GlassDraft, GlassIssues } from '~/forms/glassDraft'
import { glassKindWord } from '~/words/states'

/** Kind, litres, fill and place of a glass. */
const props = defineProps<{ racks: Rack[], issues: GlassIssues, nameHint?: string }>()
const draft = defineModel<GlassDraft>({ required: true })
const settings = useSettingsStore()
const unit = computed(() => unitOf(volume, settings.units.volume).symbol)
const kinds = (['tank', 'jar', 'tub', 'paludarium'] as const).map(value => ({ value, title: glassKindWord[value] }))
const fills = [{ value: 'height', title: 'Filled to a height' }, { value: 'netLitres', title: 'Water measured' }] as const
const racks = computed(() => props.racks.map(r => ({ value: r.id, title: r.name })))
const shelves = computed(() => Array.from({ length: props.racks.find(r => r.id === draft.value.rackId)?.shelves ?? 1 }, (_, i) => ({ value: i, title: i === 0 ? 'Top shelf' : `Shelf ${i + 1}` })))
watch(shelves, (list) => { draft.value.shelf = Math.min(draft.value.shelf, list.length - 1) })
</script>

<template>
  <div class="fields">
    <TextInput v-model="draft.name" label="Name of the glass" :error="issues.name" :placeholder="nameHint" />
    <ChoiceChips v-model="draft.kind" label="Kind" :options="kinds" />
    <TextInput v-model="draft.litres" label="Holds, when full" :suffix="unit" numeric :error="issues.litres" />
    <ChoiceChips v-model="draft.fillBy" label="How much water is in it" :options="fills" />
    <TextInput v-if="draft.fillBy === 'height'" v-model="draft.fillPct" label="Share of the height that is water" suffix="%" numeric :error="issues.fill" />
    <TextInput v-else v-model="draft.netLitres" label="Water in it" :suffix="unit" numeric :error="issues.fill" />
    <div class="two">
      <PickOne v-model="draft.rackId" label="Where it stands" :options="racks" />
      <PickOne v-model="draft.shelf" label="Shelf" :options="shelves" />
    </div>
    <p v-if="issues.place" class="issue" role="alert">{{ issues.place }}</p>
  </div>
</template>

<style scoped>
.fields { display: grid; gap: 16px; }
.two { display: grid; grid-template-columns: 1fr 1fr; gap: 12px; }
.issue { color: var(--rust); font-size: 14px; }
</style>
