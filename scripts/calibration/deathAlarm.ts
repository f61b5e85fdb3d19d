import { DAY_MS, momentMs, WEEK_MS } from '#core/records'
import { questionOf } from '#core/statements'
import { deathAlarms } from '../../core/population/deathWatch'
import { fitPopulation } from '../../core/population/fit'
import { type CalibrationCase, makeCase } from './colonies'
import { inEveryGroup, middle, shareOf, sumOf } from './summing'

/** What the alarm of deaths did in one colony. */
export interface AlarmResult {
  groupId: string
  years: number
  /** alarms where nothing had happened */
  falseAlarms: number
  /** whether the keeper ever wrote a death */
  writes: boolean
  /** of a sickness: the share that died, and after how many days it was called; null where it never was */
  dieOff: { share: number; days: number | null } | null
}

/** Fewer would do: what is usual is a mean over them. */
const PARTICLES = 300
/** A sickness is called in time until so many weeks after its end. */
const IN_TIME_WEEKS = 3

function watched(c: CalibrationCase): AlarmResult {
  const question = questionOf(c.colony, c.glass, { entries: c.entries }, c.nowMs)
  const { dtWeeks } = question.rates
  const alarms = deathAlarms(fitPopulation(question, PARTICLES).toll, dtWeeks).map(a => a.step * dtWeeks * WEEK_MS)
  const from = c.dieOff ? c.dieOff.day * DAY_MS : Infinity
  const until = c.dieOff ? from + c.dieOff.days * DAY_MS + IN_TIME_WEEKS * WEEK_MS : Infinity
  // the dead of a step are those nearest to its end
  const called = alarms.find(ms => ms >= from - WEEK_MS / 2 && ms <= until)
  const calm = Math.min(from, c.nowMs - momentMs(c.colony.startedAt))
  return {
    groupId: c.groupId,
    years: calm / (365 * DAY_MS),
    falseAlarms: alarms.filter(ms => ms < from - WEEK_MS / 2).length,
    writes: c.entries.some(e => e.kind === 'death'),
    dieOff: c.dieOff && { share: c.dieOff.share, days: called === undefined ? null : (called - from) / DAY_MS },
  }
}

/** Watches colonies over which nothing comes, and such over which a sickness does. */
export const watchColonies = (seeds: readonly number[]): AlarmResult[] =>
  inEveryGroup(seeds, (groupId, seed) =>
    (['calm', 'dieOff'] as const).map(fate => watched(makeCase(groupId, seed, { fate }))),
  )

/** What the alarm does in a set of colonies, for keepers who write deaths down. */
export interface AlarmTable {
  colonies: number
  falsePerYear: number
  /** of the sicknesses so many were called, and half of these within so many days */
  called: number
  medianDays: number
  /** of those in which more than three in ten died */
  largeCalled: number
}

export function summariseAlarms(all: readonly AlarmResult[]): AlarmTable {
  // who never writes a death is never called
  const results = all.filter(r => r.writes)
  const sick = results.flatMap(r => r.dieOff ?? [])
  const called = (of: typeof sick) => shareOf(of, d => d.days !== null)
  return {
    colonies: results.length,
    falsePerYear: sumOf(results, r => r.falseAlarms) / sumOf(results, r => r.years),
    called: called(sick),
    medianDays: middle(sick.flatMap(d => d.days ?? [])),
    largeCalled: called(sick.filter(d => d.share > 0.3)),
  }
}
