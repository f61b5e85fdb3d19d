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
  schoolKinds,
  SchoolKind,
  SpeciesGroup,
  Stages,
  Target,
  Targets,
} from './group'
export { habitatLitres } from './habitat'
export { type ResolvedGroup, resolveGroup, schoolOf, toleratedOf } from './resolve'
