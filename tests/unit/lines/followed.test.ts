import { describe, expect, it } from 'vitest'
import {
  breedersNext,
  groupKinshipOf,
  groupKinships,
  inbreedingOfGroups,
  leastRelated,
  type LineGroup,
  pairingsOf,
  readLine,
  setsOf,
  withAncestors,
} from '#core/lines'
import type { Animal } from '#core/records'
import { nextId } from '../../make'
import { breeders as set, breedLine, lineGroup as group } from './lineParts'

const parentage = (id: string, sireIds: string[] = [], damIds: string[] = []) => ({ id, sireIds, damIds })

describe('inbreeding where some breeders are followed one by one', () => {
  const of = (groups: LineGroup[], id: string, animals: ReturnType<typeof parentage>[] = []) =>
    inbreedingOfGroups(groups, { animals }).of.get(id)!

  // recurrent backcrossing to one sire: 1/4, 3/8, 7/16 (Wright 1921, Genetics 6: 172)
  it('knows a male again that is bred with his daughters, and with theirs', () => {
    const back = (followed?: string[]) => [
      group('g0', []),
      ...[1, 2, 3, 4].map(t => group(`g${t}`, [set('g0', 'male', 1, followed), set(`g${t - 1}`, 'female', 1)])),
    ]
    for (const [t, f] of [0, 1 / 4, 3 / 8, 7 / 16].entries())
      expect(of(back(['m']), `g${t + 1}`)).toEqual({ value: f, low: f, high: f })
    // where nobody knows that it was he, another male of his generation bred each time
    expect(of(back(), 'g4').value).toBe(0)
  })
  it('goes by the parents of those that are followed: full siblings out of many breeders', () => {
    const siblings = [
      group('g0', []),
      group('g1', [set('g0', 'male', 20), set('g0', 'female', 40)]),
      group('g2', [set('g1', 'male', 1, ['son']), set('g1', 'female', 1, ['daughter'])]),
    ]
    const [mother, father] = [['mother'], ['father']]
    const known = [parentage('son', father, mother), parentage('daughter', father, mother)]
    expect(of(siblings, 'g2', known).value).toBe(0.25)
    expect(of(siblings, 'g2').value).toBeLessThan(0.05)
    // half siblings: of the mothers one is known and the other is not
    expect(of(siblings, 'g2', [parentage('son', father, mother), parentage('daughter', father)]).low).toBe(0.125)
    // who may be the father is one of two, so that half of them are full siblings of this mother
    const either = [parentage('son', ['a', 'b'], mother), parentage('daughter', ['a', 'b'], mother)]
    expect(of(siblings, 'g2', either)).toMatchObject({ low: 0.125, high: 0.25 })
  })
  it('knows two breeders of several groups as the same ones', () => {
    const pair = (named: boolean) => [
      group('g0', []),
      group('g1', [set('g0', 'male', 1, ['m']), set('g0', 'female', 1, ['f'])]),
      group('g2', [set('g0', 'male', 1, named ? ['m'] : undefined), set('g0', 'female', 1, named ? ['f'] : undefined)]),
      group('g3', [set('g1', 'male', 1), set('g2', 'female', 1)]),
    ]
    expect(of(pair(true), 'g3').value).toBe(0.25)
    expect(of(pair(false), 'g3').value).toBe(0)
  })
  it('takes a parent that never bred here for one of the generation before', () => {
    const of2 = (id: string) => [set(id, 'male', 1), set(id, 'female', 1)]
    const x = set('g2', 'male', 1, ['x'])
    const groups = [
      group('g0', []),
      group('g1', of2('g0')),
      group('g2', of2('g1')),
      group('g3', [x, set('g2', 'female', 1)]),
    ]
    // his father is a brother of her parents: half of 1/4 with them, and half of 3/8 with her mother’s young
    expect(of(groups, 'g3', [parentage('x', ['p'])]).value).toBe(0.3125)
  })
  it('leaves who is written down as its own ancestor without parents', () => {
    const groups = [group('g0', []), group('g1', [set('g0', 'male', 1, ['a']), set('g0', 'female', 1)])]
    expect(of(groups, 'g1', [parentage('a', ['b']), parentage('b', ['a'])]).value).toBe(0)
  })
  it('heeds more young of one breeder', () => {
    // two males with one each, or nearly all of one of them
    const boxes = (young: [number, number]) => [
      group('g0', []),
      group(
        'g1',
        young.flatMap((y, i) => [
          { ...set('g0', 'male', 1, [`m${i}`]), young: y },
          { ...set('g0', 'female', 20), young: y },
        ]),
      ),
      group('g2', [set('g1', 'male', 60), set('g1', 'female', 60)]),
    ]
    const [even, uneven] = [of(boxes([50, 50]), 'g2').value, of(boxes([98, 2]), 'g2').value]
    expect(uneven).toBeGreaterThan(1.2 * even)
  })
})

describe('kinship of groups with breeders in several boxes', () => {
  const kin = (sires: { groupId: string; number: number; young?: number }[]) => {
    const dams = [{ groupId: 'f', number: 1000 }]
    const founders = { id: 'f', size: 1000, sires: [], dams: [] }
    const k = groupKinships([founders, { id: 'y', size: 100, sires, dams, unevenness: { sires: 0.5, dams: 0 } }])
    return groupKinshipOf(k, 'y', 'y')
  }
  // two of a sire are half siblings with 1/8; how often that is goes by the squares of the shares
  it('takes a male of each of two boxes for two males', () => {
    const one = { groupId: 'f', number: 2 }
    const many = 1 / 8 / 1000
    expect(kin([one, one])).toBeCloseTo((1.5 / 4) * (1 / 8) + many, 9)
    expect(kin([one, one])).toBeCloseTo(kin([{ groupId: 'f', number: 4 }]), 9)
  })
  it('heeds how many young each has', () => {
    const of = (young: number) => ({ groupId: 'f', number: 2, young })
    expect(kin([of(30), of(10)])).toBeCloseTo((0.75 ** 2 + 0.25 ** 2) * (1.5 / 2) * (1 / 8) + 1 / 8 / 1000, 9)
  })
})

describe('a breeding group with followed animals', () => {
  const animal = (id: string, sex: Animal['sex']) => ({ id, sex, sireIds: [], damIds: [] })
  function line() {
    const l = breedLine()
    const g1 = l.generation(100)
    const [male, female] = [nextId(), nextId()]
    const parents = [...l.spread([0, 2, 4, 0], 'female'), ...l.spread([0, 0, 1, 1], 'male')]
    const first = l.breed(95, g1.id, parents, { animalIds: [male, female] })
    const g2 = l.generation(50, [first.id])
    const second = l.breed(45, g2.id, parents, { animalIds: [male] })
    const animals = [animal(male, 'male'), animal(female, 'female')]
    return { l, g1, g2, male, female, first, second, animals, among: { ...l.records(), animals } }
  }
  it('names them among those of their sex', () => {
    const { first, among, male, female, g1 } = line()
    expect(setsOf(first, among)).toEqual([
      { groupId: g1.id, sex: 'male', number: 2, rungs: [0, 0, 1, 1], grader: 'A. R.', followed: [male] },
      { groupId: g1.id, sex: 'female', number: 6, rungs: [0, 2, 4, 0], grader: 'A. R.', followed: [female] },
    ])
    expect(setsOf(first, { ...among, animals: [] })[0]).not.toHaveProperty('followed')
  })
  it('sets one apart that bred a generation before, on rungs in the shares of all', () => {
    const { second, among, male, g1, g2 } = line()
    expect(setsOf(second, among)).toEqual([
      { groupId: g1.id, sex: 'male', number: 1, rungs: [0, 0, 0.5, 0.5], grader: 'A. R.', followed: [male] },
      { groupId: g2.id, sex: 'male', number: 1, rungs: [0, 0, 0.5, 0.5], grader: 'A. R.' },
      { groupId: g2.id, sex: 'female', number: 6, rungs: [0, 2, 4, 0], grader: 'A. R.' },
    ])
    // their young are theirs by their parts
    expect(setsOf(second, among, 30).map(s => s.young)).toEqual([15, 15, 30])
    // a draft has bred nobody
    const draft = { ...among, breedingGroups: among.breedingGroups.map(b => ({ ...b, state: 'draft' as const })) }
    expect(setsOf(second, draft).map(s => s.groupId)).toEqual([g2.id, g2.id])
  })
  it('names no more than there are', () => {
    const { first, among, l } = line()
    const four = Array.from({ length: 4 }, () => animal(nextId(), 'male'))
    const crowded = { ...first, animalIds: four.map(a => a.id), parents: l.spread([0, 0, 1, 1], 'male') }
    expect(setsOf(crowded, { ...among, animals: four })[0]).toMatchObject({
      number: 2,
      followed: [four[0]!.id, four[1]!.id],
    })
  })
  it('is asked of the next generation with them', () => {
    const { l, animals, male } = line()
    expect(breedersNext(readLine({ ...l.records(), animals }))[0]!.followed).toEqual([male])
  })
})

describe('some animals and their ancestors', () => {
  const all = [
    parentage('first'),
    parentage('second', ['first'], ['unwritten']),
    parentage('third', ['second', 'other'], ['first']),
    parentage('other'),
    parentage('stranger', ['first']),
    parentage('ring', ['round']),
    parentage('round', ['ring']),
  ]
  const of = (...ids: string[]) =>
    withAncestors(ids, all)
      .map(a => a.id)
      .toSorted()
  it('are found once each, and nobody else', () => {
    expect(of('third')).toEqual(['first', 'other', 'second', 'third'])
    expect(of('second', 'second', 'nobody')).toEqual(['first', 'second'])
    expect(of()).toEqual([])
  })
  it('end where somebody is its own ancestor', () => expect(of('ring')).toEqual(['ring', 'round']))
  it('keep what is written wrong of others away from a pair', () => {
    expect(pairingsOf([{ id: 'second', sex: 'female' }], all).females[0]!.known).toBe('both')
    expect(() => pairingsOf([{ id: 'ring', sex: 'female' }], all)).toThrow('is its own ancestor')
  })
})

describe('pairs of followed animals', () => {
  const animals = [
    parentage('old male'),
    parentage('old female'),
    parentage('son', ['old male'], ['old female']),
    parentage('daughter', ['old male'], ['old female']),
    parentage('stranger'),
    parentage('half', ['old male']),
  ]
  const asked = [
    { id: 'daughter', sex: 'female' as const },
    { id: 'half', sex: 'female' as const },
    { id: 'son', sex: 'male' as const },
    { id: 'stranger', sex: 'unknown' as const },
  ]
  it('are told by what their young would be', () => {
    const { females, males, inbreeding } = pairingsOf(asked, animals)
    expect(females.map(f => f.id)).toEqual(['daughter', 'half', 'stranger'])
    expect(males.map(m => m.id)).toEqual(['son', 'stranger'])
    expect(inbreeding).toEqual([
      [0.25, 0],
      [0.125, 0],
      [0, 0.5],
    ])
    expect(females.map(f => f.known)).toEqual(['both', 'one', 'none'])
  })
  it('are offered the least related first, and none with itself', () => {
    const best = leastRelated(pairingsOf(asked, animals))
    expect(best.map(b => b.inbreeding)).toEqual([0, 0, 0, 0.125, 0.25])
    expect(best.at(-1)).toEqual({ dam: 'daughter', sire: 'son', inbreeding: 0.25 })
    expect(best.some(b => b.dam === b.sire)).toBe(false)
  })
})
