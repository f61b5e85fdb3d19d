export { groupOf, groups } from './catalogue'
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
  Figure,
  type LifeHistory,
  type RoundCounter,
  roundCounters,
  SpeciesGroup,
  Stages,
  Target,
  Targets,
} from './group'
export { CautionKey, cautionKeys } from './cautions'
export { type FeedingSchoolId, isSchoolId, type SchoolId, schoolIds, type SchoolKind, schoolKinds } from './schoolIds'
export { habitatLitres } from './habitat'
export { type ResolvedGroup, resolveGroup, schoolOf, toleratedOf } from './resolve'
