import { format } from 'date-fns'
import { formatNumber } from '#core/units'
import { type AcclimationKey, dripped, type DripMode, fastestWay } from '#core/water'
import { num } from './numbers'
import { shownValue, type UnitPrefs, valueName, valueNumber, valueText, valueUnit } from './unitPrefs'

/** A time of dripping: to five minutes while it is short, else in hours. */
export const dripTime = (minutes: number) =>
  minutes < 90 ? `${Math.ceil(minutes / 5) * 5} minutes` : `${formatNumber(minutes / 60, 1)} hours`

/** Minutes as on a clock: "1:05". */
const clockText = (minutes: number) =>
  `${Math.floor(minutes / 60)}:${String(Math.floor(minutes % 60)).padStart(2, '0')}`

/** How fast and how long to drip, and which value asks for it. */
export function dripHeadline(
  plan: { dropsPerSecond: number; minutes: number; pace: AcclimationKey | null },
  anyKnown: boolean,
): string {
  if (!anyKnown) return 'Type one value of the bag first: GH, or conductivity, sets the pace of the drip.'
  const why = plan.pace ? `${valueName(plan.pace)} sets the pace` : 'bag and glass are near, dripped as usual'
  const [drops, time] = [formatNumber(plan.dropsPerSecond, 1), dripTime(plan.minutes)]
  return `${num(drops)} drops a second for ${num(time)}; ${why}.`
}

/** Moments of a drip that a table shows, as shares of its time. */
const MOMENTS = [0, 0.25, 0.5, 0.75, 1]

/** What is in the vessel as a drip runs: minutes, litres, and each value in the keeper's unit. */
export function dripCourse(drip: {
  mode: DripMode
  minutes: number
  litresPerHour: number
  /** litres in the vessel at the start */
  vesselL: number
  values: readonly { key: AcclimationKey; from: number; to: number }[]
  units: UnitPrefs
}): (Record<string, string | number> & { minutes: number; litres: number })[] {
  const { mode, vesselL, litresPerHour } = drip
  return MOMENTS.map(share => {
    const hours = (drip.minutes / 60) * share
    const texts = drip.values.map(({ key, from, to }) => {
      const value = dripped({ mode, vesselL, litresPerHour }, from, to, hours)
      return [key, valueNumber(key, value, drip.units)]
    })
    return {
      ...Object.fromEntries(texts),
      minutes: Math.round(drip.minutes * share),
      litres: mode === 'overflow' ? vesselL : vesselL + litresPerHour * hours,
    }
  })
}

/** The value that a drip bridges most, drawn: its way over the minutes, and the fastest that these animals take. */
export function dripDrawing(drip: {
  mode: DripMode
  minutes: number
  litresPerHour: number
  vesselL: number
  value: { key: AcclimationKey; from: number; to: number; perHour: number }
  units: UnitPrefs
}) {
  const { mode, vesselL, litresPerHour, minutes, units, value } = drip
  const { key, from, to } = value
  const shown = (v: number) => shownValue(key, v, units)
  const points = Array.from({ length: DRAWN + 1 }, (_, i) => {
    const x = (minutes * i) / DRAWN
    return { x, y: shown(dripped({ mode, vesselL, litresPerHour }, from, to, x / 60)) }
  })
  const fastest = fastestWay({ ...value, minutes }).map(p => ({ x: p.minutes, y: shown(p.value) }))
  const marks = MOMENTS.map(share => ({ x: minutes * share, text: markText(minutes * share) }))
  const glass = `glass ${valueNumber(key, to, units)}`
  return {
    title: `${valueName(key)} ${valueUnit(key, units)} in the vessel`,
    points,
    fastest,
    marks,
    glass,
    to: shown(to),
  }
}
/** "45 min", or "2.5 h" where it takes long. */
const markText = (minutes: number) =>
  minutes < 180 ? `${Math.round(minutes)} min` : `${formatNumber(minutes / 60, 1)} h`
/** Points of a drawn drip. */
const DRAWN = 40

/** A drip that runs: all that it takes to tell what is in the vessel now, also after a reload. */
export interface RunningDrip {
  startMs: number
  minutes: number
  litresPerHour: number
  mode: DripMode
  vesselL: number
  glass: string
  values: { key: AcclimationKey; from: number; to: number }[]
}

/** Where a drip stands at a moment: how far, how long yet, and what is in the vessel. */
export function dripNow(drip: RunningDrip, nowMs: number, units: UnitPrefs) {
  const passed = Math.max(0, (nowMs - drip.startMs) / 60_000)
  const hours = Math.min(passed, drip.minutes) / 60
  return {
    glass: drip.glass,
    done: passed >= drip.minutes,
    minutes: Math.min(passed, drip.minutes),
    share: Math.min(1, passed / drip.minutes),
    passed: clockText(passed),
    left: clockText(Math.max(0, Math.ceil(drip.minutes - passed))),
    ends: format(drip.startMs + drip.minutes * 60_000, 'HH:mm'),
    values: drip.values.map(({ key, from, to }) => {
      const value = dripped(drip, from, to, hours)
      return `${valueName(key)} ${valueText(key, value, units)}`
    }),
  }
}
