import { byEye, countEvidence } from '#core/abundance'
import { ofFollowed } from '#core/broods'
import type { ResolvedGroup } from '#core/groups'
import { type Entry, type EntryKind, type EntryOf, type Heads, type Id, momentMs } from '#core/records'
import { OWN_SHARE, type PopulationEvent } from '#core/population'

/**
 * What is seen of broods at a look: carried ones hide, and of masses three or four are hidden for each one seen (common
 * practice).
 */
export const BROOD_SIGHT = {
  berried: { share: 0.6, sdLog: 0.7 },
  eggMass: { share: 0.22, sdLog: 0.7 },
  clutch: { share: 0.8, sdLog: 0.3 },
}

/** The colony that an entry is read for. */
interface Reader {
  colonyId: Id
  resolved: ResolvedGroup
}
type Effect<K extends EntryKind> = (entry: EntryOf<K>, reader: Reader) => PopulationEvent[]

const about = (entry: Entry) => ({ entryId: entry.id, at: momentMs(entry.at) })

/** Which animals of a number came or went. */
interface Split {
  parts: Heads | undefined
  berried: number | undefined
}

/** Animals that came or went at one moment. */
function step(
  entry: Entry,
  change: number,
  more: { death?: boolean; molt?: boolean; hatched?: boolean } & Partial<Split> = {},
): PopulationEvent[] {
  const { death = false, molt = false, hatched = false, parts, berried } = more
  const told = { ...(molt && { molt }), ...(parts && { parts }), ...(berried !== undefined && { berried }) }
  return [{ kind: 'step', ...about(entry), change, death, hatched, ...told }]
}

function countEffect(entry: EntryOf<'count'>, { resolved: { group, counting } }: Reader): PopulationEvent[] {
  const { parts } = entry
  // young that were told apart are no part of the number that is told: they are a look at the young
  const young = entry.series ? 0 : Math.min(parts?.young ?? 0, entry.number)
  const number = entry.number - young
  const ofYoung: PopulationEvent[] = young > 0 ? [{ kind: 'young', ...about(entry), amount: young }] : []
  if (number === 0 && young > 0) return ofYoung
  const eye = (byEye as readonly string[]).includes(entry.method) && !entry.hitRate
  const evidence = countEvidence({ ...entry, number }, counting, group.care.molts !== undefined)
  // what stays the same from count to count is learnt as the colony's own share
  const own = eye ? (OWN_SHARE * counting.allSeen.sdLog) ** 2 : 0
  const { look } = evidence
  return [
    {
      kind: 'count',
      ...about(entry),
      seen: number,
      method: entry.method,
      evidence: {
        ...evidence,
        r: Math.max(evidence.r - own, 0.25 * evidence.r),
        ...(look && { look: { ...look, sdLog: Math.sqrt(Math.max(look.sdLog ** 2 - own, 0.25 * look.sdLog ** 2)) } }),
      },
      byEye: eye,
      ...(parts && { parts: { ...parts, young: 0 } }),
    },
    ...ofYoung,
  ]
}

const broods = (
  entry: Entry & { number: number },
  sight: { share: number; sdLog: number },
  eyed?: number,
): PopulationEvent[] => [
  { kind: 'broods', ...about(entry), seen: entry.number, ...sight, ...(eyed !== undefined && { eyed }) },
]
const nothing = () => []

/** What each kind of entry says of the number of animals: a kind that is left out does not compile. */
const effects = {
  count: countEffect,
  addition: e => step(e, e.number, e),
  removal: e => step(e, -e.number, e),
  death: e => step(e, -e.number, { death: true, molt: e.sign === 'failedMolt' }),
  move: (e, { colonyId }) => step(e, e.colonyId === colonyId ? -e.number : e.number, e),
  // a clutch brings a hundred at once; young from an incubator are added when they are put in
  clutch: e => (e.event === 'hatched' && e.place === 'inPlace' && e.young ? step(e, e.young, { hatched: true }) : []),
  // one animal that is followed by its name says nothing of how many carry
  berried: e => (ofFollowed(e) ? [] : broods(e, BROOD_SIGHT.berried, e.eyed)),
  eggMass: e => broods(e, BROOD_SIGHT.eggMass),
  young: e => [{ kind: 'young', ...about(e), amount: e.amount === 'number' ? e.number! : e.amount }],
  grading: nothing,
  molts: nothing,
  failedMolt: nothing,
  limbLoss: nothing,
  shell: nothing,
  mating: nothing,
  dull: nothing,
  // a rearing reads it by a model of its own
  larvae: nothing,
  waterTest: nothing,
  waterChange: nothing,
  topUp: nothing,
  treatment: nothing,
  feeding: nothing,
  supplement: nothing,
  equipment: nothing,
  growth: nothing,
  pest: nothing,
  visit: nothing,
  dueMark: nothing,
  note: nothing,
  photo: nothing,
  withdrawal: nothing,
} satisfies { [K in EntryKind]: Effect<K> }

/** What an entry says of the number of animals in a colony; most say nothing. */
export function eventsOf(entry: Entry, colonyId: Id, resolved: ResolvedGroup): PopulationEvent[] {
  // the table pairs each kind with its own entries, which a lookup by the kind cannot show to the compiler
  return (effects[entry.kind] as Effect<EntryKind>)(entry, { colonyId, resolved })
}
