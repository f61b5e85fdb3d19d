<script setup lang="ts">
import { format } from 'date-fns'
import { substanceIds, substances } from '#core/water'
import { formatNumber } from '#core/units'
import { againstWord, animalKindWord, doseTitle, substanceWord, treatmentDayText } from '~/words/medicine'
import { cautionText } from '~/words/cautions'
import { gramsText, num, percent } from '~/words/numbers'
import { dayText } from '~/words/when'
import { volumeText } from '~/words/unitPrefs'

/** A treatment by active substance and net volume: dose, stock, the course of it, who is harmed, the cautions first. */
const desk = useWaterDeskStore()
const med = useMedicineDesk()
const room = useRoomStore()
const living = computed(() => (room.coloniesByGlass.get(desk.glass?.id ?? '') ?? []).map(c => c.id))

const options = substanceIds.map(value => ({
  value,
  title: substanceWord(value),
  hint:
    `Against ${substances[value].against.map(a => againstWord[a]).join(' and ')}. Dissolves ` +
    `${substances[value].dissolves}.`,
}))
const refusal = computed(() =>
  med.plan && !med.plan.ok
    ? med.plan.issue === 'tooMuch'
      ? `${med.dose} mg/L is more than is ever given: at most ${med.plan.most} mg/L of ` +
        `${substanceWord(med.substance).toLowerCase()}. Nothing was planned; check the label, and ask a vet.`
      : 'This cannot be planned: check strength and litres.'
    : '',
)
/** "1.2 mL of stock, that is 0.3 g of product." */
const stockSentence = computed(() => {
  if (!med.plan?.ok) return ''
  const { stock, productG } = med.plan.dose
  const ml = formatNumber(stock.doseMl, stock.doseMl < 10 ? 1 : 0)
  return `${num(`${ml} mL`)} of stock, that is ${num(`${gramsText(productG)} g`)} of product.`
})
</script>

<template>
  <div class="medicine">
    <section aria-labelledby="what-title">
      <CautionNote><b>A vet’s advice and the label come first.</b> {{ cautionText('medicine') }}</CautionNote>
      <h2 id="what-title">What, and how much</h2>
      <SoftNote :colony-ids="living" />
      <ChoiceChips v-model="med.substance" label="Active substance" :options="options" />
      <div class="two">
        <TextInput
          v-model="med.dose"
          label="Active substance"
          suffix="mg/L"
          numeric
          :error="med.doseRead.ok ? '' : med.doseRead.issue"
        />
        <TextInput
          v-model="med.strength"
          label="Strength of the product"
          suffix="%"
          numeric
          :error="med.strengthRead.ok ? '' : med.strengthRead.issue"
        />
        <TextInput
          v-model="med.net"
          label="Net water"
          :suffix="med.litreUnit"
          numeric
          :error="med.netRead.ok ? '' : med.netRead.issue"
        />
        <TextInput v-model="med.stock" label="Product in 100 mL of stock (empty: chosen)" suffix="g" numeric />
      </div>
      <CautionNote v-if="med.unsure && desk.glass?.fill.by === 'height'">
        Nobody said yet how full {{ desk.glass.name }} is: it is taken as {{ percent(desk.glass.fill.share) }}, that is
        {{ volumeText(desk.netL, med.units) }}. Measure it, and type the net water.
        <button type="button" class="link" @click="med.confirmFill()">It is so</button>
      </CautionNote>
      <p class="small muted">
        Usual: {{ substances[med.substance].usualMgL }} mg/L (from memory). Net water is what is really in the glass:
        gross litres less fill height, substrate and rock{{
          desk.glass?.substrate || desk.glass?.rockKg
            ? ''
            : '; enter substrate and rock under the glass’s “Change” in the Room to have them taken off'
        }}.
      </p>
    </section>
    <section aria-labelledby="dose-title">
      <p v-if="refusal" class="statement refused" role="alert">{{ refusal }}</p>
      <template v-else-if="med.plan?.ok">
        <template v-if="med.refused">
          <h2 id="dose-title" class="statement">No dose today.</h2>
          <p role="status">{{ med.refused }}</p>
        </template>
        <template v-else>
          <h2 id="dose-title" class="statement">
            <TheSentence :text="`${doseTitle(med.course)}: ${stockSentence}`" />
          </h2>
          <p>
            Stock: {{ gramsText(med.plan.dose.stock.productG) }} g of product in
            {{ med.plan.dose.stock.millilitres }} mL of water; shake until the moment you draw it up, it settles.
            {{ formatNumber(med.plan.dose.activeMg, 1) }} mg of active substance in
            {{ med.netRead.ok ? volumeText(med.netRead.value, med.units) : '' }}.
          </p>
        </template>
        <PathDrawing
          v-if="med.drawing"
          v-bind="med.drawing"
          title="in the water at most, mg/L"
          :shown="y => formatNumber(y, 2)"
        />
        <ol>
          <li v-for="d in med.plan.calendar" :key="`${d.day} ${d.what}`">
            <span class="day numeral">{{ format(d.atMs, 'EEE d MMM') }}</span><span>{{
              treatmentDayText[d.what]
            }}</span>
          </li>
        </ol>
        <CautionNote v-if="med.victims.length > 0" harm>
          <StateMark state="off" />
          <b>{{ med.victims.join(' and ') }} in this glass {{ med.victims.length === 1 ? 'is' : 'are' }} harmed.</b>
          {{ cautionText('dewormers') }} Move them out before the first dose.
        </CautionNote>
        <CautionNote v-else-if="substances[med.substance].harms.length > 0">
          Harms {{ substances[med.substance].harms.map(k => animalKindWord[k]).join(', ') }}: hitch-hiking ones too.
          {{ cautionText('dewormers') }}
        </CautionNote>
        <CautionNote v-if="med.other">
          {{ substanceWord(med.other) }} still works in this water: two substances together are a vet’s decision.
        </CautionNote>
        <template v-if="!med.refused">
          <label class="agree"
            ><input v-model="med.read" type="checkbox" /> I have read the label, and animals that it harms are
            out.</label
          >
          <v-btn color="primary" size="large" :disabled="!med.read || med.unsure" @click="med.give()"
            >Log the dose</v-btn
          >
          <p v-if="med.unsure" class="small muted">How much water is in the glass has to be known first.</p>
        </template>
      </template>
      <template v-if="med.given.length > 0">
        <h3>Given here</h3>
        <p v-for="g in med.given" :key="g.id">
          {{ dayText(g.atMs, desk.nowMs) }}: {{ substanceWord(g.substance) }}, {{ formatNumber(g.activeMg, 1) }} mg for
          {{ volumeText(g.netL, med.units) }}
        </p>
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
