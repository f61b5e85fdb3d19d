import { groups, resolveGroup, type SpeciesGroup, type Wish } from '#core/groups'
import { type Plan, usualBench, type Water } from '#core/records'
import { type Bought, type FillToBuy, fillToBuy, needsTap } from '#core/water'
import { advisedStarters } from './advisedStarters'
import { plannedNetL, usualTank } from './setUpAdvice'
import { type RoomC, USUAL_ROOM_C, type Warmth, warmthOf } from './warmth'

/** What somebody has before there are animals. */
export interface AtHome {
  /** litres of the tank when full */
  tankL: number
  /** its inner edges, where they were measured */
  inside?: Plan['tank']['inside']
  /** what comes out of the tap; null while it is not known */
  tap: Water | null
  /** null while it is not known */
  roomC: RoomC | null
  wish: Wish | null
}

/** How their water is made from the tap. */
export type WaterWay = 'asItIs' | 'littleSalt' | 'carbonate' | 'thinned' | 'pureWater' | 'seaSalt' | 'unknown'

/** How a group fits what is there. */
export interface GroupFit {
  groupId: string
  way: WaterWay
  /** for the first fill, where the tap is known or not needed */
  toBuy: Bought[]
  /** grams of carbonate stone that do the same and go on doing it */
  carbonateG: number
  room: 'enough' | 'tight' | 'tooSmall'
  warmth: Warmth
  /** advised for this tank */
  starters: number
  weeks: readonly [number, number]
  /** trouble that it makes in all, for the order; 0 is none */
  trouble: number
}

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
 * All groups by how well they fit what somebody has, the best first; the keeper's own group is not among them.
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
  const tank = { ...usualTank(group, home.tankL), inside: home.inside }
  const netL = plannedNetL({ tank })
  const fill = fillOf(group, home, netL)
  const way = wayOf(group, fill, netL)
  const room = roomOf(group, home.tankL)
  const warmth = warmthOf(group.targets.temperatureC, home.roomC ?? USUAL_ROOM_C)
  const { ease, wishes } = group.glance
  // helpers that nobody keeps for their own sake are wished for by nobody
  const unwished = home.wish === null ? wishes.length === 0 : !wishes.includes(home.wish)
  return {
    groupId: group.id,
    way,
    toBuy: fill?.toBuy ?? [],
    carbonateG: way === 'carbonate' ? Math.round(netL * tank.carbonateGL) : 0,
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
function fillOf(group: SpeciesGroup, { tap }: AtHome, netL: number): FillToBuy | null {
  const { targets } = resolveGroup({ groupId: group.id, schools: {}, targets: {}, life: {} })
  if (!tap && needsTap(targets)) return null
  const sources = tap ? [{ id: 'tap', water: tap }] : []
  return fillToBuy({ onHand: { sources, shelf: [], bench: usualBench }, netL, targets })
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
