import { describe, expect, it } from 'vitest'
import { type ColonyFacts, entryDoubt, type Meeting, namedFacts, neverKept, tooManyDead } from '#core/care'
import { resolveGroup } from '#core/groups'
import type { Entry } from '#core/records'
import { judgeValue, waterStory } from '#core/water'
import { entryOf, nextId, NOW, test as waterTest } from '../../make'

const colonyId = nextId()
const toColonyId = nextId()
const groupOf_ = (groupId: string) => resolveGroup({ groupId, schools: {}, targets: {}, life: {} })
const facts = (more: Partial<ColonyFacts> = {}, groupId = 'neocaridina'): ColonyFacts => ({
  group: groupOf_(groupId),
  most: { all: 40, females: 20 },
  values: [],
  curing: false,
  ...more,
})
const entry = (kind: Entry['kind'], more: object) => entryOf(kind, 0, { colonyId, ...more })
const death = (number: number) => entry('death', { number, sign: 'unknown' })
const taken = (number: number) => entry('removal', { number, outlet: 'sold' })
const berried = (number: number) => entry('berried', { number })
const added = entry('addition', { number: 5, origin: 'bought' })
const move = (number = 5) => entry('move', { number, toColonyId })
const key = (e: Entry, from: ColonyFacts, to?: ColonyFacts, meets: Meeting = 'crosses') =>
  entryDoubt(e, from, to && { ...to, meets })?.key ?? null

describe('an entry that can hardly be', () => {
  it('is more than there are: dead, taken, moved, berried', () => {
    expect([key(death(40), facts()), key(death(41), facts())]).toEqual([null, 'tooManyDead'])
    expect([key(taken(40), facts()), key(taken(41), facts())]).toEqual([null, 'tooManyTaken'])
    expect(key(move(41), facts(), facts())).toBe('tooManyTaken')
    expect([key(berried(20), facts()), key(berried(21), facts())]).toEqual([null, 'tooManyBerried'])
    expect(entryDoubt(berried(21), facts())).toEqual({ key: 'tooManyBerried', values: { n: 21, most: 20 } })
    // one is always possible, and without a number nobody can say
    expect(key(death(1), facts({ most: { all: 0.2, females: 0 } }))).toBeNull()
    expect(key(berried(1), facts({ most: { all: 0.2, females: 0 } }))).toBeNull()
    expect(key(death(500), facts({ most: null }))).toBeNull()
    expect([tooManyDead(3, 40), tooManyDead(41, 40), tooManyDead(1, 0.2)]).toEqual([false, true, false])
  })
  it('puts animals where poison stands, or where the glass is not cured', () => {
    const off = (mgL: number) => {
      const { readings } = waterStory([waterTest(nextId(), 1, { nitriteMgL: mgL })], 40, NOW)
      const target = groupOf_('neocaridina').targets.nitriteMgL!
      return {
        values: [judgeValue({ key: 'nitriteMgL', target, readings: readings.get('nitriteMgL')!, nowMs: NOW })],
      }
    }
    expect(key(added, facts())).toBeNull()
    expect(key(added, facts({ curing: true }))).toBe('uncured')
    expect(key(added, facts(off(2)))).toBe('poisoned')
    expect(key(added, facts(off(0)))).toBeNull()
    // the water that they leave is no matter
    expect(key(taken(5), facts({ curing: true }))).toBeNull()
  })
  it('mixes species, or lines that cross', () => {
    expect(key(move(), facts(), facts({}, 'ramshorn-snail'))).toBe('otherSpecies')
    expect(key(move(), facts(), facts())).toBe('otherLine')
    // one line in two glasses is no mixture
    expect(key(move(), facts(), facts(), 'sameLine')).toBeNull()
    expect(key(move(), facts(), facts({ curing: true }), 'sameLine')).toBe('uncured')
    expect(key(move(), facts({}, 'water-isopod'), facts({}, 'neocaridina'))).toBe('otherSpecies')
  })
  it('mixes kinds of crabs: that is never kept', () => {
    expect(key(move(), facts({}, 'land-crab'), facts({}, 'land-crab'), 'never')).toBe('crabKinds')
    expect(neverKept).toEqual(['crabKinds'])
  })
  it('is no entry of other kinds', () => {
    expect(key(entry('molts', { number: 400 }), facts())).toBeNull()
    expect(key(entry('note', { text: 'x' }), facts())).toBeNull()
  })
})

describe('what is known of a followed animal before an entry', () => {
  const size = (diameterMm: number | undefined, ago: number) =>
    entryOf('shell', ago, { colonyId, marks: [], ...(diameterMm ? { diameterMm } : { marks: ['pits'] }) })
  const ash = { sex: 'male' as const }
  it('is its largest size so far, and its sex', () => {
    const log = [size(8, 30), size(11, 20), size(9, 10), size(undefined, 5)]
    expect(namedFacts(ash, log, size(8, 0))).toEqual({ sex: 'male', mostMm: 11 })
    // what was measured later says nothing of an earlier day
    expect(namedFacts(ash, log, size(8, 25)).mostMm).toBe(8)
    expect(namedFacts(ash, [], size(8, 0)).mostMm).toBeNull()
  })
  it('leaves out the entry that is being put right', () => {
    const [slip, before] = [size(31, 3), size(11, 20)]
    const right = { ...size(13, 0), supersedes: slip.id }
    expect(namedFacts(ash, [before, slip], right).mostMm).toBe(11)
  })
})
