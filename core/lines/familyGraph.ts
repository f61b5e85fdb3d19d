import { type BreedingGroup, type Generation, type Id, rungsTotal } from '#core/records'
import type { GradedGeneration } from './lineHistory'

/** A generation, or those that bred, in the family graph of a line: groups, not animals. */
export type FamilyNode = { id: Id; parentIds: Id[] } & (
  | { kind: 'generation'; n: number; graded: number; inbreeding: number | null }
  | { kind: 'breeders'; females: number; males: number; others: number; colonyId: Id; running: boolean }
)

/** What the graph is drawn from. */
export interface FamilyAsked {
  generations: readonly Pick<Generation, 'id' | 'n' | 'breedingGroupIds'>[]
  breedingGroups: readonly BreedingGroup[]
  /** as the line is told: who was graded, and inbreeding by generation */
  told: readonly (Pick<GradedGeneration, 'id' | 'counts' | 'n'> & { inbreeding: { value: number } })[]
}

/**
 * Who came of whom, by groups: generations, the groups that bred of them, and those that breed now. A generation of
 * which nobody wrote down who bred it comes of the one before. A line without generations is a chain of its stretches
 * of time.
 * @returns parents before their young
 */
export function familyGraph({ generations, breedingGroups, told }: FamilyAsked): FamilyNode[] {
  const order = told.toSorted((a, b) => a.n - b.n)
  const known = new Set(order.map(g => g.id))
  const recordOf = new Map(generations.map(g => [g.id, g]))
  const named = new Set(generations.flatMap(g => g.breedingGroupIds))
  const nodes: FamilyNode[] = []
  const breeders = (b: BreedingGroup): FamilyNode => ({
    ...{ id: b.id, kind: 'breeders', parentIds: known.has(b.generationId) ? [b.generationId] : [] },
    ...{ females: ofSex(b, 'female'), males: ofSex(b, 'male'), others: ofSex(b, 'unknown') },
    ...{ colonyId: b.colonyId, running: b.state === 'running' },
  })
  for (const [i, g] of order.entries()) {
    const bred = breedingGroups.filter(b => recordOf.get(g.id)?.breedingGroupIds.includes(b.id) && b.state !== 'draft')
    nodes.push(...bred.map(breeders))
    const before = order[i - 1]
    nodes.push({
      ...{ id: g.id, kind: 'generation', n: g.n, graded: Math.round(g.counts.reduce((a, b) => a + b, 0)) },
      inbreeding: i === 0 ? null : g.inbreeding.value,
      parentIds: bred.length > 0 ? bred.map(b => b.id) : before ? [before.id] : [],
    })
  }
  const now = breedingGroups.filter(b => !named.has(b.id) && b.state !== 'draft' && known.has(b.generationId))
  return [...nodes, ...now.map(breeders)]
}

const ofSex = (b: BreedingGroup, sex: 'female' | 'male' | 'unknown'): number =>
  rungsTotal(b.parents.filter(p => p.sex === sex))
