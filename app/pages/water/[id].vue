<script setup lang="ts">
import { mdiCheck, mdiFilePdfBox, mdiPrinterOutline } from '@mdi/js'
import { percent } from '~/words/numbers'
import { volumeText } from '~/words/unitPrefs'

const WaterHistory = defineAsyncComponent(() => import('~/components/water/WaterHistory.vue'))

/** The water of one glass: the bucket, its history, and the calculators around it. */
const route = useRoute()
const room = useRoomStore()
const desk = useWaterDeskStore()
const settings = useSettingsStore()
const atHand = useAtHand()
const card = useRecipeCard()

const id = computed(() => String(route.params.id))
watch(
  id,
  glassId => {
    desk.glassId = glassId
    settings.lastGlassId = glassId
  },
  { immediate: true },
)
watch(
  () => desk.colonies[0]?.id,
  colonyId => {
    if (colonyId) atHand.value = colonyId
  },
  { immediate: true },
)

const tabs = [
  { id: 'bucket', title: 'Bucket' },
  { id: 'history', title: 'History' },
  { id: 'drip', title: 'Bring in' },
  { id: 'salt', title: 'Salt water' },
  { id: 'medicine', title: 'Medicine' },
  { id: 'probe', title: 'Probe' },
  { id: 'sources', title: 'Sources and shelf' },
] as const
const tab = useTab(tabs.map(t => t.id))
const toGlass = (glassId: string) => navigateTo({ path: `/water/${glassId}`, query: route.query })

const whose = computed(() => desk.colonies.map(c => c.name).join(' and ') || desk.glass?.name || '')
useHead({ title: computed(() => `Water for ${whose.value} · Ulkin`) })
const about = computed(() => {
  if (!desk.glass) return ''
  const change = desk.filling
    ? 'first fill'
    : `change of ${volumeText(desk.bucketL, settings.units)} (${percent(desk.bucketL / Math.max(desk.netL, 0.1))})`
  return [
    `${volumeText(desk.glass.grossL, settings.units)} ${desk.glass.kind}, ` +
      `${volumeText(desk.netL, settings.units)} of water`,
    change,
    desk.filling
      ? ''
      : desk.school
        ? desk.school.everyDays === 7
          ? 'weekly'
          : `every ${desk.school.everyDays} days`
        : 'school: top-up only',
  ]
    .filter(Boolean)
    .join(' · ')
})
const glasses = computed(() =>
  room.glasses
    .map(g => {
      const names = (room.coloniesByGlass.get(g.id) ?? []).map(c => c.name).join(', ')
      return { value: g.id, title: names && names !== g.name ? `${g.name}: ${names}` : g.name }
    })
    .sort((a, b) => a.title.localeCompare(b.title)),
)
/** What was done, and what the button does. */
const pour = computed(() =>
  desk.filling ? ['Filled', 'log it'] : desk.early ? ['Poured early', 'log it'] : ['Poured it', 'log the change'],
)
const print = () => window.print()
</script>

<template>
  <div class="water">
    <template v-if="desk.glass && room.room">
      <AppTop :title="`Water for ${whose}`" :about="about">
        <template v-if="tab === 'bucket' && desk.recipe">
          <v-btn class="quiet card-btn" :prepend-icon="mdiPrinterOutline" aria-label="Print the recipe" @click="print"
            ><span class="words">Print</span></v-btn
          >
          <v-btn
            class="quiet card-btn"
            :prepend-icon="mdiFilePdfBox"
            aria-label="Recipe card as PDF"
            @click="card.savePdf()"
            ><span class="words">PDF</span></v-btn
          >
          <v-btn
            color="primary"
            :prepend-icon="mdiCheck"
            :aria-label="pour.join(': ')"
            :disabled="card.pouring.value || desk.solving"
            @click="card.pourIt()"
            >{{ pour[0] }}<span class="more">: {{ pour[1] }}</span></v-btn
          >
        </template>
      </AppTop>
      <div class="page">
        <div class="water-nav">
          <TabRow v-model="tab" :tabs="tabs" label="Parts of the water place" />
          <PickOne
            class="glass"
            :model-value="desk.glassId"
            label="Glass"
            hide-label
            :options="glasses"
            @update:model-value="toGlass"
          />
        </div>
        <p v-if="!desk.ready" class="muted waiting">Reading the log …</p>
        <BucketPanel v-else-if="tab === 'bucket'" @sources="tab = 'sources'" />
        <WaterHistory v-else-if="tab === 'history'" />
        <DripPanel v-else-if="tab === 'drip'" />
        <SalinityPanel v-else-if="tab === 'salt'" />
        <MedicinePanel v-else-if="tab === 'medicine'" />
        <ProbePanel v-else-if="tab === 'probe'" />
        <SourcesPanel v-else />
      </div>
    </template>
    <NotHere v-else-if="room.ready" place="Water" what="This glass" to="/" back="To the Room" />
  </div>
</template>

<style scoped>
.water {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.page {
  flex: 1;
  padding: 0 var(--space-7) var(--space-7);
  min-width: 0;
}
.water-nav {
  display: flex;
  align-items: center;
  gap: var(--space-6);
  border-bottom: 1px solid var(--rule);
}
.glass {
  width: 230px;
  padding: var(--space-3) 0;
}
.waiting {
  padding-top: var(--space-7);
}
@media (--small-desk) {
  .words {
    display: none;
  }
  .card-btn :deep(.v-btn__prepend) {
    margin: 0;
  }
}
@media (--phone) {
  .card-btn,
  .more {
    display: none;
  }
  .page {
    padding: 0 var(--space-6) var(--space-7);
  }
  .water-nav {
    flex-direction: column-reverse;
    align-items: stretch;
    gap: 0;
  }
  .glass {
    width: auto;
    padding: var(--space-4) 0 0;
  }
}
</style>
