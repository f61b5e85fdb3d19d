<script setup lang="ts">
import type { ValueVerdict } from '#core/water'
import { testMethodWord } from '~/words/states'
import { valueName, valueText } from '~/words/unitPrefs'
import { agoText } from '~/words/when'

/** Every value that was tested, against its target. Those without a reading are named in one line. */
const props = defineProps<{ values: ValueVerdict[] }>()
defineEmits<{ why: [verdict: ValueVerdict] }>()
const settings = useSettingsStore()
const tested = computed(() => props.values.filter(v => v.latest))
const untested = computed(() => props.values.filter(v => !v.latest).map(v => valueName(v.key)))
</script>

<template>
  <section class="strips" aria-label="Water values">
    <button v-for="v in tested" :key="v.key" type="button" class="value" @click="$emit('why', v)">
      <span class="name"
        ><StateMark :state="v.state" /><span>{{ valueName(v.key) }}</span>
        <b class="numeral">{{ valueText(v.key, v.latest!.value, settings.units) }}</b></span
      >
      <TargetStrip :verdict="v" />
      <span class="small muted">{{ agoText(v.ageDays ?? 0) }} · {{ testMethodWord[v.latest!.method] }}</span>
    </button>
    <p v-if="untested.length > 0" class="small muted none">Not tested: {{ untested.join(', ') }}.</p>
  </section>
</template>

<style scoped>
.strips {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: var(--space-3) var(--space-6);
  border-top: 1px solid var(--rule);
  padding-top: var(--space-4);
}
.value {
  display: grid;
  gap: var(--space-1);
  padding: var(--space-2) 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
  min-width: 0;
}
.name {
  display: flex;
  align-items: baseline;
  gap: var(--space-2);
  font-size: var(--type-small);
  white-space: nowrap;
}
.name :deep(.mark) {
  margin-right: 1px;
}
.name > span:nth-child(2) {
  overflow: hidden;
  text-overflow: ellipsis;
}
.none {
  grid-column: 1 / -1;
}
</style>
