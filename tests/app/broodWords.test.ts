import { describe, expect, it } from 'vitest'
import type { BroodLine, ColonyBroods } from '#core/broods'
import { groups, resolveGroup } from '#core/groups'
import { DAY_MS } from '#core/records'
import type { BroodsToday } from '#core/population'
import {
  broodBasis,
  broodLabel,
  type BroodOf,
  broodsHeadline,
  broodsUnder,
  broodTitle,
  endedText,
  growingUpText,
  youngText,
} from '~/words/broods'
import { stretchText } from '~/words/when'
import { unseenBroods } from '~/words/broodKinds'
import { broodSteps } from '~/words/broodSteps'
import { plain } from '~/words/numbers'
import { defaultUnits } from '~/words/unitPrefs'
import { whyBrood } from '~/words/whyBrood'
import { NOW } from '../make'

const line = (more: Partial<BroodLine> = {}, days: [number, number, number] = [2, 5, 9]): BroodLine => ({
  ...{ key: 'k', sign: 'berried', who: null, number: 4, awaits: null, age: null, eyed: false, place: null },
  ...{ firstSeenMs: NOW - 18 * DAY_MS, lastSeenMs: NOW - 2 * DAY_MS, looksMs: [NOW - 2 * DAY_MS] },
  hatch: {
    earliestMs: NOW + days[0] * DAY_MS,
    likelyMs: NOW + days[1] * DAY_MS,
    latestMs: NOW + days[2] * DAY_MS,
    begunFromMs: NOW - 20 * DAY_MS,
    begunToMs: NOW - 18 * DAY_MS,
    ...{ firstDayMs: NOW, days: [0.5, 0.5] },
  },
  ...more,
})
const broods = (more: Partial<ColonyBroods> = {}): ColonyBroods => ({
  ...{
    sign: 'berried',
    lines: [],
    ended: [],
    last: null,
    followed: [],
    pace: { log: 0, sd: 0.1, broods: 0 },
    lengths: [],
  },
  ...{ temperatureC: 24, usual: { earliest: 20, likely: 24.2, latest: 28 } },
  ...more,
})
const today: BroodsToday = {
  ...{ value: 18, low: 14, high: 22, rooms: [], soon: { value: 3, low: 1, high: 5 }, youngEach: 28 },
  growUp: { value: 3, low: 2, high: 4.4 },
}
const row = (name: string, l: BroodLine): BroodOf => ({ colonyId: name, name, broods: broods(), line: l, who: null })

describe('the sentence over the calendar', () => {
  const said = (...rows: BroodOf[]) => plain(broodsHeadline(rows, NOW))
  it('names what hatches this week, by the first day on which it may', () => {
    expect(said(row('Ember A', line({}, [-1, 2, 4])), row('Rime A', line()))).toBe(
      'Two hatch this week: Ember A from today, Rime A from Fri 27 Nov.',
    )
    // by that day, not by the likely one
    expect(said(row('Barley', line({}, [3, 4, 6])), row('Copper rams', line({}, [-1, 5, 8])))).toBe(
      'Two hatch this week: Copper rams from today, Barley from Sat 28 Nov.',
    )
    expect(said(row('Apple snails', line({ sign: 'clutch', place: 'incubator' }, [0, 1, 3])))).toBe(
      'One hatches this week: a clutch of Apple snails from today.',
    )
    const many = ['A', 'B', 'C', 'D', 'E'].map(n => row(n, line({}, [-1, 1, 3])))
    expect(said(...many)).toBe('Five hatch this week: A, B and three more from today.')
    expect(said(...many.slice(0, 3))).toBe('Three hatch this week: A, B and C from today.')
  })
  it('or says what is next, and what nothing is known of', () => {
    expect(said(row('Ember A', line({}, [8, 11, 14])))).toBe(
      'Nothing hatches this week. The next is Ember A from Thu 3 Dec.',
    )
    expect(said(row('Reeds', line({ awaits: 'mating' }, [8, 11, 14])))).toMatch(/Eggs are expected/)
    expect(said()).toMatch(/^Nobody carries or lays/)
  })
})

describe('a row', () => {
  it.each<[string, Partial<BroodLine>, string, string]>([
    ['berried', {}, '4 berried', '4'],
    ['with eyes', { eyed: true }, '4 berried', '4 · eyes seen'],
    ['followed', { who: 'of Vesta', number: 1 }, 'Vesta', 'Vesta'],
    ['from the fit', { age: 'halfway', number: 4.6 }, 'about 5 berried, halfway', 'about 5 · halfway'],
    [
      'one from the fit',
      { age: 'eyed', number: 0.7, eyed: true },
      'about one berried, with eyes',
      'about one · with eyes',
    ],
    ['masses', { sign: 'eggMass', number: 6 }, '6 masses', '6'],
    ['one mass', { sign: 'eggMass', number: 1 }, '1 mass', '1'],
    ['a clutch', { sign: 'clutch', place: 'incubator' }, 'clutch of 7 Nov', 'incubator · about 28'],
    ['eggs expected', { awaits: 'mating' }, 'mated 7 Nov', 'eggs expected'],
  ])('%s', (_, more, title, label) => {
    const of = { line: line(more), who: more.who ? 'Vesta' : null }
    expect(broodTitle(of, NOW)).toBe(title)
    expect(broodLabel(of, 28)).toBe(label)
  })
  it('stretches of days as one says them', () => {
    expect(stretchText(NOW - 20 * DAY_MS, NOW - 17 * DAY_MS, NOW)).toBe('5 to 8 Nov')
    expect(stretchText(NOW + 2 * DAY_MS, NOW + 9 * DAY_MS, NOW)).toBe('27 Nov to 4 Dec')
    expect(stretchText(NOW, NOW, NOW)).toBe('25 Nov')
    expect(stretchText(NOW + 30 * DAY_MS, NOW + 40 * DAY_MS, NOW)).toBe('25 Dec to 4 Jan 2027')
  })
  it('young with the doubt of so many broods, and who of them grows up', () => {
    // one brood of 28 differs by 45 % either way at eight in ten, four of them by half of that
    expect(youngText(line({ number: 1 }), today)).toBe('15 to 40')
    expect(youngText(line(), today)).toBe('90 to 140')
    expect(growingUpText(line(), today)).toBe('8 to 18')
    expect(growingUpText(line({ number: 0.1 }), { ...today, growUp: { value: 1, low: 0.5, high: 2 } })).toBe(
      'hardly any',
    )
  })
  it('what was seen, and how many there are in all', () => {
    const seen = (number: number) => broods({ last: { at: NOW, number, eyed: null } })
    expect(broodsUnder(seen(11), today, defaultUnits)).toBe('11 berried seen, about 18 in all, 24.0 °C')
    expect(broodsUnder(seen(17), today, defaultUnits)).toBe('17 berried seen, 24.0 °C')
    expect(broodsUnder(broods(), { ...today, value: 0 }, defaultUnits)).toBe('none seen yet, 24.0 °C')
    // three or four are hidden for each mass (common practice)
    expect(broodsUnder({ ...seen(4), sign: 'eggMass' }, today, defaultUnits)).toBe(
      '4 masses seen, about 18 in all, 24.0 °C',
    )
    expect(broodsUnder(broods({ sign: 'clutch', lines: [line(), line()] }), today, defaultUnits)).toBe(
      'two clutches above water, 24.0 °C',
    )
  })
})

describe('what to do', () => {
  const steps = (groupId: string, more: Partial<BroodLine> = {}, days?: [number, number, number]) =>
    broodSteps(row('x', line(more, days)), resolveGroup({ groupId, schools: {}, targets: {}, life: {} }), NOW)
  it.each<[string, Partial<BroodLine>, RegExp]>([
    ['neocaridina', {}, /Powder/],
    ['land-crab', {}, /box of their own at once/],
    ['amphidromous-shrimp', {}, /larvae die within hours/],
    ['ramshorn-snail', { sign: 'eggMass' }, /Tiny snails/],
    ['apple-snail', { sign: 'clutch', place: 'incubator' }, /Damp, never wet/],
    ['apple-snail', { sign: 'clutch', place: 'inPlace' }, /drowns/],
    ['dwarf-crayfish', { awaits: 'mating' }, /berried 0/],
  ])('%s %o', (groupId, more, says) => {
    const all = steps(groupId, more)
    expect(all.map(s => s.says).join(' ')).toMatch(says)
    expect(all.some(s => s.when === 'Let it be')).toBe(!more.sign && !more.awaits)
  })
  it.each<[string, Partial<BroodLine>, RegExp]>([
    ['apple-snail', { sign: 'clutch', place: 'inPlace', aboveCm: 1.2 }, /1\.2 cm above the water: less than a finger/],
    ['apple-snail', { sign: 'clutch', place: 'incubator' }, /four weeks, to see the colours/],
    ['apple-snail', { sign: 'clutch', place: 'inPlace' }, /remains in for days: they are the first food/],
    ['brackish-pool-shrimp', {}, /no filter and no change/],
    ['water-isopod', {}, /pouch as small as dust.*one stone or leaf/],
    ['burrowing-crayfish', {}, /Count occupied burrows/],
    ['fan-shrimp', {}, /larvae die within hours/],
    ['land-crab', {}, /Parents eat them: of twenty to eighty/],
    ['neocaridina', { awaits: 'saddle' }, /saddle is empty then/],
    ['bee-shrimp', { awaits: 'rest' }, /Look under her tail/],
  ])('by the kind: %s %o', (groupId, more, says) => {
    expect(
      steps(groupId, more)
        .map(s => s.says)
        .join(' '),
    ).toMatch(says)
  })
  it('of clutches by what the keeper does with them, and by how high they lie', () => {
    const of = (clutches: string, more: Partial<BroodLine>) =>
      broodSteps(
        row('x', line({ sign: 'clutch', ...more })),
        { ...resolveGroup({ groupId: 'apple-snail', schools: {}, targets: {}, life: {} }), schools: { clutches } },
        NOW,
      ).map(s => s.when)
    expect(of('incubator', { place: 'inPlace' })).toContain('When it is firm')
    expect(of('leave', { place: 'inPlace' })).not.toContain('When it is firm')
    expect(of('incubator', { place: 'incubator' })).not.toContain('When it is firm')
    expect(of('leave', { place: 'inPlace', aboveCm: 4 })).not.toContain('Now')
  })
  it('has its day: from the first on which it may hatch, or now', () => {
    expect(steps('neocaridina')[0]!.when).toBe('From Fri 27 Nov')
    expect(steps('neocaridina', {}, [-2, 1, 3])[0]!.when).toBe('Now')
    expect(steps('neocaridina', {}, [-9, -6, -2])[0]!.says).toMatch(/should have hatched by now/)
  })
})

describe('why', () => {
  const neo = resolveGroup({ groupId: 'neocaridina', schools: {}, targets: {}, life: {} })
  it('names the warmth, the length and what this keeper’s broods have taught', () => {
    expect(broodBasis(broods(), defaultUnits)).toBe(
      'Window from 24.0 °C of your log, about 24 days at that; none of yours was watched to its end yet.',
    )
    expect(broodBasis(broods({ pace: { log: -0.041, sd: 0.04, broods: 6 } }), defaultUnits)).toMatch(
      /six broods of yours took 4 % less than usual\.$/,
    )
    expect(broodBasis(broods({ pace: { log: 0.002, sd: 0.04, broods: 1 } }), defaultUnits)).toMatch(/as long as usual/)
  })
  it('says what was seen, and what each figure stands on', () => {
    const why = (more: Partial<BroodLine>) => whyBrood(row('x', line(more)), neo, defaultUnits, NOW)
    expect(why({}).reasons.join(' ')).toMatch(/Seen first 7 Nov.*likely 5 to 7 Nov.*Seen again once, last 23 Nov/)
    expect(why({ eyed: true, looksMs: [] }).reasons.join(' ')).toMatch(/Eyes show/)
    expect(why({ age: 'fresh', firstSeenMs: null, lastSeenMs: null, looksMs: [] }).reasons[0]).toMatch(/always berried/)
    expect(why({ awaits: 'mating' }).reasons[0]).toMatch(/one to four weeks later/)
    expect(why({ sign: 'clutch' }).reasons[0]).toMatch(/laid that night/)
    expect(why({}).figures.map(f => f.value)).toEqual(['24.5 days', '2.2 times', '23.6 days', '10 % and 9 to 13 %'])
    expect(why({}).inputs.map(i => i.text)).toEqual(['Eggs seen 7 Nov', 'Eggs seen 23 Nov'])
  })
})

describe('what has no row', () => {
  const ended = (more: object) => ({
    ...{ key: 'k', who: null, number: 3, young: null, place: null },
    end: { how: 'hatched' as const, fromMs: NOW - 6 * DAY_MS, toMs: NOW - 4 * DAY_MS },
    ...more,
  })
  it('broods that ended, and how', () => {
    expect(endedText(ended({}), null, NOW)).toBe('3 hatched 19 to 21 Nov.')
    expect(endedText(ended({ young: 40, place: 'incubator', number: 1 }), null, NOW)).toBe(
      'a clutch hatched 19 to 21 Nov, 40 young.',
    )
    const lost = { how: 'lost' as const, fromMs: NOW - 6 * DAY_MS, toMs: NOW - 4 * DAY_MS }
    expect(endedText(ended({ end: lost, who: 'v' }), 'Vesta', NOW)).toBe(
      'Vesta’s gone too early to have hatched: lost, 19 to 21 Nov.',
    )
    expect(endedText(ended({ end: lost, place: 'inPlace', lostTo: 'drowned' }), null, NOW)).toBe(
      'a clutch drowned, 19 to 21 Nov.',
    )
  })
  it('every kind has a row or a sentence', () => {
    for (const g of groups) expect(unseenBroods(g) === '', g.id).toBe(g.care.brood !== undefined)
    expect(unseenBroods(groups.find(g => g.id === 'nerite-snail')!)).toMatch(/never hatch here/)
    expect(unseenBroods(groups.find(g => g.id === 'trumpet-snail')!)).toMatch(/Count them at night/)
  })
})
