import { format } from 'date-fns'
import type { AnimalKind } from '#core/groups'
import { DAY_MS } from '#core/records'
import {
  courseStair,
  type SubstanceId,
  substanceIds,
  substances,
  type TreatmentCourse,
  type TreatmentDay,
} from '#core/water'
import { aheadText, dayText } from './when'

const names: Readonly<Record<SubstanceId, string>> = {
  fenbendazole: 'Fenbendazole',
  flubendazole: 'Flubendazole',
  praziquantel: 'Praziquantel',
}

/** Name of an active substance; one that this version does not know stands as it is. */
export const substanceWord = (id: string): string =>
  (substanceIds as readonly string[]).includes(id) ? names[id as SubstanceId] : id

/** Kinds of animals in the plural. */
export const animalKindWord: Readonly<Record<AnimalKind, string>> = {
  shrimp: 'shrimp',
  snail: 'snails',
  crayfish: 'crayfish',
  crab: 'crabs',
  isopod: 'isopods',
  branchiopod: 'branchiopods',
  other: 'others',
}

export const againstWord = {
  flatworms: 'flatworms',
  hydra: 'hydra',
  roundworms: 'roundworms',
  flukes: 'flukes',
} as const

export const treatmentDayText: Readonly<Record<TreatmentDay['what'], string>> = {
  removeCarbon: 'Take carbon out of the filter, and move the animals that would be harmed.',
  dose: 'First dose. Shake the stock well, spread it over the surface.',
  change: 'Change about a third of the water: dead worms foul it. Watch ammonia and nitrite.',
  secondDose: 'Second dose, as large as the first: eggs survive the first one.',
  carbonBack: 'Carbon back in for a week. Snails stay away until the substrate has been changed or a test snail lives.',
}

/** Why no dose belongs here now, and what does; empty where one does. */
export function courseText(course: TreatmentCourse, substance: SubstanceId, nowMs: number): string {
  const last = course.dosesMs.at(-1)
  if (last === undefined || !course.tooSoon) return ''
  const [name, when] = [substanceWord(substance), dayText(last, nowMs)]
  if (course.nextMs !== null)
    return (
      `The first dose of ${name.toLowerCase()} was given ${when}. The second is due ` +
      `${aheadText(course.nextMs, nowMs)}; sooner it adds up.`
    )
  return (
    `This course is over: its last dose was given ${when}. A further one is no part of it. If they are still seen ` +
    `${aheadText(course.restUntilMs!, nowMs)}, ask a vet before another course.`
  )
}

/** What a course brings into the water, drawn over its days: with the days that matter, and today where it runs. */
export function courseDrawing(
  { substance, activeMgL, calendar }: { substance: SubstanceId; activeMgL: number; calendar: readonly TreatmentDay[] },
  nowMs: number,
) {
  const points = courseStair(substance).map(c => ({ x: c.day, y: c.doses * activeMgL }))
  const days = new Map(calendar.map(d => [d.day, format(d.atMs, 'd MMM')]))
  const doses = substances[substance].secondDose ? 'two doses, each followed by' : 'a dose, followed by'
  return {
    points,
    marks: [...days].map(([x, text]) => ({ x, text })),
    now: (nowMs - calendar[0]!.atMs) / DAY_MS,
    summary: `What is in the water at most, mg/L: ${doses} a change of a third, and carbon at the end`,
  }
}

/** "First dose", or which one it is. */
export const doseTitle = (course: TreatmentCourse): string =>
  course.given === 1 && course.nextMs !== null ? 'The second dose, as large as the first' : 'The first dose'
