import { z } from 'zod'
import { cautionKeys } from './cautionKeys'

/** One of the cautions. */
export const CautionKey = z.enum(cautionKeys)
export type CautionKey = z.infer<typeof CautionKey>
