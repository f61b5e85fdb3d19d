import { type ValueKey, valueKeys } from '#core/records'
import type { ValueVerdict } from '#core/water'

/** Values that are not asked for at the glass unless they are due. */
const RARE: ReadonlySet<ValueKey> = new Set(['copperMgL', 'ammoniaMgL', 'nitriteMgL', 'nitrateMgL', 'calciumMgL'])
/** What a probe or a thermometer shows at a glance stands before what has to be dripped. */
const QUICK: readonly ValueKey[] = ['temperatureC', 'humidityPct', 'conductivityUsCm']
/** What is tested in a glass that is being cured. */
const CURING: readonly ValueKey[] = ['ammoniaMgL', 'nitriteMgL', 'nitrateMgL', 'ph', 'temperatureC']
/** Rows that stand there at once, unless more are due. */
const ROWS = 4

/**
 * The values that stand at a glass on a round: those due, then those that are off, then what is read quickly, then what
 * is tested here; where nothing was tested yet, what the group has targets for.
 * @param due values that are due to be tested
 * @param verdicts of the glass; none where it is being cured
 */
export function valuesToRead(due: readonly ValueKey[], verdicts: ReadonlyMap<ValueKey, ValueVerdict>): ValueKey[] {
  if (verdicts.size === 0) return [...CURING]
  const wanted = valueKeys.filter(k => verdicts.has(k) && !RARE.has(k))
  const read = wanted.filter(k => verdicts.get(k)!.latest)
  const usual = read.length > 0 ? read : wanted
  const order = [
    ...due,
    ...usual.filter(k => verdicts.get(k)!.state === 'off'),
    ...QUICK.filter(k => usual.includes(k)),
    ...usual,
  ]
  return [...new Set(order)].slice(0, Math.max(ROWS, due.length))
}

/** The values that a due test names. */
export const testKeys = (values: Readonly<Record<string, number | string>>): ValueKey[] =>
  String(values.keys ?? '')
    .split(' ')
    .filter(Boolean) as ValueKey[]
