import {
  begun,
  type BreedingGroup,
  type Colony,
  Entry,
  type EntryOf,
  type EntryStamp,
  type Glass,
  movedTo,
  type RungCount,
  rungsTotal,
  toMoment,
} from '#core/records'
import { newId } from '~/data/newId'
import { readBerried } from './carriedEggs'
import { headsOfRungs } from './headsOfRungs'
import { wholeNumber } from './wholeNumber'

/** Litres of a breeding box, and how full it hangs (common practice). */
const BOX_L = 2
const BOX_FILL = 0.9

/** A box in the water of a glass, and the colony that will breed in it: of line and habits of the one it came of. */
export function newBox(
  { colony, host, name }: { colony: Colony; host: Glass; name: string },
  nowMs: number,
): { glass: Glass; colony: Colony } {
  const at = toMoment(nowMs)
  const glass: Glass = {
    ...begun(newId(), nowMs),
    ...{ roomId: host.roomId, name, kind: 'box', hosts: movedTo([], host.id, at), grossL: BOX_L },
    fill: { by: 'height', share: BOX_FILL, assumed: true },
    place: { ...host.place, position: host.place.position + 0.5 },
  }
  const { minimumKeep: _k, minimumFemales: _f, basedOn: _b, ended: _e, ...same } = colony
  return {
    glass,
    colony: {
      ...same,
      ...begun(newId(), nowMs),
      ...{ name, fromColonyId: colony.id, startedAt: at, stays: movedTo([], glass.id, at) },
      founders: { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 },
      // nobody but the breeders is there: no number has to stay beside them
      minimumKeep: 0,
    },
  }
}

/** A name that no glass has yet: "Ember box", "Ember box 2". */
export function boxName(line: string, taken: readonly string[]): string {
  const base = `${line} box`
  let name = base
  for (let n = 2; taken.includes(name); n++) name = `${base} ${n}`
  return name
}

/** Who goes back when breeders are let go: as typed. */
export interface ReleaseTyped {
  /** where they go; empty where all stay */
  to: string
  females: string
  males: string
  /** how many of the females carry eggs; empty where nobody looked */
  berried: string
  /** followed animals that go */
  animalIds: string[]
}

/** The end of a breeding group: its females go back, when they are berried, and perhaps its males. */
export function readRelease(
  typed: ReleaseTyped,
  { group, stamp, nowMs }: { group: BreedingGroup; stamp: () => EntryStamp; nowMs: number },
): { group: BreedingGroup; moves: EntryOf<'move'>[] } | string {
  const at = toMoment(nowMs)
  const released: BreedingGroup = { ...group, state: 'released', to: at }
  if (typed.to === '' || typed.to === group.colonyId) return { group: released, moves: [] }
  const going: RungCount[] = []
  for (const [sex, text] of [['female', typed.females] as const, ['male', typed.males] as const]) {
    const number = wholeNumber(text || '0', 0)
    if (!number.ok) return `How many ${sex}s go back? ${number.issue}`
    going.push(...firstOf(group.parents, sex, number.value))
  }
  const number = rungsTotal(going)
  const parts = headsOfRungs(going)
  const eggs = readBerried(typed.berried, parts.females)
  if (!eggs.ok) return `How many carry eggs? ${eggs.issue}`
  if (typed.animalIds.length > number) return `${typed.animalIds.length} are named: as many go at least.`
  if (going.length === 0) return 'Nobody goes back: say how many, or let all stay.'
  const move = Entry.parse({
    ...stamp(),
    ...{ at, kind: 'move', colonyId: group.colonyId, toColonyId: typed.to, number, parts, rungs: going },
    ...(typed.animalIds.length > 0 && { animalIds: typed.animalIds }),
    ...eggs.told,
  }) as EntryOf<'move'>
  return { group: released, moves: [move] }
}

/** So many of a sex, from the rungs as they stand; more than bred are taken to stand on the last of them. */
function firstOf(parents: readonly RungCount[], sex: 'female' | 'male', many: number): RungCount[] {
  const own = parents.filter(p => p.sex === sex && p.number > 0)
  const found: RungCount[] = []
  let left = many
  for (const [i, p] of own.entries()) {
    const number = i === own.length - 1 ? left : Math.min(left, p.number)
    if (number > 0) found.push({ ...p, number })
    left -= number
  }
  return found
}
