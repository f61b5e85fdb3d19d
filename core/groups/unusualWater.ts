import { CP, figure, M, target } from './basis'
import type { SpeciesGroup, Targets } from './group'

/** Below this much salt water is fresh (Venice System, 1958: limnetic below 0.5 ‰). */
const FRESH: Targets['salinityGKg'] = {
  preferred: [0, 0.5],
  tolerated: [0, 2],
  basis: { kind: 'published', source: 'Venice System 1958' },
}

/**
 * Values that nobody needs to test in this group, but that are judged once somebody did: salt in fresh water.
 * What is tolerated of it, 2 g/kg, is from memory.
 */
export const judgedWhereLogged = (group: SpeciesGroup): Targets =>
  group.targets.ghDh && !group.targets.salinityGKg ? { salinityGKg: FRESH } : {}

/**
 * What larvae need that grow up in the sea, whatever their parents live in: brackish to sea water (common practice;
 * the figures and the pH are from memory), the parents' temperature, no poisons. Hardness says nothing in it.
 * @param targets of their parents
 */
export function larvaTargets({ ghDh: _gh, khDh: _kh, conductivityUsCm: _c, ...rest }: Targets): Targets {
  return { ...rest, ph: target(M, [7.8, 8.4]), salinityGKg: target(CP, [17, 36], [10, 40]) }
}

/** Salt may rise at once for larvae: they die within hours in fresh water (common practice). */
export const larvaSteps = { salinityGKg: figure(36, M) }
