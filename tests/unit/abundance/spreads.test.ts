import { describe, expect, it } from 'vitest'
import { countEvidence, depletion, markRecapture, quadrats, removalPasses, repeatedCounts } from '#core/abundance'
import { groupOf } from '#core/groups'

/** Spreads of evidence, by hand: the middle alone would let a count that is believed too much pass. */
const counting = groupOf('neocaridina').counting
const { allSeen, partOfTank, atFood, estimate } = counting
const of = (count: Partial<Parameters<typeof countEvidence>[0]>) =>
  countEvidence({ method: 'allSeen', number: 0, ...count }, counting, true)

describe('the spread of one count', () => {
  it.each([
    ['allSeen', allSeen],
    ['atFood', atFood],
    ['estimate', estimate],
  ] as const)('%s: a binomial part, and the spread of the share', (method, d) => {
    const e = of({ method, number: 40 })
    expect(e.y).toBeCloseTo(Math.log(40 / d.share), 10)
    expect(e.r).toBeCloseTo(d.sdLog ** 2 + (1 - Math.min(1, d.share)) / 40, 10)
    expect(e.notes).toEqual([])
    expect(Math.log(e.high / e.low)).toBeCloseTo(2 * 1.2815516 * Math.sqrt(e.r), 5)
  })
  it('of a part of the tank goes by that part, of a whole count it does not', () => {
    const part = of({ method: 'partOfTank', number: 12, share: 0.25 })
    expect(part.share).toBeCloseTo(partOfTank.share * 0.25, 10)
    expect(part.r).toBeCloseTo(partOfTank.sdLog ** 2 + (1 - part.share) / 12, 10)
    expect(of({ method: 'allSeen', number: 12, share: 0.25 }).share).toBe(allSeen.share)
    // one sample alone is read like a part, and not like several
    expect(of({ method: 'partOfTank', number: 12, share: 0.25, series: [12] }).r).toBeCloseTo(part.r, 10)
    // a series of another method is not read as samples, marks of another not as marks
    expect(of({ method: 'estimate', number: 12, series: [3, 4, 5] }).y).toBeCloseTo(Math.log(12 / estimate.share), 10)
    expect(of({ number: 12, marks: [{ caught: 9, recaptured: 0 }] }).y).toBeCloseTo(Math.log(12 / allSeen.share), 10)
  })
})

describe('the spread of a photo', () => {
  const patchy = (part: number, frames: number) => (0.25 ** 2 * (1 - part)) / frames
  const plain = (mean: number, part: number) => allSeen.sdLog ** 2 + (1 - allSeen.share * part) / mean
  it('of one frame has no scatter, of a part the unevenness of parts', () => {
    expect(of({ method: 'photo', number: 30 }).r).toBeCloseTo(plain(30, 1), 10)
    expect(of({ method: 'photo', number: 30, share: 0.4, series: [] }).r).toBeCloseTo(
      plain(30, 0.4) + patchy(0.4, 1),
      10,
    )
    expect(of({ method: 'photo', number: 30 }).notes).toEqual([])
  })
  it('of several frames adds the standard error of their mean', () => {
    // 20, 30, 40: mean 30, variance 100, of the mean 100/3, relative 1/27
    const e = of({ method: 'photo', number: 90, share: 0.4, series: [20, 30, 40] })
    expect(e.y).toBeCloseTo(Math.log(30 / (allSeen.share * 0.4)), 10)
    expect(e.r).toBeCloseTo(plain(30, 0.4) + 1 / 27 + patchy(0.4, 3), 10)
    expect(of({ method: 'photo', number: 0, series: [0, 0] }).r).toBeLessThan(4)
  })
  it('by a hit rate of the keeper’s own says so', () => {
    const e = of({ method: 'photo', number: 30, hitRate: { share: 0.5, sdLog: 0.1 } })
    expect(e.notes).toEqual(['ownHitRate'])
    expect(e.r).toBeCloseTo(0.01 + 0.5 / 30, 10)
  })
})

describe('the spread of passes', () => {
  it('falls with the passes, and says when they do not fall', () => {
    const catches = [60, 25, 9]
    const e = of({ method: 'passes', number: 94, series: catches })
    const raw = removalPasses(catches, 0.5)
    const sd = Math.max(
      0.02,
      raw.carleStrubStandardError / raw.carleStrub,
      Math.log(raw.interval[1]! / raw.carleStrub) * 0.8,
    )
    expect(e.r).toBeCloseTo(sd * sd, 10)
    expect(e.share).toBeCloseTo(94 / raw.carleStrub, 10)
    expect(e.notes).toEqual([])
    const rising = of({ method: 'passes', number: 30, series: [5, 10, 15] })
    expect(rising.notes).toEqual(['passesDoNotFall'])
    expect(rising.r).toBeGreaterThan(10 * e.r)
  })
  it('with efforts goes by the line and its error', () => {
    const [catches, efforts] = [
      [50, 30, 22, 10],
      [10, 9, 10, 8],
    ]
    const line = depletion(catches, efforts, 'leslie')!
    const e = of({ method: 'passes', number: 112, series: catches, efforts })
    const number = Math.max(line.number, 112)
    expect(e.value).toBeCloseTo(number, 8)
    expect(Math.sqrt(e.r)).toBeCloseTo(Math.max(0.05, line.standardError! / number), 10)
    expect(e.share).toBeCloseTo(112 / number, 10)
    expect(e.notes).toEqual([])
    // two passes leave no scatter to judge the line by
    expect(Math.sqrt(of({ method: 'passes', number: 80, series: [50, 30], efforts: [10, 10] }).r)).toBeCloseTo(0.5, 10)
  })
})

describe('the spread of marks', () => {
  it('of one look for marks is that of the hypergeometric, and a quarter more where marks are shed', () => {
    const marks = [
      { caught: 30, recaptured: 0 },
      { caught: 25, recaptured: 10 },
    ]
    const once = markRecapture({ marked: 30, caught: 25, recaptured: 10 }, 0.68)
    const [low, high] = once.exact
    const sd = Math.max(0.05, Math.log(high! / low) / 2)
    const shed = of({ method: 'marks', number: 45, marks })
    expect(shed.value).toBeCloseTo(once.chapman, 8)
    expect(shed.r).toBeCloseTo(sd * sd + 0.25, 10)
    expect(shed.share).toBeCloseTo(45 / once.chapman, 10)
    expect(shed.notes).toEqual(['marksAreShed'])
    const kept = countEvidence({ method: 'marks', number: 45, marks }, counting, false)
    expect(kept.r).toBeCloseTo(sd * sd, 10)
    expect(kept.notes).toEqual([])
  })
  it('seven found again are enough, six are few; none found again leaves it open', () => {
    const found = (recaptured: number) =>
      countEvidence(
        {
          method: 'marks',
          number: 40,
          marks: [
            { caught: 20, recaptured: 0 },
            { caught: 20, recaptured },
          ],
        },
        counting,
        false,
      )
    expect(found(7).notes).toEqual([])
    expect(found(6).notes).toEqual(['fewRecaptures'])
    expect(found(0).r).toBeGreaterThanOrEqual(1)
    // more than all there cannot have been found
    expect(found(20).share).toBeLessThanOrEqual(1)
  })
})

describe('the spread of several samples', () => {
  it('is that of the quadrats, with a part of the spread of the share', () => {
    const series = [6, 9, 7, 8]
    const q = quadrats(series, 0.05, 0.8)
    const e = of({ method: 'partOfTank', number: 30, share: 0.05, series })
    const number = q.number / partOfTank.share
    expect(e.value).toBeCloseTo(number, 8)
    expect(e.r).toBeCloseTo(Math.max(0.01, (q.standardError / number) ** 2 + partOfTank.sdLog ** 2 / 8), 10)
    expect(e.share).toBeCloseTo(partOfTank.share * 0.05 * 4, 10)
    expect(e.notes).toEqual([])
    expect(of({ method: 'partOfTank', number: 60, share: 0.05, series: [0, 40, 1, 19] }).notes).toEqual(['heaps'])
    // samples cannot be more of the tank than there is of it
    expect(of({ method: 'partOfTank', number: 30, share: 1, series }).value).toBeCloseTo(
      quadrats(series, 0.25, 0.8).number / partOfTank.share,
      8,
    )
  })
})

describe('repeated counts', () => {
  /** The same posterior by brute force: a grid of shares under the beta prior, numbers under 1/N. */
  function bruteForce(counts: readonly number[], share: { mean: number; sd: number }) {
    const strength = Math.max(2, (share.mean * (1 - share.mean)) / share.sd ** 2 - 1)
    const [a, b] = [share.mean * strength, (1 - share.mean) * strength]
    const binomial = (n: number, c: number, p: number) => {
      let log = c * Math.log(p) + (n - c) * Math.log1p(-p)
      for (let i = 1; i <= c; i++) log += Math.log((n - c + i) / i)
      return Math.exp(log)
    }
    const weights: number[] = []
    const top = Math.max(...counts)
    for (let n = top; n < 400; n++) {
      let w = 0
      for (let p = 0.0025; p < 1; p += 0.005)
        w += counts.reduce((x, c) => x * binomial(n, c, p), p ** (a - 1) * (1 - p) ** (b - 1))
      weights.push(w / n)
    }
    const total = weights.reduce((s, w) => s + w, 0)
    const at = (q: number) => {
      let sum = 0
      const k = weights.findIndex(w => (sum += w / total) >= q)
      return top + k
    }
    const mean = weights.reduce((s, w, i) => s + (w / total) * (top + i), 0)
    const square = weights.reduce((s, w, i) => s + (w / total) * (top + i) ** 2, 0)
    return { mean, sd: Math.sqrt(square - mean * mean), low: at(0.1), high: at(0.9) }
  }
  it.each([
    [[22, 25, 19], { mean: 0.8, sd: 0.1 }],
    [[22, 25, 19, 30], { mean: 0.5, sd: 0.1 }],
    [[6, 8], { mean: 0.7, sd: 0.12 }],
  ])('of %j are the posterior that brute force gives, with its range', (counts, share) => {
    const e = repeatedCounts(counts, share, 0.8)
    const truth = bruteForce(counts, share)
    expect(e.mean / truth.mean).toBeCloseTo(1, 2)
    expect(e.sd / truth.sd).toBeCloseTo(1, 1)
    expect(Math.abs(e.low - truth.low)).toBeLessThanOrEqual(1)
    expect(Math.abs(e.high - truth.high)).toBeLessThanOrEqual(1)
    expect(e.share).toBeCloseTo(counts.reduce((s, c) => s + c, 0) / counts.length / e.mean, 10)
  })
  it('are weak when they scatter as much as chance alone would, or are only two', () => {
    const weak = (counts: number[]) => repeatedCounts(counts, { mean: 0.8, sd: 0.1 }, 0.8).weak
    expect(weak([20, 21, 22])).toBe(false)
    expect(weak([10, 25, 40])).toBe(true)
    expect(weak([20, 21])).toBe(true)
    // the moment test: a variance of just the mean tells nothing of the share (6, 9, 12: mean 9, variance 9)
    expect(weak([6, 9, 12])).toBe(true)
  })
  it('in a count’s evidence have their own spread and share, and say when they tell little', () => {
    const sd = Math.max(0.02, Math.min(0.3, allSeen.share * allSeen.sdLog))
    const raw = repeatedCounts([20, 21, 22], { mean: allSeen.share, sd }, 0.8)
    const e = of({ method: 'repeated', number: 22, series: [20, 21, 22] })
    expect(e.value).toBeCloseTo(raw.mean, 8)
    expect(e.r).toBeCloseTo((raw.sd / raw.mean) ** 2, 10)
    expect(e.share).toBeCloseTo(raw.share, 10)
    expect(e.notes).toEqual([])
    expect(of({ method: 'repeated', number: 40, series: [10, 25, 40] }).notes).toEqual(['scatterTellsLittle'])
  })
})
