import type { ResolvedGroup } from '#core/groups'
import { type Entry, type EntryOf, momentMs, WEEK_MS } from '#core/records'
import { Z80 } from '#core/stats'
import type { Brood, BroodReader } from './brood'
import type { Awaits, BroodLine } from './broodLine'
import { ofFollowed } from './followed'
import { hatchDays } from './hatchDays'

/** What awaited broods are told by. */
export interface AwaitedReader extends BroodReader {
  resolved: Pick<ResolvedGroup, 'group'>
  nowMs: number
}

/** Crayfish lay one to four weeks after mating (common practice). */
const LAYS_AFTER_MS = [WEEK_MS, 4 * WEEK_MS] as const
/** Rests between two broods differ by so much, on the log scale (from memory). */
const REST_SD = 0.35

/**
 * Broods that are to come: of crayfish after a mating; of shrimp with a saddle, whose eggs come after the next molt;
 * and of followed females that rest since their last brood hatched.
 * @param entries standing entries of the colony until now, by time
 * @param broods that were seen
 */
export function awaitedBroods(entries: readonly Entry[], broods: readonly Brood[], reader: AwaitedReader): BroodLine[] {
  const { company, care } = reader.resolved.group
  if (company.kind === 'crayfish') return afterMating(entries, broods, reader)
  return [...(care.molts ? withSaddle(entries, care.molts.adultWeeks.value, reader) : []), ...atRest(broods, reader)]
}

/** A brood that begins between two moments, as a row; null when it would have hatched by now. */
function lineFrom(
  of: Pick<BroodLine, 'key' | 'who' | 'number' | 'firstSeenMs'> & { awaits: Awaits },
  { fromMs, toMs }: { fromMs: number; toMs: number },
  { law, clock, nowMs }: AwaitedReader,
): BroodLine[] {
  if (fromMs >= toMs || toMs < nowMs) return []
  const hatch = hatchDays({ began: [{ fromMs, toMs, weight: 1 }], looks: [] }, law, clock)
  if (!hatch || hatch.latestMs < nowMs) return []
  const unseen = { sign: 'berried', age: null, eyed: false, place: null } as const
  return [{ ...of, ...unseen, looksMs: [], lastSeenMs: of.firstSeenMs, hatch }]
}

function afterMating(entries: readonly Entry[], broods: readonly Brood[], reader: AwaitedReader): BroodLine[] {
  const mated = entries.findLast((e): e is EntryOf<'mating'> => e.kind === 'mating')
  if (!mated) return []
  const at = momentMs(mated.at)
  if (broods.some(b => b.firstSeenMs > at)) return []
  const none = entries.findLast(e => e.kind === 'berried' && e.number === 0 && momentMs(e.at) > at)
  const [from, to] = LAYS_AFTER_MS
  const fromMs = Math.max(at + from, none ? momentMs(none.at) : 0)
  const of = { key: mated.id, who: null, number: mated.number, firstSeenMs: at, awaits: 'mating' as const }
  return lineFrom(of, { fromMs, toMs: at + to }, reader)
}

/** A saddle is ovaries that are full: after the next molt, which comes within one interval, they are eggs. */
function withSaddle(entries: readonly Entry[], moltWeeks: number, reader: AwaitedReader): BroodLine[] {
  const looks = entries.filter((e): e is EntryOf<'berried'> => e.kind === 'berried' && !ofFollowed(e))
  const seen = looks.findLast(e => e.saddle !== undefined)
  if (!seen?.saddle) return []
  const at = momentMs(seen.at)
  const of = { key: `saddle:${seen.id}`, who: null, number: seen.saddle, firstSeenMs: at, awaits: 'saddle' as const }
  const toMs = reader.clock.msAt(reader.clock.daysAt(at) + 7 * moltWeeks)
  return lineFrom(of, { fromMs: Math.max(at, momentMs(looks.at(-1)!.at)), toMs }, reader)
}

/** Each followed female whose last brood hatched carries the next one after her rest. */
function atRest(broods: readonly Brood[], reader: AwaitedReader): BroodLine[] {
  const last = new Map<string, Brood>()
  for (const b of broods) if (b.who !== null) last.set(b.who, b)
  return [...last].flatMap(([who, { key, end }]) => {
    if (end?.how !== 'hatched') return []
    const { clock, law } = reader
    const ended = clock.daysAt((end.fromMs + end.toMs) / 2)
    const at = (z: number) => clock.msAt(ended + law.restDays * Math.exp(z * REST_SD))
    const of = { key: `rest:${key}`, who, number: 1, firstSeenMs: end.toMs, awaits: 'rest' as const }
    return lineFrom(of, { fromMs: Math.max(end.toMs, at(-Z80)), toMs: at(Z80) }, reader)
  })
}
