import type { LastSeen, RoundSums, StatementChange } from '#core/care'
import type { RoundCounter } from '#core/groups'
import { DAY_MS } from '#core/records'
import { counted, num, whole } from './numbers'
import { stateWord } from './states'
import { type UnitPrefs, valueNameInside, volumeText } from './unitPrefs'
import { agoText, dayText } from './when'

export const counterWord: Readonly<Record<RoundCounter, string>> = {
  berried: 'Berried',
  eggMass: 'Egg masses',
  clutch: 'New clutches',
  molts: 'Molts',
  limbLoss: 'Limbs lost',
  dead: 'Dead',
  young: 'New young',
  dull: 'Dull ones',
}

/** What is to be expected at a glass today; null where nothing is known. */
export interface Expected {
  /** molts since the last look */
  molts: number | null
  /** the first day on which young may come */
  hatchMs: number | null
  nowMs: number
}
/** A hatch is told by the counters so long before its first day. */
const SOON_MS = 3 * DAY_MS

/** Under a counter: what was seen last, or what to expect. */
export function counterHint(counter: RoundCounter, last: LastSeen | null, expected: Expected): string {
  const { molts, hatchMs, nowMs } = expected
  if (counter === 'molts' && molts !== null)
    return molts < 0.5 ? 'hardly any expected' : `about ${whole(molts)} expected`
  // what hatches within days is what one looks for; what was seen last says less
  if (counter === 'young' && hatchMs !== null && hatchMs < nowMs + SOON_MS)
    return hatchMs <= nowMs ? 'may hatch now' : `may hatch from ${dayText(hatchMs, nowMs)}`
  if (last) return `${last.seen === 'few' ? 'a few' : last.seen}, ${agoText(last.days)}`
  return counter === 'young' ? 'seen? tap' : counter === 'dead' ? 'none logged' : 'never logged'
}

/** "12 shed skins, 3 berried": what a round saw. */
export function sumsText(s: RoundSums, units: UnitPrefs): string[] {
  const lines: string[] = []
  const seen = [
    s.molts > 0 && `${num(whole(s.molts))} shed ${s.molts === 1 ? 'skin' : 'skins'}`,
    s.berried > 0 && `${num(whole(s.berried))} berried`,
    s.young > 0 && `${num(whole(s.young))} young counted`,
    s.counts.young && s.young === 0 && 'young',
    s.counts.eggMass && 'egg masses',
    s.dead > 0 && `${num(whole(s.dead))} dead`,
  ].filter(Boolean)
  if (seen.length > 0) lines.push(`Seen: ${seen.join(', ')}.`)
  const did = [
    s.counts.feeding && `${num(s.counts.feeding)} feedings and looks at food`,
    s.counts.waterTest && `${num(s.counts.waterTest)} water ${s.counts.waterTest === 1 ? 'test' : 'tests'}`,
    s.changedL > 0 && `${num(volumeText(s.changedL, units))} changed`,
    s.toppedUpL > 0 && `${num(volumeText(s.toppedUpL, units))} topped up`,
    s.counts.equipment && `equipment of ${counted(s.counts.equipment, 'glass', 'glasses').toLowerCase()}`,
  ].filter(Boolean)
  if (did.length > 0) lines.push(`Done: ${did.join(', ')}.`)
  if (s.leftOver > 0)
    lines.push(
      `Food was left over in ${counted(s.leftOver, 'glass', 'glasses').toLowerCase()}: they get less next time.`,
    )
  return lines
}

/** A change in what is said of a colony. */
export function changeText(c: StatementChange): string {
  switch (c.what) {
    case 'number':
      return `about ${num(whole(c.to))} instead of ${num(whole(c.from))}`
    case 'narrower':
      return `better known: likely ${num(`${whole(c.low)} to ${whole(c.high)}`)}`
    case 'water':
      return c.to === 'onTarget'
        ? 'the water is on target now'
        : `the water is ${stateWord[c.to]} now${c.key ? `, ${valueNameInside(c.key as never)} first` : ''}`
    case 'take':
      return c.to === 0
        ? `none can go now, instead of ${num(whole(c.from))}`
        : c.to > c.from
          ? `${num(whole(c.to))} can go now, ${num(whole(c.to - c.from))} more`
          : `${num(whole(c.to))} can go now, ${num(whole(c.from - c.to))} fewer`
  }
}
