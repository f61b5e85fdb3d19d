import { z } from 'zod'
import { RungCount } from '../breeding'
import { Heads } from '../colony'
import { Id } from '../id'
import {
  berriedFit,
  berriedFitIssue,
  fits,
  namesFit,
  namesFitIssue,
  number,
  numberOrNone,
  ofColony,
  rungsFit,
  rungsFitIssue,
  split,
  splitFits,
} from './base'

/**
 * Ways of counting. The first five are one number; the others bring what they are reckoned from: the frames of a photo,
 * several counts of one day, catches that were set aside, catches with marks.
 */
export const CountMethod = z.enum([
  'allSeen',
  'atFood',
  'partOfTank',
  'estimate',
  'burrows',
  'photo',
  'repeated',
  'passes',
  'marks',
])
export type CountMethod = z.infer<typeof CountMethod>

const several = z.array(numberOrNone).min(2, 'needs at least two').max(20, 'takes 20 at most')

/**
 * A count. `number` is what was seen or caught in all; for a part of the tank or a photo, `share` says how much of the
 * tank that was.
 */
export const CountEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('count'),
    number: numberOrNone,
    method: CountMethod,
    share: z.number().gt(0, 'must be above 0').max(1, 'must be 100 % at most').optional(),
    parts: Heads.optional(),
    /**
     * part of the tank: samples of equal size, each the share; photo: its frames; repeated: the counts of the day;
     * passes: the catches
     */
    series: several.optional(),
    /** minutes of each pass, where they differ */
    efforts: z.array(z.number().gt(0, 'must be above 0').max(1000)).min(2).max(20).optional(),
    /** catches with marks, in order; the first has no recaptures */
    marks: z
      .array(z.strictObject({ caught: numberOrNone, recaptured: numberOrNone }))
      .min(2, 'needs at least two catches')
      .max(20)
      .optional(),
    /** the keeper's own hit rate from the practice tank, as it was when this was counted */
    hitRate: z.strictObject({ share: z.number().gt(0).max(1.5), sdLog: z.number().min(0).max(2) }).optional(),
  })
  .refine(e => ['partOfTank', 'photo'].includes(e.method) === (e.share !== undefined), {
    path: ['share'],
    message: 'the share of the tank belongs to a count of part of the tank or a photo, and is needed there',
  })
  .refine(e => !['repeated', 'passes'].includes(e.method) || e.series !== undefined, {
    path: ['series'],
    message: 'this way of counting needs its single counts',
  })
  .refine(e => e.efforts === undefined || (e.method === 'passes' && e.efforts.length === e.series?.length), {
    path: ['efforts'],
    message: 'each pass has its minutes, and nothing else has',
  })
  .refine(e => (e.method === 'marks') === (e.marks !== undefined), {
    path: ['marks'],
    message: 'catches with marks belong to a count by marks, and are needed there',
  })
  .refine(e => marksFit(e.marks), { path: ['marks'], message: 'more marked animals were caught than had been marked' })
  .refine(fits, splitFits)

/** Whether every catch holds no more marked animals than were marked before it. */
function marksFit(marks: readonly { caught: number; recaptured: number }[] | undefined): boolean {
  let marked = 0
  for (const { caught, recaptured } of marks ?? []) {
    if (recaptured > Math.min(caught, marked)) return false
    marked += caught - recaptured
  }
  return true
}

/** Animals put in. */
export const AdditionEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('addition'),
    ...split,
    origin: z.enum(['bought', 'given', 'ownRoom', 'found']),
  })
  .refine(fits, splitFits)
  .refine(rungsFit, rungsFitIssue)
  .refine(berriedFit, berriedFitIssue)
  .refine(namesFit, namesFitIssue)

/** Animals taken out alive, or culled humanely. */
export const RemovalEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('removal'),
    ...split,
    outlet: z.enum(['sold', 'given', 'fed', 'moved', 'culled']),
    /** for all of them, in the room's currency */ price: z.number().min(0).max(1_000_000).optional(),
    orderId: Id.optional(),
  })
  .refine(fits, splitFits)
  .refine(rungsFit, rungsFitIssue)
  .refine(berriedFit, berriedFitIssue)
  .refine(namesFit, namesFitIssue)

/** Animals found dead. */
export const DeathEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('death'),
    number,
    sign: z.enum(['unknown', 'failedMolt', 'jump', 'old', 'eaten']),
  })
  .refine(namesFit, namesFitIssue)

/** Animals carried from one colony to another: one entry that both colonies' numbers follow from. */
export const MoveEntry = z
  .strictObject({ ...ofColony, kind: z.literal('move'), toColonyId: Id, ...split })
  .refine(fits, splitFits)
  .refine(rungsFit, rungsFitIssue)
  .refine(berriedFit, berriedFitIssue)
  .refine(namesFit, namesFitIssue)
  .refine(e => e.colonyId !== e.toColonyId, { path: ['toColonyId'], message: 'animals move to another colony' })

const Grades = z
  .array(z.strictObject({ grade: z.string().trim().min(1).max(12), number: numberOrNone }))
  .min(1, 'needs at least one grade')
  .max(12)

/**
 * A grading session: how many of each sex stood on which rung of a ladder. Entries of versions before 7 have free words
 * instead, which stand for rungs of a ladder that was made of them.
 */
export const GradingEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('grading'),
    /** free words of old entries */
    grades: Grades.optional(),
    ladderId: Id.optional(),
    /** in the order in which they were graded, where they were graded one by one */
    seen: z.array(RungCount).min(1, 'needs at least one grade').max(2000, 'takes 2000 animals at most').optional(),
    /** the animals are told one after the other */
    inOrder: z.literal(true).optional(),
    /** the session of another keeper who graded the same animals in the same order */
    againOf: Id.optional(),
    generationId: Id.optional(),
    /** these were all grown animals of the colony */
    all: z.literal(true).optional(),
    ageWeeks: z.number().min(0).max(500).optional(),
    sizeMm: z.number().gt(0).max(500).optional(),
    food: z.enum(['sparse', 'usual', 'rich']).optional(),
    /** of their water while they grew */
    temperatureC: z.number().min(0).max(40).optional(),
  })
  .refine(e => (e.grades === undefined) !== (e.seen === undefined), {
    path: ['seen'],
    message: 'a grading has rungs of a ladder, or free words as in old entries',
  })
  .refine(e => (e.seen === undefined) === (e.ladderId === undefined), {
    path: ['ladderId'],
    message: 'rungs belong to a ladder',
  })
  .refine(e => !e.inOrder || (e.seen ?? []).every(s => s.number === 1), {
    path: ['seen'],
    message: 'animals that are told one by one have a number of one each',
  })
