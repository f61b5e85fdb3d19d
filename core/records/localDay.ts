import { z } from 'zod'

/**
 * A calendar day where the keeper lives, like 2026-11-25. It has no moment by itself: from a day to a moment and back
 * one goes with a zone of time (an IANA name such as `Europe/Lisbon`), by the functions of `days.ts` and no others.
 */
export const LocalDay = z.iso.date('is not a day like 2026-11-25').brand<'LocalDay'>()
export type LocalDay = z.infer<typeof LocalDay>
