<script setup lang="ts">
import { mdiPencilOutline, mdiPlus } from '@mdi/js'
import { momentMs } from '#core/records'
import {
  ageBasis,
  ageText,
  animalUnder,
  breedsText,
  curveBasis,
  latelyText,
  lifeEvents,
  lifeHeadline,
  nextMoltText,
  perWeekText,
  shellHistory,
  shellToday,
  sizeText,
} from '~/words/animals'
import { ownInbreeding } from '~/words/followedPairs'
import { limbsText } from '~/words/molts'
import { dayText } from '~/words/when'

const SizeChart = defineAsyncComponent(() => import('~/components/animals/SizeChart.vue'))
const route = useRoute()
const room = useRoomStore()
const animals = useAnimalsStore()
const statements = useStatementsStore()
const logSheet = useLogSheetStore()
const { animal: sheet } = useSheets()
const atHand = useAtHand()

const followed = computed(() => animals.of(String(route.params.id)))
const animal = computed(() => followed.value?.animal)
const colony = computed(() => room.colonyById.get(animals.homeOf(String(route.params.id)) ?? ''))
const nowMs = computed(() => statements.now.getTime())
const life = computed(
  () => (colony.value && statements.of(colony.value.id)?.animals.find(l => l.animalId === animal.value?.id)) ?? null,
)
useHead({ title: computed(() => `${animal.value?.name ?? 'Animal'} · Ulkin`) })
watch(
  [colony, animal],
  () => {
    atHand.value = colony.value?.id ?? ''
    // whatever is logged from here is about this animal
    logSheet.aboutId = life.value?.left ? '' : (animal.value?.id ?? '')
  },
  { immediate: true },
)
// the next page may have said already what it is about
const own = String(route.params.id)
onBeforeUnmount(() => {
  if (logSheet.aboutId !== own) return
  atHand.value = ''
  logSheet.aboutId = ''
})

const nameOfColony = (id: string) => room.colonyById.get(id)?.name ?? 'another colony'
const facts = computed(() => {
  const l = life.value
  if (!l) return []
  const g = l.growth
  const molts = l.molts.length > 0 || l.nextMolt !== null
  return [
    {
      name: 'Age',
      value: ageText(l, l.left?.atMs ?? nowMs.value),
      below: l.born ? ageBasis[l.born.by] : 'say when it was born or came, or measure it',
    },
    ...(g ? [{ name: 'Size', value: sizeText(g, nowMs.value), below: '' }] : []),
    ...(g && !l.left ? [{ name: 'Growing', value: perWeekText(g), below: '' }] : []),
    ...(g && !l.left ? [{ name: 'Breeding', value: breedsText(g, nowMs.value), below: '' }] : []),
    ...(molts && !l.left
      ? [
          {
            name: 'Next molt',
            value: nextMoltText(l, nowMs.value),
            below:
              l.nextMolt && l.nextMolt.watched > 0
                ? `by ${l.nextMolt.watched} intervals of its own and its kind’s`
                : 'by its kind’s interval and the warmth',
          },
        ]
      : []),
    ...inbred.value,
  ]
})
const pairings = usePairings(() => (animal.value ? [animal.value] : []))
/** Inbreeding, where a parent is known at all. */
const inbred = computed(() => {
  const own = [...(pairings.value.told?.females ?? []), ...(pairings.value.told?.males ?? [])][0]
  return own && own.known !== 'none' ? [{ name: 'Inbreeding', ...ownInbreeding(own) }] : []
})
const parents = computed(() => {
  const of = (ids: readonly string[]) => ids.map(animals.nameOf).join(' or ')
  const { damIds = [], sireIds = [] } = animal.value ?? {}
  return [
    ...(damIds.length > 0 ? [`Mother: ${of(damIds)}`] : []),
    ...(sireIds.length > 0 ? [`Father: ${of(sireIds)}`] : []),
  ].join(' · ')
})
const young = computed(() => room.animals.filter(a => [...a.damIds, ...a.sireIds].includes(String(route.params.id))))
const events = computed(() =>
  life.value ? lifeEvents(life.value, { colonyName: nameOfColony, rungWords: room.rungWords }) : [],
)
const summary = computed(
  () =>
    `Life of ${animal.value?.name}: ${events.value
      .slice(0, 6)
      .map(e => `${dayText(e.at, nowMs.value)} ${e.what}`)
      .join(', ')}`,
)
const zones = computed(() => life.value?.growth?.zones ?? [])
const came = computed(() => (animal.value?.came ? momentMs(animal.value.came.from) : null))
</script>

<template>
  <div class="animal">
    <template v-if="animal">
      <AppTop :title="animal.name" :about="animalUnder(animal)">
        <template #before
          ><BackLink :to="colony ? `/colony/${colony.id}` : '/'" label="Back to its colony" /><GroupFigure
            :group-id="animal.groupId"
            :size="54"
            class="figure"
        /></template>
        <v-btn
          class="quiet"
          :prepend-icon="mdiPencilOutline"
          @click="sheet = { animalId: animal.id, colonyId: animal.firstColonyId }"
          >Change</v-btn
        >
        <v-btn v-if="!life?.left" color="primary" :prepend-icon="mdiPlus" @click="logSheet.show(colony?.id ?? '')"
          >Log<kbd>L</kbd></v-btn
        >
      </AppTop>
      <div class="page">
        <template v-if="life">
          <h2 class="says"><TheSentence :text="lifeHeadline(animal, life, nowMs)" /></h2>
          <p class="muted">
            {{ life.left ? 'Lived' : 'Lives' }} in
            <NuxtLink v-if="colony" :to="`/colony/${colony.id}`">{{ colony.name }}</NuxtLink>
            <template v-if="parents"> · {{ parents }}</template>
            <template v-if="young.length > 0">
              · Young that are followed:
              <template v-for="(y, i) in young" :key="y.id"
                ><template v-if="i">, </template><NuxtLink :to="`/animal/${y.id}`">{{ y.name }}</NuxtLink></template
              >
            </template>
          </p>
          <div class="rows" tabindex="0" role="region" aria-label="Its life line">
            <LifeRows :life="life" :now-ms="nowMs" :summary="summary" :colony-name="nameOfColony" class="drawn" />
          </div>
          <div class="two">
            <section aria-label="What is known of it">
              <FactList :facts="facts" beside />
              <p v-for="l in life.limbsUnderway" :key="l.atMs">{{ limbsText(l, nowMs, [animal.name]) }}</p>
              <AnimalPhoto v-if="colony && !animal.ended" :animal="animal" :colony-id="colony.id" />
              <details class="fold">
                <summary>As a table</summary>
                <DataTable
                  label="Its life"
                  :columns="[
                    { key: 'at', title: 'When' },
                    { key: 'what', title: 'What' },
                  ]"
                  :rows="events"
                >
                  <template #at="{ row }">{{ dayText(row.at, nowMs) }}</template>
                </DataTable>
              </details>
            </section>
            <section v-if="life.growth" aria-label="Growth">
              <h2>Growth</h2>
              <SizeChart :growth="life.growth" :now-ms="nowMs" :summary="sizeText(life.growth, nowMs)" />
              <p v-if="latelyText(life.growth, nowMs)">{{ latelyText(life.growth, nowMs) }}.</p>
              <p class="small muted">{{ curveBasis(life.growth) }}</p>
            </section>
          </div>
          <section v-if="zones.length > 0 && life.growth" class="shell" aria-label="What its shell tells">
            <h2>What its shell tells</h2>
            <ShellWhorl :zones="zones" />
            <div>
              <p>
                <b>{{ shellToday(zones) }}</b>
              </p>
              <p v-for="line in shellHistory(zones, life.growth, came, nowMs)" :key="line">{{ line }}</p>
            </div>
          </section>
        </template>
        <p v-else class="muted">Working it out …</p>
        <AnimalLog :animal="animal" :entries="followed?.entries ?? []" :now-ms="nowMs" />
      </div>
    </template>
    <NotHere v-else-if="room.ready" place="Animal" what="This animal" to="/" back="To the Room" />
  </div>
</template>

<style scoped>
.animal {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-5);
  padding: var(--space-2) var(--space-7) var(--space-6);
  align-content: start;
}
.says {
  font-size: var(--type-statement);
}
/* on a phone the line is wider than the screen, and scrolls by itself */
.rows {
  overflow-x: auto;
  min-width: 0;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-6) var(--space-8);
}
.two p,
.shell p {
  padding-top: var(--space-3);
}
.shell {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr);
  gap: var(--space-3) var(--space-7);
}
.shell h2 {
  grid-column: 1 / -1;
}
@media (--small-desk) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (--phone) {
  .page {
    padding: 0 var(--space-6) var(--space-5);
  }
  .figure,
  kbd {
    display: none;
  }
  .drawn {
    min-width: 860px;
  }
  .shell {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
