import type { ResolvedGroup } from '#core/groups'
import { type Colony, DAY_MS, type Entry, type Heads, momentMs } from '#core/records'

/** Males and females as they were last told apart. */
export interface Sexes {
  females: number
  males: number
  /** females that go with each male, as the group wants it */
  wanted: number
  tooManyMales: boolean
}

/** Sexes that were told apart longer ago say nothing of today (from memory). */
const KNOWN_DAYS = 183
/** Fewer than this are no ratio. */
const LEAST = 3

/**
 * The sexes of a colony whose group wants a ratio of them, which is common practice for few groups only (land crabs:
 * one male to two females, for males fight). From the newest count that told them apart, else from the founders, with
 * what was told of animals that came and went since.
 * @param entries standing entries of the colony, by time
 * @returns null where the group wants none, or where the sexes are not known
 */
export function sexesOf(
  { group }: Pick<ResolvedGroup, 'group'>,
  colony: Pick<Colony, 'founders' | 'startedAt'>,
  entries: readonly Entry[],
  nowMs: number,
): Sexes | null {
  const { value: wanted, basis } = group.setup.femalesPerMale
  if (wanted <= 1 || basis.kind !== 'commonPractice') return null
  let known = { ...sexed(colony.founders), atMs: momentMs(colony.startedAt) }
  for (const e of entries) {
    if (!('parts' in e) || !e.parts) continue
    const { females, males } = sexed(e.parts)
    if (e.kind === 'count' && females + males > 0) known = { females, males, atMs: momentMs(e.at) }
    else if (e.kind !== 'count') {
      const by = e.kind === 'addition' ? 1 : -1
      known.females = Math.max(0, known.females + by * females)
      known.males = Math.max(0, known.males + by * males)
    }
  }
  const { females, males, atMs } = known
  if (females + males < LEAST || nowMs - atMs > KNOWN_DAYS * DAY_MS) return null
  return { females, males, wanted, tooManyMales: males > Math.max(1, Math.ceil(females / wanted)) }
}

const sexed = ({ females, males }: Heads) => ({ females, males })
