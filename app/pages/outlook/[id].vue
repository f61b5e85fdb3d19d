<script setup lang="ts">
import { mdiContentSaveOutline } from '@mdi/js'
import { format } from 'date-fns'
import { groupOf, preferredC, resolveGroup } from '#core/groups'
import { whole } from '~/words/numbers'
import { changeText, comparedText, reachText } from '~/words/outlook'

const OutlookChart = defineAsyncComponent(() => import('~/components/outlook/OutlookChart.vue'))

const route = useRoute()
const room = useRoomStore()
const settings = useSettingsStore()
const atHand = useAtHand()
const colony = computed(() => room.colonyById.get(String(route.params.id)))
const statements = useStatementsStore()
/** One hatch runs its course: nothing that is tried here changes it. */
const hatch = computed(() => (colony.value && statements.of(colony.value.id)?.batch) ?? null)
const desk = useOutlookDesk(computed(() => (hatch.value ? undefined : colony.value)))

useHead({ title: computed(() => `Outlook, ${colony.value?.name ?? ''} · Ulkin`) })
watch(
  colony,
  c => {
    if (!c) return
    settings.lastColonyId = c.id
    atHand.value = c.id
  },
  { immediate: true },
)
const colonies = computed(() =>
  room.colonies
    .filter(c => c.id === colony.value?.id || !resolveGroup(c).batch)
    .map(c => ({ value: c.id, title: `${c.name} · ${groupOf(c.groupId).name}` })),
)
const picked = computed({ get: () => colony.value?.id ?? '', set: id => void navigateTo(`/outlook/${id}`) })
const resolved = computed(() => colony.value && resolveGroup(colony.value))
const temperatureC = computed(
  () => desk.told?.population.temperatureC ?? (resolved.value ? preferredC(resolved.value) : 23),
)
const hasFish = computed(() =>
  resolved.value?.group.schools.fish ? (colony.value!.schools.fish ?? 'none') !== 'none' : null,
)
const ofOptions = [
  { value: 'total' as const, title: 'animals in all' },
  { value: 'halfGrown' as const, title: 'half-grown' },
]
const spans = [
  { value: '26' as const, title: 'half a year' },
  { value: '52' as const, title: 'a year' },
  { value: '104' as const, title: 'two years' },
]
const what = computed(() => (desk.of === 'total' ? 'animals' : 'half-grown animals'))

const nowMs = computed(() => desk.told?.asOf ?? 0)
const headline = computed(() => {
  const as = desk.drawn.find(l => l.id === 'now')?.answer
  const mine = desk.drawn.find(l => l.id === 'draft')?.answer
  if (!as) return ''
  return mine
    ? comparedText(mine, as, Math.min(26, desk.ask.weeks))
    : `${whole(desk.ask.number)} ${desk.of === 'total' ? 'animals' : 'half-grown'}: ` +
        `${reachText(as, desk.ask, nowMs.value)}.`
})
const chart = ref<{ png: () => Promise<Blob | null> } | null>(null)
const png = () => chart.value?.png() ?? Promise.resolve(null)
</script>

<template>
  <div class="outlook">
    <template v-if="colony && room.room">
      <AppTop :title="`Outlook: ${colony.name}`" about="What if?">
        <v-btn color="primary" :prepend-icon="mdiContentSaveOutline" :disabled="!desk.changed" @click="desk.save"
          >Save scenario</v-btn
        >
      </AppTop>
      <div v-if="hatch" class="page">
        <section class="left">
          <PickOne v-model="picked" label="Colony" :options="colonies" />
          <p>
            {{ colony.name }} is one hatch: it runs its course, and nothing that is tried here changes it.
            <NuxtLink :to="`/colony/${colony.id}`">Its course is drawn with it.</NuxtLink>
          </p>
        </section>
      </div>
      <div v-else class="page">
        <section class="left" aria-label="Scenario">
          <PickOne v-model="picked" label="Colony" :options="colonies" />
          <h2>What would be different?</h2>
          <ScenarioForm
            v-model="desk.draft"
            :issues="desk.read.ok ? {} : desk.read.issues"
            :temperature-c="temperatureC"
            :has-fish="hasFish"
            :one-sex="resolved?.group.stages.femaleShare.value === 1"
          />
          <TextInput
            v-if="desk.changed"
            v-model="desk.name"
            label="Name to save it under"
            :placeholder="desk.read.ok ? changeText(desk.read.change, settings.units) : ''"
          />
          <SavedScenarios v-model="desk.shown" :saved="desk.saved" @change="desk.change" @put-away="desk.putAway" />
        </section>
        <section class="right" aria-label="Futures">
          <div class="asks">
            <span>When can I have</span>
            <TextInput
              v-model="desk.number"
              label="Number wanted"
              numeric
              class="few"
              :error="desk.wanted.ok ? '' : desk.wanted.issue"
            />
            <PickOne v-model="desk.of" label="Of whom" :options="ofOptions" />
            <TextInput
              v-model="desk.byWeek"
              label="Chance in"
              suffix="weeks"
              numeric
              class="few"
              :error="desk.due.ok ? '' : desk.due.issue"
            />
            <PickOne v-model="desk.weeks" label="Look ahead" :options="spans" />
          </div>
          <p v-if="headline" class="statement head"><TheSentence :text="headline" /></p>
          <WorkerFailed v-else-if="desk.numbers.failed" :worker="desk.numbers" />
          <p v-else class="muted head">Working it out …</p>
          <div class="chart">
            <OutlookChart
              v-if="desk.drawn.length > 0"
              ref="chart"
              :fans="desk.drawn"
              :wanted="desk.wanted.ok ? desk.wanted.value : null"
              :now-ms="nowMs"
              :unit="what"
            />
          </div>
          <p class="legend small">
            <span v-for="l in desk.lines" :key="l.id" class="key"
              ><i :class="l.colour" :style="{ borderTopStyle: l.dash.length ? 'dashed' : 'solid' }" />{{ l.name }}</span
            ><span class="muted">band: likely range</span>
          </p>
          <OutlookTable :drawn="desk.drawn" :ask="desk.ask" :now-ms="nowMs" />
          <p class="foot small muted">
            <span v-if="desk.numbers.busy"
              >Living {{ whole(OUTLOOK_FUTURES) }} futures of each …
              <button type="button" class="link" @click="desk.numbers.stop()">Stop</button></span
            >
            <span v-else-if="desk.drawn.length > 0"
              >{{ whole(desk.drawn[0]!.answer.futures) }} futures of each, all with the same luck: what differs is what
              was changed. They start from today’s estimate ({{ format(nowMs, 'd MMM') }}); half-grown and grown animals
              are counted.</span
            >
            <OutlookFiles :colony-name="colony.name" :what="what" :fans="desk.drawn" :png="png" />
          </p>
          <details class="small">
            <summary>Why?</summary>
            <p class="muted">
              Each future begins with one of the {{ whole(desk.told?.population.fit.particles ?? 0) }} colonies that fit
              your log, with what was learnt of its young, deaths and room, and lives on week by week with chance in
              every birth and death (stage model, see the Colony’s Why?). Temperature changes the pace of life by the
              group’s Q10 (from memory); food and surface change the room; a second tank adds its litres; fish follow
              the group’s school (common practice, figure from memory). Bands are the likely range (80 %). A quarter of
              a year ahead is told well, a year is a guess: the 80 % range of eight weeks has been checked against
              colonies that the model does not know.
            </p>
          </details>
        </section>
      </div>
    </template>
    <NotHere v-else-if="room.ready" place="Outlook" what="This colony" to="/" back="To the Room" />
  </div>
</template>

<style scoped>
.outlook {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.page {
  flex: 1;
  display: grid;
  grid-template-columns: 316px minmax(0, 1fr);
  gap: var(--space-7);
  padding: var(--space-5) var(--space-7) var(--space-6);
}
.left {
  display: grid;
  gap: var(--space-4);
  align-content: start;
  border-right: 1px solid var(--rule);
  padding-right: var(--space-7);
}
.right {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.asks {
  display: flex;
  gap: var(--space-5);
  align-items: flex-end;
  flex-wrap: wrap;
}
.asks > span {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
.few {
  width: 118px;
}
.head {
  padding: var(--space-4) 0 var(--space-2);
}
.failed {
  color: var(--rust);
}
.chart {
  flex: 1;
  min-height: 260px;
}
.legend {
  display: flex;
  gap: var(--space-6);
  flex-wrap: wrap;
  padding: var(--space-2) 0;
}
.key {
  display: inline-flex;
  align-items: center;
  gap: var(--space-3);
}
.key i {
  width: 22px;
  border-top: 3px solid var(--weed);
}
.key i.roe {
  border-color: var(--roe);
}
.key i.water {
  border-color: var(--water);
}
.key i.straw {
  border-color: var(--straw);
}
.foot {
  padding-top: var(--space-3);
  display: flex;
  gap: var(--space-5);
  align-items: baseline;
  justify-content: space-between;
}
.foot .link {
  display: inline-block;
  min-height: 28px;
  min-width: 32px;
}
summary {
  cursor: pointer;
  color: var(--weed);
  min-height: 28px;
}
@media (--narrow) {
  .page {
    grid-template-columns: 1fr;
    padding: var(--space-5) var(--space-6);
  }
  .left {
    border: 0;
    padding: 0;
  }
  .chart {
    min-height: 280px;
  }
  .right {
    order: -1;
  }
  .foot {
    flex-wrap: wrap;
  }
}
</style>
