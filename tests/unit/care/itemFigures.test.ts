import { describe, expect, it } from 'vitest'
import type { DueItem, DueKind } from '#core/care'
import { DAY_MS, type Entry } from '#core/records'
import { CALIBRATION_DAYS } from '#core/water'
import { count, daysAgo, entryOf, test as waterTest, topUp, waterChange } from '../../make'
import { type CareSetting, colonyId, glassId, itemOf, known, NOW, s } from './rooms'

/**
 * What each kind of work takes and how it may be moved: figures from memory where the trade names none, written down
 * here a second time so that none changes by accident.
 */

type Figures = Pick<DueItem, 'everyDays' | 'earlyDays' | 'lateDays' | 'minutes' | 'flexible' | 'timed'>
const of = (
  everyDays: number | null,
  [earlyDays, lateDays]: readonly [number, number],
  minutes: number,
  ...marks: ('flexible' | 'timed')[]
): Figures => ({
  ...{ everyDays, earlyDays, lateDays, minutes },
  flexible: marks.includes('flexible'),
  timed: marks.includes('timed'),
})
const berried = (days: number, number: number) => entryOf('berried', days, { colonyId, number })
const fed = (days: number, food: string, more: object = {}) => entryOf('feeding', days, { glassId, food, ...more })
const clutch = (days: number) => entryOf('clutch', days, { colonyId, event: 'laid', place: 'incubator' })
const probed = (days: number): Entry =>
  entryOf('waterTest', days, { glassId, readings: { ph: { value: 7.2, method: 'probe' } } })
const young = entryOf('young', 4, { colonyId, amount: 'few' })

/** Each kind with a glass in which it is due, its figures, how far from now it is due, and its key. */
const cases: readonly (readonly [DueKind, string, CareSetting, Figures, number, string])[] = [
  ['feed', 'fed by its school', { glassEntries: [fed(1, 'pellet')] }, of(1, [0.25, 10], 0.5), 0, `feed:${glassId}`],
  [
    'feed',
    'young ones wait three days',
    { glassEntries: [fed(1, 'pellet')], colonyEntries: [young] },
    of(1, [0.25, 3], 0.5),
    0,
    `feed:${glassId}`,
  ],
  [
    'powder',
    'after young were seen',
    { colonyEntries: [young], glassEntries: [fed(0.5, 'powder')] },
    of(1, [0.25, 3], 0.5),
    0.5,
    `powder:${glassId}`,
  ],
  [
    'leftovers',
    'that nobody looked for',
    { glassEntries: [fed(0.25, 'pellet')] },
    of(null, [0, 0.5], 1, 'timed'),
    -0.125,
    `leftovers:${glassId}`,
  ],
  [
    'waterChange',
    'by its school',
    { glassEntries: [waterChange(glassId, 3, 5)] },
    of(7, [1.5, 7], 9, 'flexible'),
    4,
    `waterChange:${glassId}`,
  ],
  [
    'topUp',
    'where nothing is changed',
    { schools: { waterChange: 'topUpOnly' }, glassEntries: [topUp(glassId, 2, 1)] },
    of(5, [2, 3], 2, 'flexible'),
    3,
    `topUp:${glassId}`,
  ],
  ['greens', 'weekly', { glassEntries: [fed(2, 'greens')] }, of(7, [1.75, 7], 3, 'flexible'), 5, `greens:${glassId}`],
  [
    'leaves',
    'every two weeks',
    { glassEntries: [entryOf('supplement', 4, { glassId, what: 'leaves' })] },
    of(14, [3.5, 14], 1, 'flexible'),
    10,
    `leaves:${glassId}`,
  ],
  [
    'equipment',
    'looked at weekly',
    { glassEntries: [entryOf('equipment', 3, { glassId, found: { intake: 'fine', flow: 'fine', heater: 'fine' } })] },
    of(7, [2, 7], 0.5, 'flexible'),
    4,
    `equipment:${glassId}`,
  ],
  [
    'mend',
    'what was found broken',
    { glassEntries: [entryOf('equipment', 3, { glassId, found: { intake: 'broken' } })] },
    of(null, [0, 1], 10),
    -3,
    `mend:${glassId}`,
  ],
  [
    'count',
    'where one narrows the range',
    { numbers: known(200, 100, 400, [180, 220]) },
    of(28, [7, 28], 20, 'flexible'),
    -2,
    `count:${colonyId}`,
  ],
  [
    'count',
    'of few takes three minutes, of many no more than 25',
    { numbers: known(20, 10, 40, [18, 22]) },
    of(28, [7, 28], 3, 'flexible'),
    -2,
    `count:${colonyId}`,
  ],
  [
    'soil',
    'after one to two years',
    { glass: { soilSince: daysAgo(300) } },
    of(null, [30, 365], 90, 'flexible'),
    65,
    `soil:${glassId}`,
  ],
  [
    'calibration',
    'of a probe that is read',
    { glassEntries: [probed(5)] },
    of(CALIBRATION_DAYS, [7, CALIBRATION_DAYS], 10, 'flexible'),
    -5,
    `calibration:${s.room.id}:ph`,
  ],
  [
    'doseChange',
    'days after a dose',
    { glassEntries: [entryOf('treatment', 1, { glassId, substance: 'fenbendazole', activeMg: 10, netL: 50 })] },
    of(null, [1, 1], 12),
    3,
    `doseChange:${glassId}:fenbendazole`,
  ],
  [
    'secondDose',
    'for the eggs that survive the first',
    { glassEntries: [entryOf('treatment', 1, { glassId, substance: 'fenbendazole', activeMg: 10, netL: 50 })] },
    of(null, [2, 2], 10),
    13,
    `secondDose:${glassId}:fenbendazole`,
  ],
]

describe('what each kind of work takes, and how it may be moved', () => {
  it.each(cases)('%s, %s', (kind, _, setting, figures, inDays, key) => {
    const item = itemOf(kind, setting)!
    expect(item).toMatchObject({ ...figures, key })
    expect((item.dueMs - NOW) / DAY_MS).toBeCloseTo(inDays, 6)
    expect(item.glassId ?? glassId).toBe(glassId)
  })
  it('a count of very many takes 25 minutes at most, and one that asks is not moved', () => {
    expect(itemOf('count', { numbers: known(900, 500, 1500, [850, 950]) })!.minutes).toBe(25)
    const asks = { ...known(200, 100, 400, [180, 220], NOW - DAY_MS)!, asks: true }
    expect(itemOf('count', { numbers: asks })).toMatchObject({ flexible: false, lateDays: 28 })
  })
  it('a large change takes twenty minutes at most', () => {
    expect(itemOf('waterChange', { glass: { fill: { by: 'netLitres', netL: 900 }, grossL: 1000 } })!.minutes).toBe(20)
  })
  it('clutches are looked at every third day before their window, and daily in it', () => {
    const at = (days: number) => itemOf('clutch', { groupId: 'apple-snail', colonyEntries: [clutch(days)] })!
    expect(at(1)).toMatchObject(of(3, [0.5, 1], 2))
    expect((at(1).dueMs - NOW) / DAY_MS).toBeCloseTo(2, 6)
    expect(at(7)).toMatchObject(of(3, [0.5, 1], 2))
    const seen = entryOf('clutch', 0.5, { colonyId, clutchId: clutch(15).id, event: 'checked' })
    const laid = clutch(15)
    const open = itemOf('clutch', {
      groupId: 'apple-snail',
      colonyEntries: [laid, { ...seen, clutchId: laid.id } as Entry],
    })!
    expect(open).toMatchObject({ everyDays: 1, why: { key: 'clutchHatching' } })
    expect((open.dueMs - NOW) / DAY_MS).toBeCloseTo(0.5, 6)
  })
  it('young are looked for from the first day on which they may come, for as long as they may', () => {
    const item = itemOf('young', { colonyEntries: [berried(14, 0), berried(10, 3)] })!
    expect(item).toMatchObject({ ...of(null, [3, 9], 1), key: `young:${colonyId}` })
    expect(item.dueMs).toBe(item.why.values.from)
  })
  it('where parents eat their young, or larvae need the sea, minutes count', () => {
    const crab = itemOf('young', {
      groupId: 'land-crab',
      colonyEntries: [entryOf('berried', 90, { colonyId, number: 0 }), entryOf('berried', 40, { colonyId, number: 1 })],
    })!
    expect(crab).toMatchObject({ earlyDays: 3, lateDays: 1, minutes: 15, values: { apart: 1, sea: 0 } })
    const river = itemOf('young', { groupId: 'amphidromous-shrimp', colonyEntries: [berried(40, 0), berried(30, 3)] })!
    expect(river).toMatchObject({ lateDays: 1, minutes: 1, values: { apart: 0, sea: 1 } })
  })
  it('tests: half a minute for a probe, three for a kit, half a minute to begin; late by how pressing they are', () => {
    const values = { temperatureC: 23, ghDh: 7, khDh: 5, ph: 7.2 }
    const well = itemOf('test', { glassEntries: [30, 20, 10].map(d => waterTest(glassId, d, values)) })!
    expect(well).toMatchObject({ flexible: true, everyDays: 7, earlyDays: 1.75, lateDays: 3.5 })
    expect(well.minutes).toBe(0.5 + 0.5)
    expect((well.dueMs - NOW) / DAY_MS).toBeCloseTo(-3, 6)
    const off = itemOf('test', {
      glassEntries: [30, 20, 10].map(d => waterTest(glassId, d, { ...values, khDh: 0.5 })),
    })!
    expect(off).toMatchObject({ flexible: false, lateDays: 2, why: { key: 'testOff', values: { key: 'khDh' } } })
    const dying = { ...known(90, 80, 100, [85, 95])!, dyingSinceMs: NOW - 2 * DAY_MS }
    const urgent = itemOf('test', {
      numbers: dying,
      glassEntries: [waterTest(glassId, 10, values)],
      colonyEntries: [count(colonyId, 30, 90), entryOf('death', 1, { colonyId, number: 5, sign: 'unknown' })],
    })!
    expect(urgent).toMatchObject({ flexible: false, lateDays: 2, why: { key: 'testDying' } })
    expect(urgent.values.keys).toMatch(/ghDh.*ammoniaMgL|ammoniaMgL.*ghDh/)
  })
})
