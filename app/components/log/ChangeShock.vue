<script setup lang="ts">
import type { ShockOfValue } from '#core/water'
import { unitOf, temperature } from '#core/units'
import { percent } from '~/words/numbers'
import { shockText, shockOfValueText } from '~/words/shock'

/** What pouring does to those in the glass, before it is logged: a figure, and each value against its limit. */
const props = defineProps<{ glassId: string; litres: string; sourceId: string; exchange: boolean }>()
const settings = useSettingsStore()
const typed = ref('')
const { shock, atMost, litres } = useChangeShock(() => ({ ...props, temperature: typed.value }))
const suffix = computed(() => unitOf(temperature, settings.units.temperature).symbol)
/** The bar ends at twice what they take. */
const width = (v: ShockOfValue) => `${Math.min(100, 50 * v.part)}%`
</script>

<template>
  <section class="shock" aria-label="What this change does">
    <TextInput v-model="typed" label="Temperature of the new water, where it was measured" :suffix="suffix" numeric />
    <template v-if="litres !== null">
      <p v-if="shock" role="status">
        <StateMark :state="shock.state" /><TheSentence :text="shockText(shock, atMost, settings.units)" />
      </p>
      <p v-else class="small muted">
        Choose the water, or type its temperature: then it is said what the change does to them.
      </p>
      <ul v-if="shock" class="bars">
        <li v-for="v in shock.values" :key="v.key">
          <span class="small"><TheSentence :text="shockOfValueText(v, settings.units)" /></span>
          <span class="bar" role="img" :aria-label="`${percent(v.part)} of what they take at once`">
            <i class="limit" /><i class="part" :class="{ over: v.part > 1 }" :style="{ width: width(v) }" />
          </span>
        </li>
      </ul>
      <p v-if="shock" class="small muted">The line is what these animals take at once (from memory).</p>
    </template>
  </section>
</template>

<style scoped>
.shock {
  display: grid;
  gap: var(--space-4);
}
.bars {
  list-style: none;
  padding: 0;
  display: grid;
  gap: var(--space-3);
}
.bars li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 120px;
  gap: var(--space-4);
  align-items: center;
}
.bar {
  position: relative;
  height: 14px;
  background: var(--water-tint);
  border-radius: 2px;
}
.bar i {
  position: absolute;
  display: block;
}
.part {
  inset: 3px auto 3px 0;
  min-width: 2px;
  background: var(--water);
  border-radius: 1px;
}
.part.over {
  background: var(--rust);
}
.limit {
  left: 50%;
  top: -2px;
  width: 2px;
  height: 18px;
  background: var(--ink);
}
</style>
