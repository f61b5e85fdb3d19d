import { describe, expect, it } from 'vitest'
import { allFollowed } from '#core/animals'
import { type Animal, animalsOf, type Entry } from '#core/records'
import { about, animal, at, away, home } from './parts'
import { count, daysAgo, entryOf, NOW } from '../../make'

const [ash, cinder, soot] = [animal('Ash'), animal('Cinder'), animal('Soot')]
const heads = (unsexed: number) => ({ females: 0, males: 0, unsexed, halfGrown: 0, young: 0 })
const colony = { id: home, founders: heads(3), startedAt: daysAgo(200) }
const known = (entries: Entry[], animals: readonly Animal[] = [ash, cinder, soot], founders = 3) =>
  allFollowed(
    { ...colony, founders: heads(founders) },
    entries,
    animals.map(a => ({ animal: a, entries: entries.filter(e => animalsOf(e).includes(a.id)) })),
    NOW,
  )

describe('a colony of followed animals alone', () => {
  it('is as many as are followed, from its first day', () => {
    expect(known([])).toEqual({
      number: 3,
      animals: [ash, cinder, soot],
      course: [{ atMs: at(200), number: 3 }],
    })
  })
  it('is none where a founder has no name, and none where nobody is followed', () => {
    expect(known([], [ash, cinder])).toBeNull()
    expect(known([], [], 0)).toBeNull()
  })
  it('follows deaths, moves and arrivals that name who it was', () => {
    const log = [
      about([soot], 'death', 90, { number: 1, sign: 'old' }),
      about([cinder], 'move', 60, { number: 1, toColonyId: away }),
    ]
    const k = known(log)!
    expect([k.number, k.animals.map(a => a.name)]).toEqual([1, ['Ash']])
    expect(k.course.map(c => c.number)).toEqual([3, 2, 1])
    const rook = animal('Rook')
    const came = about([rook], 'addition', 20, { number: 1, origin: 'bought' })
    expect(known([came], [ash, cinder, soot, rook])!.number).toBe(4)
    // from the side of the colony into which it moved
    const moved = about([rook], 'move', 20, { colonyId: away, toColonyId: home, number: 1 })
    expect(known([moved], [ash, cinder, soot, animal('Rook', { id: rook.id, firstColonyId: away })])!.number).toBe(4)
  })
  it('one that died without a name is off the number all the same', () => {
    const k = known([entryOf('death', 30, { colonyId: home, number: 1, sign: 'unknown' })])!
    expect([k.number, k.animals.length]).toEqual([2, 3])
  })
  it('is known no longer when strangers come or young are seen, until a full count finds all of them', () => {
    const two = entryOf('addition', 30, { colonyId: home, number: 2, origin: 'bought' })
    const young = entryOf('young', 30, { colonyId: home, amount: 'few' })
    expect(known([two])).toBeNull()
    expect(known([young])).toBeNull()
    expect(known([young, count(home, 5, 3)])?.number).toBe(3)
    expect(known([young, count(home, 5, 3, { method: 'atFood' })])).toBeNull()
    expect(known([count(home, 5, 5)])).toBeNull()
    // who hides is not gone
    expect(known([count(home, 5, 2)])?.number).toBe(3)
    expect(known([entryOf('clutch', 9, { colonyId: home, event: 'laid' })])?.number).toBe(3)
  })
  it('one that was born there and is followed since is no founder', () => {
    const chick = animal('Chick', { born: { from: daysAgo(60), to: daysAgo(50) } })
    expect(known([], [ash, cinder, soot, chick])?.number).toBe(4)
  })
  it('what lies ahead of now is not yet so', () => {
    const later = { ...entryOf('death', 0, { colonyId: home, number: 1, sign: 'old' }), at: daysAgo(-2) } as Entry
    expect(known([later])!.number).toBe(3)
  })
})
