<script setup lang="ts">
import { setUpAdvice, wantsHeater } from '#core/care'
import type { ResolvedGroup } from '#core/groups'
import type { Plan } from '#core/records'
import { formatNumber } from '#core/units'
import { substrateWord } from '~/words/plan'
import { valueText, volumeText } from '~/words/unitPrefs'

/** What to get before the first fill, with amounts: what the set-up asks for; salts and water stand with the fill. */
const props = defineProps<{ plan: Plan; groups: ResolvedGroup[] }>()
const settings = useSettingsStore()
const advice = computed(() => setUpAdvice(props.plan))
const kg = (n: number) => `${formatNumber(n, n < 10 ? 1 : 0)} kg`
const things = computed(() => {
  const { tank } = props.plan
  const first = props.groups[0]
  if (!first) return []
  const { substrateKg, substrateL, carbonateG } = advice.value
  const kind = tank.substrate?.kind ?? 'none'
  const target = first.targets.temperatureC
  return [
    kind !== 'none' && substrateKg > 0
      ? { what: substrateWord[kind], amount: `${kg(substrateKg)} (${volumeText(substrateL, settings.units)})` }
      : null,
    carbonateG > 0 ? { what: 'carbonate stone, sand or shell', amount: kg(carbonateG / 1000) } : null,
    tank.filterRatedL > 0
      ? { what: 'filter with a sponge over its intake', amount: `for ${volumeText(tank.filterRatedL, settings.units)}` }
      : null,
    target && wantsHeater(target, props.plan.roomC)
      ? { what: 'heater', amount: `to ${valueText('temperatureC', target.preferred[0], settings.units)}` }
      : null,
    tank.cover ? { what: 'cover that closes', amount: '1' } : null,
    { what: 'light', amount: `${formatNumber(tank.lightHours, 0)} h a day` },
    tank.leaves > 0 ? { what: 'dried leaves', amount: String(tank.leaves) } : null,
    first.group.setup.hides ? { what: 'hides', amount: `at least ${props.plan.starters[0]}` } : null,
    { what: 'drop kits: ammonia, nitrite, GH, KH', amount: '1 each' },
    { what: 'powder food for the curing', amount: 'a pinch a week' },
  ].filter(t => t !== null)
})
</script>

<template>
  <section aria-labelledby="shopping-title">
    <h2 id="shopping-title">To get</h2>
    <ul class="small">
      <li v-for="t in things" :key="t.what">
        <span>{{ t.what }}</span><span class="numeral">{{ t.amount }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: var(--space-3);
}
li {
  display: flex;
  justify-content: space-between;
  gap: var(--space-5);
  border-top: 1px solid var(--rule);
  padding: var(--space-2) 0;
}
li .numeral {
  text-align: right;
}
</style>
