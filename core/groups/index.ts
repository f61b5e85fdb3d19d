export { carriesEggs, groupOf, groups } from './catalogue'
export {
  compatibility,
  type Compatibility,
  type CompanyKey,
  type Overlap,
  sharedTargets,
  type SharedTargets,
} from './compatibility'
export {
  AnimalKind,
  Care,
  Detection,
  type DryEggs,
  Figure,
  type Larvae,
  type LifeHistory,
  Sizes,
  SpeciesGroup,
  Stages,
  Target,
  Targets,
  type Wish,
} from './group'
export { type RoundCounter, roundCounters } from './roundCounters'
export { CautionKey } from './cautions'
export { cautionKeys } from './cautionKeys'
export { type FeedingSchoolId, isSchoolId, type SchoolId, schoolIds, type SchoolKind, schoolKinds } from './schoolIds'
export { habitatLitres } from './habitat'
export { paceAt, preferredC } from './paceOfLife'
export { type ResolvedGroup, resolveGroup, schoolOf, toleratedOf } from './resolve'
