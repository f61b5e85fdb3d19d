import type { EggAge } from './cohorts'
import type { HatchDays } from './hatchDays'
import type { BroodSign } from './hatchLaw'

/** By what eggs are expected that nobody has seen yet: a mating, a saddle, or the rest since the last brood. */
export type Awaits = 'mating' | 'saddle' | 'rest'

/** Broods on their way that began together, as one row of the calendar. */
export interface BroodLine {
  /** the entry that saw it first, or how far its eggs are */
  key: string
  sign: BroodSign
  /** id of the animal that carries it, where one is followed */
  who: string | null
  number: number
  /** by what eggs are expected that nobody has seen yet; null where somebody has */
  awaits: Awaits | null
  /** how far the eggs are, where the fit alone can tell */
  age: EggAge | null
  eyed: boolean
  place: 'inPlace' | 'incubator' | null
  /** how far above the water a clutch was laid, cm */
  aboveCm?: number
  firstSeenMs: number | null
  lastSeenMs: number | null
  /** looks at it after the first one */
  looksMs: number[]
  hatch: HatchDays
}
