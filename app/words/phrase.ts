import type { ValueKey } from '#core/records'
import { num } from './numbers'
import { limitText, rangeText, type UnitPrefs, valueNameInside, valueNumber, valueText } from './unitPrefs'

/** What the words need beside the message: units, today, and what the animals are called. */
export interface Saying {
  units: UnitPrefs
  nowMs: number
  /** one animal, several animals */
  animal: readonly [string, string]
}

/** The numbers and ids of a message. */
export type Values = Readonly<Record<string, number | string>>
/** A sentence from them. */
export type Phrase = (v: Values, s: Saying) => string

export const n = (v: Values, key: string): number => Number(v[key])
export const key = (v: Values): ValueKey => v.key as ValueKey
/** A value's name inside a sentence, and at its beginning. */
export const name = (v: Values) => valueNameInside(key(v))
export const Name = (v: Values) => name(v).replace(/^\p{Ll}(?!\p{Lu})/u, c => c.toUpperCase())
/** A value with its unit; its preferred range; one end of it; the bare number. */
export const value = (v: Values, s: Saying, of = 'value') => num(valueText(key(v), n(v, of), s.units))
export const preferred = (v: Values, s: Saying) => rangeText(key(v), n(v, 'low'), n(v, 'high'), s.units)
export const below = (v: Values, s: Saying) => num(limitText(key(v), n(v, 'low'), s.units))
export const above = (v: Values, s: Saying) => num(limitText(key(v), n(v, 'high'), s.units))
export const bare = (v: Values, s: Saying, of: string) => num(valueNumber(key(v), n(v, of), s.units))
