import { DAY_MS, type Entry, type EntryOf, momentMs } from '#core/records'
import {
  beginBefore,
  beginnings,
  type Brood,
  broodFrom,
  type BroodReader,
  endBetween,
  foundGone,
  lastsUntil,
  longestDays,
  missedThen,
} from './brood'
import { ofFollowed } from './followed'

/** A look at all broods of a colony that nobody follows one by one. */
interface CrowdLook {
  id: string
  at: number
  number: number
  /** of them with eyes; missing where nobody said */
  eyed?: number
}

/** The broods of nobody in particular. */
export interface Run {
  broods: Brood[]
  /** the last look, and what it found; null where nobody looked */
  last: { at: number; number: number; eyed: number | null } | null
  /**
   * whether looks tell when all that is there began; where somebody is always berried they do not, and only the fit can
   * say how far the eggs are
   */
  told: boolean
}

/** Young that are seen again within so many days are of the same hatch (from memory). */
const SAME_HATCH_DAYS = 10

/** So many may have begun together where nobody looked before (from memory). */
const FEW = 3
/** A brood whose chance not to have hatched is less than this has hatched. */
const HARDLY_LASTS = 0.1

/**
 * Broods of a colony by its looks: what is more than what was there and has not hatched began since the look before.
 * @param followed broods of followed animals, which are taken off the sightings
 */
export function runOf(
  sign: 'berried' | 'eggMass',
  entries: readonly Entry[],
  { followed, ...reader }: BroodReader & { followed: readonly Brood[] },
): Run {
  const looks = looksOf(sign, entries, followed)
  const hatches = hatchesSeen(entries)
  const log = new RunLog(sign, reader)
  for (const look of looks) {
    for (const at of hatches.splice(0, hatches.filter(h => h <= look.at).length)) log.young(at)
    log.look(look)
  }
  for (const at of hatches) log.young(at)
  const last = looks.at(-1)
  return {
    broods: log.broods,
    told: log.told,
    last: last ? { at: last.at, number: last.number, eyed: last.eyed ?? null } : null,
  }
}

/** Sightings of eggs, less those of followed animals, which are broods of their own. */
function looksOf(sign: 'berried' | 'eggMass', entries: readonly Entry[], followed: readonly Brood[]): CrowdLook[] {
  const carrying = (at: number) => followed.filter(b => b.firstSeenMs <= at && (!b.end || b.end.toMs > at))
  return entries
    .filter(
      (e): e is EntryOf<'berried'> | EntryOf<'eggMass'> => e.kind === sign && !(e.kind === 'berried' && ofFollowed(e)),
    )
    .map(e => {
      const at = momentMs(e.at)
      const known = carrying(at)
      const number = Math.max(0, e.number - known.length)
      if (e.kind !== 'berried' || e.eyed === undefined) return { id: e.id, at, number }
      const withEyes = known.filter(b => b.looks.some(l => l.eyed && l.at <= at)).length
      return { id: e.id, at, number, eyed: Math.max(0, e.eyed - withEyes) }
    })
}

/** Moments at which young were seen that are not those of a hatch before. */
function hatchesSeen(entries: readonly Entry[]): number[] {
  const seen: number[] = []
  let before = -Infinity
  for (const e of entries) {
    if (e.kind !== 'young') continue
    const at = momentMs(e.at)
    if (at - before > SAME_HATCH_DAYS * DAY_MS) seen.push(at)
    before = at
  }
  return seen
}

/** The broods of a colony as look after look tells of them. */
class RunLog {
  readonly broods: Brood[] = []
  told = true
  private open: Brood[] = []
  /** moments of the looks so far */
  private readonly before: number[] = []
  /** broods that the last look did not find any more, where it found none at all */
  private vanished: Brood[] = []

  constructor(
    private readonly sign: 'berried' | 'eggMass',
    private readonly reader: BroodReader,
  ) {}

  /** Young that were seen end the oldest brood that may have been ready. */
  young(at: number): void {
    // what a look did not find any more has hatched then, and was not missed
    this.vanished = this.vanished.filter(b => !this.ready(b, at))
    const [oldest] = this.open
    if (oldest && this.ready(oldest, at)) this.end([oldest], at, 'hatched')
  }

  private ready(brood: Brood, at: number): boolean {
    return endBetween(brood, { fromMs: brood.lastSeenMs, toMs: at }, this.reader).how === 'hatched'
  }

  look(look: CrowdLook): void {
    const { law, clock } = this.reader
    const before = this.before.at(-1) ?? null
    if (look.number === 0) {
      for (const b of this.vanished) foundGone(b, before ?? undefined, look.at)
      this.vanished = this.open
      this.end(this.open, look.at)
      this.told = true
    } else {
      this.reopen(look, before)
      // a look back after a long time, or the very first one, tells nothing of what went on before: a few may have
      // begun together, many have not
      if (before === null || clock.daysAt(look.at) - clock.daysAt(before) > longestDays(law)) {
        this.end(this.open, look.at, 'hatched')
        this.told = look.number <= FEW
      } else if (this.open.some(b => clock.daysAt(look.at) - clock.daysAt(b.firstSeenMs) > longestDays(law)))
        // somebody is always berried: which ones are old and which new no sighting can tell
        this.told = false
      this.takeIn(look)
      if (look.eyed !== undefined) this.tellEyes(look.eyed)
    }
    this.before.push(look.at)
  }

  /** What a look without any missed is there again. */
  private reopen(look: CrowdLook, noneMs: number | null): void {
    const [brood, ...more] = this.vanished
    this.vanished = []
    // one or two hide; several at once do not
    if (!brood || more.length > 0 || brood.number > 2 || look.number > brood.number || noneMs === null) return
    if (!missedThen(brood, { noneMs, atMs: look.at }, this.reader)) return
    brood.end = null
    brood.looks.push({ at: noneMs, there: false })
    this.open = [brood]
  }

  private end(broods: readonly Brood[], at: number, how?: 'hatched'): void {
    for (const b of broods) {
      b.end = endBetween(b, { fromMs: b.lastSeenMs, toMs: at }, this.reader)
      if (how) b.end.how = how
    }
    this.open = this.open.filter(b => !b.end)
  }

  /** More than should be left began since the look before; of fewer the oldest have gone. */
  private takeIn(look: CrowdLook): void {
    const there = this.open.reduce((sum, b) => sum + b.number, 0)
    // who is berried again and again is so with the same eggs, unless these can hardly have lasted so long
    const left = this.open.reduce(
      (sum, b) => sum + (lastsUntil(b, look.at, this.reader) > HARDLY_LASTS ? b.number : 0),
      0,
    )
    const fresh = Math.max(0, look.number - left)
    for (let gone = there + fresh - look.number; gone > 0;) {
      const oldest = this.open[0]!
      if (oldest.number > gone) {
        oldest.number -= gone
        break
      }
      gone -= oldest.number
      this.end([oldest], look.at)
    }
    for (const b of this.open) {
      b.looks.push({ at: look.at, there: true })
      b.lastSeenMs = look.at
    }
    if (fresh === 0) return
    const { law, clock } = this.reader
    const began = beginnings(look.at, this.before, beginBefore(look.at, law, clock))
    const of = { key: look.id, sign: this.sign, who: null, number: fresh }
    const brood = broodFrom(of, began, { at: look.at, there: true })
    this.open.push(brood)
    this.broods.push(brood)
  }

  /** So many had eyes at the last look: the oldest. A brood of which only some had is two. */
  private tellEyes(eyed: number): void {
    let eyes = eyed
    for (const b of [...this.open]) {
      const with_ = Math.min(b.number, eyes)
      eyes -= with_
      const earlier = b.looks.slice(0, -1)
      const now = b.looks.at(-1)!
      if (with_ > 0 && with_ < b.number) {
        const younger: Brood = {
          ...b,
          key: `${b.key}+${this.broods.length}`,
          number: b.number - with_,
          looks: [...earlier, { ...now, eyed: false }],
        }
        this.open.splice(this.open.indexOf(b) + 1, 0, younger)
        this.broods.push(younger)
        b.number = with_
      }
      b.looks = [...earlier, { ...now, eyed: with_ > 0 }]
    }
  }
}
