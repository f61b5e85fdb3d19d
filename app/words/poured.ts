import { lastsWeeks, type Poured } from '#core/water'
import { formatNumber } from '#core/units'
import { gramsText, whole } from './numbers'
import { type UnitPrefs, volumeText } from './unitPrefs'

/** Weeks beyond which a box lasts "for years". */
const YEARS = 104

/** A line of what the room used: a water with its share of the most used one, or a box with how long it lasts. */
export interface PouredLine {
  name: string
  amount: string
  aWeek: string
}

/** Waters by litres, the most first; what nobody named stands last. */
export function waterLines(
  { waters, unnamedL }: Poured,
  weeks: number,
  units: UnitPrefs,
): (PouredLine & { share: number })[] {
  const rows = unnamedL > 0 ? [...waters, { name: 'without saying which', litres: unnamedL }] : waters
  const most = Math.max(...rows.map(w => w.litres))
  return rows.map(({ name, litres }) => ({
    name,
    amount: volumeText(litres, units),
    aWeek: `${volumeText(litres / weeks, units)} a week`,
    share: litres / most,
  }))
}

/**
 * Boxes by grams, each with how long it lasts at this pace.
 * @param leftG by box; none where the stock was never written down
 */
export function boxLines(
  { boxes }: Poured,
  weeks: number,
  leftG: ReadonlyMap<string, number>,
): (PouredLine & { lasts: string })[] {
  return boxes.map(({ itemId, name, grams }) => {
    const left = leftG.get(itemId ?? '')
    const lasts = left === undefined ? null : lastsWeeks(left, grams, weeks)
    return {
      name,
      amount: `${gramsText(grams)} g`,
      aWeek: `${formatNumber(grams / weeks, 1)} g a week`,
      lasts: lasts === null ? '' : lasts > YEARS ? 'lasts for years' : `lasts about ${whole(lasts)} weeks more`,
    }
  })
}
