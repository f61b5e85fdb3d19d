import { z } from 'zod'
import type { Id } from '../id'
import { FailedMoltEntry, LimbLossEntry, MoltsEntry, ShellEntry } from './bodies'
import { BerriedEntry, ClutchEntry, EggMassEntry, MatingEntry, YoungEntry } from './brood'
import { DueMarkEntry, EquipmentEntry, FeedingEntry, GrowthEntry, PestEntry, SupplementEntry, VisitEntry } from './care'
import { NoteEntry, PhotoEntry, WithdrawalEntry } from './notes'
import { AdditionEntry, CountEntry, DeathEntry, GradingEntry, MoveEntry, RemovalEntry } from './numbers'
import { TopUpEntry, TreatmentEntry, WaterChangeEntry, WaterTestEntry } from './water'

/**
 * The log is a list of entries that are never changed. A correction is a new entry that names the one it supersedes;
 * taking something back is an entry of kind `withdrawal`. A new kind joins by adding its schema to the union below and
 * saying in `subjectOf` whose it is.
 */
export const Entry = z.discriminatedUnion('kind', [
  CountEntry,
  AdditionEntry,
  RemovalEntry,
  DeathEntry,
  MoveEntry,
  GradingEntry,
  WaterTestEntry,
  WaterChangeEntry,
  TopUpEntry,
  TreatmentEntry,
  MoltsEntry,
  FailedMoltEntry,
  LimbLossEntry,
  ShellEntry,
  BerriedEntry,
  EggMassEntry,
  ClutchEntry,
  YoungEntry,
  MatingEntry,
  FeedingEntry,
  SupplementEntry,
  EquipmentEntry,
  GrowthEntry,
  PestEntry,
  VisitEntry,
  DueMarkEntry,
  NoteEntry,
  PhotoEntry,
  WithdrawalEntry,
])
export type Entry = z.infer<typeof Entry>
export type EntryKind = Entry['kind']
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
