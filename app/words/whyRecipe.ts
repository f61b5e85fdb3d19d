import { groupOf, type ResolvedGroup, type SharedTargets } from '#core/groups'
import { DAY_MS, type Source } from '#core/records'
import {
  CONDUCTIVITY_ERROR,
  type Goals,
  recipeKeys,
  type SourceWater,
  type WaterRecipe,
  type WaterStory,
} from '#core/water'
import { percent } from './numbers'
import { assumptionText, shortText } from './recipe'
import { khForPhText } from './recipeAside'
import { basisText, testMethodWord } from './states'
import { differenceText, limitText, rangeText, type UnitPrefs, valueName, valueText } from './unitPrefs'
import { agoText, dayText } from './when'
import type { Why } from './why'

/** What a recipe stands on. */
export interface RecipeGrounds {
  recipe: WaterRecipe
  story: WaterStory
  shared: SharedTargets
  groups: readonly ResolvedGroup[]
  sources: readonly { source: Source; known: SourceWater | null }[]
  filling: boolean
  /** every value to its middle, as asked for */
  exactly: boolean
  nowMs: number
  units: UnitPrefs
}

/** Why for a recipe: the readings and analyses it stands on, its limits, and what was assumed. */
export function whyRecipe(g: RecipeGrounds): Why {
  const poured = new Set(g.recipe.steps.flatMap(s => s.pours.map(p => p.id)))
  const used = g.sources.filter(s => poured.has(s.source.id))
  const assumed = [...new Set(used.flatMap(s => s.known?.completed.assumptions ?? []))].map(a => assumptionText[a])
  return {
    title: 'The recipe, and why',
    reasons: [
      ...(g.recipe.reached ? [] : [`${shortText(g.recipe, g.units)}.`]),
      ...goalLines(g.recipe.goals, g.units),
      ...(g.filling ? [khForPhText(g.shared.targets, g.units)].filter(Boolean) : []),
      ...(g.shared.conflicts.length > 0
        ? [
            `The colonies in this glass want different water: ${g.shared.conflicts.map(valueName).join(', ')} ` +
              `follows the first one.`,
          ]
        : []),
    ],
    inputs: [...readingLines(g), ...used.map(s => analysisLine(s, g.nowMs))],
    method: [
      'Litres and grams are found by linear programming: what is missing in GH, KH, calcium to magnesium, ' +
        'conductivity and salinity is weighed up against how much salt it takes, with sodium kept low.',
      g.exactly
        ? 'Asked for: every value to its middle, with all that is on the shelf.'
        : 'Of all recipes that bring every value into its preferred range as well as the whole shelf could, this one ' +
          'takes the fewest things, mixes before single salts.',
      g.filling
        ? 'A first fill has no animals in it, so there is no largest step.'
        : 'No change moves a value further than these animals take in a week; what is right already is held ' +
          'where it is.',
      `Conductivity follows from the ions and is right to about ${percent(CONDUCTIVITY_ERROR)}.`,
      ...assumed,
    ],
    formula:
      'after a change: c′ = (1 − f)·c + f·c_new, f = litres changed by litres in the glass (mass balance). ' +
      'Conductivity: McCleskey, Nordstrom, Ryan & Ball 2012.',
    figures: recipeFigures(g),
    narrows: [
      ...(g.filling ? [] : ['A liquid kit on the day of the change; strips leave half a degree and more open.']),
      ...(assumed.length > 0 ? ['The supplier’s report with calcium, magnesium, sodium, chloride and sulfate.'] : []),
      ...(g.groups.length === 0
        ? [`Targets of a colony; without one those of ${groupOf('custom').name.toLowerCase()} count.`]
        : []),
    ],
  }
}

/** The last reading of each value that the recipe moves; none for an empty glass. */
function readingLines({ filling, story, nowMs, units }: RecipeGrounds): Why['inputs'] {
  if (filling) return []
  return recipeKeys.flatMap(key => {
    const last = story.readings.get(key)?.at(-1)
    if (!last) return []
    const text =
      `${valueName(key)} in the glass: ${valueText(key, last.value, units)}, ${testMethodWord[last.method]}, ` +
      `${agoText((nowMs - last.at) / DAY_MS)}, give or take ${differenceText(key, last.sd, units)}`
    return [{ text, entryId: last.entryId }]
  })
}

const analysisLine = ({ source, known }: RecipeGrounds['sources'][number], nowMs: number): Why['inputs'][number] => ({
  text:
    `${source.name}: ` + `${known?.testedMs ? `analysed ${dayText(known.testedMs, nowMs)}` : 'assumed, not analysed'}`,
})

/** What is preferred, and how far one week may move it. */
function recipeFigures({ shared, filling, recipe, units }: RecipeGrounds): Why['figures'] {
  const preferred = recipeKeys.flatMap(key => {
    const target = shared.targets[key]
    if (!target) return []
    const value = rangeText(key, ...target.preferred, units)
    return [{ name: `${valueName(key)}, preferred`, value, basis: basisText(target.basis) }]
  })
  const steps = recipeKeys.flatMap(key => {
    const step = filling ? undefined : shared.largestStepPerWeek[key]
    if (!step || !recipe.goals[key]) return []
    const value = `${differenceText(key, step.value, units)} a week`
    return [{ name: `${valueName(key)}, largest step`, value, basis: basisText(step.basis) }]
  })
  return [...preferred, ...steps]
}

function goalLines(goals: Goals, units: UnitPrefs): string[] {
  const point = recipeKeys.filter(k => goals[k] && goals[k].low === goals[k].high && goals[k].weight >= 1)
  const held = recipeKeys.filter(k => goals[k] && goals[k].low === goals[k].high && goals[k].weight < 1)
  return [
    ...(point.length > 0
      ? [`Aim: ${point.map(k => `${valueName(k)} ${limitText(k, goals[k]!.low, units)}`).join(', ')}.`]
      : []),
    ...(held.length > 0 ? [`Held where it is: ${held.map(valueName).join(', ')}.`] : []),
  ]
}
