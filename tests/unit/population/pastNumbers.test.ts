import { describe, expect, it } from 'vitest'
import { WEEK_MS } from '#core/records'
import { type Checkpoint, FILTER_ROWS, GROWN, LAG, TOTALS } from '../../../core/population/checkpoint'
import { drawPast, judge, remember, takeCount, weighed } from '../../../core/population/pastNumbers'
import type { PopulationQuestion } from '../../../core/population/question'
import * as rows from '../../../core/population/stages'
import { type CountEvent, STORY } from '../../../core/population/weighCount'
import { NOW } from '../../make'

/** What the filter writes down of the past, on possible colonies that are written here one by one. */

const START = NOW - 30 * WEEK_MS

function stateOf(grown: readonly number[], more: Partial<Checkpoint> = {}): Checkpoint {
  const size = grown.length
  const cloud = new Float64Array(FILTER_ROWS * size)
  for (const [i, n] of grown.entries()) {
    cloud[rows.FEMALES * size + i] = Math.ceil(n / 2)
    cloud[rows.MALES * size + i] = Math.floor(n / 2)
  }
  return {
    ...{ step: 20, seen: 0, size, cloud, logWeights: new Float64Array(size) },
    ...{ path: [], grown: [], counts: [], pending: [], toll: [], found: {} as never },
    ...{ logLikelihood: 0, effective: size, jumped: 0, lastCountStep: 12 },
    ...more,
  }
}
const asked = (dtWeeks = 1, growth = 0) =>
  ({ startMs: START, nowMs: NOW, rates: { dtWeeks, growth } }) as unknown as PopulationQuestion
const count = (seen: number, at: number, more: object = {}) =>
  ({
    ...{ kind: 'count', entryId: 'c1', at, seen, method: 'allSeen', byEye: false },
    evidence: { y: Math.log(seen), r: 0.04, value: seen, low: seen - 2, high: seen + 3, notes: ['old'] },
    ...more,
  }) as unknown as CountEvent
/** 10, 20, … 2000: their order statistics are known. */
const ladder = Array.from({ length: 200 }, (_, i) => 10 * (i + 1))

describe('a count is written down', () => {
  it('with what was expected before it was seen: the middle and the lower end', () => {
    const state = stateOf(ladder)
    takeCount(state, asked(), count(900, START + 20 * WEEK_MS), 7)
    const [written] = state.counts
    expect(written).toMatchObject({ entryId: 'c1', seen: 900, method: 'allSeen', weight: 'full', leapt: false })
    expect(written).toMatchObject({ value: 900, low: 898, high: 903, notes: ['old'] })
    expect(written!.expected).toBeCloseTo(1005, -1)
    expect(written!.expectedLow).toBeCloseTo(209, -1)
    expect(state.pending).toMatchObject([{ index: 0, step: 20 }])
    expect(state.lastCountStep).toBe(20)
  })
  it('by eye, with what is expected to be seen: the share that this colony shows', () => {
    const state = stateOf([100, 100])
    state.cloud.fill(Math.log(0.5), rows.SEEN * 2, rows.SEEN * 2 + 2)
    takeCount(state, asked(), count(50, START + 20 * WEEK_MS, { byEye: true }), 7)
    expect(state.counts[0]!.expected).toBeCloseTo(50, 10)
  })
  it('what possible colonies are worth so far decides what was expected', () => {
    const state = stateOf([100, 400], { logWeights: Float64Array.from([0, Math.log(9)]) })
    expect([...weighed(state)].map(w => Math.round(w * 100))).toEqual([10, 90])
    takeCount(state, asked(), count(380, START + 20 * WEEK_MS), 7)
    expect(state.counts[0]!.expected).toBe(400)
  })
  it('the doubt of the day is the growth between the count and its step', () => {
    const worth = (weeksOff: number, dt = 1) => {
      const state = stateOf([100])
      takeCount(state, asked(dt, -0.1), count(100, START + (20 * dt - weeksOff) * WEEK_MS), 7)
      return state.logWeights[0]!
    }
    // the density of a count that is what it is: wider with doubt, so lower in the middle
    const middle = (timing: number) => -Math.log(Math.hypot(0.2, timing))
    expect(worth(0) - worth(2)).toBeCloseTo(middle(0) - middle(0.2), 1)
    expect(worth(0) - worth(6)).toBeCloseTo(middle(0) - middle(0.6), 1)
    expect(worth(-2)).toBeCloseTo(worth(2), 10)
    expect(worth(2, 0.5)).toBeCloseTo(worth(2), 1)
  })
  it('the longer since the last count, the likelier a leap; steps are told in weeks', () => {
    // 20 seen of 400: a leap explains it, and the more so the longer ago the last count was
    const worth = (lastCountStep: number, dt: number) => {
      const state = stateOf([400], { lastCountStep })
      takeCount(state, asked(dt), count(20, START + 20 * dt * WEEK_MS), 7)
      return state.logWeights[0]!
    }
    expect(worth(0, 1)).toBeGreaterThan(worth(18, 1) + 0.1)
    expect(worth(0, 0.5)).toBeCloseTo(worth(10, 1), 10)
  })
  it('half-grown told apart weigh too', () => {
    const heads = { females: 0, males: 0, unsexed: 10, halfGrown: 30, young: 0 }
    const plain = stateOf([40])
    const told = stateOf([40])
    takeCount(plain, asked(), count(40, START + 20 * WEEK_MS), 7)
    takeCount(told, asked(), count(40, START + 20 * WEEK_MS, { parts: heads }), 7)
    // all forty are grown here, so thirty half-grown ones tell against it
    expect(told.logWeights[0]!).toBeLessThan(plain.logWeights[0]! - 5)
  })
  it('how many leapt is remembered, and fades by a fifth from count to count', () => {
    const far = stateOf(Array.from({ length: 400 }, () => 400))
    takeCount(far, asked(), count(20, START + 20 * WEEK_MS), 7)
    const leapt = Array.from({ length: 400 }, (_, i) => rows.counted(far.cloud, 400, i)).filter(n => n < 400 / Math.E)
    expect(leapt.length).toBeGreaterThan(40)
    // those that leapt lie nearer to the count, but are worth no more: the story was weighed before
    expect(far.jumped).toBeCloseTo(leapt.length / 400, 10)
    const near = stateOf([400, 400], { jumped: 0.5 })
    takeCount(near, asked(), count(400, START + 20 * WEEK_MS), 7)
    expect(near.jumped).toBeCloseTo(0.4, 10)
  })
})

describe('verdicts', () => {
  const told = (stories: number[], weights: number[], step = 20 + LAG, all = false) => {
    const state = stateOf([1], {
      counts: [{ weight: 'full', leapt: false }] as never,
      pending: [{ index: 0, step: 20, stories: Uint8Array.from(stories) }],
    })
    judge(state, Float64Array.from(weights), step, all)
    return { ...state.counts[0]!, waiting: state.pending.length }
  }
  const { right, slip, jump } = STORY
  it('wait for what follows, unless nothing more comes', () => {
    expect(told([slip], [1], 20 + LAG - 1)).toMatchObject({ weight: 'full', waiting: 1 })
    expect(told([slip], [1], 20 + LAG)).toMatchObject({ weight: 'none', waiting: 0 })
    expect(told([slip], [1], 20, true)).toMatchObject({ weight: 'none', waiting: 0 })
  })
  it.each([
    [0.51, 'none'],
    [0.5, 'part'],
    [0.21, 'part'],
    [0.2, 'full'],
  ])('a share of %d that call it a slip: %s', (share, weight) => {
    expect(told([slip, right], [share, 1 - share])).toMatchObject({ weight, leapt: false })
  })
  it('it leapt where more than half say so', () => {
    expect(told([jump, right], [0.51, 0.49])).toMatchObject({ weight: 'full', leapt: true })
    expect(told([jump, right], [0.5, 0.5])).toMatchObject({ leapt: false })
    expect(told([jump, slip, slip], [0.2, 0.4, 0.4])).toMatchObject({ weight: 'none', leapt: false })
  })
})

describe('the past', () => {
  it('is kept for the last steps in turn, all and the grown', () => {
    const state = stateOf([100, 60], { step: 3 })
    state.cloud[rows.YOUNG_1 * 2] = 5
    state.cloud[rows.YOUNG_2 * 2] = 2
    state.cloud[rows.FIRST * 2] = 50
    remember(state)
    expect([...state.cloud.subarray((TOTALS + 3) * 2, (TOTALS + 4) * 2)]).toEqual([107, 60])
    expect([...state.cloud.subarray((GROWN + 3) * 2, (GROWN + 4) * 2)]).toEqual([100, 60])
    state.step = 3 + LAG
    state.cloud[rows.YOUNG_1 * 2] = 0
    remember(state)
    expect(state.cloud[(TOTALS + 3) * 2]).toBe(102)
    expect(state.cloud[(TOTALS + 4) * 2]).toBe(0)
  })
  it('is drawn as quantiles, by what each is worth, on the day of its step', () => {
    const state = stateOf(ladder, { step: 5 })
    remember(state)
    state.cloud.fill(7, (GROWN + 5) * 200, (GROWN + 6) * 200)
    const even = new Float64Array(200).fill(1 / 200)
    drawPast(state, asked(0.5), even, 5)
    expect(state.path[0]!.at).toBe(START + 2.5 * WEEK_MS)
    const { p10, p25, p50, p75, p90 } = state.path[0]!
    for (const [q, of] of [
      [p10, 0.1],
      [p25, 0.25],
      [p50, 0.5],
      [p75, 0.75],
      [p90, 0.9],
    ] as const)
      expect(Math.abs(q - 2000 * of)).toBeLessThan(15)
    expect(state.grown[0]).toMatchObject({ at: START + 2.5 * WEEK_MS, value: 7, low: 7, high: 7 })
    const few = new Float64Array(200)
    few[199] = 1
    drawPast(state, asked(0.5), few, 5)
    expect(state.path[1]).toMatchObject({ p10: 2000, p50: 2000, p90: 2000 })
  })
  it('never lies after now', () => {
    const state = stateOf([1], { step: 33 })
    drawPast(state, asked(), Float64Array.from([1]), 33)
    expect(state.path[0]!.at).toBe(NOW)
  })
})
