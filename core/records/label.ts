import { z } from 'zod'

/** Short text that a keeper types; never rendered as HTML. */
export const Label = z.string().trim().min(1, 'must not be empty').max(60, 'must have 60 letters at most')
