import { streamAt } from '#core/stats'
import { answerPopulation, FIRST_LOOK, type Grain, MODEL, numberNow, WHOLE } from './answer'
import { dyingPerWeek } from './deathWatch'
import { exactFit } from './exactFit'
import { hatchFit, hatchFutures } from './hatchFit'
import { type Begun, type Fit, fitPopulation, type Stopped } from './fit'
import {
  type Doing,
  type Floors,
  type Futures,
  type Living,
  liveFutures,
  type Risk,
  riskOf,
  type Start,
} from './futures'
import { rowsOfTake, type TakeOf } from './comeAndGo'
import { rangeOver } from './particles'
import type { JudgedCount, PopulationAnswer, PopulationQuestion, Range } from './question'
import type { StageRates } from './rates'

/** Futures that are asked of a colony. */
export interface FutureAsked {
  /** how many, over how many weeks */
  size: number
  weeks: number
  doing?: Doing
  /** other conditions than today's */
  rates?: StageRates
  /** which stretch of luck, where futures are lived in several: each starts from other possible colonies */
  chunk?: number
}

/**
 * A colony whose log was read by a model. This is all that the rest of the house may ask of it; how a model holds what
 * it knows is its own business, so that another one can take its place.
 */
export interface FittedColony {
  /** likely number today of whom a take goes for, or of all that are counted */
  numbers: (of: TakeOf | 'all') => Range
  /** its counts, and what became of each */
  counts: () => readonly JudgedCount[]
  /** deaths that go on beside the usual ones, per animal and week */
  dyingPerWeek: () => number
  /** many futures in which something is done; those of the same chunk share all their luck */
  futures: (asked: FutureAsked) => Futures
  /** chance of falling under a floor in such futures; may give up once it is larger than allowed */
  risk: (asked: FutureAsked, floors: Floors, allowed: number) => Risk
  /** the same colony when its log has gone on, or anything else of it has changed */
  resume: (question: PopulationQuestion, stopped?: Stopped) => FittedColony
  /** everything that is told of it */
  explain: () => PopulationAnswer
  /** where its fit stood a step ago, to go on from on another day; null where it is too young */
  keep: () => KeptFit | null
  /** memory that it takes to keep, in bytes, near enough */
  bytes: () => number
}

/**
 * What is held of a colony before its log is read, where it is not what the question says of its group: spreads on the
 * log scale of young that come up, deaths, room, and of the shares of animals and broods that are seen; and how many
 * animals the glass is thought to have room for, where more is known of it than its litres.
 */
export type Prior = Partial<PopulationQuestion['spreads']> & { roomFor?: number }

/** Where a fit stood: plain data, for a model of the same name and version alone. */
export interface KeptFit extends Begun {
  model: string
}

/** How a fit is made. */
export interface FitOptions {
  /** an earlier fit of the same colony: it goes on from there where it can */
  kept?: KeptFit | undefined
  particles?: number
  /** a quick look by few possible colonies, which is told as such */
  firstLook?: boolean
  prior?: Prior
  stopped?: Stopped
}

/** A model of populations: it reads a question, in which the log and what is believed of the group stand. */
export interface PopulationModel {
  fit: (question: PopulationQuestion, options?: FitOptions) => FittedColony
}

/** The model of stages (see docs/science.md). */
export const stageModel: PopulationModel = {
  fit: (asked, { kept, firstLook = false, particles, prior = {}, stopped } = {}) => {
    const question = withPrior(asked, prior)
    const usual = firstLook ? FIRST_LOOK : WHOLE
    const grain = { ...usual, particles: particles ?? usual.particles }
    const before = kept?.model === MODEL ? kept : undefined
    return fittedColony(question, { prior, grain }, fitOf(question, grain.particles, before, stopped))
  },
}

/** Where all are known one by one there is nothing to fit, and one hatch was fitted already. */
const fitOf = (question: PopulationQuestion, size: number, before?: Begun, stopped?: Stopped): Fit =>
  question.hatch
    ? hatchFit(question, question.hatch, size)
    : question.known
      ? exactFit(question, question.known, size)
      : fitPopulation(question, size, before, stopped)

/** The model that the house reckons with: another one takes its place here, and nowhere else. */
export const populationModel: PopulationModel = stageModel

function withPrior(question: PopulationQuestion, { roomFor, ...spreads }: Prior): PopulationQuestion {
  const roomy = (rates: StageRates) => (roomFor === undefined ? rates : { ...rates, capacity: roomFor })
  return {
    ...question,
    rates: roomy(question.rates),
    ...(question.pastRates && { pastRates: question.pastRates.map(p => ({ ...p, rates: roomy(p.rates) })) }),
    spreads: { ...question.spreads, ...spreads },
  }
}

/** How a colony was fitted: it is kept to when its log goes on. */
interface Manner {
  prior: Prior
  grain: Grain
}

function fittedColony(question: PopulationQuestion, manner: Manner, fit: Fit): FittedColony {
  const living = ({ chunk, rates = question.rates, ...asked }: FutureAsked): Living => ({
    ...asked,
    rates,
    start: turned(fit, chunk ?? 0),
    seed: chunk === undefined ? question.seed : streamAt(question.seed, 31, chunk),
  })
  const colony: FittedColony = {
    numbers: of =>
      of === 'all'
        ? numberNow(fit)
        : rangeOver(fit, i => rowsOfTake(of).reduce((sum, row) => sum + fit.cloud[row * fit.size + i]!, 0)),
    counts: () => fit.counts,
    dyingPerWeek: () => dyingPerWeek(fit.toll, question.rates.dtWeeks, numberNow(fit).value),
    futures: asked =>
      question.hatch
        ? hatchFutures(question.hatch, { nowMs: question.nowMs, size: asked.size, weeks: asked.weeks })
        : liveFutures(living(asked)),
    risk: (asked, floors, allowed) => riskOf(living(asked), floors, allowed),
    resume: (asked, stopped) => {
      const next = withPrior(asked, manner.prior)
      return fittedColony(next, manner, fitOf(next, fit.size, fit, stopped))
    },
    explain: () => answerPopulation(question, fit, { colony, grain: manner.grain }),
    keep: () => keptFit(fit),
    bytes: () => bytesOf(fit),
  }
  return colony
}

/** Another chunk starts from other colonies of the cloud, so that all of them are used. */
function turned(fit: Fit, chunk: number): Start {
  if (chunk === 0) return fit
  const { cloud, size } = fit
  const rows = cloud.length / size
  const shift = (chunk * 7) % size
  const other = new Float64Array(cloud.length)
  for (let r = 0; r < rows; r++) {
    other.set(cloud.subarray(r * size + shift, (r + 1) * size), r * size)
    other.set(cloud.subarray(r * size, r * size + shift), r * size + size - shift)
  }
  return { cloud: other, size }
}

/** One checkpoint does: what is new on another day lies after it. */
function keptFit({ basis, size, checkpoints }: Fit): KeptFit | null {
  const last = checkpoints.at(-2) ?? checkpoints.at(-1)
  return last ? { model: MODEL, basis, size, checkpoints: [last] } : null
}

/** The arrays of a fit; path and counts beside them are small. */
function bytesOf({ cloud, checkpoints }: Fit): number {
  const of = (c: Fit['checkpoints'][number]) =>
    c.cloud.byteLength + c.logWeights.byteLength + c.pending.reduce((sum, p) => sum + p.stories.byteLength, 0)
  return checkpoints.reduce((sum, c) => sum + of(c), cloud.byteLength)
}
