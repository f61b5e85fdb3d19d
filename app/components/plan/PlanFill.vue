<script setup lang="ts">
import { type ResolvedGroup, sharedTargets } from '#core/groups'
import type { Plan } from '#core/records'
import { fillGoals, fillQuestion, readoutsOf, recipeKeys, type RecipeWish, usualMode } from '#core/water'
import { num } from '~/words/numbers'
import { gramsText, preciseVolume, purchaseText, shortText } from '~/words/recipe'
import { khForPhText, settlingText } from '~/words/recipeAside'
import { valueName, valueText, volumeText } from '~/words/unitPrefs'

/** Litres and salts for the first fill, from the chosen source and what is on the shelf. */
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
function asked(): RecipeWish | null {
  // the chosen source, with pure water to thin it; any of them when none was chosen
  const pure = new Set(
    desk.usable.filter(u => u.source.kind === 'pure' || u.source.kind === 'distilled').map(u => u.source.id),
  )
  const sources = desk.onHand.sources.filter(
    s => !props.plan.sourceId || s.id === props.plan.sourceId || pure.has(s.id),
  )
  if (sources.length === 0 || !(props.netL > 0)) return null
  const mode = usualMode(
    shared.value.targets,
    room.shelf.some(s => s.content.by === 'mix'),
  )
  return fillQuestion({ ...desk.onHand, sources }, props.netL, desk.withRatio(fillGoals(shared.value.targets, mode)))
}
const { question, answer, recipe, purchase, recipeWorker } = useRecipe(asked, () => props.plan.id)
const lines = computed(() => {
  const step = recipe.value?.steps[0]
  if (!step) return []
  return [
    ...step.pours.map(p => ({
      amount: preciseVolume(p.litres, settings.units),
      what: room.sources.find(s => s.id === p.id)?.name ?? 'water',
    })),
    ...step.weighs.map(w => ({
      amount: `${gramsText(w.measured.grams)} g`,
      what: room.shelf.find(s => s.id === w.id)?.name ?? 'salt',
    })),
  ]
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
    <h2 id="fill-title">First fill, {{ volumeText(netL, settings.units) }}</h2>
    <template v-if="recipe">
      <ul>
        <li v-for="l in lines" :key="l.what">
          <b class="numeral">{{ l.amount }}</b> {{ l.what }}
        </li>
      </ul>
      <p class="small"><TheSentence :text="`It comes to ${comes}.`" /></p>
      <p v-if="settles" class="small"><TheSentence :text="settles" /></p>
      <p v-if="khForPh" class="small muted"><TheSentence :text="khForPh" /></p>
      <CautionNote v-if="!recipe.reached" class="small">
        <TheSentence :text="`${shortText(recipe, settings.units)}.`" />
        {{ purchaseText(purchase, question!, readoutsOf(recipe.steps[0]!.after)) }}
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
    <p v-else-if="question && !answer" class="muted small">Working it out …</p>
    <p v-else class="muted small">
      There is no water to fill it from yet:
      <NuxtLink v-if="room.glasses[0]" :to="`/water/${glassId || room.glasses[0].id}?tab=sources`"
        >add your tap</NuxtLink
      ><template v-else>once it is a glass, its Water place asks for your tap</template>.
    </p>
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
