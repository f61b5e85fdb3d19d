import { describe, expect, it } from 'vitest'
import { countEvidence } from '#core/abundance'
import { groupOf, groups } from '#core/groups'
import type { OutlookAnswer } from '#core/outlook'
import { stageNames } from '#core/population'
import { csvOf } from '~/files/csv'
import { outlookSvg } from '~/files/outlookSvg'
import { evidenceText, hitRateText } from '~/words/count'
import { dueWhy } from '~/words/due'
import { plain } from '~/words/numbers'
import { changeText, comparedText, fullText, reachText } from '~/words/outlook'
import { disagreementText, fullCountText, learntText, lookText, mattersText, stageWord } from '~/words/population'
import { defaultUnits } from '~/words/unitPrefs'
import { heldByText, moneyText, takeText, upperText, weeklyText } from '~/words/surplus'
import type { TakeKind } from '#core/records'
import { NOW } from '../make'
import { itemOf, known } from '../unit/care/rooms'

describe('stages', () => {
  it('are called as keepers call them, in every group', () => {
    for (const g of groups) for (const s of stageNames) expect(stageWord(s, g).length).toBeGreaterThan(3)
    expect(stageWord('females', groupOf('ramshorn-snail'))).toBe('Grown')
    expect(stageWord('first', groupOf('brackish-pool-shrimp'))).toBe('Larvae')
    expect(stageWord('eggs', groupOf('pool-branchiopod'))).toBe('Resting eggs')
  })
  it('what matters, what is learnt, what to look at', () => {
    const m = {
      growthPerWeek: 0,
      doublingWeeks: null,
      generationWeeks: null,
      settled: { first: 0, young: 0, females: 1, males: 0 },
    }
    expect(
      plain(
        mattersText({
          ...m,
          matters: [
            { what: 'young', share: 0.5 },
            { what: 'adults', share: 0.3 },
          ],
        }),
      ),
    ).toBe('What matters most for its growth: survival of the half-grown (50 %), then survival of the grown (30 %).')
    expect(mattersText({ ...m, matters: [] })).toBe('')
    expect(
      learntText({
        name: 'room',
        now: { value: 1.3, low: 0.9, high: 1.8 },
        before: { value: 1, low: 0.6, high: 1.67 },
      }),
    ).toContain('1.30 times the default')
    expect(plain(lookText({ what: 'fullCount', left: 0.6 }))).toBe(
      'A full count would narrow the number in eight weeks by about 40 %.',
    )
    expect(lookText({ what: 'broods', left: 0.99 })).toContain('hardly')
  })
  it('a count narrows a range, and confirms a number without doubt', () => {
    expect(plain(fullCountText({ low: 21.6, high: 52.2 }))).toBe(
      'One full count today would narrow it to about 22 to 52.',
    )
    expect(plain(fullCountText({ low: 1.9, high: 2.2 }))).toBe('One full count today would tell whether it is still 2.')
    const old = (numbers: Parameters<typeof known>) => dueWhy(itemOf('count', { numbers: known(...numbers) })!, NOW)
    expect(old([60, 50, 70, [52, 69]])).toMatch(/; it would narrow the range a little\.$/)
  })
  it('disagreement is said, agreement is not', () => {
    const p = (disagreement: 'counts' | 'jumps' | 'thin' | null) => ({
      counts: [],
      fit: { logLikelihood: 0, effective: 10, particles: 1000, disagreement },
    })
    expect(disagreementText(p(null))).toBe('')
    for (const d of ['counts', 'jumps', 'thin'] as const) expect(disagreementText(p(d)).length).toBeGreaterThan(30)
  })
})

const fan = Array.from({ length: 27 }, (_, i) => ({
  at: NOW + i * 7 * 86_400_000,
  p10: 80 + i,
  p25: 90 + i,
  p50: 100 + 2 * i,
  p75: 120 + 3 * i,
  p90: 140 + 4 * i,
}))
const answer = (more: Partial<OutlookAnswer> = {}): OutlookAnswer => ({
  fan,
  halfGrown: fan,
  reach: { p10: 4, p50: 8, p90: 20, reachedShare: 0.95 },
  chanceBy: 0.8,
  diedOut: 0,
  full: { chance: 0.6, week: 10, room: 200 },
  futures: 1000,
  ...more,
})
const ask = { weeks: 26, number: 150, of: 'total' as const, byWeek: 12 }

describe('the Outlook', () => {
  it('says what differs', () => {
    expect(changeText({}, defaultUnits)).toBe('as things are')
    expect(
      changeText({ temperatureC: 26, fish: 'none', putIn: 8, weekly: { of: 'females', number: 1.5 } }, defaultUnits),
    ).toBe('26.0 °C, fish out, 8 put in, 1.5 grown females out each week')
    const gallons = { ...defaultUnits, temperature: 'f', volume: 'usGal' }
    expect(changeText({ temperatureC: 25, secondTankL: 37.854 }, gallons)).toBe('77.0 °F, a second tank of 10 US gal')
  })
  it('says when a number is there', () => {
    expect(plain(reachText(answer(), ask, NOW))).toBe('about 20 Jan 2027, likely 23 Dec to 14 Apr 2027')
    expect(reachText(answer({ reach: { p10: 0, p50: 0, p90: 0, reachedShare: 1 } }), ask, NOW)).toBe('there already')
    expect(
      reachText(answer({ reach: { p10: Infinity, p50: Infinity, p90: Infinity, reachedShare: 0.02 } }), ask, NOW),
    ).toContain('hardly')
    expect(
      plain(reachText(answer({ reach: { p10: 9, p50: Infinity, p90: Infinity, reachedShare: 0.4 } }), ask, NOW)),
    ).toContain('40 % chance')
    expect(reachText(answer({ reach: { p10: 9, p50: 20, p90: Infinity, reachedShare: 0.7 } }), ask, NOW)).toContain(
      'to later',
    )
  })
  it('says when the room is full, and compares', () => {
    expect(plain(fullText(answer(), NOW))).toBe('60 %, about 3 Feb 2027')
    expect(fullText(answer({ full: { chance: 0.01, week: null, room: 9 } }), NOW)).toBe('hardly')
    expect(fullText(answer({ full: { chance: 0.9, week: 0, room: 9 } }), NOW)).toContain('now')
    const more = answer({ fan: fan.map(p => ({ ...p, p50: p.p50 + 40 })) })
    expect(plain(comparedText(more, answer(), 26))).toBe(
      'In 26 weeks about 40 more than if nothing changes: 192 instead of 152.',
    )
    expect(comparedText(answer(), answer(), 26)).toContain('as many as if nothing changes')
    expect(plain(comparedText(answer(), more, 26))).toContain('fewer')
  })
  it('gives an SVG whose words cannot break it', () => {
    const svg = outlookSvg('<b>"Ember" & co</b>', [{ name: 'a < b', colour: '#1E6B57', fan }], ms =>
      String(new Date(ms).getUTCFullYear()),
    )
    expect(svg).not.toContain('<b>')
    expect(svg).toContain('&lt;b&gt;')
    expect(svg.match(/<polyline/g)).toHaveLength(1)
    expect(svg).toContain('animals')
  })
  it('CSV neutralises what a spreadsheet would run', () => {
    expect(
      csvOf(
        ['name', 'n'],
        [
          ['=1+1', 3],
          ['a,b', 4],
        ],
      ),
    ).toBe('\uFEFFname,n\r\n"\'=1+1",3\r\n"a,b",4\r\n')
  })
})

describe('the Surplus', () => {
  const take = (more: object = {}) => ({
    take: 12,
    riskNow: 0.01,
    riskAfter: 0.09,
    limit: 'number' as const,
    all: false,
    afterCount: null,
    ...more,
  })
  const held = (more: object = {}, of: TakeKind = 'any') => plain(heldByText({ of, now: take(more) }, 30, 8))
  it('says what can go and what holds it back', () => {
    expect(plain(takeText({ of: 'halfGrown', now: take(), weekly: take({ take: 3.2 }) }))).toBe(
      '12 half-grown now, or 3.2 every week',
    )
    expect(plain(takeText({ of: 'any', now: take(), weekly: take({ take: 0.3 }) }))).toBe(
      '12 of any kind now, or one every 4 weeks',
    )
    expect([weeklyText(0), weeklyText(0.5), weeklyText(14)]).toEqual(['none', 'one every 2 weeks', '14'])
    expect(held()).toContain('under 30')
    expect(held({ limit: 'females' })).toContain('under 8')
    expect(held({ all: true })).toBe('all that can be had of them')
    expect(held({ all: true }, 'halfGrown')).toBe('all that can be had of them')
    expect(held({ all: true }, 'males')).toBe('the last grown males: none would be left to breed')
    expect(held({ all: true }, 'females')).toBe('the last grown females: none would be left to breed')
    // none of them there is no take
    expect(held({ all: true, take: 0 }, 'males')).toBe('all that can be had of them')
    expect(held({ limit: 'males' })).toContain('males')
    expect(held({ limit: 'males' }, 'males')).not.toContain('last')
    expect(held({ afterCount: 90 })).toBe('count first: then up to 90')
    expect(held({ take: 0, riskNow: 0.3, riskAfter: 0.3 })).toContain('30 % risk')
  })
  it('says what must go', () => {
    expect(plain(upperText({ limit: 200, chance: 0.9, week: 6, weekly: 12 }, NOW, 14))).toBe(
      'It passes 200 about 6 Jan 2027 (90 % chance within half a year). Take out 12 a week to stay under. Find an ' +
        'outlet before then.',
    )
    // what it would take and what is safe do not meet while the number is unsure
    expect(plain(upperText({ limit: 200, chance: 0.5, week: 6, weekly: 12 }, NOW, 8))).toContain('count them first')
    expect(plain(upperText({ limit: 200, chance: 0.9, week: 0, weekly: null }, NOW, 3))).toContain('over that now')
    expect(upperText({ limit: 200, chance: 0.1, week: null, weekly: null }, NOW, 3)).toContain('nothing has to go')
    expect([moneyText(2.5, '€'), moneyText(2, '')]).toEqual(['2.50 €', '2.00'])
  })
})

describe('the Count desk', () => {
  it('says what a count speaks for', () => {
    expect(
      plain(
        evidenceText(
          countEvidence({ number: 30, method: 'passes', series: [10, 10, 10] }, groupOf('neocaridina').counting, true),
        ),
      ),
    ).toContain('The catches do not fall')
    expect(plain(hitRateText({ share: 0.8, sdLog: 0.1, pictures: 1 }))).toBe(
      'You find about 80 % of them, likely 70 % to 91 %, from one picture.',
    )
  })
})
