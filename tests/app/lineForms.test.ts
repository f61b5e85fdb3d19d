import { describe, expect, it } from 'vitest'
import { type Entry, type Generation, begun, Ladder, presentRungs, spanOf } from '#core/records'
import { ALWAYS, freshDraft, readSession, seenOf } from '~/forms/gradeSession'
import { newLadder, readLadder, splitRung, typedLadder } from '~/forms/ladderDraft'
import { newLineRecord } from '~/forms/lineDraft'
import { defaultUnits } from '~/words/unitPrefs'
import { colony, nextId, NOW } from '../make'

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
  const context = {
    ...{ line, ladder, generations: [] as Generation[], runningIds: [], stamp, nowMs: NOW },
    ...{ units: defaultUnits, measuredC: null as number | null },
  }
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
    expect(read.entries[0]).toMatchObject({ kind: 'grading', all: true })
    const part = readSession({ ...draft, list, all: 'no' }, context) as { entries: Entry[] }
    expect(part.entries).toHaveLength(1)
    expect(part.entries[0]).not.toHaveProperty('all')
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
  it('says how they grew up: what was typed, and else what the thermometer said', () => {
    const grew = (more: object, about: object = {}) =>
      (readSession({ ...draft, list, ...more }, { ...context, ...about }) as { entries: Entry[] }).entries[0]
    const said = { ageWeeks: '12', sizeMm: '21.5', food: 'rich' as const }
    expect(grew(said, { measuredC: 23.456 })).toMatchObject({
      ...{ ageWeeks: 12, sizeMm: 21.5, food: 'rich', temperatureC: 23.5 },
    })
    expect(grew({ temperature: '21' }, { measuredC: 23.456 })).toMatchObject({ temperatureC: 21 })
    const fahrenheit = { ...defaultUnits, temperature: 'f' as const }
    expect(grew({ temperature: '75.2' }, { units: fahrenheit })).toMatchObject({ temperatureC: 24 })
    for (const key of ['ageWeeks', 'sizeMm', 'food', 'temperatureC']) expect(grew({})).not.toHaveProperty(key)
  })
  it.each([
    ['Nobody is graded yet', {}],
    ['A number cannot be read', { way: 'numbers' as const, numbers: { [`${rung(0)} male`]: 'many' } }],
    ['whole number of weeks', { list, ageWeeks: 'old' }],
    ['number of millimetres', { list, sizeMm: '0' }],
    ['number of millimetres', { list, sizeMm: 'long' }],
    ['warmth of their water cannot be read', { list, temperature: 'warm' }],
    ['warmth of their water cannot be read', { list, temperature: '90' }],
  ])('says what is wrong: %s', (sentence, more) => {
    expect(readSession({ ...draft, ...more }, context)).toContain(sentence)
  })
})
