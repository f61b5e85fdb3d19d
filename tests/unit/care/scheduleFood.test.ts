import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { DueItem } from '#core/care'
import type { Entry } from '#core/records'
import { DAY_MS } from '#core/records'
import { daysAgo, entryOf, test as waterTest } from '../../make'
import { colonyId, glassId, itemOf, itemsOf, known, NOW } from './rooms'

const inDays = (item: DueItem | undefined) => Math.round((((item?.dueMs ?? Number.NaN) - NOW) / DAY_MS) * 100) / 100
const feeding = (days: number, more: object) => entryOf('feeding', days, { glassId, ...more })
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
    // never more than twice what the numbers ask for, however hungry they look; and never under half of it
    expect(portions(feeding(1, { food: 'pellet', portions: 4, eaten: 'minutes' }))).toBe(4)
    expect(portions(feeding(1, { food: 'pellet', portions: 0.25, eaten: 'hour' }))).toBe(1)
    expect(portions(feeding(1, { food: 'pellet', portions: 2.5, eaten: 'minutes' }))).toBe(3)
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
    ).toBe(4)
  })
  it('is not due where the water says to stop feeding; leftovers are still taken out', () => {
    const glassEntries = [feeding(2, { food: 'pellet', portions: 1, eaten: 'leftOver' })]
    const tested = (ammoniaMgL: number) => ({
      glassEntries: [...glassEntries, waterTest(glassId, 1, { ammoniaMgL, ph: 8, temperatureC: 24 })],
    })
    expect(itemOf('feed', tested(0))).toBeDefined()
    expect(itemOf('feed', tested(2))).toBeUndefined()
    expect(itemOf('leftovers', tested(2))).toBeDefined()
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
