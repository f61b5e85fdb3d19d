export { type Clutch, clutchesOf, type ClutchState } from './clutches'
export { hatchWindow, type HatchWindow, youngExpected } from './hatchWindow'
