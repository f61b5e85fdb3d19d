import { describe, expect, it } from 'vitest'
import { resolveGroup, groups } from '#core/groups'
import { DAY_MS, type Entry } from '#core/records'
import { colonyStatements } from '#core/statements'
import { backupIssueText } from '~/words/issues'
import { cautionText } from '~/words/cautions'
import { entryText } from '~/words/entries'
import { counted, glassNumber, num, partsOf, percent, plain, roundedTo } from '~/words/numbers'
import type { Saying } from '~/words/phrase'
import { say } from '~/words/say'
import {
  defaultUnits,
  differenceText,
  rangeText,
  shownValue,
  storedValue,
  valueText,
  preciseVolume,
  volumeText,
} from '~/words/unitPrefs'
import { agoText, aheadText, aroundText, weeksText } from '~/words/when'
import { whyValue } from '~/words/why'
import { whyNumbers } from '~/words/whyNumbers'
import { animal } from '../unit/animals/parts'
import { count, death, inputOf, NOW, removal, smallRoom, test as waterTest, withdrawal } from '../make'

const saying: Saying = { units: defaultUnits, nowMs: NOW, animal: ['shrimp', 'shrimp'] }
const american = { temperature: 'f', volume: 'usGal', hardness: 'mgLCaCO3', conductivity: 'msCm' }

describe('numbers', () => {
  it('are no more exact than their range', () => {
    expect(roundedTo(347, 250, 480)).toBe('350')
    expect(roundedTo(347, 340, 354)).toBe('347')
    expect(roundedTo(12, 4, 30)).toBe('12')
    expect(glassNumber(347, 250, 480)).toBe('≈ 350')
    expect(glassNumber(412, 395, 430)).toBe('412')
  })
  it('carry their marks to the numeral face and lose them elsewhere', () => {
    expect(partsOf(`About ${num(5)} here`)).toEqual([
      { text: 'About ', numeral: false },
      { text: '5', numeral: true },
      { text: ' here', numeral: false },
    ])
    expect(plain(`About ${num(5)} here`)).toBe('About 5 here')
  })
  it('read as words where they are few', () => {
    expect(counted(5, 'glass needs', 'glasses need')).toBe('Five glasses need')
    expect(counted(1, 'glass needs', 'glasses need')).toBe('One glass needs')
    expect(counted(23, 'glass', 'glasses')).toBe('23 glasses')
    expect(percent(0.034)).toBe('3 %')
    expect(percent(0.004)).toBe('0.4 %')
  })
})

describe('units on screen', () => {
  it('show what the keeper chose', () => {
    expect(valueText('temperatureC', 24, american)).toBe('75.2 °F')
    expect(valueText('khDh', 4, american)).toBe('71 mg/L CaCO₃')
    expect(valueText('conductivityUsCm', 281, american)).toBe('0.281 mS/cm')
    expect(valueText('ph', 7.04, american)).toBe('7.0')
    expect(volumeText(37.85411784, american)).toBe('10 US gal')
    expect(volumeText(5.22, defaultUnits)).toBe('5.2 L')
    // a jug shows hundredths where there are any
    expect([5.15, 5.2, 13.72, 5].map(l => preciseVolume(l, defaultUnits))).toEqual([
      '5.15 L',
      '5.2 L',
      '13.72 L',
      '5 L',
    ])
    expect(preciseVolume(5.15, american)).toBe('1.36 US gal')
  })
  it('scale a difference and never shift it', () => {
    expect(differenceText('temperatureC', 1, american)).toBe('1.8 °F')
    expect(rangeText('ghDh', 6, 8, defaultUnits)).toBe('6 to 8')
    expect(rangeText('ammoniaMgL', 0, 0, defaultUnits)).toBe('none')
  })
  it('fall back to degrees where a unit does not fit alkalinity', () => {
    expect(valueText('khDh', 4, { ...defaultUnits, hardness: 'mmolL' })).toBe('4.0 °dH')
  })
  it('go there and back', () => {
    for (const prefs of [defaultUnits, american])
      for (const key of ['khDh', 'temperatureC', 'ph', 'salinityGKg'] as const)
        expect(storedValue(key, shownValue(key, 6.6, prefs), prefs)).toBeCloseTo(6.6, 10)
  })
})

describe('dates', () => {
  it('are words', () => {
    expect([0, 1, 9, 30, 200].map(agoText)).toEqual(['today', 'yesterday', '9 days ago', '4 weeks ago', '7 months ago'])
    expect(aheadText(NOW + 5 * DAY_MS, NOW)).toBe('in 5 days, Mon 30 Nov')
    expect(aheadText(NOW, NOW)).toBe('today, Wed 25 Nov')
    expect(aroundText(NOW + 40 * DAY_MS, NOW)).toBe('early January 2027')
    expect([0.2, 1, 5, 300].map(weeksText)).toEqual(['1 day', '7 days', '5 weeks', '6 years'])
  })
})

describe('sentences', () => {
  const s = smallRoom()
  const rising = [200, 160, 120, 80, 40, 3].map((d, i) => count(s.colony.id, d, Math.round(16 * 1.5 ** i)))
  const falling = [200, 150, 100, 60, 40, 25, 12, 2].map((d, i) => count(s.colony.id, d, Math.round(150 * 0.8 ** i)))
  const large = {
    ...s,
    colony: { ...s.colony, founders: { females: 100, males: 60, unsexed: 0, halfGrown: 0, young: 0 } },
  }
  const kh = (values: number[], method: 'liquidKit' | 'strip' = 'liquidKit') =>
    values.map((khDh, i) =>
      waterTest(s.glass.id, (values.length - 1 - i) * 7 + 1, { khDh, ghDh: 7, temperatureC: 23 }, method),
    )
  const rooms: [string, Entry[], Entry[]][] = [
    ['nothing logged', [], []],
    ['growing, water right', rising, kh([5, 5, 5])],
    ['shrinking, KH sliding', [...falling, death(s.colony.id, 5, 3)], kh([5, 4, 3, 2])],
    ['strips', rising, kh([1, 1], 'strip')],
    ['a jump', rising, kh([4, 4, 4, 8])],
    ['poison', rising, [waterTest(s.glass.id, 1, { ammoniaMgL: 1 })]],
    ['old', rising.slice(0, 3), [waterTest(s.glass.id, 80, { khDh: 4 })]],
    ['a wild count', [...rising, count(s.colony.id, 2, 900, { method: 'atFood' })], []],
    ['sold', [...rising, removal(s.colony.id, 2, 40)], []],
    ['dying', [...rising, death(s.colony.id, 3, 9)], kh([5, 5, 5])],
    ['dying in molts', [...rising, death(s.colony.id, 3, 9, 'failedMolt')], kh([1, 1, 1])],
  ]
  it('name the dead that were found against what is usual, in the sentence and in Why', () => {
    const told = colonyStatements(inputOf(s, [...rising, death(s.colony.id, 3, 9)])).statements
    expect(plain(say(told.heading.conclusion, saying))).toMatch(/^9 found dead since .*, where (less than one|about)/)
    const { method } = whyNumbers('heading', told, resolveGroup(s.colony), saying)
    expect(method.filter(line => /^9 found dead since .* once in two years at most\.$/.test(line))).toHaveLength(1)
    const text = (moved: number) =>
      plain(say({ key: 'heading.reasonRecent', values: { from: 89, to: 160, weeks: 8, moved } }, saying))
    expect(text(90)).toBe('From about 89 to 160 in 8 weeks, with 90 put in.')
    expect(text(-12)).toBe('From about 89 to 160 in 8 weeks, beside the 12 taken out.')
    expect(text(0)).toBe('From about 89 to 160 in 8 weeks.')
  })
  it('of a colony of followed animals say that nothing is estimated', () => {
    const founders = { females: 0, males: 0, unsexed: 1, halfGrown: 0, young: 0 }
    const input = inputOf({ ...s, colony: { ...s.colony, founders } }, [], [])
    const ash = animal('Ash', { firstColonyId: s.colony.id, groupId: s.colony.groupId })
    const told = colonyStatements({ ...input, animals: [{ animal: ash, entries: [] }] }).statements
    const why = whyNumbers('number', told, resolveGroup(s.colony), saying)
    expect(plain(say(told.number.conclusion, saying))).toBe('1 here')
    expect(why.formula).toBe('number = founders + put in − taken out − died')
    expect(why.method.join(' ')).toMatch(/nothing is estimated.*A stranger, young that are seen/)
    expect([why.narrows, why.method.join(' ').includes('possible colonies')]).toEqual([[], false])
    const unnamed = colonyStatements(input).statements
    expect(whyNumbers('number', unnamed, resolveGroup(s.colony), saying).formula).toMatch(/particle filter/)
  })
  it.each(rooms)('are whole when there is %s', (_name, colonyEntries, glassEntries) => {
    const told = colonyStatements(inputOf(s, colonyEntries, glassEntries)).statements
    const statements = [told.number, told.heading, told.surplus, ...told.water.values]
    const messages = statements.flatMap(st => [st.conclusion, ...st.reasons, ...st.actions])
    const group = resolveGroup(s.colony)
    const why = [
      ...(['number', 'heading', 'surplus'] as const).map(t => whyNumbers(t, told, group, saying)),
      ...told.water.values.map(v => whyValue(v, group, saying)),
    ]
    const texts = [
      ...messages.map(m => say(m, saying)),
      ...why.flatMap(w => [
        w.title,
        w.formula,
        ...w.reasons,
        ...w.method,
        ...w.narrows,
        ...w.inputs.map(i => i.text),
        ...w.figures.flatMap(f => [f.name, f.value, f.basis]),
      ]),
    ].map(plain)
    for (const text of texts) {
      expect(text.length).toBeGreaterThan(0)
      expect(text).not.toMatch(/NaN|undefined|null|Infinity|\[object|⟦|⟧/)
    }
  })
  it('say it in the keeper’s words and units', () => {
    const told = colonyStatements(inputOf(large, falling, kh([5, 4, 3, 2]))).statements
    expect(plain(say(told.water.worst!.conclusion, saying))).toBe('KH has slid to 2.0 °dH, below 3')
    expect(plain(say(told.water.worst!.conclusion, { ...saying, units: american }))).toBe(
      'KH has slid to 36 mg/L CaCO₃, below 54',
    )
    expect(plain(say(told.heading.conclusion, saying))).toMatch(/^Shrinking about \d+ % a week$/)
  })
  it('every caution of every group has its sentence', () => {
    for (const g of groups) for (const key of g.cautions) expect(cautionText(key), key).toBeTruthy()
  })
  it('log lines say what happened', () => {
    expect(
      entryText(count(s.colony.id, 1, 42, { method: 'partOfTank', share: 0.2, text: 'left half' }), defaultUnits),
    ).toEqual({ title: 'Counted 42', detail: '20 % of the tank · left half' })
    expect(entryText(waterTest(s.glass.id, 1, { khDh: 4, temperatureC: 24 }), american).title).toBe(
      'KH 71 mg/L CaCO₃, temperature 75.2 °F',
    )
    expect(entryText(removal(s.colony.id, 1, 6), defaultUnits)).toEqual({ title: 'Took out 6', detail: 'sold' })
    expect(entryText(withdrawal(rising[0]!), defaultUnits).title).toBe('Taken back')
  })
  it('a broken file gets what was wrong and that nothing was changed', () => {
    const kinds = [
      { kind: 'tooLarge', bytes: 5e7 },
      { kind: 'notJson', detail: '' },
      { kind: 'notABackup' },
      { kind: 'newerVersion', version: 2 },
      { kind: 'badVersion', version: 'x' },
      { kind: 'wrongShape', path: 'a.b', detail: 'c', count: 2 },
      { kind: 'danglingReference', path: 'a', id: 'b' },
    ] as const
    for (const issue of kinds) expect(backupIssueText(issue)).toMatch(/^The file .+\. Nothing was changed\.$/)
  })
})
