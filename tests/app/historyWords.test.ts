import { describe, expect, it } from 'vitest'
import { DAY_MS, Entry } from '#core/records'
import { controlLimits, judgeValue, learnHabits, pureWater, waterStory, whatFollows } from '#core/water'
import { ewma } from '#core/stats'
import { entryText } from '~/words/entries'
import { followsWords } from '~/words/follows'
import { creepText, driftText, historySummary, limitsText } from '~/words/history'
import { substanceWord } from '~/words/medicine'
import { plain } from '~/words/numbers'
import { say } from '~/words/say'
import { nextId, NOW, test as waterTest, topUp, waterChange } from '../make'
import { units, neocaridina, tapWater, tank } from './waterWordsParts'

const base = () => ({ id: nextId(), at: new Date(NOW).toISOString(), loggedAt: new Date(NOW).toISOString() })

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
    const verdict = judgeValue({
      key: 'khDh',
      target: neocaridina.targets.khDh!,
      readings: story.readings.get('khDh')!,
      nowMs: NOW,
      largestStep: 0.8,
    })
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
