import { describe, expect, it } from 'vitest'
import { lanternQuay } from '#demo'
import { needsAttention, planLog, planSteps } from '#core/care'
import { parseBackup, writeBackup } from '#core/formats'
import { groupOf } from '#core/groups'
import { animalsOf, currentEntries, DAY_MS, isMineral, momentMs, netLitres, presentGlassId } from '#core/records'
import { colonyStatements, firstLook } from '#core/statements'
import { doseOf, ghOf, judgeCuring, learnHabits, sourceWater, waterStory } from '#core/water'

const untilMs = Date.parse('2026-11-25T00:00:00.000Z')
const { backup } = lanternQuay({ seed: 1, untilMs })

/** A room's colonies, each told in full; that takes seconds, and is done once. */
function roomTold(seed: number) {
  const { backup: b, truth } = lanternQuay({ seed, untilMs })
  return b.colonies.map(colony => {
    const glass = b.glasses.find(g => g.id === presentGlassId(colony))!
    const of = (key: 'colonyId' | 'glassId', id: string) =>
      b.entries.filter(e => key in e && (e as Record<string, unknown>)[key] === id)
    const input = {
      colony,
      glass,
      colonyEntries: of('colonyId', colony.id),
      animals: b.animals
        .filter(a => a.firstColonyId === colony.id)
        .map(animal => ({ animal, entries: b.entries.filter(e => animalsOf(e).includes(animal.id)) })),
      water: glass,
      earlier: [],
      glassEntries: of('glassId', glass.id),
      nowMs: untilMs,
      zone: 'UTC',
    }
    return { name: colony.name, input, s: colonyStatements(input).statements, truth: truth[colony.id]!.at(-1)! }
  })
}
const told = roomTold(1)
const rooms = [told, roomTold(2)]

describe('Lantern Quay', () => {
  it('is the same to the last byte for the same seed and day, and another for another', () => {
    expect(writeBackup(lanternQuay({ seed: 1, untilMs }).backup)).toBe(writeBackup(backup))
    expect(writeBackup(lanternQuay({ seed: 2, untilMs }).backup)).not.toBe(writeBackup(backup))
  })
  it('is a valid backup', () => {
    expect(parseBackup(writeBackup(backup)).ok).toBe(true)
  })
  it('has the racks, glasses and months that a room has', () => {
    expect(backup.racks.map(r => r.kind)).toEqual(['rack', 'rack', 'rack', 'windowsill', 'floor'])
    expect(backup.glasses.length).toBeGreaterThanOrEqual(16)
    const first = Math.min(...backup.entries.map(e => momentMs(e.at)))
    expect((untilMs - first) / DAY_MS).toBeGreaterThan(365)
    expect(backup.entries.every(e => momentMs(e.at) <= untilMs)).toBe(true)
    expect(new Set(backup.entries.map(e => e.id)).size).toBe(backup.entries.length)
  })
  it('holds the mistake that was put right', () => {
    expect(backup.entries.length).toBeGreaterThan(currentEntries(backup.entries).length)
  })
})

describe('the stories in it', () => {
  const of = (name: string) => told.find(t => t.name === name)!.s
  it('nobody sees young of those whose larvae need the sea', () => {
    const seen = new Set(backup.entries.flatMap(e => (e.kind === 'young' ? [e.colonyId] : [])))
    const groupsSeen = backup.colonies.filter(c => seen.has(c.id)).map(c => groupOf(c.groupId))
    expect(groupsSeen.length).toBeGreaterThan(5)
    expect(groupsSeen.filter(g => !g.life.breedsInPlace).map(g => g.id)).toEqual([])
  })
  it('a KH slide that shows before it is out of the tolerated range', () => {
    const kh = of('Slate').water.values.find(v => v.key === 'khDh')!
    expect(kh).toMatchObject({ state: 'off', conclusion: { key: 'water.slidBelow' } })
    expect(of('Slate').water.correctable).toBe(true)
  })
  it('a colony that turned and shrinks, whose molts fail since its KH slid; those of no other do', () => {
    expect(of('Slate').population.recent!.perWeek.high).toBeLessThan(0)
    expect(of('Slate').heading.conclusion.key).toBe('molts.tooMany')
    expect(of('Slate').molts!.causes[0]).toMatchObject({ name: 'level', speaks: 'for' })
    expect(told.filter(t => t.s.molts?.watch.trouble).map(t => t.name)).toEqual(['Slate'])
    expect(told.flatMap(t => t.s.molts?.watch.past ?? [])).toEqual([])
  })
  it('a count far off that is not believed', () => {
    expect(
      of('Slate')
        .population.counts.filter(c => c.weight === 'none')
        .map(c => c.method),
    ).toEqual(['atFood'])
  })
  it('a top-up creep', () => {
    expect(of('Rime A').water.worst).toMatchObject({ key: 'conductivityUsCm', conclusion: { key: 'water.slidAbove' } })
  })
  it('a hidden pH swing, seen only by testing at dawn and at dusk', () => {
    const ph = of('Barley').water.values.find(v => v.key === 'ph')!
    expect(ph).toMatchObject({ state: 'drifting', conclusion: { key: 'water.swing' } })
    expect(Math.abs(Number(ph.conclusion.values.by))).toBeGreaterThan(0.5)
  })
  it('a glass in the nitrite stage, with its plan behind it', () => {
    const glass = backup.glasses.find(g => g.name === 'Cure cube')!
    const plan = backup.plans.find(p => p.glassId === glass.id)!
    const log = backup.entries.filter(e => 'glassId' in e && e.glassId === glass.id)
    const { readings } = waterStory(log, netLitres(glass), untilMs)
    const of = (key: 'ammoniaMgL' | 'nitriteMgL' | 'nitrateMgL') => readings.get(key) ?? []
    expect(
      judgeCuring({
        startedMs: momentMs(plan.startsAt),
        nowMs: untilMs,
        ammonia: of('ammoniaMgL'),
        nitrite: of('nitriteMgL'),
        nitrate: of('nitrateMgL'),
        ph: 7.4,
        temperatureC: 23,
        salinityGKg: 0,
        seen: plan.seen,
        weeks: [4, 8],
        grazes: true,
      }).stage,
    ).toBe('nitrite')
    expect(planSteps(plan, planLog(log, netLitres(glass))).find(s => s.doneMs === null)?.id).toBe('readyTest')
  })
  it('tap water in the top-ups that makes soft water creep', () => {
    const glass = backup.glasses.find(g => g.name === 'Rime A')!
    const log = backup.entries.filter(e => 'glassId' in e && e.glassId === glass.id)
    const story = waterStory(log, netLitres(glass), untilMs)
    const tops = story.events.filter(e => e.kind === 'topUp')
    expect(ghOf(tops.at(-1)!.water!)).toBeGreaterThan(1)
    expect(ghOf(tops[0]!.water!)).toBeLessThan(0.1)
    expect(learnHabits(story, untilMs).evaporationLPerDay!.value).toBeGreaterThan(0.05)
  })
  it('every source can be used, and every salt on its shelf', () => {
    for (const source of backup.sources) expect(sourceWater(source), source.name).not.toBeNull()
    for (const item of backup.shelf.filter(isMineral)) expect(doseOf(item.content).solubilityGL).toBeGreaterThan(1)
  })
  it('a snail boom', () => {
    expect(of('Copper rams').population.growthPerWeek.value).toBeGreaterThan(0.08)
  })
  it('humidity that was not read', () => {
    expect(of('Tide crabs').water.values.find(v => v.key === 'humidityPct')?.conclusion.key).toBe('water.tooOld')
  })
  it('is told in the order of urgency', () => {
    const first = needsAttention(told.map(t => t.s))
      .slice(0, 2)
      .map(a => told.find(t => t.s.colonyId === a.colonyId)!.name)
    expect(first).toEqual(['Slate', 'Rime A'])
  })
})

describe('estimates against the hidden truth', () => {
  it('an 80 % range holds the truth about four times out of five, over two rooms', () => {
    let inside = 0
    let all = 0
    for (const { s, truth } of rooms.flat()) {
      all++
      if (truth >= Math.floor(s.population.now.low) && truth <= Math.ceil(s.population.now.high)) inside++
    }
    expect(inside / all).toBeGreaterThan(0.74)
    expect(inside / all).toBeLessThan(0.99)
  })
  it('need not be taken back after a first look: its range holds what is told in full', () => {
    // a hatch is told by a model of its own, in full at once
    const held = rooms
      .flat()
      .filter(({ input }) => input.colony.form === 'colony')
      .map(({ input, s }) => {
        const { low, high } = firstLook(input).population.now
        const { value } = s.population.now
        return Math.round(low) <= Math.round(value) && Math.round(value) <= Math.round(high)
      })
    // one in fourteen strays further: 171 of 184 held over rooms 1 to 8, and 42 of 46 in these two
    expect(held.filter(Boolean).length).toBeGreaterThanOrEqual(40)
  })
})
