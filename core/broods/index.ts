export type { Brood } from './brood'
export { clutchesOf } from './clutches'
export {
  type BroodLine,
  type BroodsAsked,
  type ColonyBroods,
  colonyBroods,
  eggRoomsOf,
  lengthsOf,
  paceOf,
} from './colonyBroods'
export { EGG_ROOMS, type EggQueue, eggQueue, EYED_ROOMS, RESTING } from './eggQueue'
export { ofFollowed } from './followed'
export { type HatchLaw, hatchLaw, lawSd, type OwnPace } from './hatchLaw'
export type { WatchedLength } from './ownPace'
export { type TemperatureReading, type ThermalClock, thermalClock } from './thermalClock'
