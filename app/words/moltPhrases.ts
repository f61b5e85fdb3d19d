import { formatNumber } from '#core/units'
import type { StatementKey } from '#core/statements'
import type { ValueKey } from '#core/records'
import { num, percent, whole } from './numbers'
import { n, type Phrase, type Values } from './phrase'
import { valueName, valueText } from './unitPrefs'
import { dayText } from './when'

type MoltKey = Extract<StatementKey, `molts.${string}`>

const key = (v: Values) => v.key as ValueKey
const value = (v: Values, s: Parameters<Phrase>[1], of = 'value') => num(valueText(key(v), n(v, of), s.units))
/** "usual is 1 to 2", "usual is less than one". */
const usual = (v: Values) => (n(v, 'high') <= 1 ? 'usual is one at most' : `usual is ${n(v, 'low')} to ${n(v, 'high')}`)
const molts = (v: Values) => `about ${num(whole(n(v, 'molts')))}`

/** What is said of molts, and of what they may fail of. */
export const moltPhrases: Readonly<Record<MoltKey, Phrase>> = {
  'molts.ordinary': v => `Molts are ordinary: ${num(n(v, 'failed'))} of ${molts(v)} failed in eight weeks`,
  'molts.tooMany': v => `Molts fail too often: ${num(n(v, 'failed'))} of ${molts(v)} in eight weeks, ${usual(v)}`,
  'molts.tooFew': v =>
    `Too few molts to tell, ${molts(v)} in eight weeks: ` +
    (n(v, 'failed') > 0 ? `${num(n(v, 'failed'))} failed` : 'none failed that was seen'),
  'molts.reasonRate': v =>
    `With those that nobody found likely ${num(`${percent(n(v, 'low'))} to ${percent(n(v, 'high'))}`)} of all molts.`,
  'molts.reasonSkins': v =>
    `${num(n(v, 'found'))} skins found of about ${num(whole(n(v, 'expected')))}: here likely ` +
    `${num(`${percent(n(v, 'low'))} to ${percent(n(v, 'high'))}`)} are; others eat the rest.`,
  'molts.lookAtEach': () => 'Look at each that molts: colour, gap behind the head, how it walks.',
  'molts.levelWrong': (v, s) =>
    `${valueName(key(v))} is ${value(v, s)}, wanted ${num(valueText(key(v), n(v, 'low'), s.units))} to ` +
    `${num(valueText(key(v), n(v, 'high'), s.units))}.`,
  'molts.levelRight': (v, s) => `${valueName(key(v))} is ${value(v, s)}, where it should be.`,
  'molts.levelUnknown': () => 'Nobody tested GH and KH of late.',
  'molts.stepped': (v, s) => `${valueName(key(v))} leapt, to ${value(v, s)} now.`,
  'molts.moving': (v, s) => `${valueName(key(v))} is on its way, ${value(v, s)} now.`,
  'molts.steady': v => `No leap in ${num(n(v, 'n'))} tests of the last six weeks.`,
  'molts.steadyUnknown': () => 'Too few tests in six weeks to see a leap.',
  'molts.ratioWrong': v => `${num(`${formatNumber(n(v, 'ratio'), 1)} : 1`)} by mass; about 3 : 1 is usual.`,
  'molts.ratioRight': v => `${num(`${formatNumber(n(v, 'ratio'), 1)} : 1`)} by mass, as is usual.`,
  'molts.noMagnesium': () => 'Calcium accounts for all of GH: there is no magnesium.',
  'molts.ratioUnknown': () => 'Not known: test calcium beside GH.',
  'molts.jumped': (v, s) =>
    `From ${num(valueText('temperatureC', n(v, 'from'), s.units))} to ` +
    `${num(valueText('temperatureC', n(v, 'to'), s.units))} within days, on ${dayText(n(v, 'at'), s.nowMs)}.`,
  'molts.noJump': v => `No jump in ${num(n(v, 'n'))} readings of the last six weeks.`,
  'molts.jumpUnknown': () => 'Too few readings in six weeks to see a jump.',
  'molts.minerals': (v, s) => `Greens or calcium last ${dayText(n(v, 'at'), s.nowMs)}.`,
  'molts.noMinerals': v => `${num(n(v, 'n'))} feedings in six weeks, neither greens nor calcium among them.`,
  'molts.dietUnknown': () => 'No feeding was written down in six weeks.',
}
