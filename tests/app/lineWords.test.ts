import { describe, expect, it } from 'vitest'
import type { LineTold } from '#core/lines'
import { bredText, generationName, generationNames } from '~/words/lineGenerations'
import {
  agreementText,
  bestRungs,
  heritabilityText,
  keeperText,
  courseRows,
  generationAxis,
  leftText,
  limitText,
  lineHeadline,
  nextStep,
  paceText,
  weeklyText,
} from '~/words/lines'
import { backText, breedTitle, trayKeysText, trayWord } from '~/words/lineTrays'
import { plain } from '~/words/numbers'
import { besideText } from '~/words/lineBeside'
import { whyKinship, whyLine } from '~/words/whyLine'
import { NOW } from '../make'

const told = (more: Partial<LineTold>) =>
  ({ heading: 'rising', bestFrom: 3, best: { first: 0.11, now: 0.43 }, came: null, ...more }) as LineTold
const headline = (more: Partial<LineTold>) => plain(lineHeadline(told(more), 5))

describe('words of a line', () => {
  it('say where it goes, with the shares', () => {
    expect(headline({})).toBe('The line is rising: 43 % now grade 4 or 5, from 11 %.')
    expect(headline({ heading: 'plateau' })).toMatch(/^The line has come to a plateau: 43 %/)
    expect(headline({ heading: 'unknown' })).toMatch(/^One generation was graded/)
    expect(headline({ came: { unexplained: true } as never })).toMatch(/fell further than breeding explains: 43 %/)
    const always = { came: { unexplained: true } as never, rolling: {} as never }
    expect(headline(always)).toMatch(/^The line fell further/)
    expect(bestRungs({ bestFrom: 2 }, 3)).toBe('grade 3')
    expect(bestRungs({ bestFrom: 2 }, 5)).toBe('grade 3, 4 or 5')
  })
  it('tell how much comes through, or that nobody can tell', () => {
    const heritability = { low: 0.21, value: 0.38, high: 0.54 }
    expect(plain(heritabilityText({ heritability, known: true }))).toContain('About 0.38')
    expect(plain(heritabilityText({ heritability, known: false }))).toContain('cannot tell yet')
  })
  it('tell paces, limits and weeks', () => {
    expect(paceText({ pace: 0.123, rolling: null })).toBe('+0.12 rungs a generation, over the last three')
    expect(paceText({ pace: -0.2, rolling: null })).toBe('−0.20 rungs a generation, over the last three')
    expect([leftText(0), leftText(4.2), leftText(0.4), leftText(99)]).toEqual([
      'passed already',
      'in about four generations',
      'in about one generation',
      'not within 40 generations',
    ])
    expect([backText(undefined), backText(null), backText(0), backText(1.2), backText(9)]).toEqual([
      '…',
      'not within two years',
      'at once',
      'in a week',
      'in 9 weeks',
    ])
    expect(breedTitle({ females: 17, males: 1 })).toBe('Breed 18: 17 females, 1 male')
    expect(breedTitle({ females: 0, males: 0 })).toBe('Nobody in the breeding tray')
  })
  it('tell keepers and how they agree', () => {
    const range = (value: number) => ({ low: value - 0.1, value, high: value + 0.1 })
    const keeper = { name: 'M. T.', graded: 136, shift: range(-0.5), blur: range(0.2), measured: true }
    expect(keeperText(keeper, 'A. R.')).toBe(
      'M. T.: 136 graded, grades 0.5 of a rung lower than A. R., errs by 0.2 of a rung.',
    )
    expect(keeperText({ ...keeper, shift: range(0.04) }, 'A. R.')).toContain('sees like A. R.')
    expect(keeperText({ ...keeper, shift: null, measured: false }, 'A. R.')).toContain('from memory')
    const agreement = { graders: ['A. R.', 'M. T.'] as const, kappa: 0.59, se: 0.07, n: 48, atMs: NOW }
    expect(agreementText(agreement, NOW)).toMatch(/agree fairly: weighted kappa 0.59 \(0.50–0.68\) over 48/)
    expect(agreementText({ ...agreement, kappa: 0.9 }, NOW)).toContain('very well')
    expect(agreementText({ ...agreement, kappa: 0.2 }, NOW)).toContain('poorly')
  })
  it('name what comes next', () => {
    const now = { grownMs: null, nowMs: NOW }
    expect(nextStep(null, now)).toBe('Grade a first session.')
    expect(nextStep(told({ generationsLeft: 3, next: null }), now)).toBe('Choose who breeds.')
    expect(nextStep(told({ generationsLeft: 0.5 }), now)).toContain('New blood')
    const bred = told({ generationsLeft: 5, next: {} as never })
    expect(nextStep(bred, { grownMs: NOW - 1, nowMs: NOW })).toBe('Grade the young: by now they are grown.')
    expect(nextStep(bred, { grownMs: NOW + 9 * 86_400_000, nowMs: NOW })).toMatch(/when they are grown, about .*4 Dec/)
    expect(nextStep(told({ came: { unexplained: true } as never }), now)).toContain('Find out')
  })
  it('name generations by their turn and month', () => {
    const at = (n: number, fromMs: number, newest = false) => generationName({ n, fromMs }, newest, NOW)
    expect(at(4, NOW, true)).toBe('Fourth, now')
    expect(at(2, Date.UTC(2026, 3, 12))).toBe('Second, Apr')
    expect(at(1, Date.UTC(2025, 9, 12))).toBe('First, Oct 2025')
    expect(at(12, Date.UTC(2026, 3, 12))).toBe('No. 12, Apr')
  })
})

describe('why', () => {
  const range = (value: number) => ({ low: value - 0.1, value, high: value + 0.1 })
  const generation = {
    id: 'g',
    n: 1,
    at: 1,
    fromMs: NOW,
    gradings: [],
    counts: [1, 2],
    size: 3,
    bred: null,
    inbreeding: range(0.2),
    meanRung: 1.7,
    byGenes: range(1.6),
  }
  const line = told({
    ...{ heritability: range(0.4), known: true, keepers: [], generations: [generation], inbreeding: range(0.2) },
    ...{ variety: { males: 3, females: 9, effective: 6.2, perGeneration: 0.08 } },
    ...{ generationsLeft: 2, generationYears: 0.5 },
  })
  it('tells what went in, and which figures are from memory', () => {
    const why = whyLine(line, NOW)
    expect(why.figures[0]).toMatchObject({ value: '0.30 to 0.50' })
    expect(why.figures.filter(f => /memory/.test(f.basis)).length).toBeGreaterThanOrEqual(3)
    expect(why.narrows.join()).toContain('second keeper')
    expect(why.narrows.join()).toContain('A spare glass')
    expect(whyLine({ ...line, spare: { meanRung: 2, ofLine: 3 } }, NOW).narrows.join()).not.toContain('spare glass')
    expect(whyLine(line, NOW).method.join()).not.toContain('all the time')
    const rolling = { parentsAgeWeeks: 27, pace: null, culled: true, gradeAgainMs: NOW }
    expect(whyLine({ ...line, rolling }, NOW)).toMatchObject({
      method: expect.arrayContaining([expect.stringContaining('Rendel & Robertson')]),
      formula: expect.stringContaining('parents’ mean age'),
    })
    const kinship = whyKinship(line, NOW)
    expect(kinship.reasons).toEqual([
      'About 20 % (10 % to 30 %) now.',
      'Your limit is reached in about two generations, about 12 months.',
    ])
    expect(kinship.inputs[0]!.text).toContain('not written down')
    expect(kinship.figures[0]).toMatchObject({ value: '9 females, 3 males' })
  })
})

describe('another trait', () => {
  const told = (low: number, value: number, high: number, learnt = 0.5) =>
    besideText({ perRung: { low, value, high }, learnt, meanRungs: [2, 2.1] }, 'Colour cover', 'Size')
  it('is said to be paid for, to come along, or to go its own way', () => {
    expect(plain(told(-0.6, -0.3, -0.1))).toBe(
      'Better colour cover costs size: −0.30 of a rung for each rung of colour cover (likely −0.60 to −0.10).',
    )
    expect(plain(told(0.1, 0.3, 0.6))).toContain('Better colour cover takes size with it: +0.30')
    expect(plain(told(-0.1, 0.1, 0.4))).toContain('go their own ways, as far as the grades tell: +0.10')
    expect(plain(told(-0.6, -0.3, -0.1, 0.1))).toContain('the grades cannot tell yet (−0.60 to −0.10')
  })
  it('asks for gradings where there are too few', () => {
    const few = (meanRungs: (number | null)[]) =>
      besideText({ perRung: null, learnt: 0, meanRungs }, 'Colour cover', 'Size')
    expect(few([null, null])).toContain('Nobody graded size yet')
    expect(few([2, null])).toContain('takes two graded generations; so far there is one')
  })
})

describe('a line over time', () => {
  it('says who bred, by how many and by name', () => {
    expect(bredText({ females: [2, 4], males: [0, 1], mixed: [0, 0] }, 'Flint')).toBe('6 females, 1 male (Flint)')
    expect(bredText({ females: [0], males: [0], mixed: [7.4] }, '')).toBe('7 of both')
  })
  it('comes to its limit in generations and in months or years', () => {
    const at = (generationsLeft: number | null, generationYears: number | null) =>
      limitText({ generationsLeft, generationYears })
    expect([at(4.2, 0.25), at(10, 0.5), at(1, 0.01)]).toEqual([
      'reached in about four generations, about 13 months',
      'reached in about ten generations, about 5 years',
      'reached in about one generation, about one month',
    ])
    expect([at(0, 1), at(99, 1), at(4, null), at(null, 1)]).toEqual([
      'passed already',
      'not reached within 40 generations',
      'reached in about four generations',
      '',
    ])
  })
  it('is a table of what was graded and of its genes, with the next one', () => {
    const g = (n: number, meanRung: number | null) => ({ n, meanRung, byGenes: { low: 2.1, value: 2.3, high: 2.6 } })
    const next = { meanRung: { low: 3, value: 3.2, high: 3.5 } }
    const rows = courseRows({ generations: [g(1, 2.44), g(2, null)], next, rolling: null } as unknown as LineTold, NOW)
    expect(rows).toEqual([
      { name: 'No. 1', graded: '2.4', genes: '2.3 (2.1–2.6)' },
      { name: 'No. 2', graded: 'not graded', genes: '2.3 (2.1–2.6)' },
      { name: 'Next, forecast', graded: '', genes: '3.2 (3.0–3.5)' },
    ])
  })
})

describe('a line that breeds all the time', () => {
  const pace = { weekly: { low: 0.004, value: 0.0117, high: 0.02 }, overWeeks: 41.2 }
  const rolling = { parentsAgeWeeks: 26.9, pace, culled: true, gradeAgainMs: NOW + 9 * 86_400_000 }
  it('is told by the week, and what a generation of it is', () => {
    expect(weeklyText(rolling)).toBe(
      'They breed all the time: +0.012 rungs a week by their genes (likely +0.004 to +0.020), over 41 weeks. ' +
        'Parents are about 27 weeks old in the mean: that is a generation (from memory).',
    )
    expect(weeklyText({ ...rolling, pace: null })).toContain('After half of one the gradings tell')
    expect(paceText({ pace: 0.31, rolling })).toBe('+0.31 rungs a generation, over the last 41 weeks')
    expect(generationAxis({ rolling })).toBe('generations of 27 weeks, from the first grading')
    expect(generationAxis({ rolling: null })).toBe('generation')
  })
  it('asks for the dull ones, then for another grading when it tells more', () => {
    const next = (more: Partial<typeof rolling>, nowMs = NOW) =>
      nextStep(told({ generationsLeft: 9, rolling: { ...rolling, ...more } }), { grownMs: null, nowMs })
    expect(next({ culled: false })).toBe('Take the dull ones out.')
    expect(next({})).toMatch(/^Grade them again when half of the grown are new, about .*4 Dec/)
    expect(next({ culled: false }, rolling.gradeAgainMs)).toBe('Grade them again: half of the grown are new by now.')
  })
  it('is graded by days, and breeds by whoever stays', () => {
    const generations = [
      { n: 1, fromMs: Date.UTC(2026, 3, 12) },
      { n: 2, fromMs: NOW },
    ] as LineTold['generations']
    expect(generationNames({ generations, rolling }, NOW)).toEqual(['12 Apr', '25 Nov'])
    expect(generationNames({ generations, rolling: null }, NOW)).toEqual(['First, Apr', 'Second, now'])
    expect([breedTitle({ females: 2, males: 1 }, true), breedTitle({ females: 0, males: 0 }, true)]).toEqual([
      'Stay 3: 2 females, 1 male',
      'Nobody stays',
    ])
    expect([trayWord('hold', true), trayWord('hold', false), trayWord('part', true)]).toEqual([
      ...['stay and breed', 'hold', 'part'],
    ])
    expect([trayKeysText(true), trayKeysText(false)].map(t => /B, H/.test(t))).toEqual([false, true])
  })
})
