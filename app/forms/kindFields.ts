import { type EntryKind, entryKinds, equipmentParts } from '#core/records'
import { broodWords, careWords, equipmentWord, foodWord, pestWord } from '~/words/kinds'

/** A field of the log sheet for kinds that need no more than fields. */
export type KindField = {
  name: string
  label: string
  hint?: string
  /** of another field the choice with which this one is asked for */
  onlyWith?: { field: string; is: readonly string[] }
} & (
  | { type: 'whole'; least: 0 | 1; optional?: boolean }
  | { type: 'decimal'; unit: string; optional?: boolean }
  | { type: 'litres'; optional?: boolean }
  | {
      type: 'choice'
      options: readonly { value: string; title: string }[]
      optional?: boolean
      /** what is chosen until the keeper chooses */ preset?: string
    }
  | { type: 'flags'; options: readonly { value: string; title: string }[] }
  | {
      type: 'found'
      options: readonly { value: string; title: string }[]
      states: readonly { value: string; title: string }[]
    }
  | { type: 'text'; optional?: boolean }
  | { type: 'sizes'; optional?: boolean }
  | { type: 'zones'; size: string }
  | { type: 'tally'; options: readonly { value: string; title: string; hint?: string }[] }
  | { type: 'scale'; steps: readonly string[] }
  | { type: 'toColony' }
  | { type: 'clutch' }
  | { type: 'source' }
)

/** Kinds that the log sheet writes by their fields alone, in the order of the sheet. */
export const fieldKinds = [
  'move',
  'waterChange',
  'topUp',
  'molts',
  'failedMolt',
  'limbLoss',
  'shell',
  'berried',
  'eggMass',
  'clutch',
  'young',
  'larvae',
  'mating',
  'dull',
  'feeding',
  'supplement',
  'equipment',
  'growth',
  'pest',
] as const satisfies readonly EntryKind[]
export type FieldKind = (typeof fieldKinds)[number]
export const isFieldKind = (kind: string): kind is FieldKind => (fieldKinds as readonly string[]).includes(kind)

/** Kinds that are logged with fields of their own in the sheet, or elsewhere, or not by hand at all. */
type OtherKind = Exclude<EntryKind, FieldKind>
export const otherKinds: Readonly<Record<OtherKind, 'ownFields' | 'elsewhere'>> = {
  count: 'ownFields',
  waterTest: 'ownFields',
  addition: 'ownFields',
  removal: 'ownFields',
  death: 'ownFields',
  note: 'ownFields',
  photo: 'ownFields',
  treatment: 'elsewhere',
  grading: 'elsewhere',
  visit: 'elsewhere',
  dueMark: 'elsewhere',
  withdrawal: 'elsewhere',
}

/** Kinds that can be about animals that are followed. */
export const animalKinds: ReadonlySet<string> = new Set<EntryKind>([
  ...(['addition', 'removal', 'death', 'move', 'grading', 'note', 'photo'] as const),
  ...(['molts', 'failedMolt', 'limbLoss', 'shell', 'berried', 'mating'] as const),
])

/** Whether a field is asked for, given what stands in the others. */
export function isAsked(
  { onlyWith }: KindField,
  fields: readonly KindField[],
  values: Record<string, string>,
): boolean {
  if (!onlyWith) return true
  const other = fields.find(f => f.name === onlyWith.field)
  return onlyWith.is.includes(values[onlyWith.field] || (other && 'preset' in other && other.preset) || '')
}

/** Kinds whose subject is the glass. */
export const glassKinds: ReadonlySet<string> = new Set(
  Object.entries(entryKinds).flatMap(([kind, { of }]) => (of === 'glass' ? [kind] : [])),
)

const options = <T extends string>(words: Readonly<Record<T, string>>) =>
  (Object.keys(words) as T[]).map(value => ({ value, title: words[value] }))
const seen = (label = 'How many?'): KindField => ({ name: 'number', label, type: 'whole', least: 0 })
const some = (label = 'How many?'): KindField => ({ name: 'number', label, type: 'whole', least: 1 })

export const kindFields: Readonly<Record<FieldKind, readonly KindField[]>> = {
  move: [some('How many moved?'), { name: 'toColonyId', label: 'Into which colony', type: 'toColony' }],
  waterChange: [
    { name: 'litres', label: 'How much was changed', type: 'litres' },
    { name: 'source', label: 'With which water', type: 'source' },
  ],
  topUp: [
    { name: 'litres', label: 'How much was added', type: 'litres' },
    { name: 'source', label: 'With which water', type: 'source' },
  ],
  molts: [seen('Shed skins seen')],
  failedMolt: [
    some('Animals in molt trouble, alive'),
    { name: 'sign', label: 'What was seen?', type: 'choice', options: options(careWords.failedMolt) },
  ],
  limbLoss: [
    some('Animals'),
    { name: 'limbs', label: 'How many limbs?', type: 'choice', options: options(careWords.limbs), preset: 'one' },
    { name: 'back', label: 'Lost, or grown again', type: 'flags', options: [{ value: 'back', title: 'whole again' }] },
  ],
  shell: [
    { name: 'growth', label: 'New growth', type: 'choice', options: options(careWords.shellGrowth), optional: true },
    { name: 'marks', label: 'Marks', type: 'flags', options: options(careWords.shellMarks) },
    { name: 'diameterMm', label: 'Size of one', type: 'decimal', unit: 'mm', optional: true },
    { name: 'sizesMm', label: 'Or sizes of a sample', hint: 'Like: 4.5, 8, 11.5', type: 'sizes', optional: true },
    { name: 'zones', label: 'Read its whorl', type: 'zones', size: 'diameterMm' },
  ],
  berried: [
    seen('Berried females'),
    { name: 'saddle', label: 'With a saddle', type: 'whole', least: 0, optional: true },
    { name: 'eyed', label: 'Of the berried ones, with eyed eggs', type: 'whole', least: 0, optional: true },
  ],
  eggMass: [seen('Egg masses seen')],
  clutch: [
    {
      name: 'event',
      label: 'What happened to it?',
      type: 'choice',
      options: options(broodWords.clutch),
      preset: 'laid',
    },
    {
      name: 'clutchId',
      label: 'Which clutch',
      type: 'clutch',
      onlyWith: { field: 'event', is: ['moved', 'checked', 'hatched', 'lost'] },
    },
    { name: 'place', label: 'Where it is', type: 'choice', options: options(broodWords.place), optional: true },
    {
      name: 'aboveCm',
      label: 'How far above the water it lies',
      type: 'decimal',
      unit: 'cm',
      optional: true,
      onlyWith: { field: 'event', is: ['laid'] },
    },
    {
      name: 'lostTo',
      label: 'Why it was lost',
      type: 'choice',
      options: options(broodWords.lostTo),
      optional: true,
      onlyWith: { field: 'event', is: ['lost'] },
    },
    {
      name: 'young',
      label: 'Young that came out',
      type: 'whole',
      least: 0,
      optional: true,
      onlyWith: { field: 'event', is: ['hatched'] },
    },
  ],
  young: [
    { name: 'amount', label: 'How many young?', type: 'choice', options: options(broodWords.young), preset: 'few' },
    { name: 'number', label: 'Number, when counted', type: 'whole', least: 1, optional: true },
  ],
  larvae: [
    {
      name: 'sample',
      label: 'A sample, by stage: thirds of the way, then settled',
      type: 'tally',
      options: options(broodWords.larvae),
    },
    {
      name: 'sampleL',
      label: 'How much water was looked through',
      hint: 'Then the number in the whole tub follows too.',
      type: 'litres',
      optional: true,
    },
    { name: 'green', label: 'How green the water is, against white paper', type: 'scale', steps: broodWords.green },
  ],
  mating: [some('Pairs seen')],
  dull: [{ name: 'number', label: 'Dull ones seen, still in the glass', type: 'whole', least: 0 }],
  feeding: [
    { name: 'food', label: 'What was fed', type: 'choice', options: options(foodWord), optional: true },
    {
      name: 'portions',
      label: 'Portions',
      hint: '3 mm pellets, pinches of powder, slices of greens.',
      type: 'decimal',
      unit: '',
      optional: true,
    },
    { name: 'eaten', label: 'What became of it', type: 'choice', options: options(careWords.eaten), optional: true },
    { name: 'removed', label: 'Leftovers', type: 'flags', options: [{ value: 'removed', title: 'taken out' }] },
  ],
  supplement: [
    {
      name: 'what',
      label: 'What was laid in',
      type: 'choice',
      options: options(careWords.supplement),
      preset: 'leaves',
    },
    { name: 'number', label: 'How many', type: 'whole', least: 1, optional: true },
  ],
  equipment: [
    {
      name: 'found',
      label: 'How it was found',
      type: 'found',
      options: equipmentParts.map(value => ({ value, title: equipmentWord[value] })),
      states: options(careWords.found),
    },
  ],
  growth: [
    { name: 'biofilm', label: 'Biofilm', type: 'choice', options: options(careWords.amount), optional: true },
    { name: 'algae', label: 'Algae', type: 'choice', options: options(careWords.amount), optional: true },
  ],
  pest: [
    { name: 'what', label: 'What was seen', type: 'choice', options: options(pestWord) },
    { name: 'amount', label: 'How many', type: 'choice', options: options(careWords.pestAmount), preset: 'few' },
  ],
}
