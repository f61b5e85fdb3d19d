import { type Entry, type EntryOf, type Id, momentMs } from '#core/records'
import type { BatchSeen } from './belief'

/** Days after which a sample is old: a third of the way takes about ten (from memory). */
export const SAMPLE_DAYS = 4

/** How roughly a number of a tub is known, on the log scale (from memory): all were looked for, or some were. */
const COUNTED_SD = 0.25
const GUESSED_SD = 0.5
/** What "a few" and "many" mean of young in a tub (from memory). */
const WORDS = { few: { number: 6, sdLog: 0.9 }, many: { number: 80, sdLog: 0.9 } }

/** Whether an entry takes animals of a colony out, and how many. */
export const takenOut = (e: Entry, colonyId: Id): number =>
  e.kind === 'removal' || (e.kind === 'move' && e.colonyId === colonyId) ? e.number : 0

/** Animals that were put in after it was begun. */
export const putIn = (entries: readonly Entry[], colonyId: Id): number =>
  entries.reduce(
    (sum, e) => sum + (e.kind === 'addition' || (e.kind === 'move' && e.toColonyId === colonyId) ? e.number : 0),
    0,
  )

/**
 * What entries say of a hatch.
 * @param entries standing ones of the colony
 * @param netL litres that it lives in: a sample is a share of them
 */
export function seenOf(entries: readonly Entry[], colonyId: Id, netL: number): BatchSeen[] {
  return entries.flatMap((e): BatchSeen[] => {
    const at = momentMs(e.at)
    const out = takenOut(e, colonyId)
    if (out > 0) return [{ at, kind: 'out', number: out }]
    switch (e.kind) {
      case 'larvae':
        return e.sample ? [{ at, kind: 'sample', numbers: numbersOf(e), share: shareOf(e, netL) }] : []
      case 'count':
        return [{ at, kind: 'total', number: e.number, sdLog: e.method === 'allSeen' ? COUNTED_SD : GUESSED_SD }]
      case 'young':
        return [
          {
            at,
            kind: 'total',
            ...(e.amount === 'number' ? { number: e.number!, sdLog: GUESSED_SD } : WORDS[e.amount]),
          },
        ]
      case 'berried':
        return e.number > 0 ? [{ at, kind: 'some' }] : []
      case 'death':
        return [{ at, kind: 'dead', number: e.number }]
      default:
        return []
    }
  })
}

/** Animals of each stage in a sample. */
export const numbersOf = ({ sample }: EntryOf<'larvae'>) => [
  sample!.early,
  sample!.middle,
  sample!.late,
  sample!.settled,
]
const shareOf = ({ sampleL }: EntryOf<'larvae'>, netL: number) =>
  sampleL === undefined ? null : Math.min(1, sampleL / netL)
