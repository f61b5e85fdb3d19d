import { describe, expect, it } from 'vitest'
import { Entry, namedIds, subjectOf } from '#core/records'
import { daysAgo, entryOf, nextId } from '../../make'

/** What belongs together in an entry, and what does not: each rule from both of its sides. */
const colonyId = nextId()
const glassId = nextId()
/** Where the first complaint points to; null where there is none. */
const complaint = (raw: object) => {
  const read = Entry.safeParse({ id: nextId(), at: daysAgo(1), loggedAt: daysAgo(1), ...raw })
  return read.success ? null : String(read.error.issues[0]!.path[0] ?? 'entry')
}

describe('ways of counting bring what they are reckoned from', () => {
  const count = (more: object) => complaint({ kind: 'count', colonyId, number: 9, ...more })
  it.each([
    [{ method: 'photo', share: 0.3 }, null],
    [{ method: 'photo' }, 'share'],
    [{ method: 'atFood', share: 0.3 }, 'share'],
    [{ method: 'repeated', series: [4, 5] }, null],
    [{ method: 'repeated' }, 'series'],
    [{ method: 'repeated', series: [9] }, 'series'],
    [{ method: 'passes' }, 'series'],
    [{ method: 'passes', series: [6, 3] }, null],
    [{ method: 'passes', series: [6, 3], efforts: [10, 5] }, null],
    [{ method: 'passes', series: [6, 3], efforts: [10, 5, 5] }, 'efforts'],
    [{ method: 'passes', series: [6, 3], efforts: [10, 0] }, 'efforts'],
    [{ method: 'repeated', series: [4, 5], efforts: [10, 5] }, 'efforts'],
    [{ method: 'allSeen', efforts: [10, 5] }, 'efforts'],
  ])('%j', (more, path) => expect(count(more)).toBe(path))

  const marks = (...catches: [number, number][]) =>
    count({ method: 'marks', marks: catches.map(([caught, recaptured]) => ({ caught, recaptured })) })
  it('holds no more marked animals than had been marked, nor than were caught', () => {
    expect(marks([9, 0], [8, 3])).toBeNull()
    expect(marks([9, 0], [10, 9])).toBeNull()
    expect(marks([9, 0], [12, 10])).toBe('marks')
    expect(marks([9, 0], [3, 4])).toBe('marks')
    expect(marks([9, 1], [8, 3])).toBe('marks')
    // the second catch marked five more
    expect(marks([9, 0], [8, 3], [20, 14])).toBeNull()
    expect(marks([9, 0], [8, 3], [20, 15])).toBe('marks')
    expect(count({ method: 'marks' })).toBe('marks')
    expect(
      count({
        method: 'allSeen',
        marks: [
          { caught: 9, recaptured: 0 },
          { caught: 8, recaptured: 3 },
        ],
      }),
    ).toBe('marks')
  })
  it('parts are no more than the number, and all of it may be parts', () => {
    const parts = { females: 4, males: 2, unsexed: 0, halfGrown: 2, young: 1 }
    const moved = { kind: 'move', colonyId, toColonyId: nextId() }
    const taken = { kind: 'removal', colonyId, outlet: 'sold' }
    expect([9, 8].map(number => count({ method: 'allSeen', number, parts }))).toEqual([null, 'parts'])
    expect([9, 8].map(number => complaint({ ...moved, number, parts }))).toEqual([null, 'parts'])
    expect([9, 8].map(number => complaint({ ...taken, number, parts }))).toEqual([null, 'parts'])
    expect(complaint({ ...taken, number: 1, price: -1 })).toBe('price')
    expect(complaint({ kind: 'grading', colonyId, grades: [] })).toBe('grades')
  })
})

describe('what belongs to what', () => {
  const shell = { kind: 'shell', colonyId, marks: [] }
  const look = { kind: 'feeding', glassId }
  const mark = { kind: 'dueMark', glassId, key: 'feed:x', dueAt: daysAgo(0) }
  it.each([
    [{ kind: 'berried', colonyId, number: 3, eyed: 3 }, null],
    [{ kind: 'berried', colonyId, number: 3, eyed: 4 }, 'eyed'],
    [{ kind: 'young', colonyId, amount: 'number' }, 'number'],
    [{ kind: 'young', colonyId, amount: 'many', number: 9 }, 'number'],
    [{ kind: 'young', colonyId, amount: 'many' }, null],
    [{ ...shell, growth: 'thin' }, null],
    [{ ...shell, marks: ['pits'] }, null],
    [{ ...shell, diameterMm: 9 }, null],
    [{ ...shell, diameterMm: 0 }, 'diameterMm'],
    [{ ...shell, diameterMm: 201 }, 'diameterMm'],
    [shell, 'growth'],
    [{ ...look, food: 'pellet' }, null],
    [{ ...look, removed: false }, 'food'],
    [{ ...look, removed: true }, null],
    [{ ...look, eaten: 'hour', portions: 2 }, 'portions'],
    [{ ...look, food: 'pellet', portions: 0 }, 'portions'],
    [{ kind: 'growth', glassId, biofilm: 'some' }, null],
    [{ kind: 'growth', glassId, algae: 'none' }, null],
    [{ kind: 'growth', glassId }, 'biofilm'],
    [{ kind: 'equipment', glassId, found: {} }, 'found'],
    [{ ...mark, act: 'skip' }, null],
    [{ ...mark, act: 'skip', until: daysAgo(-1) }, 'until'],
    [{ ...mark, act: 'snooze', until: daysAgo(-1) }, null],
    [{ ...mark, act: 'snooze' }, 'until'],
    [{ kind: 'note', text: 'x', colonyId, glassId }, 'entry'],
    [{ kind: 'note', text: 'x' }, 'entry'],
    [{ kind: 'photo', photoId: nextId(), colonyId, glassId }, 'entry'],
    [{ kind: 'waterTest', glassId, readings: { ph: undefined } }, 'readings'],
    [{ kind: 'waterChange', glassId, litres: 2, poured: [{ name: 'tap', litres: 0 }] }, 'poured'],
    [{ kind: 'topUp', glassId, litres: 2, weighed: [{ name: '', grams: 1 }] }, 'weighed'],
    [{ kind: 'treatment', glassId, substance: 'x', activeMg: 0, netL: 20 }, 'activeMg'],
  ])('%j', (raw, path) => expect(complaint(raw)).toBe(path))
})

describe('whose an entry is', () => {
  it('of a move both colonies’, of water the glass’s, and of animals that are named in it', () => {
    const toColonyId = nextId()
    const move = entryOf('move', 1, { colonyId, toColonyId, number: 2 })
    expect(subjectOf(move)).toEqual({ colonyId, toColonyId, glassId: undefined })
    expect(namedIds(move)).toEqual([colonyId, toColonyId])
    const animal = nextId()
    expect(namedIds(entryOf('note', 1, { glassId, text: 'x', animalIds: [animal] }))).toEqual([glassId, animal])
  })
})

describe('no more carry eggs than may be females', () => {
  const parts = { females: 3, males: 2, unsexed: 1, halfGrown: 1, young: 1 }
  const moved = (more: object) => complaint({ kind: 'move', colonyId, toColonyId: nextId(), number: 9, ...more })
  it.each([
    [{ berried: 9 }, null],
    [{ berried: 0 }, null],
    [{ berried: 10 }, 'berried'],
    // one of nine is not told apart
    [{ parts, berried: 5 }, null],
    [{ parts, berried: 6 }, 'berried'],
    [{ berried: 0.5 }, 'berried'],
  ])('%j', (more, path) => expect(moved(more)).toBe(path))
  it('of those that are put in and taken out as well', () => {
    expect(complaint({ kind: 'addition', colonyId, number: 2, berried: 3, origin: 'bought' })).toBe('berried')
    expect(complaint({ kind: 'removal', colonyId, number: 2, berried: 3, outlet: 'sold' })).toBe('berried')
  })
})
