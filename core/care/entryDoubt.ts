import type { ResolvedGroup } from '#core/groups'
import { type Animal, type AnimalSex, type Entry, type EntryOf, momentMs } from '#core/records'
import { NEAR_GKG } from '#core/batches'
import { readoutsOf, type ValueVerdict } from '#core/water'
import type { Meeting } from './meeting'

/** What may be wrong with an entry that can be all the same. The words are in app/words/entryDoubt. */
export type EntryDoubtKey =
  | 'tooManyDead'
  | 'tooManyTaken'
  | 'tooManyBerried'
  | 'otherSpecies'
  | 'otherLine'
  | 'crabKinds'
  | 'poisoned'
  | 'uncured'
  | 'shrinks'
  | 'maleBerried'
  | 'beforeLaid'
  | 'intoTheSea'
  | 'saltBack'
export interface EntryDoubt {
  key: EntryDoubtKey
  /** what was typed, and the most that is likely */
  values: { n: number; most: number }
}

/** What is not kept however often it is saved: kinds of crabs fight to the death (common practice). */
export const neverKept: readonly EntryDoubtKey[] = ['crabKinds']

/** What is known of a colony when something is logged of it. */
export interface ColonyFacts {
  group: ResolvedGroup
  /** likely ends of the number and of the grown females; null until they are estimated */
  most: { all: number; females: number } | null
  /** verdicts on its water */
  values: readonly ValueVerdict[]
  /** whether its glass has a plan whose curing has not ended */
  curing: boolean
  /** the followed animals that the entry names, as they are known */
  named?: readonly NamedFacts[]
  /** when the clutch that the entry names was laid */
  laidMs?: number | null
  /** salt of the water, g/kg, where larvae are reared in it; 0 where nobody read it */
  larvaeSaltGKg?: number | null
}

/** What is known of a followed animal before an entry. */
export interface NamedFacts {
  sex: AnimalSex
  /** its largest size so far, mm; null where it was never measured */
  mostMm: number | null
}

/**
 * What is known of a followed animal before an entry is saved.
 * @param entries standing entries that name it
 * @param entry about to be saved; what it corrects says nothing
 */
export function namedFacts({ sex }: Pick<Animal, 'sex'>, entries: readonly Entry[], entry: Entry): NamedFacts {
  const sizes = entries.flatMap(e =>
    e.kind === 'shell' && e.id !== entry.supersedes && e.at < entry.at ? (e.diameterMm ?? []) : [],
  )
  return { sex, mostMm: sizes.length > 0 ? Math.max(...sizes) : null }
}

/** A size under the one before by less than so much is a slip of the ruler (from memory). */
const RULER_MM = 1

/** Whether so many dead are more than live there by any likely reckoning. */
export const tooManyDead = (dead: number, high: number): boolean => dead > atLeastOne(high)
const atLeastOne = (high: number) => Math.max(1, Math.ceil(high))

/**
 * Looks at an entry before it is saved: more of something than there can be, or animals that go where they should not.
 * It is asked about once, and kept as it is when the keeper says so.
 * @param entry about to be logged
 * @param from the colony that it is about
 * @param to the colony that animals are moved to, and whom they would meet in its glass; null for entries that move
 * none
 * @returns the first thing to ask about, null where nothing is odd
 */
export function entryDoubt(
  entry: Entry,
  from: ColonyFacts,
  to: (ColonyFacts & { meets: Meeting }) | null = null,
): EntryDoubt | null {
  const doubt = (key: EntryDoubtKey, n = 0, most = 0): EntryDoubt => ({ key, values: { n, most: atLeastOne(most) } })
  const { most } = from
  switch (entry.kind) {
    case 'death':
      return most && tooManyDead(entry.number, most.all) ? doubt('tooManyDead', entry.number, most.all) : null
    case 'removal':
      return most && entry.number > atLeastOne(most.all) ? doubt('tooManyTaken', entry.number, most.all) : null
    case 'shell': {
      const before = Math.max(0, ...(from.named ?? []).map(n => n.mostMm ?? 0))
      const now = entry.diameterMm ?? Infinity
      return now < before - RULER_MM ? { key: 'shrinks', values: { n: now, most: before } } : null
    }
    case 'clutch':
      return from.laidMs && entry.event !== 'laid' && momentMs(entry.at) < from.laidMs ? doubt('beforeLaid') : null
    case 'berried':
      if (entry.number > 0 && from.named?.some(n => n.sex === 'male')) return doubt('maleBerried')
      return most && entry.number > atLeastOne(most.females)
        ? doubt('tooManyBerried', entry.number, most.females)
        : null
    case 'addition':
      return intoTheSea(entry, from, doubt) ?? unwelcoming(from, doubt)
    case 'waterTest':
    case 'waterChange':
      return from.larvaeSaltGKg != null && saltOf(entry) < from.larvaeSaltGKg - NEAR_GKG
        ? { key: 'saltBack', values: { n: saltOf(entry), most: from.larvaeSaltGKg } }
        : null
    case 'move':
      if (most && entry.number > atLeastOne(most.all)) return doubt('tooManyTaken', entry.number, most.all)
      return to && (mixing(from, to, doubt) ?? intoTheSea(entry, to, doubt) ?? unwelcoming(to, doubt))
    default:
      return null
  }
}

type Doubts = (key: EntryDoubtKey) => EntryDoubt

/** Animals of one colony put into another one. */
function mixing(from: ColonyFacts, to: ColonyFacts & { meets: Meeting }, doubt: Doubts): EntryDoubt | null {
  if (to.meets === 'never') return doubt('crabKinds')
  if (from.group.group.id !== to.group.group.id) return doubt('otherSpecies')
  return to.meets === 'crosses' ? doubt('otherLine') : null
}

/** A water that is not ready for new animals. */
function unwelcoming(to: ColonyFacts, doubt: Doubts): EntryDoubt | null {
  if (to.values.some(v => (v.key === 'ammoniaMgL' || v.key === 'nitriteMgL') && v.state === 'off'))
    return doubt('poisoned')
  return to.curing ? doubt('uncured') : null
}

/** Grown animals put among larvae: they die in sea water within minutes (common practice). */
function intoTheSea(entry: EntryOf<'addition' | 'move'>, to: ColonyFacts, doubt: Doubts): EntryDoubt | null {
  if (to.larvaeSaltGKg == null) return null
  return entry.parts && entry.parts.young === entry.number ? null : doubt('intoTheSea')
}

/** Salt that a test read, or that was poured in; endless where an entry says nothing of it. */
function saltOf(entry: EntryOf<'waterTest' | 'waterChange'>): number {
  if (entry.kind === 'waterTest') return entry.readings.salinityGKg?.value ?? Infinity
  return entry.water ? readoutsOf(entry.water).salinityGKg : Infinity
}
