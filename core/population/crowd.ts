import { crowdingSlope, type StageRates } from './lifeCycle'

/** What crowding, mood and what was learnt make of the rates for one colony. */
export interface Present {
  /** share of eggs that come up */
  comeUp: number
  /** factor on the hazards */
  loss: number
  /** factor on the broods taken up */
  broods: number
}

/** A colony as crowding meets it: what was learnt of it and its mood, on the log scale, and how full its room is. */
export interface Crowd {
  recruits: number
  mood: number
  losses: number
  /** animals that are counted */
  n: number
  /** how steeply crowding sets in, on the log scale */
  shape: number
  /** animals that it has room for */
  room: number
}

/**
 * The present of one colony.
 * @example crowded(rates, { recruits: 0, mood: 0, losses: 0, n: 150, room: 300, shape: 0 })
 */
export function crowded(r: StageRates, { recruits, mood, losses, n, room, shape }: Crowd): Present {
  const half = Math.exp(0.5 * mood)
  return {
    comeUp: Math.min(
      1,
      r.comeUp * half * Math.exp(recruits + crowdingSlope(r.holds, recruits) * (n / room) ** Math.exp(shape)),
    ),
    loss: Math.exp(losses) / (half * half),
    broods: half,
  }
}
