<script setup lang="ts">
import { format } from 'date-fns'
import { toMoment } from '#core/records'
import { harmed, planTreatment, secondDose, type SubstanceId, substanceIds, substances } from '#core/water'
import { formatNumber } from '#core/units'
import { numberIn, readNumber } from '~/forms/readNumber'
import { againstWord, animalKindWord, substanceWord, treatmentDayText } from '~/words/medicine'
import { cautionText } from '~/words/cautions'
import { num } from '~/words/numbers'
import { gramsText } from '~/words/recipe'
import { aheadText, dayText } from '~/words/when'
import { volumeText } from '~/words/unitPrefs'

/** A treatment by active substance and net volume: dose, stock, days, who is harmed, and the cautions first. */
const desk = useWaterDeskStore()
const settings = useSettingsStore()
const log = useLogStore()

const substance = ref<SubstanceId>('fenbendazole')
const options = substanceIds.map(value => ({
  value,
  title: substanceWord(value),
  hint:
    `Against ${substances[value].against.map(a => againstWord[a]).join(' and ')}. Dissolves ` +
    `${substances[value].dissolves}.`,
}))
const dose = ref('')
const strength = ref('22.2')
const net = ref('')
const stock = ref('')
watch(
  substance,
  s => {
    dose.value = String(substances[s].usualMgL)
  },
  { immediate: true },
)
const { unit: litreUnit, read: netRead, fill: fillNet } = useLitres(net, 0.1, 5000)
watch([() => desk.glassId, () => desk.netL, () => settings.units.volume], () => fillNet(desk.netL), { immediate: true })

const doseRead = computed(() => readNumber(dose.value, { low: 0.01, high: 1000, unit: 'mg/L' }))
const strengthRead = computed(() => readNumber(strength.value, { low: 0.01, high: 100, unit: '%' }))
const plan = computed(() => {
  if (!doseRead.value.ok || !strengthRead.value.ok || !netRead.value.ok) return null
  const per100 = numberIn(stock.value, { low: 0.01, high: 20 })
  return planTreatment({
    substance: substance.value,
    activeMgL: doseRead.value.value,
    strength: strengthRead.value.value / 100,
    netL: netRead.value.value,
    startMs: desk.nowMs,
    ...(per100 !== null && { stockGPer100Ml: per100 }),
  })
})
const refusal = computed(() =>
  plan.value && !plan.value.ok
    ? plan.value.issue === 'tooMuch'
      ? `${dose.value} mg/L is more than is ever given: at most ${plan.value.most} mg/L of ` +
        `${substanceWord(substance.value).toLowerCase()}. Nothing was planned; check the label, and ask a vet.`
      : 'This cannot be planned: check strength and litres.'
    : '',
)
const victims = computed(() => {
  const kinds = harmed(
    substance.value,
    desk.groups.map(g => g.group.company.kind),
  )
  return desk.groups.filter(g => kinds.includes(g.group.company.kind)).map(g => g.group.name)
})
const given = computed(() =>
  desk.standing
    .filter(e => e.kind === 'treatment')
    .toReversed()
    .map(e => ({
      id: e.id,
      at: new Date(e.at).getTime(),
      text:
        `${substanceWord(e.substance)}, ${formatNumber(e.activeMg, 1)} mg for ` +
        `${volumeText(e.netL, settings.units)}`,
    })),
)
/** A second dose before its day would be an overdose. */
const second = computed(() =>
  secondDose(
    given.value.map(g => g.at),
    desk.nowMs,
  ),
)
const read = ref(false)

async function give() {
  if (!plan.value?.ok || !desk.glass || !netRead.value.ok) return
  const saved = await log.save(
    {
      ...log.stamp(),
      at: toMoment(Date.now()),
      kind: 'treatment',
      glassId: desk.glass.id,
      substance: substance.value,
      activeMg: Number(plan.value.dose.activeMg.toFixed(3)),
      netL: netRead.value.value,
    },
    `${desk.glass.name}: ${substanceWord(substance.value)} logged.`,
  )
  if (saved) read.value = false
}
/** "1.2 mL of stock, that is 0.3 g of product." */
const stockSentence = computed(() => {
  if (!plan.value?.ok) return ''
  const { stock, productG } = plan.value.dose
  const ml = stock ? formatNumber(stock.doseMl, stock.doseMl < 10 ? 1 : 0) : ''
  return `${num(`${ml} mL`)} of stock, that is ${num(`${gramsText(productG)} g`)} of product.`
})
</script>

<template>
  <div class="medicine">
    <section aria-labelledby="what-title">
      <CautionNote><b>A vet’s advice and the label come first.</b> {{ cautionText('medicine') }}</CautionNote>
      <h2 id="what-title">What, and how much</h2>
      <ChoiceChips v-model="substance" label="Active substance" :options="options" />
      <div class="two">
        <TextInput
          v-model="dose"
          label="Active substance"
          suffix="mg/L"
          numeric
          :error="doseRead.ok ? '' : doseRead.issue"
        />
        <TextInput
          v-model="strength"
          label="Strength of the product"
          suffix="%"
          numeric
          :error="strengthRead.ok ? '' : strengthRead.issue"
        />
        <TextInput
          v-model="net"
          label="Net water"
          :suffix="litreUnit"
          numeric
          :error="netRead.ok ? '' : netRead.issue"
        />
        <TextInput v-model="stock" label="Product in 100 mL of stock (empty: chosen)" suffix="g" numeric />
      </div>
      <p class="small muted">
        Usual: {{ substances[substance].usualMgL }} mg/L (from memory). Net water is what is really in the glass: gross
        litres less fill height, substrate and rock{{
          desk.glass?.substrate || desk.glass?.rockKg
            ? ''
            : '; enter substrate and rock under the glass’s “Change” in the Room to have them taken off'
        }}.
      </p>
    </section>
    <section aria-labelledby="dose-title">
      <p v-if="refusal" class="statement refused" role="alert">{{ refusal }}</p>
      <template v-else-if="plan?.ok">
        <h2 id="dose-title" class="statement">
          <TheSentence :text="stockSentence" />
        </h2>
        <p>
          Stock: {{ gramsText(plan.dose.stock.productG) }} g of product in {{ plan.dose.stock.millilitres }} mL of
          water; shake until the moment you draw it up, it settles. {{ formatNumber(plan.dose.activeMg, 1) }} mg of
          active substance in {{ netRead.ok ? volumeText(netRead.value, settings.units) : '' }}.
        </p>
        <CautionNote v-if="victims.length > 0" harm>
          <StateMark state="off" />
          <b>{{ victims.join(' and ') }} in this glass {{ victims.length === 1 ? 'is' : 'are' }} harmed.</b>
          {{ cautionText('dewormers') }} Move them out before the first dose.
        </CautionNote>
        <CautionNote v-else-if="substances[substance].harms.length > 0">
          Harms {{ substances[substance].harms.map(k => animalKindWord[k]).join(', ') }}: hitch-hiking ones too.
          {{ cautionText('dewormers') }}
        </CautionNote>
        <ol>
          <li v-for="d in plan.calendar" :key="`${d.day} ${d.what}`">
            <span class="day numeral">{{ format(d.atMs, 'EEE d MMM') }}</span><span>{{
              treatmentDayText[d.what]
            }}</span>
          </li>
        </ol>
        <CautionNote v-if="second?.tooSoon">
          A dose was given on {{ dayText(second.lastMs, desk.nowMs) }}. The second one is due
          {{ aheadText(second.dueMs, desk.nowMs) }}; sooner it adds up.
        </CautionNote>
        <label class="agree"
          ><input v-model="read" type="checkbox" /> I have read the label, and animals that it harms are out.</label
        >
        <v-btn color="primary" size="large" :disabled="!read" @click="give">Log the dose</v-btn>
      </template>
      <template v-if="given.length > 0">
        <h3>Given here</h3>
        <p v-for="g in given" :key="g.id">{{ dayText(g.at, desk.nowMs) }}: {{ g.text }}</p>
      </template>
    </section>
  </div>
</template>

<style scoped>
.medicine {
  display: grid;
  grid-template-columns: minmax(0, 480px) minmax(0, 1fr);
  gap: var(--space-8);
  padding-top: var(--space-6);
}
section {
  display: grid;
  gap: var(--space-5);
  align-content: start;
  justify-items: start;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-4);
  align-items: end;
  width: 100%;
}
.refused {
  color: var(--rust);
}
ol {
  width: 100%;
  max-width: 620px;
}
li {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: var(--space-5);
  border-top: 1px solid var(--rule);
  padding: var(--space-3) 0;
}
.agree {
  display: flex;
  gap: var(--space-4);
  align-items: center;
  min-height: 44px;
}
.agree input {
  width: 22px;
  height: 22px;
  accent-color: var(--weed);
  flex: none;
}
@media (--narrow) {
  .medicine {
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-7);
  }
}
</style>
