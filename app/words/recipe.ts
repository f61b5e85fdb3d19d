import type { SaltId, ShelfItem, Source, Water } from '#core/records'
import {
  type Assumption,
  caMgByMass,
  CONDUCTIVITY_ERROR,
  type Goals,
  isAsGoodAsPure,
  molarMass,
  pouringMinutes,
  type Purchase,
  readoutsOf,
  type RecipeIssue,
  type RecipeKey,
  recipeKeys,
  type RecipeQuestion,
  type RecipeStep,
  salts,
  type WaterRecipe,
} from '#core/water'
import { formatNumber } from '#core/units'
import { gramsText, num } from './numbers'
import {
  differenceText,
  limitText,
  preciseVolume,
  type UnitPrefs,
  valueName,
  valueNumber,
  valueText,
  volumeText,
} from './unitPrefs'
import { dayText } from './when'

/** Salts by their plain chemical names; buy them pure, as food or laboratory grade. */
export const saltWord: Readonly<Record<SaltId, string>> = {
  calciumCarbonate: 'Calcium carbonate',
  calciumSulfateDihydrate: 'Calcium sulfate (gypsum)',
  calciumChlorideDihydrate: 'Calcium chloride dihydrate',
  magnesiumSulfateHeptahydrate: 'Magnesium sulfate heptahydrate',
  magnesiumChlorideHexahydrate: 'Magnesium chloride hexahydrate',
  sodiumBicarbonate: 'Sodium bicarbonate',
  potassiumBicarbonate: 'Potassium bicarbonate',
  sodiumChloride: 'Sodium chloride',
  potassiumSulfate: 'Potassium sulfate',
  seaSalt: 'Sea salt mix',
}
export const sourceKindWord: Readonly<Record<Source['kind'], string>> = {
  tap: 'tap',
  pure: 'pure (RO or deionised)',
  rain: 'rain',
  spring: 'spring',
  distilled: 'distilled',
  seaMix: 'sea water',
}

export const assumptionText: Readonly<Record<Assumption, string>> = {
  caMgSplit: 'GH is split into calcium and magnesium as in most taps (78 % calcium by count, from memory).',
  hardnessFromConductivity: 'Hardness is guessed from conductivity alone: a GH test would settle it.',
  noHardness: 'Hardness was not measured and is taken as none.',
  alkalinityUnknown: 'KH was not measured: taken as 70 % of GH.',
  sodiumBalances: 'Sodium is what balances the charges.',
  chlorideSulfateSplit: 'What balances hardness beyond KH is taken as half chloride, half sulfate.',
  sodiumChlorideForConductivity: 'Conductivity beyond that is taken as sodium chloride.',
  seaSaltProportions: 'Ions follow sea salt’s own proportions.',
}

const title = (key: RecipeKey) => valueName(key)

/** "Three changes bring KH from 2.1 to 4.2 without a jump." */
export function recipeHeadline(recipe: WaterRecipe, filling: boolean, units: UnitPrefs): string {
  const end = readoutsOf(recipe.steps.at(-1)!.after)
  if (filling) {
    const shown = shownKeys(recipe.goals, end).map(k => `${title(k)} ${num(valueNumber(k, end[k], units))}`)
    return `This fill comes to ${joined(shown)}.`
  }
  const start = readoutsOf(recipe.steps[0]!.before)
  const moved = movedKeys(recipe).map(
    k => `${title(k)} from ${num(valueNumber(k, start[k], units))} to ${num(valueNumber(k, end[k], units))}`,
  )
  const n = recipe.steps.length
  const words = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten']
  if (moved.length === 0) return 'This change keeps every value where it is.'
  return `${words[n] ?? n} ${n === 1 ? 'change brings' : 'changes bring'} ${joined(moved)} without a jump.`
}

/** Values that a recipe moves, most important first. */
export function movedKeys(recipe: WaterRecipe): RecipeKey[] {
  const start = readoutsOf(recipe.steps[0]!.before)
  const end = readoutsOf(recipe.steps.at(-1)!.after)
  const threshold = {
    ghDh: 0.25,
    khDh: 0.25,
    calciumMgL: Infinity,
    conductivityUsCm: recipe.goals.conductivityUsCm && recipe.goals.conductivityUsCm.weight > 1 ? 5 : Infinity,
    salinityGKg: 0.3,
  }
  return (['conductivityUsCm', 'salinityGKg', 'khDh', 'ghDh'] as const).filter(
    k => Math.abs(end[k] - start[k]) > threshold[k],
  )
}

const shownKeys = (goals: Goals, w: Record<RecipeKey, number>) =>
  recipeKeys.filter(
    k => goals[k] && k !== 'calciumMgL' && (k !== 'conductivityUsCm' || !goals.salinityGKg) && w[k] !== undefined,
  )
const joined = (list: string[]) =>
  list.length < 2 ? list.join('') : `${list.slice(0, -1).join(', ')} and ${list.at(-1)}`

/** Why there is no recipe, in one sentence that says what to do. */
export function recipeIssueText(issue: RecipeIssue, chosen: boolean): string {
  switch (issue) {
    case 'noNearer':
      return 'Nothing that you have brings this water nearer to its targets: a change would take it further away.'
    case 'noSource':
      return 'There is no water to make it from: test a source first.'
    case 'stepTooLarge':
      return chosen
        ? 'This blend would move a value further in one change than these animals take. Drag it back, or let it ' +
            'be solved.'
        : 'No blend of what you have can be poured without a jump: even a small part of this change would move a ' +
            'value too far. A source nearer to the glass’s water is needed.'
  }
}

/** "GH stays at 3.2, short of 6.0." */
export const shortText = (recipe: WaterRecipe, units: UnitPrefs): string =>
  joined(
    recipe.shortOf.map(
      s =>
        `${title(s.key)} ends at ${num(valueText(s.key, s.got, units))}, ` +
        `${s.got < s.wanted ? 'short of' : 'above'} ${num(valueNumber(s.key, s.wanted, units))}`,
    ),
  )

/** What to get; where no single thing would do, which kinds of things it takes beside what is at hand. */
export function purchaseText(
  purchase: Purchase | null,
  { goals, sources }: Pick<RecipeQuestion, 'goals' | 'sources'>,
  now: Record<RecipeKey, number>,
): string {
  if (purchase)
    return purchase.kind === 'pureWater'
      ? 'Pure water (RO or deionised) would make it possible.'
      : `One thing would make it possible: ${saltWord[purchase.salt].toLowerCase()} (${salts[purchase.salt].formula}).`
  const low = (key: RecipeKey) => goals[key] !== undefined && now[key] < goals[key].low - 0.2
  const high = (key: RecipeKey) => goals[key] !== undefined && now[key] > goals[key].high + 0.2
  const tooHigh = high('ghDh') || high('khDh') || high('salinityGKg')
  const hasPure = sources.some(s => isAsGoodAsPure(s.water))
  const takes = [
    low('ghDh') && 'calcium and magnesium salts, or a harder source',
    low('khDh') && 'sodium or potassium bicarbonate',
    low('salinityGKg') && 'sea salt',
    tooHigh && !hasPure && 'pure water',
  ].filter(Boolean)
  if (takes.length > 0) return `No single thing would do it. It takes ${joined(takes as string[])}.`
  return tooHigh
    ? 'Only more changes of this kind bring it further down: go on after these, and test on the way.'
    : 'No single salt or source would do it: set your own range, or leave it as it is.'
}

/** The names that a recipe's ids stand for. */
export interface BenchNames {
  source: (id: string) => Source | undefined
  item: (id: string) => ShelfItem | undefined
}

/** What to do at the bench, in working order. `weigh` is set on the steps at which something is weighed. */
export interface BenchStep {
  text: string
  weigh?: { name: string; grams: number }
}

/** What is poured into. */
export interface Pouring {
  /** of the glass, in °C; null where nobody measured */
  temperatureC: number | null
  /** an empty glass, all of it at once */
  filling: boolean
}

/**
 * Turns one change into the steps at the bench: water first, then salts by how they dissolve, then temperature, check
 * and pouring.
 */
export function weighAndPour(
  step: RecipeStep,
  names: BenchNames,
  { temperatureC, filling }: Pouring,
  units: UnitPrefs,
): BenchStep[] {
  const byLitres = [...step.pours].sort((a, b) => b.litres - a.litres)
  return [
    ...byLitres.map((pour, i) => pourStep(pour, i === 0, names, units)),
    ...step.weighs.map(weigh => weighStep(weigh, names)),
    ...(temperatureC === null ? [] : [warmStep(temperatureC, units)]),
    checkStep(step, units),
    {
      text: filling
        ? 'Fill slowly over a plate, so that the bottom stays where it is.'
        : `Drip or siphon it in over ${num(`${pouringMinutes(step)} min`)}.`,
    },
  ]
}

function pourStep(
  { id, litres }: RecipeStep['pours'][number],
  first: boolean,
  names: BenchNames,
  units: UnitPrefs,
): BenchStep {
  const source = names.source(id)
  const amount = num(preciseVolume(litres, units))
  return {
    text: `${first ? 'Measure' : 'Add'} ${amount} ${source?.name ?? 'water'}.${disinfected(source, litres, units)}`,
  }
}

/** What is done about the disinfectant of tap water. */
function disinfected(source: Source | undefined, litres: number, units: UnitPrefs): string {
  const chlorine = source?.disinfectant
  if (source?.kind !== 'tap' || chlorine === 'none') return ''
  const amount = volumeText(litres, units)
  if (chlorine === 'chloramine') return ` Neutralise chloramine for ${amount}: standing does nothing for it.`
  const unsure = chlorine === 'unknown' ? ' (standing does nothing for chloramine)' : ''
  return ` Neutralise chlorine for ${amount}, or let it stand 24 h${unsure}.`
}

function weighStep({ id, measured }: RecipeStep['weighs'][number], names: BenchNames): BenchStep {
  const item = names.item(id)
  const name = item?.name ?? 'salt'
  if (measured.by === 'scale') {
    const how = item && isSlow(item) ? ', in warm water first: it dissolves slowly' : ' until clear'
    return {
      text: `Stir in ${num(`${gramsText(measured.grams)} g`)} ${name}${how}.`,
      weigh: { name, grams: measured.grams },
    }
  }
  const strengthG = measured.strengthGL * measured.solutionL
  return {
    text:
      `Add ${num(`${formatNumber(measured.millilitres, measured.millilitres < 10 ? 1 : 0)} mL`)} of ` +
      `${name} solution: ${gramsText(strengthG)} g made up to ${measured.solutionL === 1 ? '1 L' : '100 mL'}. ` +
      `The mass alone, ${formatNumber(measured.grams * 1000, measured.grams < 0.01 ? 1 : 0)} mg, is too little ` +
      `for your scale.`,
    weigh: { name, grams: strengthG },
  }
}

const warmStep = (temperatureC: number, units: UnitPrefs): BenchStep => ({
  text:
    `Bring to ${num(valueText('temperatureC', temperatureC, units))}, within ` +
    `${differenceText('temperatureC', 2, units).replace('.0', '')}.`,
})

function checkStep(step: RecipeStep, units: UnitPrefs): BenchStep {
  const bucket = readoutsOf(step.bucket)
  if (step.bucket.seaSaltGL > 1)
    return { text: `Check: salinity ${num(valueText('salinityGKg', bucket.salinityGKg, units))}, give or take 0.5.` }
  const doubt = Math.max(3, bucket.conductivityUsCm * CONDUCTIVITY_ERROR)
  return {
    text:
      `Check: ${num(valueText('conductivityUsCm', bucket.conductivityUsCm, units))} give or take ` +
      `${differenceText('conductivityUsCm', doubt, units)}, GH about ` +
      `${valueNumber('ghDh', bucket.ghDh, units)}, KH about ${valueNumber('khDh', bucket.khDh, units)}.`,
  }
}

const isSlow = (item: ShelfItem) => item.content.by === 'salt' && salts[item.content.salt].dissolving === 'slowly'
/** Rows of the table at the bench: what kits show, and ions that follow. */
export type BenchRow = {
  key: RecipeKey | 'magnesiumMgL' | 'sodiumMgL' | 'caMgByMass'
  title: string
  unit: string
  of: (w: Water) => number
  decimals: number
}
export const ionRows: readonly BenchRow[] = [
  { key: 'magnesiumMgL', title: 'Magnesium', unit: 'mg/L', of: w => w.mgMmolL * molarMass.Mg, decimals: 1 },
  { key: 'caMgByMass', title: 'Ca to Mg', unit: 'by mass', of: caMgByMass, decimals: 1 },
  { key: 'sodiumMgL', title: 'Sodium', unit: 'mg/L', of: w => w.naMmolL * molarMass.Na, decimals: 0 },
]

/** What is known of a source, in a few words: its hardness or what else was measured, and when. */
export function sourceFacts(source: Source, testedMs: number | null, nowMs: number, units: UnitPrefs): string {
  const { ghDh, khDh, salinityGKg, conductivityUsCm } = source.analyses.at(-1)?.values ?? {}
  return [
    ghDh !== undefined ? `GH ${limitText('ghDh', ghDh, units)}` : '',
    khDh !== undefined ? `KH ${limitText('khDh', khDh, units)}` : '',
    salinityGKg !== undefined ? valueText('salinityGKg', salinityGKg, units) : '',
    // conductivity speaks for the rest where the hardness is not known
    ghDh === undefined && conductivityUsCm !== undefined ? valueText('conductivityUsCm', conductivityUsCm, units) : '',
    testedMs ? dayText(testedMs, nowMs) : 'assumed',
  ]
    .filter(Boolean)
    .join(' · ')
}
