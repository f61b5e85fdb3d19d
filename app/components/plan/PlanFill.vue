<script setup lang="ts">
import { type ResolvedGroup, sharedTargets } from '#core/groups'
import type { Plan } from '#core/records'
import { type FillWish, readoutsOf, recipeKeys } from '#core/water'
import { num } from '~/words/numbers'
import { boughtText } from '~/words/planFit'
import { gramsText, preciseVolume, shortText } from '~/words/recipe'
import { khForPhText, settlingText } from '~/words/recipeAside'
import { valueName, valueText, volumeText } from '~/words/unitPrefs'

/** The first fill from the tap, with what is on the shelf and what has to be bought; and the list of what to get. */
const props = defineProps<{
  plan: Plan
  groups: ResolvedGroup[]
  netL: number
  glassId: string
  filled: 'logged' | 'ticked' | null
}>()
const settings = useSettingsStore()
const room = useRoomStore()
const desk = useWaterDeskStore()
const shared = computed(() => sharedTargets(props.groups))
const pure = computed(() => desk.usable.filter(u => u.source.kind === 'pure' || u.source.kind === 'distilled'))
/** The chosen water, or the tap: pure water alone is no water to live in, it only thins. */
const base = computed(
  () =>
    desk.usable.find(u => u.source.id === props.plan.sourceId) ??
    desk.usable.find(u => u.source.kind === 'tap') ??
    null,
)
/** Salt water and that of a mineral mix are made from pure water, whatever the tap is. */
const withoutTap = computed(
  () => shared.value.targets.salinityGKg !== undefined || shared.value.targets.conductivityUsCm?.aim !== undefined,
)
function asked(): FillWish | null {
  if ((!base.value && !withoutTap.value) || !(props.netL > 0) || props.groups.length === 0) return null
  const sources = [...new Set([...(base.value ? [base.value] : []), ...pure.value])].map(u => ({
    id: u.source.id,
    water: u.water,
  }))
  const { targets } = shared.value
  return { onHand: { ...desk.onHand, sources }, netL: props.netL, targets, caMgByMass: desk.bench.caMgByMass }
}
const { question, standing, recipeWorker } = useAsked(
  asked,
  () => props.plan.id,
  (api, wish) => api.fillToBuy(wish),
)
const recipe = computed(() => (standing.value?.answer.ok ? standing.value.answer.recipe : null))
const toBuy = computed(() => (standing.value?.toBuy ?? []).map(b => boughtText(b, settings.units)))
const lines = computed(() => {
  const step = recipe.value?.steps[0]
  if (!step) return []
  const poured = step.pours.map(p => ({
    amount: preciseVolume(p.litres, settings.units),
    what: room.sources.find(s => s.id === p.id)?.name,
  }))
  const weighed = step.weighs.map(w => ({
    amount: `${gramsText(w.measured.grams)} g`,
    what: room.shelf.find(s => s.id === w.id)?.name,
  }))
  return [...poured, ...weighed].flatMap(l => (l.what ? [{ ...l, what: l.what }] : []))
})
const khForPh = computed(() => khForPhText(shared.value.targets, settings.units))
const settles = computed(() => {
  const after = recipe.value?.steps[0]?.after
  return after && after.seaSaltGL < 0.5 && shared.value.targets.ph ? settlingText(after, null) : ''
})
const comes = computed(() => {
  const step = recipe.value?.steps[0]
  if (!step) return ''
  const after = readoutsOf(step.after)
  return recipeKeys
    .filter(k => shared.value.targets[k] && k !== 'calciumMgL')
    .map(k => `${valueName(k)} ${num(valueText(k, after[k], settings.units))}`)
    .join(', ')
})
</script>

<template>
  <section aria-labelledby="fill-title">
    <h2 id="fill-title">
      First fill, <GlossWord of="gross">{{ volumeText(netL, settings.units) }}</GlossWord>
    </h2>
    <template v-if="recipe">
      <ul>
        <li v-for="l in lines" :key="l.what">
          <b class="numeral">{{ l.amount }}</b> {{ l.what }}
        </li>
        <li v-for="l in toBuy" :key="l.what">
          <b class="numeral">{{ l.amount }}</b> {{ l.what }}, <span class="muted">to buy</span>
        </li>
      </ul>
      <p class="small"><TheSentence :text="`It comes to ${comes}.`" /></p>
      <p v-if="toBuy.some(l => l.what.startsWith('pure'))" class="small">
        <GlossWord of="ro">Pure water</GlossWord> can be bought in canisters too; a pen for
        <GlossWord of="conductivity">conductivity</GlossWord> tells whether it is.
      </p>
      <p v-if="settles" class="small"><TheSentence :text="settles" /></p>
      <p v-if="khForPh" class="small muted"><TheSentence :text="khForPh" /></p>
      <CautionNote v-if="!recipe.reached" class="small">
        <TheSentence :text="`${shortText(recipe, settings.units)}.`" />
        Choose another water for it, or animals that like this one.
      </CautionNote>
      <CautionNote v-if="shared.conflicts.length > 0" class="small">
        No water suits both: {{ shared.conflicts.map(valueName).join(', ') }} follows the first group.
      </CautionNote>
      <p class="small">
        <template v-if="filled">{{ filled === 'logged' ? 'Filled, and logged.' : 'Filled.' }}</template><NuxtLink
          v-else-if="glassId"
          :to="`/water/${glassId}`"
          >Weigh and pour it</NuxtLink
        ><span v-else class="muted">Once it is a glass, its Water place takes you through weighing and pouring.</span>
      </p>
    </template>
    <WorkerFailed v-else-if="recipeWorker.failed" :worker="recipeWorker" />
    <p v-else-if="question && !standing" class="muted small">Working it out …</p>
    <TapAsked v-else-if="!question" />
    <p v-else class="muted small">No fill can be made of this water for them.</p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: var(--space-4);
}
li {
  border-top: 1px solid var(--rule);
  padding: var(--space-3) 0;
}
</style>
