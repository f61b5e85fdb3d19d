import { describe, expect, it } from 'vitest'
import {
  type BreedingGroup,
  type Entry,
  type Generation,
  begun,
  Colony,
  Glass,
  Ladder,
  Order,
  presentRungs,
  spanOf,
} from '#core/records'
import { ALWAYS, freshDraft, readSession, seenOf } from '~/forms/gradeSession'
import { newLadder, readLadder, splitRung, typedLadder } from '~/forms/ladderDraft'
import { newLineRecord } from '~/forms/lineDraft'
import { boxName, newBox, readRelease } from '~/forms/breedBox'
import { readBreeders } from '~/forms/breedDraft'
import { colony, glass, nextId, NOW } from '../make'

const roomId = nextId()
const about = { roomId, nowMs: NOW }
const typed = newLadder('Colour cover', ['clear', 'patchy', 'dense'])
const ladder = readLadder(typed, { ...about, ladder: null }) as Ladder

describe('a ladder that is worded', () => {
  it('is a record, dullest first', () => {
    expect(Ladder.safeParse(ladder).success).toBe(true)
    expect(presentRungs(ladder).map(r => r.words)).toEqual(['clear', 'patchy', 'dense'])
  })
  it('has a price for a rung, which a split hands on', () => {
    const again = typedLadder(ladder)
    again.rungs[1]!.price = '2,50'
    const read = readLadder(again, { ...about, ladder }) as Ladder
    expect(read.rungs[1]!.priceEach).toBe(2.5)
    expect(typedLadder(read).rungs[1]!.price).toBe(String(read.rungs[1]!.priceEach))
    const split = readLadder(splitRung(typedLadder(read), 1), { ...about, ladder: read }) as Ladder
    expect(presentRungs(split).map(r => r.priceEach ?? 0)).toEqual([
      0,
      read.rungs[1]!.priceEach,
      read.rungs[1]!.priceEach,
      0,
    ])
    again.rungs[1]!.price = 'dear'
    expect(readLadder(again, { ...about, ladder })).toContain('The price of “patchy” cannot be read')
  })
  it('is reworded without losing its rungs', () => {
    const again = typedLadder(ladder)
    again.rungs[1]!.words = ' half covered '
    const read = readLadder(again, { ...about, ladder }) as Ladder
    expect(read.id).toBe(ladder.id)
    expect(presentRungs(read)).toEqual([
      ladder.rungs[0],
      { ...ladder.rungs[1], words: 'half covered' },
      ladder.rungs[2],
    ])
  })
  it('is split: the old rung stays for old grades, and lies on both parts', () => {
    const read = readLadder(splitRung(typedLadder(ladder), 1), { ...about, ladder }) as Ladder
    expect(presentRungs(read).map(r => r.words)).toEqual(['clear', 'patchy, less', 'patchy, more', 'dense'])
    expect(spanOf(read, ladder.rungs[1]!.id)).toEqual({ from: 1, to: 2 })
    expect(spanOf(read, ladder.rungs[2]!.id)).toEqual({ from: 3, to: 3 })
    // a part that is split once more, before and after saving
    const twice = readLadder(splitRung(splitRung(typedLadder(ladder), 1), 2), { ...about, ladder }) as Ladder
    expect(spanOf(twice, ladder.rungs[1]!.id)).toEqual({ from: 1, to: 3 })
    const later = readLadder(splitRung(typedLadder(read), 2), { ...about, ladder: read }) as Ladder
    expect(spanOf(later, ladder.rungs[1]!.id)).toEqual({ from: 1, to: 3 })
    expect(Ladder.safeParse(later).success).toBe(true)
  })
  it.each([
    ['Say what is graded', { ...typed, trait: ' ' }],
    ['Each rung needs', newLadder('x', ['a', ' ', 'c'])],
    ['same words', newLadder('x', ['a', 'A', 'c'])],
    ['has 3 to 9 rungs; this one has 2', newLadder('x', ['a', 'b'])],
    ['has 3 to 9 rungs; this one has 10', newLadder('x', [...'abcdefghij'])],
  ])('says what is wrong: %s', (sentence, wrong) => {
    expect(readLadder(wrong, { ...about, ladder: null })).toContain(sentence)
  })
  it('keeps a rung that has grades on it', () => {
    const shorter = {
      ...typedLadder(ladder),
      rungs: [...typedLadder(ladder).rungs.slice(1), ...newLadder('', ['best']).rungs],
    }
    expect(readLadder(shorter, { ...about, ladder })).toContain('“clear” has grades on it')
  })
})

describe('a session', () => {
  const c = colony(nextId())
  const line = newLineRecord({ roomId, name: 'Ember', groupId: 'neocaridina' }, NOW)
  const rung = (k: number) => presentRungs(ladder)[k]!.id
  const stamp = () => ({ id: nextId(), loggedAt: new Date(NOW).toISOString(), keeper: 'A. R.' })
  const context = { line, ladder, generations: [] as Generation[], runningIds: [], stamp, nowMs: NOW }
  const draft = freshDraft(c.id, ladder.id)
  const list = [
    { rungId: rung(2), sex: 'female' as const },
    { rungId: rung(1), sex: 'male' as const },
    { rungId: rung(2), sex: 'female' as const },
  ]
  it('one by one keeps the order, and begins the first generation', () => {
    const read = readSession({ ...draft, list }, context)
    expect(read).toMatchObject({
      generation: { n: 1, lineId: line.id, breedingGroupIds: [] },
      entries: [{ kind: 'grading', inOrder: true, seen: list.map(o => ({ ...o, number: 1 })) }],
    })
    const { generation, entries } = read as { generation: Generation; entries: Entry[] }
    expect(entries[0]).toMatchObject({ generationId: generation.id })
  })
  it('counts too where these were all', () => {
    const read = readSession({ ...draft, list, all: 'yes' }, context) as { entries: Entry[] }
    expect(read.entries[1]).toMatchObject({
      ...{ kind: 'count', number: 3, method: 'allSeen' },
      parts: { females: 2, males: 1, unsexed: 0 },
    })
    expect((readSession({ ...draft, list, all: 'no' }, context) as { entries: Entry[] }).entries).toHaveLength(1)
  })
  it('by numbers takes what is typed', () => {
    const numbers = { [`${rung(0)} unknown`]: '12', [`${rung(1)} female`]: ' 3 ', [`${rung(2)} male`]: '' }
    expect(seenOf({ ...draft, way: 'numbers', numbers })).toEqual([
      { rungId: rung(0), sex: 'unknown', number: 12 },
      { rungId: rung(1), sex: 'female', number: 3 },
    ])
    const read = readSession({ ...draft, way: 'numbers', numbers, ageWeeks: '12' }, context) as { entries: Entry[] }
    expect(read.entries[0]).toMatchObject({ ageWeeks: 12 })
    expect(read.entries[0]).not.toHaveProperty('inOrder')
  })
  it('begins the next generation with whoever bred it, or joins the newest', () => {
    const newest = {
      ...begun(nextId(), NOW),
      roomId,
      lineId: line.id,
      n: 3,
      from: new Date(NOW).toISOString(),
      breedingGroupIds: [],
    }
    const bred = nextId()
    const more = { ...context, generations: [newest], runningIds: [bred] }
    expect(readSession({ ...draft, list, generation: 'new' }, more)).toMatchObject({
      generation: { n: 4, breedingGroupIds: [bred] },
    })
    expect(readSession({ ...draft, list }, more)).toMatchObject({
      generation: null,
      entries: [{ generationId: newest.id }],
    })
  })
  it('of animals that breed all the time is of no generation', () => {
    const { generation, entries } = readSession({ ...draft, list, generation: ALWAYS }, context) as {
      generation: Generation | null
      entries: Entry[]
    }
    expect(generation).toBeNull()
    expect(entries[0]).not.toHaveProperty('generationId')
  })
  it.each([
    ['Nobody is graded yet', {}],
    ['A number cannot be read', { way: 'numbers' as const, numbers: { [`${rung(0)} male`]: 'many' } }],
    ['whole number of weeks', { list, ageWeeks: 'old' }],
  ])('says what is wrong: %s', (sentence, more) => {
    expect(readSession({ ...draft, ...more }, context)).toContain(sentence)
  })

  describe('and its breeders', () => {
    const box = nextId()
    const group = {
      ...begun(nextId(), NOW),
      ...{ roomId, lineId: line.id, colonyId: c.id, generationId: nextId(), ladderId: ladder.id },
      ...{ state: 'draft' as const, parents: [], animalIds: [], from: new Date(NOW).toISOString() },
    }
    const trays = {
      breed: { [`${rung(2)} female`]: 8, [`${rung(2)} male`]: 3 },
      offer: { [`${rung(1)} female`]: 5 } as Record<string, number>,
      part: { [`${rung(0)} male`]: 7 },
    }
    const priced = { rungs: ladder.rungs.map((r, k) => (k === 1 ? { ...r, priceEach: 2.5 } : r)) }
    const set = (typedTo: object, more = trays) =>
      readBreeders(
        { breedIn: c.id, partTo: 'given', ...typedTo },
        { group, ladder: priced, colony: c, trays: more, stamp, nowMs: NOW },
      )
    it('breed where they are, the parted leave with their rungs, and the offered are an order', () => {
      const read = set({})
      expect(read).toMatchObject({
        group: { state: 'running', colonyId: c.id, parents: [{ number: 8 }, { number: 3 }] },
        orders: [{ number: 5, of: 'females', who: 'whoever asks', rungId: rung(1), priceEach: 2.5 }],
        moves: [
          { kind: 'removal', outlet: 'given', number: 7, parts: { males: 7 }, rungs: [{ rungId: rung(0), number: 7 }] },
        ],
      })
    })
    it('offer an order for each rung, of both sexes where both lie there', () => {
      const offer = { [`${rung(1)} female`]: 5, [`${rung(0)} female`]: 2, [`${rung(0)} male`]: 3 }
      const { orders } = set({}, { ...trays, offer }) as { orders: object[] }
      expect(orders).toMatchObject([
        { number: 5, of: 'females', rungId: rung(1), priceEach: 2.5 },
        { number: 5, of: 'adults', rungId: rung(0) },
      ])
      expect(orders[1]).not.toHaveProperty('priceEach')
      expect(orders.every(o => Order.safeParse(o).success)).toBe(true)
    })
    it('go into a box by one move that keeps stage, sex and rung', () => {
      const read = set({ breedIn: box, partTo: box })
      expect(read).toMatchObject({
        group: { colonyId: box },
        moves: [
          { kind: 'move', toColonyId: box, number: 11, parts: { females: 8, males: 3 } },
          { kind: 'move', toColonyId: box, number: 7 },
        ],
      })
      const ids = (read as { moves: Entry[] }).moves.map(m => m.id)
      expect(new Set(ids).size).toBe(2)
    })
    it('need both sexes, and a way for the parted', () => {
      expect(set({}, { ...trays, breed: { [`${rung(2)} male`]: 3 } as never })).toContain(
        'at least one female and one male',
      )
      expect(set({ partTo: '' })).toContain('where the parted')
      expect(set({ partTo: '' }, { ...trays, part: {} as never, offer: {} as never })).toMatchObject({
        orders: [],
        moves: [],
      })
    })
  })

  describe('in a box', () => {
    const host = glass(roomId, nextId(), { name: 'Sill' })
    it('hangs in the water of a glass, with a colony of the same line', () => {
      const parent = { ...c, lineId: line.id, minimumKeep: 40, minimumFemales: 9 }
      const made = newBox({ colony: parent, host, name: 'Ember box' }, NOW)
      expect(Glass.safeParse(made.glass).success).toBe(true)
      expect(Colony.safeParse(made.colony).success).toBe(true)
      expect(made.glass.hosts).toMatchObject([{ glassId: host.id }])
      expect(made.colony).toMatchObject({ lineId: line.id, fromColonyId: c.id, minimumKeep: 0, groupId: c.groupId })
      expect(made.colony).not.toHaveProperty('minimumFemales')
      expect(made.colony.stays).toMatchObject([{ glassId: made.glass.id }])
      expect(boxName('Ember', [])).toBe('Ember box')
      expect(boxName('Ember', ['Ember box', 'Ember box 2'])).toBe('Ember box 3')
    })
    const group: BreedingGroup = {
      ...begun(nextId(), NOW),
      ...{ roomId, lineId: line.id, colonyId: c.id, generationId: nextId(), ladderId: ladder.id, state: 'running' },
      ...{ animalIds: [], from: new Date(NOW).toISOString() },
      parents: [
        { rungId: rung(1), sex: 'female', number: 3 },
        { rungId: rung(2), sex: 'female', number: 5 },
        { rungId: rung(2), sex: 'male', number: 2 },
      ],
    }
    const home = nextId()
    const release = (more: object) =>
      readRelease(
        { to: home, females: '8', males: '', berried: '', animalIds: [], ...more },
        { group, stamp, nowMs: NOW },
      )
    it('lets its females back with their rungs, in one move', () => {
      expect(release({})).toMatchObject({
        group: { state: 'released', to: expect.any(String) },
        moves: [
          {
            ...{ colonyId: c.id, toColonyId: home, number: 8, parts: { females: 8, males: 0 } },
            rungs: [
              { rungId: rung(1), sex: 'female', number: 3 },
              { rungId: rung(2), sex: 'female', number: 5 },
            ],
          },
        ],
      })
      const some = release({ females: '4', males: '1' }) as { moves: { rungs: { number: number }[] }[] }
      expect(some.moves[0]!.rungs.map(r => r.number)).toEqual([3, 1, 1])
    })
    it('or all stay, and breed no more', () => {
      expect(release({ to: '' })).toMatchObject({ group: { state: 'released' }, moves: [] })
      expect(release({ females: '0' })).toContain('Nobody goes back')
      expect(release({ females: 'all' })).toContain('How many females go back?')
    })
  })
})
