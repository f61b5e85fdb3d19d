<script setup lang="ts">
import { waysOver, type WayOver } from '~/composables/useGoingOver'
import { formatNumber } from '#core/units'
import { cautionText } from '~/words/cautions'
import { afterHours } from '~/words/salt'
import { valueText, valueUnit } from '~/words/unitPrefs'

/**
 * Salt water: salinity, density, specific gravity and conductivity both ways, mixing, topping up, and going over in
 * steps.
 */
const desk = useWaterDeskStore()
const settings = useSettingsStore()
const instrument = useSaltInstrument()
const mixing = useSaltMixing(instrument)
const goingOver = useGoingOver()

const measures = [
  { value: 'salinity', title: 'Salinity' },
  { value: 'gravity', title: 'Specific gravity' },
  { value: 'conductivity', title: 'Conductivity' },
] as const
const unitOfMeasure = { salinity: 'g/kg', gravity: '', conductivity: 'mS/cm' } as const
const references = [
  { value: 'same', title: 'water at its own temperature' },
  { value: '4', title: 'pure water at 4 °C' },
  { value: '15', title: '15 °C' },
  { value: '60F', title: '60 °F' },
  { value: '20', title: '20 °C' },
  { value: '25', title: '25 °C' },
] as const
const noSuchWater =
  'No water from 0 to 42 g/kg shows that at this temperature: read again, and check what the hydrometer compares with.'
const newest = computed(() => {
  const last = desk.story.readings.get('salinityGKg')?.at(-1)
  return last
    ? valueText('salinityGKg', last.value, settings.units)
    : `no ${valueUnit('salinityGKg', settings.units)} yet`
})

const ways = (Object.keys(waysOver) as WayOver[]).map(value => ({ value, title: waysOver[value].title }))
const stepColumns = [
  { key: 'when', title: 'When' },
  { key: 'exchange', title: 'exchange', as: 'number' },
  { key: 'then', title: 'then it is', as: 'number' },
] as const
</script>

<template>
  <div class="salt">
    <section aria-labelledby="measured-title">
      <h2 id="measured-title">What the instrument says</h2>
      <ChoiceChips v-model="instrument.measure" label="Measured" hide-label :options="measures" />
      <FieldGrid :columns="2">
        <TextInput
          v-model="instrument.shown[instrument.measure]"
          :label="measures.find(m => m.value === instrument.measure)!.title"
          :suffix="unitOfMeasure[instrument.measure]"
          numeric
          :error="instrument.read.ok ? '' : instrument.read.issue"
        />
        <TextInput
          v-model="instrument.temperature"
          label="at"
          :suffix="valueUnit('temperatureC', settings.units)"
          numeric
          :error="instrument.waterC.ok ? '' : instrument.waterC.issue"
        />
      </FieldGrid>
      <PickOne v-model="instrument.reference" label="Your hydrometer compares with" :options="references" />
      <dl v-if="instrument.results">
        <div v-for="r in instrument.results" :key="r.name">
          <dt>{{ r.name }}</dt>
          <dd class="numeral">{{ r.value }}</dd>
        </div>
      </dl>
      <FieldIssue v-else-if="instrument.read.ok && instrument.waterC.ok" :text="noSuchWater" />
      <p class="small muted">
        Density by EOS-80 (UNESCO 1981), conductivity by PSS-78 with Hill, Dauphinee & Woods 1986; checked against
        TEOS-10. A wrong reference temperature costs up to 4 g/kg. The newest test here:
        {{ newest }}.
      </p>
    </section>
    <section aria-labelledby="mix-title">
      <h2 id="mix-title">Mix <span class="small muted">half strength is 17.5 g/kg</span></h2>
      <FieldGrid :columns="2">
        <TextInput
          v-model="mixing.litres"
          label="How much"
          :suffix="mixing.litreUnit"
          numeric
          :error="mixing.litresRead.ok ? '' : mixing.litresRead.issue"
        /><TextInput
          v-model="mixing.wanted"
          label="Salinity"
          suffix="g/kg"
          numeric
          :error="mixing.wantedRead.ok ? '' : mixing.wantedRead.issue"
        />
      </FieldGrid>
      <template v-if="mixing.mix">
        <p><TheSentence :text="mixing.mix.box" /></p>
        <p v-if="mixing.mix.sea"><TheSentence :text="mixing.mix.sea" /></p>
      </template>
      <CautionNote class="small">{{ cautionText('seaSalt') }}</CautionNote>
      <h2>Put right what is in {{ desk.glass?.name }}</h2>
      <FieldGrid :columns="2">
        <TextInput
          v-model="mixing.is"
          label="It is"
          suffix="g/kg"
          numeric
          :error="mixing.isRead.ok || mixing.isRead.empty ? '' : mixing.isRead.issue"
        /><TextInput
          v-model="mixing.should"
          label="It should be"
          suffix="g/kg"
          numeric
          :error="mixing.shouldRead.ok ? '' : mixing.shouldRead.issue"
        />
      </FieldGrid>
      <p v-if="mixing.putRight" role="status"><TheSentence :text="mixing.putRight" /></p>
    </section>
    <section aria-labelledby="over-title">
      <h2 id="over-title">Go over in steps</h2>
      <ChoiceChips v-model="goingOver.way" label="Who" hide-label :options="ways" />
      <p class="small muted">
        {{ waysOver[goingOver.way].note
        }}<template v-if="goingOver.way !== 'snailsIn'"> {{ cautionText('larvaeNeedSea') }}</template>
      </p>
      <FieldGrid :columns="3">
        <TextInput v-model="goingOver.text.from" label="From" suffix="g/kg" numeric /><TextInput
          v-model="goingOver.text.to"
          label="To"
          suffix="g/kg"
          numeric
        /><TextInput v-model="goingOver.text.strength" label="With water of" suffix="g/kg" numeric />
        <TextInput v-model="goingOver.litres" label="In" :suffix="mixing.litreUnit" numeric /><TextInput
          v-model="goingOver.text.hours"
          label="Over"
          suffix="h"
          numeric
        /><TextInput v-model="goingOver.text.steps" label="Steps" numeric />
      </FieldGrid>
      <DataTable
        v-if="goingOver.schedule.ok"
        label="Steps of going over"
        :columns="stepColumns"
        :rows="goingOver.schedule.steps"
      >
        <template #when="{ row }">{{ afterHours(row.hours) }}</template>
        <template #exchange="{ row }">{{ formatNumber(row.exchangeL * 1000, 0) }} mL</template>
        <template #then="{ row }"
          ><b>{{ formatNumber(row.salinityGKg, 1) }} g/kg</b></template
        >
      </DataTable>
      <FieldIssue v-else :text="goingOver.schedule.issue" />
    </section>
  </div>
</template>

<style scoped>
.salt {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: var(--space-8);
  padding-top: var(--space-6);
}
section {
  display: grid;
  gap: var(--space-5);
  align-content: start;
}
dl {
  margin: 0;
}
dl div {
  display: flex;
  justify-content: space-between;
  gap: var(--space-5);
  border-top: 1px solid var(--rule);
  padding: var(--space-3) 0;
}
dd {
  margin: 0;
}
</style>
