export { type Growth, type GrowthAsked, growthOf, type SampleTold, sampleTold, type SizeRead } from './growth'
export { growthLaw, type GrowthLaw, usualCurve } from './growthLaw'
export { OWN_SIZES, type OwnGrowth } from './growthPosterior'
export type { ShellZone, ZoneDates } from './readShell'
export {
  ageAt,
  curveFrom,
  fitIncrements,
  fitSizes,
  grownIn,
  type GrowthCurve,
  type Increment,
  mmPerWeek,
  sizeAt,
} from './vonBertalanffy'
