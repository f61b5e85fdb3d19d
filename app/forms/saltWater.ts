import { type GravityReference, salinityFromConductivity, salinityFromGravity, salinitySchedule } from '#core/water'
import { type NumberRead, readNumber } from '~/forms/readNumber'

/** What an instrument shows: salinity itself in g/kg, specific gravity, or conductivity in mS/cm. */
export type SaltMeasure = 'salinity' | 'gravity' | 'conductivity'

/** What the seas and the instruments know, in the unit of the field. */
const instrumentRange: Record<SaltMeasure, { low: number; high: number; unit?: string }> = {
  salinity: { low: 0, high: 42, unit: 'g/kg' },
  gravity: { low: 0.99, high: 1.05 },
  conductivity: { low: 0, high: 75, unit: 'mS/cm' },
}

/** Reads what an instrument of this kind shows. */
export const readSaltMeasure = (text: string, measure: SaltMeasure): NumberRead =>
  readNumber(text, instrumentRange[measure])

/**
 * Salinity in g/kg of what an instrument shows at a temperature; null where no water from 0 to 42 g/kg shows that.
 * @example salinityShown('gravity', 1.0234, 25, 'same') // about 31
 */
export function salinityShown(
  measure: SaltMeasure,
  value: number,
  temperatureC: number,
  reference: GravityReference,
): number | null {
  const salinity = {
    salinity: () => value,
    gravity: () => salinityFromGravity(value, temperatureC, reference),
    conductivity: () => salinityFromConductivity(value, temperatureC),
  }[measure]()
  return salinity !== null && salinity <= 42 ? salinity : null
}

/** Going over from one salinity to another, as typed: g/kg, hours, and a number of steps. */
export interface GoingOverText {
  from: string
  to: string
  hours: string
  steps: string
  /** g/kg of the water that is poured in */
  strength: string
}
export type GoingOver = { ok: true; steps: ReturnType<typeof salinitySchedule> } | { ok: false; issue: string }

/** The steps of going over in a vessel of so many litres, or one sentence on what cannot be. */
export function readGoingOver(text: GoingOverText, vessel: NumberRead): GoingOver {
  const from = readNumber(text.from, { low: 0, high: 42 })
  const to = readNumber(text.to, { low: 0, high: 42 })
  const hours = readNumber(text.hours, { low: 0, high: 240 })
  const steps = readNumber(text.steps, { low: 1, high: 24 })
  const strength = readNumber(text.strength, { low: 0, high: 42 })
  const complete = from.ok && to.ok && hours.ok && steps.ok && strength.ok && vessel.ok
  if (!complete || from.value === to.value)
    return { ok: false, issue: 'Type all six numbers: salinities from 0 to 42 g/kg, up to 240 hours, 1 to 24 steps.' }
  const up = to.value > from.value
  if (up ? strength.value < to.value : strength.value > to.value)
    return {
      ok: false,
      issue:
        `Water of ${text.strength} g/kg cannot bring it to ${text.to} g/kg: pour in ` +
        `${up ? 'stronger' : 'weaker'} water.`,
    }
  return {
    ok: true,
    steps: salinitySchedule({
      fromGKg: from.value,
      toGKg: to.value,
      strengthGKg: strength.value,
      volumeL: vessel.value,
      hours: hours.value,
      steps: Math.round(steps.value),
    }),
  }
}
