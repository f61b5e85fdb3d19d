<script setup lang="ts">
import { type Rack, SubstrateKind } from '#core/records'
import { unitOf, volume } from '#core/units'
import { assumeFill, type GlassDraft, type GlassIssues } from '~/forms/glassDraft'
import { substrateWord } from '~/words/plan'
import { glassKindWord } from '~/words/states'

/** Kind, litres, fill and place of a glass. */
const props = defineProps<{
  racks: Rack[]
  issues: GlassIssues
  nameHint?: string
  /** how full the glasses of the animals that go in are kept */
  fillShare?: number
}>()
const draft = defineModel<GlassDraft>({ required: true })
const settings = useSettingsStore()
const unit = computed(() => unitOf(volume, settings.units.volume).symbol)
const kinds = (['tank', 'jar', 'tub', 'paludarium'] as const).map(value => ({ value, title: glassKindWord[value] }))
const substrates = SubstrateKind.options.map(value => ({ value, title: substrateWord[value] }))
const known = ref(false)
watch(
  () => props.issues,
  i => {
    if (i.inside || i.depthCm || i.rockKg || i.carbonateG || i.soilSince) known.value = true
  },
)
onMounted(() => {
  known.value =
    draft.value.lengthCm !== '' ||
    draft.value.substrate !== 'none' ||
    draft.value.rockKg !== '' ||
    draft.value.carbonateG !== ''
})
watch(
  () => draft.value.kind,
  () => assumeFill(draft.value, props.fillShare),
)
const fills = [
  { value: 'height', title: 'Filled to a height' },
  { value: 'netLitres', title: 'Water measured' },
] as const
const racks = computed(() => props.racks.map(r => ({ value: r.id, title: r.name })))
const shelves = computed(() =>
  Array.from({ length: props.racks.find(r => r.id === draft.value.rackId)?.shelves ?? 1 }, (_, i) => ({
    value: i,
    title: i === 0 ? 'Top shelf' : `Shelf ${i + 1}`,
  })),
)
watch(shelves, list => {
  draft.value.shelf = Math.min(draft.value.shelf, list.length - 1)
})
</script>

<template>
  <FieldGrid>
    <TextInput v-model="draft.name" label="Name of the glass" :error="issues.name" :placeholder="nameHint" />
    <ChoiceChips v-model="draft.kind" label="Kind" :options="kinds" />
    <TextInput v-model="draft.litres" label="Holds, when full" :suffix="unit" numeric :error="issues.litres" />
    <ChoiceChips v-model="draft.fillBy" label="How much water is in it" :options="fills" />
    <TextInput
      v-if="draft.fillBy === 'height'"
      v-model="draft.fillPct"
      label="Share of the height that is water"
      suffix="%"
      numeric
      :error="issues.fill"
      :hint="draft.fillPct === draft.assumedPct ? 'Taken as usual. Type it when you know better.' : ''"
    />
    <TextInput v-else v-model="draft.netLitres" label="Water in it" :suffix="unit" numeric :error="issues.fill" />
    <details class="fold" :open="known">
      <summary>Inner edges, bottom and stones (for the net litres)</summary>
      <FieldGrid>
        <EdgeFields v-model="draft" />
        <FieldIssue :text="issues.inside" />
        <p class="small muted">Inner edges give the litres; then the bottom is taken off too.</p>
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
        <FieldGrid :columns="2">
          <TextInput v-model="draft.rockKg" label="Rock" suffix="kg" numeric :error="issues.rockKg" />
          <TextInput
            v-model="draft.carbonateG"
            label="Carbonate stone, sand, shell"
            suffix="g"
            numeric
            :error="issues.carbonateG"
          />
        </FieldGrid>
        <TextInput
          v-if="draft.substrate === 'activeSoil'"
          v-model="draft.soilSince"
          label="The soil is in since"
          type="date"
          :error="issues.soilSince"
        />
      </FieldGrid>
    </details>
    <FieldGrid :columns="2">
      <PickOne v-model="draft.rackId" label="Where it stands" :options="racks" />
      <PickOne v-model="draft.shelf" label="Shelf" :options="shelves" />
    </FieldGrid>
    <FieldIssue :text="issues.place" />
  </FieldGrid>
</template>
