import type { SpeciesGroup } from '#core/groups'
import type { Basis, Plan, VerdictState } from '#core/records'

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

/** What the checks hold against each other: the plan with its amounts, and what its first group wants of them. */
export interface SetUpFacts {
  group: SpeciesGroup
  tank: Plan['tank']
  starters: number
  netL: number
  /** animals that the glass carries */
  capacity: number
  substrateL: number
  substrateKg: number
  females: number
  males: number
  /** litres that the filters should be rated for; 0 where still water is wanted */
  filterL: number
  goodLeaves: number
  /** starters that are advised for this much water */
  goodStarters: number
}

const CP: Basis = { kind: 'commonPractice' }
const onTarget = (good: boolean, otherwise: VerdictState = 'drifting'): VerdictState => (good ? 'onTarget' : otherwise)

/** All checks of a plan, in the order in which a keeper thinks of them; what does not concern it is left out. */
export function setUpChecks(facts: SetUpFacts): SetUpCheck[] {
  const all = [litres, starters, filter, intake, cover, fill, substrate, carbonate, light, leaves, hides, sexes, cure]
  return all.flatMap(check => check(facts) ?? [])
}
type Check = (facts: SetUpFacts) => SetUpCheck | null

const litres: Check = ({ tank, group: { stocking } }) => ({
  key: 'litres',
  state: onTarget(
    tank.grossL >= stocking.startersInL.value,
    tank.grossL >= stocking.minimumL.value ? 'drifting' : 'off',
  ),
  values: {
    have: tank.grossL,
    least: stocking.minimumL.value,
    good: stocking.startersInL.value,
    starters: stocking.starters.value,
  },
  basis: stocking.minimumL.basis,
})

const starters: Check = ({ starters: have, goodStarters: good, capacity: fits, group: { stocking } }) => ({
  key: 'starters',
  state: have === 0 || have > fits ? 'off' : onTarget(have >= good),
  values: { have, good, fits },
  basis: stocking.starters.basis,
})

const filter: Check = ({ tank: { filterRatedL: have }, filterL: wanted, netL, group: { setup } }) => {
  const [slow, fast] = setup.turnover.range
  const good = wanted === 0 ? have === 0 : have >= wanted
  return {
    key: 'filter',
    state: onTarget(good, have > 0 ? 'drifting' : 'off'),
    values: { have, wanted, low: slow * netL, high: fast * netL },
    basis: setup.turnover.basis,
  }
}

const intake: Check = ({ tank }) =>
  tank.filterRatedL > 0 ? { key: 'intake', state: onTarget(tank.intakeGuard, 'off'), values: {}, basis: CP } : null

const cover: Check = ({ tank, group }) =>
  group.setup.climbs || tank.cover ? { key: 'cover', state: onTarget(tank.cover, 'off'), values: {}, basis: CP } : null

const fill: Check = ({ tank: { fillShare: have }, group: { setup } }) => ({
  key: 'fill',
  state: onTarget(Math.abs(have - setup.fillShare.value) <= 0.1),
  values: { have, good: setup.fillShare.value },
  basis: setup.fillShare.basis,
})

const substrate: Check = ({ tank, substrateL, substrateKg, group }) => {
  const good = group.setup.substrate
  const { kind, depthCm: depth } = tank.substrate ?? { kind: 'none' as const, depthCm: 0 }
  const right = kind === good.kind && Math.abs(depth - good.depthCm.value) <= Math.max(1, good.depthCm.value / 2)
  return {
    key: 'substrate',
    // active soil sets the water's KH and pH: without it this is another glass
    state: onTarget(right, good.kind === 'activeSoil' && kind !== 'activeSoil' ? 'off' : 'drifting'),
    values: {
      kind,
      depth,
      goodKind: good.kind,
      goodDepth: good.depthCm.value,
      litres: substrateL,
      kg: substrateKg,
    },
    basis: good.depthCm.basis,
  }
}

const carbonate: Check = ({ tank: { carbonateGL: have }, netL, group: { setup } }) => {
  const wanted = setup.carbonateGL
  if (!wanted && have === 0) return null
  const kg = (have * netL) / 1000
  if (!wanted) return { key: 'carbonate', state: 'off', values: { have, low: 0, high: 0, kg }, basis: CP }
  const [low, high] = wanted.range
  return {
    key: 'carbonate',
    state: onTarget(have >= low && have <= high),
    values: { have, low, high, kg },
    basis: wanted.basis,
  }
}

const light: Check = ({ tank: { lightHours: have }, group: { setup } }) => {
  const [low, high] = setup.lightHours.range
  return {
    key: 'light',
    state: onTarget(have >= low - 1 && have <= high + 1),
    values: { have, low, high },
    basis: setup.lightHours.basis,
  }
}

const leaves: Check = ({ tank: { leaves: have }, goodLeaves: good, group: { setup } }) => ({
  key: 'leaves',
  state: onTarget(good === 0 || Math.abs(have - good) <= Math.max(1, good / 2)),
  values: { have, good },
  basis: setup.leavesPer20L.basis,
})

const hides: Check = ({ starters: n, group: { setup } }) =>
  setup.hides ? { key: 'hides', state: 'unknown', values: { n }, basis: CP } : null

const sexes: Check = ({ females, males, group: { setup } }) =>
  males > 0 ? { key: 'sexes', state: 'unknown', values: { females, males }, basis: setup.femalesPerMale.basis } : null

const cure: Check = ({ group: { setup } }) => ({
  key: 'cure',
  state: 'unknown',
  values: { low: setup.cureWeeks.range[0], high: setup.cureWeeks.range[1] },
  basis: setup.cureWeeks.basis,
})
