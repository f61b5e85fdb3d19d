import { type ValueKey, WEEK_MS } from '#core/records'
import {
  goingOn,
  normalBelow,
  type SwitchingBelief,
  type SwitchingNoise,
  switchingAfter,
  switchingFrom,
  switchingSeen,
  together,
  type TrendBelief,
} from '#core/stats'
import { readingSd } from './methodDoubt'
import type { ValueReading } from './valueShapes'

/** A change between two readings that neither the tests' doubt nor the glass's own wandering explains. */
export interface ValueStep {
  /** moments of the readings before and after it */
  since: number
  at: number
  /** what was believed before, and what was read after */
  from: number
  to: number
}

/** A value as its readings tell it: level and slope at the newest one. */
export interface ValuePath {
  at: number
  belief: SwitchingBelief
  noise: SwitchingNoise
  /** doubt by the glass's own scatter: what the readings stray by, over what they should */
  scatter: number
  /** what the keeper's usual changes and top-ups add, per week; the slope holds it already */
  poured: number
  steps: ValueStep[]
}

// All from memory, and tried on glasses that are well and on such that slide (docs/science.md). Breadths of the range,
// and weeks.
/** A quiet glass wanders; the year's wave is a slope too, but a small one. */
const STEADY = { wander: 0.04, slopeSd: 0.01, memory: 6 }
/** One that slides: from the middle to the edge within two or three months, or faster. */
const MOVING = { wander: 0.03, slopeSd: 0.08, memory: 12 }
/** How long a glass is quiet, and how long it slides when it does. */
const LASTS = { steady: 70, moving: 18 }
/** Chance that a glass leaps between two tests (a change that was too large, a slip), and by how much. */
const LEAP = { chance: 0.01, size: 0.7 }
/** From so much chance a leap is told as a step. */
const SURE_OF_STEP = 0.9
/** A reading that fits so many standard deviations to what was before shows that the one between was a slip. */
const SLIP = 2
/** Older readings change nothing that is believed today. */
const LOOK_BACK_WEEKS = 60
/** The known doubts count as so many readings of ordinary scatter. */
const PRIOR_READINGS = 6
const SCATTER = { least: 0.5, most: 3 }
/** Surprises beyond this are slips and steps, and say nothing about scatter. */
const SURPRISE_MOST = 2.5
/** A habit of pouring: so many pours in so many weeks. */
const POURS = { fewest: 4, weeks: 10 }

/** How a value of a range of some breadth lives. */
function noiseOf(breadth: number): SwitchingNoise {
  const scaled = ({ wander, slopeSd, memory }: typeof STEADY) => ({
    wander: wander * breadth,
    slopeSd: slopeSd * breadth,
    memory,
  })
  return {
    steady: scaled(STEADY),
    moving: scaled(MOVING),
    steadyFor: LASTS.steady,
    movesFor: LASTS.moving,
    leaps: LEAP.chance,
    leapSd: LEAP.size * breadth,
  }
}

/**
 * Reads level and slope from all readings: a local level that is steady or moves, shifted by what was poured, begun
 * anew where it steps. A single reading that the next one does not bear out was a slip and is passed over. How far this
 * glass's readings stray is learnt from themselves.
 * @param key which value
 * @param readings of it, oldest first, at least one
 * @param breadth of the range that the value should keep to, in its unit, > 0
 */
export function valuePath(key: ValueKey, readings: readonly ValueReading[], breadth: number): ValuePath {
  const noise = noiseOf(breadth)
  const recent = readings.filter(r => r.at > readings.at(-1)!.at - LOOK_BACK_WEEKS * WEEK_MS)
  const poured = usuallyPoured(recent, recent.at(-1)!.at)
  const { scatter } = followed(key, recent, { noise, poured, scatter: 1 })
  const { at, belief, steps } = followed(key, recent, { noise, poured, scatter })
  return { at, belief, noise, scatter, poured, steps }
}

/**
 * The readings one after the other. The slope is that of everything together, the usual pours too: between two pours
 * the level goes the other way by as much as they add.
 */
function followed(
  key: ValueKey,
  readings: readonly ValueReading[],
  { noise, poured, scatter }: Pick<ValuePath, 'noise' | 'poured' | 'scatter'>,
) {
  const first = readings[0]!
  const steps: ValueStep[] = []
  let belief = switchingFrom(first.value, scatter * first.sd, noise)
  let at = first.at
  /** what was believed before the last step, carried on: the way back if that was a slip */
  let passed: SwitchingBelief | null = null
  let strayed = 0
  let n = 0
  for (const r of readings.slice(1)) {
    const weeks = Math.max(0, (r.at - at) / WEEK_MS)
    const between = { keep: 1, add: -poured * weeks, sd: 0 }
    belief = pouredInto(switchingAfter(belief, weeks, noise), between)
    passed &&= pouredInto(switchingAfter(passed, weeks, noise), between)
    const since = at
    at = r.at
    const sd = scatter * r.sd
    if (r.method === 'reckoned') {
      belief = r.poured ? pouredInto(belief, r.poured) : switchingFrom(r.value, sd, noise)
      passed &&= r.poured ? pouredInto(passed, r.poured) : null
      continue
    }
    const { method } = r
    const own = readingSd(key, method, r.value)
    const sdAt = (level: number) => (sd * readingSd(key, method, level)) / own
    const seen = switchingSeen(belief, r.value, sdAt, noise)
    const asBefore: typeof seen | null = passed && switchingSeen(passed, r.value, sdAt, noise)
    passed = null
    if (asBefore && Math.abs(asBefore.surprise) < Math.min(SLIP, Math.abs(seen.surprise))) {
      steps.pop()
      belief = asBefore.belief
      continue
    }
    if (seen.leapt > SURE_OF_STEP) {
      steps.push({ since, at, from: together(belief).level, to: r.value })
      passed = belief
    } else {
      strayed += Math.min(Math.abs(seen.surprise), SURPRISE_MOST) ** 2
      n++
    }
    belief = seen.belief
  }
  const stretch = Math.sqrt((PRIOR_READINGS + strayed) / (PRIOR_READINGS + n))
  return { at, belief, steps, scatter: Math.min(SCATTER.most, Math.max(SCATTER.least, stretch)) }
}

function pouredInto(b: SwitchingBelief, by: NonNullable<ValueReading['poured']>): SwitchingBelief {
  const after = ({ level, slope, levelVar, cov, slopeVar }: TrendBelief): TrendBelief => ({
    level: by.keep * level + by.add,
    slope,
    levelVar: by.keep ** 2 * levelVar + by.sd ** 2,
    cov: by.keep * cov,
    slopeVar,
  })
  return { steady: after(b.steady), moving: after(b.moving), moves: b.moves }
}

/** What usual pours add in a week: the middle one times how often; nothing without a habit. */
function usuallyPoured(readings: readonly ValueReading[], until: number): number {
  const by = readings.flatMap((r, i) =>
    r.poured && i > 0 && r.at > until - POURS.weeks * WEEK_MS ? [r.value - readings[i - 1]!.value] : [],
  )
  if (by.length < POURS.fewest) return 0
  const middle = by.toSorted((a, b) => a - b)[Math.floor(by.length / 2)]!
  return (middle * by.length) / POURS.weeks
}

/** Level and slope at a later moment, with standard deviations, and the chances that hang on them. */
export interface PathPoint {
  level: number
  sd: number
  slope: number
  slopeSd: number
  /** chance that the level lies below a bound */
  below: (bound: number) => number
  /** chance that it rises */
  rises: number
}

/**
 * Where the path leads if all goes on as it is: the keeper's usual changes too.
 * @param path as read from the log
 * @param atMs at or after the newest reading
 */
export function pathAt({ at, belief, noise }: ValuePath, atMs: number): PathPoint {
  const later = goingOn(belief, Math.max(0, (atMs - at) / WEEK_MS), noise)
  const { level, slope, levelVar, slopeVar } = together(later)
  const chance = (of: (b: TrendBelief) => number) =>
    later.moves * of(later.moving) + (1 - later.moves) * of(later.steady)
  return {
    level,
    sd: Math.sqrt(levelVar),
    slope,
    slopeSd: Math.sqrt(slopeVar),
    below: bound => chance(b => normalBelow(bound, b.level, Math.sqrt(b.levelVar))),
    rises: 1 - chance(b => normalBelow(0, b.slope, Math.sqrt(b.slopeVar))),
  }
}
