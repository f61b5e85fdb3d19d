export { expectedMolts } from './expectedMolts'
