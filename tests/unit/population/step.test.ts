import { describe, expect, it } from 'vitest'
import { RESTING } from '#core/broods'
import type { StageRates } from '../../../core/population/lifeCycle'
import type { StepMore } from '../../../core/population/pass'
import { MOOD_SD, stepOf } from '../../../core/population/step'
import { against, binomial, lived, mean, onBy, rows, SIZE, still, variance, type Row } from './oneStep'

/**
 * One step, part by part, against its law: binomial and Poisson means and variances (any handbook of probability), with
 * the mood that each possible colony has after it. Rates that are not asked of are nothing.
 */

describe('moods', () => {
  it('forget within twenty weeks, and stay on average where they are', () => {
    for (const dtWeeks of [1, 0.5]) {
      const { mood } = lived({ dtWeeks }, { MOOD: 0.8 }, {}, 60_000)
      const keep = Math.exp(-dtWeeks / 20)
      expect(Math.abs(mean(mood) - 0.8 * keep)).toBeLessThan(0.004)
      const [turn, bad] = [0.06 * dtWeeks, 0.01 * dtWeeks]
      const usual = MOOD_SD ** 2 * (1 - keep ** 2)
      // a mixture: what stays, what turns a little, and what turns bad
      const law = (1 - turn) * usual + turn * 0.25 + bad * 1.2 ** 2 - (bad * 1.2) ** 2
      expect(variance(mood) / law).toBeGreaterThan(0.9)
      expect(variance(mood) / law).toBeLessThan(1.1)
    }
  })
  it('one turn in six is a bad one', () => {
    const { mood } = lived({}, {}, {}, 60_000)
    const below = (x: number) => mood.filter(m => m < x).length / mood.length
    const above = (x: number) => mood.filter(m => m > x).length / mood.length
    // −1.2 ± 0.5 for one in a hundred, ± 0.5 for five; the usual drift is a sixteenth
    expect(below(-1.2)).toBeGreaterThan(0.0045)
    expect(below(-1.2)).toBeLessThan(0.0065)
    expect(above(0.5)).toBeGreaterThan(0.006)
    expect(above(0.5)).toBeLessThan(0.0105)
  })
})

describe('deaths', () => {
  const hazards = { firstHazard: 0.3, youngHazard: 0.2, adultHazard: 0.1 }
  const at = (hazard: number, losses: number, mood: number) => 1 - Math.exp(-hazard * Math.exp(losses - mood))
  it.each([
    ['FIRST', 0.3],
    ['YOUNG_1', 0.2],
    ['YOUNG_2', 0.2],
    ['FEMALES', 0.1],
    ['MALES', 0.1],
  ] as const)('of %s come by hazard, losses and mood, by chance', (row, hazard) => {
    const dead = new Float64Array(SIZE)
    const { of, mood } = lived(hazards, { [row]: 200, LOSSES: 0.4, MOOD: -0.3 }, { died: dead })
    const left = of(row)
      .map((n, i) => (n < 60 ? null : ([200 - n, i] as const)))
      .filter(x => x !== null)
    const { off, spread } = against(
      left.map(l => l[0]),
      k => binomial(200, at(hazard, 0.4, mood[left[k]![1]]!)),
    )
    expect(Math.abs(off)).toBeLessThan(4.5)
    expect(spread).toBeGreaterThan(0.85)
    expect(spread).toBeLessThan(1.4)
    // bodies of hatchlings are never found
    for (const [i, n] of of(row).entries()) expect(dead[i]).toBe(row === 'FIRST' ? 0 : 200 - n)
  })
  it('that go on come on top, for the grown alone', () => {
    const more = { extraHazard: 0.25 }
    const dead = (row: Row) => 1000 - mean(lived({}, { [row]: 1000 }, more).of(row))
    const usual = (row: Row) => 1000 - mean(lived({}, { [row]: 1000 }).of(row))
    for (const row of ['FEMALES', 'MALES'] as const)
      expect(Math.abs(dead(row) - usual(row) - 1000 * (1 - Math.exp(-0.25)))).toBeLessThan(3)
    for (const row of ['FIRST', 'YOUNG_1', 'YOUNG_2'] as const) expect(dead(row)).toBe(usual(row))
  })
  it('eggs die of no hazard', () => {
    const { of } = lived(hazards, { EGGS: 50, EGGS_7: 70 })
    expect(of('EGGS').filter(n => n === 50).length / SIZE).toBeGreaterThan(0.99)
    expect(of('EGGS_7').filter(n => n === 70).length / SIZE).toBeGreaterThan(0.99)
  })
})

describe('growing', () => {
  it.each<[Row, Row, Partial<StageRates>]>([
    ['EGGS', 'EGGS_3', { eggs: { ...RESTING, hop: [0.7, 0, 0, 0.3] } }],
    ['FIRST', 'YOUNG_1', { firstLeave: 0.3 }],
    ['YOUNG_1', 'YOUNG_2', { youngLeave: 0.3 }],
  ])('from %s to %s goes who leaves, and nobody is lost', (from, to, rates) => {
    const { of } = lived(rates, { [from]: 100 })
    const [here, there] = [of(from), of(to)]
    const whole = there.filter((n, i) => n + here[i]! === 100)
    expect(whole.length / SIZE).toBeGreaterThan(0.99)
    const { off, spread } = against(whole, () => binomial(100, 0.3))
    expect(Math.abs(off)).toBeLessThan(4)
    expect(Math.abs(spread - 1)).toBeLessThan(0.12)
  })
  it('nobody goes two stages in one step', () => {
    const { of } = lived({ firstLeave: 1, youngLeave: 1, eggs: onBy(3), comeUp: 1 }, { FIRST: 10, EGGS: 7 })
    expect(Math.max(...of('YOUNG_2'), ...of('FIRST'))).toBe(0)
    expect(Math.max(...of('YOUNG_1'))).toBe(10)
    expect(Math.max(...of('EGGS_3'))).toBe(7)
  })
  it('who is grown is a female by the share of females', () => {
    const { of } = lived({ youngLeave: 0.5, femaleShare: 0.7 }, { YOUNG_2: 100 })
    const females = of('FEMALES')
    const grown = of('MALES').map((m, i) => m + females[i]!)
    const { off, spread } = against(females, i => binomial(Math.max(1, grown[i]!), 0.7))
    expect(Math.abs(off)).toBeLessThan(4)
    expect(Math.abs(spread - 1)).toBeLessThan(0.12)
    expect(Math.abs(mean(grown) - 50)).toBeLessThan(0.5)
    expect(of('YOUNG_2').filter((n, i) => n + grown[i]! === 100).length / SIZE).toBeGreaterThan(0.99)
  })
})

describe('coming up', () => {
  const up = (from: Partial<Record<Row, number>>, rates: Partial<StageRates> = {}, more: StepMore = {}) => {
    const l = lived({ eggs: onBy(1), comeUp: 0.01, broodSize: 20, ...rates }, { EGGS_7: 4000, ...from }, more)
    // by mood: half of it is felt here
    const by = l.of('FIRST').map((n, i) => n / (80_000 * Math.exp(0.5 * l.mood[i]!)))
    return mean(by.filter(b => b > 0))
  }
  it('is a share of the hatched, by the luck of the colony', () => {
    expect(up({}) / 0.01).toBeCloseTo(1, 1)
    // good times bring up more, bad ones fewer: half of the mood is felt here
    expect(up({ MOOD: 0.8 }) / up({})).toBeCloseTo(1, 1)
    expect(up({ MOOD: -0.8 }) / up({})).toBeCloseTo(1, 1)
    expect(new Set(lived({ eggs: onBy(1) }, { EGGS_7: 40 }).of('EGGS_7'))).toEqual(new Set([0]))
    expect(up({ RECRUITS: 0.5 }) / up({})).toBeCloseTo(Math.exp(0.5), 1)
    expect(up({}, {}, { recruitsFactor: 3 }) / up({})).toBeCloseTo(3, 1)
    expect(up({}, { comeUp: 0.03 }) / up({})).toBeCloseTo(3, 1)
  })
  it('falls as the room fills, by what the colony counts, down to what just holds it', () => {
    const rates = { capacity: 400, holds: -1.2, adultHazard: 0, youngHazard: 0 }
    const fell = (from: Partial<Record<Row, number>>, more: StepMore = {}) =>
      Math.log(up(from, rates, more) / up({}, rates))
    expect(fell({ FEMALES: 200, MALES: 100, YOUNG_1: 60, YOUNG_2: 40 })).toBeCloseTo(-1.2, 1)
    expect(fell({ FEMALES: 200 })).toBeCloseTo(-0.6, 1)
    // hatchlings take no room
    expect(fell({ FIRST: 400 })).toBeGreaterThan(-0.05)
    expect(fell({ FEMALES: 200 }, { roomFactor: 2 })).toBeCloseTo(-0.3, 1)
    expect(fell({ FEMALES: 200, ROOM: Math.log(2) })).toBeCloseTo(-0.3, 1)
    // steeper crowding: half a room is a quarter of the way
    expect(fell({ FEMALES: 200, SHAPE: Math.log(2) })).toBeCloseTo(-0.3, 1)
  })
  it('a colony with more luck is held the harder', () => {
    const rates = { capacity: 400, holds: -1.2 }
    const lucky = up({ FEMALES: 400, RECRUITS: 0.6 }, rates) / up({ RECRUITS: 0.6 }, rates)
    expect(Math.log(lucky)).toBeCloseTo(-1.8, 1)
  })
  it('never more come up than hatch', () => {
    const { of } = lived({ eggs: onBy(2), comeUp: 50, broodSize: 1e-6 }, { EGGS_7: 30 })
    expect(Math.max(...of('FIRST'))).toBe(0)
    const whole = lived({ eggs: onBy(2), comeUp: 50, broodSize: 1 }, { EGGS_7: 30 }).of('FIRST')
    expect(mean(whole)).toBeGreaterThan(29)
    expect(mean(whole)).toBeLessThan(31)
  })
})

describe('blows', () => {
  const COLONIES = 60_000
  it('strike three of a thousand a week, and take up to 60 % of everything, bodies and all', () => {
    for (const dtWeeks of [1, 0.5]) {
      const died = new Float64Array(COLONIES)
      const from = { EGGS: 900, FIRST: 900, YOUNG_1: 900, YOUNG_2: 900, FEMALES: 900, MALES: 900 }
      const { of } = lived({ dtWeeks }, from, { died }, COLONIES)
      const females = of('FEMALES')
      const struck = females.flatMap((n, i) => (n < 890 ? [i] : []))
      // all but those that lose hardly any
      expect(struck.length / COLONIES / (0.003 * dtWeeks)).toBeGreaterThan(0.8)
      expect(struck.length / COLONIES / (0.003 * dtWeeks)).toBeLessThan(1.2)
      const share = struck.map(i => 1 - females[i]! / 900)
      expect(Math.abs(mean(share) - 0.3)).toBeLessThan(0.05)
      expect(Math.max(...share)).toBeLessThan(0.65)
      expect(Math.max(...share)).toBeGreaterThan(0.5)
      for (const row of ['EGGS', 'FIRST', 'YOUNG_1', 'YOUNG_2', 'MALES'] as const) {
        const left = of(row)
        expect(Math.abs(mean(struck.map(i => 1 - left[i]! / 900)) - mean(share)), row).toBeLessThan(0.01)
      }
      const bodies = (['YOUNG_1', 'YOUNG_2', 'FEMALES', 'MALES'] as const).map(of)
      for (const i of struck) expect(died[i]).toBe(bodies.reduce((sum, left) => sum + 900 - left[i]!, 0))
      expect(died.filter(d => d === 0).length / COLONIES).toBeGreaterThan(0.995)
    }
  })
})

describe('luck', () => {
  it('is the same for the same key, whoever else is there; another key, another luck', () => {
    const rates = { ...still, adultHazard: 0.2, youngLeave: 0.3 }
    const cloudOf = (size: number) => {
      const cloud = new Float64Array(rows.ROWS * size)
      cloud.fill(100, rows.FEMALES * size, (rows.FEMALES + 1) * size)
      return cloud
    }
    const after = (size: number, key: number) => {
      const cloud = cloudOf(size)
      stepOf(rates)({ cloud, size }, key)
      return [...cloud.subarray(rows.FEMALES * size, (rows.FEMALES + 1) * size)]
    }
    expect(after(30, 5)).toEqual(after(10, 5).concat(after(30, 5).slice(10)))
    expect(after(30, 5)).not.toEqual(after(30, 6))
    // a step that was made for one size serves another, and says nothing of the deaths of the step before
    const step = stepOf(rates)
    const died = new Float64Array(10)
    for (const size of [30, 10, 10]) {
      const cloud = cloudOf(size)
      step({ cloud, size }, 5, size === 10 ? { died } : {})
      expect([...cloud.subarray(rows.FEMALES * size, rows.FEMALES * size + 10)]).toEqual(after(10, 5))
    }
    expect([...died]).toEqual(after(10, 5).map(n => 100 - n))
  })
})
