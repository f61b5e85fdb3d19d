import { z } from 'zod'
import type { Id } from '../id'
import { FailedMoltEntry, LimbLossEntry, MoltsEntry, ShellEntry } from './bodies'
import { BerriedEntry, ClutchEntry, EggMassEntry, MatingEntry, YoungEntry } from './brood'
import { DueMarkEntry, EquipmentEntry, FeedingEntry, GrowthEntry, PestEntry, SupplementEntry, VisitEntry } from './care'
import { NoteEntry, PhotoEntry, WithdrawalEntry } from './notes'
import { AdditionEntry, CountEntry, DeathEntry, GradingEntry, MoveEntry, RemovalEntry } from './numbers'
import { TopUpEntry, TreatmentEntry, WaterChangeEntry, WaterTestEntry } from './water'

/** Whose an entry is: of one colony (a move of two), of a glass, of one of both, or of anything that it names. */
export type EntrySubject = 'colony' | 'glass' | 'either' | 'any'

/** What the house must know of a kind of entry beside its words, which are in app/. */
interface KindDefinition<S> {
  schema: S
  of: EntrySubject
  /** fields that name rows of other tables without which the entry means nothing */
  needs: Readonly<Record<string, 'colonies' | 'glasses' | 'photos'>>
}

const ofColony = <S>(schema: S): KindDefinition<S> => ({ schema, of: 'colony', needs: { colonyId: 'colonies' } })
const ofGlass = <S>(schema: S): KindDefinition<S> => ({ schema, of: 'glass', needs: { glassId: 'glasses' } })
const ofEither = <S>(schema: S, of: EntrySubject, needs: KindDefinition<S>['needs'] = {}): KindDefinition<S> => ({
  schema,
  of,
  needs: { colonyId: 'colonies', glassId: 'glasses', ...needs },
})

/**
 * All kinds of entries, each once. A new kind joins here; what it does to the population model is said in
 * `core/statements/effects.ts`, its words and fields in app/, and what is forgotten does not compile.
 */
export const entryKinds = {
  count: ofColony(CountEntry),
  addition: ofColony(AdditionEntry),
  removal: ofColony(RemovalEntry),
  death: ofColony(DeathEntry),
  move: { schema: MoveEntry, of: 'colony', needs: { colonyId: 'colonies', toColonyId: 'colonies' } },
  grading: ofColony(GradingEntry),
  waterTest: ofGlass(WaterTestEntry),
  waterChange: ofGlass(WaterChangeEntry),
  topUp: ofGlass(TopUpEntry),
  treatment: ofGlass(TreatmentEntry),
  molts: ofColony(MoltsEntry),
  failedMolt: ofColony(FailedMoltEntry),
  limbLoss: ofColony(LimbLossEntry),
  shell: ofColony(ShellEntry),
  berried: ofColony(BerriedEntry),
  eggMass: ofColony(EggMassEntry),
  clutch: ofColony(ClutchEntry),
  young: ofColony(YoungEntry),
  mating: ofColony(MatingEntry),
  feeding: ofGlass(FeedingEntry),
  supplement: ofGlass(SupplementEntry),
  equipment: ofGlass(EquipmentEntry),
  growth: ofGlass(GrowthEntry),
  pest: ofGlass(PestEntry),
  visit: ofGlass(VisitEntry),
  dueMark: ofEither(DueMarkEntry, 'any'),
  note: ofEither(NoteEntry, 'either'),
  photo: ofEither(PhotoEntry, 'either', { photoId: 'photos' }),
  withdrawal: ofEither(WithdrawalEntry, 'any', { toColonyId: 'colonies' }),
} as const satisfies Record<string, KindDefinition<z.ZodType>>

export type EntryKind = keyof typeof entryKinds
type KindSchema = (typeof entryKinds)[EntryKind]['schema']

/**
 * The log is a list of entries that are never changed. A correction is a new entry that names the one it supersedes;
 * taking something back is an entry of kind `withdrawal`.
 */
export const Entry = z.discriminatedUnion(
  'kind',
  Object.values(entryKinds).map(k => k.schema) as unknown as [KindSchema, ...KindSchema[]],
)
export type Entry = z.infer<typeof Entry>
/** An entry of one kind. */
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>

/** Whose entry it is: water belongs to the glass, numbers to the colony; a move belongs to both colonies. */
export function subjectOf(entry: Entry): {
  colonyId: Id | undefined
  toColonyId: Id | undefined
  glassId: Id | undefined
} {
  return {
    colonyId: 'colonyId' in entry ? entry.colonyId : undefined,
    toColonyId: 'toColonyId' in entry ? entry.toColonyId : undefined,
    glassId: 'glassId' in entry ? entry.glassId : undefined,
  }
}

/** All whose log an entry belongs to: its colonies, its glass, and the animals that it is about. */
export function namedIds(entry: Entry): Id[] {
  const { colonyId, toColonyId, glassId } = subjectOf(entry)
  return [colonyId, toColonyId, glassId, ...(entry.animalIds ?? [])].filter(id => id !== undefined)
}
