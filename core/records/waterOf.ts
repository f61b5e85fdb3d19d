import type { Id, Moment } from './id'
import { momentMs } from './moments'
import type { Glass } from './room'
import type { Stay } from './stays'
import { stayAt } from './stayAt'

/** Boxes hang in boxes once at most; a longer chain is a mistake in the records. */
const DEEPEST = 3

/**
 * The glass whose water a glass shares at a moment: its host for a box or an incubator that hangs in one, else itself.
 * A host that is not known leaves the glass with its own water.
 * @param glassById all glasses of the room, ended ones too
 */
export function waterOf(glass: Glass, atMs: number, glassById: ReadonlyMap<Id, Glass>): Glass {
  let water = glass
  for (let depth = 0; depth < DEEPEST && water.hosts; depth++) {
    const host = glassById.get(stayAt(water.hosts, atMs).glassId)
    if (!host || host.id === glass.id) break
    water = host
  }
  return water
}

/** A time in which something lived in one water; without an end it still does. */
export interface WaterStay {
  water: Glass
  from: Moment
  to?: Moment | undefined
}

/**
 * The waters in which a colony lived, oldest first: those of the glasses where it stood, or of their hosts. The last
 * one is where it lives now. Stays in glasses that are not known are left out.
 */
export function watersOf({ stays }: { stays: readonly Stay[] }, glassById: ReadonlyMap<Id, Glass>): WaterStay[] {
  return stays.flatMap(stay => {
    const glass = glassById.get(stay.glassId)
    if (!glass) return []
    // a box may have been hung from host to host in between
    const changes = [
      stay.from,
      ...(glass.hosts ?? []).map(h => h.from).filter(from => from > stay.from && within(from, stay)),
    ]
    return changes.map((from, i): WaterStay => {
      const to = changes[i + 1] ?? stay.to
      return { water: waterOf(glass, momentMs(from), glassById), from, ...(to && { to }) }
    })
  })
}

const within = (at: Moment, { to }: Stay): boolean => to === undefined || at < to
