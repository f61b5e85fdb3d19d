import { describe, expect, it } from 'vitest'
import { clutchesOf, hatchWindow, youngExpected } from '#core/broods'
import { groupOf } from '#core/groups'
import { DAY_MS } from '#core/records'
import { entryOf, nextId, NOW } from '../../make'

const colonyId = nextId()
const at = (ms: number) => Math.round((ms - NOW) / DAY_MS)
const berried = (days: number, number: number, more = {}) => entryOf('berried', days, { colonyId, number, ...more })

describe('hatchWindow', () => {
  it('is as wide as the last look leaves it', () => {
    const w = (before: number | null) => {
      const r = hatchWindow(NOW, before === null ? null : NOW - before * DAY_MS, [21, 28])
      return [at(r.fromMs), at(r.toMs)]
    }
    expect(w(3)).toEqual([18, 28])
    expect(w(null)).toEqual([0, 28])
    // a look longer ago than eggs take says nothing more
    expect(w(60)).toEqual([0, 28])
  })
  it('eyed eggs hatch within days', () => {
    const r = hatchWindow(NOW, null, [21, 28], true)
    expect([at(r.fromMs), at(r.toMs)]).toEqual([0, 7])
  })
})

describe('youngExpected', () => {
  const brood = groupOf('neocaridina').care.brood
  it('reads a run of sightings', () => {
    const w = youngExpected(brood, [berried(20, 0), berried(16, 2), berried(10, 4), berried(3, 3, { eyed: 2 })])!
    expect([w.number, at(w.seenMs), at(w.fromMs), at(w.toMs)]).toEqual([4, -16, 1, 4])
  })
  it('begins anew after young or after none', () => {
    expect(youngExpected(brood, [berried(16, 2), entryOf('young', 5, { colonyId, amount: 'few' })])).toBeNull()
    expect(at(youngExpected(brood, [berried(16, 2), berried(8, 0), berried(2, 1)])!.seenMs)).toBe(-2)
    expect(youngExpected(groupOf('trumpet-snail').care.brood, [berried(2, 1)])).toBeNull()
  })
})

describe('clutchesOf', () => {
  const brood = groupOf('apple-snail').care.brood
  it('follows each clutch by itself', () => {
    const [first, second] = [
      entryOf('clutch', 12, { colonyId, event: 'laid' }),
      entryOf('clutch', 4, { colonyId, event: 'laid', place: 'incubator' }),
    ]
    const clutches = clutchesOf(brood, [
      first,
      second,
      entryOf('clutch', 2, { colonyId, event: 'moved', clutchId: first.id, place: 'incubator' }),
      entryOf('clutch', 1, { colonyId, event: 'hatched', clutchId: first.id, young: 120 }),
    ])
    expect(clutches.map(c => [c.state, c.place, c.young, at(c.seenMs), at(c.fromMs)])).toEqual([
      ['hatched', 'incubator', 120, -1, -4],
      ['open', 'incubator', null, -4, 4],
    ])
  })
  it('passes over what names a clutch that nobody laid', () => {
    expect(clutchesOf(brood, [entryOf('clutch', 1, { colonyId, event: 'lost', clutchId: nextId() })])).toEqual([])
  })
})
