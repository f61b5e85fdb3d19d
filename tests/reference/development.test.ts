import { describe, expect, it } from 'vitest'
import { paceAt } from '#core/groups'
import { DAY_MS } from '#core/records'
import { weightedLine } from '#core/stats'
import { hatchDays } from '../../core/broods/hatchDays'
import type { HatchLaw } from '../../core/broods/hatchLaw'
import { chanceBetween } from '../../core/broods/ownPace'
import { type ThermalClock, thermalClock } from '#core/warmth'
import development from './data/development.json'
import durations from './data/durations.json'
import { casesOf, excess } from './tolerance'

/** A clock for which every day is one of development. */
const plain: ThermalClock = { daysAt: ms => ms / DAY_MS, msAt: days => days * DAY_MS }

describe('lengths that are seen only between looks: log-normal, interval-censored (SciPy)', () => {
  interface Lengths {
    lowDays: number[]
    highDays: (number | null)[]
  }
  it.each(casesOf<Lengths>(durations, 'interval_censored_lognormal'))(
    '$id: the likelihood, and that it is highest where SciPy has it',
    ({ inputs: { lowDays, highDays }, expected, tolerance }) => {
      const { meanLog, sdLog, logLikelihood } = expected as Record<string, number>
      const at = (mean: number, sd: number) =>
        lowDays.reduce(
          (sum, low, k) => sum + Math.log(chanceBetween(low, highDays[k] ?? Infinity, { meanLog: mean, sd })),
          0,
        )
      const best = at(meanLog!, sdLog!)
      expect(excess(best, logLikelihood!, tolerance)).toBe(0)
      for (const step of [-0.02, 0.02]) {
        expect(at(meanLog! + step, sdLog!)).toBeLessThan(best)
        expect(at(meanLog!, sdLog! * (1 + 5 * step))).toBeLessThan(best)
      }
    },
  )
})

describe('the window of a hatch (SciPy, numerical convolution)', () => {
  interface Window {
    notBerriedDay: number
    berriedDay: number
    meanLog: number
    sdLog: number
    notHatchedDay: number
  }
  it.each(casesOf<Window>(durations, 'hatch_window'))('$id', ({ inputs, expected }) => {
    const { notBerriedDay, berriedDay, meanLog, sdLog, notHatchedDay } = inputs
    const law: HatchLaw = { meanLog, paceSd: sdLog, betweenSd: 0, referenceC: 24, q10: 2, restDays: 10 }
    const hatch = hatchDays(
      {
        began: [{ fromMs: notBerriedDay * DAY_MS, toMs: berriedDay * DAY_MS, weight: 1 }],
        looks: [{ at: notHatchedDay * DAY_MS, there: true }],
      },
      law,
      plain,
    )!
    const { q10, q50, q90 } = expected as Record<string, number>
    // bins of a quarter of a day
    for (const [got, want] of [
      [hatch.earliestMs, q10],
      [hatch.likelyMs, q50],
      [hatch.latestMs, q90],
    ] as const)
      expect(Math.abs(got / DAY_MS - want!)).toBeLessThan(0.1)
  })
})

describe('development and temperature', () => {
  interface Constants {
    T: number[]
    duration: number[]
  }
  it.each(casesOf<Constants>(development, 'thermal_constant_fit'))(
    '$id: the Q10 of measured lengths, and how far degree-days lie from it near the middle',
    ({ inputs: { T, duration }, expected }) => {
      const line = weightedLine(T.map((x, k) => ({ x, y: -Math.log(duration[k]!), sd: 1 })))!
      const { q10_fromLogLinear, T0, K_degreeDays } = expected as Record<string, number>
      expect(Math.exp(10 * line.slope)).toBeCloseTo(q10_fromLogLinear!, 6)
      // the house's choice: one Q10 instead of a threshold and a sum. Two and a half degrees about the middle of what
      // was measured both laws agree within seven in a hundred
      const middle = (Math.min(...T) + Math.max(...T)) / 2
      const byDegreeDays = (c: number) => (middle - T0!) / (c - T0!)
      for (const off of [-2.5, 2.5]) {
        const byQ10 = 1 / paceAt(q10_fromLogLinear!, middle + off, middle)
        expect(Math.abs(byQ10 / byDegreeDays(middle + off) - 1)).toBeLessThan(0.07)
      }
      expect(K_degreeDays).toBeGreaterThan(0)
    },
  )
  it.each(casesOf<{ dailyMeanTemps: number[]; T0: number; K: number }>(development, 'degree_day_accumulation'))(
    '$id: the clock sums up days of different warmth as a direct sum does',
    ({ inputs: { dailyMeanTemps } }) => {
      const law = { q10: 2.2, referenceC: 23 }
      const nowMs = dailyMeanTemps.length * DAY_MS
      const readings = dailyMeanTemps.map((value, day) => ({ at: (day + 0.5) * DAY_MS, value }))
      readings.push({ at: nowMs, value: dailyMeanTemps.at(-1)! })
      const clock = thermalClock({ readings, law, nowMs })
      const direct = dailyMeanTemps.reduce((sum, c) => sum + paceAt(law.q10, c, law.referenceC), 0)
      expect(clock.daysAt(nowMs) - clock.daysAt(0)).toBeCloseTo(direct, 6)
      expect(clock.msAt(clock.daysAt(7.3 * DAY_MS)) / DAY_MS).toBeCloseTo(7.3, 6)
    },
  )
})
