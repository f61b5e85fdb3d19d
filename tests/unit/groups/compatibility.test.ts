import { describe, expect, it } from 'vitest'
import { compatibility, groups, resolveGroup, sharedTargets } from '#core/groups'

const group = (groupId: string, schools: Record<string, string> = {}) =>
  resolveGroup({ groupId, schools, targets: {}, life: {} })
const keys = (a: string, b: string) => compatibility(group(a), group(b)).issues.map(i => i.key)

describe('compatibility', () => {
  it('two lines of one species cross (common practice)', () => {
    const same = compatibility(group('neocaridina'), group('neocaridina'))
    expect(same.state).toBe('off')
    expect(same.issues.map(i => i.key)).toEqual(['company.cross'])
    expect(keys('neocaridina', 'bee-shrimp')).not.toContain('company.cross')
  })
  it('no water suits fresh and brackish ones, nor soft-water shrimp and isopods', () => {
    expect(keys('neocaridina', 'brackish-pool-shrimp')).toContain('company.noWater')
    expect(keys('bee-shrimp', 'water-isopod')).toContain('company.noWater')
  })
  it('knows who kills whom', () => {
    expect(keys('land-crab', 'neocaridina')).toContain('company.kills')
    expect(compatibility(group('dwarf-crayfish'), group('neocaridina')).state).not.toBe('onTarget')
  })
  it('knows who nips, who eats the young, whose larvae need the sea, and where soil starves shells', () => {
    expect(keys('burrowing-crayfish', 'apple-snail').some(k => k === 'company.nips' || k === 'company.kills')).toBe(
      true,
    )
    expect(keys('amphidromous-shrimp', 'neocaridina')).toContain('company.larvae')
    expect(keys('bee-shrimp', 'trumpet-snail').some(k => k === 'company.soil' || k === 'company.noWater')).toBe(true)
  })
  it('is the same whichever way it is asked', () => {
    for (const a of groups)
      for (const b of groups) {
        const there = compatibility(
          resolveGroup({ groupId: a.id, schools: {}, targets: {}, life: {} }),
          resolveGroup({ groupId: b.id, schools: {}, targets: {}, life: {} }),
        )
        const back = compatibility(
          resolveGroup({ groupId: b.id, schools: {}, targets: {}, life: {} }),
          resolveGroup({ groupId: a.id, schools: {}, targets: {}, life: {} }),
        )
        expect(there.state).toBe(back.state)
        expect(there.issues.map(i => i.key).sort()).toEqual(back.issues.map(i => i.key).sort())
      }
  })
  it('an overlap lies inside both ranges', () => {
    const { overlaps } = compatibility(group('neocaridina'), group('ramshorn-snail'))
    for (const o of overlaps) {
      if (o.state !== 'onTarget') continue
      for (const t of o.of) {
        expect(o.common![0]).toBeGreaterThanOrEqual(t.preferred[0])
        expect(o.common![1]).toBeLessThanOrEqual(t.preferred[1])
      }
    }
    expect(overlaps.length).toBeGreaterThan(3)
  })
})

describe('sharedTargets', () => {
  it('are one group’s own when it is alone', () => {
    expect(sharedTargets([group('bee-shrimp')]).targets).toEqual(group('bee-shrimp').targets)
  })
  it('are what suits all, with the smallest step, and name what suits nobody', () => {
    const shared = sharedTargets([group('neocaridina'), group('ramshorn-snail')])
    expect(shared.targets.ghDh!.preferred[0]).toBe(8)
    expect(sharedTargets([group('neocaridina'), group('bee-shrimp')]).largestStepPerWeek.ghDh!.value).toBe(
      group('bee-shrimp').largestStepPerWeek.ghDh!.value,
    )
    expect(sharedTargets([group('bee-shrimp'), group('water-isopod')]).conflicts).toContain('ghDh')
    expect(sharedTargets([]).targets).toEqual({})
  })
})
