import { describe, expect, it } from 'vitest'
import { joinFutures, liveChunk, readOutlook, type ScenarioModel } from '#core/outlook'
import {
  asThingsAre,
  type FittedColony,
  type Futures,
  futureFan,
  type PopulationModel,
  type PopulationQuestion,
  stageModel,
  takeSearch,
} from '#core/population'
import { safeTake, spareAhead, stayUnder } from '#core/surplus'
import { NOW } from '../../make'
import { ask, counted, doubling } from './questions'

/**
 * A model that needs no stages: the last count, growing as the group does. It knows nothing but the door, and the
 * outlook and the surplus work on it as on the real one.
 */
const lineModel: PopulationModel = { fit: question => lineColony(question) }

function lineColony(question: PopulationQuestion): FittedColony {
  const last = question.events.findLast(e => e.kind === 'count')
  const now = last?.kind === 'count' ? last.evidence.value : question.founders.females
  const path = (asked: Parameters<FittedColony['futures']>[0]): Futures => {
    const { size, weeks, doing = {}, rates = question.rates } = asked
    const rows = () => new Float64Array(size * (weeks + 1))
    const out = { size, weeks, totals: rows(), females: rows(), halfGrown: rows() }
    for (let week = 0; week <= weeks; week++)
      for (let i = 0; i < size; i++) {
        // the futures differ by a fifth of the growth, evenly
        const growth = rates.growth * (0.8 + (0.4 * (i + 0.5)) / size)
        const gone = (doing.take?.number ?? 0) + (doing.weekly?.number ?? 0) * week
        const n = Math.max(0, Math.min(rates.capacity, (now - gone) * Math.exp(growth * week)))
        out.totals[week * size + i] = n
        out.females[week * size + i] = n / 2
        out.halfGrown[week * size + i] = n / 4
      }
    return out
  }
  return {
    numbers: of => ({ value: of === 'all' || of === 'any' ? now : now / 2, low: now, high: now }),
    futures: path,
    risk: (asked, floors) => {
      const f = path(asked)
      const under = (numbers: Float64Array, floor: number) =>
        Array.from({ length: f.size }, (_, i) =>
          Array.from({ length: f.weeks + 1 }, (_, w) => numbers[w * f.size + i]! < floor).includes(true),
        ).filter(Boolean).length / f.size
      const [total, females] = [under(f.totals, floors.total), under(f.females, floors.females)]
      return { any: Math.max(total, females), total, females, males: 0, short: 0 }
    },
    counts: () => [],
    dyingPerWeek: () => 0,
    keep: () => null,
    resume: next => lineColony(next),
    explain: () => stageModel.fit(question, { particles: 50 }).explain(),
    bytes: () => 0,
  }
}

describe.each([
  ['the model of stages', stageModel],
  ['a line', lineModel],
])('%s behind the door', (_name, model) => {
  const question = ask(doubling)
  const colony = model.fit(question, { particles: 300 })
  const now = colony.numbers('all').value
  const search = takeSearch({ colony, doing: {}, nowMs: NOW }, { total: 30, females: 8, males: 2 }, 0.1)
  it('has a number, and goes on when its log does', () => {
    expect(now).toBeGreaterThan(80)
    const more = { ...question, events: [...question.events, counted(0.01, Math.round(0.5 * now))] }
    expect(colony.resume(more).numbers('all').value).toBeLessThan(now)
    expect(colony.numbers('all').value).toBe(now)
  })
  it('serves the surplus', () => {
    const futures = asThingsAre(search)
    const { now: today, weekly } = safeTake(search, 'any', futures)
    expect(today.take).toBeGreaterThan(0)
    expect(today.take).toBeLessThanOrEqual(Math.round(now - 30))
    expect(weekly.take).toBeGreaterThan(0)
    expect(spareAhead(futures, { total: 30, females: 0, males: 0 }, [4, 12])).toHaveLength(2)
    expect(stayUnder(search, 5000, 0.1, futures).weekly).toBeNull()
  })
  it('serves the outlook', () => {
    const scenario: ScenarioModel = { rates: question.rates, doing: { weekly: { of: 'any', number: 2 } } }
    const parts = [0, 1].map(chunk => liveChunk(colony, scenario, { chunk, weeks: 12, size: 50 }))
    const lives = joinFutures(parts)
    const fans = { fan: futureFan(lives.totals, lives, NOW), halfGrown: futureFan(lives.halfGrown, lives, NOW) }
    const asked = { weeks: 12, number: Math.round(1.2 * now), of: 'total' as const, byWeek: 12 }
    const answer = readOutlook(lives, fans, asked, question.rates.capacity)
    expect(answer.futures).toBe(100)
    expect(answer.fan).toHaveLength(13)
    expect(answer.chanceBy).toBeGreaterThan(0)
  })
})

it('what a fit was resumed from does not matter, to the last bit', () => {
  const question = ask(doubling)
  const more = { ...question, events: [...question.events, counted(0.1, 120)] }
  const anew = stageModel.fit(more, { particles: 200 })
  const resumed = stageModel.fit(question, { particles: 200 }).resume(more)
  expect(resumed.explain()).toEqual(anew.explain())
})

describe('the prior', () => {
  const roomOf = (colony: FittedColony) => colony.explain().learnt.find(l => l.name === 'room')!
  it('is an argument: what is held more firmly of the room is told so, and stays when the log goes on', () => {
    const question = ask(doubling)
    const usual = stageModel.fit(question, { particles: 300 })
    const firm = stageModel.fit(question, { particles: 300, prior: { room: 0.05 } })
    expect(roomOf(firm).before.high).toBeCloseTo(Math.exp(1.2816 * 0.05), 3)
    const width = ({ now }: ReturnType<typeof roomOf>) => Math.log(now.high / now.low)
    expect(width(roomOf(firm))).toBeLessThan(0.5 * width(roomOf(usual)))
    const later = firm.resume({ ...question, nowMs: question.nowMs + 7 * 86_400_000 })
    expect(roomOf(later).before).toEqual(roomOf(firm).before)
  })
  it('the room that is thought of is one too: a colony far below it goes on growing, one near it does not', () => {
    const told = (roomFor: number) =>
      stageModel.fit(ask(doubling), { particles: 400, prior: { roomFor, room: 0.1 } }).explain()
    const [tight, wide] = [told(160), told(4000)]
    expect(tight.capacity).toBeLessThan(250)
    expect(wide.capacity).toBeGreaterThan(2500)
    expect(tight.roomKnown).toBe(true)
    expect(wide.roomKnown).toBe(false)
    expect(tight.fan[26]!.p50).toBeLessThan(0.7 * wide.fan[26]!.p50)
  })
})
