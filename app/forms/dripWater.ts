import { type AcclimationKey, acclimationKeys, type AcclimationValues, largestPerHour } from '#core/water'
import { numberIn } from '~/forms/readNumber'
import { shownValue, storedValue, type UnitPrefs } from '~/words/unitPrefs'

/** What was typed of each value, in the keeper's units. */
export type TypedValues = Partial<Record<AcclimationKey, string>>

/** How much of a shown unit one stored unit is; temperatures differ by a scale, whatever their zero. */
const scaleOf = (key: AcclimationKey, units: UnitPrefs) => shownValue(key, 1, units) - shownValue(key, 0, units)

/** What stands in the field of a value that was read, in the keeper's unit; nothing where it was not. */
export const fieldText = (key: AcclimationKey, value: number | undefined, units: UnitPrefs) =>
  value === undefined ? '' : String(Number(shownValue(key, value, units).toFixed(2)))

/** The values that were typed, in stored units; what is empty or no number is left out. */
export const typedWater = (text: TypedValues, keys: readonly AcclimationKey[], units: UnitPrefs): AcclimationValues =>
  Object.fromEntries(
    keys.flatMap(key => {
      const n = numberIn(text[key] ?? '')
      return n === null ? [] : [[key, storedValue(key, n, units)]]
    }),
  )

/** What stands in the field of a largest rate: the keeper's own, or the default in shown units. */
export const rateText = (key: AcclimationKey, own: TypedValues, units: UnitPrefs) =>
  own[key] ?? String(Number((largestPerHour[key] * scaleOf(key, units)).toFixed(2)))

/** The largest rate of each value an hour, in stored units: the keeper's own, or the default. */
export const largestRates = (own: TypedValues, units: UnitPrefs): Record<AcclimationKey, number> =>
  Object.fromEntries(
    acclimationKeys.map(key => {
      const typed = numberIn(own[key] ?? '', { low: 1e-6 })
      return [key, typed === null ? largestPerHour[key] : typed / scaleOf(key, units)]
    }),
  ) as Record<AcclimationKey, number>
