<script setup lang="ts">
import { mdiPencilOutline, mdiPlus } from '@mdi/js'
import { resolveGroup } from '#core/groups'
import type { WhyTopic } from '~/components/colony/FourStatements.vue'
import { batchTitle } from '~/words/batch'
import { endingWord } from '~/words/endings'
import { volumeText } from '~/words/unitPrefs'
import { dayText } from '~/words/when'
import { type Why, whyValue } from '~/words/why'
import { whyNumbers } from '~/words/whyNumbers'
import type { ValueVerdict } from '#core/water'
import { format } from 'date-fns'

const LifeLine = defineAsyncComponent(() => import('~/components/colony/LifeLine.vue'))
const MoltsPanel = defineAsyncComponent(() => import('~/components/colony/MoltsPanel.vue'))

const route = useRoute()
const room = useRoomStore()
const statements = useStatementsStore()
const settings = useSettingsStore()
const logSheet = useLogSheetStore()
const atHand = useAtHand()
const saying = useSaying()

const colony = computed(() => room.colonyById.get(String(route.params.id)))
const glass = computed(() => room.glassOf(colony.value))
const told = computed(() => (colony.value ? statements.of(colony.value.id) : null))
useHead({ title: computed(() => `${colony.value?.name ?? 'Colony'} · Ulkin`) })
watch(
  colony,
  c => {
    if (!c) return
    settings.lastColonyId = c.id
    atHand.value = c.id
  },
  { immediate: true },
)

const about = computed(() => {
  if (!colony.value || !glass.value) return ''
  const rack = room.racks.find(r => r.id === glass.value!.place.rackId)
  return [
    resolveGroup(colony.value).group.name,
    `${glass.value.name}, ${volumeText(glass.value.grossL, settings.units)}`,
    rack?.name,
    `since ${format(new Date(colony.value.startedAt), 'MMM yyyy')}`,
  ]
    .filter(Boolean)
    .join(' · ')
})
const mates = computed(() =>
  (room.coloniesByGlass.get(glass.value?.id ?? '') ?? []).filter(c => c.id !== colony.value?.id),
)

const tab = useTab(['line', 'stages', 'bodies', 'table', 'log', 'batch'] as const)
/** One hatch is told by its own course: larvae and pools have no life line of years. */
const batch = computed(() => told.value?.batch ?? null)
watch(
  batch,
  now => {
    if (now && !['batch', 'log'].includes(tab.value)) tab.value = 'batch'
    if (!now && told.value && tab.value === 'batch') tab.value = 'line'
  },
  { immediate: true },
)
const months = ref<6 | 18 | null>(18)
const entries = ref(0)
/** Molts are told of animals that molt. */
const molting = computed(() => colony.value && resolveGroup(colony.value).group.care.molts !== undefined)
const why = shallowRef<Why | null>(null)
const editing = ref(false)
const parting = ref(false)
const { bringBack } = useEndings()

function explain(topic: WhyTopic) {
  if (!colony.value || !told.value) return
  const group = resolveGroup(colony.value)
  const worst = told.value.water.worst ?? told.value.water.values[0]
  why.value =
    topic === 'water'
      ? worst
        ? whyValue(worst, group, saying(colony.value))
        : null
      : whyNumbers(topic, told.value, group, saying(colony.value))
}
function explainValue(v: ValueVerdict) {
  if (colony.value) why.value = whyValue(v, resolveGroup(colony.value), saying(colony.value))
}
const tabs = computed(() => (batch.value ? tabsOfBatch.value : tabsOfColony.value))
const logTab = computed(() => ({ id: 'log' as const, title: `Log ${entries.value || ''}` }))
const tabsOfBatch = computed(() => [{ id: 'batch' as const, title: batchTitle[batch.value!.kind] }, logTab.value])
const tabsOfColony = computed(() => [
  { id: 'line' as const, title: 'Life line' },
  { id: 'stages' as const, title: 'Stages' },
  { id: 'bodies' as const, title: 'Bodies' },
  { id: 'table' as const, title: 'Table' },
  logTab.value,
])
const spans = [
  { months: 6 as const, title: '6 months' },
  { months: 18 as const, title: '18 months' },
  { months: null, title: 'all' },
]
</script>

<template>
  <div class="colony">
    <template v-if="colony && room.room">
      <AppTop :title="colony.name" :about="about">
        <template #before
          ><BackLink to="/" label="Back to the Room" /><GroupFigure
            :group-id="colony.groupId"
            :size="54"
            class="figure"
        /></template>
        <v-btn
          v-if="!colony.ended"
          class="quiet change"
          :prepend-icon="mdiPencilOutline"
          aria-label="Change"
          @click="editing = true"
          ><span class="words">Change</span></v-btn
        >
        <v-btn v-if="!colony.ended" color="primary" :prepend-icon="mdiPlus" @click="logSheet.show(colony.id)"
          >Log<kbd>L</kbd></v-btn
        >
      </AppTop>
      <div class="page">
        <p v-if="colony.ended" class="ended" role="status">
          {{ colony.name }} has ended: {{ endingWord[colony.ended.why]
          }}<template v-if="colony.ended.intoId">
            (<NuxtLink :to="`/colony/${colony.ended.intoId}`">{{
              room.colonyById.get(colony.ended.intoId)?.name
            }}</NuxtLink
            >)</template
          >, {{ dayText(Date.parse(colony.ended.at), statements.now.getTime()) }}.
          <button type="button" class="link" @click="bringBack('colonies', colony.id)">Bring it back</button>
        </p>
        <LineTogether :colony="colony" />
        <p v-if="mates.length > 0" class="small muted mates">
          Also in this glass:
          <template v-for="(m, i) in mates" :key="m.id"
            ><template v-if="i">, </template><NuxtLink :to="`/colony/${m.id}`">{{ m.name }}</NuxtLink></template
          >. They share the water.
        </p>
        <template v-if="told">
          <FourStatements :colony="colony" :statements="told" @why="explain" />
          <TabRow v-model="tab" :tabs="tabs" :label="tabs.map(t => t.title.replace(/ \d+$/, '')).join(', ')"
            ><span v-if="tab === 'line'" class="spans" role="group" aria-label="How far back">
              <button
                v-for="s in spans"
                :key="s.title"
                type="button"
                :aria-pressed="months === s.months"
                :class="{ on: months === s.months }"
                @click="months = s.months"
              >
                {{ s.title }}
              </button>
            </span></TabRow
          >
          <LazyBatchPanel v-if="tab === 'batch' && batch" :colony="colony" :told="told" :now-ms="told.asOf" />
          <LifeLine
            v-else-if="tab === 'line'"
            :population="told.population"
            :broods="told.broods"
            :now-ms="told.asOf"
            :months="months"
          />
          <StagesPanel v-else-if="tab === 'stages'" :population="told.population" :group="resolveGroup(colony).group" />
          <template v-else-if="tab === 'bodies'">
            <MoltsPanel v-if="molting" :colony="colony" :told="told.molts" :now-ms="told.asOf" />
            <LazyFollowedPanel :colony="colony" :lives="told.animals" :now-ms="told.asOf" />
            <LazyShellsPanel
              v-if="told.sizes"
              :sizes="resolveGroup(colony).group.sizes!"
              :told="told.sizes"
              :colony-id="colony.id"
              :now-ms="told.asOf"
            />
          </template>
          <LifeLineTable v-else-if="tab === 'table'" :population="told.population" :now-ms="told.asOf" />
          <LogList
            v-show="tab === 'log'"
            :key="colony.id"
            :colony="colony"
            :now-ms="told.asOf"
            @counted="entries = $event"
          />
          <ValueStrips :values="told.water.values" @why="explainValue" />
        </template>
        <LogList v-else-if="colony.ended" :key="colony.id" :colony="colony" :now-ms="statements.now.getTime()" />
        <p v-else-if="statements.failed" role="alert" class="failed">
          {{ statements.failed }} <button type="button" class="link" @click="statements.again()">Try again</button>
        </p>
        <p v-else class="muted waiting">Working it out …</p>
      </div>
      <WhySheet :why="why" @close="why = null" />
      <ColonyEditSheet v-model="editing" :colony="colony" @part="parting = true" />
      <LazyPartSheet v-if="parting" v-model="parting" :colony="colony" />
    </template>
    <NotHere v-else-if="room.ready" place="Colony" what="This colony" to="/" back="To the Room" />
  </div>
</template>

<style scoped>
.colony {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.page {
  flex: 1;
  display: flex;
  flex-direction: column;
  padding: var(--space-2) var(--space-7) var(--space-5);
  min-height: 0;
}
.mates {
  padding-top: var(--space-3);
}
.ended {
  padding: var(--space-4) 0;
}
.spans {
  margin-left: auto;
  display: flex;
  gap: var(--space-5);
}
.spans button {
  min-height: 38px;
  border: 0;
  padding: 0;
  background: none;
  font: inherit;
  font-size: var(--type-small);
  color: var(--muted);
  cursor: pointer;
}
.spans button.on {
  font-weight: 650;
  color: var(--ink);
  text-decoration: underline;
  text-underline-offset: 5px;
}
.failed {
  color: var(--rust);
  padding-top: var(--space-7);
}
.waiting {
  padding-top: var(--space-7);
}
@media (--phone) {
  .figure {
    display: none;
  }
  .page {
    padding: 0 var(--space-6) var(--space-5);
  }
  .change .words,
  kbd {
    display: none;
  }
  .change :deep(.v-btn__prepend) {
    margin: 0;
  }
}
</style>
