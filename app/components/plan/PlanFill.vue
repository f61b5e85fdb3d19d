<script setup lang="ts">
import type { ResolvedGroup } from '#core/groups'
import type { Plan } from '#core/records'
import { shortText } from '~/words/recipe'
import { valueName, volumeText } from '~/words/unitPrefs'

/** The first fill from the tap, with what is on the shelf and what has to be bought. */
const props = defineProps<{
  plan: Plan
  groups: ResolvedGroup[]
  netL: number
  glassId: string
  filled: 'logged' | 'ticked' | null
}>()
const settings = useSettingsStore()
const fill = usePlanFill(props)
</script>

<template>
  <section aria-labelledby="fill-title">
    <h2 id="fill-title">
      First fill, <GlossWord of="gross">{{ volumeText(netL, settings.units) }}</GlossWord>
    </h2>
    <template v-if="fill.recipe">
      <ul>
        <li v-for="l in fill.atHand" :key="l.what">
          <b class="numeral">{{ l.amount }}</b> {{ l.what }}
        </li>
        <li v-for="l in fill.toBuy" :key="l.what">
          <b class="numeral">{{ l.amount }}</b> {{ l.what }}, <span class="muted">to buy</span>
        </li>
      </ul>
      <p class="small"><TheSentence :text="`It comes to ${fill.comes}.`" /></p>
      <p v-if="fill.toBuy.some(l => l.what.startsWith('pure'))" class="small">
        <GlossWord of="ro">Pure water</GlossWord> can be bought in canisters too; a pen for
        <GlossWord of="conductivity">conductivity</GlossWord> tells whether it is.
      </p>
      <p v-if="fill.stoneDoes" class="small">
        The planned carbonate stone does the same within weeks, and goes on doing it: then no salts are needed.
      </p>
      <p v-if="fill.settles" class="small"><TheSentence :text="fill.settles" /></p>
      <p v-if="fill.khForPh" class="small muted"><TheSentence :text="fill.khForPh" /></p>
      <CautionNote v-if="!fill.recipe.reached" class="small">
        <TheSentence :text="`${shortText(fill.recipe, settings.units)}.`" />
        Choose another water for it, or animals that like this one.
      </CautionNote>
      <CautionNote v-if="fill.shared.conflicts.length > 0" class="small">
        No water suits both: {{ fill.shared.conflicts.map(valueName).join(', ') }} follows the first group.
      </CautionNote>
      <p class="small">
        <template v-if="filled">{{ filled === 'logged' ? 'Filled, and logged.' : 'Filled.' }}</template><NuxtLink
          v-else-if="glassId"
          :to="`/water/${glassId}`"
          >Weigh and pour it</NuxtLink
        ><span v-else class="muted">Once it is a glass, its Water place takes you through weighing and pouring.</span>
      </p>
    </template>
    <WorkerFailed v-else-if="fill.recipeWorker.failed" :worker="fill.recipeWorker" />
    <p v-else-if="fill.question && !fill.standing" class="muted small">Working it out …</p>
    <TapAsked v-else-if="!fill.question" />
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
