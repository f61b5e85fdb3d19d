import { format } from 'date-fns'
import {
  boxKeys,
  creep,
  type ControlLimits,
  type LearntHabits,
  type MixingKey,
  mixingValues,
  type ValueReading,
  type WaterEvent,
} from '#core/water'
import type { ValueKey, Water } from '#core/records'
import type { EwmaPoint } from '#core/stats'
import { num } from './numbers'
import { testMethodWord } from './states'
import {
  differenceText,
  limitText,
  preciseVolume,
  type UnitPrefs,
  valueName,
  valueNameInside,
  valueNumber,
  valueText,
  volumeText,
} from './unitPrefs'
import { dayText } from './when'

/** Whether a value follows by mixing; pH and temperature do not. */
export const isMixing = (key: ValueKey): key is MixingKey => (boxKeys as readonly string[]).includes(key)

/** "Topped up with tap, GH creeps up by 0.3 °dH a week for ever." Empty when nothing creeps. */
export function creepText({
  key,
  netL,
  habits,
  changedLPerDay,
  topUp,
  name,
  changeValue,
  units,
}: {
  key: ValueKey
  netL: number
  habits: LearntHabits
  changedLPerDay: number
  topUp: Water
  name: string
  changeValue: number
  units: UnitPrefs
}): string {
  const evaporated = habits.evaporationLPerDay
  const brought = isMixing(key) ? mixingValues(topUp)[key] : 0
  if (!evaporated || brought < 1e-3) return ''
  const result = creep(netL, { evaporatedL: evaporated.value, changedL: changedLPerDay }, brought, changeValue)
  const water = `${num(preciseVolume(evaporated.value, units))} a day evaporate`
  if ('endsAt' in result)
    return (
      `${water} and are topped up with ${name}: with the changes as logged ${valueNameInside(key)} comes to ` +
      `rest near ${num(valueText(key, result.endsAt, units))}.`
    )
  return (
    `${water} and are topped up with ${name}: ${valueNameInside(key)} creeps up by ` +
    `${num(differenceText(key, result.perWeek, units, 1))} a week as long as nothing is taken out. Pure water ` +
    `alone would stop it.`
  )
}

/** What the value's own drift is, in one sentence; empty where fewer than three readings tell. */
export function driftText(key: ValueKey, habits: LearntHabits, units: UnitPrefs): string {
  const rate = habits.driftPerWeek[key as keyof LearntHabits['driftPerWeek']]
  if (!rate) return ''
  if (rate.low <= 0 && rate.high >= 0)
    return `By itself ${valueNameInside(key)} holds: no drift beyond chance in ${rate.n} readings.`
  return (
    `By itself ${valueNameInside(key)} ${rate.value < 0 ? 'falls' : 'rises'} by ` +
    `${num(differenceText(key, Math.abs(rate.value), units, 1))} a week (likely ` +
    `${differenceText(key, Math.min(Math.abs(rate.low), Math.abs(rate.high)), units, 1)} to ` +
    `${differenceText(key, Math.max(Math.abs(rate.low), Math.abs(rate.high)), units, 1)}), what was poured taken off.`
  )
}

/** What is ordinary for this glass, and since when it is not. */
export function limitsText({
  key,
  limits,
  smooth,
  times,
  nowMs,
  units,
}: {
  key: ValueKey
  /** null while there are too few readings */
  limits: ControlLimits | null
  /** the readings, smoothed */
  smooth: readonly EwmaPoint[]
  /** when each was taken */
  times: readonly number[]
  nowMs: number
  units: UnitPrefs
}): string {
  if (!limits) return 'Six readings tell what is ordinary here.'
  const range =
    `Ordinary here: ` +
    `${num(`${limitText(key, Math.max(0, limits.low), units)} to ${limitText(key, limits.high, units)}`)}.`
  const firstOut = smooth.findIndex((p, i) => p.outside && smooth.slice(i).every(q => q.outside))
  if (firstOut >= 0) return `${range} Smoothed, it has left what is ordinary since ${dayText(times[firstOut]!, nowMs)}.`
  return limits.outside.length > 0
    ? `${range} ${limits.outside.length === 1 ? 'One reading lies' : `${limits.outside.length} readings lie`} outside.`
    : `${range} No reading lies outside.`
}

/** The chart in one sentence, for those who do not see it. */
export function historySummary({
  key,
  readings,
  preferred,
  nowMs,
  units,
}: {
  key: ValueKey
  readings: readonly { at: number; value: number }[]
  preferred: readonly [number, number] | null
  nowMs: number
  units: UnitPrefs
}): string {
  const first = readings[0]
  const last = readings.at(-1)
  if (!first || !last) return `${valueName(key)} was never tested.`
  const range = preferred
    ? `, preferred ${limitText(key, preferred[0], units)} to ${limitText(key, preferred[1], units)}`
    : ''
  return (
    `${valueName(key)} from ${valueText(key, first.value, units)} on ${dayText(first.at, nowMs)} to ` +
    `${valueText(key, last.value, units)} on ${dayText(last.at, nowMs)}, ${readings.length} readings${range}.`
  )
}

/** Readings and what was poured as rows of a table, newest first. */
export function historyRows(
  key: ValueKey,
  readings: readonly ValueReading[],
  events: readonly WaterEvent[],
  units: UnitPrefs,
) {
  const day = (at: number) => format(at, 'd MMM yyyy')
  const tests = readings.map(r => ({
    at: r.at,
    day: day(r.at),
    what: valueText(key, r.value, units),
    how: testMethodWord[r.method],
    // a spread has no zero point: in °C, as it was reckoned
    doubt: `± ${valueNumber(key, r.sd, { ...units, temperature: 'c' })}`,
  }))
  const poured = events.map(e => ({
    at: e.at,
    day: day(e.at),
    what: `${volumeText(e.litres, units)} ${e.kind === 'change' ? 'changed' : 'topped up'}`,
    how: e.water ? 'water known' : 'water not known',
    doubt: '',
  }))
  return [...tests, ...poured].sort((a, b) => b.at - a.at)
}
