import { describe, expect, it } from 'vitest'
import type { FamilyNode, LineTold, OutcrossTold, RungOffer } from '#core/lines'
import type { AnimalMeasured, RungSuggested } from '#core/meter'
import { crossingText, fallenText, familyNodeText } from '~/words/lines'
import { outcrossText } from '~/words/linePlans'
import { lightText, measuredText, suggestedText } from '~/words/meter'
import { plain } from '~/words/numbers'
import { orderText } from '~/words/surplus'
import { emptyHarvest, readHarvest } from '~/forms/harvestDraft'
import { entryText } from '~/words/entries'
import { defaultUnits } from '~/words/unitPrefs'
import { colony, entryOf, nextId, NOW } from '../make'

const shares = (value: number) => ({
  upFrom: [1, value].map(v => ({ low: v - 0.1, value: v, high: v + 0.1 })),
  meanRung: { low: 1, value: 2, high: 3 },
})
const about = { best: { first: 0.2, now: 0.6 }, bestFrom: 1 }
const told = (more: Partial<OutcrossTold> = {}): OutcrossTold => ({
  ...{ on: [0.62, 0.7].map(shares), crossed: [0.4, 0.5].map(shares), backAfter: 2, caughtUpAfter: null },
  ...more,
})

describe('new blood in words', () => {
  it('says what it costs, and when it is made good', () => {
    const text = plain(outcrossText(told(), about, 'grade 4 or 5'))
    expect(text).toContain('40 % (30–50) of the next are grade 4 or 5, where it would be 62 % without and is 60 % now.')
    expect(text).toContain('back where it stands now after two generations, and stays behind')
    expect(plain(outcrossText(told({ caughtUpAfter: 2 }), about, 'x'))).toContain('level with the line without it')
    expect(plain(outcrossText(told({ backAfter: null }), about, 'x'))).toContain('not back within two generations.')
    expect(plain(outcrossText(told(), { ...about, best: null }, 'x'))).not.toContain('now.')
  })
})

describe('the family graph in words', () => {
  it('tells a generation and those that bred', () => {
    const generation: FamilyNode = { id: 'a', parentIds: [], kind: 'generation', n: 3, graded: 88, inbreeding: 0.12 }
    expect(familyNodeText(generation, '')).toEqual({ title: 'No. 3', below: '88 graded · F 12 %' })
    expect(familyNodeText({ ...generation, graded: 0, inbreeding: null }, '').below).toBe('not graded')
    const bred: FamilyNode = {
      ...{ id: 'b', parentIds: [], kind: 'breeders', females: 8, males: 2, others: 0, colonyId: 'c', running: true },
    }
    expect(familyNodeText(bred, 'Ember A')).toEqual({ title: '8 ♀ 2 ♂', below: 'now, Ember A' })
    expect(familyNodeText({ ...bred, running: false, females: 0, males: 0 }, 'Ember A')).toEqual({
      ...{ title: 'nobody told', below: 'Ember A' },
    })
  })
  it('names a crossing with its day', () => {
    const [from, to] = [colony(nextId(), { name: 'Slate' }), colony(nextId(), { name: 'Ember A' })]
    const text = crossingText({ entryId: 'e', atMs: NOW - 20 * 86_400_000, number: 5, from, to }, NOW)
    expect(text).toMatch(/^5 of Slate came into Ember A, .*5 Nov.*: the lines cross/)
  })
})

describe('the grade meter in words', () => {
  const measured = { cover: 0.62, depth: 71.4, pigment: { l: 40, a: 30, b: 20 } } as AnimalMeasured
  const suggested = (more: Partial<RungSuggested> = {}): RungSuggested => ({
    ...{ chances: [0.1, 0.2, 0.7], rung: 2, photos: 45, known: 'sure' },
    ...more,
  })
  const words = ['clear', 'patchy', 'dense']
  it('tells cover and depth', () => {
    expect(plain(measuredText(measured))).toBe('62 % covered, depth 71')
    expect(measuredText({ ...measured, pigment: null })).toBe('Hardly any colour')
    for (const text of Object.values(lightText)) expect(text).toMatch(/[a-z].*\.$/)
  })
  it('suggests with its doubt, and says when it knows too little', () => {
    const say = (more: Partial<RungSuggested> = {}, practice = false) =>
      plain(suggestedText(suggested(more), words, practice))
    expect(say()).toBe('Likely 3 dense, 70 % by 45 of your graded photos.')
    expect(say({ photos: 20 })).toContain('better up to about 40')
    expect(say({ known: 'unsure' })).toContain('No rung stands out; 3 dense comes nearest')
    expect(say({ known: 'tooFew', photos: 3 })).toContain('3 of your graded photos, and it needs 12')
    expect(say({ known: 'tooFew', photos: 3 }, true)).toContain('3 practice pictures')
  })
  it('stands in the log with its photo', () => {
    const meter = { ladderId: nextId(), rungId: nextId(), cover: 0.5, depth: 60 }
    const photo = entryOf('photo', 1, { colonyId: nextId(), photoId: nextId(), meter })
    expect(entryText(photo, defaultUnits, () => '').title).toBe('Photo, 50 % covered, depth 60')
    const dull = (number: number) =>
      entryText(entryOf('dull', 1, { colonyId: nextId(), number }), defaultUnits, () => '')
    expect([dull(0).title, dull(4).title]).toEqual(['No dull ones', '4 dull ones seen'])
  })
})

describe('animals of a rung that leave', () => {
  const rung: RungOffer = {
    ...{
      rungId: nextId(),
      words: 'dense',
      there: 20,
      breeding: 4,
      reserved: 0,
      atMost: 12,
      offered: 5,
      priceEach: 2.5,
    },
  }
  it('are written down with it', () => {
    const draft = {
      ...emptyHarvest(),
      number: '4',
      of: 'females' as const,
      rungId: rung.rungId,
      outlet: 'sold' as const,
    }
    const stamp = { id: nextId(), at: new Date(NOW).toISOString(), loggedAt: new Date(NOW).toISOString() }
    expect(readHarvest(draft, stamp, nextId())).toMatchObject({
      entry: { parts: { females: 4 }, rungs: [{ rungId: rung.rungId, sex: 'female', number: 4 }] },
    })
    expect(readHarvest({ ...draft, rungId: '' }, stamp, nextId())).not.toHaveProperty('entry.rungs')
  })
  it('are ordered by it', () => {
    const order = { number: 4, of: 'adults', rungId: rung.rungId, who: 'B. N.', dueAt: new Date(NOW).toISOString() }
    expect(orderText(order as never, NOW, () => 'dense')).toMatch(/^4 grown \(dense\) for B\. N\., due/)
    expect(orderText({ ...order, rungId: undefined } as never, NOW, () => 'dense')).toMatch(/^4 grown for B\. N\./)
  })
})

describe('a fall that breeding does not explain', () => {
  it('says how often one is called in vain: of generations, and of gradings where they breed all the time', () => {
    const rolling = { parentsAgeWeeks: 27, pace: null } as unknown as LineTold['rolling']
    expect(fallenText({ rolling: null })).toMatch(/ One generation in forty falls like this by chance\.$/)
    expect(fallenText({ rolling })).toMatch(/ One grading in twenty-five falls like this by chance\.$/)
  })
})
