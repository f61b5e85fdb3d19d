import { type AnimalMeasured, ENOUGH_PHOTOS, FEW_PHOTOS, type LightWarning, type RungSuggested } from '#core/meter'
import { num, percent, whole } from './numbers'

/** What is wrong with the light, and what to do. */
export const lightText: Readonly<Record<LightWarning, string>> = {
  tooBright: 'The card is burnt out: less light, or turn the exposure down.',
  tooDark: 'The card is very dark: more light, or the depth is read too high.',
  cast: 'The light is strongly coloured: the card corrects it, but daylight is better.',
  uneven: 'One side is much darker: lay the card right beside the animal.',
  tooSmall: 'The animal is small in the picture: go nearer.',
}

export const lostText = {
  noCard: 'No card is found there: tap on its middle.',
  noAnimal: 'Nothing stands out from the ground there: tap on the animal itself, or take a plainer, darker ground.',
} as const

/** "62 % covered, depth 71" */
export const measuredText = ({ cover, pigment, depth }: AnimalMeasured): string =>
  pigment ? `${num(percent(cover))} covered, depth ${num(whole(depth))}` : 'Hardly any colour'

/** What the photos so far say of a rung. */
export function suggestedText(
  { known, photos, rung, chances }: RungSuggested,
  words: readonly string[],
  practice: boolean,
): string {
  const of = practice ? `${whole(photos)} practice pictures` : `${whole(photos)} of your graded photos`
  if (known === 'tooFew')
    return `Too little is known: ${of}, and it needs ${FEW_PHOTOS}. Grade it yourself; that teaches it.`
  const likely = `${rung + 1} ${words[rung] ?? ''}`
  const more = photos < ENOUGH_PHOTOS ? ` It gets better up to about ${ENOUGH_PHOTOS}.` : ''
  return known === 'sure'
    ? `Likely ${num(likely)}, ${num(percent(chances[rung]!))} by ${of}.${more}`
    : `No rung stands out; ${likely} comes nearest, by ${of}.${more}`
}
