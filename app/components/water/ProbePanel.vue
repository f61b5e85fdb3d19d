<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { CALIBRATION_DAYS } from '#core/water'
import { formatNumber } from '#core/units'
import type { ProbeSetting } from '~/devices/benchProbe'
import { calibratedTitle } from '~/words/probe'

/**
 * The bench probe: a stand-in that streams, can be calibrated, drifts, and whose readings go into the log with one key.
 */
const sheets = useSheets()
const probe = useBenchProbe()
const readings = useProbeReadings(probe)
const calibration = useProbeCalibration(probe)

const dips = [
  { value: 'tank', title: 'In the glass' },
  { value: 'ph4', title: 'Buffer pH 4.01' },
  { value: 'ph7', title: 'Buffer pH 7.00' },
  { value: 'ec84', title: 'Standard 84 µS/cm' },
  { value: 'ec1413', title: 'Standard 1413 µS/cm' },
] as const satisfies readonly { value: ProbeSetting['dip']; title: string }[]
const dipTitle = (dip: ProbeSetting['dip']) => dips.find(d => d.value === dip)!.title
const lost = computed(() => probe.on && (probe.state === 'lost' || probe.state === 'absent'))
const mark = computed(() => {
  if (!probe.on) return 'unknown'
  return lost.value ? 'off' : readings.settled ? 'onTarget' : 'drifting'
})

onKeyStroke('t', event => {
  const typing = 'input:not([type=radio]):not([type=range]), select, textarea'
  const meantForOthers = event.ctrlKey || event.metaKey || event.altKey || event.repeat || sheets.anyOpen.value
  if (meantForOthers || (event.target as Element).closest?.(typing)) return
  event.preventDefault()
  void readings.take()
})
</script>

<template>
  <div class="probe">
    <section aria-labelledby="probe-title">
      <h2 id="probe-title">Bench probe <span class="tag">simulated</span></h2>
      <ChoiceChips v-model="probe.dip" label="Where it hangs" :options="dips" />
      <p class="state" role="status" :class="{ lost }">
        <StateMark :state="mark" />
        {{ readings.status }}
      </p>
      <dl :class="{ faded: lost }">
        <div v-for="r in readings.shown" :key="r.key">
          <dt>{{ r.title }}</dt>
          <dd class="numeral">{{ r.text }}</dd>
          <dd v-if="r.spread" class="small muted">± {{ r.spread }}</dd>
        </div>
      </dl>
      <div class="acts">
        <v-btn v-if="probe.dip === 'tank'" color="primary" size="large" :disabled="!probe.live" @click="readings.take()"
          >Take into the log<kbd>T</kbd></v-btn
        >
        <v-btn
          v-else
          color="primary"
          size="large"
          :disabled="!probe.live || probe.run.length < 4"
          @click="calibration.takePoint()"
          >Take this point</v-btn
        >
        <v-btn class="quiet" size="large" @click="probe.on = !probe.on">{{
          probe.on ? 'Switch off' : 'Switch on'
        }}</v-btn>
      </div>
      <FieldIssue :text="calibration.problem" />
      <p v-for="c in calibration.standing" :key="c.key" class="calibration">
        <StateMark :state="c.due ? 'drifting' : 'onTarget'" /> <b>{{ calibratedTitle(c.key) }}</b> {{ c.text }}.
        <template v-if="c.taken">First point taken ({{ dipTitle(c.taken) }}); now the other.</template>
      </p>
      <p class="small muted">
        Two-point calibration: rinse, dip into the first solution, wait until it has settled, take the point; then the
        second. Every {{ CALIBRATION_DAYS }} days (from memory; your probe’s own sheet comes first).
      </p>
      <fieldset class="manners">
        <legend>How it misbehaves (it is a stand-in)</legend>
        <label
          >Drift <input v-model.number="probe.drift" type="range" min="0" max="5" step="0.5" />
          <b class="numeral">{{ formatNumber(probe.drift, 1) }}</b></label
        >
        <label
          >Noise <input v-model.number="probe.noise" type="range" min="0" max="5" step="0.5" />
          <b class="numeral">{{ formatNumber(probe.noise, 1) }}</b></label
        >
        <p class="small muted">
          1 is an ordinary cheap probe, 5 a worn one. It swings with day and night as the glass does.
        </p>
      </fieldset>
    </section>
    <WhatFollows />
  </div>
</template>

<style scoped>
.probe {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-8);
  padding-top: var(--space-6);
}
.probe > section {
  display: grid;
  gap: var(--space-5);
  align-content: start;
}
.tag {
  font: 400 var(--type-small) var(--v-font-body);
  color: var(--muted);
}
.state.lost {
  color: var(--rust);
}
dl {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: var(--space-4) var(--space-6);
  margin: 0;
  border-block: 1px solid var(--rule);
  padding: var(--space-4) 0;
}
dl.faded {
  opacity: 0.6;
}
dt {
  color: var(--muted);
  font-size: var(--type-small);
}
dd {
  margin: 0;
}
dd.numeral {
  font-size: var(--type-statement);
  white-space: nowrap;
}
.acts {
  display: flex;
  gap: var(--space-5);
}
.manners {
  border-top: 1px solid var(--rule);
  padding-top: var(--space-4);
  display: grid;
  gap: var(--space-2);
}
.manners legend {
  color: var(--muted);
  font-size: var(--type-small);
  float: left;
  padding-bottom: var(--space-2);
}
.manners label {
  display: grid;
  grid-template-columns: 54px 200px auto;
  align-items: center;
  gap: var(--space-4);
  min-height: 36px;
  clear: both;
}
.manners input {
  accent-color: var(--weed);
  height: 28px;
}
@media (--narrow) {
  .probe {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
