import { habitatLitres, type ResolvedGroup, resolveGroup, type SpeciesGroup } from '#core/groups'
import type { Basis, Contents, Plan, VerdictState } from '#core/records'
import { netLitres } from '#core/records'

/** Bulk density of substrates in kg/L as poured (from memory). */
const BULK_KG_L = { none: 0, sand: 1.6, gravel: 1.5, activeSoil: 0.75, carbonateSand: 1.4, earth: 1.1 } as const

/** One check of a plan: how it stands and the numbers in its sentence. Words are in app/words. */
export interface SetUpCheck {
  key:
    | 'litres'
    | 'starters'
    | 'filter'
    | 'intake'
    | 'cover'
    | 'fill'
    | 'substrate'
    | 'carbonate'
    | 'light'
    | 'leaves'
    | 'hides'
    | 'sexes'
    | 'cure'
  state: VerdictState
  values: Record<string, number | string>
  basis: Basis
}

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

/** The glass that suits a group and its advised starters: everything in it is on target. */
export function usualTank(group: SpeciesGroup): Plan['tank'] {
  const { setup, stocking } = group
  const grossL = stocking.startersInL.value
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
 * are
 * not known (from memory: the usual shape).
 * @param plan the plan as it stands; nothing in it has to be right
 */
export function setUpAdvice(plan: Plan): SetUpAdvice {
  const groups = planGroups(plan)
  const { group } = groups[0]!
  const { tank } = plan
  const { setup, stocking, company } = group
  const netL = plannedNetL(plan)
  const floorCm2 = tank.inside ? tank.inside.lengthCm * tank.inside.widthCm : 2 * ((tank.grossL * 1000) / 2) ** (2 / 3)
  const depth = tank.substrate?.depthCm ?? 0
  const kind = tank.substrate?.kind ?? 'none'
  const substrateL = kind === 'none' ? 0 : (floorCm2 * depth) / 1000
  const starters = plan.starters[0]!
  const males =
    company.kind === 'snail'
      ? 0
      : Math.max(starters > 1 ? 1 : 0, Math.round(starters / (1 + setup.femalesPerMale.value)))
  const checks: SetUpCheck[] = []
  const check = (key: SetUpCheck['key'], state: VerdictState, values: SetUpCheck['values'], basis: Basis) =>
    checks.push({ key, state, values, basis })

  check(
    'litres',
    tank.grossL >= stocking.startersInL.value
      ? 'onTarget'
      : tank.grossL >= stocking.minimumL.value
        ? 'drifting'
        : 'off',
    {
      have: tank.grossL,
      least: stocking.minimumL.value,
      good: stocking.startersInL.value,
      starters: stocking.starters.value,
    },
    stocking.minimumL.basis,
  )
  const fits = groups[0]!.capacityPerL.value * habitatLitres(group, contentsOf(plan))
  check(
    'starters',
    starters === 0 ? 'off' : starters > fits ? 'off' : starters >= stocking.starters.value ? 'onTarget' : 'drifting',
    { have: starters, good: stocking.starters.value, fits },
    stocking.starters.basis,
  )
  const [slow, fast] = setup.turnover.range
  const wanted = filterWantedL(group, netL)
  check(
    'filter',
    wanted === 0
      ? tank.filterRatedL > 0
        ? 'drifting'
        : 'onTarget'
      : tank.filterRatedL >= wanted
        ? 'onTarget'
        : tank.filterRatedL > 0
          ? 'drifting'
          : 'off',
    { have: tank.filterRatedL, wanted, low: slow * netL, high: fast * netL },
    setup.turnover.basis,
  )
  if (tank.filterRatedL > 0) check('intake', tank.intakeGuard ? 'onTarget' : 'off', {}, { kind: 'commonPractice' })
  if (setup.climbs || tank.cover) check('cover', tank.cover ? 'onTarget' : 'off', {}, { kind: 'commonPractice' })
  const fill = setup.fillShare.value
  check(
    'fill',
    Math.abs(tank.fillShare - fill) <= 0.1 ? 'onTarget' : 'drifting',
    { have: tank.fillShare, good: fill },
    setup.fillShare.basis,
  )
  const good = setup.substrate
  check(
    'substrate',
    kind === good.kind && Math.abs(depth - good.depthCm.value) <= Math.max(1, good.depthCm.value / 2)
      ? 'onTarget'
      : good.kind === 'activeSoil' && kind !== 'activeSoil'
        ? 'off'
        : 'drifting',
    {
      kind,
      depth,
      goodKind: good.kind,
      goodDepth: good.depthCm.value,
      litres: substrateL,
      kg: substrateL * BULK_KG_L[kind],
    },
    good.depthCm.basis,
  )
  if (setup.carbonateGL || tank.carbonateGL > 0) {
    const range = setup.carbonateGL?.range
    const inside = range !== undefined && tank.carbonateGL >= range[0] && tank.carbonateGL <= range[1]
    check(
      'carbonate',
      inside ? 'onTarget' : range === undefined ? 'off' : 'drifting',
      { have: tank.carbonateGL, low: range?.[0] ?? 0, high: range?.[1] ?? 0, kg: (tank.carbonateGL * netL) / 1000 },
      setup.carbonateGL?.basis ?? { kind: 'commonPractice' },
    )
  }
  const [dim, bright] = setup.lightHours.range
  check(
    'light',
    tank.lightHours >= dim - 1 && tank.lightHours <= bright + 1 ? 'onTarget' : 'drifting',
    { have: tank.lightHours, low: dim, high: bright },
    setup.lightHours.basis,
  )
  const leaves = leavesFor(group, netL)
  check(
    'leaves',
    leaves === 0 || Math.abs(tank.leaves - leaves) <= Math.max(1, leaves / 2) ? 'onTarget' : 'drifting',
    { have: tank.leaves, good: leaves },
    setup.leavesPer20L.basis,
  )
  if (setup.hides) check('hides', 'unknown', { n: starters }, { kind: 'commonPractice' })
  if (males > 0) check('sexes', 'unknown', { females: starters - males, males }, setup.femalesPerMale.basis)
  check('cure', 'unknown', { low: setup.cureWeeks.range[0], high: setup.cureWeeks.range[1] }, setup.cureWeeks.basis)
  return {
    netL,
    capacity: fits,
    substrateL,
    substrateKg: substrateL * BULK_KG_L[kind],
    carbonateG: tank.carbonateGL * netL,
    females: starters - males,
    males,
    checks,
  }
}
