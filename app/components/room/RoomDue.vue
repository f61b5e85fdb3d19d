<script setup lang="ts">
import type { Due, DueKind } from '#core/care'
import { dueTitle, dueWhy, effortText } from '~/words/due'
import { counted } from '~/words/numbers'

/** What the round has to do today; what cannot wait stands here by name. */
const care = useCareStore()
const rounds = useRoundStore()
const settings = useSettingsStore()
/** Work that is forgotten when it stands in a long list, what presses most first. */
const NAMED: readonly DueKind[] = ['secondDose', 'doseChange', 'mend', 'clutch', 'planStep', 'young']
const rank = (d: Due) => NAMED.indexOf(d.item.kind)
const named = computed(() =>
  care.today
    .filter(d => rank(d) >= 0)
    .toSorted((a, b) => rank(a) - rank(b))
    .slice(0, 6),
)
const to = (d: (typeof named.value)[number]) =>
  d.item.planId ? `/plan/${d.item.planId}` : d.item.colonyId ? `/colony/${d.item.colonyId}` : `/water/${d.item.glassId}`
</script>

<template>
  <section v-if="care.ready && care.items.length > 0" aria-label="The round">
    <h2 class="statement second">
      {{
        care.today.length === 0
          ? 'Nothing is due today.'
          : `${counted(care.today.length, 'thing is', 'things are')} due, ${effortText(care.minutes)}.`
      }}
    </h2>
    <ul>
      <NeedLine v-for="d in named" :key="d.item.key" :to="to(d)">
        <b>{{ care.subjectName(d.item) }}:</b> {{ dueTitle(d.item, settings.units) }}
        <template #why>{{ dueWhy(d.item, care.nowMs) }}</template>
      </NeedLine>
    </ul>
    <NuxtLink class="start" :to="rounds.running ? '/round/walk' : '/round'">{{
      rounds.running ? `Go on with the round: ${rounds.progress.looked.size} of ${care.walk.length}` : 'To the round'
    }}</NuxtLink>
  </section>
</template>

<style scoped>
.second {
  font-size: var(--type-section);
  padding-top: var(--space-7);
  padding-bottom: var(--space-3);
}
.start {
  display: inline-block;
  padding: var(--space-4) 0;
  font-weight: 650;
}
</style>
