import { type Animal, animalsOf, type Colony, type Entry, headsTotal, type Id, momentMs } from '#core/records'
import { livedIn, whereabouts } from './whereabouts'

/** An animal with the standing entries that name it, by time. */
export interface Followed {
  animal: Animal
  entries: readonly Entry[]
}

/** Those that live in a colony of followed animals alone. */
export interface AllFollowed {
  /** how many there are, by the log */
  number: number
  /** who is followed and lives there */
  animals: Animal[]
  /** each change of the number, with what it was from then on; the first is the beginning */
  course: { atMs: number; number: number }[]
}

/**
 * Whether a colony consists of followed animals alone, so that its number is known and nothing has to be estimated:
 * all founders and all that came are named, and no young were seen since — or a full count found as many as are named.
 * A death that names nobody takes one off all the same.
 * @param entries standing entries of the colony, by time
 * @param followed all followed animals that ever lived in it
 * @returns null where somebody lives there who is not followed, or may
 */
export function allFollowed(
  colony: Pick<Colony, 'id' | 'founders' | 'startedAt'>,
  entries: readonly Entry[],
  followed: readonly Followed[],
  nowMs: number,
): AllFollowed | null {
  const lives = followed.map(f => ({ ...f, where: whereabouts(f.animal, f.entries) }))
  const residents = (atMs: number) => lives.filter(l => livedIn(l.where, atMs) === colony.id)
  const startMs = momentMs(colony.startedAt)
  const founding = lives.filter(l => l.animal.firstColonyId === colony.id && l.where.stays[0]!.fromMs === null)
  const bornHere = founding.filter(l => l.animal.born !== undefined && momentMs(l.animal.born.from) >= startMs)
  /** who is there without a name; null where nobody can say */
  let nameless: number | null = headsTotal(colony.founders) - (founding.length - bornHere.length)
  const course = [{ atMs: startMs, number: headsTotal(colony.founders) }]
  for (const e of entries) {
    const atMs = momentMs(e.at)
    if (atMs > nowMs) break
    const by = changeOf(e, colony.id)
    if (by !== 0) {
      if (nameless !== null) nameless += by - Math.sign(by) * animalsOf(e).length
      course.push({ atMs, number: Math.max(0, course.at(-1)!.number + by) })
    } else if (e.kind === 'young' || (e.kind === 'clutch' && e.event === 'hatched')) nameless = null
    else if (e.kind === 'count' && e.method === 'allSeen') {
      const there = residents(atMs).length
      if (e.number > there) nameless = null
      else if (e.number === there && nameless !== 0) {
        nameless = 0
        course.push({ atMs, number: there })
      }
    }
  }
  const animals = residents(nowMs).map(l => l.animal)
  if (nameless === null || nameless > 0 || animals.length === 0) return null
  return { number: Math.max(0, animals.length + nameless), animals, course }
}

/** By how many an entry changes the number of a colony. */
function changeOf(e: Entry, colonyId: Id): number {
  if (e.kind === 'addition') return e.number
  if (e.kind === 'removal' || e.kind === 'death') return -e.number
  if (e.kind === 'move') return e.colonyId === colonyId ? -e.number : e.number
  return 0
}
