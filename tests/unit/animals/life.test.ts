import { describe, expect, it } from 'vitest'
import { lifeOf, nextMolt } from '#core/animals'
import { type Animal, type Entry, DAY_MS } from '#core/records'
import { resolvedOf } from '../population/questions'
import { daysAgo, nextId, NOW } from '../../make'
import { about, animal, at, away } from './parts'

const ash = animal('Ash')
const life = (entries: Entry[], who: Animal = ash, more = {}) =>
  lifeOf({
    ...{ animal: who, entries, resolved: resolvedOf('land-crab'), temperatures: [], broods: [], nowMs: NOW },
    temperatureC: 25,
    ...more,
  })
const RUNG = nextId()
const molt = (days: number) => about([ash], 'molts', days, { number: 1 })

describe('a life', () => {
  it('molts, and those that failed, of which it may have died', () => {
    const l = life([
      molt(40),
      about([ash], 'molts', 30, { number: 0, animalIds: undefined }),
      about([ash], 'failedMolt', 9, { number: 1, sign: 'stuck' }),
      about([ash], 'death', 8, { number: 1, sign: 'failedMolt' }),
    ])
    expect(l.molts.map(m => [m.atMs, m.failed])).toEqual([
      [at(40), false],
      [at(9), true],
      [at(8), true],
    ])
    expect(l.left?.how).toBe('died')
    // who is gone molts no more, and is not soft
    expect([l.nextMolt, l.soft, l.limbsUnderway]).toEqual([null, null, []])
  })
  it('limbs with the molts since, until one look finds them whole', () => {
    const lost = about([ash], 'limbLoss', 60, { number: 1, limbs: 'several' })
    const whole = about([ash], 'limbLoss', 2, { number: 1, limbs: 'one', back: true })
    const open = life([lost, molt(35)])
    expect(open.limbs).toEqual([{ entryId: lost.id, atMs: at(60), several: true, backMs: null, molts: 1 }])
    expect(life([lost, molt(35), molt(9), whole]).limbs).toMatchObject([{ backMs: at(2), molts: 2 }])
    // two molts of a crab take longer than a week
    expect(life([about([ash], 'limbLoss', 7, { number: 1, limbs: 'one' })]).limbsUnderway).toHaveLength(1)
    const healed = [about([ash], 'limbLoss', 7, { number: 1, limbs: 'one' }), whole]
    expect(life(healed).limbsUnderway).toEqual([])
    // before the loss it was whole
    expect(
      life([about([ash], 'limbLoss', 70, { number: 1, limbs: 'one', back: true }), lost]).limbs[0]!.backMs,
    ).toBeNull()
  })
  it('is born when the keeper says so, else by its size, else before it came', () => {
    const days = (from: number, to: number) => ({ from: daysAgo(from), to: daysAgo(to) })
    const size = about([ash], 'shell', 5, { marks: [], diameterMm: 8 })
    expect(life([size], animal('Ash', { born: days(200, 190) })).born).toEqual({
      ...{ fromMs: at(200), toMs: at(190), by: 'keeper' },
    })
    const bySize = life([size]).born!
    expect(bySize.by).toBe('size')
    expect(bySize.fromMs!).toBeLessThan(bySize.toMs)
    expect(life([], animal('Ash', { came: days(90, 90) })).born).toEqual({ fromMs: null, toMs: at(90), by: 'came' })
    expect(life([]).born).toBeNull()
  })
  it('young ones molt sooner than grown ones', () => {
    const born = (days: number) => ({ born: { from: daysAgo(days), to: daysAgo(days) } })
    const next = (days: number) => life([molt(3)], animal('Ash', born(days))).nextMolt!.likelyMs
    // every two weeks against every four
    expect((next(60) - at(3)) / DAY_MS).toBeCloseTo(14, 6)
    expect((next(900) - at(3)) / DAY_MS).toBeCloseTo(28, 6)
  })
  it('molts sooner in warmth, and after a limb was lost', () => {
    const warm = life([molt(3)], ash, { temperatureC: 28 })
    expect(warm.nextMolt!.likelyMs).toBeLessThan(life([molt(3)]).nextMolt!.likelyMs - 4 * DAY_MS)
    const wounded = life([molt(3), about([ash], 'limbLoss', 1, { number: 1, limbs: 'one' })])
    expect((wounded.nextMolt!.likelyMs - at(3)) / DAY_MS).toBeCloseTo(0.8 * 28, 6)
    // what was lost before the last molt hurries it no more
    const before = life([about([ash], 'limbLoss', 9, { number: 1, limbs: 'one' }), molt(3)])
    expect((before.nextMolt!.likelyMs - at(3)) / DAY_MS).toBeCloseTo(28, 6)
  })
  it('grades, where it lived, and the colony that tells of it', () => {
    const l = life([
      about([ash], 'grading', 12, { grades: [{ grade: 'A', number: 1 }] }),
      about([ash], 'grading', 8, { ladderId: RUNG, seen: [{ rungId: RUNG, sex: 'female', number: 1 }] }),
      about([ash], 'move', 10, { number: 1, toColonyId: away }),
    ])
    expect(l.grades).toMatchObject([
      { word: 'A', rungId: null, atMs: at(12) },
      { word: '', rungId: RUNG, atMs: at(8) },
    ])
    expect(l.colonyId).toBe(away)
  })
  it('nothing of it is told before it happened', () => {
    const later = { ...molt(0), at: daysAgo(-3) } as Entry
    expect(life([later]).molts).toEqual([])
  })
})

describe('the next molt', () => {
  const every = (days: number, n: number) => Array.from({ length: n }, (_, i) => at(5 + days * (n - 1 - i)))
  it('is not told before one was seen', () => {
    expect(nextMolt([], 28, false)).toBeNull()
  })
  it('goes by its own intervals the more of them were watched', () => {
    const after = (n: number) => (nextMolt(every(22, n), 28, false)!.likelyMs - at(5)) / DAY_MS
    expect(after(1)).toBeCloseTo(28, 9)
    // normal with a normal prior: ln 28 at 1/0.25², ln 22 at 3/0.18²
    const [prior, own] = [1 / 0.25 ** 2, 3 / 0.18 ** 2]
    expect(after(4)).toBeCloseTo(Math.exp((prior * Math.log(28) + own * Math.log(22)) / (prior + own)), 9)
    expect(nextMolt(every(22, 4), 28, false)!.watched).toBe(3)
  })
  it('two that lie far apart had one between that nobody found', () => {
    const gaps = [at(5 + 2 * 28), at(5)]
    expect(nextMolt(gaps, 28, false)).toMatchObject({ watched: 0 })
    expect(nextMolt([at(5.5), at(5)], 28, false)!.watched).toBe(0)
  })
  it('its likely range is as wide as animals and molts differ', () => {
    const one = nextMolt([at(5)], 28, false)!
    const sd = Math.hypot(0.25, 0.18)
    expect(Math.log((one.latestMs - at(5)) / (one.earliestMs - at(5)))).toBeCloseTo(2 * 1.2815515655446004 * sd, 9)
    const four = nextMolt(every(28, 4), 28, false)!
    expect(four.latestMs - four.earliestMs).toBeLessThan(one.latestMs - one.earliestMs)
  })
})
