import { describe, expect, it } from 'vitest'
import { planSteps, setUpAdvice } from '#core/care'
import { compatibility, groups, resolveGroup, sharedTargets } from '#core/groups'
import { DAY_MS, Entry, planStepIds, usualBench } from '#core/records'
import {
  completeAnalysis,
  controlLimits,
  correctionGoals,
  doseOf,
  ewma,
  fillGoals,
  judgeCuring,
  judgeValue,
  learnHabits,
  planRecipe,
  pureWater,
  purchaseFor,
  type RecipeQuestion,
  readoutsOf,
  waterStory,
  whatFollows,
} from '#core/water'
import { analysisIssue, analysisName, analysisText, analysisUnit } from '~/words/analysis'
import { companyText } from '~/words/company'
import { curingText } from '~/words/curing'
import { entryText } from '~/words/entries'
import { followsWords } from '~/words/follows'
import { creepText, driftText, historySummary, limitsText } from '~/words/history'
import { substanceWord } from '~/words/medicine'
import { plain } from '~/words/numbers'
import { checkText, planStepText, startersText } from '~/words/plan'
import { movedKeys, purchaseText, recipeHeadline, recipeIssueText, shortText, weighAndPour } from '~/words/recipe'
import { say } from '~/words/say'
import { defaultUnits } from '~/words/unitPrefs'
import { whyRecipe } from '~/words/whyRecipe'
import {
  nextId,
  NOW,
  plan as planOf,
  shelfItem,
  source as sourceOf,
  test as waterTest,
  topUp,
  waterChange,
} from '../make'

const units = defaultUnits
const base = () => ({ id: nextId(), at: new Date(NOW).toISOString(), loggedAt: new Date(NOW).toISOString() })
const roomId = nextId()
const tap = sourceOf(roomId, { name: 'Harbour tap' })
const soda = shelfItem(roomId, { name: 'Sodium bicarbonate' })
const names = {
  source: (id: string) => [tap].find(s => s.id === id),
  item: (id: string) => [soda].find(s => s.id === id),
}
const neocaridina = resolveGroup({ groupId: 'neocaridina', schools: {}, targets: {}, life: {} })
const tapWater = completeAnalysis({ ghDh: 13, khDh: 5.8, conductivityUsCm: 540 }).water
const tank = completeAnalysis({ ghDh: 6.4, khDh: 2.1, conductivityUsCm: 280 }).water
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
    const texts = weighAndPour(recipe.steps[0]!, names, 22.6, false, units).map(s => plain(s.text))
    expect(texts[0]).toMatch(/^Measure .* L Harbour tap\. Neutralise chlorine/)
    expect(texts.find(t => t.includes('Sodium bicarbonate'))).toMatch(/until clear\.$|solution/)
    expect(texts.find(t => t.startsWith('Bring to'))).toBe('Bring to 22.6 °C, within 2 °C.')
    expect(texts.at(-2)).toMatch(/^Check: \d+ µS\/cm give or take/)
    expect(texts.at(-1)).toMatch(/^Drip or siphon it in over \d+ min\.$/)
  })
  it('fits the care to the disinfectant', () => {
    const with_ = (disinfectant: 'none' | 'chloramine' | 'unknown') =>
      plain(
        weighAndPour(recipe.steps[0]!, { ...names, source: () => ({ ...tap, disinfectant }) }, null, false, units)[0]!
          .text,
      )
    expect(with_('none')).not.toContain('Neutralise')
    expect(with_('chloramine')).toContain('standing does nothing')
    expect(with_('unknown')).toContain('let it stand 24 h (standing does nothing for chloramine)')
  })
  it('gives what is too little for the scale as a solution', () => {
    const small = recipeOf({ ...question, netL: 3, changeL: 0.3 })
    const texts = weighAndPour(small.steps[0]!, names, null, false, units)
    expect(texts.some(s => plain(s.text).includes('too little for your scale') && s.weigh)).toBe(true)
  })
  it('says what is missing and what to buy', () => {
    const q = {
      ...question,
      shelf: [],
      sources: [{ id: tap.id, water: completeAnalysis({ ghDh: 6.4, khDh: 3, conductivityUsCm: 280 }).water }],
    }
    const short = recipeOf(q)
    expect(plain(shortText(short, units))).toMatch(/KH ends at \d\.\d °dH, short of 4/)
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
        q.goals,
        now,
      ),
    ).toContain('sodium bicarbonate (NaHCO₃)')
    expect(purchaseText({ kind: 'pureWater' }, q.goals, now)).toContain('Pure water')
    expect(purchaseText(null, q.goals, now)).toBe(
      'No single thing would do it. It takes sodium or potassium bicarbonate.',
    )
    expect(
      purchaseText(null, { ghDh: { low: 10, high: 10, weight: 1 }, khDh: { low: 1, high: 1, weight: 1 } }, now),
    ).toContain('calcium and magnesium salts, or a harder source and pure water')
    expect(purchaseText(null, {}, now)).toContain('set your own range')
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
    const texts = weighAndPour(salty.steps[0]!, names, 24, true, units).map(s => plain(s.text))
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

describe('plans in words', () => {
  it('have a sentence for every check of every group, good or not', () => {
    for (const g of groups)
      for (const bare of [true, false]) {
        const plan = planOf(roomId, {
          groupIds: [g.id],
          ...(bare && {
            starters: [0],
            tank: {
              kind: 'tank',
              grossL: 2,
              fillShare: 0.3,
              carbonateGL: 30,
              filterRatedL: bare ? 0 : 20,
              cover: false,
              intakeGuard: false,
              lightHours: 2,
              leaves: 0,
            },
          }),
        })
        for (const c of setUpAdvice(plan).checks)
          expect(plain(checkText(c, units)), `${g.id} ${c.key}`).toMatch(/^[^⟦]{7,}[.]$/)
      }
  })
  it('have a sentence for every step', () => {
    const plan = planOf(roomId, { tank: { ...planOf(roomId).tank, carbonateGL: 18 } })
    const texts = planSteps(plan).map(s => planStepText(s, units))
    expect(texts).toHaveLength(planStepIds.length)
    for (const t of texts) expect(t).not.toMatch(/NaN|undefined/)
  })
  it('compare starters', () => {
    const weeks = { p10: 20, p50: 39, p90: Infinity, reachedShare: 0.85 }
    expect(plain(startersText({ starters: 15, number: 100, weeks, other: { starters: 5, p50: 60 } }))).toBe(
      '15 starters reach the first 100 in about 39 weeks (likely 20 to many more). 15 instead of 5 brings it 21 ' +
        'weeks sooner.',
    )
    expect(
      plain(startersText({ starters: 5, number: 100, weeks: { ...weeks, p50: 60 }, other: { starters: 20, p50: 39 } })),
    ).toContain('20 instead of 5 would bring it 21 weeks sooner')
    expect(
      plain(
        startersText({ starters: 2, number: 100, weeks: { ...weeks, p50: Infinity, reachedShare: 0.3 }, other: null }),
      ),
    ).toContain('in 30 % of futures')
    expect(plain(startersText({ starters: 5, number: 100, weeks, other: { starters: 6, p50: 39 } }))).not.toContain(
      'instead',
    )
  })
  it('say what stands between any two groups', () => {
    for (const a of groups)
      for (const b of groups) {
        for (const i of compatibility(
          resolveGroup({ groupId: a.id, schools: {}, targets: {}, life: {} }),
          resolveGroup({ groupId: b.id, schools: {}, targets: {}, life: {} }),
        ).issues)
          expect(companyText(i)).not.toMatch(/undefined|NaN/)
      }
  })
  it('say how far curing is', () => {
    const judged = judgeCuring({
      startedMs: NOW - 10 * DAY_MS,
      nowMs: NOW,
      ammonia: [],
      nitrite: [],
      nitrate: [],
      ph: null,
      temperatureC: null,
      seen: { biofilm: false, algae: false },
      weeks: [4, 8],
      grazes: true,
    })
    const text = curingText(judged, NOW)
    expect(text.title).toBe('Curing has not begun, week 2.')
    expect(text.reason).toBe('Ammonia and nitrite were not tested yet.')
    expect(text.next).toContain('Next test today')
    expect(curingText({ ...judged, stage: 'ready', reasons: ['bothGoneTwice'] }, NOW).next).toContain('Test once more')
  })
})

describe('history in words', () => {
  const glassId = nextId()
  const tops = [28, 21, 14, 7, 0.2].map(d => topUp(glassId, d, 2.1, tapWater))
  const story = waterStory(
    [
      waterTest(glassId, 30, { ghDh: 6 }),
      waterTest(glassId, 20, { ghDh: 6.4 }),
      waterTest(glassId, 2, { ghDh: 7.4 }),
      ...tops,
    ],
    50,
    NOW,
  )
  const habits = learnHabits(story, NOW)
  const creeping = (changedLPerDay: number) =>
    plain(
      creepText({ key: 'ghDh', netL: 50, habits, changedLPerDay, topUp: tapWater, name: 'tap', changeValue: 4, units }),
    )
  it('says how a top-up creeps, and where changes let it rest', () => {
    expect(creeping(0)).toMatch(/0\.30 L a day evaporate.*GH creeps up by 0\.5\d °dH a week/)
    expect(creeping(1)).toContain('comes to rest near')
    expect(
      creepText({
        key: 'ph',
        netL: 50,
        habits,
        changedLPerDay: 0,
        topUp: tapWater,
        name: 'tap',
        changeValue: 0,
        units,
      }),
    ).toBe('')
    expect(
      creepText({
        key: 'ghDh',
        netL: 50,
        habits,
        changedLPerDay: 0,
        topUp: { ...pureWater },
        name: 'pure',
        changeValue: 0,
        units,
      }),
    ).toBe('')
  })
  it('says what drifts by itself', () => {
    expect(plain(driftText('ghDh', habits, units))).toMatch(/^By itself GH/)
    expect(driftText('khDh', habits, units)).toBe('')
    expect(
      plain(
        driftText('khDh', { ...habits, driftPerWeek: { khDh: { value: -0.2, low: -0.3, high: -0.1, n: 8 } } }, units),
      ),
    ).toBe('By itself KH falls by 0.20 °dH a week (likely 0.10 °dH to 0.30 °dH), what was poured taken off.')
  })
  it('says what is ordinary, and since when it is not', () => {
    const values = [5, 5.2, 4.9, 5.1, 5, 4.8, 5.1, 5, 4.9, 5.1, 5, 4.9, 4.4, 4, 3.8]
    const limits = controlLimits(values)!
    const asked = { key: 'khDh' as const, smooth: [], times: [], nowMs: NOW, units }
    const text = plain(
      limitsText({
        ...asked,
        limits,
        smooth: ewma(values, limits.centre, limits.sigma),
        times: values.map((_, i) => NOW - (15 - i) * DAY_MS),
      }),
    )
    expect(text).toMatch(/^Ordinary here: 4\.\d to 5\.\d\. Smoothed, it has left/)
    expect(limitsText({ ...asked, limits: null })).toContain('Six readings')
    expect(plain(limitsText({ ...asked, limits: { ...limits, outside: [3] } }))).toContain('One reading lies outside')
  })
  it('sums up', () => {
    const asked = { key: 'khDh' as const, nowMs: NOW, units }
    expect(
      historySummary({
        ...asked,
        readings: [
          { at: NOW - 9 * DAY_MS, value: 4 },
          { at: NOW, value: 3 },
        ],
        preferred: [3, 8],
      }),
    ).toBe('KH from 4.0 °dH on 16 Nov to 3.0 °dH on 25 Nov, 2 readings, preferred 3 to 8.')
    expect(historySummary({ ...asked, readings: [], preferred: null })).toBe('KH was never tested.')
  })
})

describe('what follows', () => {
  const input = {
    water: tank,
    ph: 7,
    khDh: 4,
    temperatureC: 24,
    ammoniaMgL: 0,
    salinityGKg: 0,
    swing: null,
    snails: false,
  }
  const told = (more: object, key: string) =>
    plain(
      followsWords(
        whatFollows({ ...input, ...more }).find(f => f.key === key)!,
        units,
      ).text,
    )
  it('says what harms and what to do', () => {
    expect(told({ ammoniaMgL: 1, ph: 8.4 }, 'follows.ammonia')).toContain('harms: change water today')
    expect(told({ ammoniaMgL: 0.2, ph: 6.5 }, 'follows.ammonia')).toContain('something rots')
    expect(told({ khDh: 0.3 }, 'follows.co2Soft')).toContain('tells nothing')
    expect(told({}, 'follows.co2')).toMatch(/13 mg\/L CO₂/)
    expect(told({ ph: 6.4, khDh: 2, snails: true }, 'follows.lime')).toContain('dissolves shells: raise calcium')
    expect(told({}, 'follows.noSwing')).toContain('dawn')
    expect(
      told({ swing: { value: 0.9, low: 0.7, high: 1.1, pairs: 2, mornings: 2, evenings: 2 } }, 'follows.swing'),
    ).toContain('wide swing')
    expect(told({}, 'follows.oxygen')).toContain('8.4 mg/L')
  })
})

describe('what was poured, in the log', () => {
  it('names litres and grams', () => {
    const change = waterChange(nextId(), 1, 5.2, tapWater, {
      poured: [
        { name: 'Harbour tap', litres: 2.7 },
        { name: 'Pure water', litres: 2.5 },
      ],
      weighed: [{ name: 'Sodium bicarbonate', grams: 0.81 }],
      text: 'late',
    })
    expect(entryText(change, units)).toEqual({
      title: 'Changed 5.2 L',
      detail: '2.7 L Harbour tap, 2.5 L Pure water, 0.81 g Sodium bicarbonate · late',
    })
    expect(entryText(topUp(nextId(), 1, 1.2), units)).toEqual({ title: 'Topped up 1.2 L', detail: '' })
    expect(
      entryText(
        Entry.parse({
          ...base(),
          kind: 'treatment',
          glassId: nextId(),
          substance: 'fenbendazole',
          activeMg: 31.2,
          netL: 52,
        }),
        units,
      ),
    ).toEqual({ title: 'Fenbendazole, 31.2 mg', detail: 'for 52 L net' })
  })
  it('a verdict that rests on it says so', () => {
    const story = waterStory([waterTest(nextId(), 3, { khDh: 2 }), waterChange(nextId(), 1, 10, tapWater)], 50, NOW)
    const verdict = judgeValue('khDh', neocaridina.targets.khDh!, story.readings.get('khDh')!, NOW, 0.8)
    expect(
      verdict.reasons.map(r => plain(say(r, { units, nowMs: NOW, animal: ['shrimp', 'shrimp'] }))).join(' '),
    ).toContain('Reckoned from what was poured')
  })
})

describe('medicines in words', () => {
  it('name substances, and leave unknown ones as they are', () => {
    expect(substanceWord('fenbendazole')).toBe('Fenbendazole')
    expect(substanceWord('something else')).toBe('something else')
  })
})
