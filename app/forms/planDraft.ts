import { advisedStarters, type RoomC, setUpAdvice, usualTank } from '#core/care'
import { groupOf } from '#core/groups'
import type { SubstrateKind, Glass, Plan, Rack } from '#core/records'
import { begun, Plan as PlanSchema, onShelf, placeAt, toMoment } from '#core/records'
import { editText, volume } from '#core/units'
import { newId } from '~/data/newId'
import type { UnitPrefs } from '~/words/unitPrefs'
import { deviceDay, hourOn } from './deviceDays'
import { nameIssue } from './nameIssue'
import { readNumber } from './readNumber'
import { readVolume } from './readVolume'
import { wholeNumber } from './wholeNumber'

/** A plan as typed. */
export interface PlanDraft {
  name: string
  groupA: string
  /** empty for one group alone */
  groupB: string
  schools: Record<string, string>
  kind: Plan['tank']['kind']
  sizeBy: 'litres' | 'edges'
  litres: string
  lengthCm: string
  widthCm: string
  heightCm: string
  fillPct: string
  substrate: SubstrateKind
  depthCm: string
  carbonateGL: string
  filterRatedL: string
  cover: boolean
  intakeGuard: boolean
  lightHours: string
  leaves: string
  starters: string
  startersB: string
  sourceId: string
  startsAt: string
}
export type PlanIssues = Partial<Record<keyof PlanDraft, string>>

const text = (n: number): string => String(Number(n.toFixed(2)))

/** What somebody has already when a plan begins. */
export interface GivenForPlan {
  grossL: number
  inside?: Plan['tank']['inside']
  sourceId?: string
  roomC?: RoomC
}

/**
 * What a group wants, as a plan to begin with: everything in it is on target.
 * @param given the tank that is there, and the water; the group's usual glass where nothing is
 */
export function newPlan(groupId: string, roomId: string, nowMs: number, given?: GivenForPlan | null): Plan {
  const group = groupOf(groupId)
  return PlanSchema.parse({
    ...begun(newId(), nowMs),
    roomId,
    name: group.name,
    groupIds: [groupId],
    schools: {},
    tank: { ...usualTank(group, given?.grossL), ...(given?.inside && { inside: given.inside }) },
    starters: [advisedStarters(group, given?.grossL ?? group.stocking.startersInL.value)],
    ...(given?.sourceId && { sourceId: given.sourceId }),
    ...(given?.roomC && { roomC: given.roomC }),
    startsAt: toMoment(nowMs),
    done: {},
    seen: { biofilm: false, algae: false },
  })
}

/** What changes with the animals: everything that a group wants otherwise, but not the glass that is there. */
export function wantsOf(groupId: string, plan: Plan, units: UnitPrefs): Partial<PlanDraft> {
  const wanted = newPlan(groupId, plan.roomId, 0, { grossL: plan.tank.grossL })
  const { fillPct, substrate, depthCm, carbonateGL, cover, intakeGuard, lightHours, leaves, starters } = planDraft(
    wanted,
    units,
  )
  return { schools: {}, fillPct, substrate, depthCm, carbonateGL, cover, intakeGuard, lightHours, leaves, starters }
}

/** Fills the fields from a plan. */
export function planDraft(plan: Plan, units: UnitPrefs): PlanDraft {
  const { tank } = plan
  return {
    name: plan.name,
    groupA: plan.groupIds[0]!,
    groupB: plan.groupIds[1] ?? '',
    schools: { ...plan.schools },
    kind: tank.kind,
    sizeBy: tank.inside ? 'edges' : 'litres',
    litres: editText(volume, tank.grossL, units.volume),
    lengthCm: tank.inside ? text(tank.inside.lengthCm) : '',
    widthCm: tank.inside ? text(tank.inside.widthCm) : '',
    heightCm: tank.inside ? text(tank.inside.heightCm) : '',
    fillPct: text(tank.fillShare * 100),
    substrate: tank.substrate?.kind ?? 'none',
    depthCm: text(tank.substrate?.depthCm ?? 0),
    carbonateGL: text(tank.carbonateGL),
    filterRatedL: tank.filterRatedL === 0 ? '0' : editText(volume, tank.filterRatedL, units.volume),
    cover: tank.cover,
    intakeGuard: tank.intakeGuard,
    lightHours: text(tank.lightHours),
    leaves: text(tank.leaves),
    starters: text(plan.starters[0]!),
    startersB: text(plan.starters[1] ?? 0),
    sourceId: plan.sourceId ?? '',
    startsAt: deviceDay(Date.parse(plan.startsAt)),
  }
}

/**
 * Reads a draft over the plan that it came from; what has been ticked and seen stays.
 * @returns the plan, or a sentence for every field that is not right
 */
export function readPlan(
  draft: PlanDraft,
  old: Plan,
  units: UnitPrefs,
): { ok: true; plan: Plan } | { ok: false; issues: PlanIssues } {
  const issues: PlanIssues = {}
  const unnamed = nameIssue(draft.name, 'Give the plan a name.')
  if (unnamed) issues.name = unnamed
  const count = (key: 'starters' | 'startersB', most: number) => readCount(draft, key, most, issues)
  // the same day keeps its hour
  const starts =
    draft.startsAt === deviceDay(Date.parse(old.startsAt)) ? Date.parse(old.startsAt) : hourOn(draft.startsAt, 12)
  if (starts === null) issues.startsAt = 'That is no day.'
  const tank = readTank(draft, units, issues)
  const starters = [count('starters', 10_000), ...(draft.groupB ? [count('startersB', 10_000)] : [])]
  if (Object.keys(issues).length > 0 || starts === null) return { ok: false, issues }
  const { sourceId: _, ...kept } = old
  return {
    ok: true,
    plan: PlanSchema.parse({
      ...kept,
      name: draft.name.trim(),
      groupIds: [draft.groupA, ...(draft.groupB ? [draft.groupB] : [])],
      schools: draft.schools,
      tank,
      starters,
      ...(draft.sourceId && { sourceId: draft.sourceId }),
      startsAt: toMoment(starts),
    }),
  }
}

/** A whole number of a draft; what is not right is told in `issues`. */
function readCount(
  draft: PlanDraft,
  key: 'starters' | 'startersB' | 'leaves',
  most: number,
  issues: PlanIssues,
): number {
  const read = wholeNumber(draft[key], 0)
  if (!read.ok) issues[key] = read.issue
  else if (read.value > most) issues[key] = `It must be ${most} at most.`
  return read.ok ? read.value : 0
}

/** Figures of a tank with their limits and units. */
const tankLimits = {
  lengthCm: { low: 1, high: 500, unit: 'cm' },
  widthCm: { low: 1, high: 500, unit: 'cm' },
  heightCm: { low: 1, high: 500, unit: 'cm' },
  fillPct: { low: 1, high: 100, unit: '%' },
  depthCm: { low: 0, high: 60, unit: 'cm' },
  carbonateGL: { low: 0, high: 100, unit: 'g/L' },
  lightHours: { low: 0, high: 24, unit: 'h' },
} as const

/** The planned tank of a draft; what is not right is told in `issues`. */
function readTank(draft: PlanDraft, units: UnitPrefs, issues: PlanIssues): Plan['tank'] {
  const field = (key: keyof typeof tankLimits) => {
    const read = readNumber(draft[key], tankLimits[key])
    if (read.ok) return read.value
    issues[key] = read.issue
    return tankLimits[key].low
  }
  let grossL = 1
  let inside: Plan['tank']['inside']
  if (draft.sizeBy === 'edges') {
    inside = { lengthCm: field('lengthCm'), widthCm: field('widthCm'), heightCm: field('heightCm') }
    grossL = Number(((inside.lengthCm * inside.widthCm * inside.heightCm) / 1000).toFixed(2))
    if (grossL > 5000) issues.lengthCm = 'That is more than 5000 L.'
  } else {
    const gross = readVolume(draft.litres, units, 'How much does it hold when full?')
    if (gross.ok) grossL = gross.value
    else issues.litres = gross.issue
  }
  return {
    kind: draft.kind,
    grossL,
    fillShare: field('fillPct') / 100,
    ...(inside && { inside }),
    substrate: { kind: draft.substrate, depthCm: draft.substrate === 'none' ? 0 : field('depthCm') },
    carbonateGL: field('carbonateGL'),
    filterRatedL: readRating(draft.filterRatedL, units, issues),
    cover: draft.cover,
    intakeGuard: draft.intakeGuard,
    lightHours: field('lightHours'),
    leaves: readCount(draft, 'leaves', 200, issues),
  }
}

/** Litres that the filters are rated for; 0 where there are none. */
function readRating(typed: string, units: UnitPrefs, issues: PlanIssues): number {
  if (/^\s*0*\s*$/.test(typed)) return 0
  const read = readVolume(typed, units)
  if (!read.ok) issues.filterRatedL = read.issue
  return read.ok ? read.value : 0
}

/** What a plan's glass is called, and where it will stand. */
export interface PlannedPlace {
  name: string
  rack: Rack
  shelf: number
  /** all glasses of the room: the new one comes to stand at the shelf's end */
  glasses: readonly Glass[]
  nowMs: number
}

/** The glass that a plan becomes. */
export function glassOfPlan(plan: Plan, { name, rack, shelf, glasses, nowMs }: PlannedPlace): Glass {
  const { tank } = plan
  const { carbonateG } = setUpAdvice(plan)
  return {
    ...begun(newId(), nowMs),
    roomId: plan.roomId,
    name,
    kind: tank.kind,
    grossL: tank.grossL,
    fill: { by: 'height', share: tank.fillShare },
    place: placeAt(onShelf(glasses, rack.id, shelf), rack.id, shelf, Infinity),
    ...(tank.inside && { inside: tank.inside }),
    ...(tank.substrate && tank.substrate.kind !== 'none' && { substrate: tank.substrate }),
    ...(carbonateG > 0 && { carbonateG: Math.round(carbonateG) }),
    ...(tank.substrate?.kind === 'activeSoil' && { soilSince: plan.startsAt }),
  }
}
