<script setup lang="ts">
import { phSwing, whatFollows } from '#core/water'
import { deviceZone } from '~/data/deviceZone'
import { followsWords } from '~/words/follows'

/** What follows from the newest readings: harmful ammonia, CO2, lime, oxygen, and the swing between day and night. */
const desk = useWaterDeskStore()
const settings = useSettingsStore()
const last = (key: 'ph' | 'khDh' | 'temperatureC' | 'ammoniaMgL' | 'salinityGKg') =>
  desk.story.readings.get(key)?.at(-1)?.value ?? null
const list = computed(() => {
  const found = whatFollows({
    water: desk.story.present,
    ph: last('ph'),
    khDh: last('khDh'),
    temperatureC: last('temperatureC'),
    ammoniaMgL: last('ammoniaMgL'),
    salinityGKg: last('salinityGKg') ?? 0,
    swing: phSwing(desk.story.readings.get('ph') ?? [], desk.nowMs, deviceZone()),
    snails: desk.groups.some(g => g.group.company.kind === 'snail'),
  })
  return found.map(f => ({ key: f.key, state: f.state, ...followsWords(f, settings.units) }))
})
</script>

<template>
  <section aria-labelledby="follows-title">
    <h2 id="follows-title">What follows from the readings</h2>
    <article v-for="f in list" :key="f.key">
      <h3><StateMark v-if="f.state !== 'unknown'" :state="f.state" /> {{ f.title }}</h3>
      <p><TheSentence :text="f.text" /></p>
      <details>
        <summary class="small">Why?</summary>
        <p class="small muted">{{ f.how }}</p>
      </details>
    </article>
  </section>
</template>

<style scoped>
article {
  border-top: 1px solid var(--rule);
  padding: var(--space-4) 0;
}
h2 {
  padding-bottom: var(--space-4);
}
</style>
