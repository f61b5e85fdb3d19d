import type { Clash } from '#core/records'

/** Fields as keepers call them, where their name in the records is another. */
const fieldWord: Readonly<Record<string, string>> = {
  grossL: 'litres',
  fill: 'filling',
  place: 'place',
  stays: 'glass',
  minimumKeep: 'number that stays',
  ended: 'ending',
  life: 'own figures',
  targets: 'own ranges',
  analyses: 'analyses',
  content: 'content',
  stockG: 'stock',
}

/** "name", "own ranges": the field of a record in words. */
export function fieldName(field: string): string {
  const [first = field] = field.split('.')
  return fieldWord[first] ?? first.replace(/([A-Z])/g, c => ` ${c.toLowerCase()}`)
}

/** Says that a value of another tab gave way. */
export function clashText(clashes: readonly Clash[]): string {
  const fields = [...new Set(clashes.map(c => fieldName(c.field)))].join(', ')
  return `Another tab had changed the same (${fields}): yours stands, theirs is kept in the attic.`
}
