import { describe, expect, it } from 'vitest'
import { type DueItem, dueState, schedule } from '#core/care'
import { DAY_MS, Entry, toMoment } from '#core/records'
import { daysAgo, entryOf, nextId, test as waterTest, topUp, waterChange } from '../../make'
import { careOf, colonyId, glassId, itemOf, itemsOf, known, NOW } from './rooms'

const inDays = (item: DueItem | undefined) => Math.round((((item?.dueMs ?? Number.NaN) - NOW) / DAY_MS) * 100) / 100

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
  it('is changed as often as the colony of a shared glass wants that wants it most', () => {
    const glassEntries = [waterChange(glassId, 3, 5)]
    const [weekly, fortnightly] = ['smallWeekly', 'fortnightly'].map(waterChange =>
      careOf({ schools: { waterChange }, glassEntries }),
    )
    for (const [a, b] of [
      [weekly!, fortnightly!],
      [fortnightly!, weekly!],
    ] as const) {
      const [glass] = a.glasses
      const shared = { ...a, glasses: [{ ...glass!, colonies: [...glass!.colonies, ...b.glasses[0]!.colonies] }] }
      const change = schedule(shared).filter(i => i.kind === 'waterChange')
      expect(change).toHaveLength(1)
      expect(change[0]).toMatchObject({ everyDays: 7 })
    }
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
  it('asks at once for all that may kill where more die than usual, until it was tested', () => {
    const dying = { ...known(100, 90, 110, [95, 105])!, dyingSinceMs: NOW - 2 * DAY_MS }
    const all = itemOf('test', { glassEntries: steady(5), numbers: dying })!
    expect(String(all.values.keys).split(' ').sort()).toEqual([
      'ammoniaMgL',
      'ghDh',
      'khDh',
      'nitriteMgL',
      'ph',
      'temperatureC',
    ])
    expect([inDays(all), all.why.key, all.flexible, all.lateDays]).toEqual([-2, 'testDying', false, 2])
    const found = [entryOf('death', 0.5, { colonyId, number: 4, sign: 'unknown' })]
    const today = itemOf('test', { glassEntries: steady(5), numbers: dying, colonyEntries: found })!
    expect(inDays(today)).toBe(-0.5)
    // also where something is off
    const wrong = { glassEntries: steady(12, { nitrateMgL: 90 }) }
    expect(itemOf('test', wrong)!.why.key).toBe('testOff')
    expect(itemOf('test', { ...wrong, numbers: dying })!.why.key).toBe('testDying')
    const since = waterTest(glassId, 1, { khDh: 5, ghDh: 7, ph: 7.2, temperatureC: 23 })
    const rest = itemOf('test', { glassEntries: [...steady(5), since], numbers: dying })!
    expect(String(rest.values.keys).split(' ').sort()).toEqual(['ammoniaMgL', 'nitriteMgL'])
    const poison = waterTest(glassId, 1, { ammoniaMgL: 0, nitriteMgL: 0 })
    const done = itemOf('test', { glassEntries: [...steady(5), since, poison], numbers: dying })!
    expect(done.why.key).toBe('testAge')
  })
  it('asks for poisons only where they were found', () => {
    expect(String(itemOf('test', { glassEntries: steady(0.1) })!.values.keys)).not.toContain('nitrite')
    const found = itemOf('test', { glassEntries: [...steady(0.5), waterTest(glassId, 3, { nitriteMgL: 0.4 })] })!
    expect([found.values.keys, found.why.key, found.flexible]).toEqual(['nitriteMgL', 'testOff', false])
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
