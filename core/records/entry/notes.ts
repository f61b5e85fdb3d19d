import { z } from 'zod'
import { Id } from '../id'
import { base } from './base'

const ofEither = { ...base, colonyId: Id.optional(), glassId: Id.optional() }
const oneSubject = (e: { colonyId?: string | undefined; glassId?: string | undefined }) =>
  (e.colonyId === undefined) !== (e.glassId === undefined)

/** A free note on a colony or a glass. */
export const NoteEntry = z
  .strictObject({ ...ofEither, kind: z.literal('note'), text: z.string().trim().min(1, 'must not be empty').max(2000) })
  .refine(oneSubject, { message: 'a note belongs to one colony or to one glass' })

/** A photo of a colony or a glass. The picture itself is a record of its own, so that reading the log stays quick. */
/** What was measured of one animal on a photo, and the rung that its keeper gave it. */
const MeterReading = z.strictObject({
  ladderId: Id,
  rungId: Id,
  /** share of the body that is coloured */
  cover: z.number().min(0).max(1),
  /** how far its colour lies from white, ΔE*ab */
  depth: z.number().min(0).max(200),
})

export const PhotoEntry = z
  .strictObject({ ...ofEither, kind: z.literal('photo'), photoId: Id, meter: MeterReading.optional() })
  .refine(oneSubject, { message: 'a photo belongs to one colony or to one glass' })

/** Takes an entry back. Nothing is erased: withdrawing the withdrawal brings the entry back. */
export const WithdrawalEntry = z.strictObject({
  ...ofEither,
  kind: z.literal('withdrawal'),
  toColonyId: Id.optional(),
  supersedes: Id,
})
