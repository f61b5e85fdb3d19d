import type { StatementKey } from '#core/statements'
import { formatNumber } from '#core/units'
import { shareSpanText, spanText } from './batch'
import { num, roundedTo, whole } from './numbers'
import { n, type Phrase, type Values } from './phrase'
import { agoText, dayText, stretchText } from './when'

type BatchKey = Extract<
  StatementKey,
  | 'number.larvae'
  | 'number.reasonMolt'
  | 'number.reasonSamples'
  | 'number.reasonLooks'
  | 'number.reasonHidden'
  | 'number.reasonNoSample'
  | 'number.doSample'
  | `number.pool${string}`
  | 'number.dryAgain'
  | `heading.settle${string}`
  | 'heading.settling'
  | 'heading.reasonLives'
  | 'heading.reasonToCome'
  | `heading.pool${string}`
  | `heading.reasonEggs${string}`
  | `surplus.pick${string}`
>

const range = (v: Values) => num(spanText({ low: n(v, 'low'), high: n(v, 'high') }))
const about = (v: Values) => num(roundedTo(n(v, 'value'), n(v, 'low'), n(v, 'high')))
const day = (v: Values, key: string, s: Parameters<Phrase>[1]) => num(dayText(n(v, key), s.nowMs))
/** "between 3 and 4", or "about 4" where both ends are one molt. */
const betweenMolts = (low: number, high: number) => {
  const [a, b] = [whole(low), whole(high)]
  return a === b ? `about ${num(a)}` : `${num(`${a} to ${b}`)}`
}
const stretch = (v: Values, [from, to]: readonly [string, string], s: Parameters<Phrase>[1]) =>
  num(stretchText(n(v, from), n(v, to), s.nowMs))

/** What is said of larvae in a tub, and of a pool of dry eggs. */
export const batchPhrases: Readonly<Record<BatchKey, Phrase>> = {
  'number.larvae': v => `About ${about(v)} in the tub, likely ${range(v)}`,
  'number.reasonMolt': v =>
    `Those on their way have molted ${betweenMolts(n(v, 'low'), n(v, 'high'))} of ${num(whole(n(v, 'of')))} times.`,
  'number.reasonSamples': v =>
    n(v, 'n') === 1
      ? `From one sample, ${agoText(n(v, 'days'))}.`
      : `From ${num(n(v, 'n'))} samples, the last ${agoText(n(v, 'days'))}.`,
  'number.reasonLooks': v =>
    n(v, 'n') === 1
      ? `From one look, ${agoText(n(v, 'days'))}.`
      : `From ${num(n(v, 'n'))} looks, the last ${agoText(n(v, 'days'))}.`,
  'number.reasonHidden': v => `As many as ${num(whole(n(v, 'high')))} may still hide: look once more.`,
  'number.reasonNoSample': v => `No sample yet: ${range(v)} may have hatched.`,
  'number.doSample': () => 'Take a sample: a measured jug, counted by stage.',
  'number.poolWaiting': v => `Flooded ${agoText(n(v, 'days'))}, none seen yet`,
  'number.poolNone': v => `Nothing hatched, most likely: flooded ${agoText(n(v, 'days'))}`,
  'number.dryAgain': () => 'Let it dry and rest, and flood it once more: part of the eggs wait for a second flood.',

  'heading.settleFrom': (v, s) =>
    `The first settle about ${day(v, 'from', s)}, likely ${stretch(v, ['low', 'high'], s)}`,
  'heading.settleNone': () => 'Hardly any will settle',
  'heading.settling': v => `They settle: ${about(v)} still to be picked or to come`,
  'heading.settledAll': v => `${num(whole(n(v, 'out')))} were picked in all`,
  'heading.reasonLives': v =>
    `That is ${num(shareSpanText({ low: n(v, 'low'), high: n(v, 'high') }))} of those that hatched.`,
  'heading.reasonToCome': v => `Likely ${range(v)} of them settle in the end.`,
  'heading.poolHatch': (v, s) => `They hatch ${stretch(v, ['from', 'to'], s)}, as a rule`,
  'heading.poolNone': () => 'Nothing to wait for',
  'heading.poolGrown': (v, s) => `Grown by ${stretch(v, ['low', 'high'], s)}`,
  'heading.poolLays': v => `They lay: ${about(v)} eggs lie in the ground`,
  'heading.poolOver': () => 'The pool is over: let it dry',
  'heading.reasonEggs': v => `${range(v)} eggs were laid, as far as their females tell.`,
  'heading.reasonEggsEnd': v => `By its end likely ${range(v)} eggs.`,

  'surplus.pick': v =>
    n(v, 'high') < 1.5
      ? 'One may be ready to be picked'
      : `About ${num(formatNumber(n(v, 'value'), 0))} can be picked, likely ${range(v)}`,
  'surplus.pickFrom': (v, s) => `None yet: pick them as they settle, from ${day(v, 'from', s)}`,
}
