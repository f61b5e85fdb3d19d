import { v7 as uuid } from 'uuid'
import { DAY_MS, toMoment } from '#core/records'
import { hashText, type Random, seededRandom } from '#core/stats'

const KEEPERS = ['A. R.', 'M. T.', 'S. O.']

/** What all parts of one invented room are made with: its last moment, ids in a row, and luck for each part. */
export interface Making {
  untilMs: number
  keepers: readonly string[]
  /** the next id, as made at a moment */
  id: (ms: number) => string
  /** luck of one part, so that a change in one colony leaves the others as they are */
  randomFor: (part: string) => Random
  /** whether the keepers were away, so many days before the end */
  away: (daysLeft: number) => boolean
  /** what every entry begins with */
  stamp: (ms: number, random: Random) => { id: string; at: string; loggedAt: string; keeper: string }
}

/** @param seed the same seed and last moment give the same bytes */
export function making(seed: number, untilMs: number): Making {
  const ids = seededRandom(seed)
  const id = (ms: number) =>
    uuid({ msecs: Math.round(ms), random: Uint8Array.from({ length: 16 }, () => Math.floor(ids() * 256)) })
  return {
    untilMs,
    keepers: KEEPERS,
    id,
    randomFor: part => seededRandom(hashText(`${seed} ${part}`)),
    // the co-op's shared holiday in August, and one missed stretch
    away: daysLeft => (daysLeft > 96 && daysLeft < 114) || (daysLeft > 232 && daysLeft < 243),
    stamp: (ms, random) => ({
      id: id(ms),
      at: toMoment(ms),
      loggedAt: toMoment(ms),
      keeper: KEEPERS[Math.floor(random() * KEEPERS.length)]!,
    }),
  }
}

/** A moment so many weeks before the end. */
export const weeksBefore = ({ untilMs }: Pick<Making, 'untilMs'>, weeks: number): number => untilMs - weeks * 7 * DAY_MS
