<script setup lang="ts">
import { conductivity, hardness, temperature, volume } from '#core/units'
import { TestMethod } from '#core/records'
import { testMethodWord } from '~/words/states'

/** Units on screen and in fields; the records hold the same figures whatever is chosen. */
const settings = useSettingsStore()
const options = (units: readonly { id: string; symbol: string }[]) => units.map(u => ({ value: u.id, title: u.symbol }))
const methods = TestMethod.options.map(value => ({ value, title: testMethodWord[value] }))
</script>

<template>
  <section aria-labelledby="units-title">
    <h2 id="units-title">Units and habits</h2>
    <ChoiceChips v-model="settings.units.temperature" label="Temperature" :options="options(temperature.units)" />
    <ChoiceChips
      v-model="settings.units.volume"
      label="Volume"
      :options="options(volume.units.filter(u => u.id !== 'ml'))"
    />
    <ChoiceChips v-model="settings.units.hardness" label="Hardness" :options="options(hardness.units)" />
    <ChoiceChips
      v-model="settings.units.conductivity"
      label="Conductivity at 25 °C"
      :options="options(conductivity.units)"
    />
    <ChoiceChips v-model="settings.testMethod" label="You mostly test with" :options="methods" />
    <ChoiceChips
      v-model="settings.theme"
      label="Theme"
      :options="[
        { value: 'day', title: 'Day' },
        { value: 'night', title: 'Night' },
      ]"
    />
  </section>
</template>
