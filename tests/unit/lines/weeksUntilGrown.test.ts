import { expect, it } from 'vitest'
import { groupOf } from '#core/groups'
import { weeksUntilGrown } from '#core/lines'

it('young are grown after egg, hatchling and half-grown weeks; shrimp within three to seven months', () => {
  expect(weeksUntilGrown({ eggWeeks: { value: 4 }, firstWeeks: { value: 3 }, youngWeeks: { value: 8 } })).toBe(15)
  const weeks = weeksUntilGrown(groupOf('neocaridina').stages)
  expect(weeks).toBeGreaterThan(12)
  expect(weeks).toBeLessThan(30)
})
