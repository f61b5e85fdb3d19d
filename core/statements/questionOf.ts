import { type BatchRead, standingOfAll } from '#core/batches'
import { eggRoomsOf, type OwnPace, paceOf, type WatchedLength } from '#core/broods'
import { habitatLitres, preferredC, resolveGroup } from '#core/groups'
import { type Colony, type Entry, type Glass, momentMs, WEEK_MS } from '#core/records'
import { type HatchCourses, OWN_SHARE, type PopulationQuestion, spreadsOf, stageRates } from '#core/population'
import { hashText } from '#core/stats'
import type { TemperatureReading } from '#core/warmth'
import { climateOf } from './climate'
import { BROOD_SIGHT, eventsOf } from './effects'
import { broodEntries, type FollowedHere, knownColony } from './followedAnimals'
import { fitWindow, MOST_STEPS } from './window'

/** Weeks of temperature readings that the pace of life ahead is taken from. */
const TEMPERATURE_WEEKS = 12
/** Share of the births that no clutch in the log speaks for, where clutches are logged as they hatch (from memory). */
const UNLOGGED = 0.25
/** Grown females among those that must stay, where the keeper has not said how many (from memory). */
const FEMALES_OF_KEEP = 0.25
/** Chance of falling under the floor that a take may bring where the keeper has not chosen one. */
export const ALLOWED_RISK = 0.1

const NOBODY: FollowedHere = { all: [], here: [] }

/** What was logged of a colony. */
export interface ColonyLog {
  /** standing entries, in order of time */
  entries: readonly Entry[]
  /** of its glass: moment and °C, in order of time */
  temperatures?: readonly TemperatureReading[]
  /** broods of this keeper's other colonies of the group that were watched to their end */
  lengths?: readonly WatchedLength[]
  /** its followed animals */
  followed?: FollowedHere
  /** those that breed for their line */
  breeding?: PopulationQuestion['breeding']
  /** where it is one hatch: what is known of it */
  batch?: BatchRead | null
  /** what lies further back is not lived through */
  mostSteps?: number
}

/**
 * Turns a colony's standing entries into the question that the population model answers.
 * @param nowMs today
 */
export function questionOf(
  colony: Colony,
  glass: Pick<Glass, 'grossL' | 'fill'>,
  { entries, temperatures = [], lengths = [], followed = NOBODY, breeding, batch, mostSteps = MOST_STEPS }: ColonyLog,
  nowMs: number,
): PopulationQuestion {
  const resolved = resolveGroup(colony)
  const { group } = resolved
  const events = entries.flatMap(entry => eventsOf(entry, colony.id, resolved))
  const temperatureC = temperatureOf(temperatures, nowMs) ?? preferredC(resolved)
  const capacity = Math.max(1, resolved.capacityPerL.value * habitatLitres(group, glass))
  const pace = rounded(paceOf({ resolved, entries, temperatures, lengths, nowMs }))
  const rates = stageRates(resolved, { temperatureC, capacity, pace })
  const began = { startMs: momentMs(colony.startedAt), founders: colony.founders }
  const window = fitWindow(began, events, { dtWeeks: rates.dtWeeks, mostSteps }, nowMs)
  // each week of the log went by its own temperature; those ahead go by that of the last weeks
  const ratesAt = new Map([[temperatureC, rates]])
  const pastRates = climateOf(temperatures, { startMs: window.startMs, nowMs }, preferredC(resolved)).map(stretch => {
    const known = ratesAt.get(stretch.temperatureC) ?? stageRates(resolved, { ...stretch, capacity, pace })
    ratesAt.set(stretch.temperatureC, known)
    return { ...stretch, rates: known }
  })
  const sign = group.care.brood?.sign
  const clutches = entries.some(e => e.kind === 'clutch' && e.event === 'hatched' && e.place === 'inPlace')
  const { allSeen } = resolved.counting
  const alone = resolved.batch ? null : knownColony(colony, { resolved, entries, nowMs }, followed)
  const carried = () => ({
    resolved,
    entries: broodEntries(colony.id, entries, followed),
    temperatures,
    lengths,
    nowMs,
  })
  return {
    seed: hashText(colony.id),
    startMs: window.startMs,
    nowMs,
    founders: window.founders,
    ...(window.foundersSd !== undefined && { foundersSd: window.foundersSd }),
    ...(window.leftOutBefore !== null && { leftOutBefore: window.leftOutBefore }),
    ...(batch && { hatch: coursesOf(batch) }),
    ...(alone && { known: { heads: alone.heads, course: alone.course, rooms: eggRoomsOf(carried()) } }),
    events,
    rates,
    pastRates,
    spreads: spreadsOf(resolved, rates),
    temperatureC,
    ownBirths: clutches ? UNLOGGED : 1,
    minimumKeep: resolved.minimumKeep.value,
    minimumFemales:
      colony.minimumFemales ??
      (group.life.breedsInPlace && group.stages.femaleShare.value < 1
        ? Math.round(resolved.minimumKeep.value * FEMALES_OF_KEEP)
        : 0),
    femalesAreOwn: colony.minimumFemales !== undefined,
    ...(breeding && { breeding }),
    allowedRisk: colony.allowedRisk ?? ALLOWED_RISK,
    fullCount: { share: allSeen.share, sdLog: allSeen.sdLog * Math.sqrt(1 - OWN_SHARE * OWN_SHARE) },
    ...(sign && { broodSight: BROOD_SIGHT[sign] }),
  }
}

/** To two in a hundred: a reading more must not make the fit begin anew. */
const rounded = ({ log, sd, broods }: OwnPace): OwnPace => ({
  log: Math.round(50 * log) / 50,
  sd: Math.round(50 * sd) / 50,
  broods,
})

/** Mean temperature of the last weeks; null where nobody measured. */
function temperatureOf(readings: readonly TemperatureReading[], nowMs: number): number | null {
  const late = readings.filter(r => r.at <= nowMs && r.at > nowMs - TEMPERATURE_WEEKS * WEEK_MS)
  // to half a degree: a tenth more or less must not make the fit begin anew
  return late.length > 0 ? Math.round((2 * late.reduce((sum, r) => sum + r.value, 0)) / late.length) / 2 : null
}

/** A hatch as the model of numbers takes it in. */
function coursesOf({ belief }: BatchRead): HatchCourses {
  // the same days are asked for more than once
  const known = new Map<number, ReturnType<HatchCourses['at']>>()
  const at = (ms: number) => {
    const { left, totals } = standingOfAll(belief, ms)
    const grown = Float64Array.from(left, (l, i) => Math.min(totals[i]!, l.at(-1)!))
    return { grown, young: totals.map((n, i) => n - grown[i]!) }
  }
  return {
    size: belief.courses.length,
    at: ms => {
      const there = known.get(ms) ?? at(ms)
      known.set(ms, there)
      return there
    },
  }
}
