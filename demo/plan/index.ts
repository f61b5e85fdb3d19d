import type { RackPlan } from '../planShapes'
import { doorSide } from './doorSide'
import { floor } from './floor'
import { harbourSide } from './harbourSide'
import { middle } from './middle'
import { windowsill } from './windowsill'

/** Lantern Quay: three racks, a windowsill and a floor tub in a converted net loft by a harbour. All invented. */
export const lanternQuayPlan: readonly RackPlan[] = [doorSide, middle, harbourSide, windowsill, floor]
