import { MAX_LITRES, MIN_LITRES } from '#core/records'
import { volume } from '#core/units'
import { type UnitPrefs, volumeText } from '~/words/unitPrefs'
import { type NumberRead, typedQuantity, whichText } from './readNumber'

/**
 * Reads litres in the keeper's unit.
 * @param ask what to say where the field is empty
 * @param high most that is possible here
 */
export function readVolume(text: string, units: UnitPrefs, ask = 'How much?', high = MAX_LITRES): NumberRead {
  const read = typedQuantity(text, volume, units.volume, { low: MIN_LITRES, high })
  if (!read.ok) {
    if (read.issue === 'empty') return { ok: false, issue: ask, empty: true }
    if (read.issue === 'twoReadings') return { ok: false, issue: whichText(text, read.readings), empty: false }
    return { ok: false, issue: `“${text.trim().slice(0, 20)}” is no volume.`, empty: false }
  }
  if (read.value >= MIN_LITRES && read.value <= high) return { ok: true, value: Number(read.value.toFixed(3)) }
  const limits = `${volumeText(MIN_LITRES, units)} and ${volumeText(high, units)}`
  return { ok: false, issue: `It must lie between ${limits}.`, empty: false }
}
