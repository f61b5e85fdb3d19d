import { groups, resolveGroup, type SpeciesGroup, toleratedOf, type Wish } from '#core/groups'
import { type Bench, usualBench, type Water } from '#core/records'
import { type Bought, type FillToBuy, fillToBuy } from '#core/water'
import { advisedStarters } from './advisedStarters'

/** What somebody has before there are animals. */
export interface AtHome {
  /** litres of the tank when full */
  tankL: number
  /** what comes out of the tap; null while it is not known */
  tap: Water | null
  /** temperature of the room in winter and in summer, °C; null while it is not known */
  roomC: { winter: number; summer: number } | null
  wish: Wish | null
  bench?: Pick<Bench, 'scaleStepG' | 'jugStepL'>
}

/** How their water is made from the tap. */
export const waterWays = ['asItIs', 'littleSalt', 'carbonate', 'thinned', 'pureWater', 'seaSalt', 'unknown'] as const
export type WaterWay = (typeof waterWays)[number]

/** How a group fits what is there. */
export interface GroupFit {
  groupId: string
  way: WaterWay
  /** for the first fill, where the tap is known or not needed */
  toBuy: Bought[]
  /** grams of carbonate stone that do the same and go on doing it */
  carbonateG: number
  room: 'enough' | 'tight' | 'tooSmall'
  warmth: 'asItIs' | 'heater' | 'tooWarm'
  /** advised for this tank */
  starters: number
  weeks: readonly [number, number]
  /** trouble that it makes in all, for the order; 0 is none */
  trouble: number
}

/** Temperature of a heated room where nobody told, °C (from memory). */
const USUAL_ROOM = { winter: 19, summer: 25 }
/** What each thing weighs that is not as it is, all from memory: an order to begin with, no verdict. */
const TROUBLE = {
  way: { asItIs: 0, littleSalt: 1, carbonate: 1, thinned: 1.5, pureWater: 3, seaSalt: 3, unknown: 1 },
  room: { enough: 0, tight: 0.5, tooSmall: 8 },
  warmth: { asItIs: 0, heater: 0.5, tooWarm: 2 },
  ease: { veryEasy: 0, easy: 0.5, patient: 2, hard: 4 },
  notWished: 2.5,
} as const
/** So much of a fill from pure water is a fill of pure water. */
const MOSTLY = 0.75

/**
 * All groups by how well they fit what somebody has, the best first; the keeper's own group stands last.
 * @throws RangeError for a tank that holds nothing
 */
export function howTheyFit(home: AtHome): GroupFit[] {
  if (!(home.tankL > 0)) throw new RangeError(`tankL must be above 0, got ${home.tankL}`)
  return groups
    .filter(g => g.id !== 'custom')
    .map(g => fitOf(g, home))
    .toSorted((a, b) => a.trouble - b.trouble)
}

function fitOf(group: SpeciesGroup, home: AtHome): GroupFit {
  const netL = home.tankL * group.setup.fillShare.value
  const fill = fillOf(group, home, netL)
  const way = wayOf(group, fill, netL)
  const room = roomOf(group, home.tankL)
  const warmth = warmthOf(group, home.roomC ?? USUAL_ROOM)
  const { ease, wishes } = group.glance
  // helpers that nobody keeps for their own sake are wished for by nobody
  const unwished = home.wish === null ? wishes.length === 0 : !wishes.includes(home.wish)
  const [least, most] = group.setup.carbonateGL?.range ?? [0, 0]
  return {
    groupId: group.id,
    way,
    toBuy: fill?.toBuy ?? [],
    carbonateG: way === 'carbonate' ? Math.round((netL * (least + most)) / 2) : 0,
    room,
    warmth,
    starters: advisedStarters(group, home.tankL),
    weeks: group.setup.cureWeeks.range,
    trouble:
      TROUBLE.way[way] +
      TROUBLE.room[room] +
      TROUBLE.warmth[warmth] +
      TROUBLE.ease[ease] +
      (unwished ? TROUBLE.notWished : 0),
  }
}

/** What the first fill takes; without a known tap that is known only where none of it is wanted. */
function fillOf(group: SpeciesGroup, { tap, bench = usualBench }: AtHome, netL: number): FillToBuy | null {
  const { targets } = resolveGroup({ groupId: group.id, schools: {}, targets: {}, life: {} })
  const withoutTap = targets.salinityGKg !== undefined || targets.conductivityUsCm?.aim !== undefined
  if (!tap && !withoutTap) return null
  const sources = tap && targets.salinityGKg === undefined ? [{ id: 'tap', water: tap }] : []
  return fillToBuy({ onHand: { sources, shelf: [], bench }, netL, targets })
}

function wayOf(group: SpeciesGroup, fill: FillToBuy | null, netL: number): WaterWay {
  if (!fill) return 'unknown'
  const litres = fill.toBuy.reduce((sum, b) => (b.kind === 'pure' ? sum + b.litres : sum), 0)
  if (fill.toBuy.some(b => b.kind === 'salt' && b.salt === 'seaSalt')) return 'seaSalt'
  if (litres > MOSTLY * netL) return 'pureWater'
  if (litres > 0) return 'thinned'
  if (fill.toBuy.length === 0) return 'asItIs'
  return group.setup.carbonateGL ? 'carbonate' : 'littleSalt'
}

function roomOf({ stocking }: SpeciesGroup, tankL: number): GroupFit['room'] {
  if (tankL < stocking.minimumL.value) return 'tooSmall'
  return tankL < stocking.startersInL.value ? 'tight' : 'enough'
}

function warmthOf({ targets: { temperatureC } }: SpeciesGroup, room: { winter: number; summer: number }) {
  if (!temperatureC) return 'asItIs'
  if (room.summer > toleratedOf('temperatureC', temperatureC)[1]) return 'tooWarm'
  return room.winter < temperatureC.preferred[0] ? 'heater' : 'asItIs'
}
