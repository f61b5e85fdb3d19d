import { describe, expect, it } from 'vitest'
import { resolveGroup } from '#core/groups'
import { DAY_MS, EggLot, toMoment } from '#core/records'
import { roomRecords } from '~/data/records'
import { saveRecord } from '~/data/saveRecord'
import { type ColonyDraft, emptyColonyDraft, formsOf, readColony } from '~/forms/colonyDraft'
import { deviceDay } from '~/forms/deviceDays'
import { begunLot, type EggLotDraft, eggLotDraft, readEggLot } from '~/forms/eggLotDraft'
import { readFields, valuesOf } from '~/forms/readFields'
import { units } from './formsParts'
import { it as withRoom } from './roomInDb'
import { colony as colonyOf, NOW, nextId, smallRoom } from '../make'
import { sample } from '../unit/batches/parts'

const s = smallRoom()
const begin = (more: Partial<ColonyDraft>) =>
  readColony({ ...emptyColonyDraft(), groupId: 'amphidromous-shrimp', name: 'Larvae', ...more }, s.glass.id, NOW)
const begunColony = (more: Partial<ColonyDraft>) => {
  const r = begin(more)
  if (!r.ok) throw new Error(JSON.stringify(r.issues))
  return r.colony
}
const clock = (ms: number) => {
  const d = new Date(ms)
  return new Date(ms - d.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}

describe('what can begin', () => {
  it('goes by the group: larvae that need the sea, eggs that rest dry', () => {
    expect(formsOf('neocaridina')).toEqual(['colony'])
    expect(formsOf('nerite-snail')).toEqual(['colony', 'rearing'])
    expect(formsOf('pool-branchiopod')).toEqual(['colony', 'batch'])
  })
  it('a rearing needs no number, and has its hour', () => {
    const at = NOW - 5 * 3_600_000
    const c = begunColony({ form: 'rearing', startedAt: clock(at) })
    expect([c.form, Math.abs(Date.parse(c.startedAt) - at) < 60_000]).toEqual(['rearing', true])
    expect(c.founders.young).toBe(0)
    const heads = { ...emptyColonyDraft().heads, young: '300' }
    expect(begunColony({ form: 'rearing', heads }).founders.young).toBe(300)
  })
  it('what lies ahead, or is no day, is refused in one sentence', () => {
    const issue = (startedAt: string) => {
      const r = begin({ form: 'rearing', startedAt })
      return r.ok ? '' : r.issues.startedAt
    }
    expect(issue(clock(NOW + 3 * 3_600_000))).toBe('That lies in the future.')
    expect(issue('yesterday')).toBe('That is no day with its hour.')
    const none = begin({ form: 'colony' })
    expect(none.ok ? '' : none.issues.heads).toMatch(/At least one/)
  })
  it('a pool names the lot that it was begun from; a colony none', () => {
    const eggLotId = nextId()
    const pool = begunColony({ groupId: 'pool-branchiopod', form: 'batch', eggLotId })
    expect(pool.eggLotId).toBe(eggLotId)
    const heads = { ...emptyColonyDraft().heads, unsexed: '4' }
    expect(begunColony({ groupId: 'pool-branchiopod', eggLotId, heads }).eggLotId).toBeUndefined()
  })
})

describe('a sample', () => {
  it('is a tally of stages; what was not seen is none', () => {
    const { raw, issues } = readFields('larvae', { sample: 'early=3 late=2', sampleL: '0,5' }, units)
    expect(issues).toEqual({})
    expect(raw).toEqual({ sample: { early: 3, middle: 0, late: 2, settled: 0 }, sampleL: 0.5 })
  })
  it('with a word in it is asked about, and nothing of it is lost', () => {
    expect(readFields('larvae', { sample: 'early=3x' }, units).issues.sample).toBe('“3x” is no whole number.')
  })
  it('comes back into its fields as it was', () => {
    const entry = sample(1, [3, 0, 2], 0.5)
    expect(valuesOf('larvae', entry, units)).toEqual({ sample: 'early=3 middle=0 late=2 settled=0', sampleL: '0.5' })
  })
})

describe('a lot of dry eggs', () => {
  const read = (more: Partial<EggLotDraft>, old: EggLot | null = null) =>
    readEggLot({ ...eggLotDraft(old), name: 'Bag of May', ...more }, { old, roomId: s.room.id, nowMs: NOW })
  const lotOf = (more: Partial<EggLotDraft> = {}, old: EggLot | null = null) => {
    const r = read(more, old)
    if (!r.ok) throw new Error(JSON.stringify(r.issues))
    return r.lot
  }
  it('has its classes, and since when it is dry', () => {
    const day = deviceDay(NOW - 40 * DAY_MS)
    const lot = lotOf({ drySince: day, class: 'cold', cation: 'sodium', keptAt: ' tin ' })
    expect(lot).toMatchObject({ class: 'cold', cation: 'sodium', keptAt: 'tin', groupId: 'pool-branchiopod' })
    expect(deviceDay(Date.parse(lot.drySince))).toBe(day)
    // what was not touched stays, and what is cleared is gone
    const again = lotOf({ name: 'Bag', keptAt: '' }, lot)
    expect([again.id, again.drySince, again.keptAt]).toEqual([lot.id, lot.drySince, undefined])
  })
  it('without a name, or dry from tomorrow on, is refused', () => {
    const issues = (more: Partial<EggLotDraft>) => {
      const r = read(more)
      return r.ok ? {} : r.issues
    }
    expect(issues({ name: ' ' }).name).toMatch(/Give the lot a name/)
    expect(issues({ drySince: deviceDay(NOW + 2 * DAY_MS) }).drySince).toBe('The day lies in the future.')
  })
  it('that a pool leaves is of the pool’s own classes', () => {
    const pool = colonyOf(s.glass.id, {
      ...{ groupId: 'pool-branchiopod', form: 'batch', name: 'Batch 6', schools: { temperature: 'cool' } },
    })
    const lot = begunLot(pool, resolveGroup(pool), s.room.id, NOW)
    expect(lot).toMatchObject({
      ...{ name: 'Eggs of Batch 6', origin: 'own', form: 'ground', class: 'cool', cation: 'calcium' },
      ...{ fromColonyId: pool.id, drySince: toMoment(NOW) },
    })
    expect(EggLot.safeParse({ ...lot, origin: 'bought' }).success).toBe(false)
  })
  withRoom('is kept with the room, and a batch that names it brings it along', async ({ db, s }) => {
    const lot = { ...lotOf(), roomId: s.room.id }
    await saveRecord(db, 'eggLots', lot, NOW)
    expect((await roomRecords(db, s.room.id)).eggLots.map(l => l.name)).toEqual(['Bag of May'])
    expect((await roomRecords(db, nextId())).eggLots.length).toBeLessThanOrEqual(1)
  })
})
