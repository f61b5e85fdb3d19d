import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DAY_MS, WEEK_MS } from '#core/records'
import {
  acclimationKeys,
  calibrated,
  calibrationLine,
  type CuringInput,
  dripped,
  fastestWay,
  type DripMode,
  judgeCuring,
  largestPerHour,
  planDrip,
  planSteps,
  salinitySchedule,
  settledMean,
  type ValueReading,
} from '#core/water'
import { nextId, NOW } from '../../make'

const value = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true })
const waters = fc.record({
  ghDh: value(0, 20),
  khDh: value(0, 15),
  conductivityUsCm: value(0, 800),
  temperatureC: value(10, 30),
})

describe('planDrip', () => {
  it('never moves a value faster than its limit, at any moment, in either way', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<DripMode>('overflow', 'filling'),
        value(0.1, 20),
        waters,
        waters,
        (mode, vesselL, bag, tank) => {
          const plan = planDrip({ mode, vesselL }, bag, tank)
          const hours = plan.minutes / 60
          for (const key of acclimationKeys) {
            const a = bag[key as keyof typeof bag]
            const b = tank[key as keyof typeof tank]
            if (a === undefined || b === undefined) continue
            for (const part of [0, 0.1, 0.5]) {
              const t = hours * part
              const dt = hours / 1000
              const rate =
                Math.abs(
                  dripped({ mode, vesselL, litresPerHour: plan.litresPerHour }, a, b, t + dt) -
                    dripped({ mode, vesselL, litresPerHour: plan.litresPerHour }, a, b, t),
                ) / dt
              expect(rate).toBeLessThanOrEqual(largestPerHour[key] * 1.001 + 1e-9)
            }
            // and nine tenths of the way are gone at the end
            expect(
              Math.abs(dripped({ mode, vesselL, litresPerHour: plan.litresPerHour }, a, b, hours) - b),
            ).toBeLessThanOrEqual(0.1 * Math.abs(a - b) + 1e-9)
          }
        },
      ),
    )
  })
  it('names what sets the pace, and never drips faster than keepers do', () => {
    expect(planDrip({ mode: 'overflow', vesselL: 1 }, { ghDh: 16, khDh: 4 }, { ghDh: 6, khDh: 4 }).pace).toBe('ghDh')
    const alike = planDrip({ mode: 'overflow', vesselL: 1 }, { ghDh: 6 }, { ghDh: 6 })
    expect(alike.pace).toBeNull()
    // four drops a second, whatever the bag
    expect(alike.dropsPerSecond).toBeCloseTo(4, 9)
    expect(planDrip({ mode: 'overflow', vesselL: 3 }, {}, {}).dropsPerSecond).toBeCloseTo(12, 9)
    expect(planDrip({ mode: 'filling', vesselL: 1 }, {}, {}).endL).toBeCloseTo(10, 6)
  })
  it('the fastest way ends in the glass, or with the drip', () => {
    expect(fastestWay({ from: 14, to: 6, perHour: 2, minutes: 600 })).toEqual([
      { minutes: 0, value: 14 },
      { minutes: 240, value: 6 },
    ])
    expect(fastestWay({ from: 6, to: 14, perHour: 2, minutes: 60 })[1]).toEqual({ minutes: 60, value: 8 })
  })
  it('throws for what cannot be', () => {
    expect(() => planDrip({ mode: 'overflow', vesselL: 0 }, {}, {})).toThrow(/vesselL/)
    expect(() => planDrip({ mode: 'overflow', vesselL: 1 }, {}, {}, { share: 1 })).toThrow(/share/)
    expect(() => dripped({ mode: 'overflow', vesselL: 0, litresPerHour: 1 }, 1, 1, 1)).toThrow(/vesselL/)
    expect(() => dripped({ mode: 'overflow', vesselL: 1, litresPerHour: -1 }, 1, 1, 1)).toThrow(/litresPerHour/)
    expect(() => dripped({ mode: 'overflow', vesselL: 1, litresPerHour: 1 }, 1, 1, -1)).toThrow(/hours/)
  })
})

describe('planSteps', () => {
  it('reaches its share, slowly enough', () => {
    const plan = planSteps(0.25, { ghDh: 14 }, { ghDh: 6 })
    expect(1 - 0.75 ** plan.steps).toBeGreaterThanOrEqual(0.9)
    expect(1 - 0.75 ** (plan.steps - 1)).toBeLessThan(0.9)
    expect((0.25 * 8) / (plan.everyMinutes / 60)).toBeLessThanOrEqual(largestPerHour.ghDh + 1e-9)
    expect(plan.minutes).toBeCloseTo((plan.steps - 1) * plan.everyMinutes, 9)
    expect(() => planSteps(0, {}, {})).toThrow(/exchange/)
  })
})

describe('salinitySchedule', () => {
  it('comes to its end, whichever way', () => {
    fc.assert(
      fc.property(
        value(0, 35),
        value(0, 35),
        fc.integer({ min: 1, max: 20 }),
        value(0.1, 50),
        (fromGKg, toGKg, steps, volumeL) => {
          fc.pre(Math.abs(fromGKg - toGKg) > 0.01)
          const strengthGKg = toGKg > fromGKg ? 40 : 0
          let s = fromGKg
          const list = salinitySchedule({ fromGKg, toGKg, strengthGKg, volumeL, hours: 36, steps })
          for (const step of list) {
            expect(step.exchangeL).toBeGreaterThanOrEqual(0)
            expect(step.exchangeL).toBeLessThanOrEqual(volumeL + 1e-9)
            s += (step.exchangeL / volumeL) * (strengthGKg - s)
            expect(s).toBeCloseTo(step.salinityGKg, 6)
          }
          expect(s).toBeCloseTo(toGKg, 6)
          expect(list[0]!.hours).toBe(0)
          if (steps > 1) expect(list.at(-1)!.hours).toBeCloseTo(36, 9)
        },
      ),
    )
  })
  it('refuses water that cannot bring it there', () => {
    const usual = { fromGKg: 0, toGKg: 17.5, strengthGKg: 35, volumeL: 2, hours: 36, steps: 6 }
    expect(() => salinitySchedule({ ...usual, strengthGKg: 10 })).toThrow(/strengthGKg/)
    expect(() => salinitySchedule({ ...usual, steps: 1.5 })).toThrow(/steps/)
    expect(() => salinitySchedule({ ...usual, volumeL: 0 })).toThrow(/volumeL/)
    expect(() => salinitySchedule({ ...usual, hours: -1 })).toThrow(/hours/)
  })
})

describe('judgeCuring', () => {
  const reading = (daysAgo: number, v: number): ValueReading => ({
    entryId: nextId(),
    at: NOW - daysAgo * DAY_MS,
    value: v,
    sd: 0.05,
    method: 'liquidKit',
  })
  const input = (more: Partial<CuringInput> = {}): CuringInput => ({
    startedMs: NOW - 6 * WEEK_MS,
    nowMs: NOW,
    ammonia: [],
    nitrite: [],
    nitrate: [],
    ph: 7.2,
    temperatureC: 24,
    salinityGKg: 0,
    seen: { biofilm: true, algae: false },
    weeks: [4, 8],
    grazes: true,
    ...more,
  })
  const clean = {
    ammonia: [reading(30, 2), reading(6, 0), reading(1, 0)],
    nitrite: [reading(20, 1), reading(6, 0), reading(1, 0)],
    nitrate: [reading(1, 15)],
  }
  it('goes from nothing over ammonia and nitrite to ready', () => {
    expect(judgeCuring(input())).toMatchObject({ stage: 'notStarted', reasons: ['noTests'] })
    expect(judgeCuring(input({ ammonia: [reading(1, 0)], nitrite: [reading(1, 0)] }))).toMatchObject({
      stage: 'notStarted',
      reasons: ['nothingFound'],
    })
    expect(judgeCuring(input({ ammonia: [reading(1, 2)], nitrite: [reading(1, 0)] })).stage).toBe('ammonia')
    expect(judgeCuring(input({ ammonia: [reading(1, 0.5)], nitrite: [reading(1, 1)] })).stage).toBe('nitrite')
    expect(judgeCuring(input(clean))).toMatchObject({ stage: 'ready', reasons: ['bothGoneTwice'] })
  })
  it('waits for a second clean test, for its age, and for something to graze', () => {
    expect(
      judgeCuring(
        input({
          ammonia: [reading(30, 2), reading(1, 0)],
          nitrite: [reading(20, 1), reading(1, 0)],
          nitrate: [reading(1, 15)],
        }),
      ),
    ).toMatchObject({ stage: 'nearly', reasons: ['needsSecondTest'] })
    const young = judgeCuring(input({ ...clean, startedMs: NOW - 2 * WEEK_MS }))
    expect(young).toMatchObject({ stage: 'nearly', reasons: ['tooYoung'] })
    expect(young.earliestReadyMs).toBe(NOW + 2 * WEEK_MS)
    expect(judgeCuring(input({ ...clean, seen: { biofilm: false, algae: false } })).reasons).toContain('noGrowthSeen')
    expect(judgeCuring(input({ ...clean, seen: { biofilm: false, algae: false }, grazes: false })).stage).toBe('ready')
  })
  it('says a day for the next test that does not recede: from the older of the two newest tests', () => {
    const tests = { ammonia: [reading(9, 2), reading(1, 1)], nitrite: [reading(2, 0.5)], nitrate: [] }
    expect(judgeCuring(input(tests)).nextTestMs).toBe(NOW + (3 - 2) * DAY_MS)
    expect(judgeCuring(input({ ...tests, nowMs: NOW + 4 * DAY_MS })).nextTestMs).toBe(NOW + DAY_MS)
    const ammonia = { ammonia: [reading(1, 1)], nitrite: [reading(1, 0)], nitrate: [] }
    expect(judgeCuring(input(ammonia)).nextTestMs).toBe(NOW + 3 * DAY_MS)
    expect(judgeCuring(input({ ammonia: [], nitrite: [] })).nextTestMs).toBe(NOW)
  })
  it('says no day for animals before both can have been none twice', () => {
    const earliest = (more: object) => (judgeCuring(input(more)).earliestReadyMs - NOW) / DAY_MS
    // next test in two days, and another three days after it
    expect(earliest({ ammonia: [reading(1, 0)], nitrite: [reading(1, 0.5)], nitrate: [] })).toBeCloseTo(5, 9)
    // overdue: today, and in three days
    expect(earliest({ ammonia: [reading(9, 0)], nitrite: [reading(9, 0.5)], nitrate: [] })).toBeCloseTo(3, 9)
    // clean once: the next test may be the second
    const once = { ammonia: [reading(30, 2), reading(1, 0)], nitrite: [reading(20, 1), reading(1, 0)], nitrate: [] }
    expect(earliest(once)).toBeCloseTo(2, 9)
    expect(earliest({ ...clean })).toBeLessThan(0)
    // its age may still be the later
    expect(earliest({ ...once, startedMs: NOW - WEEK_MS })).toBeCloseTo(21, 9)
  })
  it('does not trust old tests, and asks for a new one at once', () => {
    const old = judgeCuring(
      input({
        ammonia: [reading(40, 1), reading(25, 0), reading(20, 0)],
        nitrite: [reading(30, 1), reading(25, 0), reading(20, 0)],
        nitrate: [reading(20, 10)],
      }),
    )
    expect(old).toMatchObject({ stage: 'nearly', reasons: ['oldTests'], nextTestMs: NOW })
  })
  it('knows that the same ammonia is worse in hard warm water', () => {
    const at = (ph: number) =>
      judgeCuring(input({ ammonia: [reading(1, 1)], nitrite: [reading(1, 0)], ph })).unionisedMgL!
    expect(at(8.2)).toBeGreaterThan(10 * at(7))
    expect(judgeCuring(input({ ammonia: [reading(1, 1)], nitrite: [reading(1, 0)], ph: null })).unionisedMgL).toBeNull()
  })
  it('takes ready even without nitrate: plants may have taken it', () => {
    expect(judgeCuring(input({ ...clean, nitrate: [] })).stage).toBe('ready')
  })
})

describe('calibration', () => {
  const at = new Date(NOW).toISOString()
  it('puts both points right, whatever slope and offset the probe has', () => {
    fc.assert(
      fc.property(value(0.6, 1.6), value(-1, 1), value(2, 10), (slope, offset, truth) => {
        const shown = (t: number) => t * slope + offset
        const calibration = {
          at,
          points: [
            { raw: shown(4.01), truth: 4.01 },
            { raw: shown(7), truth: 7 },
          ],
        }
        expect(calibrated(shown(truth), calibration)).toBeCloseTo(truth, 6)
      }),
    )
    expect(calibrated(6.5, undefined)).toBe(6.5)
  })
  it('finds a probe that is worn out, or was not moved', () => {
    expect(
      calibrationLine({
        points: [
          { raw: 5, truth: 4 },
          { raw: 5, truth: 7 },
        ],
      }),
    ).toEqual({ ok: false, issue: 'pointsTooNear' })
    expect(
      calibrationLine({
        points: [
          { raw: 5, truth: 4 },
          { raw: 6, truth: 7 },
        ],
      }),
    ).toEqual({ ok: false, issue: 'wornOut' })
    expect(
      calibrated(6, {
        at,
        points: [
          { raw: 5, truth: 4 },
          { raw: 5, truth: 7 },
        ],
      }),
    ).toBe(6)
  })
  it('knows when readings have settled', () => {
    expect(settledMean([], 0.1)).toBeNull()
    expect(settledMean([7], 0.1)).toMatchObject({ mean: 7, settled: false })
    expect(settledMean([7, 7.01, 6.99, 7], 0.1)).toMatchObject({ settled: true })
    expect(settledMean([7, 7.4, 6.6, 7], 0.1)).toMatchObject({ settled: false })
  })
})
