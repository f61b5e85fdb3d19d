export { equalDraws, sampleBelief, type SampledBelief, type WeightedDraws } from './adaptiveSampling'
export {
  betaAbove,
  type BetaBelief,
  betaMean,
  betaQuantileOf,
  betaSd,
  eventChances,
  gammaAbove,
  type GammaBelief,
  gammaMean,
  gammaQuantileOf,
  logChanceOf,
  seenEvents,
  seenShare,
} from './conjugate'
export {
  type BernoulliCusum,
  bernoulliRunLength,
  type CountCusum,
  countCusumFor,
  countRunLength,
  failureScore,
  poissonReference,
} from './countCusum'
export { cusum, type CusumChart, type CusumPoint, cusumRunLength } from './cusum'
export { type TrendBelief, type TrendNoise, trendAfter, trendFrom, trendSeen } from './dampedTrend'
export { ewma, type EwmaChart, type EwmaPoint, ewmaRunLength } from './ewma'
export { logChoose, logFactorial } from './logChoose'
export { fisherP, type Share, shareDifference, wilsonInterval } from './twoShares'
export { binomialFrom, deathsFrom, normalFrom, poissonFrom } from './draw'
export { leastBetween } from './goldenSection'
export { hashText } from './hash'
export { binomialInterval, poissonInterval } from './intervals'
export { normalBelow, normalDensity, Z50, Z80, zQuantile } from './normal'
export { quickNormalBelow } from './quickNormal'
export { quantileSorted } from './quantile'
export { quickExp, quickLogRest } from './quick'
export { type Random, seededRandom } from './random'
export { type Ranged, sumOfRanges } from './sumOfRanges'
export { rootBetween } from './rootBetween'
export { binomialShared, type SharedChance, sharedChance } from './sharedChance'
export { mix32, STREAM_STEP, streamAt, uniformAt } from './stream'
export { type WeightedLine, weightedLine, type WeightedPoint } from './weightedLine'
export {
  goingOn,
  type SwitchingBelief,
  type SwitchingNoise,
  switchingAfter,
  switchingFrom,
  switchingSeen,
  together,
} from './switchingTrend'
