import type { ColonyForm } from '#core/records'
import {
  countMethodHint,
  countMethodWord,
  deathSignWord,
  kindWord,
  originWord,
  outletWord,
  plainCountMethods,
} from '~/words/states'
import type { FieldKind } from './kindFields'
import type { LogKind } from './logDraft'

const groupsOfKinds: readonly [string, readonly FieldKind[]][] = [
  ['Bodies', ['molts', 'failedMolt', 'limbLoss', 'shell']],
  ['Breeding', ['berried', 'eggMass', 'clutch', 'young', 'mating', 'dull', 'larvae']],
  ['Care', ['feeding', 'supplement', 'equipment', 'growth', 'pest']],
  ['Water', ['waterChange', 'topUp']],
  ['Numbers', ['move']],
]
/** The choice that leads to the page where animals are graded. */
export const GRADING = 'grading'
/** What is logged less often, sorted by what it is about; larvae are looked at in a rearing alone. */
export const otherChoices = (form: ColonyForm | undefined) => [
  { value: '', title: 'Anything else …' },
  ...groupsOfKinds.flatMap(([group, list]) =>
    list
      .filter(kind => kind !== 'larvae' || form === 'rearing')
      .map(value => ({ value: value as string, title: kindWord[value], group })),
  ),
  // has a page of its own: sixty animals are graded by keys
  { value: GRADING, title: kindWord.grading, group: 'Numbers' },
]
const options = <T extends string>(words: Record<T, string>, hints?: Record<T, string>) =>
  (Object.keys(words) as T[]).map(value => ({ value, title: words[value], ...(hints && { hint: hints[value] }) }))
const countMethods = plainCountMethods.map(value => ({
  value,
  title: countMethodWord[value],
  hint: countMethodHint[value],
}))
/** What a number is asked beside itself: how it was counted, where from, where to. */
export const numberChoices: Partial<
  Record<LogKind, { label: string; options: { value: string; title: string; hint?: string }[] }>
> = {
  count: { label: 'How was it counted?', options: countMethods },
  addition: { label: 'Where from?', options: options(originWord) },
  // to another colony of the room it is a move, which both numbers follow from
  removal: { label: 'Where to?', options: options(outletWord).filter(o => o.value !== 'moved') },
  death: { label: 'What was seen?', options: options(deathSignWord) },
}
