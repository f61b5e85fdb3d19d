import { STREAM_STEP, uniformAt } from '#core/stats'
import type { Particles } from './particles'
import { STAGES } from './stages'

/** What one step may change beside the rates. */
export interface StepMore {
  /** adults' hazard beside the usual one, per step: deaths that go on */
  extraHazard?: number
  /** factor on the room */
  roomFactor?: number
  /** factor on the young that come up */
  recruitsFactor?: number
  /** gets how many of each particle died that could have been found: half-grown and grown */
  died?: Float64Array
  /** gets how many broods of each particle hatched */
  hatched?: Float64Array
}

/** Luck of a particle beside that of its passages: its mood, the broods, a blow; of a blow and of the rooms several. */
export const DRAWS = {
  turn: 0,
  drift: 1,
  size: 2,
  arrives: 3,
  taken: 4,
  blow: 14,
  struck: 15,
  hop: 15 + STAGES,
  laid: 15 + STAGES + 64,
}

/** One uniform number of a particle's stream. */
export const drawn = (stream: number, which: number) => uniformAt((stream + Math.imul(which, STREAM_STEP)) | 0)

/** What a step works out for each particle before anybody dies, grows or is born. */
export interface Conditions {
  /** where the particle's uniform numbers begin */
  stream: Int32Array
  /** the mood’s factor on the broods taken up */
  half: Float64Array
  /** share of the hatched that come up */
  comeUp: Float64Array
  /** factor on the hazards */
  loss: Float64Array
  /** broods that hatch */
  hatched: Float64Array
  /** broods that are laid */
  laid: Float64Array
  /** half-grown and grown that died */
  died: Float64Array
}

/** What happens to all particles in one part of a step. */
export type Pass = (particles: Particles, at: Conditions, more: StepMore) => void
