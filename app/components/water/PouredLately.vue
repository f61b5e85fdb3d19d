<script setup lang="ts">
import { boxLines, waterLines } from '~/words/poured'
import { POURED_WEEKS, usePouredLately } from '~/composables/usePouredLately'

/** What the room used of each water and box lately, and how long a box will last at that pace. */
const props = defineProps<{ leftG: ReadonlyMap<string, number>; nowMs: number }>()
const settings = useSettingsStore()
const poured = usePouredLately(() => props.nowMs)
const waters = computed(() => waterLines(poured.value, POURED_WEEKS, settings.units))
const boxes = computed(() => boxLines(poured.value, POURED_WEEKS, props.leftG))
</script>

<template>
  <section v-if="waters.length > 0" class="poured" aria-labelledby="poured-title">
    <h2 id="poured-title">Poured in the last {{ POURED_WEEKS }} weeks</h2>
    <ul>
      <li v-for="w in waters" :key="w.name">
        <b>{{ w.name }}</b>
        <span class="bar" aria-hidden="true"><span :style="{ width: `${100 * w.share}%` }" /></span>
        <span class="numeral">{{ w.amount }}</span>
        <span class="small muted">{{ w.aWeek }}</span>
      </li>
    </ul>
    <ul v-if="boxes.length > 0">
      <li v-for="b in boxes" :key="b.name">
        <b>{{ b.name }}</b>
        <span class="small muted">{{ b.lasts }}</span>
        <span class="numeral">{{ b.amount }}</span>
        <span class="small muted">{{ b.aWeek }}</span>
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
