import { leastRelated, type PairingAnimal, type Pairings } from '#core/lines'
import { counted, percent } from './numbers'

type NameOf = (id: string) => string

/**
 * Who of the followed animals is related least: "Least related: Ash with Flint, young inbred by 0 %."
 * @param line inbreeding of the line in which they live, and the keeper's limit of it
 */
export function leastText(pairings: Pairings, line: { inbreeding: number; limit: number }, nameOf: NameOf): string {
  const [best] = leastRelated(pairings)
  if (!best) return ''
  const names = `${nameOf(best.dam)} with ${nameOf(best.sire)}`
  const pair = `Least related: ${names}, young inbred by ${percent(best.inbreeding)}.`
  if (line.inbreeding > line.limit)
    return `${pair} What the line shares comes on top, and is past your limit: bring in a mate.`
  return best.inbreeding > line.limit ? `${pair} That is past your limit: bring in a mate.` : pair
}

/** What the figures stand on: of whom the parents are not written down. */
export function basisText({ females, males }: Pairings, nameOf: NameOf): string {
  const byId = new Map([...females, ...males].map(a => [a.id, a]))
  const some = [...byId.values()].filter(a => a.known !== 'both')
  const all = 'Reckoned from the parents that you wrote down, back to the first.'
  if (some.length === 0) return `${all} What the line shares beside comes on top.`
  const who =
    some.length > 4 ? counted(some.length, 'animal', 'animals').toLowerCase() : some.map(a => nameOf(a.id)).join(', ')
  return (
    `${all} Of ${who} a parent is not written down, and taken to be related to nobody: ` +
    'what the line shares comes on top.'
  )
}

/** Inbreeding of one animal by its parents, with what it stands on. */
export const ownInbreeding = ({ inbreeding, known }: PairingAnimal): { value: string; below: string } => ({
  value: percent(inbreeding),
  below:
    known === 'both'
      ? 'by the parents that you wrote down; what its line shares comes on top'
      : 'one parent is not known: it may be more',
})
