import type { Entry, EntryKind, VerdictState } from '#core/records'
import { type ColonyStatements, offeredToday } from '#core/statements'

/** What of a colony's statements a round is compared by. Plain data: it is kept while the round goes on. */
export interface Snapshot {
  number: number
  low: number
  high: number
  numberState: VerdictState
  waterState: VerdictState
  waterKey: string | null
  take: number
}

export const snapshotOf = (s: ColonyStatements): Snapshot => ({
  number: s.population.now.value,
  low: s.population.now.low,
  high: s.population.now.high,
  numberState: s.number.state,
  waterState: s.water.state,
  waterKey: s.water.worst?.key ?? null,
  take: offeredToday(s),
})

/** A change worth a line in the report. */
export type StatementChange =
  | { colonyId: string; what: 'number'; from: number; to: number }
  | { colonyId: string; what: 'narrower'; low: number; high: number }
  | { colonyId: string; what: 'water'; from: VerdictState; to: VerdictState; key: string | null }
  | { colonyId: string; what: 'take'; from: number; to: number }

/** A number that moves by less than this share is no news; so is a range that shrinks by less. */
const NEWS = 0.05
const NARROWER = 0.15

/** What a round changed in what is said of the colonies: numbers, ranges, water, and what can go. */
export function statementChanges(
  before: Readonly<Record<string, Snapshot>>,
  now: readonly { colonyId: string; snapshot: Snapshot }[],
): StatementChange[] {
  return now.flatMap(({ colonyId, snapshot: to }): StatementChange[] => {
    const from = before[colonyId]
    if (!from) return []
    const changes: StatementChange[] = []
    const moved = Math.abs(to.number - from.number)
    if (moved >= 1 && moved > NEWS * from.number)
      changes.push({ colonyId, what: 'number', from: from.number, to: to.number })
    else if (from.high - from.low >= 2 && to.high - to.low < (1 - NARROWER) * (from.high - from.low))
      changes.push({ colonyId, what: 'narrower', low: to.low, high: to.high })
    if (from.waterState !== to.waterState)
      changes.push({ colonyId, what: 'water', from: from.waterState, to: to.waterState, key: to.waterKey })
    if (from.take !== to.take) changes.push({ colonyId, what: 'take', from: from.take, to: to.take })
    return changes
  })
}

/** Sums over the entries of a round: what was seen and done, by kind. */
export interface RoundSums {
  counts: Partial<Record<EntryKind, number>>
  molts: number
  berried: number
  dead: number
  young: number
  changedL: number
  toppedUpL: number
  /** feedings of which some was left over */
  leftOver: number
}

/** Adds up what a round saw and did; marks and visits are not counted. */
export function roundSums(entries: readonly Entry[]): RoundSums {
  const sums: RoundSums = {
    counts: {},
    molts: 0,
    berried: 0,
    dead: 0,
    young: 0,
    changedL: 0,
    toppedUpL: 0,
    leftOver: 0,
  }
  for (const e of entries) {
    if (e.kind === 'visit' || e.kind === 'dueMark' || e.kind === 'withdrawal') continue
    sums.counts[e.kind] = (sums.counts[e.kind] ?? 0) + 1
    if (e.kind === 'molts') sums.molts += e.number
    else if (e.kind === 'berried') sums.berried += e.number
    else if (e.kind === 'death') sums.dead += e.number
    else if (e.kind === 'young') sums.young += e.number ?? 0
    else if (e.kind === 'waterChange') sums.changedL += e.litres
    else if (e.kind === 'topUp') sums.toppedUpL += e.litres
    else if (e.kind === 'feeding' && e.eaten === 'leftOver') sums.leftOver++
  }
  return sums
}
