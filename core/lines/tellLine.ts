import { currentEntries, DAY_MS, type EntryOf, WEEK_MS } from '#core/records'
import { type Ranged, Z80, zQuantile } from '#core/stats'
import { type Beside, besideTrait } from './beside'
import { courseOf } from './course'
import { generationsLeft, type Variety, varietyAmong } from './effectiveBreeders'
import { graderOf } from './gradings'
import { type AgreementTold, agreementsOf, type KeeperTold, keepersOf } from './keepersTold'
import { bothSexes, type LineGroup, type LineHistory } from './history'
import { fitLine, type LineFit, LEARNT_AT_LEAST, rungWidth } from './lineFit'
import { type GradedGeneration, type LineRead, type LineRecords, readLine } from './lineHistory'
import { type InheritanceTold, inheritanceOf } from './segregation'
import { type NextGeneration, nextGeneration, usualYoung } from './nextGeneration'
import { paceByTime, type WeeklyPace } from './paceByTime'
import { inbreedingOfGroups } from './pedigreeDraws'
import { meanRungOf } from './sharesTold'
import { gradeAgainMs } from './stretches'

/** Where a line goes. */
export type Heading = 'rising' | 'plateau' | 'falling' | 'still' | 'unknown'

/** What came of a forecast: how the newest generation was foreseen, and how it was graded. */
export interface CameTold {
  forecast: NextGeneration
  /** mean rung as it was graded */
  meanRung: number
  /** under all that selection, chance and environment explain: a crossing, or another eye (one in forty by chance) */
  unexplained: boolean
}

/** A generation with what follows from the fit. */
export interface GenerationTold extends GradedGeneration {
  inbreeding: Ranged
  /** as it was graded; null where it was not */
  meanRung: number | null
  /** mean rung as its genes have it */
  byGenes: Ranged
  /** where it stands in time, in generations: its number, or where animals breed all the time by the parents' age */
  at: number
}

/** A line whose animals breed all the time. */
export interface RollingTold {
  /** mean age of the parents: one generation */
  parentsAgeWeeks: number
  /** null while too little time has passed */
  pace: WeeklyPace | null
  /** whether dull ones were taken out since it was graded last */
  culled: boolean
  /** when half of the grown are new since then, and another grading tells more */
  gradeAgainMs: number
}

/** A line as it is told. */
export interface LineTold {
  generations: GenerationTold[]
  heading: Heading
  /** lowest of the rungs that are told together as the best ones, from 0 */
  bestFrom: number
  /** share on the best rungs in the first and the newest graded generation */
  best: { first: number; now: number } | null
  heritability: Ranged
  /** whether the grades say more of the heritability than what was thought before */
  known: boolean
  /** rungs a generation over the last three, without what the keepers' eyes made of it; null where there are fewer */
  pace: number | null
  /** of a line whose animals breed all the time; null where there are generations */
  rolling: RollingTold | null
  inbreeding: Ranged | null
  /** of who breeds now or bred last */
  variety: Variety | null
  generationsLeft: number | null
  /** years from one generation to the next, in the mean; null before there are two */
  generationYears: number | null
  next: NextGeneration | null
  came: CameTold | null
  keepers: KeeperTold[]
  agreements: AgreementTold[]
  /** how those on the lowest rung may come about; null where too few generations have any */
  throwbacks: InheritanceTold[] | null
  /** where nobody chooses: how it was graded last, and the line at the same time; null without a spare glass */
  spare: { meanRung: number; ofLine: number } | null
  /** other traits that it is graded by */
  beside: Omit<Beside, 'slopes'>[]
}

const YEAR_MS = 365.25 * DAY_MS
/** Below so many rungs a generation a line is at a plateau (a tenth, common practice, no source). */
export const PLATEAU = 0.1
/** A change is told where so many of the possible truths have it. */
const SURE = 0.8
/** Worse than so many of what could come by itself: one generation in forty cries wolf. */
const UNEXPLAINED = 0.025

/** What is told of a line, with the fit that further questions are asked of. */
export interface LineFitted {
  told: LineTold
  read: LineRead
  fit: LineFit
  /** other traits, with their possible slopes */
  beside: Beside[]
}

/**
 * Tells a line.
 * @param limit inbreeding that the keeper does not want to pass
 * @returns null where nothing was graded, or the ladder has one rung
 */
export function tellLine(records: LineRecords, limit: number): LineFitted | null {
  const read = readLine(records)
  if (read.history.rungs < 2 || read.generations.every(g => total(g.counts) === 0)) return null
  const fit = fitLine(read.history)
  const inbreeding = inbreedingOfGroups(read.history.groups, { animals: records.animals ?? [] }).of
  const byGenes = courseOf(
    fit,
    read.generations.map(g => g.id),
  )
  const generations = read.generations.map((g, t) => ({
    ...g,
    byGenes: byGenes[t]!,
    at: read.renewal ? 1 + (g.fromMs - read.generations[0]!.fromMs) / WEEK_MS / read.renewal.parentsAgeWeeks : g.n,
    inbreeding: inbreeding.get(g.id)!,
    meanRung: total(g.counts) > 0 ? meanRungOf(g.counts) : null,
  }))
  const graded = generations.filter(g => g.meanRung !== null)
  const { rungs } = read.history
  const bestFrom = rungs >= 4 ? rungs - 2 : rungs - 1
  const [first, now] = [graded[0]!, graded.at(-1)!]
  // who breeds now, or bred the newest generation
  const breeders = read.running.length > 0 ? read.running : read.history.groups.at(-1)!.breeders
  const variety = breeders.length > 0 ? varietyAmong(breeders) : null
  const last = generations.at(-1)!
  const young = usualYoung(read.history)
  const next = bothSexes(read.running) ? nextGeneration(fit, { breeders: read.running, young }) : null
  const rolling = rollingOf(read, { fit, graded })
  const pace = rolling ? rolling.pace && rolling.pace.weekly.value * rolling.parentsAgeWeeks : paceOf(fit)
  const beside = besideOf(records, { read, fit })
  const told: LineTold = {
    generations,
    heading: headingOf(fit, pace),
    bestFrom,
    best: { first: shareFrom(first.counts, bestFrom), now: shareFrom(now.counts, bestFrom) },
    heritability: fit.heritability,
    known: fit.learnt >= LEARNT_AT_LEAST,
    pace,
    rolling,
    inbreeding: last.inbreeding,
    variety,
    generationsLeft: variety ? generationsLeft(last.inbreeding.value, variety.perGeneration, limit) : null,
    generationYears: rolling ? (rolling.parentsAgeWeeks * WEEK_MS) / YEAR_MS : yearsBetween(generations),
    next,
    came: cameOf(read),
    keepers: keepersOf(fit),
    agreements: agreementsOf(records, read),
    throwbacks: throwbacksOf(read),
    spare: spareOf(read.history, generations),
    beside: beside.map(({ slopes: _, ...b }) => b),
  }
  return { told, read, fit, beside }
}

function rollingOf(
  { renewal, running }: LineRead,
  { fit, graded }: { fit: LineFit; graded: readonly GradedGeneration[] },
): RollingTold | null {
  if (!renewal) return null
  return {
    ...{ parentsAgeWeeks: renewal.parentsAgeWeeks, pace: paceByTime(fit, graded, renewal) },
    ...{ culled: running.some(b => b.rungs !== null) },
    gradeAgainMs: gradeAgainMs(graded.at(-1)!.fromMs, renewal),
  }
}

const yearsBetween = (generations: readonly GradedGeneration[]): number | null =>
  generations.length > 1
    ? (generations.at(-1)!.fromMs - generations[0]!.fromMs) / (generations.length - 1) / YEAR_MS
    : null

/** How the newest graded animals of the spare glass stand beside those of the line that grew up with them. */
function spareOf({ groups, rungs }: LineHistory, generations: LineTold['generations']): LineTold['spare'] {
  const spare = groups.findLast(g => g.spare)
  const ofLine = generations.find(g => g.id === spare?.period)?.meanRung
  if (!spare || ofLine == null) return null
  const cells = spare.gradings.flatMap(g => g.cells)
  const counts = Array.from({ length: rungs }, (_, k) =>
    total(cells.map(c => (c.from <= k && k <= c.to ? c.number / (c.to - c.from + 1) : 0))),
  )
  return { meanRung: meanRungOf(counts), ofLine }
}

function besideOf({ beside = [], entries, line }: LineRecords, of: { read: LineRead; fit: LineFit }): Beside[] {
  const gradings = currentEntries(entries).filter(
    (e): e is EntryOf<'grading'> => e.kind === 'grading' && e.colonyId !== line.spareColonyId,
  )
  return beside.map(ladder => besideTrait(ladder, gradings, of))
}

const total = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)
const shareFrom = (counts: readonly number[], from: number) => total(counts.slice(from)) / total(counts)

/** Rows of the line's own groups that were graded. */
const gradedRows = ({ groups }: LineHistory): number[] =>
  groups.flatMap((g, row) => (!g.spare && g.gradings.length + g.twice.length > 0 ? [row] : []))

/** Rungs a generation over the last three steps: of what was graded, without the keepers' eyes. */
function paceOf({ model, draws }: LineFit): number | null {
  const rows = gradedRows(model.history)
  const [from, to] = [rows.at(-4), rows.at(-1)]
  if (from === undefined || to === undefined) return null
  const shown = (row: number) =>
    draws.reduce((sum, { run }) => sum + run.standings[row]!.mean + run.standings[row]!.environment, 0) / draws.length
  return (shown(to) - shown(from)) / 3 / rungWidth({ draws })
}

/** Whether breeding values rose since the first graded generation, and whether the last three still do. */
function headingOf({ model, draws }: LineFit, pace: number | null): Heading {
  const rows = gradedRows(model.history)
  const [from, to] = [rows[0], rows.at(-1)]
  if (from === undefined || to === undefined || from === to) return 'unknown'
  const rose = draws.filter(({ run }) => run.standings[to]!.mean > run.standings[from]!.mean).length / draws.length
  if (rose <= 1 - SURE) return 'falling'
  if (rose < SURE) return 'still'
  return pace !== null && pace < PLATEAU ? 'plateau' : 'rising'
}

/** The newest generation against what the ones before had foreseen. */
function cameOf({ history, generations }: LineRead): CameTold | null {
  const last = history.groups.at(-1)!
  // what grew up beside it tells of its year, and was not there to be asked
  const before = { ...history, groups: history.groups.filter(g => g.period !== last.period) }
  const { counts, gradings } = generations.at(-1)!
  if (before.groups.length === 0 || total(counts) === 0) return null
  // where young join those that stayed, nobody chosen is known too
  if (!last.stayed && last.breeders.every(b => b.rungs === null)) return null
  if (gradedRows(before).length === 0) return null
  return foreseen(before, { ...last, counts, grader: gradings[0] && graderOf(gradings[0]) })
}

/** A generation that was graded. */
interface CameAsked extends Pick<LineGroup, 'breeders' | 'stayed'> {
  /** by today's rungs */
  counts: readonly number[]
  grader: string | undefined
}

/**
 * Holds a graded generation against what was foreseen of it.
 * @param before the line without it
 */
export function foreseen(before: LineHistory, { breeders, stayed, counts, grader }: CameAsked): CameTold {
  const fit = fitLine(before)
  const known = grader !== undefined && fit.model.graders.includes(grader) ? { grader } : {}
  const forecast = nextGeneration(fit, { breeders, young: total(counts), ...(stayed && { stayed }), ...known })
  const meanRung = meanRungOf(counts)
  const down = forecast.meanRung.value - forecast.meanRung.low
  const low = forecast.meanRung.value - (down * zQuantile(1 - UNEXPLAINED)) / Z80
  return { forecast, meanRung, unexplained: meanRung < low }
}

/** Generations with somebody on the lowest rung that it takes to tell one gene from many (from memory). */
const THROWBACK_GENERATIONS = 3

/** Those on the lowest rung, held against one gene, many, and a crossing. */
function throwbacksOf({ generations }: LineRead): InheritanceTold[] | null {
  const graded = generations.filter(g => total(g.counts) > 0)
  if (graded.filter(g => g.counts[0]! >= 1).length < THROWBACK_GENERATIONS) return null
  return inheritanceOf(
    graded.map(({ counts, bred }) => ({
      ...{ looked: Math.round(total(counts)), thrownBack: Math.round(counts[0]!) },
      culled: bred !== null && [bred.males, bred.females, bred.mixed].every(list => (list[0] ?? 0) === 0),
    })),
  )
}
