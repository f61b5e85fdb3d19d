import { describe, expect, it } from 'vitest'
import { colonyStatements } from '#core/statements'
import { count, inputOf, smallRoom } from '../../make'

describe('those that breed for a line', () => {
  const s = smallRoom()
  const entries = [count(s.colony.id, 30, 120), count(s.colony.id, 2, 150)]
  const input = inputOf(s, entries)
  const told = (breeding?: { females: number; males: number }) =>
    colonyStatements({ ...input, ...(breeding && { breeding }) }).statements
  it('stay: less can go, and the statement says so', () => {
    const [free, bred] = [told(), told({ females: 45, males: 30 })]
    expect(bred.population.surplus.take).toBeLessThan(free.population.surplus.take)
    expect(bred.population.surplus).toMatchObject({ minimumFemales: 45 })
    const keys = (t: typeof free) => t.surplus.reasons.map(r => r.key)
    expect(keys(bred)).toContain('surplus.reasonBreeding')
    expect(keys(free)).not.toContain('surplus.reasonBreeding')
  })
})
