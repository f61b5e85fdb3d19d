import type { BroodLine, ColonyBroods } from '#core/broods'
import { DAY_MS, WEEK_MS } from '#core/records'
import { type BroodsToday, youngOf } from '#core/population'
import { BROOD_SIGHT } from '#core/statements'
import { broodWords } from './kinds'
import { counted, num, percent, roundedTo, whole } from './numbers'
import { type UnitPrefs, valueText } from './unitPrefs'
import { dayText, stretchText, weekdayText } from './when'

/** A brood with the colony that it is of. */
export interface BroodOf {
  colonyId: string
  name: string
  broods: ColonyBroods
  line: BroodLine
  /** name of the animal that carries it, where one is followed */
  who: string | null
}

const ageWord = { eyed: 'with eyes', halfway: 'halfway', fresh: 'fresh' } as const
const roughly = (n: number) => (n < 1.5 ? 'one' : whole(n))

/** How many broods a row is, as a keeper says it: "4", "about 5". */
const broodNumber = ({ number, age }: Pick<BroodLine, 'number' | 'age'>): string =>
  age ? `about ${roughly(number)}` : whole(number)

/** By what eggs are expected: "mated 7 Nov", "3 with a saddle", "resting since 7 Nov". */
function awaitsText({ awaits, number, firstSeenMs }: BroodLine, nowMs: number): string {
  if (awaits === 'saddle') return `${whole(number)} with a saddle`
  return `${awaits === 'rest' ? 'resting since' : 'mated'} ${dayText(firstSeenMs!, nowMs)}`
}

/** What a row is, beside the name of its colony: "4 berried", "clutch of 9 Nov", "Vesta". */
export function broodTitle({ line, who }: Pick<BroodOf, 'line' | 'who'>, nowMs: number): string {
  if (line.awaits) return [who, awaitsText(line, nowMs)].filter(Boolean).join(', ')
  if (who) return who
  if (line.sign === 'clutch') return `clutch of ${dayText(line.firstSeenMs!, nowMs)}`
  const many = broodNumber(line)
  const what = line.sign === 'berried' ? 'berried' : line.number < 1.5 ? 'mass' : 'masses'
  return line.age ? `${many} ${what}, ${ageWord[line.age]}` : `${many} ${what}`
}

/** The words beside a row's swelling: what is not plain from its place. */
export function broodLabel({ line, who }: Pick<BroodOf, 'line' | 'who'>, youngEach: number): string {
  if (line.awaits) return 'eggs expected'
  if (line.sign === 'clutch')
    return `${line.place === 'incubator' ? 'incubator' : 'where it was laid'} · about ${whole(youngEach)}`
  const seen = line.age ? ageWord[line.age] : line.eyed ? 'eyes seen' : ''
  return [who ?? broodNumber(line), seen].filter(Boolean).join(' · ')
}

/** What is under a colony's name: what was seen, and how many there are in all. */
export function broodsUnder({ sign, lines, last, temperatureC }: ColonyBroods, all: BroodsToday, units: UnitPrefs) {
  const warmth = valueText('temperatureC', temperatureC, units)
  if (sign === 'clutch') {
    const clutches = counted(lines.length, 'clutch', 'clutches').toLowerCase()
    return `${clutches} above water, ${warmth}`
  }
  const followed = lines.filter(l => l.who !== null && !l.awaits).length
  if (followed > 0 && (last?.number ?? 0) === 0)
    return `${counted(followed, 'followed one carries', 'followed ones carry').toLowerCase()}, ${warmth}`
  const seen = last ? `${whole(last.number)} ${sign === 'berried' ? 'berried' : 'masses'} seen` : 'none seen yet'
  return [seen, hiddenText(sign, last?.number ?? 0, all), warmth].filter(Boolean).join(', ')
}

/** "about 20 in all": those that nobody saw are there too. */
function hiddenText(sign: ColonyBroods['sign'], seen: number, all: BroodsToday): string {
  if (sign === 'eggMass') return seen > 0 ? `about ${whole(seen / BROOD_SIGHT.eggMass.share)} in all` : ''
  return all.value > 1.25 * seen && all.value >= 2 ? `about ${roundedTo(all.value, all.low, all.high)} in all` : ''
}

/** Whether a row hatches within a week, more likely than not. */
const hatchesSoon = ({ line }: BroodOf, nowMs: number): boolean =>
  !line.awaits && line.hatch.likelyMs <= nowMs + WEEK_MS

/** "Three hatch this week: Ember A and a clutch of Apple snails from today, Rime A from Fri 27 Nov." */
export function broodsHeadline(rows: readonly BroodOf[], nowMs: number): string {
  if (rows.length === 0) return 'Nobody carries or lays at present, as far as the log tells.'
  const soon = rows
    .filter(r => hatchesSoon(r, nowMs))
    .toSorted((a, b) => a.line.hatch.earliestMs - b.line.hatch.earliestMs)
  if (soon.length === 0) {
    const next = rows.find(r => !r.line.awaits)
    return next
      ? `Nothing hatches this week. The next is ${nameOf(next)} ${fromText(next, nowMs)}.`
      : 'Nothing hatches this week. Eggs are expected, and none were seen yet.'
  }
  const byDay = new Map<string, string[]>()
  for (const row of soon) {
    const names = byDay.get(fromText(row, nowMs)) ?? []
    if (!names.includes(nameOf(row))) names.push(nameOf(row))
    byDay.set(fromText(row, nowMs), names)
  }
  const days = [...byDay].map(([day, names]) => `${listed(names)} ${day}`)
  return `${counted(soon.length, 'hatches', 'hatch')} this week: ${days.slice(0, 3).join(', ')}.`
}
const nameOf = ({ line, name }: BroodOf) => (line.sign === 'clutch' ? `a clutch of ${name}` : name)
const fromText = ({ line }: BroodOf, nowMs: number) =>
  line.hatch.earliestMs <= nowMs + DAY_MS / 2 ? 'from today' : `from ${num(weekdayText(line.hatch.earliestMs))}`

/** "Ember A", "Ember A and Barley", "Ember A, Barley and two more". */
function listed(names: readonly string[]): string {
  if (names.length <= 1) return names.join('')
  if (names.length > 3)
    return `${names.slice(0, 2).join(', ')} and ${counted(names.length - 2, 'more', 'more').toLowerCase()}`
  return `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
}

/** Young of a row, with its range. */
export function youngText(line: BroodLine, today: BroodsToday): string {
  const { young } = youngOf(line.number, today)
  return rough(young.low, young.high)
}
/** Those of them that are half-grown one day, as crowded as it is. */
export function growingUpText(line: BroodLine, today: BroodsToday): string {
  const { growUp } = youngOf(line.number, today)
  return rough(growUp.low, growUp.high)
}

/** A range no more exact than it is: "60 to 120", "about 4", "hardly any". */
function rough(low: number, high: number): string {
  if (high < 0.5) return 'hardly any'
  const step = high >= 100 ? 10 : high >= 30 ? 5 : 1
  const [a, b] = [Math.round(Math.max(0, low) / step) * step, Math.round(high / step) * step]
  return a === b ? `about ${whole(b)}` : `${whole(a)} to ${whole(b)}`
}

/** "4 hatched between 3 and 6 Nov", "a clutch dried out by 3 Nov, too early to have hatched". */
export function endedText(e: ColonyBroods['ended'][number], who: string | null, nowMs: number): string {
  const what = who ? `${who}’s` : e.place ? 'a clutch' : whole(e.number)
  const between = stretchText(e.end!.fromMs, e.end!.toMs, nowMs)
  const young = e.young === null ? '' : `, ${whole(e.young)} young`
  if (e.end!.how === 'hatched') return `${what} hatched ${between}${young}.`
  return `${what} ${e.lostTo ? broodWords.lostTo[e.lostTo] : 'gone too early to have hatched: lost'}, ${between}.`
}

/** "22.0 °C of your log; 25 days at that; your own broods so far 4 % faster." */
export function broodBasis({ pace, temperatureC, usual }: ColonyBroods, units: UnitPrefs): string {
  const own =
    pace.broods === 0
      ? 'none of yours was watched to its end yet.'
      : `${counted(pace.broods, 'brood', 'broods').toLowerCase()} of yours ` +
        (Math.abs(pace.log) < 0.01
          ? 'took as long as usual.'
          : `took ${percent(Math.abs(Math.expm1(pace.log)))} ${pace.log > 0 ? 'longer' : 'less'} than usual.`)
  return (
    `Window from ${valueText('temperatureC', temperatureC, units)} of your log, about ${whole(usual.likely)} days ` +
    `at that; ${own}`
  )
}
