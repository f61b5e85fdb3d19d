import {
  begun,
  animalIdOf,
  type BreedingGroup,
  type Colony,
  DAY_MS,
  Entry,
  type Generation,
  type Id,
  type Ladder,
  type Line,
  type RungCount,
  toMoment,
} from '#core/records'
import { starterLadders } from '#core/lines'
import { normalBy, type Random } from './chance'
import { type LinePlan, linePlans } from './linePlans'
import type { Making } from './making'

/** Lines, and all that was written of their breeding. */
export interface DemoLines {
  lines: Line[]
  ladders: Ladder[]
  generations: Generation[]
  breedingGroups: BreedingGroup[]
  entries: Entry[]
}

/** An animal of which only its genes' worth and its looks are known. */
interface Bred {
  value: number
  trait: number
  female: boolean
  /** as it was graded; none before */
  rung?: number
}

/** Who bred a generation. */
interface Parents {
  sires: Bred[]
  dams: Bred[]
}

/** The lines of the room, each bred from a hidden truth of its own; its colonies are told which line they hold. */
export function makeLines(making: Making, roomId: Id, colonies: Colony[]): DemoLines {
  const made: DemoLines = { lines: [], ladders: [], generations: [], breedingGroups: [], entries: [] }
  for (const plan of linePlans) addLine(making, plan, { roomId, colonies, made })
  return made
}

interface Place {
  roomId: Id
  colonies: Colony[]
  made: DemoLines
}

function addLine(making: Making, plan: LinePlan, { roomId, colonies, made }: Place) {
  const own = colonies.filter(c => plan.colonies.includes(c.name))
  const colony = own[0]!
  const began = Date.parse(colony.startedAt) + 3 * DAY_MS
  const starter = starterLadders(colony.groupId)[0]!
  const ladderId = making.id(began)
  const rungs = starter.rungs.map((words, order) => ({
    ...{ id: making.id(began), words, order },
    ...(plan.prices[order] !== undefined && { priceEach: plan.prices[order] }),
  }))
  made.ladders.push({ ...begun(ladderId, began), roomId, trait: starter.trait, rungs })
  const line: Line = {
    ...begun(making.id(began), began),
    ...{ roomId, name: plan.name, groupId: colony.groupId, crossingGroup: colony.groupId },
    ...{ goal: plan.goal, ladderIds: [ladderId] },
  }
  if (plan.size !== null) {
    const size = sizeLadder(making, roomId, began)
    made.ladders.push(size)
    line.ladderIds.push(size.id)
  }
  made.lines.push(line)
  for (const c of own) c.lineId = line.id
  breed(making, plan, { line, colony, rungs: rungs.map(r => r.id), made })
}

function sizeLadder(making: Making, roomId: Id, began: number): Ladder {
  const starter = starterLadders('neocaridina').find(l => l.trait === 'Size')!
  const rungs = starter.rungs.map((words, order) => ({ id: making.id(began), words, order }))
  return { ...begun(making.id(began), began), roomId, trait: starter.trait, rungs }
}

interface Breeding {
  line: Line
  colony: Colony
  rungs: readonly Id[]
  made: DemoLines
}

/** Cuts between the rungs, in standard deviations of the founders. */
const CUTS = [-0.7, 0.3, 1.3, 2.3]
const rungOf = (x: number) => CUTS.filter(cut => x > cut).length

/** Generation after generation: born, graded, the breeders chosen. */
function breed(making: Making, plan: LinePlan, { line, colony, rungs, made }: Breeding) {
  const random = making.randomFor(`line ${plan.name}`)
  const began = Date.parse(colony.startedAt) + 3 * DAY_MS
  const step = (making.untilMs - 16 * DAY_MS - began) / (plan.graded.length - 1)
  let parents: Parents | null = null
  let groupIds: Id[] = []
  for (const [t, number] of plan.graded.entries()) {
    const bornMs = Math.round(began + t * step - (t === 0 ? 0 : 21 * DAY_MS))
    const now = Array.from({ length: number }, () => born(random, plan, t, parents))
    const { roomId } = line
    const generation: Generation = {
      ...begun(making.id(bornMs), bornMs),
      ...{ roomId, lineId: line.id, n: t + 1, from: toMoment(bornMs), breedingGroupIds: groupIds },
    }
    made.generations.push(generation)
    const gradedMs = Math.round(began + t * step + 0.4 * DAY_MS)
    const [first, second] = plan.strictIn.includes(t) ? [STRICT, USUAL] : [USUAL, STRICT]
    const seen = now.map(a => rungOf(a.trait + first.shift + first.noise * normalBy(random)))
    const ladderId = line.ladderIds[0]!
    const session = (ms: number, who: typeof USUAL, list: readonly number[], more: object = {}) => {
      const stamp = { id: making.id(ms), at: toMoment(ms), loggedAt: toMoment(ms), keeper: who.keeper }
      const each = list.map((rung, i): RungCount => ({ rungId: rungs[rung]!, sex: sexOf(now[i]!), number: 1 }))
      const about = { colonyId: colony.id, kind: 'grading', ladderId, generationId: generation.id }
      const entry = Entry.parse({ ...stamp, ...about, seen: each, inOrder: true, ageWeeks: 12, ...more })
      made.entries.push(entry)
      return entry.id
    }
    const id = session(gradedMs, first, seen)
    if (plan.twiceIn.includes(t)) {
      const again = now.slice(0, 48).map(a => rungOf(a.trait + second.shift + second.noise * normalBy(random)))
      session(gradedMs + 50 * 60_000, second, again, { againOf: id })
    }
    if (plan.size !== null) {
      const each = gradedBySize(making, plan.size, now.slice(0, SIZED_MOST), { t, ladder: made.ladders.at(-1)! })
      const ms = gradedMs + 100 * 60_000
      const stamp = { id: making.id(ms), at: toMoment(ms), loggedAt: toMoment(ms), keeper: USUAL.keeper }
      const about = { colonyId: colony.id, kind: 'grading', ladderId: line.ladderIds[1], generationId: generation.id }
      made.entries.push(Entry.parse({ ...stamp, ...about, seen: each, inOrder: true, ageWeeks: 12 }))
    }
    const newest = t === plan.graded.length - 1
    if (newest && !plan.breedsNow) return
    const chosen: Parents = choose(random, plan, now, seen)
    // one that is followed breeds again, on the rung that it was given when it was young
    parents = plan.sire && t + 1 > plan.sire.from && parents ? { ...chosen, sires: parents.sires } : chosen
    const animalIds = plan.sire && t + 1 >= plan.sire.from ? [animalIdOf(colony.id, plan.sire.name)] : []
    const chosenMs = gradedMs + DAY_MS
    const group: BreedingGroup = {
      ...begun(making.id(chosenMs), chosenMs),
      ...{ roomId, lineId: line.id, colonyId: colony.id, generationId: generation.id, ladderId },
      ...{ state: newest ? 'running' : 'released', keeper: first.keeper, parents: byRung(parents, rungs), animalIds },
      ...{ from: toMoment(chosenMs), ...(!newest && { to: toMoment(chosenMs + 42 * DAY_MS) }) },
    }
    made.breedingGroups.push(group)
    groupIds = [group.id]
  }
}

/** Breeders by rung and sex. */
const byRung = ({ sires, dams }: Parents, rungs: readonly Id[]): RungCount[] =>
  (['male', 'female'] as const).flatMap(sex =>
    rungs.flatMap((rungId, rung): RungCount[] => {
      const number = [...sires, ...dams].filter(c => sexOf(c) === sex && c.rung === rung).length
      return number > 0 ? [{ rungId, sex, number }] : []
    }),
  )

/** So many of a generation are held against a ruler. */
const SIZED_MOST = 60
const SIZE_CUTS = [-1, 0.2, 1.3]

/** Sizes of some animals, whose genes lean against those of the main trait. */
function gradedBySize(
  making: Making,
  slope: number,
  now: readonly Bred[],
  { t, ladder }: { t: number; ladder: Ladder },
): RungCount[] {
  const random = making.randomFor(`size ${ladder.trait} ${t}`)
  const year = 0.12 * normalBy(random)
  return now.map(a => {
    const size = slope * a.value + year + (a.female ? 0.3 : -0.3) + 0.95 * normalBy(random)
    const rung = SIZE_CUTS.filter(cut => size > cut).length
    return { rungId: ladder.rungs[rung]!.id, sex: sexOf(a), number: 1 }
  })
}

const USUAL = { keeper: 'A. R.', shift: 0, noise: 0.3 }
/** Sees every animal half a rung lower. */
const STRICT = { keeper: 'M. T.', shift: -0.5, noise: 0.25 }
const sexOf = (a: Bred) => (a.female ? ('female' as const) : ('male' as const))

/** One of a generation: of two of the parents, whose genes part anew, in an environment of its own. */
function born(random: Random, plan: LinePlan, t: number, parents: Parents | null): Bred {
  const any = (list: readonly Bred[]) => list[Math.floor(random() * list.length)]!
  const genes = plan.heritability * (t >= plan.spentFrom ? 0.03 : 1)
  const value = parents
    ? (any(parents.sires).value + any(parents.dams).value) / 2 + Math.sqrt(genes / 2) * normalBy(random)
    : Math.sqrt(genes) * normalBy(random)
  // a stranger among the sires: half of the young of that generation are its own
  const fallen = t === plan.crossedIn && random() < 0.75 ? -1.9 : 0
  const female = random() < 0.55
  const rest = Math.sqrt(1 - plan.heritability) * normalBy(random)
  return { value: value + fallen / 2, trait: value + fallen + (female ? 0.15 : -0.15) + rest, female }
}

/** The best of each sex; of one rung it is chance who. */
function choose(random: Random, plan: LinePlan, now: readonly Bred[], seen: readonly number[]) {
  const best = (female: boolean, many: number): Bred[] =>
    now
      .map((a, i) => ({ a, rung: seen[i]!, tie: random() }))
      .filter(x => x.a.female === female)
      .sort((x, y) => y.rung - x.rung || x.tie - y.tie)
      .slice(0, many)
      .map(x => ({ ...x.a, rung: x.rung }))
  // of few founders no more than half of a sex breed
  const atMost = (female: boolean, many: number) =>
    Math.max(1, Math.min(many, Math.round(now.filter(a => a.female === female).length / 2)))
  return { sires: best(false, atMost(false, plan.sires)), dams: best(true, atMost(true, plan.dams)) }
}
