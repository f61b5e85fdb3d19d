import {
  type BreedingGroup,
  currentEntries,
  type Entry,
  type EntryOf,
  type Id,
  type Ladder,
  momentMs,
  presentRungs,
  type RungCount,
} from '#core/records'
import { countsOn, seenIn } from './gradings'
import { sharedOut } from './trays'

/** Grown animals of a colony by rung, lowest first. */
export interface ByRung {
  females: number[]
  males: number[]
}

/** What says on which rungs the animals of a colony stand. */
export interface StockAsked {
  ladder: Ladder
  colonyId: Id
  /** of the newest generation of the line that was graded */
  gradings: readonly EntryOf<'grading'>[]
  /** of the line's colonies; what was taken back among them is left out */
  entries: readonly Entry[]
  /** those of the colony that breed: they stand where they were put */
  breeding: readonly RungCount[]
  /** grown animals by the model */
  grown: { females: number; males: number }
}

const sexes = ['female', 'male'] as const

/**
 * The grown animals of a colony by rung: the model's numbers, shared out as they were graded last, less those that left
 * on a known rung since, and with those that came; those that breed stand where they were put. A colony in which nobody
 * was graded holds what came; where nothing came either, it stands as the line does.
 */
export function stockByRung({ ladder, colonyId, gradings, entries, breeding, grown }: StockAsked): ByRung {
  const firsts = gradings.filter(e => !e.againOf)
  const own = firsts.filter(e => e.colonyId === colonyId)
  const since = own.length > 0 ? Math.min(...own.map(e => momentMs(e.at))) : -Infinity
  const { gone, come } = movedSince(currentEntries(entries), colonyId, since)
  const base = own.length > 0 ? own : come.length > 0 ? [] : firsts
  const seen = base.flatMap(e => seenIn(e, ladder))
  const [females, males] = sexes.map(sex => {
    const of = (list: readonly RungCount[]) =>
      countsOn(
        ladder,
        list.filter(r => r.sex === sex),
      )
    const told = seen.some(r => r.sex === sex) ? of(seen) : countsOn(ladder, seen)
    const [out, into] = [of(gone), of(come)]
    const now = grown[`${sex}s`]
    const before = Math.max(0, now + sum(out) - sum(into))
    const all = sum(told)
    const left = told.map((n, k) => Math.max(0, (all > 0 ? (before * n) / all : 0) - out[k]! + into[k]!))
    const bred = of(breeding).map(Math.round)
    if (sum(bred) >= now) return sharedOut(now, bred)
    const others = left.map((n, k) => Math.max(0, n - bred[k]!))
    return sharedOut(now - sum(bred), others).map((n, k) => n + bred[k]!)
  }) as [number[], number[]]
  return { females, males }
}

const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)

/** Who left a colony on a known rung since a moment, and who came. */
function movedSince(entries: readonly Entry[], colonyId: Id, sinceMs: number) {
  const moved = entries.filter(
    (e): e is EntryOf<'move'> | EntryOf<'removal'> | EntryOf<'addition'> =>
      (e.kind === 'move' || e.kind === 'removal' || e.kind === 'addition') && momentMs(e.at) >= sinceMs,
  )
  const rungsOf = (list: readonly (typeof moved)[number][]): RungCount[] => list.flatMap(e => e.rungs ?? [])
  return {
    gone: rungsOf(moved.filter(e => e.colonyId === colonyId && e.kind !== 'addition')),
    come: rungsOf(
      moved.filter(e =>
        e.kind === 'move' ? e.toColonyId === colonyId : e.kind === 'addition' && e.colonyId === colonyId,
      ),
    ),
  }
}

/** Those of a colony that breed now, by rung and sex: nobody offers them. */
export const breedingCore = (
  groups: readonly Pick<BreedingGroup, 'state' | 'colonyId' | 'parents'>[],
  colonyId: Id,
): RungCount[] => groups.filter(g => g.state === 'running' && g.colonyId === colonyId).flatMap(g => g.parents)

/** How many of each sex; of those that nobody told apart a half each. */
export function bySex(counts: readonly RungCount[]): Record<'females' | 'males', number> {
  const of = (sex: RungCount['sex']) => counts.reduce((n, c) => n + (c.sex === sex ? c.number : 0), 0)
  const unknown = of('unknown')
  return { females: of('female') + Math.ceil(unknown / 2), males: of('male') + Math.floor(unknown / 2) }
}

/** What a rung has to offer. */
export interface RungOffer {
  rungId: Id
  words: string
  /** grown animals on it, and those of them that breed */
  there: number
  breeding: number
  /** ordered of this very rung */
  reserved: number
  /** most that can go where all that go are of this rung */
  atMost: number
  /** how many of what is on offer are of it, taken as they come of those that do not breed */
  offered: number
  /** of one, as the ladder has it */
  priceEach: number | null
}

/** What of a colony can be offered. */
export interface OfferAsked {
  stock: ByRung
  /** who breeds and stays */
  core: readonly RungCount[]
  /** animals that can go and are reserved for nobody */
  offered: number
  /** ordered of each rung; none when missing */
  reserved?: ReadonlyMap<Id, number>
}

/** Splits what is on offer over the rungs, best first; the breeding core and what is ordered of a rung are left out. */
export function offersByRung(
  ladder: Pick<Ladder, 'rungs'>,
  { stock, core, offered, reserved = new Map() }: OfferAsked,
): RungOffer[] {
  const breeding = countsOn(ladder, core).map(Math.round)
  const ordered = presentRungs(ladder).map(r => reserved.get(r.id) ?? 0)
  const there = stock.females.map((n, k) => n + stock.males[k]!)
  const free = there.map((n, k) => Math.max(0, n - breeding[k]! - ordered[k]!))
  const shared = sharedOut(Math.min(offered, sum(free)), free)
  return presentRungs(ladder)
    .map((rung, k) => ({
      rungId: rung.id,
      words: rung.words,
      there: there[k]!,
      breeding: breeding[k]!,
      reserved: ordered[k]!,
      atMost: Math.min(offered, free[k]!),
      offered: shared[k]!,
      priceEach: rung.priceEach ?? null,
    }))
    .toReversed()
}

/** Of the grown animals, the part that stands on each rung and does not breed. */
export function freeOnRungs(offers: readonly Pick<RungOffer, 'rungId' | 'there' | 'breeding'>[]): Record<Id, number> {
  const all = sum(offers.map(o => o.there))
  return Object.fromEntries(offers.map(o => [o.rungId, all > 0 ? Math.max(0, o.there - o.breeding) / all : 0]))
}

/** What some animals bring by their rungs, in the room's currency; rungs without a price bring nothing. */
export const worthByRung = (ladder: Pick<Ladder, 'rungs'>, counts: readonly RungCount[]): number =>
  sum(counts.map(c => c.number * (ladder.rungs.find(r => r.id === c.rungId)?.priceEach ?? 0)))

/** What a rung list brings, where each rung has a price; 0 where none has. */
export const worthOf = (offers: readonly Pick<RungOffer, 'offered' | 'priceEach'>[]): number =>
  offers.reduce((all, o) => all + o.offered * (o.priceEach ?? 0), 0)
