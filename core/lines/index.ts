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
export { inbreedingOf, kinshipOf, type Kinships, kinships, meanKinship, type Parentage } from './kinship'
export { type Graded, keptMean, rungMeans, rungShares, youngShares } from './liability'
export { fitOrdinal, type GradedGroup, type OrdinalFit } from './ordinalProbit'
export { realisedHeritability, type SelectedGeneration, type Slope } from './realisedHeritability'
export { type Inheritance, inheritanceOf, type InheritanceTold, inheritances, type ThrowbackLook } from './segregation'
export { differentialOf, intensityOfFew, responseTo, type Selection, selectionOf } from './selection'
