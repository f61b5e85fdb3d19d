import { z } from 'zod'
import { Heads, headsTotal } from './colony'
import { Id, Moment } from './id'
import { Water } from './water'
import type { ValueKey} from './valueKey';
import { possibleRange, TestMethod, valueKeys } from './valueKey'

/**
 * The log is a list of entries that are never changed. A correction is a new entry that names the one it supersedes;
 * taking something back is an entry of kind `withdrawal`. A new kind joins by adding its schema to the union below and
 * saying in `subjectOf` whose it is.
 */
const base = {
  id: Id,
  /** when it happened */
  at: Moment,
  /** when it was written down */
  loggedAt: Moment,
  /** initials */
  keeper: z.string().trim().min(1).max(8).optional(),
  supersedes: Id.optional(),
  text: z.string().max(2000).optional(),
}
const ofColony = { ...base, colonyId: Id }
const ofGlass = { ...base, glassId: Id }
const number = z.int('must be a whole number').min(1, 'must be at least 1').max(100_000, 'must be 100 000 at most')
const splitFits = { path: ['parts'], message: 'the parts add up to more than the number' }

export const CountMethod = z.enum(['allSeen', 'atFood', 'partOfTank', 'estimate'])
export type CountMethod = z.infer<typeof CountMethod>

/** A count. `number` is what was seen; for a part of the tank, `share` says how large the part was. */
export const CountEntry = z.strictObject({
  ...ofColony,
  kind: z.literal('count'),
  number: z.int('must be a whole number').min(0, 'must be 0 or more').max(100_000, 'must be 100 000 at most'),
  method: CountMethod,
  share: z.number().gt(0, 'must be above 0').max(1, 'must be 100 % at most').optional(),
  parts: Heads.optional(),
})
  .refine(e => (e.method === 'partOfTank') === (e.share !== undefined), { path: ['share'], message: 'the share of the tank belongs to a count of part of the tank, and is needed there' })
  .refine(e => !e.parts || headsTotal(e.parts) <= e.number, splitFits)

const reading = (key: ValueKey) => {
  const [low, high] = possibleRange[key]
  return z.strictObject({
    value: z.number().min(low, `must be ${low} or more`).max(high, `must be ${high} or less`),
    method: TestMethod,
  })
}
/** Readings of one water test: any subset of the values, at least one. */
export const Readings = z.strictObject(Object.fromEntries(valueKeys.map(k => [k, reading(k).optional()])) as { [K in ValueKey]: z.ZodOptional<ReturnType<typeof reading>> })
export type Readings = z.infer<typeof Readings>

/** A test of the water in a glass. Conductivity is stored compensated to 25 °C. */
export const WaterTestEntry = z.strictObject({
  ...ofGlass,
  kind: z.literal('waterTest'),
  readings: Readings,
}).refine(e => Object.values(e.readings).some(r => r !== undefined), { path: ['readings'], message: 'a water test needs at least one value' })

/** Animals put in. */
export const AdditionEntry = z.strictObject({
  ...ofColony,
  kind: z.literal('addition'),
  number,
  parts: Heads.optional(),
  origin: z.enum(['bought', 'given', 'ownRoom', 'found']),
}).refine(e => !e.parts || headsTotal(e.parts) <= e.number, splitFits)

/** Animals taken out alive, or culled humanely. */
export const RemovalEntry = z.strictObject({
  ...ofColony,
  kind: z.literal('removal'),
  number,
  parts: Heads.optional(),
  outlet: z.enum(['sold', 'given', 'fed', 'moved', 'culled']),
}).refine(e => !e.parts || headsTotal(e.parts) <= e.number, splitFits)

/** Animals found dead. */
export const DeathEntry = z.strictObject({
  ...ofColony,
  kind: z.literal('death'),
  number,
  sign: z.enum(['unknown', 'failedMolt', 'jump', 'old', 'eaten']),
})

/** A free note on a colony or a glass. */
export const NoteEntry = z.strictObject({
  ...base,
  kind: z.literal('note'),
  colonyId: Id.optional(),
  glassId: Id.optional(),
  text: z.string().trim().min(1, 'must not be empty').max(2000),
}).refine(e => (e.colonyId === undefined) !== (e.glassId === undefined), { message: 'a note belongs to one colony or to one glass' })

/** What went into a bucket: names are kept, so that the line reads the same when a source is put away. */
const poured = {
  poured: z.array(z.strictObject({ sourceId: Id.optional(), name: z.string().min(1).max(60), litres: z.number().gt(0).max(5000) })).max(12).optional(),
  weighed: z.array(z.strictObject({ itemId: Id.optional(), name: z.string().min(1).max(60), grams: z.number().gt(0).max(100_000) })).max(12).optional(),
  /** amounts of the new water, as reckoned when it was poured; missing when nobody knows */
  water: Water.optional(),
}
const litres = z.number().gt(0, 'must be above 0 L').max(5000, 'must be 5000 L at most')

/** Water taken out and new water put in. As many litres as the glass holds is a first fill. */
export const WaterChangeEntry = z.strictObject({ ...ofGlass, kind: z.literal('waterChange'), litres, ...poured })

/** Evaporated water replaced. */
export const TopUpEntry = z.strictObject({ ...ofGlass, kind: z.literal('topUp'), litres, ...poured })

/** A dose of a medicine, by active substance and by the net litres it was reckoned for. */
export const TreatmentEntry = z.strictObject({
  ...ofGlass,
  kind: z.literal('treatment'),
  substance: z.string().min(1).max(40),
  activeMg: z.number().gt(0).max(1_000_000),
  netL: litres,
})

/** Takes an entry back. Nothing is erased: withdrawing the withdrawal brings the entry back. */
export const WithdrawalEntry = z.strictObject({
  ...base,
  kind: z.literal('withdrawal'),
  colonyId: Id.optional(),
  glassId: Id.optional(),
  supersedes: Id,
})

export const Entry = z.discriminatedUnion('kind', [CountEntry, WaterTestEntry, AdditionEntry, RemovalEntry, DeathEntry, NoteEntry, WaterChangeEntry, TopUpEntry, TreatmentEntry, WithdrawalEntry])
export type Entry = z.infer<typeof Entry>
export type EntryKind = Entry['kind']
/** An entry of one kind. */
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>

/** Whose entry it is: water belongs to the glass, numbers to the colony. */
export function subjectOf(entry: Entry): { colonyId: Id | undefined, glassId: Id | undefined } {
  return {
    colonyId: 'colonyId' in entry ? entry.colonyId : undefined,
    glassId: 'glassId' in entry ? entry.glassId : undefined,
  }
}
