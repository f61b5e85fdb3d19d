import { describe, expect, it } from 'vitest'
import { needsAttention } from '#core/care'
import { resolveGroup } from '#core/groups'
import type { PopulationAnswer } from '#core/population'
import { type Colony, toMoment, WEEK_MS } from '#core/records'
import { colonyStatements, firstLook } from '#core/statements'
import { roughened } from '../../../core/population/roughened'
import { headingStatement } from '../../../core/statements/headingStatement'
import { count, inputOf, NOW, removal, smallRoom, test as waterTest } from '../../make'

/** A log of counts every five weeks, of so many weeks, in which the number goes from one to another. */
function roomOf(groupId: string, weeks: number, [from, to]: [number, number], more: Partial<Colony> = {}) {
  const s = smallRoom({ colony: { groupId, startedAt: toMoment(NOW - weeks * WEEK_MS), ...more } })
  const entries = Array.from({ length: Math.floor(weeks / 5) }, (_, i) =>
    count(s.colony.id, 3 + 35 * i, Math.round(0.85 * (to + ((from - to) * (3 + 35 * i)) / (7 * weeks)))),
  )
  return { s, input: inputOf(s, entries.toReversed()) }
}

describe('a first look', () => {
  it.each([
    ['neocaridina', 120, [20, 260]],
    ['neocaridina', 40, [20, 90]],
    ['bee-shrimp', 80, [15, 60]],
    ['ramshorn-snail', 60, [8, 150]],
    ['water-isopod', 60, [30, 120]],
    ['nerite-snail', 100, [9, 8]],
  ] as const)('of %s over %d weeks is near what is told in full', (groupId, weeks, [from, to]) => {
    // five colonies of other luck: few possible colonies may go astray in one
    const breadth = ({ low, high }: { low: number; high: number }) => Math.log((high + 0.5) / (low + 0.5))
    const tried = Array.from({ length: 5 }, () => {
      const { input } = roomOf(groupId, weeks, [from, to])
      const rough = firstLook(input)
      const whole = colonyStatements(input).statements
      expect([rough.population.firstLook, whole.population.firstLook]).toEqual([true, false])
      return {
        rough,
        off: Math.abs(Math.log(rough.population.now.value / whole.population.now.value)),
        breadths: (breadth(rough.population.now) + 0.05) / (breadth(whole.population.now) + 0.05),
      }
    })
    const middle = (of: (t: (typeof tried)[number]) => number) => tried.map(of).sort((a, b) => a - b)[2]!
    expect(middle(t => t.off)).toBeLessThan(0.25)
    // and its range is wider by what few possible colonies stray, neither certain nor lost
    expect(middle(t => t.breadths)).toBeGreaterThan(0.8)
    expect(middle(t => t.breadths)).toBeLessThan(2.8)
    const { rough } = tried[0]!
    // the Room draws the last half year, and eight weeks ahead
    const drawn = rough.population.path
    expect(drawn[0]!.at).toBeLessThanOrEqual(Math.max(NOW - 26 * WEEK_MS, NOW - weeks * WEEK_MS) + WEEK_MS)
    expect(rough.population.fan.length).toBeGreaterThan(8)
  })
  it('is wider by what few possible colonies stray, and what is known one by one stays so', () => {
    const { input } = roomOf('neocaridina', 60, [30, 200])
    const { now, path, fan, grown } = colonyStatements(input).statements.population
    const answer = { now, path, fan, grown } as PopulationAnswer
    const wide = roughened(answer)
    const logs = ({ value, low, high }: typeof now) => [Math.log(value / low), Math.log(high / value)] as const
    const [down, up] = logs(now)
    expect(logs(wide.now)[0]).toBeCloseTo(Math.hypot(down, 1.2816 * 0.15), 4)
    expect(logs(wide.now)[1]).toBeCloseTo(Math.hypot(up, 1.2816 * 0.15), 4)
    const [before, after] = [path.at(-1)!, wide.path.at(-1)!]
    expect(Math.log(after.p75 / after.p50)).toBeCloseTo(Math.hypot(Math.log(before.p75 / before.p50), 0.1012), 3)
    expect(after.p50).toBe(before.p50)
    expect(wide.fan.at(-1)!.p10).toBeLessThan(fan.at(-1)!.p10)
    expect(wide.grown.past.at(-1)!.high).toBeGreaterThan(grown.past.at(-1)!.high)
    const exact = { ...answer, now: { ...now, value: 4, low: 4, high: 4 } }
    expect(roughened(exact).now).toMatchObject({ low: 4, high: 4 })
    expect(roughened({ ...answer, now: { ...now, value: 0, low: 0, high: 3 } }).now).toMatchObject({ low: 0, high: 3 })
  })
  it('judges the water in full, and calls nobody for a number', () => {
    const s = smallRoom()
    const sick = inputOf(
      s,
      [60, 40, 20, 6].map((days, i) => count(s.colony.id, days, [80, 60, 38, 24][i]!)),
      [waterTest(s.glass.id, 1, { ghDh: 6, khDh: 3, temperatureC: 23, ph: 7 })],
    )
    const whole = colonyStatements(sick).statements
    const rough = firstLook(sick)
    expect(rough.water).toEqual(whole.water)
    expect(whole.heading.state).toBe('off')
    expect(needsAttention([whole])).toMatchObject([{ title: { key: 'heading.shrinking' } }])
    // the same answer told as a first look says that it shrinks, and does not call
    const heading = headingStatement({ ...whole.population, firstLook: true }, resolveGroup(sick.colony))
    expect(heading).toMatchObject({ state: 'drifting', conclusion: { key: 'heading.shrinking' } })
    expect(needsAttention([{ ...rough, heading }]).map(a => a.title.key)).not.toContain('heading.shrinking')
    const hard = inputOf(s, [], [waterTest(s.glass.id, 1, { ghDh: 30 })])
    expect(needsAttention([firstLook(hard)])[0]).toMatchObject({ state: 'off' })
  })
  it('says that it is one, offers nobody, and asks for nothing', () => {
    const { s, input } = roomOf('neocaridina', 60, [30, 200])
    const rough = firstLook({ ...input, colonyEntries: [...input.colonyEntries, removal(s.colony.id, 1, 5)] })
    expect(rough.number.reasons).toEqual([{ key: 'number.reasonFirstLook', values: {} }])
    expect(rough.number.actions).toEqual([])
    expect(rough.surplus).toMatchObject({ state: 'unknown', conclusion: { key: 'surplus.notYet' } })
    expect(rough.population.surplus.take).toBe(0)
    expect(colonyStatements(input).statements.population.surplus.take).toBeGreaterThan(0)
    expect(rough.population.matrix).toBeNull()
  })
  it('of a colony that was counted long ago does not say that it was never counted', () => {
    const s = smallRoom({ colony: { startedAt: toMoment(NOW - 100 * WEEK_MS) } })
    const input = inputOf(s, [count(s.colony.id, 400, 40)])
    expect(firstLook(input).number.conclusion.key).toBe('number.about')
    expect(colonyStatements(input).statements.number.state).toBe('unknown')
  })
})
