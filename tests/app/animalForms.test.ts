import { describe, expect, it } from 'vitest'
import { animalIdOf, DAY_MS, type Entry, momentMs } from '#core/records'
import { type AnimalDraft, animalDraft, readAnimal } from '~/forms/animalDraft'
import { deviceDay } from '~/forms/deviceDays'
import { emptyDraft } from '~/forms/logDraft'
import { emptyPart, readJoin, readPart } from '~/forms/partDraft'
import { readDraft } from '~/forms/readDraft'
import { readSizes, readZones } from '~/forms/readSizes'
import { perWeekText } from '~/words/animals'
import { colony as colonyOf, NOW, nextId, smallRoom } from '../make'
import { units } from './formsParts'

const s = smallRoom()
const day = (ago: number) => deviceDay(NOW - ago * DAY_MS)
const read = (more: Partial<AnimalDraft>, context = {}) =>
  readAnimal(
    { ...animalDraft(null, s.colony.id), name: 'Ash', ...more },
    { old: null, colony: s.colony, roomId: s.room.id, animals: [], nowMs: NOW, ...context },
  )
const made = (more: Partial<AnimalDraft> = {}) => {
  const r = read(more)
  if (!r.ok) throw new Error(JSON.stringify(r.issues))
  return r.animal
}
const issues = (more: Partial<AnimalDraft>, context = {}) => {
  const r = read(more, context)
  return r.ok ? {} : r.issues
}

describe('a followed animal', () => {
  it('needs a name and a colony, and its id follows from both', () => {
    expect(made({ name: ' Ash ' })).toMatchObject({
      ...{ id: animalIdOf(s.colony.id, 'ash'), name: 'Ash', firstColonyId: s.colony.id, groupId: 'neocaridina' },
      sex: 'unknown',
    })
    expect(issues({ name: ' ' }).name).toMatch(/^Give it a name/)
    expect(issues({}, { colony: undefined }).colonyId).toMatch(/^Choose the colony/)
  })
  it('a day comes with its doubt, and nothing lies in the future', () => {
    const { born } = made({ born: day(100), bornDoubt: '30' })
    expect((momentMs(born!.to) - momentMs(born!.from)) / DAY_MS).toBe(60)
    expect(momentMs(made({ came: day(3), cameDoubt: '7' }).came!.to)).toBeLessThanOrEqual(NOW)
    expect(issues({ born: day(-3) }).born).toMatch(/future/)
    expect(issues({ came: 'x' }).came).toMatch(/no day/)
    expect(issues({ born: day(10), came: day(50) }).came).toMatch(/came before it was born/)
    // within the doubt it can be
    expect(issues({ born: day(50), bornDoubt: '30', came: day(60) })).toEqual({})
  })
  it('two of one name in one colony are one animal: another name is asked for', () => {
    const old = made()
    expect(issues({ name: 'ASH' }, { animals: [old] }).name).toMatch(/^Ash is followed here already/)
    // one that was renamed still holds its id
    expect(issues({ name: 'ash' }, { animals: [{ ...old, name: 'Soot' }] }).name).toMatch(/^Soot is followed/)
    expect(issues({ name: 'Soot' }, { animals: [{ ...old, name: 'Soot' }] }).name).toMatch(/^Soot is followed/)
    expect(issues({ name: 'Cinder' }, { animals: [old] })).toEqual({})
    expect(
      readAnimal(animalDraft(old, ''), { old, colony: s.colony, roomId: s.room.id, animals: [old], nowMs: NOW }),
    ).toEqual({
      ok: true,
      animal: old,
    })
  })
  it('what is cleared is gone, and what was not touched stays to the millisecond', () => {
    const old = made({ born: day(100), bornDoubt: '30', marks: 'pale claw' })
    const again = (more: Partial<AnimalDraft>) => {
      const draft = { ...animalDraft(old, ''), ...more }
      const r = readAnimal(draft, { old, colony: s.colony, roomId: s.room.id, animals: [old], nowMs: NOW + DAY_MS })
      return r.ok ? r.animal : null
    }
    expect(again({})).toEqual(old)
    expect(again({ marks: '', born: '' })).not.toHaveProperty('born')
    expect(again({ marks: '', born: '' })).not.toHaveProperty('marks')
    expect(again({ bornDoubt: '7' })!.born).not.toEqual(old.born)
  })
})

describe('an entry about followed animals', () => {
  const ash = made()
  const draftOf = (more: object) => ({ ...emptyDraft('molts', s.colony.id), animalIds: [ash.id], ...more })
  const readLog = (more: object) =>
    readDraft(draftOf(more), {
      colony: s.colony,
      stamp: { id: nextId(), loggedAt: new Date(NOW).toISOString() },
      ...{ units, nowMs: NOW },
    })
  const entry = (more: object): Entry => {
    const r = readLog(more)
    if (!r.ok) throw new Error(JSON.stringify(r.issues))
    return r.entry
  }
  it('names them, where its kind can be about one', () => {
    expect(entry({ values: { number: '1' } }).animalIds).toEqual([ash.id])
    expect(entry({ kind: 'growth', values: { biofilm: 'some' } })).not.toHaveProperty('animalIds')
    expect(entry({ kind: 'count', number: '5' })).not.toHaveProperty('animalIds')
  })
  it('names no more than there are', () => {
    const few = readLog({ kind: 'death', number: '1', animalIds: [ash.id, made({ name: 'Soot' }).id] })
    expect(!few.ok && Object.values(few.issues)[0]).toBe('More animals are named than the number says.')
    // one that carries, or does not: nothing between
    const two = readLog({ kind: 'berried', values: { number: '3' } })
    expect(!two.ok && two.issues.number).toBe('Who is named is berried, or is not.')
    expect(entry({ kind: 'berried', values: { number: '0' } }).animalIds).toEqual([ash.id])
  })
  it('limbs come back, sizes of a sample and zones of a whorl', () => {
    expect(entry({ kind: 'limbLoss', values: { number: '1', back: 'back' } })).toMatchObject({ back: true })
    expect(entry({ kind: 'limbLoss', values: { number: '1' } })).not.toHaveProperty('back')
    const zones = entry({ kind: 'shell', values: { diameterMm: '18', zones: 'white=6 thin=12,5 even=' } })
    expect(zones).toMatchObject({
      diameterMm: 18,
      zones: [
        { kind: 'white', endMm: 6 },
        { kind: 'thin', endMm: 12.5 },
        { kind: 'even', endMm: 18 },
      ],
    })
    const wrong = (values: object) => {
      const r = readLog({ kind: 'shell', values })
      return r.ok ? '' : Object.values(r.issues)[0]
    }
    expect(wrong({ diameterMm: '18', zones: 'white=12 thin=6 even=18' })).toBe(
      'Zones end one after the other, from the middle outwards.',
    )
    expect(wrong({ zones: 'white=12' })).toMatch(/the size comes first/)
    expect(wrong({ diameterMm: '18', sizesMm: '4, 5' })).toBe(
      'A size belongs to one animal, several sizes to a sample.',
    )
    expect(wrong({ sizesMm: '4' })).toMatch(/at least two sizes/)
  })
  it('sizes are read as they are typed', () => {
    expect(readSizes('4.5, 8, 11.5')).toEqual([4.5, 8, 11.5])
    expect(readSizes('4,5; 8 ;11,5')).toEqual([4.5, 8, 11.5])
    expect(readSizes('4 8 11')).toEqual([4, 8, 11])
    expect(readSizes('10,12,14')).toEqual([10, 12, 14])
    expect(readSizes('4, x')).toBeNull()
    expect(readSizes('4, -2')).toBeNull()
    expect(readZones('white=x even=9', '9')).toBeNull()
  })
})

describe('parting and joining', () => {
  const ash = made()
  const context = { colony: s.colony, id: nextId(), stamp: { id: nextId(), loggedAt: '' }, nowMs: NOW }
  const draft = { ...emptyPart(), name: 'Box', glassId: s.glass.id, heads: { males: '1' }, animalIds: [ash.id] }
  it('take the names along', () => {
    const part = readPart(draft, context)
    expect(part.ok && part.move.animalIds).toEqual([ash.id])
    const nameless = readPart({ ...draft, animalIds: [] }, context)
    expect(nameless.ok && nameless.move).not.toHaveProperty('animalIds')
    const into = colonyOf(s.glass.id, { name: 'Into' })
    const join = readJoin({ ...draft, intoId: into.id }, context, [into])
    expect(join.ok && join.move!.animalIds).toEqual([ash.id])
  })
  it('take the eggs along that females carry', () => {
    const heads = { females: '5', males: '2', halfGrown: '4' }
    const part = readPart({ ...draft, heads, berried: '4' }, context)
    expect(part.ok && part.move.berried).toBe(4)
    const unseen = readPart(draft, context)
    expect(unseen.ok && unseen.move).not.toHaveProperty('berried')
    const many = readPart({ ...draft, heads, berried: '6' }, context)
    expect(!many.ok && many.issues.berried).toBe('No more carry eggs than go as females: 5.')
    const wrong = readPart({ ...draft, heads, berried: 'some' }, context)
    expect(!wrong.ok && wrong.issues.berried).toContain('no whole number')
    const into = colonyOf(s.glass.id, { name: 'Into' })
    const join = readJoin({ ...draft, heads, berried: '0', intoId: into.id }, context, [into])
    expect(join.ok && join.move!.berried).toBe(0)
  })
  it('more names than animals are asked about', () => {
    const two = readPart({ ...draft, animalIds: [ash.id, made({ name: 'Soot' }).id] }, context)
    expect(!two.ok && two.issues.heads).toBe('2 are named: as many go at least.')
  })
})

describe('growth in words', () => {
  it('has its range, or one number where both ends read alike', () => {
    const text = (low: number, high: number) =>
      perWeekText({ perWeekMm: { low, value: (low + high) / 2, high } } as Parameters<typeof perWeekText>[0])
    expect(text(0.21, 0.48)).toBe('0.2 to 0.5 mm a week now')
    expect(text(0.31, 0.34)).toBe('about 0.3 mm a week now')
  })
})
