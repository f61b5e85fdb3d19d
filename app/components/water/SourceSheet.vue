<script setup lang="ts">
import { type AnalysisKey, analysisKeys, type Source, SourceKind, toMoment } from '#core/records'
import {
  caMgByMass,
  chargeBalance,
  completeAnalysis,
  CONDUCTIVITY_ERROR,
  estimateConductivity,
  ghOf,
  ionKeys,
  khOf,
} from '#core/water'
import { alkalinity, formatNumber, formatQuantity, hardness } from '#core/units'
import {
  analysisDraft,
  readSource,
  readValues,
  sourceDraft,
  type SourceDraft,
  type SourceIssues,
} from '~/forms/sourceDraft'
import {
  analysisByWord,
  analysisName,
  analysisText,
  analysisUnit,
  disinfectantWord,
  ionText,
  ionWord,
} from '~/words/analysis'
import { percent } from '~/words/numbers'
import { assumptionText, sourceKindWord } from '~/words/recipe'
import { differenceText, limitText, valueText } from '~/words/unitPrefs'
import { dayText } from '~/words/when'

/** A source and its dated analyses: what was measured, what follows from it, and whether the charges balance. */
const props = defineProps<{ editing: { source: Source | null } | null }>()
const emit = defineEmits<{ close: [] }>()
const open = computed({
  get: () => props.editing !== null,
  set: v => {
    if (!v) emit('close')
  },
})
useSheets().countOpen(open)
const room = useRoomStore()
const settings = useSettingsStore()
const { saving, save: saveRecord } = useSave()
const old = computed(() => room.sources.find(s => s.id === props.editing?.source?.id) ?? props.editing?.source ?? null)
const draft = ref<SourceDraft>(sourceDraft(null))
const issues = ref<SourceIssues>({})
watch(open, now => {
  if (!now) return
  draft.value = sourceDraft(old.value)
  issues.value = {}
})

const kinds = SourceKind.options.map(value => ({
  value,
  title: sourceKindWord[value].replace(/^./, c => c.toUpperCase()),
}))
const options = <T extends string>(words: Record<T, string>) =>
  (Object.keys(words) as T[]).map(value => ({ value, title: words[value] }))
/** Those that keepers and reports give first; salinity belongs to the sea. */
const fields = computed<AnalysisKey[]>(() =>
  draft.value.kind === 'seaMix' ? ['salinityGKg', 'khDh', 'nitrateMgL'] : analysisKeys.filter(k => k !== 'salinityGKg'),
)
const set = (key: AnalysisKey, text: string) => {
  draft.value.values = { ...draft.value.values, [key]: text }
}
const past = computed(() => (old.value?.analyses ?? []).toSorted((a, b) => (a.at < b.at ? 1 : -1)))
const again = (index: number) =>
  Object.assign(draft.value, { ...analysisDraft(past.value[index]!, settings.units), on: '' })

/** What the typed values come to, completed, while they are typed. */
const whole = computed(() => {
  const { values } = readValues(draft.value, settings.units)
  if (Object.keys(values).length === 0) return null
  const done = completeAnalysis(values)
  const ratio = caMgByMass(done.water)
  return {
    ...done,
    rows: ionKeys
      .filter(k => done.water[k] > 1e-6 || done.range[k][1] > 1e-6)
      .map(k => ({
        name: ionWord[k],
        value: ionText(k, done.water[k]),
        range:
          done.range[k][1] - done.range[k][0] > 1e-3
            ? `${ionText(k, done.range[k][0])} to ${ionText(k, done.range[k][1])}`
            : 'settled',
      })),
    gh: ghOf(done.water),
    kh: khOf(done.water),
    conductivity: estimateConductivity(done.water),
    ratio: Number.isFinite(ratio) ? ratio : null,
    charges: chargeBalance(done.water),
    copper: values.copperMgL ?? 0,
  }
})
const ionColumns = [
  { key: 'name', title: 'Ion' },
  { key: 'value', title: 'mg/L', as: 'number' },
  { key: 'range', title: 'could be', as: 'number' },
] as const
const balanceText = computed(() => {
  const b = whole.value?.balance
  if (!b) return ''
  const [positive, negative] = [formatNumber(b.cationsMeqL, 2), formatNumber(b.anionsMeqL, 2)]
  return `Charges: ${positive} meq/L positive, ${negative} negative, ${percent(b.errorShare)} apart:`
})

async function save() {
  if (!room.room) return
  const read = readSource(draft.value, {
    old: old.value,
    roomId: room.room.id,
    units: settings.units,
    nowMs: Date.now(),
  })
  issues.value = read.ok ? {} : read.issues
  if (!read.ok) return
  if (!(await saveRecord('sources', read.source, `${read.source.name} kept.`))) return
  open.value = false
}
async function putAway() {
  if (!old.value) return
  const ended = { at: toMoment(Date.now()), why: 'putAway' as const }
  const words = `${old.value.name} put away; what was poured of it stays in the log.`
  if (!(await saveRecord('sources', { ...old.value, ended }, words))) return
  open.value = false
}
</script>

<template>
  <SideSheet v-model="open" :title="old ? old.name : 'Add a source'" wide>
    <FieldGrid id="source-form" tag="form" novalidate @submit.prevent="save">
      <FieldGrid :columns="2" stacks>
        <TextInput v-model="draft.name" label="Name of the source" placeholder="Kitchen tap" :error="issues.name" />
        <PickOne v-model="draft.kind" label="What it is" :options="kinds" />
      </FieldGrid>
      <ChoiceChips
        v-if="draft.kind === 'tap'"
        v-model="draft.disinfectant"
        label="Disinfected with (ask your supplier)"
        :options="options(disinfectantWord)"
      />
      <details v-if="past.length > 0" class="fold">
        <summary>{{ past.length }} {{ past.length === 1 ? 'analysis' : 'analyses' }} kept</summary>
        <ul>
          <li v-for="(a, i) in past" :key="a.at + i" class="small">
            <b>{{ dayText(new Date(a.at).getTime(), Date.now()) }}</b>, {{ analysisByWord[a.by] }}:
            {{
              analysisKeys
                .filter(k => a.values[k] !== undefined)
                .map(k => analysisText(k, a.values[k]!, settings.units))
                .join(', ')
            }}
            <button type="button" class="link" @click="again(i)">Use as a start</button>
          </li>
        </ul>
      </details>
      <fieldset>
        <legend>{{ old ? 'A further analysis' : 'Its analysis' }}: whatever is known</legend>
        <div class="values">
          <TextInput
            v-for="key in fields"
            :key="key"
            :model-value="draft.values[key] ?? ''"
            :label="analysisName(key)"
            :suffix="analysisUnit(key, settings.units)"
            numeric
            :error="issues[key]"
            @update:model-value="set(key, $event)"
          />
        </div>
        <FieldIssue :text="issues.values" />
      </fieldset>
      <FieldGrid :columns="2" stacks>
        <PickOne v-model="draft.by" label="Where from" :options="options(analysisByWord)" />
        <TextInput v-model="draft.on" label="On (empty: today)" type="date" :error="issues.on" />
      </FieldGrid>
      <section v-if="whole" class="whole" aria-label="What follows">
        <h3>What follows</h3>
        <p>
          GH <b class="numeral">{{ valueText('ghDh', whole.gh, settings.units) }}</b> ({{
            formatQuantity(hardness, whole.gh, 'mgLCaCO3')
          }}, {{ formatQuantity(hardness, whole.gh, 'meqL') }}), KH
          <b class="numeral">{{ valueText('khDh', whole.kh, settings.units) }}</b> ({{
            formatQuantity(alkalinity, whole.kh, 'mgLCaCO3')
          }}, {{ formatQuantity(alkalinity, whole.kh, 'meqL') }}), about
          <b class="numeral">{{ valueText('conductivityUsCm', whole.conductivity, settings.units) }}</b> give or take
          {{ differenceText('conductivityUsCm', whole.conductivity * CONDUCTIVITY_ERROR, settings.units)
          }}<template v-if="whole.ratio">, Ca to Mg {{ formatNumber(whole.ratio, 1) }} to 1 by mass</template>.
        </p>
        <DataTable label="Ions" :columns="ionColumns" :rows="whole.rows" />
        <p v-if="whole.balance?.acceptable">{{ balanceText }} they balance.</p>
        <CautionNote v-else-if="whole.balance">
          {{ balanceText }} something is missing or mistyped. The limits are those of Standard Methods 1030E.
        </CautionNote>
        <CautionNote v-if="whole.conductivityMismatch">
          The conductivity is {{ formatNumber(whole.conductivityMismatch, 2) }} times what these ions explain: one of
          them is off.
        </CautionNote>
        <CautionNote v-if="whole.copper > 0">
          Copper {{ limitText('copperMgL', whole.copper, settings.units) }} mg/L: it kills shrimp and snails. Let the
          pipe run first, test again, or use another water.
        </CautionNote>
        <p v-for="a in whole.assumptions" :key="a" class="small muted">{{ assumptionText[a] }}</p>
      </section>
    </FieldGrid>
    <template #foot>
      <v-btn type="submit" form="source-form" color="primary" :loading="saving">Save</v-btn>
      <v-btn v-if="old" class="quiet" @click="putAway">Put away</v-btn>
    </template>
  </SideSheet>
</template>

<style scoped>
.values {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: var(--space-4);
}
legend {
  color: var(--muted);
  font-size: var(--type-small);
  padding-bottom: var(--space-3);
}
details li {
  border-top: 1px solid var(--rule);
  padding: var(--space-3) 0;
}
.whole {
  border-top: 1px solid var(--rule);
  padding-top: var(--space-5);
  display: grid;
  gap: var(--space-4);
}
@media (--phone) {
  .values {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
