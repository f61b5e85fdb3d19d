export { type AllFollowed, allFollowed, type Followed } from './allFollowed'
export { type AnimalLife, type LifeAsked, lifeOf, type LimbStory } from './life'
export { nextMolt, type NextMolt } from './nextMolt'
export { type AnimalStay, lastColony, livedIn, type Whereabouts, whereabouts } from './whereabouts'
