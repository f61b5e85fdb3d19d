import { animalsOf, type Entry, type EntryOf, type Id, momentMs } from '#core/records'
import {
  beginBefore,
  beginnings,
  type Brood,
  broodFrom,
  type BroodReader,
  endBetween,
  foundGone,
  longestDays,
  missedThen,
} from './brood'
import type { BroodLook } from './hatchDays'

/** Whether a sighting of eggs is about animals that are followed, and says nothing of the others. */
export const ofFollowed = (e: EntryOf<'berried'>): boolean => animalsOf(e).length > 0

/**
 * Broods of animals that are followed one by one, oldest first.
 * @param entries standing entries of the colony, by time
 */
export function followedBroods(entries: readonly Entry[], reader: BroodReader): Brood[] {
  const looks = entries.filter((e): e is EntryOf<'berried'> => e.kind === 'berried' && ofFollowed(e))
  const gone = entries.filter(e => e.kind === 'death' || e.kind === 'removal')
  return [...new Set(looks.flatMap(animalsOf))]
    .flatMap(who => {
      const own = looks.filter(e => animalsOf(e).includes(who))
      const left = gone.find(e => animalsOf(e).includes(who) && e.at >= own.at(-1)!.at)
      return closedBy(left, broodsOfOne(who, own, reader))
    })
    .toSorted((a, b) => a.firstSeenMs - b.firstSeenMs)
}

/** Who dies or goes takes her eggs with her. */
function closedBy(left: Entry | undefined, broods: Brood[]): Brood[] {
  const open = broods.at(-1)
  if (left && open && !open.end) open.end = { how: 'lost', fromMs: open.lastSeenMs, toMs: momentMs(left.at) }
  return broods
}

function broodsOfOne(who: Id, looks: readonly EntryOf<'berried'>[], reader: BroodReader): Brood[] {
  const { law, clock } = reader
  const broods: Brood[] = []
  const before: number[] = []
  let open: Brood | null = null
  for (const e of looks) {
    const at = momentMs(e.at)
    if (e.number === 0) {
      if (open) open.end = endBetween(open, { fromMs: open.lastSeenMs, toMs: at }, reader)
      else foundGone(broods.at(-1), before.at(-1), at)
      open = null
      before.push(at)
      continue
    }
    const look: BroodLook = { at, there: true, ...(e.eyed !== undefined && { eyed: e.eyed > 0 }) }
    const last = broods.at(-1)
    const none = before.at(-1)
    const again = none !== undefined && last?.end?.toMs === none
    if (!open && again && missedThen(last, { noneMs: none, atMs: at }, reader)) {
      last.end = null
      last.looks.push({ at: none, there: false })
      open = last
    }
    if (open && isAnother(open, look, reader)) {
      open.end = { how: 'hatched', fromMs: open.lastSeenMs, toMs: at }
      open = null
    }
    if (open) {
      open.looks.push(look)
      open.lastSeenMs = at
    } else {
      const began = beginnings(at, before, beginBefore(at, law, clock))
      open = broodFrom({ key: e.id, sign: 'berried', who, number: 1 }, began, look)
      broods.push(open)
    }
    before.push(at)
  }
  return broods
}

/** Whether eggs are those of a new brood: the old one should have hatched, or its eyes are gone. */
function isAnother(brood: Brood, look: BroodLook, { law, clock }: BroodReader): boolean {
  const wasEyed = brood.looks.some(l => l.eyed)
  return (wasEyed && look.eyed === false) || clock.daysAt(look.at) - clock.daysAt(brood.firstSeenMs) > longestDays(law)
}
