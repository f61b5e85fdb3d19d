<script setup lang="ts">
import { formatNumber } from '#core/units'
import { gramsText, whole } from '~/words/numbers'
import { volumeText } from '~/words/unitPrefs'
import { POURED_WEEKS, usePouredLately } from '~/composables/usePouredLately'

/** What the room used of each water and box lately, and how long a box will last at that pace. */
const props = defineProps<{ left: readonly { id: string; leftG: number | undefined }[]; nowMs: number }>()
const settings = useSettingsStore()
const poured = usePouredLately(() => props.nowMs)
const rows = computed(() => {
  const { waters, unnamedL } = poured.value
  return unnamedL > 0 ? [...waters, { name: 'without saying which', litres: unnamedL }] : waters
})
const most = computed(() => Math.max(1e-9, ...rows.value.map(w => w.litres)))
/** "lasts about 20 weeks": at the pace of these weeks. */
function lasts(itemId: string | null, grams: number): string {
  const leftG = props.left.find(l => l.id === itemId)?.leftG
  if (leftG === undefined) return ''
  const weeks = (leftG / grams) * POURED_WEEKS
  return weeks > 104 ? 'lasts for years' : `lasts about ${whole(weeks)} weeks more`
}
</script>

<template>
  <section v-if="rows.length > 0" class="poured" aria-labelledby="poured-title">
    <h2 id="poured-title">Poured in the last {{ POURED_WEEKS }} weeks</h2>
    <ul>
      <li v-for="w in rows" :key="w.name">
        <b>{{ w.name }}</b>
        <span class="bar" aria-hidden="true"><span :style="{ width: `${(100 * w.litres) / most}%` }" /></span>
        <span class="numeral">{{ volumeText(w.litres, settings.units) }}</span>
        <span class="small muted">{{ volumeText(w.litres / POURED_WEEKS, settings.units) }} a week</span>
      </li>
    </ul>
    <ul v-if="poured.boxes.length > 0">
      <li v-for="b in poured.boxes" :key="b.name">
        <b>{{ b.name }}</b>
        <span class="small muted">{{ lasts(b.itemId, b.grams) }}</span>
        <span class="numeral">{{ gramsText(b.grams) }} g</span>
        <span class="small muted">{{ formatNumber(b.grams / POURED_WEEKS, 1) }} g a week</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.poured {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: var(--space-5) var(--space-8);
  padding-top: var(--space-6);
  border-top: 1px solid var(--rule);
}
h2 {
  grid-column: 1 / -1;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr) 90px 110px;
  gap: var(--space-5);
  align-items: baseline;
  padding: var(--space-2) 0;
}
.bar span {
  display: block;
  height: 10px;
  background: var(--water-solid);
}
.numeral {
  text-align: right;
}
@media (--small-desk) {
  .poured {
    grid-template-columns: minmax(0, 1fr);
  }
  li {
    grid-template-columns: minmax(0, 1fr) 84px 100px;
  }
  .bar {
    display: none;
  }
}
</style>
