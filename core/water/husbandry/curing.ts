import { DAY_MS, WEEK_MS } from '#core/records'
import { HARMFUL_NH3, unionisedAmmonia } from '../chemistry/ammonia'
import type { ValueReading } from '../valueShapes'

export type CuringStage = 'notStarted' | 'ammonia' | 'nitrite' | 'nearly' | 'ready'
export type CuringReason =
  | 'noTests'
  | 'nothingFound'
  | 'ammoniaHigh'
  | 'nitriteHigh'
  | 'needsSecondTest'
  | 'tooYoung'
  | 'noGrowthSeen'
  | 'bothGoneTwice'
  | 'oldTests'
  | 'noNitrate'

/** How far a tank is cured, why, and when to test next. Moments are milliseconds. */
export interface Curing {
  stage: CuringStage
  reasons: CuringReason[]
  weeks: number
  nextTestMs: number
  /** the earliest day for animals: old enough, and none found in two tests that are still to come */
  earliestReadyMs: number
  unionisedMgL: number | null
}

export interface CuringInput {
  startedMs: number
  nowMs: number
  /** oldest first, mg/L of the ion as kits print them */
  ammonia: readonly ValueReading[]
  nitrite: readonly ValueReading[]
  nitrate: readonly ValueReading[]
  ph: number | null
  temperatureC: number | null
  /** salt makes less of the ammonia harmful; 0 in fresh water */
  salinityGKg: number
  /** whether biofilm and algae were seen */
  seen: { biofilm: boolean; algae: boolean }
  /** weeks that this group's tanks are cured, and whether it lives off growth */
  weeks: readonly [number, number]
  grazes: boolean
}

/** Up to here a kit's reading counts as none, mg/L (from memory: the first colour step). */
export const CURED = { ammonia: 0.1, nitrite: 0.05, nitrate: 2 }
/** Days between the two clean tests that are asked for, and until a test is too old to judge by (from memory). */
const APART_DAYS = 3
const OLD_DAYS = 10

/**
 * Judges how far a tank is cured: ammonia comes first, then nitrite, then nitrate while both vanish. Ready needs two
 * clean tests days apart, the group's shortest time (common practice: four to eight weeks), and growth to graze for
 * grazers.
 */
export function judgeCuring(i: CuringInput): Curing {
  const weeks = (i.nowMs - i.startedMs) / WEEK_MS
  const oldEnoughMs = i.startedMs + i.weeks[0] * WEEK_MS
  const ammonia = i.ammonia.at(-1)
  const nitrite = i.nitrite.at(-1)
  const nitrate = i.nitrate.at(-1)
  const unionisedMgL =
    ammonia && i.ph !== null && i.temperatureC !== null
      ? unionisedAmmonia(ammonia.value, i.ph, i.temperatureC, i.salinityGKg)
      : null
  // days from the older of the two newest tests: a day that is counted from today would never come
  const newest = ammonia && nitrite ? Math.min(ammonia.at, nitrite.at) : i.nowMs
  const at = (stage: CuringStage, reasons: CuringReason[], days: number): Curing => {
    const nextTestMs = days === 0 ? i.nowMs : newest + days * DAY_MS
    const next = Math.max(i.nowMs, nextTestMs)
    const tested =
      stage === 'ready' || (stage === 'nearly' && !reasons.includes('needsSecondTest'))
        ? -Infinity
        : stage === 'nearly'
          ? next
          : next + APART_DAYS * DAY_MS
    return { stage, reasons, weeks, nextTestMs, earliestReadyMs: Math.max(oldEnoughMs, tested), unionisedMgL }
  }
  if (!ammonia || !nitrite) return at('notStarted', ['noTests'], 0)
  const old: CuringReason[] = newest < i.nowMs - OLD_DAYS * DAY_MS ? ['oldTests'] : []
  if (nitrite.value > CURED.nitrite) return at('nitrite', ['nitriteHigh', ...old], old.length ? 0 : 3)
  if (ammonia.value > CURED.ammonia || (unionisedMgL ?? 0) > HARMFUL_NH3)
    return at('ammonia', ['ammoniaHigh', ...old], old.length ? 0 : 4)
  const everSeen = [
    ...i.ammonia.map(r => r.value > CURED.ammonia),
    ...i.nitrite.map(r => r.value > CURED.nitrite),
  ].some(Boolean)
  const hasNitrate = (nitrate?.value ?? 0) > CURED.nitrate
  if (!everSeen && !hasNitrate) return at('notStarted', ['nothingFound', ...old], old.length ? 0 : 5)
  const reasons: CuringReason[] = []
  if (!hasNitrate) reasons.push('noNitrate')
  if (!cleanTwice(i)) reasons.push('needsSecondTest')
  if (i.nowMs < oldEnoughMs) reasons.push('tooYoung')
  if (i.grazes && !i.seen.biofilm && !i.seen.algae) reasons.push('noGrowthSeen')
  reasons.push(...old)
  if (reasons.length === 0 || (reasons.length === 1 && reasons[0] === 'noNitrate'))
    return at('ready', ['bothGoneTwice', ...reasons], 7)
  return at('nearly', reasons, old.length ? 0 : 3)
}

/** Whether ammonia and nitrite were both none in two tests some days apart, with nothing found between them. */
function cleanTwice({ ammonia, nitrite }: CuringInput): boolean {
  const run = (readings: readonly ValueReading[], limit: number) => {
    let first: number | null = null
    for (const r of readings.toReversed()) {
      if (r.value > limit) break
      first = r.at
    }
    return first === null ? 0 : (readings.at(-1)!.at - first) / DAY_MS
  }
  return run(ammonia, CURED.ammonia) >= APART_DAYS && run(nitrite, CURED.nitrite) >= APART_DAYS
}
