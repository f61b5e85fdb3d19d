import { DAY_MS } from '#core/records'
import {
  CARBON_AFTER_DOSE_DAYS,
  CHANGE_AFTER_DOSE_DAYS,
  SECOND_DOSE_DAYS,
  type SubstanceId,
  substances,
} from './treatment'

/** A second dose may come so much before its day (from memory). */
const EARLY_DAYS = 2
/** Doses further apart than this are two treatments; so long rests a water after its last dose (from memory). */
const REST_DAYS = 28
/** The part of the water that goes after a dose (common practice: about a third). */
export const CHANGED_AFTER_DOSE = 1 / 3

/** Where a treatment with one substance stands. */
export interface TreatmentCourse {
  /** doses of the present course: none, the first, or all that it has */
  given: 0 | 1 | 2
  /** moments of these doses */
  dosesMs: number[]
  /** when the next dose of the course is due; null before the first one and when no more belongs to it */
  nextMs: number | null
  /** whether a dose now would come on top of one that still works */
  tooSoon: boolean
  /** when another course could begin; null while none was given */
  restUntilMs: number | null
}

const NONE: TreatmentCourse = { given: 0, dosesMs: [], nextMs: null, tooSoon: false, restUntilMs: null }

/**
 * Where a course stands: a first dose, a second one on its day where the substance asks for one, and never a third.
 * A dose within four weeks of the one before belongs to the same course; after the last one the water rests as long.
 * @param substance what is given
 * @param dosesMs moments of its doses in this glass, any order
 */
export function treatmentCourse(substance: SubstanceId, dosesMs: readonly number[], nowMs: number): TreatmentCourse {
  const most = substances[substance].secondDose ? 2 : 1
  let course: number[] = []
  for (const at of dosesMs.toSorted((a, b) => a - b)) {
    course = at < (course.at(-1) ?? -Infinity) + REST_DAYS * DAY_MS ? [...course, at] : [at]
  }
  const last = course.at(-1)
  if (last === undefined) return NONE
  const restUntilMs = last + REST_DAYS * DAY_MS
  if (nowMs >= restUntilMs) return NONE
  const over = course.length >= most
  const nextMs = over ? null : last + SECOND_DOSE_DAYS * DAY_MS
  return {
    given: course.length > 1 ? 2 : 1,
    dosesMs: course,
    nextMs,
    tooSoon: over || nowMs < nextMs! - EARLY_DAYS * DAY_MS,
    restUntilMs,
  }
}

/** What is in the water at a moment of a course, in doses. */
export interface CoursePoint {
  /** days since the first dose */
  day: number
  doses: number
}

/**
 * What a course brings into the water: a dose at a time, a third of all of it out with the change after each, the rest
 * with the carbon. What animals, light and substrate take up is not known and left out, so it is a ceiling.
 * @param substance how many doses it has
 * @returns the corners of a stair, in order of time
 */
export function courseStair(substance: SubstanceId): CoursePoint[] {
  const starts = substances[substance].secondDose ? [0, SECOND_DOSE_DAYS] : [0]
  const corners: CoursePoint[] = []
  let doses = 0
  const to = (day: number, level: number) => {
    corners.push({ day, doses }, { day, doses: level })
    doses = level
  }
  for (const start of starts) {
    to(start, doses + 1)
    to(start + CHANGE_AFTER_DOSE_DAYS, doses * (1 - CHANGED_AFTER_DOSE))
  }
  to(starts.at(-1)! + CARBON_AFTER_DOSE_DAYS, 0)
  return corners
}
