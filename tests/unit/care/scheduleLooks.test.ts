import { describe, expect, it } from 'vitest'
import { colonyBroods } from '#core/broods'
import { type DueItem, planLog, plannedNetL, planSteps, schedule } from '#core/care'
import type { Entry } from '#core/records'
import { DAY_MS } from '#core/records'
import { count, daysAgo, entryOf, plan, test as waterTest, waterChange } from '../../make'
import { careOf, type CareSetting, colonyId, glassId, itemOf, itemsOf, known, NOW, s } from './rooms'

const inDays = (item: DueItem | undefined) => Math.round((((item?.dueMs ?? Number.NaN) - NOW) / DAY_MS) * 100) / 100
describe('counts', () => {
  it('come sooner where one would narrow the range', () => {
    expect(itemOf('count', { numbers: known(200, 100, 400, [180, 220]) })).toMatchObject({
      why: { key: 'countNarrows' },
      everyDays: 28,
    })
    expect(itemOf('count', { numbers: known(200, 180, 220, [185, 215]) })).toMatchObject({
      why: { key: 'countOld' },
      everyDays: 56,
    })
    // two are two: nobody has to count them
    expect(itemOf('count', { numbers: known(2, 1.8, 2.3, [1.9, 2.1]) })).toBeUndefined()
    expect(itemOf('count', { numbers: known(20, 10, 40, [18, 22], null) })!.why.key).toBe('countNever')
    expect(itemOf('count')).toBeUndefined()
  })
  it('one that does not fit asks for another one today, until there is one', () => {
    const asking = { ...known(200, 100, 400, [180, 220], NOW - DAY_MS)!, asks: true }
    expect(itemOf('count', { numbers: asking })).toMatchObject({
      why: { key: 'countAsks' },
      dueMs: NOW - DAY_MS,
      flexible: false,
    })
    // also where the number itself is sure: just begun, and counted otherwise
    const sure = { ...known(8, 8, 8, [8, 8], NOW - DAY_MS)!, asks: true }
    expect(itemOf('count', { numbers: sure })!.why.key).toBe('countAsks')
    const again = itemOf('count', { numbers: asking, colonyEntries: [count(colonyId, 0.5, 190)] })!
    expect(again.why.key).toBe('countNarrows')
    expect(inDays(again)).toBeGreaterThan(20)
  })
  it('a count moves it on before the estimate knows', () => {
    expect(
      inDays(itemOf('count', { numbers: known(200, 100, 400, [180, 220]), colonyEntries: [count(colonyId, 1, 190)] })),
    ).toBe(27)
  })
})

describe('broods', () => {
  const berried = (days: number, number: number, more = {}) => entryOf('berried', days, { colonyId, number, ...more })
  it('look for young when eggs may hatch', () => {
    const item = itemOf('young', { colonyEntries: [berried(14, 0), berried(10, 3)] })!
    // laid between 14 and 10 days ago, three and a half weeks to the hatch: one in ten by day 8, nine in ten by day 17
    expect(Math.round(inDays(item)!)).toBe(8)
    expect(item.why.values).toMatchObject({ n: 3, sign: 'berried', seen: NOW - 10 * DAY_MS })
    expect(((item.why.values.to as number) - NOW) / DAY_MS).toBeCloseTo(17, 0)
  })
  it('a wide window says nothing where young come all the time; the first ones are looked for in any case', () => {
    // young were seen before the eggs of now: the round looks for them anyway
    const seen = entryOf('young', 20, { colonyId, amount: 'few' })
    expect(itemOf('young', { colonyEntries: [seen, berried(10, 3)] })).toBeUndefined()
    expect(itemOf('young', { colonyEntries: [seen, berried(10, 3), berried(1, 3, { eyed: 3 })] })).toBeDefined()
    // nobody saw any yet, and nobody looked for eggs before: a third of a wide window is waited for
    const first = itemOf('young', { colonyEntries: [berried(10, 3)] })!
    const { from, to } = first.why.values as { from: number; to: number }
    expect((to - from) / DAY_MS).toBeGreaterThan(14)
    expect(inDays(first)).toBeCloseTo((from - NOW + (to - from) / 3) / DAY_MS, 1)
  })
  it('of broods that only the estimate can tell apart no day is asked for, but where young are eaten', () => {
    const always = Array.from({ length: 14 }, (_, k) => berried(68 - 5 * k, 6))
    const seen = entryOf('young', 20, { colonyId, amount: 'few' })
    const looked = (groupId: string, rooms: number[]) => {
      const care = careOf({ groupId, colonyEntries: [...always, seen] })
      const [glass] = care.glasses
      const [colony] = glass!.colonies
      const { group: resolved, entries } = colony!
      const broods = colonyBroods({ resolved, entries, temperatures: [], rooms, nowMs: NOW })
      const told = { ...care, glasses: [{ ...glass!, colonies: [{ ...colony!, broods }] }] }
      return schedule(told).filter(i => i.kind === 'young')
    }
    // about to hatch, within a week: the round looks for them in any case
    expect(looked('neocaridina', [0, 0, 0, 0, 0, 0, 0, 4])).toEqual([])
    expect(looked('land-crab', [0, 0, 0, 0, 0, 0, 0, 4])).toHaveLength(1)
    expect(looked('land-crab', [0, 0, 0, 0, 0, 0, 0, 4])[0]!.why.values).toMatchObject({ seen: 0, n: 4 })
  })
  it('windows never end before they begin, whatever the eyes say', () => {
    for (const eyedDays of [0, 1, 3, 8, 12]) {
      const entries = [berried(40, 0), berried(27, 3), berried(eyedDays, 2, { eyed: 2 })]
      const item = itemOf('young', { colonyEntries: entries })
      const { from, to } = item!.why.values as { from: number; to: number }
      expect(to).toBeGreaterThan(from)
      // eggs with eyes hatch within days: nine in ten within eleven
      expect(to).toBeLessThanOrEqual(NOW + (11 - eyedDays) * DAY_MS)
      expect(from).toBeGreaterThanOrEqual(NOW - eyedDays * DAY_MS)
    }
  })
  it('until young are seen, or no berried female is left', () => {
    expect(
      itemOf('young', { colonyEntries: [berried(22, 3), entryOf('young', 1, { colonyId, amount: 'few' })] }),
    ).toBeUndefined()
    expect(itemOf('young', { colonyEntries: [berried(10, 3), berried(1, 0)] })).toBeUndefined()
  })
  it('are pressing where the parents eat them', () => {
    expect(itemOf('young', { groupId: 'land-crab', colonyEntries: [berried(40, 1)] })).toMatchObject({
      lateDays: 1,
      values: { apart: 1 },
    })
  })
  it('clutches are looked at every few days, daily when they may hatch, until they have', () => {
    const laid = (days: number) => entryOf('clutch', days, { colonyId, event: 'laid' })
    const [young, old] = [laid(1), laid(15)]
    const clutch = (...colonyEntries: Entry[]) =>
      itemsOf({ groupId: 'apple-snail', colonyEntries }).filter(i => i.kind === 'clutch')
    expect(clutch(young).map(i => [i.why.key, inDays(i)])).toEqual([['clutchCheck', 2]])
    expect(
      clutch(old, entryOf('clutch', 0.5, { colonyId, event: 'checked', clutchId: old.id })).map(i => [
        i.why.key,
        inDays(i),
      ]),
    ).toEqual([['clutchHatching', 0.5]])
    expect(clutch(old, entryOf('clutch', 0, { colonyId, event: 'hatched', clutchId: old.id, young: 80 }))).toEqual([])
  })
})

describe('medicines', () => {
  const dose = (days: number) =>
    entryOf('treatment', days, { glassId, substance: 'fenbendazole', activeMg: 30, netL: 50 })
  it('want a part change after days, and a second dose after two weeks', () => {
    expect(inDays(itemOf('doseChange', { glassEntries: [dose(2)] }))).toBe(2)
    expect(inDays(itemOf('secondDose', { glassEntries: [dose(2)] }))).toBe(12)
  })
  it('until they were done', () => {
    expect(itemOf('doseChange', { glassEntries: [dose(6), waterChange(glassId, 2, 15)] })).toBeUndefined()
    expect(itemOf('secondDose', { glassEntries: [dose(15), dose(1)] })).toBeUndefined()
  })
})

describe('the room', () => {
  it('goes on with plans that are glasses, by their log', () => {
    const p = plan(s.room.id, { glassId, startsAt: daysAgo(7) })
    expect(itemOf('planStep', { plans: [p] })).toMatchObject({ key: `plan:${p.id}:legal`, values: { step: 'legal' } })
    // on the plan's own day, which the plan and the curing name too: never carried to a chosen one
    const step = planSteps(p, planLog([], plannedNetL(p))).find(x => x.id === 'legal')!
    expect(itemOf('planStep', { plans: [p] })).toMatchObject({ dueMs: step.dueMs, flexible: false })
    expect(itemsOf({ plans: [{ ...p, ended: { at: daysAgo(1), why: 'putAway' } }] })).toEqual([])
    expect(itemsOf({ plans: [{ ...p, startsAt: daysAgo(200) }] })).toEqual([])
    expect(itemsOf({ plans: [plan(s.room.id)] }).filter(i => i.kind === 'planStep')).toEqual([])
  })
  it('calibrates probes that are read', () => {
    const glassEntries = [
      waterTest(glassId, 2, { ph: 7 }, 'probe'),
      waterTest(glassId, 3, { conductivityUsCm: 300 }, 'liquidKit'),
    ]
    expect(
      itemsOf({ glassEntries })
        .filter(i => i.kind === 'calibration')
        .map(i => [i.values.probe, i.why.key]),
    ).toEqual([['ph', 'calibrateNever']])
    const bench = {
      scaleStepG: 0.01,
      jugStepL: 0.1,
      calibrations: {
        ph: {
          at: daysAgo(20),
          points: [
            { raw: 7, truth: 7 },
            { raw: 4, truth: 4 },
          ],
        },
      },
    }
    expect(inDays(itemOf('calibration', { glassEntries, bench }))).toBe(10)
  })
  it('plans new soil after a year', () => {
    expect(inDays(itemOf('soil', { glass: { soilSince: daysAgo(300) } }))).toBe(65)
  })
})

describe('a batch', () => {
  const numbers = (value: number) => known(value, value, value + 8, [value, value + 2])
  const kinds = (setting: CareSetting) => itemsOf(setting).map(d => d.kind)
  it('of dry eggs that is over is neither counted nor fed', () => {
    const pool = { groupId: 'pool-branchiopod', numbers: numbers(40) }
    expect(kinds(pool)).toEqual(expect.arrayContaining(['feed', 'count']))
    const over = kinds({ ...pool, numbers: numbers(0) })
    expect(over).not.toContain('feed')
    expect(over).not.toContain('count')
    // a colony is asked for also where most likely none are left
    expect(kinds({ numbers: numbers(0) })).toContain('count')
  })
  it('of larvae or young that are reared gets no food of grown ones', () => {
    expect(kinds({ colony: { form: 'rearing' }, numbers: numbers(40) })).not.toContain('feed')
    expect(kinds({ numbers: numbers(40) })).toContain('feed')
  })
})

describe('limbs that were lost', () => {
  const lost = (days: number, limbs = 'one') => entryOf('limbLoss', days, { colonyId, number: 1, limbs })
  const limbs = (...colonyEntries: Entry[]) =>
    itemsOf({ groupId: 'land-crab', colonyEntries }).filter(i => i.kind === 'limb')
  it('are looked at when a bud should show, once; several keep one apart until then', () => {
    // a crab molts about monthly, and who lost a limb a fifth sooner
    const [one] = limbs(lost(10))
    expect(inDays(one)).toBeCloseTo(0.8 * 28 - 10, 1)
    expect(one).toMatchObject({ everyDays: null, lateDays: 7, values: { n: 1, several: 0 }, why: { key: 'limbBud' } })
    expect(limbs(lost(10, 'several'))[0]!.values).toEqual({ n: 1, several: 1 })
    expect(limbs(lost(25), entryOf('note', 1, { colonyId, text: 'A bud shows.' }))).toEqual([])
    expect(limbs(lost(25), entryOf('note', 12, { colonyId, text: 'Hides.' }))).toHaveLength(1)
    // whole again: nothing to look at
    expect(limbs(lost(60))).toEqual([])
  })
})
