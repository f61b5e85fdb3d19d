import type { FamilyKept, Many } from '#core/lines'
import {
  begun,
  type BreedingGroup,
  type Colony,
  Entry,
  type EntryOf,
  type EntryStamp,
  type Id,
  type Ladder,
  type Line,
  presentRungs,
  type RungCount,
  rungsTotal,
  toMoment,
} from '#core/records'
import { newId } from '~/data/newId'
import { whole } from '~/words/numbers'
import { headsOfRungs } from './headsOfRungs'

/** Those of a family that breed. */
export interface FamilyBreeds {
  colony: Colony
  breed: RungCount[]
}

/** How many of each sex to keep, as typed; a number or what was wrong. */
export interface ManyTyped {
  females: string
  males: string
}

/**
 * How many of each sex are to be kept of several families.
 * @param told what is thought of where one is not typed, and the grown animals there are; null before it is known
 * @returns null where nothing is typed; a sentence where what is typed is no such number
 */
export function readMany(typed: ManyTyped, told: { many: Many; grown: Many } | null): Many | null | string {
  if (!told || (typed.females.trim() === '' && typed.males.trim() === '')) return null
  const [females, males] = (['females', 'males'] as const).map(sex => {
    const text = typed[sex].trim()
    return text === '' ? told.many[sex] : /^\d+$/.test(text) ? Number(text) : 0
  }) as [number, number]
  const { grown } = told
  if (females >= 1 && males >= 1 && females <= grown.females && males <= grown.males) return { females, males }
  const there = `${whole(grown.females)} grown females and ${whole(grown.males)} males`
  return `Type whole numbers: there are ${there} in these boxes.`
}

/** A pick of families as animals of their colonies; families of which nobody is kept are left out. */
export function familiesBreed(
  keep: readonly FamilyKept[],
  ladder: Pick<Ladder, 'rungs'>,
  colonyOf: (groupId: Id) => Colony | undefined,
): FamilyBreeds[] {
  const rungs = presentRungs(ladder)
  return keep.flatMap(k => {
    const colony = colonyOf(k.groupId)
    const breed = (['female', 'male'] as const).flatMap(sex =>
      k[`${sex}s`].flatMap((number, r): RungCount[] => (number > 0 ? [{ rungId: rungs[r]!.id, sex, number }] : [])),
    )
    return colony && breed.length > 0 ? [{ colony, breed }] : []
  })
}

/** The colony that gives most of the breeders. */
export const givesMost = (families: readonly FamilyBreeds[]): Colony | null =>
  families.toSorted((a, b) => rungsTotal(b.breed) - rungsTotal(a.breed))[0]?.colony ?? null

/** What setting the breeders of several families stands on. */
export interface FamiliesAbout {
  line: Line
  ladderId: Id
  /** the one that the families are of */
  generationId: Id
  breedIn: Id
  stamp: (after?: string) => EntryStamp
  nowMs: number
}

/** Breeders of several families put together: who breeds from now on, and the moves that bring them there. */
export function readFamilyBreeders(
  families: readonly FamilyBreeds[],
  { line, ladderId, generationId, breedIn, stamp, nowMs }: FamiliesAbout,
): { group: BreedingGroup; moves: EntryOf<'move'>[] } | string {
  if (breedIn === '') return 'Say where they breed.'
  const at = toMoment(nowMs)
  const moves: EntryOf<'move'>[] = []
  for (const { colony, breed } of families) {
    if (colony.id === breedIn) continue
    const going = { number: rungsTotal(breed), parts: headsOfRungs(breed), rungs: breed }
    const move = { ...stamp(moves.at(-1)?.id), at, kind: 'move', colonyId: colony.id, toColonyId: breedIn, ...going }
    moves.push(Entry.parse(move) as EntryOf<'move'>)
  }
  const all = families.flatMap(f => f.breed)
  const group: BreedingGroup = {
    ...begun(newId(), nowMs),
    ...{ roomId: line.roomId, lineId: line.id, colonyId: breedIn, generationId, ladderId, state: 'running' },
    ...{ parents: joined(all), animalIds: [], from: at },
  }
  return { group, moves }
}

/** Animals of one rung and sex as one. */
function joined(list: readonly RungCount[]): RungCount[] {
  const found = new Map<string, RungCount>()
  for (const r of list) {
    const key = `${r.rungId} ${r.sex}`
    found.set(key, { ...r, number: (found.get(key)?.number ?? 0) + r.number })
  }
  return [...found.values()]
}
