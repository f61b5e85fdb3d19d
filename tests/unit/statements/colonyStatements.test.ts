import { describe, expect, it } from 'vitest'
import { needsAttention } from '#core/care'
import type { Entry } from '#core/records'
import { colonyStatements } from '#core/statements'
import { correction, count, death, inputOf, removal, smallRoom, test as waterTest, withdrawal } from '../../make'

const s = smallRoom()
const tell = (colonyEntries: Entry[] = [], glassEntries: Entry[] = [], room = s) =>
  colonyStatements(inputOf(room, colonyEntries, glassEntries)).statements
const growing = [200, 170, 140, 110, 80, 50, 20, 3].map((d, i) => count(s.colony.id, d, Math.round(16 * 1.35 ** i)))
const keys = (list: readonly { key: string }[]) => list.map(m => m.key)
/** A colony that began large and falls by a fifth or more from count to count. */
const large = smallRoom({ colony: { founders: { females: 100, males: 60, unsexed: 0, halfGrown: 0, young: 0 } } })
const falls = (share: number) =>
  [200, 150, 100, 60, 40, 25, 12, 2].map((d, i) => count(large.colony.id, d, Math.round(150 * share ** i)))
const kh = (values: number[]) =>
  values.map((khDh, i) => waterTest(s.glass.id, (values.length - 1 - i) * 7 + 1, { khDh, ghDh: 7 }))

describe('how many', () => {
  it('asks for a count when there was none', () => {
    const { number } = tell()
    expect(number).toMatchObject({ state: 'unknown', conclusion: { key: 'number.neverCounted' } })
    expect(keys(number.actions)).toEqual(['number.doCount'])
  })
  it('gives number, range and what it stands on', () => {
    const { number } = tell(growing)
    expect(number.conclusion.key).toBe('number.about')
    expect(number.reasons[0]).toMatchObject({ key: 'number.reasonCounts', values: { n: 8, seen: 131 } })
    expect(number.evidence).toHaveLength(8)
  })
  it('says that a count is old', () => {
    const { number } = tell(growing.slice(0, -3))
    expect(number.state).toBe('unknown')
    expect(keys(number.reasons)).toContain('number.reasonOld')
  })
  it('follows corrections and what was taken back', () => {
    const slip = count(s.colony.id, 1, 1480)
    const put = correction(slip, { number: 148 })
    expect(tell([...growing, slip, put]).number.reasons[0]?.values.seen).toBe(148)
    expect(tell([...growing, slip, withdrawal(slip)]).number).toEqual(tell(growing).number)
  })
})

describe('where it is heading', () => {
  it('sees growth', () => {
    const { heading } = tell(growing)
    expect(heading.conclusion.key).toBe('heading.growing')
    expect(keys(heading.reasons)).toEqual(
      expect.arrayContaining(['heading.reasonDoubling', 'heading.reasonAhead', 'heading.reasonOwn']),
    )
  })
  it('says that it leans on the default', () => {
    expect(keys(tell([]).heading.reasons)).toContain('heading.reasonDefault')
  })
  it('sees a colony shrink, and names deaths', () => {
    const { heading } = tell([...falls(0.8), death(large.colony.id, 60, 1), death(large.colony.id, 30, 1)], [], large)
    expect(heading.conclusion.key).toBe('heading.shrinking')
    expect(heading.reasons.find(r => r.key === 'heading.reasonDeaths')?.values.n).toBe(2)
  })
  it('takes the end of one generation for what it is', () => {
    const batch = smallRoom({
      colony: {
        groupId: 'pool-branchiopod',
        startedAt: growing[6]!.at,
        founders: { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 140 },
      },
    })
    const { heading } = tell(
      [count(batch.colony.id, 12, 90), count(batch.colony.id, 5, 62), count(batch.colony.id, 1, 50)],
      [],
      batch,
    )
    expect(heading).toMatchObject({ state: 'onTarget', conclusion: { key: 'heading.shrinking' } })
    expect(keys(heading.reasons)).toContain('heading.reasonNotBreeding')
  })
  it('calls a full glass full', () => {
    const box = smallRoom({ glass: { grossL: 10, fill: { by: 'netLitres', netL: 5 } } })
    const full = [200, 150, 100, 70, 40, 10].map(d => count(box.colony.id, d, 43))
    expect(tell(full, [], box).heading.conclusion.key).toBe('heading.full')
  })
})

describe('what can go', () => {
  it('spares animals of a growing colony and keeps the core', () => {
    const { surplus, population } = tell(growing)
    expect(surplus.conclusion.key).toBe('surplus.some')
    expect(population.surplus.take).toBeLessThan(population.now.value - 30)
    expect(tell(growing, [], { ...s, colony: { ...s.colony, minimumKeep: 100 } }).population.surplus.take).toBeLessThan(
      population.surplus.take,
    )
  })
  it('spares none of a small one, and says when', () => {
    const { surplus } = tell([200, 150, 100, 50, 5].map((d, i) => count(s.colony.id, d, 12 + 2 * i)))
    expect(surplus.conclusion.key).toBe('surplus.none')
    expect(keys(surplus.reasons)).toContain('surplus.reasonUnder')
  })
  it('asks for the water first', () => {
    expect(keys(tell(growing, kh([4, 3, 2, 1.2])).surplus.reasons)[0]).toBe('surplus.reasonWaterOff')
  })
  it('counts what was taken out', () => {
    expect(tell([...growing, removal(s.colony.id, 1, 50)]).population.surplus.take).toBeLessThan(
      tell(growing).population.surplus.take - 30,
    )
  })
})

describe('the water', () => {
  it('was never tested', () => {
    expect(tell().water).toMatchObject({
      state: 'unknown',
      conclusion: { key: 'water.nothingKnown' },
      correctable: false,
    })
  })
  it('is right', () => {
    expect(tell([], kh([5, 5, 5])).water).toMatchObject({
      state: 'onTarget',
      conclusion: { key: 'water.allGood', values: { n: 2 } },
    })
  })
  it('lets the worst value speak, and says that a recipe can mend it', () => {
    const { water } = tell([], kh([4.6, 4, 3.4, 2.8, 2.2]))
    expect(water).toMatchObject({ state: 'off', worst: { key: 'khDh' }, conclusion: null, correctable: true })
  })
  it('names poison before hardness', () => {
    const { water } = tell([], [waterTest(s.glass.id, 1, { khDh: 0.5, ammoniaMgL: 1 })])
    expect(water.worst?.key).toBe('ammoniaMgL')
    // and the second bad value is named too
    expect(water.second).toMatchObject({ key: 'khDh', state: 'off' })
    const [first] = needsAttention([tell([], [waterTest(s.glass.id, 1, { khDh: 0.5, ammoniaMgL: 1 })])])
    expect(first).toMatchObject({ today: true, title: { key: 'water.poison' }, also: { key: 'water.below' } })
    expect(tell([], [waterTest(s.glass.id, 1, { khDh: 0.5, ghDh: 7 })]).water.second).toBeNull()
  })
  it('asks for a test today where a poison was found long ago, and only watches what drifts', () => {
    const days = (ago: number, values: object) => needsAttention([tell([], [waterTest(s.glass.id, ago, values)])])[0]
    expect(days(20, { ammoniaMgL: 1 })).toMatchObject({
      state: 'drifting',
      today: true,
      title: { key: 'water.poisonOld' },
      action: { key: 'water.doTest' },
    })
    expect(days(1, { ghDh: 5 })).toMatchObject({ state: 'drifting', today: false })
    expect(days(1, { ghDh: 2 })).toMatchObject({ state: 'off', today: true })
  })
  it('judges one glass by each colony’s own targets', () => {
    const tests = [waterTest(s.glass.id, 1, { ghDh: 5, khDh: 0.5, ph: 6.2 })]
    const bees = { ...s, colony: { ...s.colony, groupId: 'bee-shrimp' } }
    expect(tell([], tests).water.state).toBe('off')
    expect(tell([], tests, bees).water.state).toBe('onTarget')
  })
  it('follows the keeper’s own range', () => {
    const own = {
      ...s,
      colony: {
        ...s.colony,
        targets: { khDh: { preferred: [0, 1] as [number, number], tolerated: [0, 2] as [number, number] } },
      },
    }
    expect(tell([], kh([0.5, 0.5, 0.5]), own).water.state).toBe('onTarget')
  })
})

describe('needsAttention', () => {
  it('puts water that is off first, then a shrinking colony, then what is not known', () => {
    const off = { ...tell(growing, kh([4, 3, 2, 1.2])), colonyId: 'off' }
    const shrinking = { ...tell(falls(0.7), kh([5, 5, 5]), large), colonyId: 'shrinking' }
    const unknown = { ...tell(growing, []), colonyId: 'unknown' }
    const fine = { ...tell(growing, kh([5, 5, 5])), colonyId: 'fine' }
    const list = needsAttention([fine, unknown, shrinking, off])
    expect(list.map(a => a.colonyId)).toEqual(['off', 'shrinking', 'unknown'])
    expect(list.every(a => a.title.key.length > 0)).toBe(true)
  })
})
