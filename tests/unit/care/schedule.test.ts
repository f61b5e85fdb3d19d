import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { doing, type DueItem, dueState, schedule } from '#core/care'
import { groups } from '#core/groups'
import { DAY_MS, Entry, toMoment } from '#core/records'
import { count, daysAgo, entryOf, nextId, plan, test as waterTest, topUp, waterChange } from '../../make'
import { careOf, colonyId, glassId, itemOf, itemsOf, known, NOW, s } from './rooms'

const inDays = (item: DueItem | undefined) => Math.round((((item?.dueMs ?? Number.NaN) - NOW) / DAY_MS) * 100) / 100
const feeding = (days: number, more: object) => entryOf('feeding', days, { glassId, ...more })

describe('water', () => {
  it('is changed by the school, from the last change on', () => {
    const change = itemOf('waterChange', { glassEntries: [waterChange(glassId, 3, 5)] })
    expect(inDays(change)).toBe(4)
    expect(change).toMatchObject({ everyDays: 7, why: { key: 'changeEvery' }, values: { litres: 5 } })
    expect(
      inDays(
        itemOf('waterChange', { schools: { waterChange: 'fortnightly' }, glassEntries: [waterChange(glassId, 3, 5)] }),
      ),
    ).toBe(11)
  })
  it('a first fill is no change', () => {
    expect(itemOf('waterChange', { glassEntries: [waterChange(glassId, 3, 50)] })?.why.key).toBe('changeNever')
  })
  it('is only topped up where the school changes nothing', () => {
    const items = itemsOf({ groupId: 'bee-shrimp', glassEntries: [topUp(glassId, 1, 1.2), topUp(glassId, 5, 1)] })
    expect(items.some(i => i.kind === 'waterChange')).toBe(false)
    expect(items.find(i => i.kind === 'topUp')).toMatchObject({ dueMs: NOW + 4 * DAY_MS, values: { litres: 1.1 } })
  })
  it('says which value the change corrects', () => {
    const slid = [20, 13, 6].map((d, i) => waterTest(glassId, d, { khDh: 2.6 - 0.5 * i }))
    expect(itemOf('waterChange', { glassEntries: [...slid, waterChange(glassId, 8, 5)] })?.why).toMatchObject({
      key: 'changeCorrects',
      values: { key: 'khDh' },
    })
  })
  it('a day early or late is nothing', () => {
    const at = (days: number) =>
      dueState(itemOf('waterChange', { glassEntries: [waterChange(glassId, days, 5)] })!, NOW, NOW + 1)
    expect([5, 6, 7, 8, 13, 15].map(at)).toEqual(['ahead', 'soon', 'due', 'due', 'due', 'late'])
  })
  it('what is due as the next day begins is the next day’s', () => {
    const changed = itemOf('waterChange', { glassEntries: [waterChange(glassId, 6.5, 5)] })!
    const midnight = NOW + DAY_MS / 2
    expect(changed.dueMs).toBe(midnight)
    expect(dueState({ ...changed, earlyDays: 0 }, NOW, midnight)).toBe('ahead')
    expect(dueState(changed, NOW, midnight)).toBe('soon')
    expect(dueState(changed, NOW, midnight + 1)).toBe('due')
  })
})

describe('tests', () => {
  const steady = (days: number, more: Record<string, number> = {}) =>
    [0, 1, 2, 3].map(i => waterTest(glassId, days + 7 * i, { khDh: 5, ghDh: 7, ph: 7.2, temperatureC: 23, ...more }))
  it('asks for what was never tested, but not for every kit there is', () => {
    const item = itemOf('test')!
    expect(item.why.key).toBe('testNever')
    expect(String(item.values.keys).split(' ').sort()).toEqual(['ghDh', 'khDh', 'ph', 'temperatureC'])
  })
  it('names the value that comes due first, and those that are best done with it', () => {
    const item = itemOf('test', { glassEntries: steady(5) })!
    expect([inDays(item), item.values.keys, item.why.key]).toEqual([2, 'temperatureC', 'testAge'])
  })
  it('tests more often while a value drifts, and more often still while it is off', () => {
    const drift = [28, 21, 14, 7].map((d, i) =>
      waterTest(glassId, d, { khDh: 5.6 - 0.7 * i, temperatureC: 23, ghDh: 7, ph: 7.2 }),
    )
    const off = [28, 21, 14, 7].map((d, i) =>
      waterTest(glassId, d, { khDh: 3 - 0.7 * i, temperatureC: 23, ghDh: 7, ph: 7.2 }),
    )
    const due = (glassEntries: Entry[]) => {
      const i = itemOf('test', { glassEntries: [...glassEntries, waterTest(glassId, 0.1, { temperatureC: 23 })] })!
      return [i.why.key, Number(i.why.values.every)]
    }
    expect(due(drift)).toEqual(['testDrift', 14])
    expect(due(off)).toEqual(['testOff', 7])
  })
  it('does not trust a strip for long', () => {
    expect(
      itemOf('test', {
        glassEntries: [
          waterTest(glassId, 3, { khDh: 5, ghDh: 7 }, 'strip'),
          waterTest(glassId, 0.2, { ph: 7.2, temperatureC: 23 }),
        ],
      }),
    ).toMatchObject({ why: { key: 'testAge' } })
    expect(
      itemOf('test', {
        glassEntries: [
          waterTest(glassId, 13, { khDh: 5, ghDh: 7 }, 'strip'),
          waterTest(glassId, 0.2, { ph: 7.2, temperatureC: 23 }),
        ],
      }),
    ).toMatchObject({ why: { key: 'testDoubt' }, everyDays: 14 })
  })
  it('asks for poisons only where they were found', () => {
    expect(String(itemOf('test', { glassEntries: steady(0.1) })!.values.keys)).not.toContain('nitrite')
    const found = itemOf('test', { glassEntries: [...steady(0.5), waterTest(glassId, 3, { nitriteMgL: 0.4 })] })!
    expect([found.values.keys, found.why.key, found.flexible]).toEqual(['nitriteMgL', 'testOff', false])
  })
})

describe('feeding', () => {
  const numbers = known(60, 50, 70, [55, 65])
  const portions = (...entries: Entry[]) => itemOf('feed', { numbers, glassEntries: entries })!.values.portions
  it('comes in the rhythm of the school', () => {
    const due = (school: string) =>
      inDays(
        itemOf('feed', {
          schools: { feeding: school },
          glassEntries: [feeding(0.25, { food: 'pellet', portions: 2 })],
        }),
      )
    expect([due('dailySmall'), due('sparse'), due('twiceDaily'), due('powder')]).toEqual([0.75, 2.75, 0.25, 1.75])
  })
  it('reckons the first portion from the numbers, and then follows what became of it', () => {
    expect(portions()).toBe(2)
    expect(portions(feeding(1, { food: 'pellet', portions: 4, eaten: 'hour' }))).toBe(4)
    expect(portions(feeding(1, { food: 'pellet', portions: 4, eaten: 'minutes' }))).toBe(5)
    expect(portions(feeding(1, { food: 'pellet', portions: 4, eaten: 'leftOver' }))).toBe(3)
    expect(
      portions(feeding(1, { food: 'pellet', portions: 4 }), feeding(0.9, { eaten: 'leftOver', removed: true })),
    ).toBe(3)
    expect(
      portions(
        feeding(2, { food: 'pellet', portions: 4 }),
        feeding(1, { food: 'pellet', portions: 4 }),
        feeding(0.5, { eaten: 'minutes' }),
      ),
    ).toBe(5)
  })
  it('always gives less after leftovers, down to a quarter', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 160 }), quarters => {
        const last = quarters / 4
        const next = Number(
          itemOf('feed', {
            numbers: known(quarters * 20, 1, 9000, [1, 9000]),
            glassEntries: [feeding(1, { food: 'pellet', portions: last, eaten: 'leftOver' })],
          })!.values.portions,
        )
        expect(next).toBeLessThan(Math.max(last, 0.26))
        expect(next).toBeGreaterThanOrEqual(0.25)
      }),
    )
  })
  it('gives powder every day while young are small', () => {
    expect(itemOf('powder')).toBeUndefined()
    const young = entryOf('young', 4, { colonyId, amount: 'few' })
    expect(itemOf('powder', { colonyEntries: [young] })).toMatchObject({ why: { key: 'powderYoung' }, everyDays: 1 })
    expect(inDays(itemOf('powder', { colonyEntries: [young], glassEntries: [feeding(0.5, { food: 'powder' })] }))).toBe(
      0.5,
    )
    expect(itemOf('powder', { colonyEntries: [entryOf('young', 30, { colonyId, amount: 'many' })] })).toBeUndefined()
  })
  it('leaves a new pool alone for weeks, and gives a crumb to a small one', () => {
    const pool = itemOf('feed', { groupId: 'brackish-pool-shrimp', colony: { startedAt: daysAgo(10) } })!
    expect([pool.why.key, inDays(pool), pool.everyDays]).toEqual(['feedRested', 32, 7])
    expect(
      itemOf('feed', { groupId: 'brackish-pool-shrimp', glass: { grossL: 5, fill: { by: 'netLitres', netL: 4 } } })!
        .values.portions,
    ).toBe(0.25)
    expect(
      itemOf('feed', { groupId: 'brackish-pool-shrimp', glass: { grossL: 45, fill: { by: 'netLitres', netL: 38 } } })!
        .values.portions,
    ).toBe(1)
  })
})

describe('leftovers', () => {
  const left = (...glassEntries: Entry[]) => itemOf('leftovers', { glassEntries })
  it('are taken out after hours that go by the food', () => {
    expect(inDays(left(feeding(0.5, { food: 'greens' })))).toBe(0.5)
    expect(inDays(left(feeding(1 / 24, { food: 'pellet', portions: 2 })))).toBeCloseTo(2 / 24, 2)
    expect(left(feeding(0.5, { food: 'powder' }))).toBeUndefined()
  })
  it('are gone when they were eaten or taken out', () => {
    for (const more of [
      { eaten: 'hour' },
      { eaten: 'minutes' },
      { eaten: 'leftOver', removed: true },
      { removed: true },
    ])
      expect(left(feeding(1, { food: 'pellet', portions: 2 }), feeding(0.9, more))).toBeUndefined()
    expect(left(feeding(1, { food: 'pellet', portions: 2, eaten: 'hour' }))).toBeUndefined()
  })
  it('cannot wait once they were seen, and are forgotten after days', () => {
    expect(left(feeding(1, { food: 'pellet', portions: 2 }), feeding(0.8, { eaten: 'leftOver' }))).toMatchObject({
      why: { key: 'leftoversSeen' },
      timed: true,
    })
    expect(left(feeding(4, { food: 'pellet', portions: 2 }))).toBeUndefined()
  })
})

describe('supplies and equipment', () => {
  it('leaves every two weeks, greens every week, for soft-water shrimp', () => {
    const items = itemsOf({
      groupId: 'bee-shrimp',
      glassEntries: [entryOf('supplement', 4, { glassId, what: 'leaves' }), feeding(2, { food: 'greens' })],
    })
    expect(inDays(items.find(i => i.kind === 'leaves'))).toBe(10)
    expect(inDays(items.find(i => i.kind === 'greens'))).toBe(5)
    expect(items.some(i => i.kind === 'calcium')).toBe(false)
  })
  it('looks at the parts that the glass has', () => {
    expect(itemOf('equipment')!.values.parts).toBe('intake flow')
    expect(itemOf('equipment', { groupId: 'apple-snail' })!.values.parts).toBe('cover intake flow heater')
    expect(itemOf('equipment', { groupId: 'brackish-pool-shrimp' })).toBeUndefined()
  })
  it('every part of it, not just one', () => {
    expect(
      itemOf('equipment', { glassEntries: [entryOf('equipment', 1, { glassId, found: { intake: 'fine' } })] })!.why.key,
    ).toBe('never')
    expect(
      inDays(
        itemOf('equipment', {
          glassEntries: [entryOf('equipment', 1, { glassId, found: { intake: 'fine', flow: 'fine' } })],
        }),
      ),
    ).toBe(6)
  })
  it('asks for mending until it is mended', () => {
    const broken = entryOf('equipment', 1, { glassId, found: { intake: 'broken', flow: 'fine' } })
    expect(itemOf('mend', { glassEntries: [broken] })).toMatchObject({ values: { parts: 'intake' }, flexible: false })
    expect(
      itemOf('mend', { glassEntries: [broken, entryOf('equipment', 0.5, { glassId, found: { intake: 'mended' } })] }),
    ).toBeUndefined()
  })
})

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
    expect(itemOf('count', { numbers: known(2, 1.8, 2.3, [1.9, 2.1]) })!.why.key).toBe('countOld')
    expect(itemOf('count', { numbers: known(20, 10, 40, [18, 22], null) })!.why.key).toBe('countNever')
    expect(itemOf('count')).toBeUndefined()
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
    // laid between 14 and 10 days ago, 21 to 28 days to the hatch
    expect(inDays(item)).toBe(7)
    expect(item.why.values).toMatchObject({ n: 3, to: NOW + 18 * DAY_MS })
  })
  it('a window that says nothing is no item: somebody is always berried there', () => {
    expect(itemOf('young', { colonyEntries: [berried(10, 3)] })).toBeUndefined()
    expect(itemOf('young', { colonyEntries: [berried(10, 3), berried(1, 2, { eyed: 1 })] })).toBeDefined()
  })
  it('until young are seen, or no berried female is left', () => {
    expect(
      itemOf('young', { colonyEntries: [berried(10, 3), entryOf('young', 1, { colonyId, amount: 'few' })] }),
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
    const [young, old] = [laid(1), laid(9)]
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

describe('what was never logged', () => {
  it('is due, and nobody is late', () => {
    const items = itemsOf().filter(i => i.why.key.toLowerCase().endsWith('never'))
    expect(items.length).toBeGreaterThan(4)
    expect(new Set(items.map(i => dueState(i, NOW, NOW + 1)))).toEqual(new Set(['due']))
  })
  it('nor is a colony that began today asked for anything but food', () => {
    expect(
      itemsOf({ colony: { startedAt: daysAgo(0) } })
        .filter(i => ['due', 'late'].includes(dueState(i, NOW, NOW + DAY_MS / 2)))
        .map(i => i.kind),
    ).toEqual(['feed'])
  })
})

describe('marks', () => {
  const item = itemOf('waterChange', { glassEntries: [waterChange(glassId, 8, 5)] })!
  const mark = (act: 'snooze' | 'skip', more: object = {}) =>
    entryOf('dueMark', 0, { glassId, key: item.key, dueAt: toMoment(item.dueMs), act, ...more })
  const marked = (...marks: Entry[]) => itemOf('waterChange', { glassEntries: [waterChange(glassId, 8, 5), ...marks] })!
  it('put off to a day, or move on to the next turn', () => {
    expect(inDays(marked(mark('snooze', { until: toMoment(NOW + 3 * DAY_MS) })))).toBe(3)
    expect(inDays(marked(mark('skip')))).toBe(7)
  })
  it('hold for their occurrence only', () => {
    expect(
      inDays(
        itemOf('waterChange', {
          glassEntries: [waterChange(glassId, 1, 5), mark('snooze', { until: toMoment(NOW + 30 * DAY_MS) })],
        }),
      ),
    ).toBe(6)
  })
  it('the newest one counts, and one that was taken back does not', () => {
    const first = mark('skip')
    expect(inDays(marked(first, mark('snooze', { until: toMoment(NOW + 2 * DAY_MS) })))).toBe(2)
    expect(
      inDays(
        marked(
          first,
          Entry.parse({
            id: nextId(),
            at: daysAgo(0),
            loggedAt: daysAgo(0),
            kind: 'withdrawal',
            glassId,
            supersedes: first.id,
          }),
        ),
      ),
    ).toBe(-1)
  })
  it('work of the room itself can be put off too', () => {
    const glassEntries = [waterTest(glassId, 2, { ph: 7 }, 'probe')]
    const calibration = itemOf('calibration', { glassEntries })!
    const off = entryOf('dueMark', 0, {
      key: calibration.key,
      dueAt: toMoment(calibration.dueMs),
      act: 'snooze',
      until: toMoment(NOW + 5 * DAY_MS),
    })
    expect(inDays(itemOf('calibration', { glassEntries, marks: [off] }))).toBe(5)
  })
})

/** A log as it may come: any of these, any day of the last months, in any order. */
const anyLog = fc.array(
  fc.tuple(
    fc.integer({ min: 0, max: 90 * 24 }),
    fc.constantFrom(
      { kind: 'waterChange', glassId, litres: 5 },
      { kind: 'topUp', glassId, litres: 1 },
      { kind: 'feeding', glassId, food: 'pellet', portions: 3 },
      { kind: 'feeding', glassId, eaten: 'leftOver' },
      { kind: 'feeding', glassId, eaten: 'minutes' },
      { kind: 'feeding', glassId, food: 'greens' },
      { kind: 'supplement', glassId, what: 'leaves' },
      { kind: 'equipment', glassId, found: { intake: 'broken', flow: 'fine' } },
      { kind: 'equipment', glassId, found: { intake: 'fine', flow: 'fine', cover: 'fine', heater: 'fine' } },
      { kind: 'treatment', glassId, substance: 'flubendazole', activeMg: 20, netL: 50 },
      {
        kind: 'waterTest',
        glassId,
        readings: { khDh: { value: 4, method: 'liquidKit' }, ph: { value: 7, method: 'probe' } },
      },
      {
        kind: 'waterTest',
        glassId,
        readings: { ghDh: { value: 20, method: 'strip' }, nitriteMgL: { value: 0.3, method: 'liquidKit' } },
      },
      { kind: 'berried', colonyId, number: 2 },
      { kind: 'berried', colonyId, number: 0 },
      { kind: 'young', colonyId, amount: 'many' },
      { kind: 'clutch', colonyId, event: 'laid' },
      { kind: 'eggMass', colonyId, number: 1 },
      { kind: 'count', colonyId, number: 40, method: 'allSeen' },
    ),
  ),
  { maxLength: 30 },
)
const anyGroup = fc.constantFrom(...groups.map(g => g.id))
const logOf = (parts: [number, object][]) => {
  const entries = parts.map(([hours, more]) => entryOf((more as Entry).kind, hours / 24 + 0.01, more))
  return { glassEntries: entries.filter(e => 'glassId' in e), colonyEntries: entries.filter(e => 'colonyId' in e) }
}
const numbers = known(120, 60, 220, [100, 140])

describe('whatever the log', () => {
  it('nothing is due without a reason, a basis, and words for how late it may be', () => {
    fc.assert(
      fc.property(anyLog, anyGroup, (parts, groupId) => {
        for (const i of itemsOf({ groupId, numbers, ...logOf(parts) })) {
          expect(i.why.key).toBeTruthy()
          expect(i.basis.kind).toBeTruthy()
          for (const n of [
            i.dueMs,
            i.earlyDays,
            i.lateDays,
            i.minutes,
            ...Object.values(i.why.values).filter(v => typeof v === 'number'),
          ])
            expect(Number.isFinite(n)).toBe(true)
          expect(i.lateDays).toBeGreaterThan(0)
          expect(i.minutes).toBeGreaterThan(0)
        }
      }),
      { numRuns: 60 },
    )
  })
  it('every item has a key of its own', () => {
    fc.assert(
      fc.property(anyLog, anyGroup, (parts, groupId) => {
        const keys = itemsOf({ groupId, numbers, ...logOf(parts) }).map(i => i.key)
        expect(new Set(keys).size).toBe(keys.length)
      }),
      { numRuns: 60 },
    )
  })
  it('doing it removes it', () => {
    fc.assert(
      fc.property(anyLog, anyGroup, (parts, groupId) => {
        const log = logOf(parts)
        for (const item of itemsOf({ groupId, numbers, ...log })) {
          const done =
            item.kind === 'test'
              ? {
                  kind: 'waterTest' as const,
                  glassId,
                  readings: Object.fromEntries(
                    String(item.values.keys)
                      .split(' ')
                      .map(k => [
                        k,
                        {
                          value: k === 'nitriteMgL' ? 0 : k === 'ph' ? 7 : k === 'conductivityUsCm' ? 300 : 6,
                          method: 'liquidKit',
                        },
                      ]),
                  ),
                }
              : item.kind === 'count'
                ? { kind: 'count' as const, colonyId, number: 100, method: 'allSeen' }
                : item.kind === 'young'
                  ? { kind: 'young' as const, colonyId, amount: 'few' }
                  : item.kind === 'secondDose'
                    ? { kind: 'treatment' as const, glassId, substance: item.values.substance, activeMg: 20, netL: 50 }
                    : doing(item)
          if (!done) continue
          const entry = entryOf(done.kind, 0, done)
          const after = itemsOf({
            groupId,
            numbers,
            glassEntries: [...log.glassEntries, ...('glassId' in entry ? [entry] : [])],
            colonyEntries: [...log.colonyEntries, ...('colonyId' in entry ? [entry] : [])],
          }).find(i => i.key === item.key)
          expect(
            after === undefined || after.dueMs > NOW,
            `${item.key} done ${JSON.stringify(done)}: ${JSON.stringify(after)}`,
          ).toBe(true)
        }
      }),
      { numRuns: 60 },
    )
  })
  it('the order in which entries lie does not matter', () => {
    fc.assert(
      fc.property(anyLog, anyGroup, fc.infiniteStream(fc.nat()), (parts, groupId, order) => {
        const { glassEntries, colonyEntries } = logOf(parts)
        const mixed = <T>(list: T[]) =>
          list
            .map(v => ({ v, at: order.next().value as number }))
            .sort((a, b) => a.at - b.at)
            .map(x => x.v)
        expect(
          schedule(
            careOf({ groupId, numbers, glassEntries: mixed(glassEntries), colonyEntries: mixed(colonyEntries) }),
          ),
        ).toEqual(schedule(careOf({ groupId, numbers, glassEntries, colonyEntries })))
      }),
      { numRuns: 40 },
    )
  })
})
