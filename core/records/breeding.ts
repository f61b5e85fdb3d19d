import { z } from 'zod'
import { AnimalSex } from './animal'
import { edited } from './editedFields'
import { Id, Moment } from './id'

/** How many of a sex stand on a rung. */
export const RungCount = z.strictObject({
  rungId: Id,
  sex: AnimalSex,
  number: z.int('must be a whole number').min(0, 'must be 0 or more').max(100_000, 'must be 100 000 at most'),
})
export type RungCount = z.infer<typeof RungCount>
export const RungCounts = z.array(RungCount).max(60)

/** How many a list of rungs holds. */
export const rungsTotal = (list: readonly Pick<RungCount, 'number'>[]): number =>
  list.reduce((sum, r) => sum + r.number, 0)

/**
 * A generation of a line: the young of some breeders, or its founders. A line whose animals breed all the time has one
 * for each stretch of time.
 */
export const Generation = z.strictObject({
  ...edited,
  roomId: Id,
  lineId: Id,
  n: z.int().min(1).max(500),
  /** when its first young came, or the founders */
  from: Moment,
  /** who bred it; none for founders */
  breedingGroupIds: z.array(Id).max(40),
})
export type Generation = z.infer<typeof Generation>

/** Where graded animals are put while breeders are chosen. */
export const trayKinds = ['breed', 'hold', 'offer', 'part'] as const
export type TrayKind = (typeof trayKinds)[number]

/** Animals that breed, or that somebody thinks of. */
export const BreedingGroup = z.strictObject({
  ...edited,
  roomId: Id,
  lineId: Id,
  /** the colony in which they breed */
  colonyId: Id,
  /** whose animals they are */
  generationId: Id,
  ladderId: Id,
  state: z.enum(['draft', 'running', 'released']),
  /** who put them on their rungs */
  keeper: z.string().trim().min(1).max(8).optional(),
  /** who breeds, by rung and sex */
  parents: RungCounts,
  /** followed animals among them */
  animalIds: z.array(Id).max(200),
  /** the other trays of a draft */
  trays: z.strictObject({ hold: RungCounts, offer: RungCounts, part: RungCounts }).optional(),
  from: Moment,
  to: Moment.optional(),
})
export type BreedingGroup = z.infer<typeof BreedingGroup>
