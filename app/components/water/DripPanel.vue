<script setup lang="ts">
import type { DataColumn } from '~/components/drawing/dataColumn'
import { formatNumber } from '#core/units'
import type { AcclimationKey } from '#core/water'
import { preciseVolume, valueName, valueUnit, volumeText } from '~/words/unitPrefs'

/**
 * Bringing animals in: drip or steps, so that no value moves faster than they take, with a timer that survives a
 * reload.
 */
const settings = useSettingsStore()
const drip = useDripDesk()
const timer = useDripTimer(drip)

const modes = [
  {
    value: 'overflow',
    title: 'As much out as in',
    hint: 'The vessel keeps its level; old water is taken out as new water drips in.',
  },
  {
    value: 'filling',
    title: 'The vessel fills up',
    hint: 'Nothing is taken out: it takes a large vessel, but less attention.',
  },
] as const
/** What is typed of each value, one beside the other. */
const sides = [
  {
    key: 'bag',
    title: 'in the bag',
    of: ' in the bag',
    text: (key: AcclimationKey) => drip.bag[key] ?? '',
    type: (key: AcclimationKey, text: string) => (drip.bag = { ...drip.bag, [key]: text }),
  },
  {
    key: 'glass',
    title: 'in the glass',
    of: ' in the glass',
    text: (key: AcclimationKey) => drip.glass[key] ?? '',
    type: (key: AcclimationKey, text: string) => (drip.glass = { ...drip.glass, [key]: text }),
  },
  { key: 'rate', title: 'most an hour', of: ', most an hour', text: drip.rateOf, type: drip.setRate },
] as const
const fieldColumns = [{ key: 'name', title: 'Value' }, ...sides]
const fieldRows = computed(() => drip.keys.map(key => ({ key })))
const courseColumns = computed<DataColumn[]>(() => [
  { key: 'minutes', title: 'after' },
  ...(drip.mode === 'filling' ? [{ key: 'litres', title: 'in the vessel', as: 'number' } as const] : []),
  ...drip.known.map(key => ({ key, title: valueName(key), as: 'number' }) as const),
])
</script>

<template>
  <div class="drip">
    <section aria-labelledby="drip-title">
      <h2 id="drip-title">Bag and glass</h2>
      <DataTable label="What is in the bag and in the glass" :columns="fieldColumns" :rows="fieldRows">
        <template #name="{ row: { key } }">
          {{ valueName(key) }} <span class="small muted">{{ valueUnit(key, settings.units) }}</span>
        </template>
        <template v-for="side in sides" :key="side.key" #[side.key]="{ row: { key } }">
          <CellInput
            :model-value="side.text(key)"
            :label="`${valueName(key)}${side.of}`"
            @update:model-value="side.type(key, $event)"
          />
        </template>
      </DataTable>
      <TextInput
        v-model="drip.vesselText"
        class="litres"
        label="Water the animals come in"
        :suffix="drip.litreUnit"
        numeric
        :error="drip.vessel.ok ? '' : drip.vessel.issue"
      />
      <ChoiceChips v-model="drip.mode" label="How" :options="modes" />
      <p class="small muted">
        The largest rates are defaults from memory, change them as you know better; the rule “slowly” is common
        practice. A drip is fastest for the animals at its start: that sets its rate. pH comes along by itself. Dim the
        light, no food on the first day.
      </p>
    </section>
    <section v-if="drip.plan" aria-labelledby="drip-plan">
      <h2 id="drip-plan" class="statement"><TheSentence :text="drip.headline" /></h2>
      <PathDrawing
        v-if="drip.drawing"
        :title="drip.drawing.title"
        :points="drip.drawing.points"
        :beside="{ points: drip.drawing.fastest, text: 'the fastest they take' }"
        :limit="{ y: drip.drawing.to, text: drip.drawing.glass }"
        :marks="drip.drawing.marks"
        :now="timer.live && !timer.live.done ? timer.live.minutes : null"
        :summary="drip.headline"
        :shown="y => formatNumber(y, 1)"
        :height="190"
      />
      <p v-if="drip.known.length > 0" class="muted">
        {{ preciseVolume(drip.plan.litresPerHour, settings.units) }} an hour ({{
          formatNumber((drip.plan.litresPerHour * 1000) / 60, 0)
        }}
        mL a minute, 20 drops to a millilitre); nine tenths of the difference are bridged at the end<template
          v-if="drip.mode === 'filling'"
          >, with {{ volumeText(drip.plan.endL, settings.units) }} in the vessel</template
        >.
      </p>
      <DataTable
        v-if="drip.known.length > 0"
        label="What is in the vessel as the drip runs"
        :columns="courseColumns"
        :rows="drip.course"
      >
        <template #minutes="{ row }">{{ row.minutes }} min</template>
        <template #litres="{ row }">{{ volumeText(row.litres, settings.units) }}</template>
      </DataTable>
      <p v-if="drip.known.length > 0">
        Or in steps: exchange a quarter of the vessel {{ drip.steps.steps }} times, every
        {{ Math.ceil(drip.steps.everyMinutes / 5) * 5 }} minutes.
      </p>
      <div v-if="timer.live" class="timer" :class="{ done: timer.live.done }">
        <p class="clock numeral" role="timer">
          {{ timer.live.done ? 'Done' : timer.live.left }}<span v-if="!timer.live.done" class="small muted"> left</span>
        </p>
        <v-progress-linear
          :model-value="timer.live.share * 100"
          :color="timer.live.done ? 'weed' : 'water'"
          height="8"
          rounded
          aria-label="Drip"
        />
        <p>
          {{
            timer.live.done
              ? `Into ${timer.live.glass} with them, without the water they came in.`
              : `Running for ${timer.live.passed}, until ${timer.live.ends}, for ${timer.live.glass}. ` +
                `Now in the vessel: ${timer.live.values.join(', ') || 'not reckoned'}.`
          }}
        </p>
        <v-btn class="quiet" @click="timer.stop()">{{ timer.live.done ? 'Clear' : 'Stop' }}</v-btn>
      </div>
      <v-btn v-else-if="drip.known.length > 0" color="primary" size="large" @click="timer.start()"
        >Start the drip</v-btn
      >
      <p v-else class="muted">
        Nothing measured in the bag? Ask who sold them for their GH, or dip the pen: the drip follows from one number.
        Without any, {{ formatNumber(drip.plan.dropsPerSecond, 0) }} drops a second for
        {{ formatNumber(drip.plan.minutes / 60, 0) }} hours is slow enough for most.
        <button type="button" class="link" @click="timer.start()">Start that</button>
      </p>
    </section>
  </div>
</template>

<style scoped>
.drip {
  display: grid;
  grid-template-columns: minmax(0, 460px) minmax(0, 1fr);
  gap: var(--space-8);
  padding-top: var(--space-6);
}
section {
  display: grid;
  gap: var(--space-5);
  align-content: start;
  justify-items: start;
}
.litres {
  width: 200px;
}
.timer {
  border-top: 2px solid var(--water);
  padding-top: var(--space-5);
  width: 100%;
  max-width: 560px;
  display: grid;
  gap: var(--space-4);
  justify-items: start;
}
.timer.done {
  border-color: var(--weed);
}
.clock {
  font-size: var(--type-figure);
  line-height: 1;
}
@media (--narrow) {
  .drip {
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-7);
  }
}
</style>
