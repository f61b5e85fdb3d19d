<script setup lang="ts">
import { preciseVolume, volumeText } from '~/words/unitPrefs'
import { aheadText } from '~/words/when'
import type { Why } from '~/words/why'
import { whyRecipe } from '~/words/whyRecipe'

/** The bucket: sources into it, what it does to the glass, and what to weigh and pour. */
const desk = useWaterDeskStore()
const room = useRoomStore()
const settings = useSettingsStore()
const card = useRecipeCard()
const blend = useBucketBlend(card)
const emit = defineEmits<{ sources: [] }>()

const why = shallowRef<Why | null>(null)
const toppingUp = ref(false)
function openWhy() {
  if (!desk.recipe) return
  why.value = whyRecipe({
    recipe: desk.recipe,
    story: desk.story,
    shared: desk.shared,
    groups: desk.groups,
    sources: desk.sources,
    filling: desk.filling,
    exactly: desk.exactly,
    nowMs: desk.nowMs,
    units: settings.units,
  })
}
const print = () => window.print()
const title = computed(() => `Water for ${desk.colonies.map(c => c.name).join(' and ') || desk.glass?.name || ''}`)
/** Under the title of the printed card: how much, into how much, when, in which room. */
const cardAbout = computed(() => {
  const poured = preciseVolume(card.step.value?.changeL ?? 0, settings.units)
  const into = volumeText(desk.netL, settings.units)
  return `${poured} into ${into}, ${aheadText(desk.nextChangeMs, desk.nowMs)}. ${room.room?.name ?? ''}`
})
</script>

<template>
  <div class="desk">
    <BucketSide class="beside-card" :blend="blend" @sources="emit('sources')" @top-up="toppingUp = true" />
    <BucketView class="beside-card" :card="card" :blend="blend" @sources="emit('sources')" @why="openWhy" />
    <WeighAndPour
      v-if="desk.recipe"
      :steps="card.steps.value"
      :cautions="card.cautions.value"
      :card-title="title"
      :card-about="cardAbout"
    >
      <p class="phone-acts">
        <v-btn class="quiet" @click="print">Print</v-btn><v-btn class="quiet" @click="card.savePdf()">PDF</v-btn>
      </p>
    </WeighAndPour>
    <WhySheet :why="why" @close="why = null" />
    <TopUpSheet v-model="toppingUp" />
  </div>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template-columns: 244px minmax(0, 1fr) 300px;
  gap: var(--space-7);
  padding-top: var(--space-4);
}
.phone-acts {
  display: none;
  gap: var(--space-5);
  padding-top: var(--space-5);
}
@media (--phone) {
  .phone-acts {
    display: flex;
  }
}
@media print {
  .phone-acts {
    display: none;
  }
  .desk {
    display: block;
    padding: 0;
  }
}
@media (--small-desk) {
  .desk {
    grid-template-columns: 244px minmax(0, 1fr);
  }
  .desk > :last-of-type {
    grid-column: 2;
  }
}
@media (--phone) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
  .desk > :last-of-type {
    grid-column: 1;
  }
}
</style>
