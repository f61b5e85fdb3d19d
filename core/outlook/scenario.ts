import { habitatLitres, resolveGroup } from '#core/groups'
import {
  chanceAt,
  type Doing,
  type FittedColony,
  type Futures,
  type BandPoint,
  type PopulationQuestion,
  stageRates,
  type StageRates,
  weeksToReach,
  type WeeksToReach,
} from '#core/population'
import type { Colony, Glass, ScenarioChange } from '#core/records'
import { quantileSorted } from '#core/stats'

/** What a colony's futures are lived with in a scenario. */
export interface ScenarioModel {
  rates: StageRates
  doing: Doing
}

/** What a scenario changes: the colony as things are. */
export interface ScenarioBasis {
  question: PopulationQuestion
  colony: Colony
  glass: Pick<Glass, 'grossL' | 'fill'>
  /** animals today */
  now: number
  /** logged deaths that go on in every scenario */
  dyingPerWeek: number
}

/**
 * Turns a scenario into rates and doings. What was learnt of the colony (its luck with young, its deaths, its room)
 * stays.
 */
export function scenarioModel(
  change: ScenarioChange,
  { question, colony, glass, now, dyingPerWeek }: ScenarioBasis,
): ScenarioModel {
  const fish = change.fish ? { ...colony.schools, fish: change.fish } : colony.schools
  const resolved = resolveGroup({ ...colony, schools: fish })
  const litres = habitatLitres(resolved.group, glass)
  const capacity = question.rates.capacity * (change.secondTankL ? (litres + change.secondTankL) / litres : 1)
  const same = change.temperatureC === undefined && change.secondTankL === undefined && change.fish === undefined
  return {
    rates: same
      ? question.rates
      : stageRates(resolved, { temperatureC: change.temperatureC ?? question.temperatureC, capacity }),
    doing: {
      dyingPerWeek,
      ...(change.roomFactor && { roomFactor: change.roomFactor }),
      ...(change.putIn && { startFactor: (Math.max(now, 1) + change.putIn) / Math.max(now, 1) }),
      ...(change.takeNow && { take: change.takeNow }),
      ...(change.weekly && { weekly: change.weekly }),
    },
  }
}

/** What is asked of a scenario. */
export interface OutlookAsk {
  weeks: number
  /** wanted number, of whom, and by which week */ number: number
  of: 'total' | 'halfGrown'
  byWeek: number
}

/** What a scenario answers. */
export interface OutlookAnswer {
  fan: BandPoint[]
  halfGrown: BandPoint[]
  reach: WeeksToReach
  /** chance that the wanted number is there in the week asked for */
  chanceBy: number
  /** chance that none are left at the end */
  diedOut: number
  /**
   * chance that it fills nine tenths of its room within the weeks, and when it does so in half of the futures that do
   */
  full: { chance: number; week: number | null; room: number }
  futures: number
}

/**
 * Futures of a year that are lived at a stretch: a few tens of milliseconds, so that the work can be stopped in
 * between.
 */
export const CHUNK = 500
/** Futures lived at a stretch where they are longer, or their steps shorter. */
export const chunkSize = (weeks: number, rates: Pick<StageRates, 'dtWeeks'>): number =>
  Math.max(50, Math.round((CHUNK * 52 * rates.dtWeeks) / Math.max(52, weeks)))

/** A stretch of a scenario's futures: which one, and how many over how many weeks. */
export interface Chunk {
  /** number of the chunk, from 0 */
  chunk: number
  weeks: number
  size: number
}

/** Lives one chunk of a scenario's futures. All scenarios share the luck of a chunk. */
export const liveChunk = (colony: Pick<FittedColony, 'futures'>, model: ScenarioModel, chunk: Chunk): Futures =>
  colony.futures({ ...chunk, rates: model.rates, doing: model.doing })

/** A round number that is not there yet, to ask for: half as many again, or so. */
export function numberToAskFor(now: number): number {
  const step = 10 ** Math.max(0, Math.floor(Math.log10(Math.max(1, 1.4 * now))))
  return Math.max(5, Math.ceil((1.4 * now) / step) * step)
}

/** Joins chunks of equal size and weeks to one set of futures. */
export function joinFutures(chunks: readonly Futures[]): Futures {
  const [first] = chunks
  if (!first) throw new RangeError('chunks must be one or more, got none')
  const { weeks } = first
  const size = chunks.reduce((s, c) => s + c.size, 0)
  const join = (key: 'totals' | 'females' | 'halfGrown') => {
    const out = new Float64Array(size * (weeks + 1))
    for (let week = 0; week <= weeks; week++) {
      let at = week * size
      for (const c of chunks) {
        out.set(c[key].subarray(week * c.size, (week + 1) * c.size), at)
        at += c.size
      }
    }
    return out
  }
  return { size, weeks, totals: join('totals'), females: join('females'), halfGrown: join('halfGrown') }
}

/**
 * Reads the answers from a scenario's futures.
 * @param fans of the total and the half-grown: sorting ten thousand futures week by week takes long enough to be
 * stopped in between
 */
export function readOutlook(
  futures: Futures,
  fans: Pick<OutlookAnswer, 'fan' | 'halfGrown'>,
  ask: OutlookAsk,
  room: number,
): OutlookAnswer {
  const { size, weeks } = futures
  const wanted = ask.of === 'total' ? futures.totals : futures.halfGrown
  let out = 0
  const filled: number[] = []
  for (let i = 0; i < size; i++) {
    if (futures.totals[weeks * size + i]! === 0) out++
    for (let week = 0; week <= weeks; week++) {
      if (futures.totals[week * size + i]! >= 0.9 * room) {
        filled.push(week)
        break
      }
    }
  }
  filled.sort((a, b) => a - b)
  return {
    ...fans,
    reach: weeksToReach(wanted, futures, ask.number),
    chanceBy: chanceAt(wanted, futures, Math.min(weeks, ask.byWeek), ask.number),
    diedOut: out / size,
    full: { chance: filled.length / size, week: filled.length > 0 ? quantileSorted(filled, 0.5) : null, room },
    futures: size,
  }
}
