import { z } from 'zod'
import { edited } from './editedFields'
import { Id, Moment } from './id'
import { Label } from './label'

/** A day that is known as well as it is known: the same moment twice where it is known exactly. */
export const Between = z
  .strictObject({ from: Moment, to: Moment })
  .refine(d => d.from <= d.to, { path: ['to'], message: 'the later day must not lie before the earlier one' })
export type Between = z.infer<typeof Between>

export const AnimalSex = z.enum(['female', 'male', 'unknown'])
export type AnimalSex = z.infer<typeof AnimalSex>

const parents = z.array(Id).max(20)

/**
 * An animal that is followed one by one: a crab, a crayfish, a large snail, a breeding male. Where it lives, its molts
 * and its broods are told by the entries that name it, and never stored here.
 */
export const Animal = z
  .strictObject({
    ...edited,
    roomId: Id,
    /** the colony in which it was first followed; where it lives now follows from the moves that name it */
    firstColonyId: Id,
    name: Label,
    groupId: z.string().min(1).max(40),
    sex: AnimalSex,
    /** when it was born, as far as anybody knows */
    born: Between.optional(),
    /** when it came to the keeper, where it was not born here */
    came: Between.optional(),
    /** who may be its parents: several where nobody knows */
    damIds: parents,
    sireIds: parents,
    photoId: Id.optional(),
    /** what it is told by */
    marks: z.string().trim().max(300).optional(),
  })
  .refine(a => !a.born || !a.came || a.born.from <= a.came.to, {
    path: ['came'],
    message: 'it came before it was born',
  })
  .refine(a => ![...a.damIds, ...a.sireIds].includes(a.id), {
    path: ['damIds'],
    message: 'an animal is not its own parent',
  })
export type Animal = z.infer<typeof Animal>
