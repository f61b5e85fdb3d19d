export { groupOf, groups } from './catalogue'
export { Detection, Figure, type LifeHistory, schoolKinds, SchoolKind, SpeciesGroup, Target, Targets } from './group'
export { type ResolvedGroup, resolveGroup, schoolOf, toleratedOf } from './resolve'
