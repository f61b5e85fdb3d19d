import { describe, expect, it } from 'vitest'
import { doing, type DueItem, plausibility, schedule } from '#core/care'
import { possibleRange } from '#core/records'
import type { ValueVerdict } from '#core/water'
import { entryOf, test as waterTest, waterChange } from '../../make'
import { careOf, type CareSetting, colonyId, glassId, itemOf, itemsOf, known, NOW } from './rooms'

const fed = (days: number, food: string, more: object = {}) => entryOf('feeding', days, { glassId, food, ...more })
const given = (what: 'leaves' | 'calcium', days: number) => entryOf('supplement', days, { glassId, what, number: 2 })
const why = (kind: DueItem['kind'], setting: CareSetting) => itemOf(kind, setting)?.why

describe('why something is due', () => {
  it('tells the rhythm and how long ago it was, and nothing of what never was', () => {
    expect(why('leaves', { glassEntries: [given('leaves', 20)] })).toEqual({
      key: 'every',
      values: { every: 14, days: 20 },
    })
    expect(why('leaves', {})).toEqual({ key: 'never', values: { every: 14, days: 0 } })
    expect(why('greens', { glassEntries: [fed(9, 'greens')] })).toEqual({ key: 'every', values: { every: 7, days: 9 } })
    expect(why('greens', {})?.key).toBe('never')
    expect(why('waterChange', { glassEntries: [waterChange(glassId, 9, 5)] })?.values).toMatchObject({
      every: 7,
      days: 9,
    })
    expect(why('waterChange', {})).toMatchObject({ key: 'changeNever', values: { days: 0 } })
    expect(why('feed', { glassEntries: [fed(3, 'pellet')] })).toEqual({
      key: 'feedEvery',
      values: { every: 1, days: 3, weeks: 0 },
    })
    expect(why('feed', { groupId: 'brackish-pool-shrimp' })?.values.weeks).toBeGreaterThan(3)
    expect(why('feed', {})).toMatchObject({ key: 'feedNever', values: { days: 0 } })
  })
  it('leftovers lie from the feeding on, or from when they were seen', () => {
    const lie = itemOf('leftovers', { glassEntries: [fed(0.25, 'pellet')] })!
    expect(lie.why.key).toBe('leftoversLie')
    expect(lie.why.values).toMatchObject({ food: 'pellet', hours: 3 })
    expect(lie.why.values.since).toBeCloseTo(6, 6)
    expect(lie.values).toEqual({ food: 'pellet' })
    const looked = entryOf('feeding', 0.1, { glassId, eaten: 'leftOver' })
    const seen = itemOf('leftovers', { glassEntries: [fed(0.25, 'pellet'), looked] })!
    expect(seen.why.key).toBe('leftoversSeen')
    expect(seen.dueMs).toBeCloseTo(NOW - 0.1 * 86_400_000, -1)
    const first = itemOf('leftovers', { glassEntries: [fed(0.25, 'pellet', { eaten: 'leftOver' })] })!
    expect(first.dueMs).toBeCloseTo(NOW - 0.25 * 86_400_000, -1)
  })
  it('where powder is the food itself, young ask for no second kind', () => {
    const young = entryOf('young', 4, { colonyId, amount: 'few' })
    const kinds = (groupId: string) => itemsOf({ groupId, colonyEntries: [young] }).map(i => i.kind)
    expect(kinds('neocaridina')).toContain('powder')
    expect(kinds('fan-shrimp')).not.toContain('powder')
    const after = (food: string) =>
      itemOf('powder', { colonyEntries: [young], glassEntries: [fed(0.5, food)] })!.dueMs - NOW
    expect(after('powder')).toBeCloseTo(0.5 * 86_400_000, -1)
    expect(after('pellet')).toBeCloseTo(-4 * 86_400_000, -1)
  })
  it('portions come in amounts that a hand can give', () => {
    const portions = (animals: number) =>
      itemOf('feed', { numbers: known(animals, animals, animals, [animals, animals]) })!.values.portions
    // thirty animals to a piece where they are fed daily: quarters up to two pieces, halves up to five, then whole ones
    expect([40, 58, 68, 98, 140, 150, 172].map(portions)).toEqual([1.25, 2, 2.5, 3.5, 4.5, 5, 6])
    expect(portions(50)).toBe(1.75)
  })
})

describe('a test that is due', () => {
  const read = (days: number, ghDh: number, method: 'liquidKit' | 'strip' = 'liquidKit') =>
    waterTest(glassId, days, { ghDh }, method)
  const rest = waterTest(glassId, 0.5, { khDh: 5, ph: 7.2, temperatureC: 23.5, conductivityUsCm: 300 })
  const of = (...glassEntries: ReturnType<typeof read>[]) => itemOf('test', { glassEntries: [...glassEntries, rest] })!
  it('says how old the last one is', () => {
    const item = of(read(40, 7))
    expect(item.why).toMatchObject({ key: 'testAge', values: { key: 'ghDh', every: 28 } })
    expect(item.why.values.days).toBeCloseTo(40, 6)
    expect(item.dueMs).toBeCloseTo(NOW - 12 * 86_400_000, -1)
  })
  it('goes by the worst of what several colonies in one glass say of a value', () => {
    const care = careOf({ glassEntries: [read(12, 7), rest] })
    const glass = care.glasses[0]!
    const [own] = glass.colonies
    const verdict = (state: ValueVerdict['state']) => own!.values.map(v => (v.key === 'ghDh' ? { ...v, state } : v))
    const due = (...states: ValueVerdict['state'][]) => {
      const colonies = states.map(state => ({ ...own!, values: verdict(state) }))
      const item = schedule({ ...care, glasses: [{ ...glass, colonies }] }).find(i => i.kind === 'test')!
      return item.why.key === 'testNever' ? null : [item.why.key, item.why.values.every]
    }
    expect(due('onTarget', 'drifting', 'off')).toEqual(['testOff', 7])
    expect(due('off', 'drifting')).toEqual(['testOff', 7])
    expect(due('onTarget', 'drifting')).toEqual(['testDrift', 14])
  })
  it('what was reckoned is no test', () => {
    const care = careOf({ glassEntries: [read(40, 7), rest] })
    const glass = care.glasses[0]!
    const [own] = glass.colonies
    const reckoned = own!.values.map(v =>
      v.key === 'ghDh' && v.latest
        ? {
            ...v,
            latest: { ...v.latest, method: 'reckoned' as const, at: NOW },
            window: [...v.window, { ...v.window[0]!, method: 'reckoned' as const, at: NOW }],
          }
        : v,
    )
    const item = schedule({ ...care, glasses: [{ ...glass, colonies: [{ ...own!, values: reckoned }] }] }).find(
      i => i.kind === 'test',
    )!
    expect(item.why.values.days).toBeCloseTo(40, 6)
    // a test that only the verdict knows counts as one
    const alone = schedule({ ...care, glasses: [{ ...glass, entries: [rest] }] }).find(i => i.kind === 'test')!
    expect(alone.why.values.days).toBeCloseTo(40, 6)
  })
})

describe('what one touch logs', () => {
  const item = (kind: DueItem['kind'], values: DueItem['values'] = {}) =>
    doing({ ...itemOf('feed')!, kind, glassId: 'g', colonyId: 'c', values })
  it.each<[DueItem['kind'], DueItem['values'], unknown]>([
    ['waterChange', { litres: 3.456 }, { kind: 'waterChange', glassId: 'g', litres: 3.46 }],
    ['doseChange', { litres: 8 }, { kind: 'waterChange', glassId: 'g', litres: 8 }],
    ['topUp', { litres: 1 }, { kind: 'topUp', glassId: 'g', litres: 1 }],
    ['topUp', {}, null],
    ['feed', { food: 'pellet', portions: 2 }, { kind: 'feeding', glassId: 'g', food: 'pellet', portions: 2 }],
    ['powder', { food: 'powder', portions: 1 }, { kind: 'feeding', glassId: 'g', food: 'powder', portions: 1 }],
    ['leftovers', { food: 'pellet' }, { kind: 'feeding', glassId: 'g', removed: true }],
    ['greens', {}, { kind: 'feeding', glassId: 'g', food: 'greens', portions: 1 }],
    ['leaves', { number: 3 }, { kind: 'supplement', glassId: 'g', what: 'leaves', number: 3 }],
    ['calcium', {}, { kind: 'supplement', glassId: 'g', what: 'calcium' }],
    ['equipment', { parts: 'cover flow' }, { kind: 'equipment', glassId: 'g', found: { cover: 'fine', flow: 'fine' } }],
    ['mend', { parts: 'cover' }, { kind: 'equipment', glassId: 'g', found: { cover: 'mended' } }],
    ['clutch', { clutchId: 'k' }, { kind: 'clutch', colonyId: 'c', clutchId: 'k', event: 'checked' }],
    ['count', {}, null],
    ['test', {}, null],
  ])('%s with %o', (kind, values, logged) => expect(item(kind, values)).toEqual(logged))
})

describe('a value as it is typed', () => {
  const verdict = careOf({
    glassEntries: [waterTest(glassId, 5, { ghDh: 7 }), waterTest(glassId, 1, { ghDh: 7 })],
  }).glasses[0]!.colonies[0]!.values.find(v => v.key === 'ghDh')!
  const latest = (value: number, sd: number) => ({ ...verdict, latest: { ...verdict.latest!, value, sd } })
  it('the ends of what can be are still possible', () => {
    const [least, most] = possibleRange.ghDh
    expect([least, most].map(v => plausibility('ghDh', v, undefined))).toEqual(['fine', 'fine'])
    expect([least - 0.1, most + 0.1].map(v => plausibility('ghDh', v, undefined))).toEqual(['impossible', 'impossible'])
  })
  it('is asked about when it lies far from the last one and outside what is tolerated', () => {
    // preferred 6 to 8: half as much again is far, where the last one is well known; tolerated 4 to 12
    expect([2, 3.9, 4, 7, 12, 12.1].map(v => plausibility('ghDh', v, latest(7, 0.1)))).toEqual([
      'surprising',
      'surprising',
      'fine',
      'fine',
      'fine',
      'surprising',
    ])
    // six doubts of a reading that is hardly known
    expect(plausibility('ghDh', 12.9, latest(7, 1))).toBe('fine')
    expect(plausibility('ghDh', 13.1, latest(7, 1))).toBe('surprising')
    // what lay outside before and stays there is no surprise
    expect(plausibility('ghDh', 14, latest(13, 0.1))).toBe('fine')
  })
})
