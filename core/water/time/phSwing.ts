import { DAY_MS, dayNumber, dayOf, hourOf } from '#core/records'
import { Z80 } from '#core/stats'
import type { ValueReading } from '../valueShapes'

/** How pH differs between dusk and dawn: dusk minus dawn with its 80 % range. */
export interface PhSwing {
  value: number
  low: number
  high: number
  /** pairs of one day, or 0 when mornings and evenings of different days were compared */ pairs: number
  mornings: number
  evenings: number
}

/** Hours of the day that count as dawn and as dusk, local time. */
const DAWN = [4, 11] as const
const DUSK = [15, 23] as const
const WINDOW_DAYS = 120
/** A swing of more than about half a unit is a warning (common practice). */
export const SWING_WARNING = 0.5

/**
 * Day and night swing of pH from readings at dawn and at dusk: injected CO2 and plants move it, and the keeper learns
 * it only by testing at both. Pairs of one day are taken where there are any; else all mornings against all evenings.
 * @param readings pH readings, any method
 * @param nowMs today
 * @param zone where the keeper lives: dawn and dusk of a day are those of its own clock
 * @returns null while one of the two was never tested
 */
export function phSwing(readings: readonly ValueReading[], nowMs: number, zone: string): PhSwing | null {
  const recent = readings
    .filter(r => r.at >= nowMs - WINDOW_DAYS * DAY_MS && r.method !== 'reckoned')
    .map(r => ({ ...r, day: dayNumber(dayOf(r.at, zone)), hour: hourOf(r.at, zone) }))
  const mornings = recent.filter(r => r.hour >= DAWN[0] && r.hour < DAWN[1])
  const evenings = recent.filter(r => r.hour >= DUSK[0] && r.hour < DUSK[1])
  if (mornings.length === 0 || evenings.length === 0) return null
  const pairs = evenings.flatMap(e => {
    const m = mornings.find(r => r.day === e.day) ?? mornings.find(r => r.day === e.day + 1)
    return m ? [{ by: e.value - m.value, sd: Math.hypot(e.sd, m.sd) }] : []
  })
  const counts = { mornings: mornings.length, evenings: evenings.length }
  if (pairs.length > 0) {
    const value = pairs.reduce((s, p) => s + p.by, 0) / pairs.length
    const se = Math.sqrt(pairs.reduce((s, p) => s + p.sd ** 2, 0)) / pairs.length
    return { value, low: value - Z80 * se, high: value + Z80 * se, pairs: pairs.length, ...counts }
  }
  const mean = (list: readonly ValueReading[]) => ({
    value: list.reduce((s, r) => s + r.value, 0) / list.length,
    se: Math.sqrt(list.reduce((s, r) => s + r.sd ** 2, 0)) / list.length,
  })
  const m = mean(mornings)
  const e = mean(evenings)
  const value = e.value - m.value
  const half = Z80 * Math.hypot(m.se, e.se)
  return { value, low: value - half, high: value + half, pairs: 0, ...counts }
}

/** Whether a swing is a warning: likely more than half a unit. */
export const swingWarns = (swing: PhSwing | null): boolean =>
  swing !== null &&
  Math.abs(swing.value) > SWING_WARNING &&
  Math.min(Math.abs(swing.low), Math.abs(swing.high)) > SWING_WARNING / 2
