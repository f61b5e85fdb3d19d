<script setup lang="ts">
import { format } from 'date-fns'
import {
  type AcclimationKey,
  acclimationKeys,
  type AcclimationValues,
  dripped,
  type DripMode,
  largestPerHour,
  planDrip,
  planSteps,
} from '#core/water'
import { formatNumber } from '#core/units'
import { numberIn } from '~/forms/readNumber'
import { num } from '~/words/numbers'
import { shownValue, storedValue, valueName, valueNumber, valueText, valueUnit, volumeText } from '~/words/unitPrefs'

/**
 * Bringing animals in: drip or steps, so that no value moves faster than they take, with a timer that survives a
 * reload.
 */
const desk = useWaterDeskStore()
const settings = useSettingsStore()

const salty = computed(() => desk.shared.targets.salinityGKg !== undefined || desk.present.seaSaltGL > 0.5)
const keys = computed(() => acclimationKeys.filter(k => k !== 'salinityGKg' || salty.value))
const bag = useSessionStorage<Record<string, string>>('ulkin.bag', {})
const tankText = ref<Record<string, string>>({})
watch(
  [() => desk.glassId, () => desk.story, () => settings.units],
  () => {
    tankText.value = Object.fromEntries(
      keys.value.map(k => {
        const last = desk.story.readings.get(k)?.at(-1)
        return [k, last ? String(Number(shownValue(k, last.value, settings.units).toFixed(2))) : '']
      }),
    )
  },
  { immediate: true, deep: true },
)
const bagL = useSessionStorage('ulkin.bagL', '1')
const mode = ref<DripMode>('overflow')
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
const SHARE = 0.9

/** The keeper's own largest rates, in shown units; an empty field follows the default. */
const own = useLocalStorage<Partial<Record<AcclimationKey, string>>>('ulkin.dripRates', {})
const scaleOf = (k: AcclimationKey) => shownValue(k, 1, settings.units) - shownValue(k, 0, settings.units)
const limitText = (k: AcclimationKey) => own.value[k] ?? String(Number((largestPerHour[k] * scaleOf(k)).toFixed(2)))
const limits = computed(
  () =>
    Object.fromEntries(
      acclimationKeys.map(k => {
        const typed = numberIn(own.value[k] ?? '', { low: 1e-6 })
        return [k, typed === null ? largestPerHour[k] : typed / scaleOf(k)]
      }),
    ) as Record<AcclimationKey, number>,
)

const stored = (text: Record<string, string>): AcclimationValues =>
  Object.fromEntries(
    keys.value.flatMap(k => {
      const n = numberIn(text[k] ?? '')
      return n === null ? [] : [[k, storedValue(k, n, settings.units)]]
    }),
  )
const { unit: litreUnit, read: vessel } = useLitres(bagL, 0.05, 200)
const bagWater = computed(() => stored(bag.value))
const tankWater = computed(() => stored(tankText.value))
const known = computed(() =>
  keys.value.filter(k => bagWater.value[k] !== undefined && tankWater.value[k] !== undefined),
)
const plan = computed(() =>
  vessel.value.ok
    ? planDrip(mode.value, vessel.value.value, bagWater.value, tankWater.value, SHARE, limits.value)
    : null,
)
const EXCHANGE = 0.25
const steps = computed(() => planSteps(EXCHANGE, bagWater.value, tankWater.value, SHARE, limits.value))
const hoursText = (minutes: number) =>
  minutes < 90 ? `${Math.ceil(minutes / 5) * 5} minutes` : `${formatNumber(minutes / 60, 1)} hours`
const headline = computed(() => {
  if (!plan.value) return ''
  const pace = plan.value.pace
    ? `; ${valueName(plan.value.pace)} sets the pace`
    : known.value.length === 0
      ? '; type what is in the bag to do better'
      : '; bag and glass are alike, an hour all the same'
  return (
    `${num(formatNumber(plan.value.dropsPerSecond, 1))} drops a second for ` +
    `${num(hoursText(plan.value.minutes))}${pace}.`
  )
})
const course = computed(() => {
  const p = plan.value
  const v = vessel.value
  if (!p || !v.ok) return []
  return [0, 0.25, 0.5, 0.75, 1].map(part => {
    const hours = (p.minutes / 60) * part
    return {
      minutes: Math.round(p.minutes * part),
      litres: mode.value === 'overflow' ? v.value : v.value + p.litresPerHour * hours,
      values: known.value.map(k =>
        valueNumber(
          k,
          dripped(mode.value, v.value, p.litresPerHour, bagWater.value[k]!, tankWater.value[k]!, hours),
          settings.units,
        ),
      ),
    }
  })
})
const set = (which: 'bag' | 'tank', key: AcclimationKey, text: string) => {
  if (which === 'bag') bag.value = { ...bag.value, [key]: text }
  else tankText.value = { ...tankText.value, [key]: text }
}

interface Running {
  startMs: number
  minutes: number
  litresPerHour: number
  mode: DripMode
  vesselL: number
  glass: string
  values: { key: AcclimationKey; from: number; to: number }[]
}
const running = useLocalStorage<Running | null>('ulkin.drip', null, {
  serializer: { read: v => JSON.parse(v) as Running | null, write: v => JSON.stringify(v) },
})
const now = useNow({ interval: 1000 })
function start() {
  const v = vessel.value
  if (!plan.value || !v.ok) return
  running.value = {
    startMs: Date.now(),
    minutes: plan.value.minutes,
    litresPerHour: plan.value.litresPerHour,
    mode: mode.value,
    vesselL: v.value,
    glass: desk.glass?.name ?? '',
    values: known.value.map(key => ({ key, from: bagWater.value[key]!, to: tankWater.value[key]! })),
  }
}
const live = computed(() => {
  const r = running.value
  if (!r) return null
  const minutes = Math.max(0, (now.value.getTime() - r.startMs) / 60_000)
  const left = r.minutes - minutes
  const clock = (m: number) => `${Math.floor(m / 60)}:${String(Math.floor(m % 60)).padStart(2, '0')}`
  return {
    r,
    done: left <= 0,
    share: Math.min(1, minutes / r.minutes),
    passed: clock(minutes),
    left: clock(Math.max(0, Math.ceil(left))),
    ends: format(r.startMs + r.minutes * 60_000, 'HH:mm'),
    values: r.values.map(v => {
      const hours = Math.min(minutes, r.minutes) / 60
      const now = dripped(r.mode, r.vesselL, r.litresPerHour, v.from, v.to, hours)
      return `${valueName(v.key)} ${valueText(v.key, now, settings.units)}`
    }),
  }
})
</script>

<template>
  <div class="drip">
    <section aria-labelledby="drip-title">
      <h2 id="drip-title">Bag and glass</h2>
      <table class="fields">
        <thead>
          <tr>
            <td />
            <th scope="col">in the bag</th>
            <th scope="col">in the glass</th>
            <th scope="col" class="small">most an hour</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="k in keys" :key="k">
            <th scope="row">
              {{ valueName(k) }} <span class="small muted">{{ valueUnit(k, settings.units) }}</span>
            </th>
            <td>
              <input
                :value="bag[k] ?? ''"
                inputmode="decimal"
                autocomplete="off"
                :aria-label="`${valueName(k)} in the bag`"
                @input="set('bag', k, ($event.target as HTMLInputElement).value)"
              />
            </td>
            <td>
              <input
                :value="tankText[k] ?? ''"
                inputmode="decimal"
                autocomplete="off"
                :aria-label="`${valueName(k)} in the glass`"
                @input="set('tank', k, ($event.target as HTMLInputElement).value)"
              />
            </td>
            <td>
              <input
                :value="limitText(k)"
                inputmode="decimal"
                autocomplete="off"
                :aria-label="`${valueName(k)}, most an hour`"
                @input="own = { ...own, [k]: ($event.target as HTMLInputElement).value }"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <TextInput
        v-model="bagL"
        class="litres"
        label="Water the animals come in"
        :suffix="litreUnit"
        numeric
        :error="vessel.ok ? '' : vessel.issue"
      />
      <ChoiceChips v-model="mode" label="How" :options="modes" />
      <p class="small muted">
        The largest rates are defaults from memory, change them as you know better; the rule “slowly” is common
        practice. A drip is fastest for the animals at its start: that sets its rate. pH comes along by itself. Dim the
        light, no food on the first day.
      </p>
    </section>
    <section v-if="plan" aria-labelledby="drip-plan">
      <h2 id="drip-plan" class="statement"><TheSentence :text="headline" /></h2>
      <p class="muted">
        {{ formatNumber(plan.litresPerHour, 2) }} L an hour ({{ formatNumber((plan.litresPerHour * 1000) / 60, 0) }} mL
        a minute, 20 drops to a millilitre); nine tenths of the difference are bridged at the end<template
          v-if="mode === 'filling'"
          >, with {{ volumeText(plan.endL, settings.units) }} in the vessel</template
        >.
      </p>
      <table v-if="known.length > 0" class="course">
        <caption class="hidden-to-eyes">
          What is in the vessel as the drip runs
        </caption>
        <thead>
          <tr>
            <th scope="col">after</th>
            <th v-if="mode === 'filling'" scope="col" class="n">in the vessel</th>
            <th v-for="k in known" :key="k" scope="col" class="n">{{ valueName(k) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in course" :key="c.minutes">
            <th scope="row">{{ c.minutes }} min</th>
            <td v-if="mode === 'filling'" class="n">{{ volumeText(c.litres, settings.units) }}</td>
            <td v-for="(v, i) in c.values" :key="i" class="n">{{ v }}</td>
          </tr>
        </tbody>
      </table>
      <p>
        Or in steps: exchange a quarter of the vessel {{ steps.steps }} times, every
        {{ Math.ceil(steps.everyMinutes / 5) * 5 }} minutes.
      </p>
      <div v-if="live" class="timer" :class="{ done: live.done }">
        <p class="clock numeral" role="timer">
          {{ live.done ? 'Done' : live.left }}<span v-if="!live.done" class="small muted"> left</span>
        </p>
        <div
          class="bar"
          role="progressbar"
          :aria-valuenow="Math.round(live.share * 100)"
          aria-valuemin="0"
          aria-valuemax="100"
          aria-label="Drip"
        >
          <i :style="{ width: `${live.share * 100}%` }" />
        </div>
        <p>
          {{
            live.done
              ? `Into ${live.r.glass} with them, without the water they came in.`
              : `Running for ${live.passed}, until ${live.ends}, for ${live.r.glass}. ` +
                `Now in the vessel: ${live.values.join(', ') || 'not reckoned'}.`
          }}
        </p>
        <v-btn class="quiet" @click="running = null">{{ live.done ? 'Clear' : 'Stop' }}</v-btn>
      </div>
      <v-btn v-else color="primary" size="large" @click="start">Start the drip</v-btn>
    </section>
  </div>
</template>

<style scoped>
.drip {
  display: grid;
  grid-template-columns: minmax(0, 460px) minmax(0, 1fr);
  gap: 48px;
  padding-top: 16px;
}
section {
  display: grid;
  gap: 14px;
  align-content: start;
  justify-items: start;
}
.fields {
  border-collapse: collapse;
  width: 100%;
}
.fields th,
.fields td {
  text-align: left;
  font-weight: 400;
  padding: 4px 10px 4px 0;
  border-bottom: 1px solid var(--rule);
}
thead th {
  color: var(--muted);
  font-size: 14px;
}
.fields input {
  width: 86px;
  min-height: 42px;
  padding: 0 10px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
.litres {
  width: 200px;
}
.course {
  border-collapse: collapse;
  width: 100%;
  max-width: 560px;
}
.course th,
.course td {
  text-align: left;
  font-weight: 400;
  padding: 6px 12px 6px 0;
  border-bottom: 1px solid var(--rule);
}
.course .n {
  text-align: right;
}
.timer {
  border-top: 2px solid var(--water);
  padding-top: 12px;
  width: 100%;
  max-width: 560px;
  display: grid;
  gap: 10px;
  justify-items: start;
}
.timer.done {
  border-color: var(--weed);
}
.clock {
  font-size: 40px;
  line-height: 1;
}
.bar {
  width: 100%;
  height: 8px;
  background: var(--water-tint);
  border-radius: 4px;
  overflow: hidden;
}
.bar i {
  display: block;
  height: 100%;
  background: var(--water);
}
@media (max-width: 700px) {
  .fields input {
    width: 64px;
    padding: 0 6px;
  }
  .fields th,
  .fields td {
    padding-right: 6px;
  }
}
@media (max-width: 900px) {
  .drip {
    grid-template-columns: minmax(0, 1fr);
    gap: 24px;
  }
}
</style>
