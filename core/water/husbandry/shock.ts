import type { ValueKey, VerdictState } from '#core/records'
import { mixedPh } from '../chemistry/mixedPh'
import { USUAL_C } from '../chemistry/settling'

/** Values by which poured water can shock animals. */
export const shockKeys = ['temperatureC', 'ghDh', 'khDh', 'conductivityUsCm', 'ph', 'salinityGKg'] as const
export type ShockKey = (typeof shockKeys)[number]

export interface ShockInput {
  /** litres poured in */
  litres: number
  /** as much was taken out before; else it fills up what evaporated */
  exchange: boolean
  /** water in the glass, > 0 */
  netL: number
  /** what stands in the glass and what is poured in, as far as it is known */
  glass: Partial<Record<ValueKey, number>>
  poured: Partial<Record<ValueKey, number>>
  /** the largest change that these animals take in a week, by value */
  largestStep: Partial<Record<ValueKey, number>>
}

/** What pouring does to one value. */
export interface ShockOfValue {
  key: ShockKey | 'volume'
  from: number
  to: number
  /** the step as a part of what the animals take at once */
  part: number
}

export interface Shock {
  state: VerdictState
  /** the largest part: 1 is all that they take at once */
  figure: number
  /** the values that are known on both sides, the worst first */
  values: ShockOfValue[]
}

/** Changing more than half at once takes away what they are used to, however alike the water (common practice). */
const MOST_SHARE = 0.5
/** From so much of what they take a change is to be poured slowly (from memory). */
const SLOWLY = 0.6

/**
 * How much of a shock pouring is: each value after mixing against before, as a part of the largest step that these
 * animals take. All values but pH mix by volume; pH follows from the alkalinity and the carbon that are mixed.
 * @returns null where nothing is known of what is poured; exchange of more than half counts even then
 */
export function shockOf({ litres, exchange, netL, glass, poured, largestStep }: ShockInput): Shock | null {
  const share = Math.min(1, litres / netL)
  const values: ShockOfValue[] = []
  for (const key of shockKeys) {
    const [from, into, step] = [glass[key], poured[key], largestStep[key]]
    if (from === undefined || into === undefined || !step) continue
    const to = key === 'ph' ? phAfter(share, glass, poured) : from + share * (into - from)
    values.push({ key, from, to, part: Math.abs(to - from) / step })
  }
  const known = values.length > 0
  if (exchange) values.push({ key: 'volume', from: 0, to: share, part: share / MOST_SHARE })
  values.sort((a, b) => b.part - a.part)
  const figure = values[0]?.part ?? 0
  if (!known && figure <= 1) return null
  return { state: figure > 1 ? 'off' : figure > SLOWLY ? 'drifting' : 'onTarget', figure, values }
}

/** Salt from which the constants of fresh water no longer hold, g/kg: the lower end of the sea's (from memory). */
const FRESH_UP_TO = 2

/**
 * The pH after pouring: by the carbonate equations where both waters are fresh and their KH is known, by volume where
 * they are not.
 */
function phAfter(share: number, glass: ShockInput['glass'], poured: ShockInput['poured']): number {
  const [from, into] = [glass.ph!, poured.ph!]
  const salty = Math.max(glass.salinityGKg ?? 0, poured.salinityGKg ?? 0) > FRESH_UP_TO
  const known = glass.khDh !== undefined && poured.khDh !== undefined
  if (!known || salty) return from + share * (into - from)
  const waters = [
    { ph: from, khDh: glass.khDh! },
    { ph: into, khDh: poured.khDh! },
  ] as const
  // the equations begin at freezing
  return mixedPh(...waters, share, Math.max(0, glass.temperatureC ?? USUAL_C))
}

/**
 * The largest change that stays within what the animals take.
 * @returns litres, all of the glass where nothing stands against it
 */
export function largestChange(input: Omit<ShockInput, 'litres'>): number {
  // every part grows with the share: halve until it fits
  let [fits, fails] = [0, input.netL]
  if ((shockOf({ ...input, litres: fails })?.figure ?? 0) <= 1) return fails
  for (let i = 0; i < 40; i++) {
    const litres = (fits + fails) / 2
    if ((shockOf({ ...input, litres })?.figure ?? 0) <= 1) fits = litres
    else fails = litres
  }
  return fits
}
