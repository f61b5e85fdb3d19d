import { describe, expect, it } from 'vitest'
import { Entry, Photo, PHOTO_MOST_BYTES, RoomCare, subjectOf, walkOrder } from '#core/records'
import { daysAgo, entryOf, glass, nextId, rack } from '../../make'

const colonyId = nextId()
const glassId = nextId()
const read = (raw: object) => Entry.safeParse({ id: nextId(), at: daysAgo(1), loggedAt: daysAgo(1), ...raw })
const issueOf = (raw: object) => {
  const r = read(raw)
  return r.success ? null : r.error.issues[0]!.message
}

describe('entries of the round', () => {
  it.each([
    [{ kind: 'molts', colonyId, number: 0 }],
    [{ kind: 'failedMolt', colonyId, number: 1, sign: 'whiteGap' }],
    [{ kind: 'limbLoss', colonyId, number: 1, limbs: 'several' }],
    [{ kind: 'shell', colonyId, marks: ['pits', 'white'], diameterMm: 12.5 }],
    [{ kind: 'berried', colonyId, number: 3, saddle: 2, eyed: 1 }],
    [{ kind: 'berried', colonyId, number: 1, animal: 'Big red' }],
    [{ kind: 'eggMass', colonyId, number: 4 }],
    [{ kind: 'clutch', colonyId, event: 'laid', place: 'inPlace' }],
    [{ kind: 'clutch', colonyId, event: 'hatched', clutchId: nextId(), young: 90 }],
    [{ kind: 'young', colonyId, amount: 'few' }],
    [{ kind: 'young', colonyId, amount: 'number', number: 12 }],
    [{ kind: 'mating', colonyId, number: 1 }],
    [{ kind: 'move', colonyId, toColonyId: nextId(), number: 4 }],
    [
      {
        kind: 'grading',
        colonyId,
        grades: [
          { grade: 'A', number: 9 },
          { grade: 'B', number: 0 },
        ],
      },
    ],
    [{ kind: 'feeding', glassId, food: 'pellet', portions: 0.25, eaten: 'hour' }],
    [{ kind: 'feeding', glassId, eaten: 'leftOver', removed: true }],
    [{ kind: 'feeding', glassId, removed: true }],
    [{ kind: 'supplement', glassId, what: 'leaves', number: 3 }],
    [{ kind: 'equipment', glassId, found: { intake: 'broken', cover: 'fine' } }],
    [{ kind: 'growth', glassId, algae: 'rich' }],
    [{ kind: 'pest', glassId, what: 'hydra', amount: 'few' }],
    [{ kind: 'visit', glassId, roundId: nextId(), outcome: 'looked' }],
    [{ kind: 'photo', glassId, photoId: nextId() }],
    [{ kind: 'dueMark', glassId, key: 'feed:x', dueAt: daysAgo(0), act: 'skip' }],
    [{ kind: 'dueMark', key: 'calibration:x:ph', dueAt: daysAgo(0), act: 'snooze', until: daysAgo(-3) }],
  ])('keeps %j', raw => {
    const r = read(raw)
    expect(r.success && r.data).toMatchObject(raw)
  })
  it.each([
    ['more eyed than berried', { kind: 'berried', colonyId, number: 1, eyed: 2 }, /eyed/],
    ['a hatch of no clutch', { kind: 'clutch', colonyId, event: 'hatched', young: 9 }, /names it/],
    ['young of a clutch that was only laid', { kind: 'clutch', colonyId, event: 'laid', young: 9 }, /hatched/],
    ['a number beside “few”', { kind: 'young', colonyId, amount: 'few', number: 3 }, /number/],
    ['a move into itself', { kind: 'move', colonyId, toColonyId: colonyId, number: 1 }, /another colony/],
    ['nothing about shells', { kind: 'shell', colonyId, marks: [] }, /at least one/],
    ['a feeding that says nothing', { kind: 'feeding', glassId }, /fed/],
    ['portions of no food', { kind: 'feeding', glassId, portions: 2, eaten: 'hour' }, /food/],
    ['equipment without a part', { kind: 'equipment', glassId, found: {} }, /part/],
    ['growth without a word', { kind: 'growth', glassId }, /grows/],
    ['no skins below none', { kind: 'molts', colonyId, number: -1 }, /0 or more/],
    [
      'putting off without a day',
      { kind: 'dueMark', glassId, key: 'x', dueAt: daysAgo(0), act: 'snooze' },
      /comes back/,
    ],
    ['a photo of nobody', { kind: 'photo', photoId: nextId() }, /belongs/],
  ])('refuses %s', (_name, raw, words) => {
    expect(issueOf(raw)).toMatch(words)
  })
  it('a move belongs to both colonies', () => {
    const to = nextId()
    expect(subjectOf(entryOf('move', 1, { colonyId, toColonyId: to, number: 2 }))).toEqual({
      colonyId,
      toColonyId: to,
      glassId: undefined,
    })
  })
})

describe('Photo', () => {
  const photo = { id: nextId(), takenAt: daysAgo(0), widthPx: 640, heightPx: 480, jpeg: '/9j/4AAQ' }
  it('is text of a picture, and nothing else', () => {
    expect(Photo.safeParse(photo).success).toBe(true)
    expect(Photo.safeParse({ ...photo, jpeg: '"><script>' }).success).toBe(false)
  })
  it('is limited in size and in edge', () => {
    expect(Photo.safeParse({ ...photo, jpeg: 'A'.repeat(4 * Math.ceil(PHOTO_MOST_BYTES / 3) + 4) }).success).toBe(false)
    expect(Photo.safeParse({ ...photo, widthPx: 4000 }).success).toBe(false)
  })
})

describe('RoomCare', () => {
  it('wants the last day of a holiday after the first', () => {
    const holiday = (from: number, to: number) =>
      RoomCare.safeParse({ days: [], walk: [], holiday: { from: daysAgo(from), to: daysAgo(to), standIn: '' } }).success
    expect(holiday(2, -5)).toBe(true)
    expect(holiday(-5, 2)).toBe(false)
  })
})

describe('walkOrder', () => {
  const roomId = nextId()
  const [left, right] = [rack(roomId, { order: 0 }), rack(roomId, { order: 1 })]
  const at = (rackId: string, shelf: number, position: number) =>
    glass(roomId, rackId, { place: { rackId, shelf, position } })
  const [a, b, c, d] = [at(left.id, 0, 0), at(left.id, 0, 1), at(left.id, 1, 0), at(right.id, 0, 0)]
  const ids = (walk?: string[]) => walkOrder([right, left], [d, c, b, a], walk).map(g => g.id)
  it('goes as the room stands', () => {
    expect(ids()).toEqual([a.id, b.id, c.id, d.id])
  })
  it('goes as the keeper laid it down, and what is new comes after', () => {
    expect(ids([d.id, 'gone', b.id])).toEqual([d.id, b.id, a.id, c.id])
  })
})
