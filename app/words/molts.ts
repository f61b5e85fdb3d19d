import type { MoltWatch } from '#core/molts'
import { USUAL_LEVEL } from '#core/molts'
import type { MoltCause } from '#core/statements'
import { whole } from './numbers'
import { weeksText } from './when'

/** What molts fail of, as keepers say it. */
export const causeName: Readonly<Record<MoltCause['name'], string>> = {
  level: 'Hardness: GH and KH',
  steadiness: 'Leaps of the water',
  ratio: 'Calcium to magnesium',
  temperature: 'Warmth',
  diet: 'Food with minerals',
}
export const causeSays: Readonly<Record<MoltCause['speaks'], string>> = {
  for: 'speaks for it',
  against: 'speaks against it',
  nothing: 'not known',
}

/** Shares of failed molts that a keeper may accept. */
export const levelOptions = [0.01, USUAL_LEVEL, 0.04].map(level => ({
  value: String(level),
  title: level === USUAL_LEVEL ? 'one in fifty (usual)' : `one in ${whole(1 / level)}`,
}))

/** How the alarm is set, in words. */
export function moltAlarmText({ alarm, trouble, tooFew }: MoltWatch): string {
  if (tooFew) return 'Three weeks hold fewer than ten molts of grown animals here: no alarm is set on them.'
  const set =
    `Failed molts that are found add up, and each molt takes a little off. At the limit it calls you; with failures ` +
    `as you accept them that would happen by chance once in about ${whole(alarm.molts)} molts, ` +
    `${weeksText(alarm.weeks)} here.`
  return trouble ? `${set} It ends when the sum has halved, or after four weeks without another failure.` : set
}
