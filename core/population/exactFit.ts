import { EGG_ROOMS } from '#core/broods'
import { WEEK_MS } from '#core/records'
import { openingCloud } from './checkpoint'
import { foundDead, type Toll } from './deaths'
import type { Fit } from './fit'
import { FEMALES, MALES, EGGS, YOUNG_1, YOUNG_2 } from './stages'
import type { JudgedCount, KnownColony, PopulationEvent, PopulationQuestion } from './question'

/**
 * A colony of followed animals alone needs no filter: its number is what the log says, and every possible colony is the
 * same one, but for its luck from now on and for the sexes of those that nobody has told apart. The pace of its life is
 * that of its group.
 */
export function exactFit(question: PopulationQuestion, known: KnownColony, size: number): Fit {
  const { startMs, nowMs, rates, spreads } = question
  const dtMs = rates.dtWeeks * WEEK_MS
  const last = Math.max(0, Math.round((nowMs - startMs) / dtMs))
  const ends = Array.from({ length: last + 1 }, (_, step) => Math.min(nowMs, startMs + step * dtMs))
  const cloud = openingCloud({ ...question, founders: known.heads, foundersSd: 0 }, size)
  for (let room = 0; room < EGG_ROOMS; room++)
    cloud.fill(known.rooms[room] ?? 0, (EGGS + room) * size, (EGGS + room + 1) * size)
  const certain = (n: number) => ({ p10: n, p25: n, p50: n, p75: n, p90: n })
  const grownNow = [FEMALES, MALES].reduce((sum, row) => sum + cloud[row * size]!, 0)
  const all = grownNow + cloud[YOUNG_1 * size]! + cloud[YOUNG_2 * size]!
  const share = all > 0 ? grownNow / all : 1
  const numbers = ends.map(at => numberAt(known, at))
  return {
    ...{ cloud, size, spreads },
    path: ends.map((at, i) => ({ at, ...certain(numbers[i]!) })),
    grown: ends.map((at, i) => {
      const grown = Math.round(share * numbers[i]!)
      return { at, value: grown, low: grown, high: grown }
    }),
    counts: countsOf(question, known),
    toll: tollOf(question, { ends, numbers }),
    ...{ logLikelihood: 0, effective: size, jumped: 0, checkpoints: [], basis: 0 },
  }
}

/** How many there were at a moment, by the log. */
const numberAt = ({ course }: KnownColony, at: number): number =>
  course.findLast(c => c.atMs <= at)?.number ?? course[0]!.number

function countsOf({ events, nowMs, startMs }: PopulationQuestion, known: KnownColony): JudgedCount[] {
  return events.flatMap(e => {
    if (e.kind !== 'count' || e.at > nowMs || e.at < startMs) return []
    const expected = numberAt(known, e.at)
    const { value, low, high, notes } = e.evidence
    return [
      {
        ...{ entryId: e.entryId, at: e.at, seen: e.seen, method: e.method, value, low, high, notes },
        ...{ weight: 'full' as const, leapt: false, expected, expectedLow: expected },
      },
    ]
  })
}

/** The dead of each step, all of them found, against those that are usual. */
function tollOf(
  { events, rates }: PopulationQuestion,
  { ends, numbers }: { ends: readonly number[]; numbers: readonly number[] },
): Toll[] {
  return ends.map((end, i) => {
    const from = ends[i - 1] ?? -Infinity
    const here: PopulationEvent[] = events.filter(e => e.at > from && e.at <= end)
    const usual = numbers[i]! * -Math.expm1(-rates.adultHazard)
    return { usual, share: 1, ...foundDead(here), excess: 0 }
  })
}
