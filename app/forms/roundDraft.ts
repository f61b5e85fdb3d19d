import type { DueItem } from '#core/care'
import type { RoundCounter } from '#core/groups'
import type { Colony, Eaten, ValueKey } from '#core/records'
import type { ValueVerdict } from '#core/water'
import type { UnitPrefs } from '~/words/unitPrefs'
import type { Stamp } from './readDraft'
import { wholeNumber } from './wholeNumber'

/** What was touched and typed at one glass of the round, as it stands on screen. */
export interface GlassDraft {
  /** by colony and counter: digits, or "few" and "many" for young; empty is not looked */
  counters: Record<string, string>
  /** sign of death, by colony */
  signs: Record<string, string>
  readings: Partial<Record<ValueKey, string>>
  eaten: Eaten | ''
  /** growth that was seen in a glass that is being cured */
  grown: ('biofilm' | 'algae')[]
  /** keys of due items that were done with a touch */
  done: string[]
  note: string
}

export const emptyGlassDraft = (): GlassDraft => ({
  counters: {},
  signs: {},
  readings: {},
  eaten: '',
  grown: [],
  done: [],
  note: '',
})
export const counterKey = (colonyId: string, counter: RoundCounter): string => `${colonyId}:${counter}`
export const isEmptyDraft = (d: GlassDraft): boolean => JSON.stringify(d) === JSON.stringify(emptyGlassDraft())

/** What the reading of a glass follows from beside the draft. */
export interface GlassContext {
  glassId: string
  colonies: readonly Colony[]
  roundId: string
  /** due items that can be done with a touch, by key */
  items: ReadonlyMap<string, DueItem>
  verdicts: ReadonlyMap<ValueKey, ValueVerdict>
  /** usual method of each value */
  method: (key: ValueKey) => string
  /** upper end of the likely range, by colony */
  high: (colonyId: string) => number | null
  units: UnitPrefs
  nowMs: number
  stamp: () => Stamp
  /** questions that were answered with Enter a second time, by their key */
  asked: ReadonlySet<string>
}

export interface RoundQuestion {
  key: string
  text: string
}

/** Adds one to a counter: young go from a few to many before they are counted. */
export function counterUp(counter: RoundCounter, text: string): string {
  if (counter === 'young' && text === '') return 'few'
  if (counter === 'young' && text === 'few') return 'many'
  const n = wholeNumber(text || '0', 0)
  return n.ok ? String(n.value + 1) : text === 'many' ? 'many' : '1'
}

/** Takes one from a counter; under none it is not looked. */
export function counterDown(text: string): string {
  const n = wholeNumber(text, 0)
  return n.ok && n.value > 0 ? String(n.value - 1) : text === 'many' ? 'few' : ''
}
