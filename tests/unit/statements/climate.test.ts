import { describe, expect, it } from 'vitest'
import { stageModel } from '#core/population'
import { WEEK_MS } from '#core/records'
import { questionOf } from '#core/statements'
import { climateOf } from '../../../core/statements/climate'
import { count, NOW, smallRoom } from '../../make'

const read = (weeksAgo: number, value: number) => ({ at: NOW - weeksAgo * WEEK_MS, value })
const span = (weeks: number) => ({ startMs: NOW - weeks * WEEK_MS, nowMs: NOW })

describe('the temperatures of a log', () => {
  it('are those of each stretch, to half a degree; where nobody measured, the usual one', () => {
    expect(climateOf([], span(10), 23.5)).toEqual([{ untilMs: NOW, temperatureC: 23.5 }])
    const readings = [read(30, 20), read(28, 20.1), read(4, 26), read(2, 26.1)]
    const climate = climateOf(readings, span(40), 23.5)
    expect(climate.map(c => c.temperatureC)).toEqual([23.5, 20, 23.5, 26])
    // a reading holds for twelve weeks, and not for longer
    expect(climate[1]!.untilMs).toBe(NOW - 17 * WEEK_MS)
    expect(climate.at(-1)!.untilMs).toBe(NOW)
  })
  it('a new reading leaves the past as it is', () => {
    const before = climateOf([read(20, 21)], span(40), 24)
    const after = climateOf([read(20, 21), read(0, 28)], span(40), 24)
    expect(after.slice(0, before.length - 1)).toEqual(before.slice(0, -1))
    expect(after.at(-1)!.temperatureC).toBe(28)
  })
})

describe('a colony of which half the year was warm', () => {
  const s = smallRoom()
  const entries = [count(s.colony.id, 200, 30), count(s.colony.id, 3, 60)]
  const weekly = (of: (week: number) => number) =>
    Array.from({ length: 40 }, (_, i) => ({ at: NOW - (39 - i) * WEEK_MS, value: of(i) }))
  const colony = { ...s.colony, startedAt: new Date(NOW - 40 * WEEK_MS).toISOString() }
  const ask = (temperatures: { at: number; value: number }[], more = entries) =>
    questionOf(colony, s.glass, { entries: more, temperatures }, NOW)

  it('lived through each week at its own pace', () => {
    const question = ask(weekly(i => (i < 20 ? 20 : 26)))
    const [cool, warm] = [question.pastRates![0]!, question.pastRates!.at(-1)!]
    expect([cool.temperatureC, warm.temperatureC]).toEqual([20, 26])
    expect(cool.rates.adultHazard).toBeLessThan(warm.rates.adultHazard)
    // without any count, a cool year brings fewer than a warm one, and half of each lies between
    const without = (of: (week: number) => number) => stageModel.fit(ask(weekly(of), [])).explain().now.value
    const [all20, half, all26] = [without(() => 20), without(i => (i < 28 ? 20 : 26)), without(() => 26)]
    expect(all20).toBeLessThan(0.9 * half)
    expect(half).toBeLessThan(all26)
  })
  it('goes on from an earlier fit to the same answer, also when the water turns', () => {
    const steady = weekly(() => 23)
    const before = stageModel.fit(ask(steady, entries.slice(0, 1)))
    expect(before.resume(ask(steady)).explain()).toEqual(stageModel.fit(ask(steady)).explain())
    const turned = [...steady.slice(0, -3), ...weekly(() => 28).slice(-3)]
    expect(before.resume(ask(turned)).explain()).toEqual(stageModel.fit(ask(turned)).explain())
  })
})
