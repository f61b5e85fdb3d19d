import type { ValueKey } from '#core/records'
import type { WaterMessageKey } from '#core/water'
import { num, percent } from './numbers'
import {
  above,
  bare,
  below,
  key,
  n,
  Name,
  name,
  type Phrase,
  preferred,
  type Saying,
  value,
  type Values,
} from './phrase'
import { differenceText, rangeText, valueNumber, volumeText } from './unitPrefs'
import { dayText, weeksText } from './when'

/** "3 pairs of readings from one day", or mornings and evenings of different days. */
const swingReadings = (v: Values): string =>
  n(v, 'pairs') > 0
    ? `${num(n(v, 'pairs'))} ${n(v, 'pairs') === 1 ? 'pair' : 'pairs'} of readings from one day`
    : `${num(n(v, 'mornings'))} morning and ${num(n(v, 'evenings'))} evening readings`
/** The swing's likely size, small end first, whichever way it goes. */
function swingRange(v: Values, s: Saying): string {
  const ends = [n(v, 'low'), n(v, 'high')].map(Math.abs).sort((a, b) => a - b)
  return ends.map(end => valueNumber('ph', end, s.units)).join(' to ')
}

/** What is said of water. */
export const waterPhrases: Readonly<Record<WaterMessageKey | 'water.allGood' | 'water.nothingKnown', Phrase>> = {
  'water.allGood': v =>
    n(v, 'n') === 1 ? 'The one value tested is on target' : `Water is right: all ${num(n(v, 'n'))} values on target`,
  'water.nothingKnown': () => 'The water was never tested',
  'water.noReading': v => `${Name(v)} was never tested`,
  'water.tooOld': v => `${Name(v)} not read for ${num(`${Math.floor(n(v, 'days'))} days`)}`,
  'water.onTarget': (v, s) => `${Name(v)} is right at ${value(v, s)}`,
  'water.steadyAtEdge': (v, s) => `${Name(v)} steady at ${value(v, s)}`,
  'water.withinDoubt': (v, s) => `${Name(v)} at ${value(v, s)}, at the edge of ${num(preferred(v, s))}`,
  'water.mayLeave': (v, s) => `${Name(v)} at ${value(v, s)} may leave ${num(preferred(v, s))} soon`,
  'water.rising': (v, s) => `${Name(v)} is rising: ${value(v, s)} now`,
  'water.falling': (v, s) => `${Name(v)} is falling: ${value(v, s)} now`,
  'water.above': (v, s) => `${Name(v)} at ${value(v, s)}, above ${above(v, s)}`,
  'water.below': (v, s) => `${Name(v)} at ${value(v, s)}, below ${below(v, s)}`,
  'water.slidAbove': (v, s) => `${Name(v)} has crept up to ${value(v, s)}, above ${above(v, s)}`,
  'water.slidBelow': (v, s) => `${Name(v)} has slid to ${value(v, s)}, below ${below(v, s)}`,
  'water.steppedOut': (v, s) =>
    `${Name(v)} stepped from ${bare(v, s, 'from')} to ${value(v, s)}, ` +
    (v.side === 'high' ? `above ${above(v, s)}` : `below ${below(v, s)}`),
  'water.poison': (v, s) => `${Name(v)} found: ${value(v, s)}. It should be none`,
  'water.poisonOld': (v, s) =>
    `${Name(v)} was found ${num(`${Math.floor(n(v, 'days'))} days`)} ago (${value(v, s)}) and not tested since`,
  'water.reasonSlope': (v, s) =>
    `From ${bare(v, s, 'from')} to ${bare(v, s, 'to')} in ${weeksText(n(v, 'weeks'))}, at present about ` +
    `${num(differenceText(key(v), Math.abs(n(v, 'perWeek')), s.units, 1))} ` +
    `${n(v, 'perWeek') < 0 ? 'down' : 'up'} a week.`,
  'water.reasonSteady': v => `Steady over the last ${num(n(v, 'n'))} readings.`,
  'water.reasonUnclear': v =>
    `Whether it moves, the last ${num(n(v, 'n'))} readings cannot tell: they scatter too much.`,
  'water.reasonCame': (v, s) => `From ${bare(v, s, 'from')} to ${bare(v, s, 'to')} in ${weeksText(n(v, 'weeks'))}.`,
  'water.reasonMayLeave': (v, s) =>
    `Chance that it lies outside ${num(preferred(v, s))} before two more tests: ${num(percent(n(v, 'chance')))}.`,
  'water.reasonStep': (v, s) =>
    `A step from about ${bare(v, s, 'from')} to ${bare(v, s, 'to')} between ${dayText(n(v, 'since'), s.nowMs)} and ` +
    `${dayText(n(v, 'at'), s.nowMs)}: more than the test’s doubt and this glass’s own wandering explain.`,
  'water.reasonStepPoured': (v, s) =>
    `In that time ${num(volumeText(n(v, 'litres'), s.units))} were poured on ${dayText(n(v, 'at'), s.nowMs)}` +
    (n(v, 'known') > 0 ? ', which do not account for it.' : '; nobody wrote down what was in them.'),
  'water.reasonStepUnknown': () =>
    'Nothing that was poured in that time is in the log: was there a change, a top-up, new soil or stone?',
  'water.reasonTooFew': v =>
    n(v, 'n') < 2 ? 'One reading shows no trend.' : `${num(n(v, 'n'))} readings are too few for a trend.`,
  'water.reasonForecast': (v, s) =>
    `In four weeks about ${value(v, s)} if all goes on as it is (likely ` +
    `${num(rangeText(key(v), n(v, 'low'), n(v, 'high'), s.units))}).`,
  'water.reasonWeak': (v, s) =>
    `Read by a rough method: give or take ${num(differenceText(key(v), n(v, 'sd'), s.units))}.`,
  'water.reasonJump': (v, s) =>
    `It jumped by ${num(differenceText(key(v), Math.abs(n(v, 'by')), s.units))} in ` +
    `${Math.max(1, Math.round(n(v, 'days')))} days; these animals take ` +
    `${num(differenceText(key(v), n(v, 'allowed'), s.units))}.`,
  'water.reasonNearLimit': (v, s) =>
    `Preferred ${num(preferred(v, s))}, tolerated ${num(rangeText(key(v), n(v, 'tolLow'), n(v, 'tolHigh'), s.units))}.`,
  'water.swing': (v, s) =>
    `pH swings by ${num(differenceText('ph', Math.abs(n(v, 'by')), s.units))} between dawn and dusk`,
  'water.reasonSwing': (v, s) =>
    `${swingReadings(v)}: ` +
    `likely ${num(swingRange(v, s))} ` +
    `${n(v, 'by') > 0 ? 'higher at dusk' : 'lower at dusk'}. More than about half a unit is a warning.`,
  'water.doSteadyCo2': () =>
    'Slow or stop injected CO₂, move the surface at night, and test at dawn and at dusk again.',
  'water.reasonReckoned': (v, s) =>
    `Reckoned from what was poured, give or take ${num(differenceText(key(v), n(v, 'sd'), s.units))}: a test ` +
    `settles it.`,
  'water.doTest': v => `Test ${name(v)}.`,
  'water.doRetest': v => `Test ${name(v)} again with a better method before you change anything.`,
  'water.doTestFirst': v => `The reading is ${num(`${Math.floor(n(v, 'days'))} days`)} old: test ${name(v)} first.`,
  'water.doFindStep': v => `Test ${name(v)} once more, and look for what did it.`,
  'water.doWatch': v => `Test ${name(v)} with the next round before you change anything.`,
  'water.doNothing': () => 'Leave it: stable beats perfect.',
  'water.doRaise': v => raise(key(v)),
  'water.doLower': v => lower(key(v)),
  'water.doEmergencyChange': v =>
    `Change a part of the water now with matched water, stop feeding, and test ${name(v)} again tomorrow.`,
}

function raise(k: ValueKey): string {
  switch (k) {
    case 'ghDh':
    case 'khDh':
      return 'Raise it in stages with the next changes.'
    case 'temperatureC':
      return 'Warm it slowly: check heater and room.'
    case 'humidityPct':
      return 'Close the cover further and mist.'
    case 'conductivityUsCm':
      return 'Add minerals with the next changes, in stages.'
    case 'salinityGKg':
      return 'Top up with salt water, in stages.'
    case 'ph':
      return 'Look at KH first: pH follows it.'
    case 'calciumMgL':
      return 'Offer calcium: bone, stone or salts with the changes.'
    default:
      return 'Bring it up in stages.'
  }
}

function lower(k: ValueKey): string {
  switch (k) {
    case 'ghDh':
    case 'khDh':
      return 'Thin it in stages with softer change water.'
    case 'temperatureC':
      return 'Cool it slowly: less light, a fan over the surface.'
    case 'humidityPct':
      return 'Let more air in.'
    case 'conductivityUsCm':
      return 'Top up with pure water only, and thin with the next changes.'
    case 'salinityGKg':
      return 'Top up with pure water.'
    case 'ph':
      return 'Look at KH and leaves first: pH follows them.'
    case 'nitrateMgL':
      return 'Feed less and change a little more.'
    default:
      return 'Bring it down in stages.'
  }
}
