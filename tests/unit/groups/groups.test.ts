import { describe, expect, it } from 'vitest'
import { groupOf, groups, resolveGroup, schoolOf, SpeciesGroup, toleratedOf } from '#core/groups'
import { colony, nextId } from '../../make'

const plain = (groupId: string, more = {}) => colony(nextId(), { groupId, ...more })

describe('the catalogue', () => {
  it.each(groups.map(g => [g.id, g] as const))('%s fits its schema', (_id, group) => {
    expect(SpeciesGroup.parse(group)).toEqual(group)
  })
  it('has every group of the field once, and the keeper’s own', () => {
    expect(groups.map(g => g.id).sort()).toEqual([
      'amphidromous-shrimp',
      'apple-snail',
      'bee-shrimp',
      'brackish-pool-shrimp',
      'burrowing-crayfish',
      'custom',
      'dwarf-crayfish',
      'fan-shrimp',
      'land-crab',
      'neocaridina',
      'nerite-snail',
      'pool-branchiopod',
      'ramshorn-snail',
      'trumpet-snail',
      'water-isopod',
    ])
  })
  it.each(groups.map(g => [g.id, g] as const))('%s tolerates no ammonia, nitrite or copper', (_id, group) => {
    for (const key of ['ammoniaMgL', 'nitriteMgL', 'copperMgL'] as const)
      expect(group.targets[key]?.preferred).toEqual([0, 0])
  })
  it.each(groups.map(g => [g.id, g] as const))('%s warns never to release', (_id, group) => {
    expect(group.cautions).toContain('neverRelease')
  })
  it('names the life cycles that do not close in the same water', () => {
    for (const id of ['amphidromous-shrimp', 'fan-shrimp', 'nerite-snail'])
      expect(groupOf(id).life.breedsInPlace).toBe(false)
    for (const id of ['neocaridina', 'bee-shrimp', 'ramshorn-snail', 'water-isopod'])
      expect(groupOf(id).life.breedsInPlace).toBe(true)
  })
  it('treats a group that it does not know as the keeper’s own', () => {
    expect(groupOf('moon-shrimp').id).toBe('custom')
  })
})

describe('resolveGroup', () => {
  it('follows the default school', () => {
    const group = resolveGroup(plain('neocaridina'))
    expect(group.targets.temperatureC?.preferred).toEqual([22, 25])
    expect(group.change).toEqual({ share: 0.1, everyDays: 7 })
  })
  it('lets a school replace ranges, growth and habit', () => {
    const warm = resolveGroup(
      plain('neocaridina', { schools: { temperature: 'warm', hardness: 'wide', waterChange: 'fortnightly' } }),
    )
    expect(warm.targets.temperatureC).toMatchObject({ preferred: [24.5, 25.5], tolerated: [20, 28] })
    expect(warm.targets.khDh?.preferred).toEqual([2, 15])
    expect(warm.growthPerWeek.value).toBeGreaterThan(
      resolveGroup(plain('neocaridina', { schools: { temperature: 'cool' } })).growthPerWeek.value,
    )
    expect(warm.change?.everyDays).toBe(14)
  })
  it('stretches the group’s tolerated range where a school goes beyond it', () => {
    const soft = resolveGroup(plain('neocaridina', { schools: { hardness: 'soft' } }))
    expect(toleratedOf('ghDh', soft.targets.ghDh!)).toEqual([2, 12])
  })
  it('knows no change when only topped up', () => {
    expect(resolveGroup(plain('bee-shrimp')).change).toBeNull()
  })
  it('lets the keeper’s own figures win, and says whose they are', () => {
    const own = resolveGroup(
      plain('neocaridina', {
        targets: { ghDh: { preferred: [9, 10], tolerated: [8, 12] } },
        life: { growthPerWeek: 0.01, capacityPerL: 2 },
        minimumKeep: 77,
      }),
    )
    expect(own.targets.ghDh).toEqual({ preferred: [9, 10], tolerated: [8, 12], basis: { kind: 'keeper' } })
    expect(own.growthPerWeek).toMatchObject({ value: 0.01, basis: { kind: 'keeper' } })
    expect(own.capacityPerL.value).toBe(2)
    expect(own.minimumKeep).toEqual({ value: 77, basis: { kind: 'keeper' } })
  })
  it('falls back to the default when a school is unknown', () => {
    expect(schoolOf(groupOf('neocaridina'), 'temperature', 'polar')?.id).toBe('mixed')
    expect(schoolOf(groupOf('neocaridina'), 'clutches', undefined)).toBeUndefined()
  })
  it('lets peaceful fish cost most of the growth', () => {
    const free = resolveGroup(plain('neocaridina')).growthPerWeek.value
    expect(resolveGroup(plain('neocaridina', { schools: { fish: 'peaceful' } })).growthPerWeek.value).toBeLessThan(
      free / 3,
    )
  })
})

describe('toleratedOf', () => {
  it('widens a single range by a quarter, as far as the value can be', () => {
    const target = { preferred: [75, 100] as [number, number], basis: { kind: 'memory' as const } }
    expect(toleratedOf('humidityPct', target)).toEqual([68.75, 100])
    expect(toleratedOf('khDh', { ...target, preferred: [0, 2] })).toEqual([0, 2.5])
  })
})
