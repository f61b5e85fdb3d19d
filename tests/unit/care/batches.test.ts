import { describe, expect, it } from 'vitest'
import { dueState, entryDoubt, restedMs } from '#core/care'
import { saltUp } from '#core/batches'
import { begun, DAY_MS, type EggLot, toMoment } from '#core/records'
import { entryOf, nextId, NOW, test as waterTest, waterChange } from '../../make'
import { about, at, elsewhere, sample, told } from '../batches/parts'
import { resolvedOf } from '../population/questions'
import { colonyId, itemOf, itemsOf, s } from './rooms'

const shrimp = resolvedOf('amphidromous-shrimp', { form: 'rearing' })
const rearing = (days: number, log = [sample(1, [20, 5], 0.5)]) => ({
  groupId: 'amphidromous-shrimp',
  colony: { form: 'rearing' as const, startedAt: toMoment(at(days)) },
  batch: told(log, days),
})
const days = (ms: number) => (ms - NOW) / DAY_MS

describe('larvae in a tub', () => {
  it('salt is due at its hour, the next step that the water does not show', () => {
    const salt = saltUp(shrimp, at(0.1), [{ at: at(0.09), value: 9 }])
    const item = itemOf('saltStep', { ...rearing(0.1, []), salt })!
    expect(item).toMatchObject({
      timed: true,
      values: { gKg: 16, up: 1 },
      why: { key: 'saltUp', values: { n: 2, of: 4 } },
    })
    expect(item.dueMs).toBeCloseTo(at(0.1) + DAY_MS / 12, -3)
    const full = saltUp(shrimp, at(0.1), [{ at: at(0.09), value: 33 }])
    expect(itemOf('saltStep', { ...rearing(0.1, []), salt: full })).toBeUndefined()
    // two hours late is late: they die within hours
    expect(dueState(item, item.dueMs + 3 * 3_600_000, NOW + DAY_MS)).toBe('late')
  })
  it('are looked at daily for the green, and sampled every four days', () => {
    const never = itemOf('greenWater', rearing(3))!
    expect(days(never.dueMs)).toBeCloseTo(-2, 9)
    const looked = itemOf('greenWater', rearing(3, [about('larvae', 0.2, { green: 2 })]))!
    expect(days(looked.dueMs)).toBeCloseTo(0.8, 9)
    expect(days(itemOf('larvaSample', rearing(14))!.dueMs)).toBeCloseTo(3, 9)
    expect(days(itemOf('larvaSample', rearing(2, []))!.dueMs)).toBeCloseTo(-1, 9)
  })
  it('are picked from the day on which the first settles, a day after the last pick', () => {
    const batch = told([sample(1, [20, 5], 0.5)], 14)
    expect(itemOf('pick', rearing(14))!.dueMs).toBeCloseTo(batch.arrive.first!.value, -4)
    const log = [sample(2, [0, 0, 6, 5], 0.5), about('move', 0.5, { number: 9, toColonyId: elsewhere })]
    expect(days(itemOf('pick', rearing(29, log))!.dueMs)).toBeCloseTo(0.5, 9)
  })
  it('ask for nothing once all are out, and are counted by samples alone', () => {
    const over = rearing(60, [sample(30, [0, 0, 6, 5], 0.5), about('removal', 20, { number: 400, outlet: 'given' })])
    const kinds = new Set(itemsOf(over).map(i => i.kind))
    for (const kind of ['saltStep', 'greenWater', 'larvaSample', 'pick', 'count'] as const)
      expect(kinds.has(kind), kind).toBe(false)
    expect(itemOf('count', rearing(14))).toBeUndefined()
    expect(itemOf('feed', rearing(14))).toBeUndefined()
    // green water is their food, and there is no filter whose sponge could fall
    const tub = new Set(itemsOf(rearing(40)).map(i => i.kind))
    for (const kind of ['greens', 'leaves', 'equipment'] as const) expect(tub.has(kind), kind).toBe(false)
    const grown = itemsOf({ groupId: 'amphidromous-shrimp', colony: { startedAt: toMoment(at(40)) } })
    expect(new Set(grown.map(i => i.kind)).has('greens')).toBe(true)
  })
})

describe('a pool', () => {
  const pool = (ago: number, log: Parameters<typeof told>[0] = []) => ({
    groupId: 'pool-branchiopod',
    colony: { form: 'batch' as const, startedAt: toMoment(at(ago)) },
    batch: told(log, ago, { groupId: 'pool-branchiopod' }),
    colonyEntries: log.map(e => ({ ...e, colonyId })),
  })
  it('is looked at daily until something was seen, and fed no sooner', () => {
    expect(days(itemOf('hatchCheck', pool(1.5))!.dueMs)).toBeCloseTo(-0.5, 9)
    expect(itemOf('feed', pool(0.5))).toBeUndefined()
    const seen = pool(4, [about('young', 1, { amount: 'few' })])
    expect(itemOf('hatchCheck', seen)).toBeUndefined()
    expect(itemOf('feed', seen)).toBeDefined()
  })
  it('is let dry when hardly any are left, or when nothing came', () => {
    const seen = pool(10, [about('count', 1, { number: 40, method: 'estimate' })])
    expect(itemOf('dryDown', seen)).toMatchObject({ dueMs: seen.batch.endsMs, why: { key: 'dryOver' } })
    const none = pool(12, [])
    expect(itemOf('dryDown', none)!.why.key).toBe('dryNothing')
  })
  it('a lot of one’s own may be flooded once it has rested, one that was bought nags nobody', () => {
    const lot = (origin: EggLot['origin']): EggLot => ({
      ...begun(nextId(), NOW),
      ...{ roomId: s.room.id, name: 'Eggs of Batch 6', groupId: 'pool-branchiopod', form: 'ground', origin },
      ...{ drySince: toMoment(at(10)), class: 'warm', cation: 'calcium' },
    })
    expect(days(restedMs(lot('own')))).toBeCloseTo(18, 9)
    expect(itemOf('flood', { eggLots: [lot('own')] })).toMatchObject({ values: { name: 'Eggs of Batch 6' } })
    expect(itemOf('flood', { eggLots: [lot('bought')] })).toBeUndefined()
    const ended = { ...lot('own'), ended: { at: toMoment(NOW), why: 'putAway' as const } }
    expect(itemOf('flood', { eggLots: [ended] })).toBeUndefined()
  })
})

describe('entries that would harm larvae', () => {
  const facts = (larvaeSaltGKg: number | null) => ({
    ...{ group: shrimp, most: null, values: [], curing: false },
    larvaeSaltGKg,
  })
  const key = (entry: Parameters<typeof entryDoubt>[0], salt: number | null) =>
    entryDoubt(entry, facts(salt))?.key ?? null
  it('grown ones put among them die; young may go in', () => {
    const put = (more: object) => entryOf('addition', 0, { colonyId, number: 5, origin: 'ownRoom', ...more })
    const young = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 5 }
    expect(key(put({}), 24)).toBe('intoTheSea')
    expect(key(put({ parts: young }), 24)).toBeNull()
    expect(key(put({}), null)).toBeNull()
    const move = entryOf('move', 0, { colonyId: elsewhere, toColonyId: colonyId, number: 2 })
    expect(entryDoubt(move, facts(null), { ...facts(24), meets: 'sameLine' })?.key).toBe('intoTheSea')
    expect(entryDoubt(move, facts(null), { ...facts(null), meets: 'sameLine' })).toBeNull()
  })
  it('a step of salt backwards is asked about', () => {
    const read = (salinityGKg: number) => waterTest(s.glass.id, 0, { salinityGKg }, 'probe')
    expect(entryDoubt(read(12), facts(24))).toEqual({ key: 'saltBack', values: { n: 12, most: 24 } })
    // within what an instrument tells apart it is none
    expect([key(read(22.8), 24), key(read(30), 24), key(read(12), null)]).toEqual([null, null, null])
    expect(key(waterTest(s.glass.id, 0, { ph: 8 }), 24)).toBeNull()
    const pure = {
      ...{ caMmolL: 0, mgMmolL: 0, naMmolL: 0, kMmolL: 0, clMmolL: 0, so4MmolL: 0, no3MmolL: 0, alkalinityMeqL: 0 },
      ...{ seaSaltGL: 0, conductivityOffsetUsCm: 0 },
    }
    expect(key(waterChange(s.glass.id, 0, 2, pure), 24)).toBe('saltBack')
    expect(key(waterChange(s.glass.id, 0, 2), 24)).toBeNull()
  })
})
