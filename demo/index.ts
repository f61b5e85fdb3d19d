export { lanternQuay } from './lanternQuay'
