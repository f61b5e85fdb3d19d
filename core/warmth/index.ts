export { meanReading } from './meanReading'
export { type TemperatureReading, type ThermalClock, thermalClock, type Warmth } from './thermalClock'
