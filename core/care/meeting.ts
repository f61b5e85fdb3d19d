import { groupOf } from '#core/groups'
import { type Colony, type Entry, type EntryOf, type Line, momentMs } from '#core/records'

/**
 * How animals of two colonies would stand to each other in one glass: of one line; of lines that do not cross; of lines
 * that cross and fall back; or of crab kinds, which are never mixed (common practice).
 */
export type Meeting = 'sameLine' | 'apart' | 'crosses' | 'never'

type Who = Pick<Colony, 'groupId' | 'lineId'>

/**
 * @param lines of the room; a colony without a line crosses with all of its kind
 */
export function meetingOf(a: Who, b: Who, lines: readonly Pick<Line, 'id' | 'crossingGroup'>[]): Meeting {
  if (a.lineId !== undefined && a.lineId === b.lineId) return 'sameLine'
  const [one, other] = [groupOf(a.groupId).company, groupOf(b.groupId).company]
  const crossing = (who: Who) => lines.find(l => l.id === who.lineId)?.crossingGroup
  const [first, second] = [crossing(a), crossing(b)]
  const known = first !== undefined && second !== undefined
  if (one.kind === 'crab' && other.kind === 'crab' && (a.groupId !== b.groupId || known)) return 'never'
  if (one.crosses !== other.crosses || (known && first !== second)) return 'apart'
  return 'crosses'
}

/** Animals of another line that came into a line and cross with it. */
export interface Crossing {
  entryId: string
  atMs: number
  number: number
  from: Colony
  to: Colony
}

/**
 * Crossings of a line that the log tells of, oldest first.
 * @param entries standing ones
 * @param colonies all of the room, ended ones too
 */
export function crossingsInto(
  lineId: string,
  { entries, colonies, lines }: { entries: readonly Entry[]; colonies: readonly Colony[]; lines: readonly Line[] },
): Crossing[] {
  const byId = new Map(colonies.map(c => [c.id, c]))
  return entries
    .filter((e): e is EntryOf<'move'> => e.kind === 'move')
    .flatMap(e => {
      const [from, to] = [byId.get(e.colonyId), byId.get(e.toColonyId)]
      if (!from || to?.lineId !== lineId || meetingOf(from, to, lines) !== 'crosses') return []
      return [{ entryId: e.id, atMs: momentMs(e.at), number: e.number, from, to }]
    })
    .toSorted((a, b) => a.atMs - b.atMs)
}

/** The worst of several meetings. */
export const worstMeeting = (meetings: readonly Meeting[]): Meeting =>
  (['never', 'crosses', 'apart', 'sameLine'] as const).find(m => meetings.includes(m)) ?? 'sameLine'
