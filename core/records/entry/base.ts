import { z } from 'zod'
import { RungCounts, rungsTotal } from '../breeding'
import { Heads } from '../colony'
import { headsTotal } from '../headsTotal'
import { Id, Moment } from '../id'
import { MAX_LITRES, MIN_LITRES } from '../limits'

/** What every entry carries. */
export const base = {
  id: Id,
  /** when it happened */
  at: Moment,
  /** when it was written down */
  loggedAt: Moment,
  /** initials */
  keeper: z.string().trim().min(1).max(8).optional(),
  supersedes: Id.optional(),
  text: z.string().max(2000).optional(),
  /** animals that are followed one by one and that this is about */
  animalIds: z
    .array(Id)
    .max(200)
    .refine(ids => new Set(ids).size === ids.length, 'names an animal twice')
    .optional(),
}
export const ofColony = { ...base, colonyId: Id }
export const ofGlass = { ...base, glassId: Id }

const MOST = 100_000
/** Some animals, masses or pairs: at least one. */
export const number = z.int('must be a whole number').min(1, 'must be at least 1').max(MOST, 'must be 100 000 at most')
/** A number that may be none: that nothing was seen is news too. */
export const numberOrNone = z
  .int('must be a whole number')
  .min(0, 'must be 0 or more')
  .max(MOST, 'must be 100 000 at most')
export const litres = z.number().min(MIN_LITRES, 'must be 0.05 L or more').max(MAX_LITRES, 'must be 5000 L at most')

/** Whether no more animals are named than there are. */
export const namesFit = (e: { number: number; animalIds?: readonly string[] | undefined }): boolean =>
  (e.animalIds?.length ?? 0) <= e.number
export const namesFitIssue = { path: ['number'], message: 'more animals are named than the number says' }

/** A number and its split by sex and size. */
export const split = {
  number,
  parts: Heads.optional(),
  /** on which rungs they stand, where that is known */
  rungs: RungCounts.optional(),
  /** how many of them carry eggs, which go with them; missing where nobody looked */
  berried: numberOrNone.optional(),
}
export const splitFits = { path: ['parts'], message: 'the parts add up to more than the number' }
/** Whether the parts of a split fit into its number. */
export const fits = (e: { number: number; parts?: Heads | undefined }): boolean =>
  !e.parts || headsTotal(e.parts) <= e.number
export const rungsFitIssue = { path: ['rungs'], message: 'the rungs add up to more than the number' }
/** Whether the rungs of a split fit into its number. */
export const rungsFit = (e: { number: number; rungs?: z.infer<typeof RungCounts> | undefined }): boolean =>
  !e.rungs || rungsTotal(e.rungs) <= e.number
export const berriedFitIssue = { path: ['berried'], message: 'more carry eggs than there are females' }
/** Whether no more carry eggs than may be females. */
export const berriedFit = (e: { number: number; parts?: Heads | undefined; berried?: number | undefined }): boolean =>
  (e.berried ?? 0) <= e.number - (e.parts ? e.parts.males + e.parts.halfGrown + e.parts.young : 0)
