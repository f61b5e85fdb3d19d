import {
  begun,
  Entry,
  type EntryOf,
  type Generation,
  type Id,
  type Ladder,
  type Line,
  type RungCount,
  toMoment,
} from '#core/records'
import { newId } from '~/data/newId'
import { storedValue, type UnitPrefs } from '~/words/unitPrefs'
import { numberIn } from './readNumber'

/** An animal that was graded. */
export interface GradedOne {
  rungId: Id
  sex: RungCount['sex']
}

/** A session under way, as this device keeps it: a reload comes back to it. */
export interface GradeDraft {
  colonyId: string
  ladderId: string
  way: 'each' | 'numbers'
  /** one by one, in order */
  list: GradedOne[]
  /** by numbers: typed text by `rungId sex` */
  numbers: Record<string, string>
  sex: RungCount['sex']
  /** the session whose animals are graded again; empty for none */
  againOf: string
  /** the generation that they are of; `new` begins one, `always` has none, empty is the newest */
  generation: string
  ageWeeks: string
  sizeMm: string
  food: NonNullable<EntryOf<'grading'>['food']> | ''
  /** in the keeper's unit; empty for what was measured */
  temperature: string
  /** whether these were all grown animals of the colony */
  all: '' | 'yes' | 'no'
}

/** Generations are not told apart: the animals breed all the time. */
export const ALWAYS = 'always'

export const freshDraft = (colonyId: string, ladderId: string): GradeDraft => ({
  ...{ colonyId, ladderId, way: 'each', list: [], numbers: {}, sex: 'unknown' },
  ...{ againOf: '', generation: '', ageWeeks: '', sizeMm: '', food: '', temperature: '', all: '' },
})

/** What is graded so far, whichever way; null where a number cannot be read. */
export function seenOf({ way, list, numbers }: Pick<GradeDraft, 'way' | 'list' | 'numbers'>): RungCount[] | null {
  if (way === 'each') return list.map(one => ({ ...one, number: 1 }))
  const found: RungCount[] = []
  for (const [key, text] of Object.entries(numbers)) {
    if (text.trim() === '') continue
    if (!/^\d{1,5}$/.test(text.trim())) return null
    const [rungId, sex] = key.split(' ') as [Id, RungCount['sex']]
    if (Number(text) > 0) found.push({ rungId, sex, number: Number(text) })
  }
  return found
}

/** What a session stands on when it is saved. */
export interface GradeAbout {
  line: Line
  ladder: Ladder
  generations: readonly Generation[]
  /** breeders whose young these are, should they be a new generation */
  runningIds: readonly Id[]
  stamp: (after?: string) => { id: string; loggedAt: string; keeper?: string }
  nowMs: number
  units: UnitPrefs
  /** how warm their water was measured to be while they grew; null where nobody did */
  measuredC: number | null
}

/** What a saved session writes: perhaps a generation, the grading, and a count where all were seen. */
export interface GradeSaved {
  generation: Generation | null
  entries: Entry[]
}

/** How they grew up, as typed or measured. @returns a sentence where something cannot be read */
function readGrewUp({ ageWeeks, sizeMm, food, temperature }: GradeDraft, { units, measuredC }: GradeAbout) {
  if (ageWeeks.trim() !== '' && !/^\d{1,3}$/.test(ageWeeks.trim()))
    return 'Their age is a whole number of weeks, like 12; leave it empty where nobody knows.'
  const size = sizeMm.trim() === '' ? null : numberIn(sizeMm)
  if (sizeMm.trim() !== '' && !(size !== null && size > 0 && size <= 500))
    return 'Their size is a number of millimetres above 0, like 22; leave it empty where nobody knows.'
  const typed = temperature.trim() === '' ? null : numberIn(temperature)
  const warmC = typed === null ? measuredC : storedValue('temperatureC', typed, units)
  if (temperature.trim() !== '' && (typed === null || warmC === null || warmC < 0 || warmC > 40))
    return 'The warmth of their water cannot be read: a number like 23; leave it empty for what was measured.'
  return {
    ...(ageWeeks.trim() && { ageWeeks: Number(ageWeeks) }),
    ...(size !== null && { sizeMm: size }),
    ...(food && { food }),
    ...(warmC !== null && { temperatureC: Math.round(warmC * 10) / 10 }),
  }
}

/** Reads a session. @returns what it writes, or a sentence on what is missing */
export function readSession(draft: GradeDraft, about: GradeAbout): GradeSaved | string {
  const seen = seenOf(draft)
  if (!seen) return 'A number cannot be read: whole numbers only, like 12.'
  if (seen.length === 0) return 'Nobody is graded yet: press the number of a rung for each animal.'
  const grewUp = readGrewUp(draft, about)
  if (typeof grewUp === 'string') return grewUp
  const { line, generations, nowMs } = about
  const newest = generations.at(-1)
  const begins = draft.generation !== ALWAYS && (draft.generation === 'new' || !newest)
  const generation: Generation | null = begins
    ? {
        ...begun(newId(), nowMs),
        ...{ roomId: line.roomId, lineId: line.id, n: (newest?.n ?? 0) + 1 },
        ...{ from: toMoment(nowMs), breedingGroupIds: newest ? [...about.runningIds] : [] },
      }
    : null
  const at = toMoment(nowMs)
  const named = draft.generation && draft.generation !== 'new' && draft.generation !== ALWAYS
  const ofOld = named ? draft.generation : newest?.id
  const grading = Entry.parse({
    ...about.stamp(),
    ...{ at, kind: 'grading', colonyId: draft.colonyId, ladderId: draft.ladderId, seen },
    ...(draft.way === 'each' && { inOrder: true }),
    ...(draft.againOf && draft.way === 'each' && { againOf: draft.againOf }),
    ...(generation || ofOld ? { generationId: generation?.id ?? ofOld } : {}),
    ...(draft.all === 'yes' && { all: true }),
    ...grewUp,
  }) as EntryOf<'grading'>
  const many = (sex: RungCount['sex']) => seen.reduce((sum, s) => sum + (s.sex === sex ? s.number : 0), 0)
  const parts = { females: many('female'), males: many('male'), unsexed: many('unknown') }
  const number = parts.females + parts.males + parts.unsexed
  const count = { at, kind: 'count', colonyId: draft.colonyId, number, method: 'allSeen', parts }
  const counted = draft.all === 'yes' ? [Entry.parse({ ...about.stamp(grading.id), ...count })] : []
  return { generation, entries: [grading, ...counted] }
}
