import { describe, expect, it } from 'vitest'
import { colonyStatements, firstLook, poolTroubles } from '#core/statements'
import { type Colony, type Entry, toMoment } from '#core/records'
import { batchStatements } from '../../../core/statements/batchStatements'
import { entryOf, inputOf, NOW, smallRoom, test as waterTest } from '../../make'
import { about as aboutOne, at, elsewhere, sample } from '../batches/parts'
import { heads } from '../population/questions'

/** A room whose colony is one hatch, begun so many days ago. */
function hatch(days: number, log: readonly Entry[], water: readonly Entry[] = [], more: Partial<Colony> = {}) {
  const s = smallRoom({
    colony: {
      ...{ groupId: 'amphidromous-shrimp', form: 'rearing', founders: heads({}), startedAt: toMoment(at(days)) },
      ...more,
    },
  })
  const own = log.map(e => ({ ...e, colonyId: s.colony.id }))
  const ofGlass = water.map(e => ({ ...e, glassId: s.glass.id }) as Entry)
  const input = inputOf({ ...s, glass: { ...s.glass, grossL: 12.5, fill: { by: 'height', share: 0.8 } } }, own, ofGlass)
  return { input, told: colonyStatements(input).statements }
}
const pool = (days: number, log: readonly Entry[]) =>
  hatch(days, log, [], { groupId: 'pool-branchiopod', form: 'batch' })
const salt = (days: number, salinityGKg: number) =>
  waterTest(elsewhere, days, { salinityGKg, temperatureC: 22 }, 'probe')

describe('the statements of larvae', () => {
  const { told } = hatch(14, [sample(10, [40], 0.5), sample(1, [1, 25], 0.5)], [salt(13.9, 33), salt(1, 33)])
  it('say how many, how far, when the first settle, and that none can be picked yet', () => {
    expect(told.number).toMatchObject({ state: 'onTarget', conclusion: { key: 'number.larvae' } })
    expect(told.number.reasons.map(r => r.key)).toEqual(['number.reasonMolt', 'number.reasonSamples'])
    expect(told.heading.conclusion.key).toBe('heading.settleFrom')
    expect(told.surplus.conclusion.key).toBe('surplus.pickFrom')
    expect(told.water.values.find(v => v.key === 'salinityGKg')!.state).toBe('onTarget')
  })
  it('and everything that is drawn or due say the same', () => {
    const { batch, population, number, heading, surplus } = told
    const { value, low, high } = number.conclusion.values as Record<string, number>
    expect([value, low, high]).toEqual([batch!.alive.value, batch!.alive.low, batch!.alive.high])
    for (const [a, b] of [
      [population.now.value, value],
      [population.now.low, low],
      [population.now.high, high],
    ] as const)
      expect(Math.abs(a - b!)).toBeLessThan(0.04 * b! + 2)
    expect(heading.conclusion.values.from).toBe(batch!.arrive.first!.value)
    expect(surplus.conclusion.values.from).toBe(batch!.arrive.first!.value)
    expect(told.salt.every(s => s.doneMs !== null)).toBe(true)
    expect([told.molts, told.broods]).toEqual([null, null])
    // in its futures they grow fewer by what dies on the way, and no more come
    expect(population.fan.at(-1)!.p50).toBeLessThan(population.now.value)
  })
  it('an old sample asks for a new one, and none at all says what may have hatched', () => {
    const old = hatch(14, [sample(9, [30], 0.5)]).told
    expect(old.number).toMatchObject({ state: 'drifting', actions: [{ key: 'number.doSample' }] })
    expect(hatch(2, []).told.number.reasons.map(r => r.key)).toContain('number.reasonNoSample')
  })
  it('settled ones can be picked; when all are out it is over', () => {
    const late = hatch(31, [sample(1, [0, 0, 4, 12], 0.5)]).told
    expect(late.heading.conclusion.key).toBe('heading.settling')
    expect(late.surplus.conclusion.key).toBe('surplus.pick')
    const settled = late.batch!.stages.at(-1)!.now
    expect(late.surplus.conclusion.values).toMatchObject({ value: settled.value })
    const out = hatch(60, [
      sample(30, [0, 0, 4, 12], 0.5),
      aboutOne('removal', 20, { number: 400, outlet: 'sold' }),
    ]).told
    expect(out.number.conclusion.key).toBe('number.over')
    expect(out.heading.conclusion).toMatchObject({ key: 'heading.settledAll', values: { out: 400 } })
  })
  it('none that are left before they could settle are told as none', () => {
    const none = [6, 4, 2].map(d => aboutOne('count', d, { number: 0, method: 'allSeen' }))
    const { told: t } = hatch(14, [aboutOne('death', 8, { number: 1500, sign: 'unknown' }), ...none])
    expect(t.number).toMatchObject({ state: 'drifting', conclusion: { key: 'number.none' } })
  })
  it('no day is named that has passed: larvae that are far behind are picked from today on', () => {
    const { told: t } = hatch(26, [sample(9, [0, 9]), sample(0.2, [0, 1, 9])])
    const late = { ...t.batch!, arrive: { ...t.batch!.arrive, first: { value: at(1), low: at(2), high: at(0) } } }
    const none = { value: 0, low: 0, high: 3 }
    const stages = late.stages.map(x => ({ ...x, now: x.name === 'settled' ? none : x.now }))
    expect(batchStatements({ ...late, stages }, NOW).surplus.conclusion).toMatchObject({
      key: 'surplus.pickFrom',
      values: { from: NOW },
    })
    // where hardly any settle at all none is promised
    const arrive = { first: null, half: null, nearly: null }
    const never = batchStatements({ ...late, stages, arrive }, NOW)
    expect([never.heading.conclusion.key, never.surplus.conclusion.key]).toEqual([
      'heading.settleNone',
      'surplus.ofBatch',
    ])
  })
  it('fresh water is off for them, and sea water is not', () => {
    const state = (gKg: number) =>
      hatch(3, [], [salt(2, gKg), salt(0.5, gKg)]).told.water.values.find(v => v.key === 'salinityGKg')!.state
    expect([state(0), state(32)]).toEqual(['off', 'onTarget'])
  })
  it('a first look knows as much of the water, and waits with the rest', () => {
    const { input } = hatch(14, [sample(1, [1, 25], 0.5)])
    const rough = firstLook(input)
    expect(rough.number.conclusion.key).toMatch(/^number\.(about|exact)$/)
    expect(rough.surplus.conclusion.key).toBe('surplus.notYet')
  })
  it('grown ones that came back from the sea have steps down in their own glass', () => {
    const s = smallRoom({ colony: { groupId: 'amphidromous-shrimp' } })
    const came = entryOf('move', 1, { colonyId: elsewhere, toColonyId: s.colony.id, number: 9 })
    const told = (gKg: number) =>
      colonyStatements(inputOf(s, [came], [waterTest(s.glass.id, 2, { salinityGKg: gKg }, 'probe')])).statements
    expect(told(30).salt.map(x => Math.round(x.gKg))).toEqual([20, 10, 0])
    expect(told(0.2).salt).toEqual([])
    expect([told(30).batch, smallRoomOfNeos().batch]).toEqual([null, null])
  })
})
const smallRoomOfNeos = () => colonyStatements(inputOf(smallRoom())).statements

describe('the statements of a pool', () => {
  it('wait for the hatch, then tell the number and what lies in the ground', () => {
    expect(pool(0.5, []).told).toMatchObject({
      number: { conclusion: { key: 'number.poolWaiting' } },
      heading: { conclusion: { key: 'heading.poolHatch' } },
      surplus: { conclusion: { key: 'surplus.ofBatch' } },
    })
    const young = pool(5, [aboutOne('count', 1, { number: 60, method: 'estimate' })]).told
    expect(young.number.conclusion.key).toBe('number.about')
    expect(young.heading.conclusion.key).toBe('heading.poolGrown')
    const grown = pool(12, [aboutOne('count', 1, { number: 40, method: 'estimate' })]).told
    expect(grown.heading.conclusion.key).toBe('heading.poolLays')
    expect(grown.number.evidence).toHaveLength(1)
  })
  it('that nothing hatched is said once it is likely, and a pool that is over says so', () => {
    const none = [5, 4, 3, 2].map(d => aboutOne('count', d, { number: 0, method: 'estimate' }))
    expect(pool(9, none).told.number.conclusion.key).toBe('number.poolNone')
    const over = pool(50, [aboutOne('count', 40, { number: 50, method: 'estimate' })]).told
    expect(over.number.conclusion.key).toBe('number.over')
    expect(over.heading.conclusion.key).toBe('heading.poolOver')
  })
  it('what went wrong has its cause and is not invented', () => {
    const none = [5, 4, 3, 2].map(d => aboutOne('count', d, { number: 0, method: 'estimate' }))
    const bad = pool(9, none).told
    expect(poolTroubles(bad.batch!, bad.water.values, [])).toEqual(['noHatch'])
    const strings = entryOf('pest', 2, { glassId: elsewhere, what: 'stringAlgae', amount: 'many' })
    const well = pool(9, [aboutOne('count', 1, { number: 60, method: 'estimate' })]).told
    expect(poolTroubles(well.batch!, well.water.values, [])).toEqual([])
    expect(poolTroubles(well.batch!, well.water.values, [strings])).toEqual(['stringAlgae'])
    const foul = { key: 'ammoniaMgL', state: 'off' } as (typeof well.water.values)[number]
    expect(poolTroubles(well.batch!, [foul], [])).toEqual(['ammonia'])
    const larvae = hatch(14, []).told
    expect(poolTroubles(larvae.batch!, [foul], [strings])).toEqual([])
  })
})
