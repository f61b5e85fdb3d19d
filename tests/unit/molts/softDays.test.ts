import { describe, expect, it } from 'vitest'
import { groupOf, groups } from '#core/groups'
import { limbsUnderway, softAt } from '#core/molts'
import { DAY_MS, type Entry, WEEK_MS } from '#core/records'
import { limbsText, softText } from '../../../app/words/molts'
import { entryOf, nextId, NOW } from '../../make'

const crabs = groupOf('land-crab').care.molts!
const shrimp = groupOf('neocaridina').care.molts!
const colonyId = nextId()
const skins = (days: number, number = 1) => entryOf('molts', days, { colonyId, number })
const trouble = (days: number, number = 1) => entryOf('failedMolt', days, { colonyId, number, sign: 'stuck' })
const limbs = (days: number, of: 'one' | 'several' = 'one', number = 1) =>
  entryOf('limbLoss', days, { colonyId, number, limbs: of })
const at = (days: number) => NOW - days * DAY_MS

describe('soft days', () => {
  it('crabs are soft for five to six days, until the colour is back (common practice)', () => {
    expect(crabs.softDays).toMatchObject({ range: [5, 6], basis: { kind: 'commonPractice' } })
    expect(softAt(crabs, [skins(5.9)], NOW)).toMatchObject({ of: 'molts', atMs: at(5.9), untilMs: at(-0.1) })
    expect(softAt(crabs, [skins(6)], NOW)).toBeNull()
    expect(softAt(shrimp, [skins(2.1)], NOW)).toBeNull()
  })
  it('every group that molts has them, first from and then to', () => {
    for (const g of groups)
      if (g.care.molts) expect(g.care.molts.softDays.range[0]).toBeLessThanOrEqual(g.care.molts.softDays.range[1])
  })
  it('the last to be soft speaks, be it by a skin, in trouble, or without a limb', () => {
    expect(softAt(crabs, [skins(4), trouble(2, 3)], NOW)).toMatchObject({ of: 'failedMolt', number: 3 })
    expect(softAt(crabs, [trouble(4), limbs(1)], NOW)).toMatchObject({ of: 'limbLoss', atMs: at(1) })
    expect(softAt(crabs, [skins(3, 0)], NOW)).toBeNull()
    // the longest counts, in whatever order they stand; of two at once the later one
    expect(softAt(crabs, [trouble(2, 3), skins(4)], NOW)).toMatchObject({ of: 'failedMolt' })
    expect(softAt(crabs, [trouble(2, 3), skins(2)], NOW)).toMatchObject({ of: 'molts' })
    expect(softAt(crabs, [skins(0)], NOW)).not.toBeNull()
    expect(softAt(crabs, [skins(-1)], NOW)).toBeNull()
    expect(softAt(crabs, [entryOf('death', 1, { colonyId, number: 1, sign: 'failedMolt' }) as Entry], NOW)).toBeNull()
  })
  it('is said with its days, of one and of several', () => {
    const crab = { name: 'Tide crabs', groupId: 'land-crab' }
    expect(softText(softAt(crabs, [skins(1)], NOW)!, crab, NOW)).toMatch(
      /^Tide crabs: a skin was found .*Leave a .* that hides or looks pale in peace until .*: soft as they are/,
    )
    expect(softText(softAt(crabs, [limbs(1, 'one', 2)], NOW)!, crab, NOW)).toMatch(
      /some lost limbs .* that hide or look/,
    )
  })
})

describe('limbs', () => {
  const underway = (entries: Entry[], pace = 1) => limbsUnderway(crabs, entries, { nowMs: NOW, pace })
  it('come back over one or two molts (common practice), the sooner in warmth', () => {
    const [lost] = underway([limbs(3)])
    const molt = 0.8 * crabs.adultWeeks.value * WEEK_MS
    expect(lost).toEqual({
      atMs: at(3),
      number: 1,
      animalIds: [],
      several: false,
      lookMs: at(3) + molt,
      wholeMs: at(3) + 2 * molt,
    })
    expect(underway([limbs(3)], 2)[0]!.lookMs).toBe(at(3) + molt / 2)
    expect(underway([limbs(44)])).toHaveLength(1)
    expect(underway([limbs(46)])).toEqual([])
    expect(underway([limbs(-1), skins(1)])).toEqual([])
  })
  it('are no longer awaited once they were seen whole, of the same animals', () => {
    const [one, other] = [nextId(), nextId()]
    const of = (days: number, animalIds: string[], more: object = {}) =>
      entryOf('limbLoss', days, {
        ...{ colonyId, number: Math.max(1, animalIds.length), limbs: 'one' },
        ...(animalIds.length > 0 && { animalIds }),
        ...more,
      })
    const lost = (days: number, ...ids: string[]) => of(days, ids)
    const back = (days: number, ...ids: string[]) => of(days, ids, { back: true })
    expect(underway([lost(9), back(2)])).toEqual([])
    // seen whole before it was lost, or not yet, is another one
    expect(underway([back(9), lost(2)])).toHaveLength(1)
    expect(underway([lost(9), back(9)])).toHaveLength(1)
    expect(underway([lost(9), back(-1)])).toHaveLength(1)
    // who is followed heals for itself
    expect(underway([lost(9, one), back(2, other)])).toHaveLength(1)
    expect(underway([lost(9, one), back(2)])).toHaveLength(1)
    expect(underway([lost(9), back(2, one)])).toHaveLength(1)
    expect(underway([lost(9, one), back(2, one, other)])).toEqual([])
    expect(underway([lost(9, one, other), back(2, one)])).toHaveLength(1)
    // and a limb that is whole makes nobody soft
    expect(softAt(crabs, [back(1)], NOW)).toBeNull()
    expect(softAt(crabs, [{ ...skins(1), back: true } as Entry], NOW)).not.toBeNull()
  })
  it('several of one are a reason to keep it apart, with the day to look again', () => {
    const [lost] = underway([limbs(3, 'several')])
    expect(limbsText(lost!, NOW)).toMatch(/^1 lost several limbs .*: keep it apart, look again from .*; whole after/)
    expect(limbsText(underway([limbs(30, 'several', 2)])[0]!, NOW)).toMatch(/keep them apart, look now: a bud/)
    expect(limbsText(underway([limbs(3)])[0]!, NOW)).not.toMatch(/apart/)
  })
})
