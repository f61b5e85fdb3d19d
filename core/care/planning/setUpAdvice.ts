import { habitatLitres, type ResolvedGroup, resolveGroup, type SpeciesGroup } from '#core/groups'
import { type Contents, netLitres, type Plan } from '#core/records'
import { advisedStarters } from './advisedStarters'
import { type SetUpCheck, setUpChecks } from './setUpChecks'

/** Bulk density of substrates in kg/L as poured (from memory). */
const BULK_KG_L = { none: 0, sand: 1.6, gravel: 1.5, activeSoil: 0.75, carbonateSand: 1.4, earth: 1.1 } as const

/** What a plan comes to in litres, kilograms and numbers. */
export interface SetUpAdvice {
  netL: number
  /** animals that the glass carries */
  capacity: number
  substrateL: number
  substrateKg: number
  carbonateG: number
  females: number
  males: number
  checks: SetUpCheck[]
}

/** A plan's group after its schools. */
export function planGroups(plan: Pick<Plan, 'groupIds' | 'schools'>): ResolvedGroup[] {
  return plan.groupIds.map((groupId, i) =>
    resolveGroup({ groupId, schools: i === 0 ? plan.schools : {}, targets: {}, life: {} }),
  )
}

/** Net litres of a planned tank. */
export const plannedNetL = (plan: Pick<Plan, 'tank'>): number => netLitres(contentsOf(plan))

const contentsOf = ({ tank }: Pick<Plan, 'tank'>): Contents => ({
  grossL: tank.grossL,
  fill: { by: 'height', share: tank.fillShare },
  ...(tank.inside && { inside: tank.inside }),
  ...(tank.substrate && { substrate: tank.substrate }),
})

/** Litres that the filters together are rated for; 0 where still water is wanted. Makers rate a filter for a tank. */
const filterWantedL = ({ setup }: SpeciesGroup, netL: number): number =>
  setup.turnover.range[0] === 0 ? 0 : netL * (setup.filters?.value ?? 1)
/** Dried leaves at a time. */
const leavesFor = ({ setup }: SpeciesGroup, netL: number): number => Math.round((setup.leavesPer20L.value * netL) / 20)
/** Glasses under this are jars. */
const JAR_L = 5

/**
 * A glass set up as a group wants it: everything in it is on target but, perhaps, its size.
 * @param grossL litres when full; those that suit the group's usual starters when left out
 */
export function usualTank(group: SpeciesGroup, grossL: number = group.stocking.startersInL.value): Plan['tank'] {
  const { setup } = group
  const netL = grossL * setup.fillShare.value
  const middle = ([low, high]: readonly [number, number]) => (low + high) / 2
  const filterL = filterWantedL(group, netL)
  return {
    kind: setup.substrate.kind === 'earth' ? 'paludarium' : grossL < JAR_L ? 'jar' : 'tank',
    grossL,
    fillShare: setup.fillShare.value,
    substrate: { kind: setup.substrate.kind, depthCm: setup.substrate.depthCm.value },
    carbonateGL: setup.carbonateGL ? Math.round(middle(setup.carbonateGL.range)) : 0,
    filterRatedL: Math.ceil(filterL / 10) * 10,
    cover: setup.climbs,
    intakeGuard: filterL > 0,
    lightHours: middle(setup.lightHours.range),
    leaves: leavesFor(group, netL),
  }
}

/**
 * Checks a set-up plan against what its groups want and reckons its amounts.
 * Litres of the bottom are taken from the inner edges, or from a tank twice as long as it is wide and high where they
 * are not known (from memory: the usual shape).
 * @param plan the plan as it stands; nothing in it has to be right
 */
export function setUpAdvice(plan: Plan): SetUpAdvice {
  const resolved = planGroups(plan)[0]!
  const { group } = resolved
  const { tank } = plan
  const netL = plannedNetL(plan)
  const floorCm2 = tank.inside ? tank.inside.lengthCm * tank.inside.widthCm : 2 * ((tank.grossL * 1000) / 2) ** (2 / 3)
  const { kind, depthCm } = tank.substrate ?? { kind: 'none', depthCm: 0 }
  const substrateL = kind === 'none' ? 0 : (floorCm2 * depthCm) / 1000
  const starters = plan.starters[0]!
  const amounts = {
    netL,
    capacity: resolved.capacityPerL.value * habitatLitres(group, contentsOf(plan)),
    substrateL,
    substrateKg: substrateL * BULK_KG_L[kind],
    carbonateG: tank.carbonateGL * netL,
    ...sexesOf(group, starters),
  }
  return {
    ...amounts,
    checks: setUpChecks({
      ...amounts,
      group,
      tank,
      starters,
      ...wantedOf(group, netL),
      goodStarters: advisedStarters(group, tank.grossL),
    }),
  }
}

/** Starters by sex as the group is best begun; one that is neither told apart nor paired is female alone. */
function sexesOf({ company, setup }: SpeciesGroup, starters: number): { females: number; males: number } {
  if (company.kind === 'snail') return { females: starters, males: 0 }
  const males = Math.max(starters > 1 ? 1 : 0, Math.round(starters / (1 + setup.femalesPerMale.value)))
  return { females: starters - males, males }
}

/** Litres that the filters should be rated for, and leaves at a time. */
const wantedOf = (group: SpeciesGroup, netL: number) => ({
  filterL: filterWantedL(group, netL),
  goodLeaves: leavesFor(group, netL),
})
