import { describe, expect, it } from 'vitest'
import type { Futures, Start } from '../../../core/population/futures'
import { looksAhead } from '../../../core/population/looks'
import type { PopulationQuestion } from '../../../core/population/question'
import * as rows from '../../../core/population/stages'

/**
 * What a look would narrow. Where number now and number then are log-normal and go together, what a look leaves is
 * known: √(1 − ρ² S/(S + V)) of the spread, with S the variance of the number now and V that of the look (the normal
 * posterior of any handbook of Bayesian statistics).
 */

const SIZE = 2000
/** Evenly spaced normal numbers, and a second set that has nothing to do with the first. */
const z = Array.from({ length: SIZE }, (_, i) => inverseNormal((i + 0.5) / SIZE))
const other = z.map((_, i) => z[(i * 797) % SIZE]!)

/** Of the standard normal distribution, by halving (right to a millionth). */
function inverseNormal(p: number): number {
  let [low, high] = [-6, 6]
  for (let k = 0; k < 50; k++) {
    const mid = (low + high) / 2
    if (normalBelow(mid) < p) low = mid
    else high = mid
  }
  return low
}
/** Abramowitz & Stegun 26.2.17. */
function normalBelow(x: number): number {
  if (x < 0) return 1 - normalBelow(-x)
  const t = 1 / (1 + 0.2316419 * x)
  const series = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return 1 - (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * series
}

interface Colony {
  /** spread of the number now, on the log scale */ now: number
  /** how much of it is still there in eight weeks, and what is added by then */ kept?: number
  added?: number
  /** spread of the share that this colony shows */ seen?: number
  sight?: number
  broods?: number
  weeks?: number
}
function colony({ now, kept = 1, added = 0, seen = 0, sight = 0, broods = 0, weeks = 12 }: Colony) {
  // what the orders share must not be told apart by the draw: numbers are large, so that rounding says nothing
  const cloud = new Float64Array(rows.ROWS * SIZE)
  const totals = new Float64Array((weeks + 1) * SIZE)
  for (let i = 0; i < SIZE; i++) {
    const n = 1e6 * Math.exp(now * z[i]!)
    cloud[rows.FEMALES * SIZE + i] = n
    cloud[rows.SEEN * SIZE + i] = seen * other[i]!
    cloud[rows.SIGHT * SIZE + i] = sight * other[i]!
    cloud[rows.EGGS * SIZE + i] = (n * broods) / 4
    cloud[(rows.EGGS + 3) * SIZE + i] = ((n * broods) / 4) * 3
    for (let week = 0; week <= weeks; week++)
      totals[week * SIZE + i] = week === Math.min(8, weeks) ? 1e6 * Math.exp(kept * now * z[i]! + added * other[i]!) : 5
  }
  return { start: { cloud, size: SIZE } as Start, futures: { size: SIZE, weeks, totals } as unknown as Futures }
}
const asked = (more: Partial<PopulationQuestion> = {}) =>
  ({
    seed: 5,
    rates: { broodSize: 1 },
    fullCount: { share: 0.9, sdLog: 0.2 },
    ...more,
  }) as unknown as PopulationQuestion
const left = (of: Colony, more: Partial<PopulationQuestion> = {}) => {
  const { start, futures } = colony(of)
  return Object.fromEntries(looksAhead(asked(more), start, futures).map(l => [l.what, l.left]))
}

describe('what a look would narrow', () => {
  it.each([
    [0.3, 0.2],
    [0.6, 0.2],
    [0.3, 0.5],
  ])('a number known to %d, looked at to %d: the normal posterior', (now, sdLog) => {
    const [S, V] = [now ** 2, sdLog ** 2]
    const looks = left({ now }, { fullCount: { share: 0.9, sdLog } })
    expect(looks.fullCount).toBeCloseTo(Math.sqrt(V / (S + V)), 1)
    expect(looks.sample).toBeCloseTo(Math.sqrt(0.35 ** 2 / (S + 0.35 ** 2)), 1)
  })
  it('what comes by then cannot be seen now', () => {
    const looks = left({ now: 0.4, kept: 0.5, added: 0.3 })
    const still = (0.5 * 0.4) ** 2
    const after = still * (0.04 / (0.16 + 0.04)) + 0.3 ** 2
    expect(looks.fullCount).toBeCloseTo(Math.sqrt(after / (still + 0.3 ** 2)), 1)
  })
  it('a share that is not known makes a count by eye tell less, and a sample as much as before', () => {
    const sure = left({ now: 0.4 })
    const unsure = left({ now: 0.4, seen: 0.6 })
    const V = 0.2 ** 2 + 0.6 ** 2
    expect(unsure.fullCount).toBeCloseTo(Math.sqrt(V / (0.16 + V)), 1)
    expect(unsure.sample).toBeCloseTo(sure.sample!, 2)
  })
  it('broods tell of the number where they are seen, whatever room of eggs they are in', () => {
    const sdLog = 0.25
    expect(left({ now: 0.5, broods: 1 })).not.toHaveProperty('broods')
    const seen = left({ now: 0.5, broods: 1 }, { broodSight: { share: 0.5, sdLog } })
    expect(seen.broods).toBeCloseTo(Math.sqrt(sdLog ** 2 / (0.25 + sdLog ** 2)), 1)
    const unsure = left({ now: 0.5, broods: 1, sight: 0.6 }, { broodSight: { share: 0.5, sdLog } })
    const V = sdLog ** 2 + 0.36
    expect(unsure.broods).toBeCloseTo(Math.sqrt(V / (0.25 + V)), 1)
    // two broods in all: luck alone hides what they could tell
    const few = left({ now: 0.5, broods: 4e-6 }, { broodSight: { share: 0.5, sdLog } })
    expect(few.broods!).toBeGreaterThan(0.75)
  })
  it('few animals are hard to count even when all the same share is found', () => {
    const { start, futures } = colony({ now: 0.3 })
    for (let i = 0; i < SIZE; i++) start.cloud[rows.FEMALES * SIZE + i]! /= 1e5
    const [few] = looksAhead(asked({ fullCount: { share: 0.5, sdLog: 0.01 } }), start, futures)
    // about ten of which half are found: a binomial spread of √(0.5/5)
    expect(few!.what).toBe('fullCount')
    expect(few!.left).toBeCloseTo(Math.sqrt(0.1 / (0.09 + 0.1)), 1)
  })
  it('the most telling first; nothing where all is known; a short time ahead ends at its end', () => {
    const { start, futures } = colony({ now: 0.4, broods: 1 })
    const looks = looksAhead(asked({ broodSight: { share: 0.5, sdLog: 0.05 } }), start, futures)
    expect(looks.map(l => l.what)).toEqual(['broods', 'fullCount', 'sample'])
    expect(looks.map(l => l.left)).toEqual(looks.map(l => l.left).toSorted((a, b) => a - b))
    const known = colony({ now: 0, added: 0 })
    expect(looksAhead(asked(), known.start, known.futures)).toEqual([])
    expect(left({ now: 0.4, weeks: 4 }).fullCount).toBeLessThan(0.6)
  })
  it('futures that start from fewer possible colonies go by the colony that each began with', () => {
    const { start, futures } = colony({ now: 0.4 })
    const half = { size: SIZE / 2, cloud: new Float64Array((rows.ROWS * SIZE) / 2) } as Start
    for (let row = 0; row < rows.ROWS; row++)
      for (let i = 0; i < SIZE / 2; i++) half.cloud[(row * SIZE) / 2 + i] = start.cloud[row * SIZE + 2 * i]!
    const [whole] = looksAhead(asked(), start, futures)
    const [some] = looksAhead(asked(), half, futures)
    expect(some!.left).toBeCloseTo(whole!.left, 2)
  })
})
