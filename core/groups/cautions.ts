import { z } from 'zod'

/** Cautions that stand at the step; the words live in app/words, one for each. */
export const cautionKeys = [
  'neverRelease',
  'linesCross',
  'copper',
  'cover',
  'electricity',
  'wildProtected',
  'permit',
  'larvaeNeedSea',
  'softWaterSlow',
  'washHands',
  'dewormers',
  'medicine',
  'hides',
  'seaSalt',
  'snailBoom',
  'allergy',
  'salts',
  'culling',
] as const
export const CautionKey = z.enum(cautionKeys)
export type CautionKey = z.infer<typeof CautionKey>
