import { describe, expect, it } from 'vitest'
import {
  type Checkpoint,
  copy,
  DIED,
  FILTER_ROWS,
  GROWN,
  LAG,
  opening,
  openingCloud,
  prefixHashes,
  TOTALS,
} from '../../../core/population/checkpoint'
import type { PopulationEvent } from '../../../core/population/question'
import * as rows from '../../../core/population/stages'
import { MOOD_SD } from '../../../core/population/step'
import { ask, heads, ratesOf } from './questions'

/** The first day of a fit, the states that it is kept in, and what they hold for. */

const SIZE = 20_000
const spreads = { recruits: 0.5, losses: 0.2, room: 0.6, seen: 0.15, sight: 0.3, shape: 0.25 }
const cloudOf = (more: object) => openingCloud({ ...ask([]), spreads, ...more }, SIZE)
const row = (cloud: Float64Array, of: number) => Array.from(cloud.subarray(of * SIZE, (of + 1) * SIZE))
const mean = (x: readonly number[]) => x.reduce((a, b) => a + b, 0) / x.length
const sd = (x: readonly number[]) => Math.sqrt(mean(x.map(v => (v - mean(x)) ** 2)))

describe('the first day', () => {
  const founders = heads({ females: 12, males: 8, halfGrown: 5, young: 3 })
  it('has the founders, each in its stage', () => {
    const cloud = cloudOf({ founders })
    for (const [of, n] of [
      [rows.FEMALES, 12],
      [rows.MALES, 8],
      [rows.YOUNG_2, 5],
      [rows.YOUNG_1, 3],
      [rows.FIRST, 0],
      ...rows.stageRows.eggs.map(room => [room, 0] as const),
    ])
      expect(new Set(row(cloud, of))).toEqual(new Set([n]))
    expect(cloud).toHaveLength(rows.ROWS * SIZE)
    expect(openingCloud(ask([]), 5, FILTER_ROWS)).toHaveLength(FILTER_ROWS * 5)
  })
  it('of those that nobody sexed each is a female by the share of females', () => {
    const rates = { ...ratesOf('neocaridina'), femaleShare: 0.7 }
    const cloud = cloudOf({ founders: heads({ females: 2, males: 1, unsexed: 10 }), rates })
    const females = row(cloud, rows.FEMALES)
    expect(mean(females)).toBeCloseTo(2 + 7, 1)
    // binomial: √(10 × 0.7 × 0.3)
    expect(sd(females)).toBeCloseTo(Math.sqrt(2.1), 1)
    expect(row(cloud, rows.MALES).every((m, i) => m + females[i]! === 13)).toBe(true)
  })
  it('where no male is needed all grown ones lay', () => {
    const cloud = cloudOf({ founders, rates: { ...ratesOf('neocaridina'), needsMale: false } })
    expect(row(cloud, rows.FEMALES)[7]).toBe(20)
    expect(row(cloud, rows.MALES)[7]).toBe(0)
  })
  it('a number in doubt is drawn by its doubt, whole', () => {
    const cloud = cloudOf({ founders: heads({ unsexed: 400 }), foundersSd: 0.3 })
    const all = row(cloud, rows.FEMALES).map((f, i) => f + cloud[rows.MALES * SIZE + i]!)
    expect(all.every(Number.isInteger)).toBe(true)
    expect(sd(all.map(Math.log))).toBeCloseTo(0.3, 1)
    expect(mean(all.map(Math.log))).toBeCloseTo(Math.log(400), 1)
  })
  it('what is not known yet is spread as the group has it, each by its own luck', () => {
    const cloud = cloudOf({ founders })
    const of = {
      MOOD: MOOD_SD,
      RECRUITS: spreads.recruits,
      LOSSES: spreads.losses,
      ROOM: spreads.room,
      SEEN: spreads.seen,
      SIGHT: spreads.sight,
      SHAPE: spreads.shape,
    }
    const drawn = Object.entries(of).map(([name, spread]) => {
      const values = row(cloud, rows[name as keyof typeof of])
      expect(Math.abs(mean(values)) / spread, name).toBeLessThan(0.03)
      expect(sd(values) / spread, name).toBeCloseTo(1, 1)
      return values.map(v => v / spread)
    })
    for (const [i, a] of drawn.entries())
      for (const b of drawn.slice(0, i)) expect(Math.abs(mean(a.map((v, k) => v * b[k]!)))).toBeLessThan(0.04)
    // another seed, another luck
    expect(cloudOf({ founders, seed: 6 }).subarray(rows.MOOD * SIZE)).not.toEqual(cloud.subarray(rows.MOOD * SIZE))
  })
  it('the filter begins with all colonies alike, and room for what it remembers', () => {
    const state = opening(ask([]), 30)
    expect(state).toMatchObject({ step: 0, seen: 0, size: 30, logLikelihood: 0, effective: Infinity, jumped: 0 })
    expect(state).toMatchObject({ path: [], grown: [], counts: [], pending: [], toll: [], lastCountStep: 0 })
    expect([...state.logWeights]).toEqual(Array.from({ length: 30 }, () => 0))
    expect([TOTALS, GROWN, DIED, FILTER_ROWS]).toEqual([
      rows.ROWS,
      rows.ROWS + LAG,
      rows.ROWS + 2 * LAG,
      rows.ROWS + 17,
    ])
  })
})

describe('a kept state', () => {
  it('is left as it was by whatever comes after', () => {
    const state: Checkpoint = opening(ask([]), 4)
    state.counts.push({ weight: 'full' } as never)
    state.pending.push({ index: 0, step: 3, stories: Uint8Array.from([1, 2]) })
    state.path.push({ at: 1 } as never)
    state.grown.push({ at: 1 } as never)
    state.toll.push({ found: 1 } as never)
    const kept = copy(state)
    const before = structuredClone(kept)
    expect(kept).toEqual(state)
    state.cloud[0] = 77
    state.logWeights[0] = -5
    state.counts[0]!.weight = 'none'
    state.pending[0]!.stories[0] = 0
    for (const list of [state.path, state.grown, state.toll, state.counts, state.pending]) list.push({} as never)
    expect(kept).toEqual(before)
  })
})

describe('what a state holds for', () => {
  const event = (entryId: string) => ({ kind: 'young', entryId, at: 1, amount: 3 }) as PopulationEvent
  const hashes = (of: Record<number, string[]>, pace = (_: number) => 1, last = 5) =>
    prefixHashes(new Map(Object.entries(of).map(([step, ids]) => [Number(step), ids.map(event)])), last, pace)
  it('is all that was logged before it, and the pace of each step', () => {
    const plain = hashes({ 2: ['a'] })
    expect(plain).toHaveLength(7)
    expect(hashes({ 2: ['a'] })).toEqual(plain)
    // what happens in a step changes what comes after it, and nothing before
    expect(hashes({ 2: ['b'] }).map((h, i) => h === plain[i])).toEqual([true, true, true, false, false, false, false])
    expect(hashes({ 2: ['a'], 5: ['c'] }).map((h, i) => h === plain[i])).toEqual([...Array(6).fill(true), false])
    expect(hashes({ 2: ['a'] }, s => (s >= 4 ? 1.2 : 1)).map((h, i) => h === plain[i])).toEqual([
      ...Array(5).fill(true),
      false,
      false,
    ])
    expect(hashes({ 3: ['a'] })[3]).not.toBe(plain[3])
    expect(new Set(plain).size).toBe(7)
  })
})
