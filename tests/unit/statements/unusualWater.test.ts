import { describe, expect, it } from 'vitest'
import { groupOf, groups, resolveGroup } from '#core/groups'
import type { Entry, ValueKey } from '#core/records'
import { firstLook } from '#core/statements'
import { inputOf, smallRoom, test as waterTest } from '../../make'

const heads = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }
const tell = (s: ReturnType<typeof smallRoom>, entries: Entry[]) => firstLook(inputOf(s, [], entries))
const stateOf = (s: ReturnType<typeof tell>, key: ValueKey) => s.water.values.find(v => v.key === key)?.state
const roomOf = (groupId: string, form: 'colony' | 'rearing' = 'colony') =>
  smallRoom({ colony: { groupId, form, founders: { ...heads, unsexed: 20 } } })
/** Tests of one value, the oldest first, a week apart. */
const tested = (s: ReturnType<typeof roomOf>, key: ValueKey, values: readonly number[]) =>
  values.map((v, i) => waterTest(s.glass.id, 1 + 7 * (values.length - 1 - i), { [key]: v }))

describe('values are judged where they are logged', () => {
  it('dry air over land crabs is off, damp air is right', () => {
    const crabs = roomOf('land-crab')
    expect(stateOf(tell(crabs, tested(crabs, 'humidityPct', [50, 48, 50])), 'humidityPct')).toBe('off')
    expect(stateOf(tell(crabs, tested(crabs, 'humidityPct', [84, 86, 85])), 'humidityPct')).toBe('onTarget')
  })

  it.each(['amphidromous-shrimp', 'fan-shrimp', 'nerite-snail'])(
    'fresh water kills larvae of %s within hours: 0 g/kg is off, and not for their parents',
    id => {
      const larvae = roomOf(id, 'rearing')
      expect(stateOf(tell(larvae, tested(larvae, 'salinityGKg', [0])), 'salinityGKg')).toBe('off')
      expect(stateOf(tell(larvae, tested(larvae, 'salinityGKg', [32])), 'salinityGKg')).toBe('onTarget')
      const parents = roomOf(id)
      expect(stateOf(tell(parents, tested(parents, 'salinityGKg', [0])), 'salinityGKg')).toBe('onTarget')
      expect(stateOf(tell(parents, tested(parents, 'salinityGKg', [17])), 'salinityGKg')).toBe('off')
    },
  )

  it('hardness says nothing of sea water, and salt may rise at once', () => {
    const larvae = resolveGroup(roomOf('amphidromous-shrimp', 'rearing').colony)
    expect(Object.keys(larvae.targets)).not.toContain('ghDh')
    expect(Object.keys(larvae.targets)).not.toContain('khDh')
    expect(larvae.targets.temperatureC).toEqual(groupOf('amphidromous-shrimp').targets.temperatureC)
    expect(larvae.largestStepPerWeek.salinityGKg!.value).toBeGreaterThan(30)
    // young of others are reared in their parents' water
    const young = resolveGroup(roomOf('neocaridina', 'rearing').colony)
    expect(young.targets).toEqual(resolveGroup(roomOf('neocaridina').colony).targets)
  })

  it('salt in fresh water is judged once somebody read it, and nobody is asked to', () => {
    for (const group of groups.filter(g => g.targets.ghDh && !g.targets.salinityGKg)) {
      const s = roomOf(group.id)
      expect(stateOf(tell(s, []), 'salinityGKg'), group.id).toBeUndefined()
      expect(stateOf(tell(s, tested(s, 'salinityGKg', [5])), 'salinityGKg'), group.id).toBe('off')
      expect(stateOf(tell(s, tested(s, 'salinityGKg', [0.2])), 'salinityGKg'), group.id).toBe('onTarget')
    }
    const { salinityGKg } = resolveGroup(roomOf('neocaridina').colony).judgedWhereLogged
    expect(salinityGKg).toMatchObject({ preferred: [0, 0.5], tolerated: [0, 2] })
    // of animals of which only the keeper knows the water nothing is taken for granted
    expect(resolveGroup(roomOf('custom').colony).judgedWhereLogged).toEqual({})
    const pool = resolveGroup(roomOf('brackish-pool-shrimp').colony)
    expect(pool.judgedWhereLogged).toEqual({})
  })

  it('a pH that swings by more than half a unit within the day drifts, however good each reading looks', () => {
    const s = roomOf('neocaridina')
    // now is noon
    const at = (day: number, hour: number, ph: number) => waterTest(s.glass.id, day - (hour - 12) / 24, { ph })
    const swings = [1, 3, 5].flatMap(day => [at(day, 7, 6.9), at(day, 19, 7.6)])
    const calm = [1, 3, 5].flatMap(day => [at(day, 7, 7.1), at(day, 19, 7.2)])
    expect(stateOf(tell(s, swings), 'ph')).toBe('drifting')
    expect(stateOf(tell(s, calm), 'ph')).toBe('onTarget')
  })
})
