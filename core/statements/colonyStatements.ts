import { type BatchRead, type BatchTold, readBatch, saltDown, type SaltStep, saltUp } from '#core/batches'
import { type ColonyBroods, colonyBroods, type WatchedLength } from '#core/broods'
import { type ResolvedGroup, resolveGroup, type Target } from '#core/groups'
import {
  type FittedColony,
  type KeptFit,
  type PopulationAnswer,
  type PopulationQuestion,
  populationModel,
} from '#core/population'
import {
  type Colony,
  currentEntries,
  type Entry,
  type Glass,
  momentMs,
  netLitres,
  valueKeys,
  type VerdictState,
} from '#core/records'
import { judgeValue, phSwing, type ValueVerdict, type WaterStory, waterStory, withSwing } from '#core/water'
import type { AnimalLife, Followed } from '#core/animals'
import type { TemperatureReading } from '#core/warmth'
import { batchStatements } from './batchStatements'
import { broodEntries, type FollowedHere, followedHere, livesOf } from './followedAnimals'
import { comingOf } from './coming'
import { sexesOf } from './sexes'
import { type SizesTold, sizesTold } from './sizesTold'
import { headingStatement } from './headingStatement'
import { type MoltsTold, moltsTold } from './moltStatement'
import { numberStatement } from './numberStatement'
import { questionOf } from './questionOf'
import type { Statement, WaterStatement } from './statement'
import { surplusStatement } from './surplusStatement'
import { waterStatement } from './waterStatement'

/**
 * The four statements of one colony and the numbers that its pictures are drawn from. Plain data: it crosses to and
 * from a worker and is stored.
 */
export interface ColonyStatements {
  colonyId: string
  asOf: number
  netL: number
  changeL: number
  number: Statement
  heading: Statement
  surplus: Statement
  water: WaterStatement
  /** null for animals that do not molt, for a batch, and in a first look */
  molts: MoltsTold | null
  /** null for animals whose broods nobody sees, or that never hatch in their water */
  broods: ColonyBroods | null
  /** where it is one hatch: larvae in a tub, or animals from dry eggs */
  batch: BatchTold | null
  /** steps of salt of larvae, or of those that come back from the sea */
  salt: SaltStep[]
  /** null for animals that nobody measures */
  sizes: SizesTold | null
  /** lives of the followed animals that live here, or lived here last */
  animals: AnimalLife[]
  population: PopulationAnswer
}

/** Everything that the statements of a colony follow from. */
export interface StatementInput {
  colony: Colony
  /** where it stands: its litres are the room that it has */
  glass: Glass
  /** whose water it lives in: the glass's own, or that of the host in which a box hangs */
  water: Glass
  /** all entries of the colony, and all of its water; superseded ones are sorted out here */
  colonyEntries: readonly Entry[]
  glassEntries: readonly Entry[]
  /** the waters of glasses where it stood before, with what was logged of them in that time */
  earlier: readonly { water: Glass; entries: readonly Entry[] }[]
  /** followed animals that ever lived in it, each with all entries that name it */
  animals?: readonly Followed[]
  /** grown animals of it that breed for their line: they stay */
  breeding?: PopulationQuestion['breeding']
  /** broods of this keeper's other colonies of the group that were watched to their end */
  taughtBy?: readonly TaughtBy[]
  nowMs: number
  /** where the keeper lives, as an IANA name: dawn and dusk are told by its clock */
  zone: string
}

/** What the broods of one colony have taught of the keeper's pace. */
export interface TaughtBy {
  colonyId: string
  lengths: readonly WatchedLength[]
}
const taught = ({ taughtBy = [] }: StatementInput): WatchedLength[] => taughtBy.flatMap(t => t.lengths)

/** The question of a colony and the story of its water, from the raw logs of both. */
export function questionFrom(
  input: StatementInput,
  mostSteps?: number,
): {
  question: PopulationQuestion
  story: WaterStory
  /** of all waters that it stood in, each in its time */
  temperatures: readonly TemperatureReading[]
  followed: FollowedHere
  batch: BatchRead | null
} {
  const { colony, glass, water, colonyEntries, glassEntries, earlier, nowMs } = input
  const storyOf = (of: Glass, entries: readonly Entry[]) => waterStory(currentEntries(entries), netLitres(of), nowMs)
  const story = storyOf(water, glassEntries)
  // the pace of life follows the waters in which the colony stood, each in its time
  const arrived = momentMs(colony.stays.at(-1)!.from)
  const before = earlier.flatMap(e => storyOf(e.water, e.entries).readings.get('temperatureC') ?? [])
  const here = (story.readings.get('temperatureC') ?? []).filter(r => earlier.length === 0 || r.at >= arrived)
  const temperatures = [...before, ...here]
  const followed = followedHere(colony.id, input.animals ?? [])
  const entries = currentEntries(colonyEntries)
  const resolved = resolveGroup(colony)
  const rough = mostSteps !== undefined
  const batch = readBatch({ resolved, colony, entries, temperatures, netL: netLitres(water), nowMs, rough })
  return {
    ...{ temperatures, followed, batch },
    question: questionOf(
      colony,
      glass,
      {
        entries,
        ...{ temperatures, followed, batch },
        lengths: taught(input),
        ...(input.breeding && { breeding: input.breeding }),
        ...(mostSteps && { mostSteps }),
      },
      nowMs,
    ),
    story,
  }
}

/**
 * How many there are, where it is heading, what can go, and what the water needs.
 * @param input records and all entries of the colony and its glass
 * @param before an earlier fit of the same colony, or what was kept of it: the fit goes on from it where only later
 * entries are new
 * @returns the statements, and the fit for the next time
 */
export function colonyStatements(
  input: StatementInput,
  before?: FittedColony | KeptFit,
): { statements: ColonyStatements; fit: FittedColony } {
  const asked = questionFrom(input)
  const { question } = asked
  const fit = before && 'resume' in before ? before.resume(question) : populationModel.fit(question, { kept: before })
  return { statements: statementsFrom(input, fit.explain(), asked), fit }
}

/** Steps of the log that a first look lives through: the half year that the Room draws, and some to find its feet. */
const FIRST_LOOK_STEPS = 32

/**
 * The same by few possible colonies, from the last half year, and without what can go: for a room that has to be told
 * at once. What is said of the water is as good as it will be.
 */
export function firstLook(input: StatementInput): ColonyStatements {
  const asked = questionFrom(input, FIRST_LOOK_STEPS)
  return statementsFrom(input, populationModel.fit(asked.question, { firstLook: true }).explain(), asked)
}

/** A batch ends by itself: that there are far fewer than last time asks nobody for another count. */
const ofBatch = (p: PopulationAnswer): PopulationAnswer => ({
  ...p,
  asks: p.asks && p.asks.gone < 0 ? p.asks : null,
  loss: null,
})

function statementsFrom(
  input: StatementInput,
  answer: PopulationAnswer,
  { question, story, temperatures, followed, batch }: ReturnType<typeof questionFrom>,
): ColonyStatements {
  const { colony, nowMs } = input
  const group = resolveGroup(colony)
  const known = group.batch ? ofBatch(answer) : answer
  const netL = netLitres(input.water)
  const changeL = netL * (group.change?.share ?? 0.1)

  const values = valuesOf(group, story, input)
  const water = waterStatement(values)
  const standing = currentEntries(input.colonyEntries)
  const broods = group.batch
    ? null
    : colonyBroods({
        resolved: group,
        entries: broodEntries(colony.id, standing, followed),
        temperatures,
        // where all are followed nobody carries unseen
        rooms: question.known ? null : answer.broods.rooms,
        lengths: taught(input),
        nowMs,
      })
  const molts = moltsTold({
    ...{ colony, resolved: group, question, answer: known, colonyEntries: standing },
    ...{ values, story, entries: currentEntries(input.glassEntries), nowMs },
  })
  // molts that are enough to tell are watched by themselves; else the alarm of deaths takes those of them too
  const apart = molts !== null && !molts.watch.tooFew
  const population = apart ? { ...known, deaths: known.deathsBesideMolts } : known
  return {
    colonyId: colony.id,
    asOf: nowMs,
    netL,
    changeL,
    ...threeOf(input, population, { group, broods, molts, standing, water: water.state, batch: batch?.told ?? null }),
    molts,
    broods,
    batch: batch?.told ?? null,
    salt: saltOf(input, group, story),
    sizes: sizesTold(group, standing, question.temperatureC),
    animals: livesOf(followed, {
      ...{ resolved: group, temperatures, temperatureC: question.temperatureC, nowMs },
      broods: broods?.followed ?? [],
    }),
    water,
    population,
  }
}

/** How many, where it is heading and what can go. */
function threeOf(
  { colony, nowMs, breeding }: StatementInput,
  population: PopulationAnswer,
  told: {
    group: ResolvedGroup
    broods: ColonyBroods | null
    molts: MoltsTold | null
    standing: readonly Entry[]
    water: VerdictState
    batch: BatchTold | null
  },
): Pick<ColonyStatements, 'number' | 'heading' | 'surplus'> {
  const { group, broods, molts, standing, water, batch } = told
  if (batch && !population.firstLook) return batchStatements(batch, nowMs)
  return {
    number: numberStatement(population, {
      nowMs,
      coming: comingOf(broods, group.group.stages.broodSize.value, standing, nowMs),
      sexes: sexesOf(group, colony, standing, nowMs),
      batch: group.batch,
    }),
    heading: headingStatement(population, group, molts?.watch),
    surplus: surplusStatement(population, {
      ...{ water, batch: group.batch, molts: molts?.watch ?? null },
      ...(breeding && { breeding }),
    }),
  }
}

/** What is said of each value of the water: those that the group has targets for, and what somebody has read. */
function valuesOf(
  group: ResolvedGroup,
  { readings, events }: WaterStory,
  input: Pick<StatementInput, 'nowMs' | 'zone'>,
): ValueVerdict[] {
  const values: ValueVerdict[] = []
  for (const key of valueKeys) {
    const logged = readings.has(key) ? group.judgedWhereLogged[key] : undefined
    const target: Target | undefined = group.targets[key] ?? logged
    if (!target) continue
    const verdict = judgeValue({
      key,
      target,
      readings: readings.get(key) ?? [],
      nowMs: input.nowMs,
      largestStep: group.largestStepPerWeek[key]?.value,
      events,
      ...(key === 'ghDh' && { conductivity: readings.get('conductivityUsCm') ?? [] }),
    })
    values.push(key === 'ph' ? withSwing(verdict, phSwing(readings.get('ph') ?? [], input.nowMs, input.zone)) : verdict)
  }
  return values
}

/** Steps of salt: up after the hatch of larvae, and down for the last that came back from the sea. */
function saltOf({ colony, colonyEntries }: StatementInput, group: ResolvedGroup, { readings }: WaterStory): SaltStep[] {
  if (!group.group.larvae) return []
  const salt = readings.get('salinityGKg') ?? []
  if (colony.form === 'rearing') return saltUp(group, momentMs(colony.startedAt), salt)
  const came = currentEntries(colonyEntries).findLast(e => e.kind === 'move' && e.toColonyId === colony.id)
  return came ? saltDown(group, momentMs(came.at), salt) : []
}
