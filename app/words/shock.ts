import { formatNumber } from '#core/units'
import type { Shock, ShockOfValue } from '#core/water'
import { num, percent } from './numbers'
import { type UnitPrefs, valueName, valueNameInside, valueNumber, valueText, volumeText } from './unitPrefs'

/** "GH 7 → 9 °dH", "20 % of the water". */
export function shockOfValueText({ key, from, to }: ShockOfValue, units: UnitPrefs): string {
  if (key === 'volume') return `${num(percent(to))} of the water`
  return `${valueName(key)} ${num(`${valueNumber(key, from, units)} → ${valueText(key, to, units)}`)}`
}

/**
 * The verdict on a change, in one or two sentences.
 * @param atMost litres that would do, where these are too many
 */
export function shockText({ state, figure, values }: Shock, atMost: number | null, units: UnitPrefs): string {
  const worst = values[0]!
  const of = worst.key === 'volume' ? 'the volume' : valueNameInside(worst.key)
  const much = figure > 1 ? `${num(`${formatNumber(figure, 1)} times`)} what` : `${num(percent(figure))} of what`
  const known = `${much} they take at once, by ${of}`
  if (state === 'onTarget') return `Shock ${known}: an ordinary change.`
  if (state === 'drifting') return `Shock ${known}: pour it slowly, over half an hour or more.`
  const most =
    atMost === null || atMost < 0.05
      ? 'Bring the water nearer to theirs first.'
      : `At most ${num(volumeText(atMost, units))} of this water at once; the rest another week.`
  return `Shock ${known}: too much. ${most}`
}
