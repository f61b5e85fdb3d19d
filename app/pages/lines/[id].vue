<script setup lang="ts">
import { crossingsInto } from '#core/care'
import { currentEntries, presentRungs } from '#core/records'
import { counted, plain } from '~/words/numbers'
import type { Why } from '~/words/why'
import { whyKinship, whyLine } from '~/words/whyLine'
import { crossingText, fallenText, heritabilityText, lineHeadline, weeklyText } from '~/words/lines'

const why = shallowRef<Why | null>(null)
const route = useRoute()
const room = useRoomStore()
const statements = useStatementsStore()
const desk = useLines()
const id = computed(() => String(route.params.id))
const of = computed(() => desk.lines.value.find(l => l.line.id === id.value))
useHead({ title: () => `${of.value?.line.name ?? 'Line'} · Ulkin` })
const { laddersOf } = useLadders()
const ladders = computed(() => (of.value ? laddersOf(of.value.line) : []))
const ladder = computed(() => ladders.value[0])
const rungs = computed(() => (ladder.value ? presentRungs(ladder.value) : []))
const told = computed(() => of.value?.told ?? null)
const nowMs = computed(() => statements.now.getTime())
const tab = useTab(['generations', 'breed', 'kinship', 'ladder', 'sessions'] as const)
const tabs = [
  { id: 'generations' as const, title: 'Generations' },
  { id: 'breed' as const, title: 'Breed' },
  { id: 'kinship' as const, title: 'Kinship' },
  { id: 'ladder' as const, title: 'Ladder' },
  { id: 'sessions' as const, title: 'Sessions' },
]
const about = computed(() =>
  of.value
    ? [
        of.value.line.goal,
        told.value?.rolling
          ? 'breeds all the time'
          : counted(told.value?.generations.length ?? 0, 'generation', 'generations').toLowerCase(),
        of.value.colonies.map(c => c.name).join(', '),
      ]
        .filter(Boolean)
        .join(' · ')
    : '',
)
const headline = computed(() =>
  told.value
    ? lineHeadline(told.value, rungs.value.length)
    : !desk.complete.value
      ? 'The line is being read …'
      : ladder.value
        ? 'Nothing is graded yet: grade a first session, and this page says where the line goes.'
        : 'Word a ladder first: three to nine rungs, from the dullest to the best.',
)
/** Strangers that came in, as the log has them. */
const crossings = computed(() =>
  of.value
    ? crossingsInto(id.value, {
        ...{ entries: currentEntries(of.value.entries), colonies: room.all.colonies, lines: room.all.lines },
      })
    : [],
)
const colony = computed(() => of.value?.colonies[0])
/** Where a session goes: to the ladder while there is none. */
const toGrade = computed(() => (ladder.value && colony.value ? `/lines/grade/${colony.value.id}` : undefined))
const sheets = useSheets()
useEventListener('keydown', event => {
  if (event.ctrlKey || event.metaKey || event.altKey || event.key.toLowerCase() !== 'g' || sheets.anyOpen.value) return
  const target = event.target instanceof Element ? event.target : document.body
  if (!target.closest('input, textarea, select') && toGrade.value) void navigateTo(toGrade.value)
})
</script>

<template>
  <div>
    <AppTop :title="of?.line.name ?? 'Line'" :about="about">
      <template #before><BackLink to="/lines" label="All lines" /></template>
      <NuxtLink v-if="toGrade && colony" :to="`/lines/meter/${colony.id}`" class="meter">Grade meter</NuxtLink>
      <v-btn v-if="toGrade" :to="toGrade" variant="outlined" color="primary">Grade a session</v-btn>
    </AppTop>
    <div v-if="of" class="page">
      <p class="statement"><TheSentence :text="headline" /></p>
      <p v-for="c in crossings" :key="c.entryId" class="small fallen">{{ crossingText(c, nowMs) }}</p>
      <p v-if="told?.came?.unexplained" class="small fallen">{{ fallenText(told) }}</p>
      <p v-if="told" class="small muted">
        {{ plain(heritabilityText(told)) }}
        <button type="button" class="link" @click="why = whyLine(told, nowMs)">Why?</button>
      </p>
      <p v-if="told?.rolling" class="small muted">{{ weeklyText(told.rolling) }}</p>
      <WorkerFailed :worker="desk.worker" />
      <TabRow v-model="tab" :tabs="tabs" label="Parts of the line" />
      <template v-if="tab === 'generations'">
        <GradeDots v-if="told" :told="told" :rungs="rungs" :now-ms="nowMs" />
        <ResponseChart v-if="told" :told="told" :rungs="rungs.length" :now-ms="nowMs" />
        <ThrowbacksNote v-if="told?.throwbacks" :throwbacks="told.throwbacks" :words="rungs[0]?.words ?? ''" />
        <BesideTraits v-if="told && ladder" :told="told" :main="ladder" :ladders="ladders" :now-ms="nowMs" />
      </template>
      <template v-else-if="tab === 'breed'">
        <BreedingNow :of="of" :now-ms="nowMs" />
        <BreedPanel
          :key="of.line.id"
          :of="of"
          :ladder="ladder ?? null"
          :rungs="rungs"
          :worker="desk.worker"
          :now-ms="nowMs"
        />
      </template>
      <KinshipPanel
        v-else-if="tab === 'kinship'"
        :of="of"
        :worker="desk.worker"
        :rungs="rungs.length"
        :now-ms="nowMs"
        @why="why = told && whyKinship(told, nowMs)"
      />
      <LaddersPanel v-else-if="tab === 'ladder'" :line="of.line" :ladders="ladders" />
      <SessionsPanel v-else :of="of" :now-ms="nowMs" />
    </div>
    <NotHere v-else-if="room.ready" place="Lines" what="This line" to="/lines" back="All lines" />
    <WhySheet :why="why" @close="why = null" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: var(--space-4);
  padding: var(--space-5) var(--space-7) var(--space-8);
}
.meter {
  white-space: nowrap;
}
.fallen {
  border-left: 3px solid var(--straw);
  padding-left: var(--space-5);
}
@media (--narrow) {
  .page {
    padding: var(--space-5) var(--space-6) var(--space-7);
  }
}
</style>
