import { z } from 'zod'
import type { EntryKind } from './kinds'
import { FailedMoltEntry, LimbLossEntry, MoltsEntry, ShellEntry } from './bodies'
import { BerriedEntry, ClutchEntry, DullEntry, EggMassEntry, LarvaeEntry, MatingEntry, YoungEntry } from './brood'
import { DueMarkEntry, EquipmentEntry, FeedingEntry, GrowthEntry, PestEntry, SupplementEntry, VisitEntry } from './care'
import { NoteEntry, PhotoEntry, WithdrawalEntry } from './notes'
import { AdditionEntry, CountEntry, DeathEntry, GradingEntry, MoveEntry, RemovalEntry } from './numbers'
import { TopUpEntry, TreatmentEntry, WaterChangeEntry, WaterTestEntry } from './water'

/** The fields of every kind of entry. */
const schemas = {
  count: CountEntry,
  addition: AdditionEntry,
  removal: RemovalEntry,
  death: DeathEntry,
  move: MoveEntry,
  grading: GradingEntry,
  waterTest: WaterTestEntry,
  waterChange: WaterChangeEntry,
  topUp: TopUpEntry,
  treatment: TreatmentEntry,
  molts: MoltsEntry,
  failedMolt: FailedMoltEntry,
  limbLoss: LimbLossEntry,
  shell: ShellEntry,
  berried: BerriedEntry,
  eggMass: EggMassEntry,
  clutch: ClutchEntry,
  young: YoungEntry,
  larvae: LarvaeEntry,
  mating: MatingEntry,
  dull: DullEntry,
  feeding: FeedingEntry,
  supplement: SupplementEntry,
  equipment: EquipmentEntry,
  growth: GrowthEntry,
  pest: PestEntry,
  visit: VisitEntry,
  dueMark: DueMarkEntry,
  note: NoteEntry,
  photo: PhotoEntry,
  withdrawal: WithdrawalEntry,
} as const satisfies Record<EntryKind, z.ZodType>
type KindSchema = (typeof schemas)[EntryKind]

/**
 * The log is a list of entries that are never changed. A correction is a new entry that names the one it supersedes;
 * taking something back is an entry of kind `withdrawal`.
 */
export const Entry = z.discriminatedUnion('kind', Object.values(schemas) as unknown as [KindSchema, ...KindSchema[]])
export type Entry = z.infer<typeof Entry>
/** An entry of one kind. */
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>
