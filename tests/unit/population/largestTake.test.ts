import { describe, expect, it } from 'vitest'
import type { Risk } from '../../../core/population/futures'
import {
  largestBearable,
  largestTake,
  largestWeeklyTake,
  noTake,
  type TakeSearch,
} from '../../../core/population/largestTake'

/** Searches on colonies whose risk is written down: so many can go, and one more is too many. */

interface Written {
  /** so many can go */ bears: number
  /** risk of one more, by floor */ over?: Partial<Risk>
  most?: number
  uncounted?: number | null
  /** lowest number of each future, and what is there today */ lowest?: number[]
  allowedRisk?: number
  floors?: TakeSearch['floors']
}
const risk = (parts: Partial<Risk>): Risk => ({ any: 0, total: 0, females: 0, males: 0, short: 0, ...parts })
function written({ bears, over = { any: 0.7, total: 0.7 }, most = 500, ...more }: Written) {
  const { uncounted = null, lowest = [90, 90], allowedRisk = 0.1, floors = { total: 20, females: 0, males: 0 } } = more
  const asked: { take?: number; weekly?: number; share: number | undefined }[] = []
  const size = lowest.length
  const futures = {
    ...{ size, weeks: 2 },
    // today 100, then the lowest, then more again
    totals: Float64Array.from([...lowest.map(() => 100), ...lowest, ...lowest.map(() => 140)]),
    females: new Float64Array(3 * size).fill(30),
    halfGrown: new Float64Array(3 * size),
  }
  const s: TakeSearch = {
    colony: {
      numbers: () => ({ value: 100, low: 90, high: 110 }),
      futures: () => futures,
      risk: ({ doing, size: many, weeks }) => {
        expect([many, weeks]).toEqual([size, 2])
        asked.push({
          ...(doing?.take && { take: doing.take.number }),
          ...(doing?.weekly && { weekly: doing.weekly.number }),
          share: doing?.weeklyShare,
        })
        const number = doing?.take?.number ?? (doing?.weekly?.number ?? 0) * 10
        return number <= bears ? risk({ any: 0.05 }) : risk(over)
      },
    },
    ...{ futures: size, weeks: 2, doing: { weeklyShare: 0.01 }, floors, allowedRisk, most, uncounted },
  }
  return { s, asked, futures }
}

describe('the most that can go today', () => {
  it('is found within two in a hundred, and never one too many', () => {
    for (const bears of [1, 2, 3, 17, 49, 50, 51, 80, 199, 320]) {
      const { take, riskNow, riskAfter, all } = largestTake(written({ bears }).s, 'any')
      expect(take).toBeLessThanOrEqual(bears)
      expect(take).toBeGreaterThanOrEqual(bears / 1.021 - 1)
      expect([riskNow, riskAfter, all]).toEqual([0, 0.05, false])
    }
    for (const bears of [1, 2, 3, 17, 49]) expect(largestTake(written({ bears }).s, 'any').take).toBe(bears)
  })
  it('is asked of futures in which everything else is done as well', () => {
    const { s, asked } = written({ bears: 30 })
    largestTake(s, 'females')
    expect(asked.every(a => a.share === 0.01 && a.take !== undefined)).toBe(true)
  })
  it('begins at what the lowest of the unlucky futures leaves, and ends in few tries', () => {
    // the unlucky tenth of the futures sinks to 40: 100 · (1 − 20/40) of them can go
    const { s, asked } = written({ bears: 48, lowest: [40, 40, ...Array.from({ length: 9 }, () => 90)] })
    largestTake(s, 'any')
    expect(asked[0]!.take).toBe(50)
    expect(asked.length).toBeLessThan(10)
    // none can go where the unlucky ones sink to the floor or to nothing: the search begins at one
    for (const lowest of [
      [20, 20],
      [0, 0],
      [10, 10],
    ]) {
      const tried = written({ bears: 0, lowest, floors: { total: 10, females: 0, males: 0 } })
      if (lowest[0] === 0) tried.s.floors.total = 0
      largestTake(tried.s, 'any')
      if (lowest[0]! <= 10) expect(tried.asked[0]!.take).toBe(1)
    }
  })
  it('is nothing, and asks nothing, where as things are it is too risky or none may go', () => {
    const risky = written({ bears: 30, lowest: [10, 90], allowedRisk: 0.4 })
    expect(largestTake(risky.s, 'any')).toEqual({
      ...{ take: 0, riskNow: 0.5, riskAfter: 0.5, limit: 'number', afterCount: null, all: false },
    })
    expect(largestTake(written({ bears: 30, lowest: [10, 90], allowedRisk: 0.5 }).s, 'any').take).toBe(30)
    const none = written({ bears: 30, most: 0 })
    expect(largestTake(none.s, 'any').take).toBe(0)
    expect(risky.asked.length + none.asked.length).toBe(0)
    expect(noTake(risky.s, risky.futures)).toEqual(largestTake(risky.s, 'any'))
  })
  it('is all that there are where nothing else limits it', () => {
    expect(largestTake(written({ bears: 1000, most: 70 }).s, 'any')).toMatchObject({ take: 70, all: true })
    expect(largestTake(written({ bears: 69, most: 70 }).s, 'any')).toMatchObject({ all: false })
  })
  it.each([
    ['number', { total: 0.3, females: 0.3 }],
    ['females', { females: 0.4, males: 0.3, total: 0.1 }],
    ['males', { males: 0.4, females: 0.3, short: 0.1 }],
    ['kind', { short: 0.4, males: 0.3 }],
  ] as const)('says that the %s limits it', (limit, over) => {
    expect(largestTake(written({ bears: 30, over: { any: 0.5, ...over } }).s, 'any').limit).toBe(limit)
  })
  it('is at most half without a fresh count, and says what one would allow', () => {
    const held = written({ bears: 80, uncounted: 50 })
    const { take, afterCount, riskAfter, all } = largestTake(held.s, 'any')
    expect([take, riskAfter, all]).toEqual([50, 0.05, false])
    expect(afterCount!).toBeGreaterThan(77)
    // hardly more is not worth a count
    expect(largestTake(written({ bears: 54, uncounted: 50 }).s, 'any')).toMatchObject({ take: 50, afterCount: null })
    expect(largestTake(written({ bears: 20, uncounted: 18 }).s, 'any')).toMatchObject({ take: 18, afterCount: 20 })
    expect(largestTake(written({ bears: 50, uncounted: 50 }).s, 'any')).toMatchObject({ take: 50, afterCount: null })
    // who may take all without being held does not ask for a count
    expect(largestTake(written({ bears: 90, uncounted: 50, most: 60 }).s, 'any')).toMatchObject({
      take: 50,
      all: false,
    })
  })
})

describe('the most that can go every week', () => {
  it('is told to a tenth, from futures that lose so many every week', () => {
    const { s, asked } = written({ bears: 37 })
    expect(largestWeeklyTake(s, 'males')).toMatchObject({ take: 3.7, afterCount: null })
    expect(asked.every(a => a.weekly !== undefined && a.take === undefined)).toBe(true)
    // the guess of today’s take, spread over the weeks, is tried first: 100 · (1 − 20/90) over two
    expect(asked[0]!.weekly).toBe(38.9)
  })
  it('needs no count first, and is no more than there are', () => {
    expect(largestWeeklyTake(written({ bears: 900, uncounted: 10, most: 60 }).s, 'any')).toMatchObject({
      ...{ take: 60, all: true, afterCount: null },
    })
  })
})

describe('the largest that can be borne', () => {
  const search = (bears: number, how: Parameters<typeof largestBearable>[2]) => {
    const tried: number[] = []
    const found = largestBearable(k => (tried.push(k), { any: k <= bears ? 0.1 : 0.11 }), 0.1, how)
    return { ...found, tried }
  }
  it('is found exactly from any guess, and a number is never tried twice', () => {
    for (const guess of [0.4, 1, 30, 57, 300])
      for (const bears of [0, 1, 56, 57, 58, 299, 300]) {
        const { good, after, broken, tried } = search(bears, { guess: () => guess, most: 300 })
        expect(good, `${bears} from ${guess}`).toBe(bears)
        expect(after?.any ?? null).toBe(bears === 0 ? null : 0.1)
        expect(broken?.any ?? null).toBe(bears === 300 ? null : 0.11)
        expect(new Set(tried).size).toBe(tried.length)
        expect(Math.min(...tried)).toBeGreaterThanOrEqual(1)
        expect(Math.max(...tried)).toBeLessThanOrEqual(300)
      }
  })
  it('goes a step beyond the guess, then strides a tenth of it, then twice as far each time', () => {
    const guess = () => 100
    expect(search(300, { guess, most: 1000 }).tried.slice(0, 6)).toEqual([100, 101, 111, 131, 171, 251])
    expect(search(20, { guess, most: 1000 }).tried.slice(0, 4)).toEqual([100, 99, 89, 69])
  })
  it('goes to where the guess, held against the first risk, has the answer', () => {
    const tried: number[] = []
    const risk = (k: number) => (tried.push(k), { any: k / 200 })
    // the guess is twice what it should be: a risk of 0.2 lies at 80, and not where it found 0.4
    largestBearable(risk, 0.2, { guess: p => 400 * p, most: 300 })
    expect(tried.slice(0, 2)).toEqual([80, 39])
  })
})
