import type { SizesTold } from '#core/statements'
import { formatNumber } from '#core/units'
import { whole } from './numbers'
import { dayText, weeksText } from './when'

/** "12 measured on 3 Nov: 4 to 17 mm, about 2 to 16 weeks old; five are large enough to breed." */
export function sampleText(s: SizesTold['samples'][number], nowMs: number): string {
  const { youngest, oldest } = s.ageWeeks
  const ages =
    oldest === null
      ? `the smallest about ${weeksText(youngest)} old, the largest fully grown`
      : `about ${weeksText(youngest)} to ${weeksText(oldest)} old by the curve of their kind`
  const breeding = s.breeding === 0 ? 'none is' : s.breeding === s.n ? 'all are' : `${whole(s.breeding)} of them are`
  return (
    `${whole(s.n)} measured on ${dayText(s.at, nowMs)}: ${formatNumber(s.leastMm, 1)} to ` +
    `${formatNumber(s.mostMm, 1)} mm, ${ages}; ${breeding} large enough to breed.`
  )
}

/** What the newest look at shells says of the water now: only new growth and pits do. Empty where nobody looked. */
export function edgeText({ look }: SizesTold, nowMs: number): string {
  if (!look) return ''
  const on = dayText(look.at, nowMs)
  if (look.marks.includes('pits'))
    return `Pits were seen on ${on}: the water is soft or sour for shells. Test KH, pH and calcium.`
  if (look.growth === 'thin')
    return `New growth was thin on ${on}: calcium is short, or they outgrow what they can build. Test GH and calcium.`
  if (look.growth === 'none') return `No new growth was seen on ${on}: they rest, are grown, or lack food.`
  return `New growth was clean on ${on}. White patches further in are of the past.`
}
