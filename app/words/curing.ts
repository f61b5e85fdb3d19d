import {
  CURED,
  type Curing,
  type CuringInput,
  type CuringReason,
  type CuringStage,
  type ValueReading,
} from '#core/water'
import { DAY_MS } from '#core/records'
import { formatNumber } from '#core/units'
import { aheadText, dayText } from './when'

export const curingWord: Readonly<Record<CuringStage, string>> = {
  notStarted: 'Curing has not begun',
  ammonia: 'In the ammonia stage',
  nitrite: 'In the nitrite stage',
  nearly: 'Nearly cured',
  ready: 'Cured: they can come',
}

const reasons: Readonly<Record<CuringReason, string>> = {
  noTests: 'ammonia and nitrite were not tested yet',
  nothingFound: 'neither ammonia nor nitrite nor nitrate was ever found: feed the empty tank a little',
  ammoniaHigh: 'ammonia is still there',
  nitriteHigh: 'nitrite is there: it comes after ammonia and goes last',
  needsSecondTest: 'it takes a second clean test some days later',
  tooYoung: 'it is younger than is usual for them',
  noGrowthSeen: 'no biofilm or algae was seen: there would be nothing to graze',
  bothGoneTwice: 'ammonia and nitrite were none twice',
  oldTests: 'the tests are old',
  noNitrate: 'nitrate was not found, plants may take it',
}

/** How far the curing is, why, and what comes next. */
export function curingText(c: Curing, nowMs: number): { title: string; reason: string; next: string } {
  const earliest = c.earliestReadyMs > nowMs ? `; at the earliest they come ${aheadText(c.earliestReadyMs, nowMs)}` : ''
  return {
    title: `${curingWord[c.stage]}, week ${formatNumber(Math.max(1, Math.ceil(c.weeks)), 0)}.`,
    reason: `${c.reasons.map(r => reasons[r]).join('; ')}.`.replace(/^./, l => l.toUpperCase()),
    next:
      c.stage === 'ready'
        ? 'Test once more on the day they come.'
        : `Next test ${aheadText(Math.max(nowMs, c.nextTestMs), nowMs)}${earliest}.`,
  }
}

/** What the drawing of a curing stands on: its tests since the fill, oldest first. */
type CuringCourse = Pick<CuringInput, 'startedMs' | 'nowMs' | 'ammonia' | 'nitrite'> & Pick<Curing, 'earliestReadyMs'>

/**
 * How the curing is drawn: ammonia as a line, nitrite dashed, against what counts as none, with the earliest day for
 * animals; null before there are two tests of each.
 */
export function curingDrawing({ startedMs, nowMs, ammonia, nitrite, earliestReadyMs }: CuringCourse) {
  const since = (readings: readonly ValueReading[]) =>
    readings.filter(r => r.at >= startedMs).map(r => ({ x: (r.at - startedMs) / DAY_MS, y: r.value }))
  const [points, beside] = [since(ammonia), since(nitrite)]
  if (points.length < 2 || beside.length < 2) return null
  const highest = (line: typeof points) => line.reduce((a, b) => (b.y > a.y ? b : a))
  const said = (name: string, line: typeof points) => {
    const top = highest(line)
    const on = dayText(startedMs + top.x * DAY_MS, nowMs)
    const last = formatNumber(line.at(-1)!.y, 2)
    return `${name} was highest with ${formatNumber(top.y, 2)} mg/L on ${on} and is ${last} now`
  }
  return {
    title: 'ammonia (line) and nitrite (dashed), mg/L',
    points,
    beside: { points: beside, text: '' },
    limit: { y: CURED.ammonia, text: 'none' },
    marks: [
      { x: 0, text: `filled ${dayText(startedMs, nowMs)}` },
      { x: (earliestReadyMs - startedMs) / DAY_MS, text: `animals from ${dayText(earliestReadyMs, nowMs)}` },
    ],
    now: (nowMs - startedMs) / DAY_MS,
    summary: `${said('Ammonia', points)}. ${said('Nitrite', beside)}. Both have to be none twice, three days apart.`,
  }
}
