import { amphidromousShrimp } from './data/amphidromousShrimp'
import { appleSnail } from './data/appleSnail'
import { beeShrimp } from './data/beeShrimp'
import { brackishPoolShrimp } from './data/brackishPoolShrimp'
import { burrowingCrayfish } from './data/burrowingCrayfish'
import { custom } from './data/custom'
import { dwarfCrayfish } from './data/dwarfCrayfish'
import { fanShrimp } from './data/fanShrimp'
import { landCrab } from './data/landCrab'
import { neocaridina } from './data/neocaridina'
import { neriteSnail } from './data/neriteSnail'
import { poolBranchiopod } from './data/poolBranchiopod'
import { ramshornSnail } from './data/ramshornSnail'
import { trumpetSnail } from './data/trumpetSnail'
import { waterIsopod } from './data/waterIsopod'
import type { SpeciesGroup } from './group'

/** All species groups in the order in which they are offered. */
export const groups: readonly SpeciesGroup[] = [
  neocaridina,
  beeShrimp,
  amphidromousShrimp,
  fanShrimp,
  brackishPoolShrimp,
  ramshornSnail,
  appleSnail,
  neriteSnail,
  trumpetSnail,
  dwarfCrayfish,
  burrowingCrayfish,
  landCrab,
  waterIsopod,
  poolBranchiopod,
  custom,
]

const byId = new Map(groups.map(g => [g.id, g]))

/**
 * The group with an id. An id that this version does not know (a file from a newer one) is kept as it is and treated
 * like the keeper's own group, so that nothing is lost.
 */
export function groupOf(id: string): SpeciesGroup {
  return byId.get(id) ?? custom
}

/** Whether females of a group carry their eggs, so that these go where they go. */
export const carriesEggs = (id: string): boolean => groupOf(id).stages.eggs === 'carried'
