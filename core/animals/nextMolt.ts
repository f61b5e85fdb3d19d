import { DAY_MS } from '#core/records'
import { Z80 } from '#core/stats'

/** Spread of one animal's interval about its kind's, and of single molts about its own, as logarithms (from memory). */
const OWN_SD = 0.25
const MOLT_SD = 0.18
/** Two skins further apart than so many usual intervals had one between that nobody found. */
const MISSED_ONE = 1.6
/** Who lost a limb molts sooner: within so much of the interval (from memory). */
const SOONER = 0.8

/** When an animal sheds its skin next. Moments are milliseconds. */
export interface NextMolt {
  earliestMs: number
  likelyMs: number
  latestMs: number
  /** intervals of its own that were watched */
  watched: number
}

/**
 * When an animal molts next, from its last molt and its own intervals beside those of its kind (normal with a normal
 * prior, on the log scale).
 * @param molts moments of its molts, by time
 * @param usualDays interval of its kind at the water's temperature
 * @param limbLost whether it lost a limb since the last molt
 * @returns null before a first molt was seen
 */
export function nextMolt(molts: readonly number[], usualDays: number, limbLost: boolean): NextMolt | null {
  const last = molts.at(-1)
  if (last === undefined) return null
  const own = molts
    .slice(1)
    .map((at, i) => (at - molts[i]!) / DAY_MS)
    .filter(days => days > 1 && days < MISSED_ONE * usualDays)
    .map(days => Math.log(days))
  const precision = 1 / OWN_SD ** 2 + own.length / MOLT_SD ** 2
  const mean =
    (Math.log(usualDays) / OWN_SD ** 2 + own.reduce((sum, d) => sum + d, 0) / MOLT_SD ** 2) / precision +
    (limbLost ? Math.log(SOONER) : 0)
  const sd = Math.sqrt(1 / precision + MOLT_SD ** 2)
  const at = (z: number) => last + DAY_MS * Math.exp(mean + z * sd)
  return { earliestMs: at(-Z80), likelyMs: at(0), latestMs: at(Z80), watched: own.length }
}
