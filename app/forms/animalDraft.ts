import {
  Animal,
  animalIdOf,
  type AnimalSex,
  begun,
  type Between,
  type Colony,
  DAY_MS,
  inUse,
  momentMs,
  sameName,
  toMoment,
} from '#core/records'
import { deviceDay, readPastDay } from './deviceDays'
import { nameIssue } from './nameIssue'

/** How well a day is known: so many days more or less. */
export const dayDoubts = [
  { value: '0', title: 'the day' },
  { value: '7', title: 'about a week' },
  { value: '30', title: 'about a month' },
  { value: '120', title: 'the season' },
] as const

/** A followed animal as typed. */
export interface AnimalDraft {
  name: string
  colonyId: string
  sex: AnimalSex
  born: string
  bornDoubt: string
  came: string
  cameDoubt: string
  marks: string
  damIds: string[]
  sireIds: string[]
}
export type AnimalIssues = Partial<Record<'name' | 'colonyId' | 'born' | 'came', string>>

const typedDay = (b: Between | undefined): { on: string; doubt: string } => {
  if (!b) return { on: '', doubt: '0' }
  const [from, to] = [momentMs(b.from), momentMs(b.to)]
  const half = (to - from) / 2 / DAY_MS
  const nearest = dayDoubts.reduce((a, d) =>
    Math.abs(Number(d.value) - half) < Math.abs(Number(a.value) - half) ? d : a,
  )
  return { on: deviceDay((from + to) / 2), doubt: nearest.value }
}

/** An empty draft for a colony, or one with what is known of an animal. */
export function animalDraft(animal: Animal | null, colonyId: string): AnimalDraft {
  const [born, came] = [typedDay(animal?.born), typedDay(animal?.came)]
  return {
    name: animal?.name ?? '',
    colonyId: animal?.firstColonyId ?? colonyId,
    sex: animal?.sex ?? 'unknown',
    ...{ born: born.on, bornDoubt: born.doubt, came: came.on, cameDoubt: came.doubt },
    marks: animal?.marks ?? '',
    damIds: [...(animal?.damIds ?? [])],
    sireIds: [...(animal?.sireIds ?? [])],
  }
}

/** What a draft is read against. */
export interface AnimalContext {
  old: Animal | null
  colony: Colony | undefined
  roomId: string
  /** all animals of the room, ended ones too */
  animals: readonly Animal[]
  nowMs: number
}

/**
 * Reads a draft.
 * @returns the record, or a sentence for every field that is not right
 */
export function readAnimal(
  draft: AnimalDraft,
  { old, colony, roomId, animals, nowMs }: AnimalContext,
): { ok: true; animal: Animal } | { ok: false; issues: AnimalIssues } {
  const issues: AnimalIssues = {}
  const unnamed = nameIssue(draft.name, 'Give it a name: it is logged by it.')
  if (unnamed) issues.name = unnamed
  if (!colony) issues.colonyId = 'Choose the colony in which it lives.'
  const born = readBetween(draft.born, draft.bornDoubt, old?.born, nowMs)
  const came = readBetween(draft.came, draft.cameDoubt, old?.came, nowMs)
  if (!born.ok) issues.born = born.issue
  if (!came.ok) issues.came = came.issue
  if (born.ok && came.ok && born.days && came.days && born.days.from > came.days.to)
    issues.came = 'It came before it was born: change one of the days.'
  const id = old?.id ?? (colony && animalIdOf(colony.id, draft.name))
  const taken = animals.find(
    a =>
      a.id !== old?.id &&
      (a.id === id || (inUse(a) && a.firstColonyId === colony?.id && sameName(a.name) === sameName(draft.name))),
  )
  if (taken && !issues.name) issues.name = `${taken.name} is followed here already, or was: give this one another name.`
  if (!colony || !id || !born.ok || !came.ok || Object.keys(issues).length > 0) return { ok: false, issues }
  const begin = { ...begun(id, nowMs), roomId, firstColonyId: colony.id }
  const { born: _b, came: _c, marks: _m, ...kept }: Partial<Animal> = old ?? begin
  const marks = draft.marks.trim().slice(0, 300)
  return {
    ok: true,
    animal: Animal.parse({
      ...kept,
      ...{ name: draft.name.trim(), groupId: colony.groupId, sex: draft.sex },
      ...(born.days && { born: born.days }),
      ...(came.days && { came: came.days }),
      ...{ damIds: draft.damIds, sireIds: draft.sireIds },
      ...(marks && { marks }),
    }),
  }
}

type BetweenRead = { ok: true; days: Between | null } | { ok: false; issue: string }

/** A typed day with its doubt; one that was not touched stays as it was, and none lies in the future. */
function readBetween(text: string, doubt: string, old: Between | undefined, nowMs: number): BetweenRead {
  if (text.trim() === '') return { ok: true, days: null }
  const before = typedDay(old)
  if (old && before.on === text && before.doubt === doubt) return { ok: true, days: old }
  const read = readPastDay(text, nowMs)
  if (!read.ok) return { ok: false, issue: read.issue }
  const off = Number(doubt) * DAY_MS
  return { ok: true, days: { from: toMoment(read.ms - off), to: toMoment(Math.min(nowMs, read.ms + off)) } }
}
