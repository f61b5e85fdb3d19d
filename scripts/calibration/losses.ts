import { DAY_MS, momentMs } from '#core/records'
import { questionOf } from '#core/statements'
import { fitPopulation } from '../../core/population/fit'
import { asksAgain, lossOf } from '../../core/population/unexpected'
import { type CalibrationCase, makeCase } from './colonies'
import { inEveryGroup, middle, shareOf, sumOf } from './summing'

/** What was told of one colony that was asked about after each of its counts. */
export interface LossResult {
  groupId: string
  years: number
  /** counts before anything was lost, and those of them that asked for another one */
  calmCounts: number
  calmAsks: number
  /** losses told where nothing was lost */
  falseLosses: number
  /** what vanished in one night: its share, whether the first of so many counts after it asked, and when it was told */
  loss: { share: number; counts: number; asked: boolean; told: { counts: number; days: number } | null } | null
}

const PARTICLES = 400
/** A count is answered on its own day. */
const AFTER_MS = DAY_MS / 8
/** Who has not been told by the fifth count after it is not told. */
const IN_TIME_COUNTS = 5

function asked(c: CalibrationCase): LossResult {
  const lostMs = c.dieOff ? momentMs(c.colony.startedAt) + c.dieOff.day * DAY_MS : Infinity
  const counted = c.entries.filter(e => e.kind === 'count').map(e => momentMs(e.at))
  const answers = counted.map(at => {
    const nowMs = at + AFTER_MS
    const question = questionOf(c.colony, c.glass, { entries: c.entries.filter(e => momentMs(e.at) <= nowMs) }, nowMs)
    const { counts, path } = fitPopulation(question, PARTICLES)
    return { at, asks: asksAgain(counts, question.startMs) !== null, loss: lossOf(question, counts, path) }
  })
  const before = answers.filter(a => a.at < lostMs)
  const after = answers.filter(a => a.at >= lostMs).slice(0, IN_TIME_COUNTS)
  const told = after.findIndex(a => a.loss && a.loss.fromMs <= lostMs && a.loss.toMs >= lostMs)
  return {
    groupId: c.groupId,
    years: (Math.min(lostMs, c.nowMs) - momentMs(c.colony.startedAt)) / (365 * DAY_MS),
    calmCounts: before.length,
    calmAsks: before.filter(a => a.asks).length,
    // one that is told for weeks is one
    falseLosses: new Set(before.flatMap(a => (a.loss ? [a.loss.toMs] : []))).size,
    loss:
      c.dieOff && after.length > 0
        ? {
            share: c.dieOff.share,
            counts: after.length,
            asked: after[0]!.asks,
            told: told < 0 ? null : { counts: told + 1, days: (after[told]!.at - lostMs) / DAY_MS },
          }
        : null,
  }
}

/** Asks about colonies over which nothing comes, and such of which a part vanishes in one night. */
export const tellLosses = (seeds: readonly number[]): LossResult[] =>
  inEveryGroup(seeds, (groupId, seed) =>
    (['calm', 'loss'] as const).map(fate => asked(makeCase(groupId, seed, { fate }))),
  )

/** How often losses are told, rightly and in vain. */
export interface LossTable {
  colonies: number
  falsePerYear: number
  /** of the counts while nothing was lost so many asked for another one */
  calmAsks: number
  /** of the losses so many had the first count after them ask for another one */
  asked: number
  /** of those that were counted twice: told at all, told by the second count, half of these within so many days */
  told: number
  bySecond: number
  medianDays: number
  /** of those of more than six in ten so many were told */
  largeTold: number
}

export function summariseLosses(results: readonly LossResult[]): LossTable {
  const lost = results.flatMap(r => r.loss ?? [])
  const twice = lost.filter(l => l.counts >= 2)
  const isTold = (l: (typeof lost)[number]) => l.told !== null
  return {
    colonies: results.length,
    falsePerYear: sumOf(results, r => r.falseLosses) / sumOf(results, r => r.years),
    calmAsks: sumOf(results, r => r.calmAsks) / sumOf(results, r => r.calmCounts),
    asked: shareOf(lost, l => l.asked),
    told: shareOf(twice, isTold),
    bySecond: shareOf(twice, l => l.told !== null && l.told.counts <= 2),
    medianDays: middle(twice.flatMap(l => l.told?.days ?? [])),
    largeTold: shareOf(
      twice.filter(l => l.share > 0.6),
      isTold,
    ),
  }
}
