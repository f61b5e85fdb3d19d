<script setup lang="ts">
import {
  conductivityOfSalinity,
  fromTheBox,
  gramsPerLitreFromSalinity,
  type GravityReference,
  mixSaltWater,
  pureWaterToDilute,
  salinityFromConductivity,
  salinityFromGravity,
  salinitySchedule,
  seaDensity,
  seaSaltToRaise,
  shareOfSea,
  specificGravity,
} from '#core/water'
import { formatNumber } from '#core/units'
import { type NumberRead, readNumber } from '~/forms/readNumber'
import { cautionText } from '~/words/cautions'
import { num } from '~/words/numbers'
import { preciseVolume } from '~/words/recipe'
import { storedValue, valueNumber, valueText, valueUnit, volumeText } from '~/words/unitPrefs'

/**
 * Salt water: salinity, density, specific gravity and conductivity both ways, mixing, topping up, and going over in
 * steps.
 */
const desk = useWaterDeskStore()
const settings = useSettingsStore()

// what was measured
type Known = 'salinity' | 'gravity' | 'conductivity'
const known = ref<Known>('salinity')
const knownOptions = [
  { value: 'salinity', title: 'Salinity' },
  { value: 'gravity', title: 'Specific gravity' },
  { value: 'conductivity', title: 'Conductivity' },
] as const
const measured = ref<Record<Known, string>>({ salinity: '', gravity: '', conductivity: '' })
const temperature = ref('')
watch(
  [() => desk.glassId, () => desk.ready, () => settings.units.temperature],
  () => {
    const s = desk.story.readings.get('salinityGKg')?.at(-1)?.value
    const t = desk.story.readings.get('temperatureC')?.at(-1)?.value
    measured.value = { salinity: formatNumber(s ?? 17.5, 1), gravity: '1.013', conductivity: '28.3' }
    temperature.value = valueNumber('temperatureC', t ?? 24, settings.units)
  },
  { immediate: true },
)
const reference = ref<GravityReference>('same')
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
const unit = { salinity: 'g/kg', gravity: '', conductivity: 'mS/cm' } as const
/** Temperature in °C; the equations are fitted from −2 to 35 °C. */
const t = computed<NumberRead>(() => {
  const read = readNumber(temperature.value, { low: -1000, high: 1000 })
  if (!read.ok) return read
  const value = storedValue('temperatureC', read.value, settings.units)
  return value < -2 || value > 35
    ? {
        ok: false,
        empty: false,
        issue:
          `It must lie between ${valueText('temperatureC', -2, settings.units)} and ` +
          `${valueText('temperatureC', 35, settings.units)}.`,
      }
    : { ok: true, value }
})
const field = computed(
  () =>
    ({
      salinity: readNumber(measured.value.salinity, { low: 0, high: 42, unit: 'g/kg' }),
      gravity: readNumber(measured.value.gravity, { low: 0.99, high: 1.05 }),
      conductivity: readNumber(measured.value.conductivity, { low: 0, high: 75, unit: 'mS/cm' }),
    })[known.value],
)
const salinity = computed<number | null>(() => {
  if (!t.value.ok || !field.value.ok) return null
  const v = field.value.value
  const s =
    known.value === 'salinity'
      ? v
      : known.value === 'gravity'
        ? salinityFromGravity(v, t.value.value, reference.value)
        : salinityFromConductivity(v, t.value.value)
  return s !== null && s <= 42 ? s : null
})
const results = computed(() => {
  if (salinity.value === null || !t.value.ok) return null
  const c = t.value.value
  const s = salinity.value
  return [
    { name: 'Salinity', value: `${formatNumber(s, 1)} g/kg` },
    { name: 'Of seawater', value: `${formatNumber(shareOfSea(s) * 100, 0)} %` },
    { name: 'Density', value: `${formatNumber(seaDensity(s, c), 1)} g/L` },
    { name: 'Specific gravity', value: formatNumber(specificGravity(s, c, reference.value), 4) },
    {
      name: `Conductivity at ${valueText('temperatureC', c, settings.units)}`,
      value: `${formatNumber(conductivityOfSalinity(s, c), 2)} mS/cm`,
    },
    { name: 'Conductivity at 25 °C', value: `${formatNumber(conductivityOfSalinity(s, 25), 2)} mS/cm` },
    { name: 'Dry salt in a litre', value: `${formatNumber(gramsPerLitreFromSalinity(s, c), 1)} g` },
  ]
})

// mixing
const litres = ref('')
const wanted = ref('17.5')
const { unit: litreUnit, read: mixL, fill: fillMix } = useLitres(litres, 0.01, 5000)
const overLitres = ref('')
const { read: overL, fill: fillOver } = useLitres(overLitres, 0.05, 500)
watch(
  () => settings.units.volume,
  () => {
    fillMix(10)
    fillOver(2)
  },
  { immediate: true },
)
const mixS = computed(() => readNumber(wanted.value, { low: 0.1, high: 42, unit: 'g/kg' }))
const degrees = computed(() => (t.value.ok ? t.value.value : 24))
const sea = computed(() => desk.usable.find(u => u.water.seaSaltGL > 5)?.source ?? null)
const seaGKg = computed(() => sea.value?.analyses.at(-1)?.values.salinityGKg ?? 0)
const mixing = computed(() =>
  mixL.value.ok && mixS.value.ok
    ? mixSaltWater(mixL.value.value, mixS.value.value, degrees.value, sea.value ? seaGKg.value : null)
    : null,
)

// putting right what evaporated, or what is too weak
const is = ref('')
const should = ref('17.5')
watch(
  salinity,
  s => {
    if (s !== null && is.value === '') is.value = formatNumber(s, 1)
  },
  { immediate: true },
)
const isRead = computed(() => readNumber(is.value, { low: 0.1, high: 42, unit: 'g/kg' }))
const shouldRead = computed(() => readNumber(should.value, { low: 0.1, high: 42, unit: 'g/kg' }))
const right = computed(() => {
  if (!isRead.value.ok || !shouldRead.value.ok || !(desk.netL > 0)) return ''
  const [a, b] = [isRead.value.value, shouldRead.value.value]
  if (Math.abs(a - b) < 0.05) return 'It is right.'
  if (a > b) {
    const kg = pureWaterToDilute(desk.netL, a, b, degrees.value)
    return (
      `Pour ${num(preciseVolume(kg, settings.units))} pure water into the ` +
      `${volumeText(desk.netL, settings.units)} (what has evaporated left its salt behind); first take out as ` +
      `much as does not fit.`
    )
  }
  const g = seaSaltToRaise(desk.netL, a, b, degrees.value)
  return (
    `${num(`${formatNumber(g, g < 10 ? 1 : 0)} g`)} dry sea salt are missing in ` +
    `${volumeText(desk.netL, settings.units)} (${formatNumber(fromTheBox(g), g < 10 ? 1 : 0)} g from the box). ` +
    `Dissolve it outside the glass, over several days.`
  )
})

// going over in steps
const ways = {
  snailsIn: {
    title: 'Snails to half strength',
    from: '0',
    to: '17.5',
    hours: '36',
    steps: '6',
    note: 'One to two days (common practice).',
  },
  larvaeIn: {
    title: 'Larvae to the sea',
    from: '0',
    to: '30',
    hours: '6',
    steps: '4',
    note:
      'Larvae die within hours in fresh water: begin on the day they hatch (common practice; the steps are ' +
      'from memory).',
  },
  youngBack: {
    title: 'Young back to fresh water',
    from: '30',
    to: '0',
    hours: '48',
    steps: '8',
    note:
      'After the last molt, within days; pick them one by one as they mature (common practice; the steps are ' +
      'from memory).',
  },
} as const
type Way = keyof typeof ways
const way = ref<Way>('snailsIn')
const over = ref({ from: '', to: '', hours: '', steps: '', strength: '35' })
watch(
  way,
  w => {
    const { from, to, hours, steps } = ways[w]
    over.value = { ...over.value, from, to, hours, steps, strength: Number(to) > Number(from) ? '35' : '0' }
  },
  { immediate: true },
)
const schedule = computed(() => {
  const [from, to, hours, steps, volumeL, strength] = [
    readNumber(over.value.from, { low: 0, high: 42 }),
    readNumber(over.value.to, { low: 0, high: 42 }),
    readNumber(over.value.hours, { low: 0, high: 240 }),
    readNumber(over.value.steps, { low: 1, high: 24 }),
    overL.value,
    readNumber(over.value.strength, { low: 0, high: 42 }),
  ]
  if (!from.ok || !to.ok || !hours.ok || !steps.ok || !volumeL.ok || !strength.ok || from.value === to.value)
    return {
      ok: false as const,
      issue: 'Type all six numbers: salinities from 0 to 42 g/kg, up to 240 hours, 1 to 24 steps.',
    }
  if (to.value > from.value ? strength.value < to.value : strength.value > to.value)
    return {
      ok: false as const,
      issue:
        `Water of ${over.value.strength} g/kg cannot bring it to ${over.value.to} g/kg: pour in ` +
        `${to.value > from.value ? 'stronger' : 'weaker'} water.`,
    }
  return {
    ok: true as const,
    steps: salinitySchedule({
      fromGKg: from.value,
      toGKg: to.value,
      strengthGKg: strength.value,
      volumeL: volumeL.value,
      hours: hours.value,
      steps: Math.round(steps.value),
    }),
  }
})
const hourText = (h: number) =>
  h === 0
    ? 'at once'
    : h < 24
      ? `after ${formatNumber(h, h % 1 ? 1 : 0)} h`
      : `after ${Math.floor(h / 24)} d ${formatNumber(h % 24, 0)} h`
const gramsOf = (g: number) => `${formatNumber(g, g < 100 ? 1 : 0)} g`
/** How to mix it: from the box, or from sea water where there is some. */
const mixSentences = computed(() => {
  const m = mixing.value
  if (!m) return { box: '', sea: '' }
  const litresText = volumeText(mixL.value.ok ? mixL.value.value : 0, settings.units)
  const box =
    `${num(gramsOf(m.boxG))} sea salt from the box (${gramsOf(m.dryG)} dry; the box holds about a tenth of crystal ` +
    `water, from memory), made up to ${litresText} with pure water.`
  if (m.seaL === null) return { box, sea: '' }
  const [seaText, pureText] = [m.seaL, m.pureL!].map(l => num(preciseVolume(l, settings.units)))
  const named = `${sea.value!.name} (${formatNumber(seaGKg.value, 1)} g/kg)`
  return { box, sea: `Or ${seaText} ${named} and ${pureText} pure water.` }
})
</script>

<template>
  <div class="salt">
    <section aria-labelledby="measured-title">
      <h2 id="measured-title">What the instrument says</h2>
      <ChoiceChips v-model="known" label="Measured" hide-label :options="knownOptions" />
      <FieldGrid :columns="2">
        <TextInput
          v-model="measured[known]"
          :label="knownOptions.find(o => o.value === known)!.title"
          :suffix="unit[known]"
          numeric
          :error="field.ok ? '' : field.issue"
        />
        <TextInput
          v-model="temperature"
          label="at"
          :suffix="valueUnit('temperatureC', settings.units)"
          numeric
          :error="t.ok ? '' : t.issue"
        />
      </FieldGrid>
      <PickOne v-model="reference" label="Your hydrometer compares with" :options="references" />
      <dl v-if="results">
        <div v-for="r in results" :key="r.name">
          <dt>{{ r.name }}</dt>
          <dd class="numeral">{{ r.value }}</dd>
        </div>
      </dl>
      <FieldIssue v-else-if="field.ok && t.ok" :text="noSuchWater" />
      <p class="small muted">
        Density by EOS-80 (UNESCO 1981), conductivity by PSS-78 with Hill, Dauphinee & Woods 1986; checked against
        TEOS-10. A wrong reference temperature costs up to 4 g/kg. The newest test here:
        {{
          desk.story.readings.get('salinityGKg')?.length
            ? valueText('salinityGKg', desk.story.readings.get('salinityGKg')!.at(-1)!.value, settings.units)
            : `no ${valueUnit('salinityGKg', settings.units)} yet`
        }}.
      </p>
    </section>
    <section aria-labelledby="mix-title">
      <h2 id="mix-title">Mix <span class="small muted">half strength is 17.5 g/kg</span></h2>
      <FieldGrid :columns="2">
        <TextInput
          v-model="litres"
          label="How much"
          :suffix="litreUnit"
          numeric
          :error="mixL.ok ? '' : mixL.issue"
        /><TextInput v-model="wanted" label="Salinity" suffix="g/kg" numeric :error="mixS.ok ? '' : mixS.issue" />
      </FieldGrid>
      <template v-if="mixing">
        <p>
          <TheSentence :text="mixSentences.box" />
        </p>
        <p v-if="mixSentences.sea">
          <TheSentence :text="mixSentences.sea" />
        </p>
      </template>
      <CautionNote class="small">{{ cautionText('seaSalt') }}</CautionNote>
      <h2>Put right what is in {{ desk.glass?.name }}</h2>
      <FieldGrid :columns="2">
        <TextInput
          v-model="is"
          label="It is"
          suffix="g/kg"
          numeric
          :error="isRead.ok || isRead.empty ? '' : isRead.issue"
        /><TextInput
          v-model="should"
          label="It should be"
          suffix="g/kg"
          numeric
          :error="shouldRead.ok ? '' : shouldRead.issue"
        />
      </FieldGrid>
      <p v-if="right" role="status"><TheSentence :text="right" /></p>
    </section>
    <section aria-labelledby="over-title">
      <h2 id="over-title">Go over in steps</h2>
      <ChoiceChips
        v-model="way"
        label="Who"
        hide-label
        :options="(Object.keys(ways) as Way[]).map(value => ({ value, title: ways[value].title }))"
      />
      <p class="small muted">
        {{ ways[way].note }}<template v-if="way !== 'snailsIn'"> {{ cautionText('larvaeNeedSea') }}</template>
      </p>
      <FieldGrid :columns="3">
        <TextInput v-model="over.from" label="From" suffix="g/kg" numeric /><TextInput
          v-model="over.to"
          label="To"
          suffix="g/kg"
          numeric
        /><TextInput v-model="over.strength" label="With water of" suffix="g/kg" numeric />
        <TextInput v-model="overLitres" label="In" :suffix="litreUnit" numeric /><TextInput
          v-model="over.hours"
          label="Over"
          suffix="h"
          numeric
        /><TextInput v-model="over.steps" label="Steps" numeric />
      </FieldGrid>
      <table v-if="schedule.ok">
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col" class="n">exchange</th>
            <th scope="col" class="n">then it is</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(s, i) in schedule.steps" :key="i">
            <th scope="row">{{ hourText(s.hours) }}</th>
            <td class="n">{{ formatNumber(s.exchangeL * 1000, 0) }} mL</td>
            <td class="n">
              <b>{{ formatNumber(s.salinityGKg, 1) }} g/kg</b>
            </td>
          </tr>
        </tbody>
      </table>
      <FieldIssue v-else :text="schedule.issue" />
    </section>
  </div>
</template>

<style scoped>
.salt {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 40px;
  padding-top: 16px;
}
section {
  display: grid;
  gap: 12px;
  align-content: start;
}
dl {
  margin: 0;
}
dl div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  border-top: 1px solid var(--rule);
  padding: 6px 0;
}
dd {
  margin: 0;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  font-weight: 400;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
thead th {
  color: var(--muted);
  font-size: 14px;
}
.n {
  text-align: right;
}
</style>
