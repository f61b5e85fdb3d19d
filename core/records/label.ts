import { z } from 'zod'
import { LABEL_MOST } from './limits'

const tooLong = `must have ${LABEL_MOST} letters at most`

/** Short text that a keeper types; never rendered as HTML. */
export const Label = z.string().trim().min(1, 'must not be empty').max(LABEL_MOST, tooLong)
