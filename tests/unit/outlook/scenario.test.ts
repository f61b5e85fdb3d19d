import { describe, expect, it } from 'vitest'
import {
  CHUNK,
  chunkSize,
  joinFutures,
  liveChunk,
  numberToAskFor,
  outlookRows,
  readOutlook,
  scenarioModel,
} from '#core/outlook'
import { futureFan, type Futures, stageModel } from '#core/population'
import { type ScenarioChange, ScenarioChange as schema } from '#core/records'
import { NOW, smallRoom } from '../../make'
import { ask, doubling } from '../population/questions'

const { colony, glass } = smallRoom()
const question = ask(doubling)
const fit = stageModel.fit(question, { particles: 400 })
const basis = { question, colony, glass, now: 140, dyingPerWeek: 0 }
const live = (change: ScenarioChange, weeks = 26, size = 300) => {
  const model = scenarioModel(change, basis)
  return { model, futures: liveChunk(fit, model, { chunk: 0, weeks, size }) }
}
const fansOf = (f: Futures) => ({ fan: futureFan(f.totals, f, NOW), halfGrown: futureFan(f.halfGrown, f, NOW) })
const asked = { weeks: 26, number: 200, of: 'total' as const, byWeek: 12 }
const answer = (change: ScenarioChange) => {
  const { model, futures } = live(change)
  return readOutlook(futures, fansOf(futures), asked, model.rates.capacity)
}
const end = (change: ScenarioChange) => answer(change).fan.at(-1)!.p50

describe('scenarios', () => {
  const as = end({})
  it('as things are is just that', () => {
    expect(live({}).model.rates).toBe(question.rates)
    expect(live({}).futures.totals).toEqual(live({}).futures.totals)
  })
  it('warmer is faster, cooler slower', () => {
    expect(end({ temperatureC: 27 })).toBeGreaterThan(as)
    expect(end({ temperatureC: 19 })).toBeLessThan(as)
  })
  it('fish cost young', () => {
    expect(end({ fish: 'peaceful' })).toBeLessThan(0.9 * as)
  })
  it('food, surface and a second tank make room, less of them takes it', () => {
    expect(end({ roomFactor: 0.3 })).toBeLessThan(as)
    expect(end({ secondTankL: 100 })).toBeGreaterThan(as)
    expect(live({ secondTankL: 50 }).model.rates.capacity).toBeGreaterThan(question.rates.capacity)
  })
  it('animals put in are there, animals taken are gone', () => {
    expect(answer({ putIn: 70 }).fan[0]!.p50 / answer({}).fan[0]!.p50).toBeCloseTo(1.5, 1)
    expect(end({ weekly: { of: 'any', number: 4 } })).toBeLessThan(as - 30)
    expect(answer({ takeNow: { of: 'halfGrown', number: 20 } }).fan[0]!.p50).toBe(answer({}).fan[0]!.p50 - 20)
  })
  it('answers when, by when, and what may go wrong', () => {
    const a = answer({})
    expect(a.reach.p50).toBeGreaterThan(0)
    expect(a.chanceBy).toBeGreaterThanOrEqual(0)
    expect(a.chanceBy).toBeLessThanOrEqual(1)
    expect(a.diedOut).toBe(0)
    expect(answer({ weekly: { of: 'any', number: 10_000 } }).diedOut).toBeGreaterThan(0.9)
    expect(answer({ roomFactor: 0.2 }).futures).toBe(300)
  })
  it('says when the room is full', () => {
    const { futures } = live({}, 52)
    const full = readOutlook(futures, fansOf(futures), { ...asked, weeks: 52 }, 220).full
    expect(full.chance).toBeGreaterThan(0.7)
    expect(full.week).toBeGreaterThan(0)
    expect(readOutlook(futures, fansOf(futures), asked, 1e6).full).toMatchObject({ chance: 0, week: null })
  })
  it('refuses what cannot be', () => {
    expect(schema.safeParse({ temperatureC: 80 }).success).toBe(false)
    expect(schema.safeParse({ weekly: { of: 'any', number: 0 } }).success).toBe(false)
    expect(schema.safeParse({}).success).toBe(true)
  })
})

describe('numberToAskFor', () => {
  it('is round, and not there yet', () => {
    expect([0, 2, 36, 162, 950].map(numberToAskFor)).toEqual([5, 5, 60, 300, 2000])
  })
})

describe('chunks', () => {
  it('joined, they are one set of futures, week by week', () => {
    const model = scenarioModel({}, basis)
    const parts = [0, 1, 2].map(c => liveChunk(fit, model, { chunk: c, weeks: 4, size: 50 }))
    const whole = joinFutures(parts)
    expect(whole.size).toBe(150)
    expect(whole.totals[2 * 150 + 60]).toBe(parts[1]!.totals[2 * 50 + 10])
    expect(parts[1]!.totals).not.toEqual(parts[0]!.totals)
    expect(() => joinFutures([])).toThrow(/one or more/)
  })
  it('are smaller where futures are longer or their steps shorter', () => {
    expect(chunkSize(26, { dtWeeks: 1 })).toBe(CHUNK)
    expect(chunkSize(104, { dtWeeks: 1 })).toBe(CHUNK / 2)
    expect(chunkSize(52, { dtWeeks: 1 / 7 })).toBe(Math.round(CHUNK / 7))
  })
})

describe('the table', () => {
  it('has a row a week and three columns a scenario', () => {
    const { fan } = answer({})
    const { head, rows } = outlookRows(
      [
        { name: 'As things are', fan },
        { name: 'Warm', fan: answer({ temperatureC: 27 }).fan },
      ],
      'UTC',
    )
    expect(head).toHaveLength(8)
    expect(rows).toHaveLength(27)
    expect(rows[0]!.slice(0, 2)).toEqual([0, '2026-11-25'])
    expect(rows[26]![2]).toBe(Math.round(fan[26]!.p50 * 10) / 10)
  })
})
