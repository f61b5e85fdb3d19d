import { z } from 'zod'
import { number, numberOrNone, ofColony } from './base'

/** Shed skins that were seen. They stay in the glass: others eat them for the minerals. */
export const MoltsEntry = z.strictObject({ ...ofColony, kind: z.literal('molts'), number: numberOrNone })

/** Living animals in molt trouble. Those that died of it are a death with that sign, so that nobody counts twice. */
export const FailedMoltEntry = z.strictObject({
  ...ofColony,
  kind: z.literal('failedMolt'),
  number,
  sign: z.enum(['whiteGap', 'stuck']),
})

/** Animals that lost limbs. Several limbs at once is a reason to keep one apart. */
export const LimbLossEntry = z.strictObject({
  ...ofColony,
  kind: z.literal('limbLoss'),
  number,
  limbs: z.enum(['one', 'several']),
})

/** A look at shells: new growth speaks of the water now, old whorls of the past. */
export const ShellEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('shell'),
    growth: z.enum(['clean', 'thin', 'none']).optional(),
    marks: z.array(z.enum(['pits', 'white', 'chipped'])).max(3),
    diameterMm: z.number().gt(0, 'must be above 0 mm').max(200, 'must be 200 mm at most').optional(),
  })
  .refine(e => e.growth !== undefined || e.marks.length > 0 || e.diameterMm !== undefined, {
    path: ['growth'],
    message: 'say at least one thing about the shells',
  })
