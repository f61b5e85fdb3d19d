import { type EntryDoubt, type EntryDoubtKey, neverKept } from '#core/care'
import { formatNumber } from '#core/units'
import { whole } from './numbers'

const questions: Readonly<Record<EntryDoubtKey, (n: number, most: number) => string>> = {
  tooManyDead: (n, most) => `${whole(n)} dead? At most about ${whole(most)} live here.`,
  tooManyTaken: (n, most) => `${whole(n)} taken out? At most about ${whole(most)} live here.`,
  tooManyBerried: (n, most) => `${whole(n)} berried? There are at most about ${whole(most)} grown females.`,
  otherSpecies: () => 'Those are other animals: they would be counted as what they are not.',
  otherLine: () => 'That is another line of the same kind: they cross, and the young fall back to dull.',
  crabKinds: () => 'Those are crabs of another kind: they fight to the death. Kinds of crabs are never put together.',
  poisoned: () => 'Ammonia or nitrite stands in that water: new animals would come into poison.',
  shrinks: (n, most) =>
    `${formatNumber(n, 1)} mm? It measured ${formatNumber(most, 1)} mm before, and shells do not shrink: another one?`,
  maleBerried: () => 'A male with eggs? Is it another one, or was its sex taken wrongly?',
  beforeLaid: () => 'That lies before the day on which the clutch was laid.',
  intoTheSea: () =>
    'Larvae live there in sea water: grown animals die in it within minutes. Only young that hatched there go in.',
  saltBack: (n, most) =>
    `${formatNumber(n, 1)} g/kg? Their water held ${formatNumber(most, 1)}: larvae must not go back until they settle.`,
  uncured: () => 'That glass is not cured yet: its plan waits for a clean test of ammonia and nitrite.',
}
/** An odd entry as a question, with what keeps it as it is. */
export const doubtText = ({ key, values: { n, most } }: EntryDoubt): string =>
  neverKept.includes(key) ? questions[key](n, most) : `${questions[key](n, most)} Do it once more to keep it so.`
