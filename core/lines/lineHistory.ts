import { groupOf } from '#core/groups'
import {
  type Animal,
  type BreedingGroup,
  currentEntries,
  type Entry,
  type EntryOf,
  type Generation,
  type Id,
  type Ladder,
  type Line,
  momentMs,
  presentRungs,
  type RungCount,
  rungsTotal,
  WEEK_MS,
} from '#core/records'
import { countsOn, graderOf, gradingsOf, pairedSessions, raisedIn, seenIn, SOMEBODY } from './gradings'
import { setsOf, youngByGroup } from './breederSets'
import { type BreederSet, bothSexes, type GradedSex, type LineGroup, type LineHistory } from './history'
import { type Renewal, renewalOf } from './renewal'
import { type Part, stretchesOf } from './stretches'

/** All that the log and the records say of one line. */
export interface LineRecords {
  line: Line
  /** the main one, by which it is bred */
  ladder: Ladder
  /** others by which it is graded */
  beside?: readonly Ladder[]
  generations: readonly Generation[]
  breedingGroups: readonly BreedingGroup[]
  /** of the colonies that hold or held it: gradings, and what left by rung */
  entries: readonly Entry[]
  /** those that are followed one by one, with their ancestors */
  animals?: readonly Pick<Animal, 'id' | 'sex' | 'sireIds' | 'damIds'>[]
  /**
   * grown animals of it by the population model, oldest first: asked where it breeds all the time, since those taken
   * out are then some of more than were graded
   */
  grown?: readonly { atMs: number; number: number }[]
}

/** A generation as it is told: who was graded, and who was bred from. */
export interface GradedGeneration {
  /** its record, or of a line without any a stretch of time */
  id: Id
  n: number
  fromMs: number
  gradings: EntryOf<'grading'>[]
  /** by today's rungs, lowest first, each animal once */
  counts: number[]
  /** grown animals that these are of; as many where it is not known */
  size: number
  /** who of them bred the next, by rung; null where nobody wrote it down */
  bred: { males: number[]; females: number[]; mixed: number[] } | null
}

/** A line for the model and for the eye. */
export interface LineRead {
  history: LineHistory
  generations: GradedGeneration[]
  /** who breeds of the newest generation, whose young nobody has graded */
  running: BreederSet[]
  /** of a line whose animals breed all the time; null where there are generations */
  renewal: Renewal | null
}

/** Breeders of whom nobody wrote down how many: so many of each sex (from memory). */
const UNTOLD = 8

/**
 * Reads a line: generations with their gradings and breeders; or, where its animals breed all the time, stretches of
 * time. Of the grown of a stretch some are young, of those that were there when they were laid, and the others are
 * those of the stretch before that were left.
 */
export function readLine(records: LineRecords): LineRead {
  const entries = currentEntries(records.entries)
  const gradedEver = entries.filter(
    (e): e is EntryOf<'grading'> => e.kind === 'grading' && seenIn(e, records.ladder).length > 0,
  )
  const ofSpare = (e: EntryOf<'grading'>) => e.colonyId === records.line.spareColonyId
  const gradings = gradedEver.filter(e => !ofSpare(e))
  const renewal = records.generations.length > 0 ? null : renewalOf(groupOf(records.line.groupId))
  const parts = renewal ? stretchesOf(gradings) : byGeneration(records, gradings)
  const about = { records, entries, renewal }
  const generations: GradedGeneration[] = []
  const groups: LineGroup[] = []
  for (const [i, { id, n, fromMs, own }] of parts.entries()) {
    const seen = graded(own, records.ladder)
    const counts = countsOn(records.ladder, seen.once)
    const all = renewal ? (records.grown?.findLast(g => g.atMs <= fromMs)?.number ?? 0) : 0
    const size = Math.max(2, Math.round(Math.max(all, rungsSum(counts))))
    const bred = bredBefore(about, generations, { part: parts[i]!, size })
    const before = generations.at(-1)
    if (before) before.bred = bredOf(bred.stayed ? [bred.stayed.breeders] : bred.breeders)
    generations.push({ id, n, fromMs, gradings: own, counts, size, bred: null })
    // who was not chosen grew up beside it; the newest of the line stays the last
    const untilMs = parts[i + 1]?.fromMs ?? Infinity
    const beside = gradedEver.filter(e => ofSpare(e) && momentMs(e.at) >= fromMs && momentMs(e.at) < untilMs)
    if (i > 0 && beside.length > 0) groups.push(spareGroup(id, beside, { groups, ladder: records.ladder }))
    groups.push({ id, size, ...bred, period: id, gradings: seen.gradings, twice: seen.twice })
  }
  const last = generations.at(-1)
  const running =
    renewal && last
      ? [leftOf(about, last, Infinity)]
      : runningOf(records.breedingGroups, last?.id).flatMap(b => setsOf(b, records))
  if (last) last.bred = bredOf(running)
  return { history: { rungs: presentRungs(records.ladder).length, groups }, generations, running, renewal }
}

/** A line while it is read. */
interface Reading {
  records: LineRecords
  entries: readonly Entry[]
  renewal: Renewal | null
}

/** Who bred a generation of the ones before it, or a stretch of time, and whom these have joined. */
function bredBefore(
  about: Reading,
  generations: readonly GradedGeneration[],
  { part, size }: { part: Part; size: number },
): Pick<LineGroup, 'breeders' | 'stayed'> {
  const { fromMs } = part
  const before = generations.at(-1)
  if (!before) return { breeders: [] }
  if (!about.renewal) return { breeders: breedersOf(about, { before, part, untilMs: fromMs }) }
  const weeks = (fromMs - before.fromMs) / WEEK_MS
  // in the mean those that have come since grew up half way between
  const laidMs = fromMs - (about.renewal.grownAfterWeeks + weeks / 2) * WEEK_MS
  const left = leftOf(about, before, fromMs)
  const share = about.records.grown?.length
    ? Math.min(1, (left.number * about.renewal.surviving(weeks)) / size)
    : 1 - about.renewal.newWithin(weeks)
  return { breeders: grownAt(about, generations, laidMs), stayed: { share, breeders: left } }
}

/** The grown at a moment: those of the stretch that were left, and in time more of those who come before the next. */
function grownAt(about: Reading, generations: readonly GradedGeneration[], atMs: number): BreederSet[] {
  const at = Math.max(
    0,
    generations.findLastIndex(g => g.fromMs <= atMs),
  )
  const [stretch, next] = [generations[at]!, generations[at + 1]]
  const left = leftOf(about, stretch, atMs)
  const gone = next ? Math.max(0, atMs - stretch.fromMs) / (next.fromMs - stretch.fromMs) : 0
  if (!next || gone === 0) return [left]
  const all = { groupId: next.id, sex: 'mixed' as const, number: gone * next.size, rungs: null, grader: left.grader }
  return [withNumber(left, (1 - gone) * left.number), all]
}
/** As many of them, on the same rungs. */
const withNumber = (set: BreederSet, number: number): BreederSet => ({
  ...set,
  number,
  rungs: set.rungs?.map(n => (n * number) / set.number) ?? null,
})

/** Who of a stretch of time was left at some moment: all of them, where nobody was taken out. */
function leftOf({ records, entries }: Reading, of: GradedGeneration, untilMs: number): BreederSet {
  const grader = of.gradings[0] ? graderOf(of.gradings[0]) : SOMEBODY
  const set = { groupId: of.id, sex: 'mixed' as const, grader }
  const gone = countsOn(records.ladder, takenOut(entries, of.fromMs, untilMs))
  const each = of.size / Math.max(1, rungsSum(of.counts))
  const rungs = of.counts.map((n, k) => Math.max(0, Math.round(n * each - gone[k]!)))
  const number = rungsSum(rungs)
  return gone.some(n => n > 0) && number > 1 ? { ...set, number, rungs } : { ...set, number: of.size, rungs: null }
}
const rungsSum = (counts: readonly number[]) => counts.reduce((a, b) => a + b, 0)

/** Animals of the spare glass in the time of a generation: bred by whoever was there before, at first the founders. */
function spareGroup(
  period: Id,
  own: readonly EntryOf<'grading'>[],
  { groups, ladder }: { groups: readonly LineGroup[]; ladder: Ladder },
): LineGroup {
  const { once, gradings, twice } = graded(own, ladder)
  const before = groups.findLast(g => g.spare) ?? groups[0]!
  const number = Math.max(UNTOLD, Math.round(before.size / 2))
  const breeders = (['male', 'female'] as const).map(sex => ({
    ...{ groupId: before.id, sex, number, rungs: null, grader: SOMEBODY },
  }))
  const size = Math.max(2, Math.round(rungsTotal(once)))
  return { id: `${period} spare`, size, breeders, period, gradings, twice, spare: true }
}

/** Choices of breeders of a generation that are at it, or were. */
export const runningOf = <B extends Pick<BreedingGroup, 'state' | 'generationId'>>(
  groups: readonly B[],
  generationId: Id | undefined,
): B[] => groups.filter(b => b.state !== 'draft' && b.generationId === generationId)

/** Gradings by the generation that they name; those that name none belong to the one that was there. */
function byGeneration({ generations }: LineRecords, gradings: readonly EntryOf<'grading'>[]): Part[] {
  const order = generations.toSorted((a, b) => a.n - b.n)
  const ofDay = (e: EntryOf<'grading'>) => order.findLast(g => g.from <= e.at) ?? order[0]
  return order.map(({ id, n, from }) => ({
    id,
    n,
    fromMs: momentMs(from),
    own: gradings.filter(e => (e.generationId ?? ofDay(e)?.id) === id),
  }))
}

/** What was graded of a generation: each animal once for the eye, and pairs as pairs for the model. */
export function graded(own: readonly EntryOf<'grading'>[], ladder: Ladder) {
  const pairs = pairedSessions(own, ladder)
  const seconds = new Set(pairs.map(p => p.second.id))
  const firsts = own.filter(e => !seconds.has(e.id))
  const once = firsts.flatMap(e => seenIn(e, ladder))
  const gradings = firsts.flatMap(e => {
    const longest = Math.max(0, ...pairs.filter(p => p.first.id === e.id).map(p => p.second.seen?.length ?? 0))
    return gradingsOf(seenIn(e, ladder).slice(longest), ladder, { grader: graderOf(e), raised: raisedIn(e) })
  })
  return { once, gradings, twice: pairs.map(p => p.twice) }
}

/** Who bred a generation: those of its breeding groups, or whoever was left of the one before. */
function breedersOf(
  about: Reading,
  { before, part, untilMs }: { before: GradedGeneration; part: Part; untilMs: number },
): BreederSet[] {
  const { generations, breedingGroups, ladder } = about.records
  const own = generations.find(g => g.id === part.id)?.breedingGroupIds ?? []
  // breeders are of generations that stand before; others are of another line, or a slip
  const known = new Set(generations.filter(g => g.n <= before.n).map(g => g.id))
  const bred = breedingGroups.filter(b => own.includes(b.id) && b.state !== 'draft' && known.has(b.generationId))
  const young = youngByGroup(bred, part.own, ladder)
  const sets = bred.flatMap(b => setsOf(b, about.records, young?.get(b.id)))
  if (bothSexes(sets)) return sets
  const left = leftOf(about, before, untilMs)
  if (left.rungs) return [left]
  return (['male', 'female'] as const).map(sex => ({
    ...{ groupId: before.id, sex, number: UNTOLD, rungs: null, grader: left.grader },
  }))
}

/** What left a line by rung: taken out or moved away. */
const takenOut = (entries: readonly Entry[], fromMs: number, untilMs: number): RungCount[] =>
  entries.flatMap(e =>
    (e.kind === 'removal' || e.kind === 'move') && momentMs(e.at) >= fromMs && momentMs(e.at) < untilMs
      ? (e.rungs ?? [])
      : [],
  )

function bredOf(sets: readonly BreederSet[]): GradedGeneration['bred'] {
  const known = sets.flatMap(s => (s.rungs ? [{ sex: s.sex, rungs: s.rungs }] : []))
  if (known.length === 0) return null
  const of = (sex: GradedSex) =>
    known[0]!.rungs.map((_, k) => known.reduce((sum, s) => sum + (s.sex === sex ? s.rungs[k]! : 0), 0))
  return { males: of('male'), females: of('female'), mixed: of('mixed') }
}
