import type { SetUpCheck, PlanStep } from '#core/care'
import type { PlanStepId, SubstrateKind } from '#core/records'
import { formatNumber } from '#core/units'
import { num, percent } from './numbers'
import { limitText, type UnitPrefs, valueText, volumeText } from './unitPrefs'

export const substrateWord: Readonly<Record<SubstrateKind, string>> = {
  none: 'bare',
  sand: 'sand',
  gravel: 'gravel',
  activeSoil: 'active soil',
  carbonateSand: 'carbonate sand',
  earth: 'earth',
}

const n = (values: SetUpCheck['values'], key: string) => Number(values[key])
const sub = (values: SetUpCheck['values'], key: string) => substrateWord[values[key] as SubstrateKind]
const between = (low: number, high: number) =>
  low === high
    ? formatNumber(low, low % 1 ? 1 : 0)
    : `${formatNumber(low, low % 1 ? 1 : 0)} to ${formatNumber(high, high % 1 ? 1 : 0)}`

/** What a sentence about a check is made of. */
interface Checked {
  v: SetUpCheck['values']
  state: SetUpCheck['state']
  /** on target */
  good: boolean
  units: UnitPrefs
}
const checkWords: Record<SetUpCheck['key'], (c: Checked) => string> = {
  litres: ({ v, state, good, units }) =>
    good
      ? `${num(volumeText(n(v, 'have'), units))} give ${n(v, 'starters')} starters room.`
      : state === 'drifting'
        ? `${num(volumeText(n(v, 'have'), units))} will do; ${volumeText(n(v, 'good'), units)} are better for ` +
          `${n(v, 'starters')} starters.`
        : `${num(volumeText(n(v, 'have'), units))} are too little: at least ${volumeText(n(v, 'least'), units)}.`,
  starters: ({ v, good }) =>
    good
      ? `${num(n(v, 'have'))} starters are a good beginning.`
      : n(v, 'have') === 0
        ? 'No starters yet.'
        : n(v, 'have') > n(v, 'fits')
          ? `${num(n(v, 'have'))} starters are more than this water carries: about ${formatNumber(n(v, 'fits'), 0)}.`
          : `${num(n(v, 'have'))} starters: ${n(v, 'good')} are advised.`,
  filter: ({ v, good, units }) =>
    n(v, 'wanted') === 0
      ? good
        ? 'No filter is wanted: still water suits them.'
        : 'They want still water: leave the filter out.'
      : good
        ? `The filter is rated for ${num(volumeText(n(v, 'have'), units))}: enough.`
        : n(v, 'have') === 0
          ? `A filter rated for ${num(volumeText(n(v, 'wanted'), units))} is missing: ` +
            `${volumeText(n(v, 'low'), units)} to ${volumeText(n(v, 'high'), units)} an hour through it.`
          : `The filter is rated for ${num(volumeText(n(v, 'have'), units))}; together ` +
            `${volumeText(n(v, 'wanted'), units)} are wanted.`,
  intake: ({ good }) =>
    good
      ? 'The intake has its sponge: young are not pulled in.'
      : 'The intake is bare: put a sponge over it, and look at it every week.',
  cover: ({ good }) =>
    good ? 'Covered.' : 'They climb: without a cover some will lie on the floor. Close cable gaps too.',
  fill: ({ v, good }) =>
    good
      ? `Filled to ${num(percent(n(v, 'have')))}: right.`
      : `Filled to ${num(percent(n(v, 'have')))}; ${percent(n(v, 'good'))} suits them.`,
  substrate: ({ v, good, units }) => {
    const amount =
      n(v, 'litres') > 0
        ? ` That is ${num(volumeText(n(v, 'litres'), units))} or about ` +
          `${num(`${formatNumber(n(v, 'kg'), 1)} kg`)}.`
        : ''
    const wanted =
      sub(v, 'goodKind') === 'bare'
        ? 'they do without'
        : `${sub(v, 'goodKind')}, ${formatNumber(n(v, 'goodDepth'), 1)} cm`
    const kind = sub(v, 'kind').replace(/^./, c => c.toUpperCase())
    const depth = n(v, 'depth') > 0 ? `, ${formatNumber(n(v, 'depth'), 1)} cm` : ''
    return good ? `${kind}${depth}.${amount}` : `Usual is ${wanted}.${amount}`
  },
  carbonate: ({ v, good }) =>
    n(v, 'high') === 0
      ? 'Carbonate stone would push KH up, which they do not want: leave it out.'
      : `${num(`${formatNumber(n(v, 'have'), 0)} g/L`)} carbonate stone or sand, ` +
        `${num(`${formatNumber(n(v, 'kg'), 2)} kg`)} in ` +
        `all${good ? '.' : `; ${between(n(v, 'low'), n(v, 'high'))} g/L are usual.`}`,
  light: ({ v, good }) =>
    good
      ? `Light ${num(`${formatNumber(n(v, 'have'), 0)} h`)} a day.`
      : `Light ${num(`${formatNumber(n(v, 'have'), 0)} h`)} a day; ${between(n(v, 'low'), n(v, 'high'))} h are usual.`,
  leaves: ({ v, good }) =>
    n(v, 'good') === 0
      ? 'No leaves are needed.'
      : good
        ? `${num(n(v, 'have'))} dried leaves, new ones every two weeks.`
        : `${num(n(v, 'have'))} dried leaves; about ${n(v, 'good')} suit this water, new ones every two weeks.`,
  hides: ({ v }) => `Hides: at least ${num(n(v, 'n'))}, one for each, and spare ones for the days after a molt.`,
  sexes: ({ v }) =>
    `Of these about ${num(n(v, 'females'))} females and ${num(n(v, 'males'))} ` +
    `${n(v, 'males') === 1 ? 'male' : 'males'}, if they can be told apart.`,
  cure: ({ v }) => `Curing takes ${num(`${between(n(v, 'low'), n(v, 'high'))} weeks`)} before animals come in.`,
}

/** A check of the set-up in one or two sentences. */
export const checkText = ({ key, state, values }: SetUpCheck, units: UnitPrefs): string =>
  checkWords[key]({ v: values, state, good: state === 'onTarget', units })

/** What is done in a step of the plan. */
export function planStepText({ id, values: v }: Pick<PlanStep, 'id' | 'values'>, units: UnitPrefs): string {
  const texts: Record<PlanStepId, () => string> = {
    legal: () => 'Check local rules on keeping, buying and passing on this kind.',
    place: () =>
      `Put the glass where the floor and shelf carry about ${formatNumber(n(v, 'kg'), 0)} kg, away from sun ` +
      `and sockets.`,
    substrate: () => {
      const depth = `${formatNumber(n(v, 'depth'), 1)} cm`
      return v.kind === 'activeSoil'
        ? `Put in the active soil, ${depth}, as it comes: rinsing washes away what it works with.`
        : `Rinse and put in the substrate: ${sub(v, 'kind')}, ${depth}.`
    },
    carbonate: () => `Add ${formatNumber(n(v, 'gL'), 0)} g/L carbonate stone or sand.`,
    equipment: () => {
      const things = [...(['filter', 'heater', 'cover'] as const).filter(t => n(v, t) > 0), 'light']
      const without = (['filter', 'heater'] as const).filter(t => n(v, t) === 0)
      const none = without.length > 0 ? ` They want no ${without.join(' and no ')}.` : ''
      return (
        `Hang ${[things.slice(0, -1).join(', '), things.at(-1)].filter(Boolean).join(' and ')}; drip loops in the ` +
        `cables, a residual-current device in the plug.${none}`
      )
    },
    fill: () => 'Fill with the first water.',
    start: () => 'Start the curing: a pinch of powder food, leaves in, light on.',
    firstTest: () => 'Test ammonia and nitrite.',
    midTest: () => 'Test ammonia, nitrite and nitrate.',
    grown: () => 'Look for biofilm and algae: they live on it.',
    readyTest: () => 'Test ammonia and nitrite once more; both none, twice, and they can come.',
    settle: () =>
      `Bring in the ${formatNumber(n(v, 'n'), 0)} starters by ` +
      `drip${v.c === undefined ? '' : `, at ${valueText('temperatureC', n(v, 'c'), units)} to settle`}.`,
    warm: () =>
      `Bring the temperature to ${limitText('temperatureC', n(v, 'low'), units)} to ` +
      `${valueText('temperatureC', n(v, 'high'), units)} for breeding, half a degree a day.`,
    firstCount: () => 'Make the first count: the estimate starts from it.',
  }
  return texts[id]()
}

/** "20 instead of 5 brings the first hundred 14 weeks sooner." */
export function startersText(c: {
  starters: number
  number: number
  weeks: { p10: number; p50: number; p90: number; reachedShare: number }
  other: { starters: number; p50: number } | null
}): string {
  const { starters, number, weeks, other } = c
  const reach = Number.isFinite(weeks.p50)
    ? `${num(starters)} starters reach the first ${number} in about ${num(`${weeks.p50} weeks`)} (likely ` +
      `${weeks.p10} to ${Number.isFinite(weeks.p90) ? weeks.p90 : 'many more'}).`
    : `${num(starters)} starters reach ${number} in ${num(percent(weeks.reachedShare))} of futures within three years.`
  if (!other || !Number.isFinite(other.p50) || !Number.isFinite(weeks.p50)) return reach
  const by = Math.abs(other.p50 - weeks.p50)
  if (by < 1) return reach
  const [more, fewer] = other.starters > starters ? [other.starters, starters] : [starters, other.starters]
  return (
    `${reach} ${num(more)} instead of ${fewer} ${more === starters ? 'brings' : 'would bring'} it ` +
    `${num(`${by} weeks`)} sooner.`
  )
}
