import { describe, expect, it } from 'vitest'
import { aimOf, readBatch, saltDown, saltUp } from '#core/batches'
import { DAY_MS } from '#core/records'
import { NOW } from '../../make'
import { heads, resolvedOf } from '../population/questions'
import { grownDays } from '../../../core/batches/belief'
import { standingAt } from '../../../core/batches/course'
import { about, at, believed, elsewhere, poolLaw, sample, told } from './parts'

const HOUR = DAY_MS / 24
const days = (ms: number) => (ms - NOW) / DAY_MS

describe('a rearing as it is told', () => {
  const log = [sample(10, [40], 0.5), sample(5, [22, 10], 0.5), sample(1, [1, 25], 0.5)]
  it('counts molts of nine by how far they are', () => {
    const b = told(log)
    expect(b.molts!.of).toBe(9)
    expect(b.molts!.done.value).toBeCloseTo(9 * b.way.value, 9)
    expect(b.molts!.done.low).toBeCloseTo(9 * b.way.low, 9)
    expect(b.molts!.done.high).toBeCloseTo(9 * b.way.high, 9)
    expect(b.molts!.done.value).toBeGreaterThan(3.8)
    expect(b.molts!.done.value).toBeLessThan(4.8)
    // snails of the sea do not molt
    expect(told([], 14, { groupId: 'nerite-snail' }).molts).toBeNull()
  })
  it('says what it learnt, and of what it knows the group alone', () => {
    const b = told(log)
    expect(b.stages.map(s => s.learnt)).toEqual([false, true, false, false])
    const late = told(
      [...log, about('removal', 0.5, { number: 40, outlet: 'sold' }), sample(0.2, [0, 0, 0, 30], 0.5)],
      34,
    )
    expect(late.stages[2]!.learnt).toBe(true)
    expect(b.stages[3]!.lives).toBeNull()
    expect(told([]).stages.map(s => s.learnt)).toEqual([false, false, false, false])
  })
  it('lists what was seen, and what was taken out; only its own moves out are picks', () => {
    const b = told(log)
    const moved = [
      about('move', 2, { number: 7, toColonyId: elsewhere }),
      about('removal', 1, { number: 3, outlet: 'sold' }),
      {
        ...about('move', 3, { number: 50, toColonyId: elsewhere }),
        colonyId: elsewhere,
        toColonyId: b.samples[0]!.entryId,
      },
    ]
    const t = told([...log, ...moved, about('larvae', 1, { green: 3 })], 32)
    expect(t.samples.map(s => [s.numbers, s.litres])).toEqual([
      [[40, 0, 0, 0], 0.5],
      [[22, 10, 0, 0], 0.5],
      [[1, 25, 0, 0], 0.5],
    ])
    expect([t.out.number, t.out.lastMs]).toEqual([10, at(1)])
    expect(t.outs.map(o => o.number)).toEqual([7, 3])
    expect(t.greens).toEqual([{ at: at(1), green: 3 }])
  })
  it('goes by what was written until now, that of this moment as well', () => {
    expect(told([...log, sample(-1, [0, 0, 9], 0.5), about('removal', -2, { number: 3, outlet: 'sold' })])).toEqual(
      told(log),
    )
    expect(told([...log, about('removal', 0, { number: 3, outlet: 'sold' })]).out.number).toBe(3)
  })
  it('is nothing of a colony that is no hatch', () => {
    const asked = { resolved: resolvedOf('neocaridina'), entries: [], temperatures: [], netL: 10, nowMs: NOW }
    const colony = { id: elsewhere, form: 'colony' as const, founders: heads({ young: 3 }), startedAt: log[0]!.at }
    expect(readBatch({ ...asked, colony })).toBeNull()
  })
  it('a first look is near what is told in full', () => {
    const whole = told(log)
    const rough = told(log, 14, { rough: true })
    expect(rough.course.length).toBe(whole.course.length)
    expect(Math.abs(Math.log(rough.alive.value / whole.alive.value))).toBeLessThan(0.35)
    expect(Math.abs(rough.arrive.half!.value - whole.arrive.half!.value)).toBeLessThan(2.5 * DAY_MS)
  })
  it('more that are put in are more that hatched', () => {
    const few = told([], 14, { young: 100 })
    const more = told([about('addition', 14, { number: 400, origin: 'ownRoom' })], 14, { young: 100 })
    expect(more.hatched.value / few.hatched.value).toBeCloseTo(5, 1)
  })
  it('goes faster in warmth, by the group’s Q10', () => {
    const half = (celsius: number) => days(told([], 10, { celsius }).arrive.half!.value)
    // 28 days at 22 °C
    expect(half(22)).toBeGreaterThan(15.5)
    expect(half(22)).toBeLessThan(19.5)
    expect((half(26) + 10) / (half(22) + 10)).toBeCloseTo(2.2 ** -0.4, 1)
  })
  it('the first come before the half, the half before nearly all', () => {
    const b = told(log)
    const { first, half, nearly } = b.arrive
    expect(first!.value).toBeLessThan(half!.value)
    expect(half!.value).toBeLessThan(nearly!.value)
    expect(b.course.at(-1)!.at).toBeGreaterThan(nearly!.value)
    expect(b.eggs).toBeNull()
    expect(b.endsMs).toBeNull()
  })
  it('its course adds up to all, near enough, and begins with nobody', () => {
    const b = told(log)
    for (const p of b.course.slice(3)) {
      const sum = p.stages.reduce((a, n) => a + n, 0)
      expect(sum).toBeCloseTo(p.all.p50, 6)
    }
    expect(b.course[0]!.all.p10).toBe(0)
  })
})

describe('a pool as it is told', () => {
  it('knows when it hatches, when it is grown and when it is over, and what lies in its ground', () => {
    const p = told([about('count', 1, { number: 60, method: 'estimate' })], 14, { groupId: 'pool-branchiopod' })
    expect(p.kind).toBe('pool')
    expect(days(p.hatch.low) + 14).toBeGreaterThan(0.8)
    expect(days(p.hatch.high) + 14).toBeLessThan(4.5)
    expect(days(p.endsMs!)).toBeGreaterThan(2)
    expect(days(p.endsMs!)).toBeLessThan(20)
    expect(p.eggs!.now.value).toBeGreaterThan(0)
    expect(p.eggs!.end.value).toBeGreaterThan(p.eggs!.now.value)
    // by hand: sixty, half of them females, 15 a day, about ten days of grown life
    expect(p.eggs!.end.value).toBeGreaterThan(60 * 0.5 * 15 * 4)
    expect(p.eggs!.end.value).toBeLessThan(60 * 0.5 * 15 * 20)
    expect(p.totals.map(t => t.number)).toEqual([60])
  })
  it('lays as long as grown females live: summed day by day, by hand', () => {
    const belief = believed([], 14, poolLaw)
    const [c] = belief.courses.filter(x => x.hatched > 0)
    const end = c!.hatchDay + 60
    let [now, all] = [0, 0]
    for (let day = c!.hatchDay; day < end; day += 0.02) {
      const grown = standingAt(poolLaw, c!, day).alive.at(-1)! * 0.02
      all += grown
      if (day < belief.nowDay) now += grown
    }
    const got = grownDays(belief, c!, belief.nowDay, end)
    expect(all).toBeGreaterThan(1)
    expect(got.end / all).toBeCloseTo(1, 1)
    expect(Math.abs(got.now - now)).toBeLessThan(0.06 * all)
    expect(grownDays(belief, { ...c!, hatched: 0 }, belief.nowDay, end)).toEqual({ now: 0, end: 0 })
    // nothing is laid before the hatch, nor after the end
    expect(grownDays(belief, c!, belief.nowDay, c!.hatchDay)).toEqual({ now: 0, end: 0 })
    // what was taken out lays no more
    const thinned = { ...belief, looks: [{ kind: 'out' as const, day: c!.hatchDay + 12, number: c!.hatched / 3 }] }
    expect(grownDays(thinned, c!, belief.nowDay, end).end).toBeLessThan(got.end)
  })
  it('has no end where nothing hatched', () => {
    const none = [4, 3, 2, 1].map(d => about('count', d, { number: 0, method: 'estimate' }))
    const p = told(none, 10, { groupId: 'pool-branchiopod' })
    expect(p.none).toBeGreaterThan(0.6)
    expect(p.endsMs).toBeNull()
  })
})

describe('steps of salt', () => {
  const shrimp = resolvedOf('amphidromous-shrimp', { form: 'rearing' })
  const up = (readings: { at: number; value: number }[]) => saltUp(shrimp, at(1), readings)
  it('go up within the hours of the group, a fourth at once', () => {
    const steps = up([])
    expect(steps.map(s => s.gKg)).toEqual([8, 16, 24, 32])
    expect(steps.map(s => (s.atMs - at(1)) / HOUR)).toEqual([0, 2, 4, 6])
    expect(steps.every(s => s.doneMs === null)).toBe(true)
  })
  it('are done when the water shows them, and no sooner than the hatch', () => {
    const ms = at(1)
    const steps = up([
      { at: ms + HOUR, value: 8.2 },
      { at: ms + 3 * HOUR, value: 15 },
    ])
    expect(steps.map(s => s.doneMs)).toEqual([ms + HOUR, ms + 3 * HOUR, null, null])
    expect(up([{ at: ms - 2 * DAY_MS, value: 33 }]).map(s => s.doneMs)).toEqual(Array(4).fill(ms))
    // what the tub held a month before says nothing
    expect(up([{ at: ms - 30 * DAY_MS, value: 33 }])[0]!.doneMs).toBeNull()
  })
  it('go where the keeper says', () => {
    const range: [number, number] = [18, 22]
    const own = resolvedOf('amphidromous-shrimp', {
      form: 'rearing',
      targets: { salinityGKg: { preferred: range, tolerated: [15, 25] } },
    })
    expect(aimOf(own)).toBe(20)
    expect(saltUp(own, at(1), []).at(-1)!.gKg).toBe(20)
  })
  it('go down a day apart, and not at all where the glass is fresh', () => {
    const salty = [{ at: at(3), value: 30 }]
    const down = saltDown(shrimp, at(2), salty)
    expect(down.map(s => s.gKg)).toEqual([20, 10, 0].map(n => expect.closeTo(n, 9)))
    expect(down.map(s => Math.round(days(s.atMs)))).toEqual([-1, 0, 1])
    expect(saltDown(shrimp, at(2), [...salty, { at: at(0.9), value: 21 }]).map(s => s.doneMs)).toEqual([
      at(0.9),
      null,
      null,
    ])
    expect(saltDown(shrimp, at(2), [{ at: at(3), value: 0.3 }])).toEqual([])
    expect(saltDown(shrimp, at(2), [])).toEqual([])
  })
})
