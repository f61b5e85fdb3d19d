import { describe, expect, it } from 'vitest'
import { familyGraph, readLine } from '#core/lines'
import { nextId } from '../../make'
import { breedLine } from './lineParts'

describe('who came of whom', () => {
  const l = breedLine()
  const parents = [...l.spread([0, 0, 1, 2], 'female'), ...l.spread([0, 0, 0, 1], 'male')]
  const g1 = l.generation(100)
  l.grade(98, l.spread([10, 10, 5, 5], 'unknown'), { generationId: g1.id })
  const [a, b] = [l.breed(90, g1.id, parents), l.breed(90, g1.id, parents, { colonyId: nextId() })]
  const g2 = l.generation(50, [a.id, b.id])
  l.grade(48, l.spread([5, 10, 10, 5], 'unknown'), { generationId: g2.id })
  const g3 = l.generation(10)
  const now = l.breed(5, g3.id, parents, { state: 'running' })
  l.breed(1, g3.id, parents, { state: 'draft' })
  const graph = () => {
    const records = l.records()
    const told = readLine(records).generations.map(g => ({ ...g, inbreeding: { value: 0.1 } }))
    return familyGraph({ ...records, told })
  }
  it('goes from generations by those that bred to the next', () => {
    expect(graph().map(n => [n.id, n.parentIds])).toEqual([
      [g1.id, []],
      [a.id, [g1.id]],
      [b.id, [g1.id]],
      [g2.id, [a.id, b.id]],
      // nobody wrote down who bred the third
      [g3.id, [g2.id]],
      [now.id, [g3.id]],
    ])
  })
  it('says how many, and that founders have no inbreeding to speak of', () => {
    expect(graph()[0]).toMatchObject({ kind: 'generation', n: 1, graded: 30, inbreeding: null })
    expect(graph()[1]).toMatchObject({ kind: 'breeders', females: 3, males: 1, others: 0, running: false })
    expect(graph()[3]).toMatchObject({ graded: 30, inbreeding: 0.1 })
    expect(graph().at(-1)).toMatchObject({ running: true })
  })
})
