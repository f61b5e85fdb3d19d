import { z } from 'zod'
import { zoneKinds } from './zoneKinds'
import { namesFit, namesFitIssue, number, numberOrNone, ofColony } from './base'

const millimetres = z.number().gt(0, 'must be above 0 mm').max(200, 'must be 200 mm at most')

/** Shed skins that were seen. They stay in the glass: others eat them for the minerals. */
export const MoltsEntry = z
  .strictObject({ ...ofColony, kind: z.literal('molts'), number: numberOrNone })
  .refine(namesFit, namesFitIssue)

/** Living animals in molt trouble. Those that died of it are a death with that sign, so that nobody counts twice. */
export const FailedMoltEntry = z
  .strictObject({ ...ofColony, kind: z.literal('failedMolt'), number, sign: z.enum(['whiteGap', 'stuck']) })
  .refine(namesFit, namesFitIssue)

/** Animals that lost limbs, or that have them back. Several limbs lost at once is a reason to keep one apart. */
export const LimbLossEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('limbLoss'),
    number,
    limbs: z.enum(['one', 'several']),
    /** what was lost has grown again */
    back: z.literal(true).optional(),
  })
  .refine(namesFit, namesFitIssue)

/** A look at shells: new growth speaks of the water now, old whorls of the past. */
export const ShellEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('shell'),
    growth: z.enum(['clean', 'thin', 'none']).optional(),
    marks: z.array(z.enum(['pits', 'white', 'chipped'])).max(3),
    /** of one animal */
    diameterMm: millimetres.optional(),
    /** of a sample of the colony, on one day */
    sizesMm: z.array(millimetres).min(2, 'needs at least two').max(200, 'takes 200 at most').optional(),
    /** what the whorl looks like from the middle outwards, each zone up to the diameter at which it ends */
    zones: z
      .array(z.strictObject({ kind: z.enum(zoneKinds), endMm: millimetres }))
      .min(1)
      .max(12, 'takes 12 zones at most')
      .optional(),
  })
  .refine(e => e.growth !== undefined || e.marks.length > 0 || e.diameterMm !== undefined || e.sizesMm !== undefined, {
    path: ['growth'],
    message: 'say at least one thing about the shells',
  })
  .refine(e => !(e.diameterMm !== undefined && e.sizesMm !== undefined), {
    path: ['sizesMm'],
    message: 'a size belongs to one animal, several sizes to a sample',
  })
  .refine(e => (e.zones ?? []).every((z, i, all) => i === 0 || z.endMm > all[i - 1]!.endMm), {
    path: ['zones'],
    message: 'zones end one after the other, from the middle outwards',
  })
  .refine(e => e.zones === undefined || e.zones.at(-1)!.endMm === e.diameterMm, {
    path: ['zones'],
    message: 'the last zone ends at the edge of the shell, which is its size',
  })
