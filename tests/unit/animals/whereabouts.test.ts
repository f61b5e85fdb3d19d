import { describe, expect, it } from 'vitest'
import { lastColony, livedIn, whereabouts } from '#core/animals'
import { animalIdOf, Id, namedIds } from '#core/records'
import { about, animal, at, away, home } from './parts'
import { entryOf, nextId } from '../../make'

const ash = animal('Ash')
const where = (...entries: Parameters<typeof whereabouts>[1]) => whereabouts(ash, entries)

describe('where an animal lives', () => {
  it('in the colony in which it was first followed, from nobody knows when', () => {
    const w = where()
    expect(w).toEqual({ stays: [{ colonyId: home, fromMs: null, toMs: null }], left: null })
    expect([livedIn(w, at(900)), livedIn(w, at(0))]).toEqual([home, home])
  })
  it('follows moves, and is at any moment where it was then', () => {
    const w = where(about([ash], 'move', 20, { number: 1, toColonyId: away }))
    expect(w.stays).toEqual([
      { colonyId: home, fromMs: null, toMs: at(20) },
      { colonyId: away, fromMs: at(20), toMs: null },
    ])
    expect([livedIn(w, at(21)), livedIn(w, at(20)), livedIn(w, at(3))]).toEqual([home, away, away])
    expect(lastColony(w)).toBe(away)
  })
  it('an addition to its first colony tells when it came, and one elsewhere is another stay', () => {
    expect(where(about([ash], 'addition', 50, { number: 1, origin: 'bought' })).stays).toEqual([
      { colonyId: home, fromMs: at(50), toMs: null },
    ])
    const there = about([ash], 'addition', 50, { colonyId: away, number: 1, origin: 'bought' })
    expect(where(there).stays.map(s => s.colonyId)).toEqual([home, away])
    // before it came it lived nowhere here
    expect(livedIn(where(about([ash], 'addition', 50, { number: 1, origin: 'bought' })), at(60))).toBeNull()
  })
  it('ends with a death or a removal, the first of them, and begins again when it is put in again', () => {
    const sold = about([ash], 'removal', 30, { number: 1, outlet: 'given' })
    const gone = where(sold, about([ash], 'death', 10, { number: 1, sign: 'old' }))
    expect(gone.left).toEqual({ how: 'removed', atMs: at(30), entryId: sold.id })
    expect([livedIn(gone, at(31)), livedIn(gone, at(30))]).toEqual([home, null])
    const back = where(sold, about([ash], 'addition', 5, { number: 1, origin: 'given' }))
    expect(back.left).toBeNull()
    expect(back.stays.map(s => [s.fromMs, s.toMs])).toEqual([
      [null, at(30)],
      [at(5), null],
    ])
    expect(where(about([ash], 'death', 4, { number: 1, sign: 'old' })).left?.how).toBe('died')
  })
  it('entries about others move nobody', () => {
    expect(where(about([animal('Cinder')], 'move', 20, { number: 1, toColonyId: away })).stays).toHaveLength(1)
  })
})

describe('ids of animals', () => {
  const colonyId = nextId()
  it('follow from colony and name, whatever its capitals and edges', () => {
    expect(animalIdOf(colonyId, ' ASH ')).toBe(animalIdOf(colonyId, 'ash'))
    expect(animalIdOf(colonyId, 'Ash')).not.toBe(animalIdOf(colonyId, 'Ashe'))
    expect(animalIdOf(colonyId, 'Ash')).not.toBe(animalIdOf(nextId(), 'Ash'))
    // e with an accent as one letter and as two
    expect(animalIdOf(colonyId, 'René')).toBe(animalIdOf(colonyId, 'René'))
  })
  it('are ids like any other, of the moment of the colony', () => {
    for (const name of ['Ash', 'Cinder', '1', 'Ω', 'a longer name with spaces']) {
      const id = animalIdOf(colonyId, name)
      expect(Id.safeParse(id).success, id).toBe(true)
      expect(id.slice(0, 13)).toBe(colonyId.slice(0, 13))
    }
  })
  it('old sightings that hold a name are found by the animal', () => {
    const old = entryOf('berried', 1, { colonyId, number: 1, animal: ' Ash' })
    expect(namedIds(old)).toEqual([colonyId, animalIdOf(colonyId, 'ash')])
    expect(namedIds(entryOf('berried', 1, { colonyId, number: 1 }))).toEqual([colonyId])
  })
})
