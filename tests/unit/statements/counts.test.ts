import { describe, expect, it } from 'vitest'
import { drawnStates, needsAttention } from '#core/care'
import { resolveGroup } from '#core/groups'
import type { Entry } from '#core/records'
import { colonyStatements, headingStatement, heldBack, offeredToday } from '#core/statements'
import { eventsOf } from '../../../core/statements/effects'
import { numberStatement } from '../../../core/statements/numberStatement'
import { count, entryOf, inputOf, nextId, smallRoom, test as waterTest } from '../../make'

const s = smallRoom()
const keys = (list: readonly { key: string }[]) => list.map(m => m.key)
const events = (entry: Entry) => eventsOf(entry, s.colony.id, resolveGroup(s.colony))
const heads = { females: 3, males: 2, unsexed: 0, halfGrown: 0, young: 25 }

describe('animals that come and go', () => {
  it('bring and take what they carry', () => {
    const other = nextId()
    const of = (kind: Entry['kind'], more: object) => events(entryOf(kind, 1, { number: 8, berried: 5, ...more }))
    const here = { colonyId: s.colony.id }
    expect(of('addition', { ...here, origin: 'bought' })).toMatchObject([{ kind: 'step', change: 8, berried: 5 }])
    expect(of('removal', { ...here, outlet: 'sold' })).toMatchObject([{ kind: 'step', change: -8, berried: 5 }])
    expect(of('move', { ...here, toColonyId: other })).toMatchObject([{ kind: 'step', change: -8, berried: 5 }])
    const came = of('move', { colonyId: other, toColonyId: s.colony.id, berried: 3, parts: { ...heads, young: 3 } })
    expect(came).toMatchObject([{ change: 8, berried: 3, parts: { females: 3, young: 3 } }])
    expect(events(entryOf('addition', 1, { ...here, number: 8, origin: 'bought' }))[0]).not.toHaveProperty('berried')
  })
})

describe('young that are counted apart', () => {
  it('are a look at the young, and no part of the number or of its doubt', () => {
    const [of, young] = events(count(s.colony.id, 1, 30, { parts: heads }))
    const [alone] = events(count(s.colony.id, 1, 5))
    if (of?.kind !== 'count' || alone?.kind !== 'count') throw new Error('a count was expected')
    expect(of.seen).toBe(5)
    expect(of.evidence).toEqual(alone.evidence)
    expect(of.parts).toMatchObject({ females: 3, young: 0 })
    expect(young).toMatchObject({ kind: 'young', amount: 25 })
  })
  it('alone say nothing of the number', () => {
    const only = count(s.colony.id, 1, 25, { parts: { ...heads, females: 0, males: 0 } })
    expect(events(only).map(e => e.kind)).toEqual(['young'])
  })
  it('what is implied is of the animals that the number means', () => {
    const list = [60, 40, 20, 5].map(days =>
      count(s.colony.id, days, 60, { parts: { ...heads, females: 20, males: 15 } }),
    )
    const { population, number } = colonyStatements(inputOf(s, list)).statements
    expect(population.counts.every(c => c.seen === 35 && c.value < 45)).toBe(true)
    expect(number.reasons[0]!.values.seen).toBe(35)
    expect(population.now.value).toBeLessThan(55)
  })
})

const settled = [300, 260, 220, 180, 140, 100, 60, 30, 14].map((days, i) =>
  count(s.colony.id, days, [96, 99, 94, 97, 100, 95, 98, 96, 99][i]!),
)
const room = smallRoom({ colony: { founders: { females: 50, males: 40, unsexed: 0, halfGrown: 20, young: 0 } } })
const tell = (more: Entry[], glass: Entry[] = []) =>
  colonyStatements(
    inputOf(
      room,
      [...settled, ...more].map(e => ({ ...e, colonyId: room.colony.id }) as Entry),
      glass,
    ),
  ).statements
const sound = [waterTest(room.glass.id, 1, { ghDh: 7, khDh: 5, temperatureC: 23, ph: 7.2 })]

describe('a count that does not fit', () => {
  const few = tell([count(s.colony.id, 0.1, 12)], sound)
  it('says at once what it would mean, and asks for another one, first of all', () => {
    expect(few.number.state).toBe('off')
    expect(keys(few.number.reasons).slice(0, 2)).toEqual(['number.asks', 'number.asksMissed'])
    expect(few.number.reasons[0]!.values).toMatchObject({ seen: 12, method: 'allSeen' })
    expect(few.number.reasons[1]!.values.number).toBeGreaterThan(60)
    expect(keys(few.number.actions)).toEqual(['number.countAgain'])
    expect(needsAttention([few])[0]).toMatchObject({ state: 'off', title: { key: 'number.asks' } })
  })
  it('nothing is offered until it is settled', () => {
    expect(few.surplus.conclusion.key).toBe('surplus.none')
    expect(keys(few.surplus.reasons)).toEqual(['surplus.reasonAsks'])
    expect([offeredToday(few), heldBack(few)!.key]).toEqual([0, 'surplus.reasonAsks'])
    // the glass is drawn by it, though water and direction are well
    expect(drawnStates(few)).toContain('off')
  })
  it('when another one agrees, tells the loss and what to look at, and offers none', () => {
    const lost = tell([count(s.colony.id, 2, 12), count(s.colony.id, 0.1, 13)], sound)
    expect(lost.number.state).toBe('off')
    expect(lost.number.reasons[0]!.key).toBe('number.loss')
    expect(keys(lost.number.actions)).toEqual(['number.lookForCause'])
    expect(keys(lost.surplus.reasons)).toEqual(['surplus.reasonLoss'])
  })
  it('when another one contradicts, leaves the headline', () => {
    const settledAgain = tell([count(s.colony.id, 2, 12), count(s.colony.id, 0.1, 97)], sound)
    expect(settledAgain.number.state).not.toBe('off')
    expect(keys(settledAgain.number.reasons)).toEqual(['number.reasonCounts'])
    // in the log and in Why it stays
    expect(settledAgain.number.evidence.some(e => e.values.seen === 12 && e.values.weight === 'none')).toBe(true)
    expect(settledAgain.surplus.conclusion.key).toBe('surplus.some')
    expect([offeredToday(settledAgain), heldBack(settledAgain)]).toEqual([settledAgain.population.surplus.take, null])
    expect(drawnStates(settledAgain)).not.toContain('off')
  })
})

describe('few animals', () => {
  const crabs = smallRoom({
    colony: { groupId: 'land-crab', founders: { females: 2, males: 2, unsexed: 0, halfGrown: 0, young: 0 } },
  })
  const { population } = colonyStatements(inputOf(crabs, [count(crabs.colony.id, 3, 4)])).statements
  const told = (inHalfAYear: number, more: Partial<typeof population> = {}, groupId = 'land-crab') =>
    headingStatement(
      {
        ...population,
        now: { ...population.now, value: 4 },
        steady: 0.1,
        rising: 0.5,
        fan: [...population.fan.slice(0, -1), { ...population.fan.at(-1)!, p50: inHalfAYear }],
        ...more,
      },
      resolveGroup({ ...crabs.colony, groupId }),
    )
  it('are told as animals, not as a share of a week', () => {
    const end = population.fan.at(-1)!.at
    expect(told(2.6).conclusion).toEqual({ key: 'heading.fewFewer', values: { number: 1, at: end } })
    expect(told(4.3).conclusion).toEqual({ key: 'heading.fewAsMany', values: { number: 0, at: end } })
    expect(told(6).conclusion).toEqual({ key: 'heading.fewMore', values: { number: 2, at: end } })
    expect(told(2, { steady: 0.6 }).conclusion.key).toBe('heading.steady')
    // eight are told as a colony
    expect(told(2, { now: { ...population.now, value: 8 } }).conclusion.key).toBe('heading.unclear')
  })
  it('fewer of them are no alarm where that is not sure, or such animals only grow fewer', () => {
    expect(told(2).state).toBe('onTarget')
    expect(told(2, { rising: 0.1 }).state).toBe('drifting')
    expect(told(2, { rising: 0.1 }, 'nerite-snail').state).toBe('onTarget')
  })
  it('a colony that fell for weeks is not steady because it may stop now', () => {
    const fell = { value: -0.07, low: -0.09, high: -0.04 }
    const recent = { perWeek: fell, weeks: 8, from: 160, moved: 0 }
    const many = {
      roomKnown: false,
      now: { ...population.now, value: 90 },
      recent,
      growthPerWeek: { ...population.growthPerWeek, value: 0 },
    }
    expect(told(90, { ...many, steady: 0.6 }).conclusion).toMatchObject({ key: 'heading.shrinking', values: fell })
    expect(told(90, { ...many, steady: 0.6, rising: 0.7 }).conclusion.key).toBe('heading.steady')
  })
  it('of which each is known need no count, and need nobody', () => {
    const today = smallRoom({
      colony: { groupId: 'land-crab', startedAt: new Date(inputOf(crabs).nowMs).toISOString() },
    })
    const { number } = colonyStatements(inputOf(today)).statements
    expect(number).toMatchObject({ state: 'onTarget', conclusion: { key: 'number.exact' }, actions: [] })
  })
})

it('a count that would leave as many numbers as now is not asked for', () => {
  const crabs = smallRoom({
    colony: { groupId: 'land-crab', founders: { females: 2, males: 2, unsexed: 0, halfGrown: 0, young: 0 } },
  })
  const { population } = colonyStatements(inputOf(crabs, [count(crabs.colony.id, 3, 4)])).statements
  const tellWith = (ifCountedToday: { low: number; high: number }) =>
    numberStatement(
      { ...population, now: { ...population.now, value: 4, low: 3, high: 5 }, ifCountedToday },
      { nowMs: inputOf(crabs).nowMs, coming: [], batch: false },
    )
  expect(tellWith({ low: 3.2, high: 4.9 })).toMatchObject({ state: 'onTarget', actions: [] })
  expect(tellWith({ low: 3.6, high: 4.4 })).toMatchObject({ state: 'drifting', actions: [{ key: 'number.doCount' }] })
})

it('a colony that nobody ever counted is told by what such colonies usually do', () => {
  const { heading } = colonyStatements(inputOf(smallRoom())).statements
  expect(heading).toMatchObject({ state: 'unknown', conclusion: { key: 'heading.usually' } })
})
