import { describe, expect, it } from 'vitest'
import { resolveGroup, sharedTargets } from '#core/groups'
import { DAY_MS, usualBench } from '#core/records'
import {
  completeAnalysis,
  correctionGoals,
  doseOf,
  fillGoals,
  planRecipe,
  pureWater,
  purchaseFor,
  type RecipeQuestion,
  readoutsOf,
  waterStory,
} from '#core/water'
import { analysisIssue, analysisName, analysisText, analysisUnit } from '~/words/analysis'
import { plain } from '~/words/numbers'
import { movedKeys, purchaseText, recipeHeadline, recipeIssueText, shortText, weighAndPour } from '~/words/recipe'
import { whyRecipe } from '~/words/whyRecipe'
import { nextId, NOW, test as waterTest } from '../make'
import { units, tap, soda, names, neocaridina, tapWater, tank } from './waterWordsParts'

const question: RecipeQuestion = {
  tank,
  netL: 52,
  changeL: 5.2,
  everyDays: 7,
  goals: correctionGoals(readoutsOf(tank), neocaridina.targets, 'minerals'),
  largestStepPerWeek: { ghDh: 1.2, khDh: 0.8 },
  sources: [{ id: tap.id, water: tapWater }],
  shelf: [{ id: soda.id, dose: doseOf({ by: 'salt', salt: 'sodiumBicarbonate' }) }],
  bench: usualBench,
}
const recipeOf = (q: RecipeQuestion) => {
  const answer = planRecipe(q)
  if (!answer.ok) throw new Error(answer.issue)
  return answer.recipe
}

describe('a recipe in words', () => {
  const recipe = recipeOf(question)
  it('says in how many changes what moves', () => {
    expect(plain(recipeHeadline(recipe, false, units))).toMatch(
      /^Three changes bring KH from 2\.1 to 4\.0.* without a jump\.$/,
    )
    expect(movedKeys(recipe)[0]).toBe('khDh')
    const kept = recipeOf({
      ...question,
      goals: { ghDh: { low: 6.4, high: 6.4, weight: 0.5 }, khDh: { low: 2.1, high: 2.1, weight: 0.5 } },
      sources: [{ id: tap.id, water: tank }],
      shelf: [],
    })
    expect(plain(recipeHeadline(kept, false, units))).toBe('This change keeps every value where it is.')
  })
  it('puts water first, then salts, temperature, check and pouring', () => {
    const texts = weighAndPour(recipe.steps[0]!, names, { temperatureC: 22.6, filling: false }, units).map(s =>
      plain(s.text),
    )
    expect(texts[0]).toMatch(/^Measure .* L Harbour tap\. Neutralise chlorine/)
    expect(texts.find(t => t.includes('Sodium bicarbonate'))).toMatch(/until clear\.$|solution/)
    expect(texts.find(t => t.startsWith('Bring to'))).toBe('Bring to 22.6 °C, within 2 °C.')
    expect(texts.at(-2)).toMatch(/^Check: \d+ µS\/cm give or take/)
    expect(texts.at(-1)).toMatch(/^Drip or siphon it in over \d+ min\.$/)
  })
  it('fits the care to the disinfectant', () => {
    const with_ = (disinfectant: 'none' | 'chloramine' | 'unknown') =>
      plain(
        weighAndPour(
          recipe.steps[0]!,
          { ...names, source: () => ({ ...tap, disinfectant }) },
          { temperatureC: null, filling: false },
          units,
        )[0]!.text,
      )
    expect(with_('none')).not.toContain('Neutralise')
    expect(with_('chloramine')).toContain('standing does nothing')
    expect(with_('unknown')).toContain('let it stand 24 h (standing does nothing for chloramine)')
  })
  it('gives what is too little for the scale as a solution', () => {
    const small = recipeOf({ ...question, netL: 3, changeL: 0.3 })
    const texts = weighAndPour(small.steps[0]!, names, { temperatureC: null, filling: false }, units)
    expect(texts.some(s => plain(s.text).includes('too little for your scale') && s.weigh)).toBe(true)
  })
  it('says what is missing and what to buy', () => {
    const q = {
      ...question,
      shelf: [],
      sources: [{ id: tap.id, water: completeAnalysis({ ghDh: 6.4, khDh: 3, conductivityUsCm: 280 }).water }],
    }
    const short = recipeOf(q)
    expect(plain(shortText(short, units))).toMatch(/KH ends at \d\.\d °dH, short of 3\.5/)
    const now = readoutsOf(tank)
    expect(
      purchaseText(
        purchaseFor({
          ...q,
          shelf: [
            { id: 'x', dose: doseOf({ by: 'salt', salt: 'calciumChlorideDihydrate' }) },
            { id: 'y', dose: doseOf({ by: 'salt', salt: 'magnesiumSulfateHeptahydrate' }) },
          ],
        }),
        q,
        now,
      ),
    ).toContain('sodium bicarbonate (NaHCO₃)')
    expect(purchaseText({ kind: 'pureWater' }, q, now)).toContain('Pure water')
    expect(purchaseText(null, q, now)).toBe('No single thing would do it. It takes sodium or potassium bicarbonate.')
    const goals = { ghDh: { low: 10, high: 10, weight: 1 }, khDh: { low: 1, high: 1, weight: 1 } }
    expect(purchaseText(null, { ...q, goals }, now)).toContain(
      'calcium and magnesium salts, or a harder source and pure water',
    )
    // what is poured already is not told to be bought
    const withPure = [...q.sources, { id: 'ro', water: { ...pureWater } }]
    expect(purchaseText(null, { goals: { khDh: goals.khDh }, sources: withPure }, now)).toContain('Only more changes')
    expect(purchaseText(null, { ...q, goals: {} }, now)).toContain('set your own range')
    expect(recipeIssueText('noNearer', false)).toContain('further away')
  })
  it('refuses in plain words', () => {
    expect(recipeIssueText('stepTooLarge', true)).toContain('Drag it back')
    expect(recipeIssueText('stepTooLarge', false)).toContain('without a jump')
    expect(recipeIssueText('noSource', false)).toContain('source')
  })
  it('speaks of a fill', () => {
    const salty = recipeOf({
      tank: { ...pureWater },
      netL: 10,
      changeL: 10,
      everyDays: 1,
      goals: fillGoals(
        sharedTargets([resolveGroup({ groupId: 'brackish-pool-shrimp', schools: {}, targets: {}, life: {} })]).targets,
        'minerals',
      ),
      largestStepPerWeek: {},
      sources: [{ id: tap.id, water: { ...pureWater } }],
      shelf: [{ id: soda.id, dose: doseOf({ by: 'salt', salt: 'seaSalt' }) }],
      bench: usualBench,
    })
    expect(plain(recipeHeadline(salty, true, units))).toContain('Salinity 17.5')
    const texts = weighAndPour(salty.steps[0]!, names, { temperatureC: 24, filling: true }, units).map(s =>
      plain(s.text),
    )
    expect(texts.some(t => t.startsWith('Check: salinity 17.5'))).toBe(true)
    expect(texts.at(-1)).toContain('Fill slowly')
  })
  it('has a why with readings, analyses, limits and assumptions', () => {
    const story = waterStory([waterTest(nextId(), 2, { ghDh: 6.4, khDh: 2.1 })], 52, NOW)
    const known = { water: tapWater, completed: completeAnalysis({ ghDh: 13, khDh: 5.8 }), testedMs: NOW - 60 * DAY_MS }
    const why = whyRecipe({
      recipe,
      story,
      shared: sharedTargets([neocaridina]),
      groups: [neocaridina],
      sources: [{ source: tap, known }],
      filling: false,
      exactly: false,
      nowMs: NOW,
      units,
    })
    expect(why.inputs.map(i => i.text).join(' ')).toMatch(
      /KH in the glass: 2\.1 °dH, liquid kit, 2 days ago.*Harbour tap: analysed/,
    )
    expect(why.reasons.join(' ')).toContain('Aim: KH 4')
    expect(why.figures.map(f => f.name)).toContain('KH, largest step')
    expect(why.method.join(' ')).toContain('linear programming')
    expect(why.narrows.join(' ')).toContain('supplier')
  })
})

describe('analyses in words', () => {
  it('have names and units for all values', () => {
    expect(analysisName('sulfateMgL')).toBe('Sulfate')
    expect(analysisUnit('ghDh', { ...units, hardness: 'mgLCaCO3' })).toBe('mg/L CaCO₃')
    expect(analysisText('ghDh', 12.8, units)).toBe('GH 12.8')
    expect(analysisIssue('ph', '71', units)).toBe('pH 71? It lies between 2 and 12.')
  })
})
