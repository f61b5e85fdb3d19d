export { type AheadAsked, generationsAhead, paceAhead } from './ahead'
export { type Candidates, type Contributions, optimalContributions } from './contributions'
export {
  foundersHolding,
  generationsLeft,
  inbreedingAhead,
  inbreedingWith,
  malesFor,
  rateWithin,
  type Variety,
  varietyAmong,
} from './effectiveBreeders'
export { type Beside, besideNext, besideTrait, SLOPE_PRIOR_SD } from './beside'
export { courseOf } from './course'
export type { AgreementTold, KeeperTold } from './keepersTold'
export { leastRelated, type PairingAnimal, type Pairings, pairingsOf } from './pairings'
export { setsOf, youngByGroup } from './breederSets'
export { paceByTime, type WeeklyPace } from './paceByTime'
export { grownTogether } from './grownTogether'
export { type Renewal, renewalOf } from './renewal'
export { bestOf, breedersFrom, type Pick, pickCurve, proposedPick, type Stock } from './picks'
export { type Agreement, type AgreementWeights, weightedKappa } from './agreement'
export {
  chanceHeld,
  effectiveByFamilies,
  effectiveBySexes,
  effectiveFor,
  effectiveOver,
  generationsUntil,
  inbreedingAfter,
  inbreedingOfBox,
  varietyOf,
} from './effectiveSize'
export {
  type BredGroup,
  type Breeders,
  groupInbreedingOf,
  groupKinshipOf,
  type GroupKinships,
  groupKinships,
} from './groupKinship'
export { inbreedingOf, kinshipOf, type Kinships, kinships, meanKinship, type Parentage, withAncestors } from './kinship'
export { type Graded, keptMean, rungMeans, rungShares, youngShares } from './liability'
export { nextGeneration, type NextGeneration, usualYoung, type YoungAsked } from './nextGeneration'
export { inbreedingOfGroups, type InbreedingTold } from './pedigreeDraws'
export { type GradedAlike, type OrdinalRegression, ordinalRegression, rungChances } from './ordinalRegression'
export { fitOrdinal, type GradedGroup, type OrdinalFit } from './ordinalProbit'
export { type Family, readFamilies } from './families'
export { type FamilyAsked, familyGraph, type FamilyNode } from './familyGraph'
export { type OutcrossTold, outcrossAhead } from './outcross'
export { type Boxes, inbreedingOfBoxes, type Rotation } from './rotation'
export { breedersNext } from './breedersNext'
export { FAMILIES_LEAST, type FamilyKept, type FamilyPick, familyPick, grownIn } from './familyPick'
export type { Many } from './wholeAnimals'
export { fitLine, HERITABILITY_PRIOR, LEARNT_AT_LEAST, type LineDraw, type LineFit } from './lineFit'
export {
  type BreederSet,
  bothSexes,
  type GradedSex,
  type GradedTwice,
  gradersOf,
  type GroupGrading,
  type LineGroup,
  type LineHistory,
  type RungCell,
  type Upbringing,
} from './history'
export { realisedHeritability, type SelectedGeneration, type Slope } from './realisedHeritability'
export { type Inheritance, inheritanceOf, type InheritanceTold, inheritances, type ThrowbackLook } from './segregation'
export { differentialOf, intensityOfFew, responseTo, type Selection, selectionOf } from './selection'
export { countsOn, graderOf, gradingsOf, type Paired, pairedSessions, seenIn, SOMEBODY } from './gradings'
export { type GradedGeneration, type LineRead, type LineRecords, readLine, runningOf } from './lineHistory'
export {
  type CameTold,
  foreseen,
  type GenerationTold,
  type Heading,
  type LineFitted,
  type LineTold,
  type RollingTold,
  PLATEAU,
  tellLine,
} from './tellLine'
export type { SharesTold } from './sharesTold'
export {
  breedingCore,
  type ByRung,
  bySex,
  freeOnRungs,
  type OfferAsked,
  offersByRung,
  type RungOffer,
  type StockAsked,
  stockByRung,
  worthByRung,
  worthOf,
} from './stockByRung'
export { gradeAgainMs, stretchesOf } from './stretches'
export { type StarterLadder, starterLadders } from './starterLadders'
export {
  countsIn,
  fitTrays,
  inTray,
  moveBetween,
  noTrays,
  restOf,
  sharedOut,
  stackKey,
  type Standings,
  standingsOf,
  standingTotal,
  type Trays,
} from './trays'
export { weeksUntilGrown } from './weeksUntilGrown'
