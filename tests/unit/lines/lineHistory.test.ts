import { describe, expect, it } from 'vitest'
import { countsOn, gradingsOf, pairedSessions, readLine, seenIn } from '#core/lines'
import { wordRungId } from '#core/records'
import { nextId } from '../../make'
import { breedLine, ladderOf } from './lineParts'

describe('gradings on a ladder', () => {
  const ladder = ladderOf(3)
  const [a, b, c] = ladder.rungs.map(r => r.id) as [string, string, string]
  it('count each sex for itself, and rungs with nobody too', () => {
    const seen = [
      { rungId: a, sex: 'female' as const, number: 2 },
      { rungId: c, sex: 'female' as const, number: 1 },
      { rungId: b, sex: 'unknown' as const, number: 4 },
    ]
    expect(gradingsOf(seen, ladder, { grader: 'A. R.' })).toEqual([
      { grader: 'A. R.', sex: 'female', cells: [cell(0, 0, 2), cell(1, 1, 0), cell(2, 2, 1)] },
      { grader: 'A. R.', sex: 'mixed', cells: [cell(0, 0, 0), cell(1, 1, 4), cell(2, 2, 0)] },
    ])
    expect(countsOn(ladder, seen)).toEqual([2, 4, 1])
  })
  const cell = (from: number, to: number, number: number) => ({ from, to, number })
  it('lie on a stretch where a rung was split since, and count half on each for the eye', () => {
    const [low, high] = [nextId(), nextId()]
    const parts = [low, high].map((id, i) => ({ id, words: `part ${i}`, order: 1 + i, from: [b] }))
    const split = { ...ladder, rungs: [...ladder.rungs.map(r => (r.id === c ? { ...r, order: 3 } : r)), ...parts] }
    const seen = [{ rungId: b, sex: 'unknown' as const, number: 6 }]
    expect(gradingsOf(seen, split, { grader: 'A' })[0]!.cells).toEqual([cell(0, 0, 0), cell(1, 2, 6), cell(3, 3, 0)])
    expect(countsOn(split, seen)).toEqual([0, 3, 3, 0])
  })
  it('of old entries are found by their words', () => {
    const worded = {
      ...ladder,
      rungs: ['B', 'A'].map((w, order) => ({ id: wordRungId(ladder.id, w), words: w, order })),
    }
    const old = {
      kind: 'grading',
      grades: [
        { grade: ' a', number: 3 },
        { grade: 'x', number: 2 },
      ],
    } as never
    expect(seenIn(old, worded)).toEqual([{ rungId: wordRungId(ladder.id, 'A'), sex: 'unknown', number: 3 }])
  })
})

describe('two keepers of the same animals', () => {
  const l = breedLine(3)
  const one = (k: number, sex: 'female' | 'male' = 'female') => ({ rungId: l.rungId(k), sex, number: 1 })
  const first = l.grade(9, [one(2), one(1), one(0), one(2, 'male')], { inOrder: true })
  const second = l.grade(9, [one(1), one(1), one(0)], { inOrder: true, againOf: first.id, keeper: 'M. T.' })
  it('are paired in their order, as far as the second went', () => {
    const [pair] = pairedSessions([first, second], l.ladder)
    expect(pair!.twice).toEqual({
      graders: ['A. R.', 'M. T.'],
      table: [
        [1, 0, 0],
        [0, 1, 0],
        [0, 1, 0],
      ],
    })
    expect(pairedSessions([second], l.ladder)).toEqual([])
  })
  it('count each animal once, and the model reads pairs as pairs', () => {
    l.generation(20)
    const { generations, history } = readLine(l.records())
    expect(generations[0]!.counts).toEqual([1, 1, 2])
    expect(history.groups[0]!.twice).toHaveLength(1)
    // the fourth was graded by the first alone
    expect(history.groups[0]!.gradings).toMatchObject([
      { sex: 'male', cells: [{ number: 0 }, { number: 0 }, { number: 1 }] },
    ])
  })
})

describe('a line of generations', () => {
  const l = breedLine()
  const first = l.generation(200)
  l.grade(190, [...l.spread([5, 10, 8, 2], 'female'), ...l.spread([6, 9, 7, 3], 'male')])
  const bred = l.breed(185, first.id, [...l.spread([0, 0, 4, 2], 'female'), ...l.spread([0, 0, 0, 3], 'male')])
  const second = l.generation(90, [bred.id])
  l.grade(80, l.spread([2, 9, 12, 7], 'unknown'), { generationId: second.id })
  it('is read with who bred whom', () => {
    const { generations, history } = readLine(l.records())
    expect(generations.map(g => g.counts)).toEqual([
      [11, 19, 15, 5],
      [2, 9, 12, 7],
    ])
    expect(generations[0]!.bred).toEqual({ males: [0, 0, 0, 3], females: [0, 0, 4, 2], mixed: [0, 0, 0, 0] })
    expect(generations[1]!.bred).toBeNull()
    expect(history.groups[1]!.breeders).toEqual([
      { groupId: first.id, sex: 'male', number: 3, rungs: [0, 0, 0, 3], grader: 'A. R.' },
      { groupId: first.id, sex: 'female', number: 6, rungs: [0, 0, 4, 2], grader: 'A. R.' },
    ])
    expect(history.groups.map(g => g.size)).toEqual([50, 30])
    expect(history.groups[0]!.breeders).toEqual([])
  })
  it('shows who breeds now, and leaves drafts alone', () => {
    const more = { ...l.records() }
    const draft = { ...bred, id: nextId(), generationId: second.id, state: 'draft' as const }
    expect(readLine({ ...more, breedingGroups: [bred, draft] }).generations[1]!.bred).toBeNull()
    const running = { ...draft, state: 'running' as const }
    expect(readLine({ ...more, breedingGroups: [bred, running] }).generations[1]!.bred!.males).toEqual([0, 0, 0, 3])
  })
  it('takes a grading that names no generation for the one of its day', () => {
    const later = { ...l.grade(40, l.spread([0, 0, 1, 0], 'unknown')) }
    const { generations } = readLine({ ...l.records(), entries: [...l.entries.slice(0, 2), later] })
    expect(generations[1]!.gradings.map(g => g.id)).toContain(later.id)
    l.entries.pop()
  })
  it('takes back what was taken back', () => {
    const gone = { ...l.entries[1]!, id: nextId(), kind: 'withdrawal', supersedes: l.entries[1]!.id } as never
    expect(readLine({ ...l.records(), entries: [...l.entries, gone] }).generations[1]!.counts).toEqual([0, 0, 0, 0])
  })
  it('has some of each sex breed at random where nobody wrote them down', () => {
    const groups = readLine({ ...l.records(), breedingGroups: [] }).history.groups
    expect(groups[1]!.breeders).toMatchObject([
      { sex: 'male', rungs: null, number: 8 },
      { sex: 'female', rungs: null, number: 8 },
    ])
  })
  it('never breeds from a generation that comes after', () => {
    const wrong = { ...bred, generationId: second.id }
    const groups = readLine({ ...l.records(), breedingGroups: [wrong] }).history.groups
    expect(groups[1]!.breeders.every(b => b.groupId === first.id)).toBe(true)
  })
})

describe('a line that breeds all the time', () => {
  const l = breedLine()
  l.grade(200, l.spread([10, 20, 10, 5], 'unknown'))
  l.grade(190, l.spread([0, 2, 0, 0], 'unknown'))
  l.grade(100, l.spread([6, 18, 14, 7], 'unknown'))
  it('has a stretch of time for each time it was graded', () => {
    const { generations } = readLine(l.records())
    expect(generations.map(g => [g.n, g.counts])).toEqual([
      [1, [10, 22, 10, 5]],
      [2, [6, 18, 14, 7]],
    ])
  })
})
