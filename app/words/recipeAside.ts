import type { StoneRemark } from '#core/care'
import type { Targets } from '#core/groups'
import { DAY_MS, type Water } from '#core/records'
import { khWithPh, settlingPh, USUAL_C, type WaterRecipe } from '#core/water'
import { formatNumber } from '#core/units'
import { num, percent } from './numbers'
import { preciseVolume, rangeText, type UnitPrefs, valueText } from './unitPrefs'
import { aheadText } from './when'

/** What is known of a change beside its recipe. */
export interface ChangeSize {
  /** litres that were asked for, and that the glass holds */
  askedL: number
  netL: number
  startMs: number
  nowMs: number
  units: UnitPrefs
}

/**
 * "Only 2.6 L (5 %) at once, not 5.2 L (10 %): more would be a jump. Then 5.2 L (10 %) in 7 days." Empty where all that
 * was asked for can be poured.
 */
export function smallerText({ steps, smaller }: WaterRecipe, { askedL, netL, startMs, nowMs, units }: ChangeSize) {
  const now = steps[0]!
  if (!smaller || now.changeL > askedL - 1e-6) return ''
  const amount = (litres: number) => num(`${preciseVolume(litres, units)} (${percent(litres / netL)})`)
  const larger = steps.find(s => s.changeL > now.changeL + 1e-6)
  const when = larger ? aheadText(startMs + larger.afterDays * DAY_MS, nowMs) : ''
  return (
    `Only ${amount(now.changeL)} at once, not ${amount(askedL)}: more would be a jump.` +
    (larger ? ` Then ${amount(larger.changeL)} ${when}.` : '')
  )
}

/**
 * "Stirred, with life in it, this water settles at about pH 7.7 (7.3 to 8.2)." Empty of sea water, and where no pH is
 * wanted.
 */
export function settlingText(water: Water, targets: Targets, temperatureC: number | null): string {
  if (water.seaSaltGL > SALTY || !targets.ph) return ''
  const { value, low, high } = settlingPh(water, temperatureC ?? USUAL_C)
  const ph = (v: number) => v.toFixed(1)
  return (
    `Stirred, with life in it, this water settles at about ${num(`pH ${ph(value)}`)} (${num(ph(low))} to ` +
    `${num(ph(high))}), by its KH and the CO₂ that glasses hold. Leaves, peat, active soil and injected CO₂ take it ` +
    'lower.'
  )
}

/** More sea salt than this, g/L, makes another water, with a pH of its own. */
const SALTY = 0.5

/** "KH at least 2.8, so that pH 7.5 to 8.0 can hold." Empty where a group's own KH is enough for its pH. */
export function khForPhText(targets: Targets, units: UnitPrefs): string {
  const kh = khWithPh(targets)
  if (!kh || !targets.ph || kh.preferred[0] <= (targets.khDh?.preferred[0] ?? 0)) return ''
  const least = valueText('khDh', kh.preferred[0], units)
  return `KH at least ${num(least)}, so that pH ${rangeText('ph', ...targets.ph.preferred, units)} can hold.`
}

/** "Carbonate stone: 60 g/L, where 12 to 24 are usual." */
export function stoneText({ key, have, low, high }: StoneRemark, who: string): string {
  const [now, from, to] = [have, low, high].map(g => formatNumber(g, g % 1 && g < 10 ? 1 : 0))
  switch (key) {
    case 'unwanted':
      return `Carbonate stone is in the glass (${now} g/L): it pushes KH and pH up for ever, and ${who} want none.`
    case 'tooMuch':
      return `Carbonate stone: ${now} g/L, where ${from} to ${to} are usual for ${who}. Is the weight right?`
    case 'tooLittle':
      return `Carbonate stone: ${now} g/L, where ${from} to ${to} are usual for ${who}: KH will not hold by itself.`
  }
}
