export type { Awaits, BroodLine } from './broodLine'
export { clutchesOf } from './clutches'
export {
  type BroodsAsked,
  type ColonyBroods,
  colonyBroods,
  eggRoomsOf,
  type FollowedBrood,
  lengthsOf,
  paceOf,
} from './colonyBroods'
export { EGG_ROOMS, type EggQueue, eggQueue, EYED_ROOMS, RESTING } from './eggQueue'
export { ofFollowed } from './followed'
export { type HatchLaw, hatchLaw, lawSd, type OwnPace } from './hatchLaw'
export type { WatchedLength } from './ownPace'
