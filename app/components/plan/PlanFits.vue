<script setup lang="ts">
import type { GroupFit } from '#core/care'
import { groupOf, groups, resolveGroup, type SpeciesGroup, type Target } from '#core/groups'
import type { ValueKey } from '#core/records'
import { completeAnalysis, ghOf, khOf } from '#core/water'
import type { PlanStartDesk } from '~/composables/usePlanStart'
import { verdictOfLevels } from '~/components/drawing/verdictOfLevels'
import { glossary, type GlossaryId } from '~/words/glossary'
import { bestText, fitText, glanceText, notQuite } from '~/words/planFit'

/** The groups, the best fitting first: what each is like, its strips with the tap on them, how its water is made. */
const { desk } = defineProps<{ desk: PlanStartDesk }>()
const settings = useSettingsStore()

/** Until a tank is typed they stand as they are offered everywhere. */
const rows = computed(() => {
  const fits = new Map(desk.fits.map(f => [f.groupId, f]))
  const inOrder = desk.fits.length > 0 ? desk.fits.map(f => f.groupId) : groups.map(g => g.id)
  return [...inOrder.filter(id => id !== 'custom'), 'custom'].map(id => {
    const group = groupOf(id)
    const fit = fits.get(id) ?? null
    return { group, fit, strips: stripsOf(id), ...(fit && textsOf(fit)) }
  })
})
/** What of a group's words needs explaining to somebody without animals. */
const wordsOf = ({ care, company, setup, life }: SpeciesGroup): GlossaryId[] => [
  ...(company.larvaeNeedSea ? (['amphidromous'] as const) : []),
  ...(care.brood && life.breedsInPlace ? [signWord[care.brood.sign]] : []),
  ...(setup.substrate.kind === 'earth' ? (['paludarium'] as const) : []),
]
const signWord = { berried: 'berried', eggMass: 'mass', clutch: 'clutch' } as const
const textsOf = (fit: GroupFit) => ({
  text: fitText(fit, settings.units),
  but: notQuite(fit, groupOf(fit.groupId), settings.units),
})

/** Spans that all groups' strips share, so that the eye can go down them. */
const SPANS = { ghDh: [0, 24], khDh: [0, 16], temperatureC: [10, 32] } as const
const shortName = { ghDh: 'GH', khDh: 'KH', temperatureC: '°C' } as const
const tap = computed(() => {
  const values = desk.read.tap
  if (!values) return null
  const { water } = completeAnalysis(values)
  return { ghDh: ghOf(water), khDh: khOf(water) }
})
function stripsOf(groupId: string) {
  const { targets } = resolveGroup({ groupId, schools: {}, targets: {}, life: {} })
  const room = desk.home?.roomC
  const levels: Record<keyof typeof SPANS, number[]> = {
    ghDh: tap.value ? [tap.value.ghDh] : [],
    khDh: tap.value ? [tap.value.khDh] : [],
    temperatureC: room ? [room.winter, room.summer] : [],
  }
  return (Object.keys(SPANS) as (keyof typeof SPANS)[]).flatMap(key => {
    const target: Target | undefined = targets[key as ValueKey]
    return target ? [{ key, verdict: verdictOfLevels(key, target, levels[key]) }] : []
  })
}
const headline = computed(() =>
  bestText(desk.fits, id => groupOf(id).glance.plainName, desk.home?.tap !== null && desk.home !== null),
)
</script>

<template>
  <section aria-labelledby="fits-title">
    <h2 id="fits-title" class="statement">{{ headline || 'Which animals shall it be?' }}</h2>
    <p class="small muted">
      {{
        desk.fits.length > 0
          ? 'Strips: what they like, and where your tap and room lie. Words with dots explain themselves.'
          : 'Type your litres and your tap, and the animals that fit them come first. Or choose one now.'
      }}
    </p>
    <WorkerFailed :worker="desk.worker" />
    <ul aria-label="Animals">
      <li v-for="{ group, strips, text, but } in rows" :key="group.id">
        <GroupFigure :group-id="group.id" class="figure" />
        <div class="who">
          <button type="button" class="name" @click="desk.begin(group.id)">{{ group.glance.plainName }}</button>
          <em class="small muted">{{ group.animals }}</em>
          <p class="small">
            {{ glanceText(group) }} {{ group.glance.says
            }}<template v-for="w in wordsOf(group)" :key="w"
              >{{ ' '
              }}<GlossWord :of="w" class="muted">What is “{{ glossary[w].word.toLowerCase() }}”?</GlossWord></template
            >
          </p>
        </div>
        <div class="strips">
          <div v-for="s in strips" :key="s.key" class="strip">
            <span class="small muted">{{ shortName[s.key] }}</span><TargetStrip
              :verdict="s.verdict"
              :span="SPANS[s.key]"
            />
          </div>
        </div>
        <div class="fit small">
          <template v-if="text"
            ><b>{{ text.title }}</b
            >{{ text.more }}<span v-for="b in but" :key="b" class="muted">{{ b }}</span></template
          >
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: var(--space-3);
  align-content: start;
  min-width: 0;
}
.statement {
  font-size: var(--type-statement);
}
li {
  display: grid;
  grid-template-columns: 86px minmax(0, 1fr) minmax(140px, 210px) 168px;
  gap: var(--space-5);
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: var(--space-4) 0;
}
.name {
  display: block;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: 650 var(--type-section) var(--v-font-heading);
  text-align: left;
  cursor: pointer;
  min-height: 30px;
}
.name:hover {
  text-decoration: underline;
}
.strip {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  align-items: center;
}
.fit b,
.fit span {
  display: block;
}
.fit b {
  font-size: var(--type-text);
}
@media (--small-desk) {
  li {
    grid-template-columns: 86px minmax(0, 1fr) 168px;
  }
  .strips {
    display: none;
  }
}
@media (--phone) {
  li {
    grid-template-columns: 64px minmax(0, 1fr);
    gap: var(--space-3) var(--space-4);
    align-items: start;
  }
  .figure {
    width: 64px;
    height: auto;
  }
  .fit {
    grid-column: 2;
  }
}
</style>
