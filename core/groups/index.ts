export { groupOf, groups } from './catalogue'
export { compatibility, type Compatibility, type CompanyKey, type Overlap, sharedTargets, type SharedTargets } from './compatibility'
export { AnimalKind, Detection, Figure, type LifeHistory, schoolKinds, SchoolKind, SpeciesGroup, Target, Targets } from './group'
export { type ResolvedGroup, resolveGroup, schoolOf, toleratedOf } from './resolve'
