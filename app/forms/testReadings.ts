import { possibleRange, type ValueKey, valueKeys } from '#core/records'
import { compensateConductivity } from '#core/units'
import { limitText, shownValue, storedValue, type UnitPrefs, valueName, valueUnit } from '~/words/unitPrefs'
import type { Draft, DraftIssues } from './logDraft'
import { numberIssue, typedNumber } from './readNumber'

/**
 * Reads the values of a water test.
 * @param issues gets a sentence for each value that is not right, under `readings.<value>`
 */
export function readReadings(
  draft: Pick<Draft, 'readings' | 'rawConductivity'>,
  units: UnitPrefs,
  issues: DraftIssues,
): Record<string, { value: number; method: string }> {
  const readings: Record<string, { value: number; method: string }> = {}
  for (const key of valueKeys) {
    const typed = draft.readings[key]
    if (!typed || typed.text.trim() === '') continue
    const read = readValue(key, typed.text, units)
    if (read.ok) readings[key] = { value: read.value, method: typed.method }
    else issues[`readings.${key}`] = read.issue
  }
  const { conductivityUsCm, temperatureC } = readings
  if (draft.rawConductivity && conductivityUsCm) {
    if (!temperatureC || temperatureC.value < 0 || temperatureC.value > 40)
      issues['readings.temperatureC'] =
        'Type the temperature too: without it the conductivity cannot be brought to 25 °C.'
    else
      conductivityUsCm.value = Math.round(compensateConductivity(conductivityUsCm.value, temperatureC.value) * 10) / 10
  }
  if (Object.keys(readings).length === 0 && !Object.keys(issues).some(k => k.startsWith('readings.')))
    issues.readings = 'Type at least one value.'
  return readings
}

/** Reads one value as typed in the keeper's unit; a slip ("pH 71") gives a question. */
export function readValue(
  key: ValueKey,
  text: string,
  units: UnitPrefs,
): { ok: true; value: number } | { ok: false; issue: string } {
  const unit = valueUnit(key, units)
  const [least, most] = possibleRange[key].map(v => shownValue(key, v, units))
  const shown = typedNumber(text, { low: least!, high: most! })
  if (!shown.ok) return { ok: false, issue: numberIssue(text, shown) }
  // rounding away what the conversion adds keeps 75 °F from being stored as 23.888888888888886
  const value = Number(storedValue(key, shown.value, units).toPrecision(12))
  const [low, high] = possibleRange[key]
  if (value < low || value > high)
    return {
      ok: false,
      issue:
        `${valueName(key)} ${text.trim()}? It lies between ${limitText(key, low, units)} and ` +
        `${limitText(key, high, units)}${unit && ` ${unit}`}.`,
    }
  return { ok: true, value }
}
