import type { Attention } from '#core/care'
import type { CountMethod, Message } from '#core/records'
import { STEADY } from '#core/population'
import type { StatementKey } from '#core/statements'
import type { WaterMessageKey } from '#core/water'
import { num, percent, roundedTo, whole } from './numbers'
import { n, type Phrase, type Saying, type Values } from './phrase'
import { fullCountText } from './population'
import { countMethodWord } from './states'
import { batchPhrases } from './batchPhrases'
import { moltPhrases } from './moltPhrases'
import { waterPhrases } from './waterPhrases'
import { agoText, aroundText, dayText, weeksText } from './when'

const animals = (count: number, s: Saying) => s.animal[count === 1 ? 0 : 1]
const about = (v: Values, of: string) => roundedTo(n(v, of), n(v, 'low'), n(v, 'high'))
const method = (v: Values) => countMethodWord[v.method as CountMethod]
const growth = (share: number) => percent(share)

/** What came or went by hand in that time: the rest is the colony's own doing. */
function beside(v: Values): string {
  const moved = n(v, 'moved')
  if (Math.abs(moved) < 0.5) return ''
  return moved < 0 ? `, beside the ${num(whole(-moved))} taken out` : `, with ${num(whole(moved))} put in`
}
const place = (v: Values) => (v.place === 'incubator' ? 'in the incubator' : 'in this glass')

/** "about 2 are", "less than one is". */
function usually(v: Values): string {
  const usual = Math.round(n(v, 'usual'))
  if (n(v, 'usual') < 1) return 'less than one is'
  return `about ${num(usual)} ${usual === 1 ? 'is' : 'are'}`
}
const dying = (v: Values, s: Saying): string =>
  `${num(n(v, 'found'))} found dead since ${dayText(n(v, 'since'), s.nowMs)}, where ${usually(v)} usual`

const phrases: Readonly<Record<StatementKey | WaterMessageKey, Phrase>> = {
  'number.about': v =>
    `About ${num(about(v, 'value'))} here, likely ${num(`${whole(n(v, 'low'))} to ${whole(n(v, 'high'))}`)}`,
  'number.exact': v => `${num(whole(n(v, 'value')))} here`,
  'number.none': () => 'Probably none are left',
  'number.reasonFollowed': v =>
    v.n === 1
      ? 'It is followed by its name: nothing is estimated.'
      : `All ${whole(Number(v.n))} are followed one by one: nothing is estimated.`,
  'number.neverCounted': v =>
    `About ${num(about(v, 'value'))} by now, likely ${num(`${whole(n(v, 'low'))} to ${whole(n(v, 'high'))}`)}`,
  'number.reasonCounts': v =>
    `From ${n(v, 'n') === 1 ? 'one count' : `${num(n(v, 'n'))} counts`}; the last saw ${num(n(v, 'seen'))} ` +
    `${method(v)}, ${agoText(n(v, 'days'))}.`,
  'number.asks': (v, s) =>
    `About ${num(whole(n(v, 'expected')))} expected, ${num(n(v, 'seen'))} ${method(v)} on ` +
    `${dayText(n(v, 'at'), s.nowMs)}.`,
  'number.asksMissed': (v, s) =>
    `Either this count missed most of them, or about ${num(whole(n(v, 'number')))} are gone since ` +
    `${dayText(n(v, 'since'), s.nowMs)}.`,
  'number.asksMore': (v, s) =>
    `Either some were counted twice or written wrongly, or there are about ${num(whole(n(v, 'number')))} more than ` +
    `thought since ${dayText(n(v, 'since'), s.nowMs)}.`,
  'number.loss': (v, s) =>
    `About ${num(whole(n(v, 'number')))} of ${num(whole(n(v, 'of')))} were lost between ` +
    `${dayText(n(v, 'fromMs'), s.nowMs)} and ${dayText(n(v, 'toMs'), s.nowMs)}.`,
  'number.countAgain': () => 'Count again today: a second count decides.',
  'number.lookForCause': () =>
    'Look for the cause first: test the water, feel the heater, look at cover and intake, and think of what came in ' +
    'or was dosed in that time.',
  'number.reasonLeftOut': (v, s) =>
    `What was logged before ${dayText(n(v, 'at'), s.nowMs)} is left out of the reckoning: the log is very long.`,
  'number.reasonFirstLook': () => 'A first look by few possible colonies: it is being made exact …',
  'number.reasonOld': v => `Last counted ${agoText(n(v, 'days'))}.`,
  'number.doCount': v => fullCountText({ low: n(v, 'low'), high: n(v, 'high') }),

  'number.coming': (v, s) =>
    `About ${num(whole(n(v, 'number')))} more may hatch ${place(v)} from ${dayText(n(v, 'from'), s.nowMs)}.`,
  'number.waiting': (v, s) =>
    `${num(whole(n(v, 'number')))} hatched ${place(v)} on ${dayText(n(v, 'from'), s.nowMs)}: they count here once ` +
    'they are put in.',
  'number.reasonSexes': v =>
    `Of those told apart ${num(n(v, 'females'))} ${n(v, 'females') === 1 ? 'female' : 'females'} and ` +
    `${num(n(v, 'males'))} ${n(v, 'males') === 1 ? 'male' : 'males'}; ${n(v, 'wanted')} females to each male are ` +
    'usual.',
  'number.doFewerMales': () => 'Too many males fight, and wear out the females: part some, or bring females.',
  'number.over': () => 'This batch is over',
  'number.endBatch': () => 'A pool is let dry, and its eggs are kept; a tub is ended by “Change”.',

  'heading.growing': v => `Growing about ${num(growth(n(v, 'value')))} a week`,
  'heading.shrinking': v => `Shrinking about ${num(growth(n(v, 'value')))} a week`,
  'heading.steady': () => 'Holding steady',
  'heading.unclear': v =>
    n(v, 'value') > 0.005
      ? 'Perhaps growing, not sure yet'
      : n(v, 'value') < -0.005
        ? 'Perhaps shrinking, not sure yet'
        : 'Not clear where it is heading',
  'heading.usually': v =>
    n(v, 'value') > STEADY
      ? `Such colonies usually grow about ${num(growth(n(v, 'value')))} a week`
      : n(v, 'value') < -STEADY
        ? `Such colonies usually lose about ${num(growth(n(v, 'value')))} a week`
        : 'Such colonies usually hold steady',
  'heading.fewAsMany': (v, s) => `As many by ${aroundText(n(v, 'at'), s.nowMs)}, most likely`,
  'heading.fewMore': (v, s) => `${num(n(v, 'number'))} more by ${aroundText(n(v, 'at'), s.nowMs)}, perhaps`,
  'heading.fewFewer': (v, s) => `${num(n(v, 'number'))} fewer by ${aroundText(n(v, 'at'), s.nowMs)}, perhaps`,
  'heading.full': () => 'Full: about as many as the water carries',
  'heading.reasonDefault': v =>
    n(v, 'n') < 2
      ? 'This leans on the group’s default: the colony’s own counts say little yet.'
      : `Still leans on the group’s default: your ${num(n(v, 'n'))} counts settle ` +
        `${num(percent(n(v, 'share')))} of it.`,
  'heading.reasonOwn': v =>
    `Your ${num(n(v, 'n'))} counts settle ${num(percent(n(v, 'share')))} of what is known about growth.`,
  'heading.reasonDoubling': v => `Twice as many in about ${num(weeksText(n(v, 'weeks')))} at this pace.`,
  'heading.reasonHalving': v => `Half as many in about ${num(weeksText(n(v, 'weeks')))} at this pace.`,
  'heading.reasonDeaths': (v, s) =>
    `${num(n(v, 'n'))} found dead since ${dayText(n(v, 'since'), s.nowMs)}; ${usually(v)} usual.`,
  'heading.dying': dying,
  'heading.dyingInMolt': (v, s) => `${dying(v, s)}, most in a molt`,
  'heading.lookAtDying': () =>
    'Test the water first, ammonia and nitrite too, and feel its warmth; then think of what was new since: food, ' +
    'medicine, sprays, metal, animals. Take the dead out.',
  'heading.lookAtMolts': () =>
    'Test GH and KH first; then look for jumps of the water, its minerals, warmth and the food, in that order. Leave ' +
    'shed skins in, take the dead out.',
  'heading.reasonAhead': (v, s) =>
    `By ${aroundText(n(v, 'at'), s.nowMs)} likely ${num(`${whole(n(v, 'low'))} to ${whole(n(v, 'high'))}`)}.`,
  'heading.reasonRecent': v =>
    `From about ${num(whole(n(v, 'from')))} to ${num(whole(n(v, 'to')))} in ${weeksText(n(v, 'weeks'))}${beside(v)}.`,
  'heading.reasonNoYoung': () => 'Young do not grow up in this water: the number cannot rise by itself.',
  'heading.reasonNotBreeding': () => 'Young do not grow up in this water, so the number only falls.',

  'surplus.some': (v, s) => `${num(n(v, 'take'))} ${animals(n(v, 'take'), s)} can go today`,
  'surplus.none': () => 'None to spare now',
  'surplus.ofBatch': () => 'A batch: what grows up goes on',
  'surplus.notYet': () => 'What can go is being worked out',
  'surplus.reasonKeep': v =>
    `At least ${num(n(v, 'keep'))} stay for 26 weeks, with ${num(percent(n(v, 'risk')))} risk of falling under.`,
  'surplus.reasonShrinking': v =>
    `The colony is shrinking; it may fall under the ${num(n(v, 'keep'))} that should stay.`,
  'surplus.reasonUnder': v => `There are fewer than the ${num(n(v, 'keep'))} that should stay.`,
  'surplus.reasonNoMore': v => `No more live here than the ${num(n(v, 'keep'))} that should stay.`,
  'surplus.reasonBreeding': v =>
    `${num(n(v, 'females'))} females and ${num(n(v, 'males'))} males breed for their line: they stay.`,
  'surplus.reasonDoubt': v =>
    `Too little is known: ${num(percent(n(v, 'risk')))} risk of falling under ${num(n(v, 'keep'))} even if none go.`,
  'surplus.reasonWaterOff': () => 'Put the water right first: these animals would travel badly.',
  'surplus.countFirst': v =>
    `No more than half go without a fresh count: count first, then up to ${num(whole(n(v, 'number')))}.`,
  'surplus.reasonAsks': () => 'Count again first: the last count does not fit.',
  'surplus.reasonLoss': v =>
    `First find out what took about ${num(whole(n(v, 'number')))} of them: nobody knows yet whether it goes on.`,
  'surplus.reasonDying': (v, s) =>
    `First find out why ${num(n(v, 'found'))} died since ${dayText(n(v, 'since'), s.nowMs)}.`,
  'surplus.reasonMolts': () => 'First find out why molts fail: who molts on the way is lost.',
  'surplus.later': (v, s) => `Perhaps by ${aroundText(n(v, 'at'), s.nowMs)}.`,

  ...batchPhrases,
  ...moltPhrases,
  ...waterPhrases,
}

/** The sentence of a message; numerals are marked (see `numbers.ts`). */
export function say(message: Message<StatementKey | WaterMessageKey>, saying: Saying): string {
  return phrases[message.key](message.values, saying)
}

/** What a colony needs its keeper for: where something else is wrong as well, both in one sentence. */
export function sayNeed({ title, also }: Pick<Attention, 'title' | 'also'>, s: Saying): string {
  const first = say(title, s)
  if (!also) return first
  const second = say(also, s)
  // abbreviations keep their capitals
  const inside = /^\p{Lu}\p{Ll}/u.test(second) ? second.charAt(0).toLowerCase() + second.slice(1) : second
  return `${first.replace(/\.$/, '')}; ${inside}`
}
