import { preferredC, type ResolvedGroup } from '#core/groups'
import { type Colony, headsTotal } from '#core/records'

/** Stages of larvae that grow up in the sea, and of animals from dry eggs. */
export const larvaStages = ['early', 'middle', 'late', 'settled'] as const
export const poolStages = ['hatchling', 'young', 'grown'] as const
export type BatchStage = (typeof larvaStages)[number] | (typeof poolStages)[number]

/** What is believed of one hatch before anything was seen. Days are those at the group's temperature. */
export interface BatchLaw {
  kind: 'larvae' | 'pool'
  stages: readonly BatchStage[]
  /** of every stage but the last: how long it takes, and the share that lives through it */
  passes: readonly { days: number; lives: number }[]
  /** the last stage: deaths a day, and the life in it where it ends by age */
  last: { dailyLoss: number; lifeDays: number | null }
  /** how many hatch, on the log scale */
  hatched: { logMean: number; logSd: number }
  /** days from the flood to the hatch, on the log scale; null where the hatch was seen */
  wait: { logMean: number; logSd: number } | null
  /** chance that nothing hatches */
  fails: number
  warmth: { q10: number; referenceC: number }
}

/** Nobody counts larvae: a number that was typed is this rough, and that of a brood more so (from memory). */
const TYPED_SD = 0.5
const BROOD_SD = 0.9
/** Those that have settled and stay in salt water (from memory). */
const SETTLED_LOSS = 0.03
/** Dry eggs in a handful of ground: some thirty hatch, or three, or three hundred (from memory). */
const POOL_HATCH = { logMean: Math.log(30), logSd: 1.2 }
const POOL_FAILS = 0.12
/** Grown animals of a pool that die before their age (from memory). */
const GROWN_LOSS = 0.02

/** How far a single hatch may lie from its group, on the log scale (from memory). */
export const SPREADS = {
  /** of how long it takes */
  pace: 0.18,
  /** of one animal beside another */
  among: 0.12,
  amongLog: 0.35,
  /** of what they die of: of all stages, and of one beside the others */
  loss: 0.6,
  stage: 0.45,
  /** of where a keeper draws the line between two stages, as a share of the way */
  judge: 0.05,
  /** of the pace of the days ahead beside that so far */
  ahead: 0.1,
  /** of the life of the grown, and of one beside another */
  life: 0.2,
  lifeAmong: 0.2,
} as const

/**
 * The law of a colony that is one hatch: larvae that are reared in the sea, or animals from dry eggs.
 * @param arrived animals that were put in after it was begun
 * @returns null for every other colony
 */
export function batchLaw(
  resolved: Pick<ResolvedGroup, 'group' | 'targets'>,
  colony: Pick<Colony, 'form' | 'founders'>,
  arrived = 0,
): BatchLaw | null {
  const { stages, larvae, dryEggs } = resolved.group
  const warmth = { q10: stages.q10.value, referenceC: preferredC(resolved) }
  const typed = headsTotal(colony.founders) + arrived
  const brood = stages.broodSize.value
  if (colony.form === 'rearing' && larvae) {
    const days = (7 * stages.firstWeeks.value) / 3
    const lives = larvae.survive.value ** (1 / 3)
    return {
      kind: 'larvae',
      stages: larvaStages,
      passes: [1, 2, 3].map(() => ({ days, lives })),
      last: { dailyLoss: SETTLED_LOSS, lifeDays: null },
      hatched: { logMean: Math.log(typed || brood), logSd: typed ? TYPED_SD : BROOD_SD },
      wait: null,
      fails: 0,
      warmth,
    }
  }
  if (colony.form === 'batch' && dryEggs) {
    const [soon, late] = dryEggs.hatchDays.range
    const lives = Math.sqrt(dryEggs.growUp.value)
    return {
      kind: 'pool',
      stages: poolStages,
      passes: [stages.firstWeeks, stages.youngWeeks].map(weeks => ({ days: 7 * weeks.value, lives })),
      last: { dailyLoss: GROWN_LOSS, lifeDays: 7 * stages.adultWeeks.value },
      hatched: typed ? { logMean: Math.log(typed), logSd: TYPED_SD } : POOL_HATCH,
      // nine in ten hatches lie within the days that keepers tell
      wait: { logMean: Math.log(Math.sqrt(soon * late)), logSd: Math.log(late / soon) / (2 * 1.645) },
      fails: POOL_FAILS,
      warmth,
    }
  }
  return null
}
