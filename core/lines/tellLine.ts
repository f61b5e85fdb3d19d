import type { EntryOf } from '#core/records'
import { type Ranged, Z80, zQuantile } from '#core/stats'
import { type Agreement, weightedKappa } from './agreement'
import { generationsLeft, type Variety, varietyAmong } from './effectiveBreeders'
import { graderOf, pairedSessions } from './gradings'
import type { BreederSet, LineHistory } from './history'
import { fitLine, type LineFit, LEARNT_AT_LEAST } from './lineFit'
import { type GradedGeneration, type LineRead, type LineRecords, readLine, setsOf } from './lineHistory'
import { type InheritanceTold, inheritanceOf } from './segregation'
import { type NextGeneration, nextGeneration, rangeOf, USUAL_YOUNG } from './nextGeneration'
import { inbreedingOfGroups } from './pedigreeDraws'

/** Where a line goes. */
export type Heading = 'rising' | 'plateau' | 'falling' | 'still' | 'unknown'

/** How a keeper sees beside the one who graded most. */
export interface KeeperTold {
  name: string
  graded: number
  /** by how many rungs higher than the first keeper; none for the first */
  shift: Ranged | null
  /** standard deviation of the error, in rungs; a figure from memory where the same animals were never graded twice */
  blur: Ranged
  measured: boolean
}

/** Two keepers' grades of the same animals. */
export interface AgreementTold extends Agreement {
  graders: readonly [string, string]
  n: number
  atMs: number
}

/** What came of a forecast: how the newest generation was foreseen, and how it was graded. */
export interface CameTold {
  forecast: NextGeneration
  /** mean rung as it was graded */
  meanRung: number
  /** under all that selection, chance and environment explain: a crossing, or another eye (one in forty by chance) */
  unexplained: boolean
}

/** A line as it is told. */
export interface LineTold {
  generations: (GradedGeneration & { inbreeding: Ranged; meanRung: number | null })[]
  heading: Heading
  /** lowest of the rungs that are told together as the best ones, from 0 */
  bestFrom: number
  /** share on the best rungs in the first and the newest graded generation */
  best: { first: number; now: number } | null
  heritability: Ranged
  /** whether the grades say more of the heritability than what was thought before */
  known: boolean
  /** rungs a generation over the last three, where there are as many */
  pace: number | null
  inbreeding: Ranged | null
  /** of who breeds now or bred last */
  variety: Variety | null
  generationsLeft: number | null
  next: NextGeneration | null
  came: CameTold | null
  keepers: KeeperTold[]
  agreements: AgreementTold[]
  /** how those on the lowest rung may come about; null where too few generations have any */
  throwbacks: InheritanceTold[] | null
}

/** Below so many rungs a generation the last three are a plateau (a tenth, common practice, no source). */
const PLATEAU = 0.1
/** A change is told where so many of the possible truths have it. */
const SURE = 0.8
/** Worse than so many of what could come by itself: one generation in forty cries wolf. */
const UNEXPLAINED = 0.025

/** What is told of a line, with the fit that further questions are asked of. */
export interface LineFitted {
  told: LineTold
  read: LineRead
  fit: LineFit
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
  const inbreeding = inbreedingOfGroups(read.history.groups).of
  const generations = read.generations.map(g => ({
    ...g,
    inbreeding: inbreeding.get(g.id)!,
    meanRung: total(g.counts) > 0 ? meanRungOf(g.counts) : null,
  }))
  const graded = generations.filter(g => g.meanRung !== null)
  const { rungs } = read.history
  const bestFrom = rungs >= 4 ? rungs - 2 : rungs - 1
  const [first, now] = [graded[0]!, graded.at(-1)!]
  const running = breedersNow(records, read)
  const variety = running.length > 0 ? varietyAmong(running) : null
  const last = generations.at(-1)!
  const next = hasNext(records, read) ? nextGeneration(fit, { breeders: running, young: USUAL_YOUNG }) : null
  const told: LineTold = {
    generations,
    heading: headingOf(fit, read, graded.length),
    bestFrom,
    best: { first: shareFrom(first.counts, bestFrom), now: shareFrom(now.counts, bestFrom) },
    heritability: fit.heritability,
    known: fit.learnt >= LEARNT_AT_LEAST,
    pace: paceOf(graded.map(g => g.meanRung!)),
    inbreeding: last.inbreeding,
    variety,
    generationsLeft: variety ? generationsLeft(last.inbreeding.value, variety.perGeneration, limit) : null,
    next,
    came: cameOf(read),
    keepers: keepersOf(fit),
    agreements: agreementsOf(records, read),
    throwbacks: throwbacksOf(read),
  }
  return { told, read, fit }
}

const total = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)
export const meanRungOf = (counts: readonly number[]): number =>
  counts.reduce((sum, n, k) => sum + n * (k + 1), 0) / total(counts)
const shareFrom = (counts: readonly number[], from: number) => total(counts.slice(from)) / total(counts)

/** Who breeds now, or bred the newest generation. */
function breedersNow(records: LineRecords, { generations, history }: LineRead): BreederSet[] {
  const sets = runningSets(records, generations.at(-1)?.id)
  return sets.length > 0 ? sets : [...(history.groups.at(-1)?.breeders ?? [])]
}
const runningSets = ({ breedingGroups, ladder }: LineRecords, generationId: string | undefined) =>
  breedingGroups.filter(b => b.state !== 'draft' && b.generationId === generationId).flatMap(b => setsOf(b, ladder))

/** Whether breeders of both sexes are at it whose young nobody has graded. */
function hasNext(records: LineRecords, { generations }: LineRead): boolean {
  const sets = runningSets(records, generations.at(-1)?.id)
  const has = (sex: 'male' | 'female') => sets.some(s => s.sex === sex || s.sex === 'mixed')
  return has('male') && has('female')
}

/** Mean rung a generation over the last three steps. */
function paceOf(means: readonly number[]): number | null {
  return means.length < 4 ? null : (means.at(-1)! - means.at(-4)!) / 3
}

function headingOf(fit: LineFit, { history }: LineRead, graded: number): Heading {
  if (graded < 2) return 'unknown'
  const rows = history.groups.flatMap((g, row) => (g.gradings.length + g.twice.length > 0 ? [row] : []))
  const level = (run: LineFit['draws'][number]['run'], row: number) => run.standings[row]!.mean
  const rising = (from: number) =>
    fit.draws.filter(({ run }) => level(run, rows.at(-1)!) > level(run, from)).length / fit.draws.length
  const early = rising(rows[0]!)
  if (early <= 1 - SURE) return 'falling'
  if (early < SURE) return 'still'
  if (rows.length < 4) return 'rising'
  const step = rungOfLiability(fit)
  // what was graded, without the keepers' eyes: a plateau is one that is seen
  const shown = (run: LineFit['draws'][number]['run'], row: number) =>
    run.standings[row]!.mean + run.standings[row]!.environment
  const lately =
    fit.draws.reduce((sum, { run }) => sum + shown(run, rows.at(-1)!) - shown(run, rows.at(-4)!), 0) /
    fit.draws.length /
    3
  return lately < PLATEAU * step ? 'plateau' : 'rising'
}

/** How wide a rung is, in standard deviations. */
function rungOfLiability(fit: LineFit): number {
  const { cuts } = fit.draws[Math.floor(fit.draws.length / 2)]!.run.eyes.values().next().value!
  return cuts.length > 1 ? (cuts.at(-1)! - cuts[0]!) / (cuts.length - 1) : 1
}

/** The newest generation against what the ones before had foreseen. */
function cameOf({ history, generations }: LineRead): CameTold | null {
  const last = history.groups.at(-1)!
  const before = { ...history, groups: history.groups.slice(0, -1) }
  const { counts, gradings } = generations.at(-1)!
  if (before.groups.length === 0 || total(counts) === 0 || last.breeders.every(b => b.rungs === null)) return null
  if (before.groups.every(g => g.gradings.length + g.twice.length === 0)) return null
  return foreseen(before, { breeders: last.breeders, counts, grader: gradings[0] && graderOf(gradings[0]) })
}

/**
 * Holds a graded generation against what was foreseen of it.
 * @param before the line without it
 * @param young its breeders, how it was graded by rungs, and by whom
 */
export function foreseen(
  before: LineHistory,
  young: { breeders: readonly BreederSet[]; counts: readonly number[]; grader: string | undefined },
): CameTold {
  const { breeders, counts, grader } = young
  const fit = fitLine(before)
  const known = grader !== undefined && fit.model.graders.includes(grader) ? { grader } : {}
  const forecast = nextGeneration(fit, { breeders, young: total(counts), ...known })
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

/** How each keeper sees, in rungs. */
function keepersOf(fit: LineFit): KeeperTold[] {
  const { history, graders } = fit.model
  const step = rungOfLiability(fit)
  return graders.map((name, i) => {
    const eyes = fit.draws.map(d => d.run.eyes.get(name)!)
    const pairs = history.groups.flatMap(g => g.twice.filter(t => t.graders.includes(name)))
    const alone = history.groups.flatMap(g => g.gradings.filter(x => x.grader === name))
    return {
      name,
      graded:
        total(alone.map(g => total(g.cells.map(c => c.number)))) +
        total(pairs.map(p => total(p.table.map(r => total(r))))),
      shift: i === 0 ? null : rangeOf(eyes.map(e => e.shift / step)),
      blur: rangeOf(eyes.map(e => Math.sqrt(e.blur) / step)),
      measured: pairs.length > 0,
    }
  })
}

/** How well keepers agree, session by session. */
function agreementsOf({ ladder }: LineRecords, { generations }: LineRead): AgreementTold[] {
  const gradings: EntryOf<'grading'>[] = generations.flatMap(g => g.gradings)
  return pairedSessions(gradings, ladder).flatMap(({ second, twice }) => {
    const n = total(twice.table.map(r => total(r)))
    const used = twice.table.some((row, i) => total(row) !== row[i])
    if (n < 2) return []
    const agreement = used ? weightedKappa(twice.table, 'linear') : { kappa: 1, se: 0 }
    return [{ ...agreement, graders: twice.graders, n, atMs: Date.parse(second.at) }]
  })
}
