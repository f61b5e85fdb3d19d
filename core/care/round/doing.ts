import type { Entry, FoodKind } from '#core/records'
import type { DueItem } from '../schedule'

/** The entry that doing an item comes to, less what every entry carries. */
export type Doing = { kind: Entry['kind'] } & Record<string, unknown>

/**
 * What one touch logs for an item: the amounts that it proposes. Null for work that needs numbers of its own (counts,
 * tests, plan steps) or a place of its own (calibration, medicines).
 */
export function doing(item: DueItem): Doing | null {
  const { glassId, colonyId, values } = item
  const litres = Number(Number(values.litres).toFixed(2))
  switch (item.kind) {
    case 'waterChange':
    case 'doseChange':
      return { kind: 'waterChange', glassId, litres }
    case 'topUp':
      return values.litres === undefined ? null : { kind: 'topUp', glassId, litres }
    case 'feed':
    case 'powder':
      return { kind: 'feeding', glassId, food: values.food as FoodKind, portions: Number(values.portions) }
    case 'leftovers':
      return { kind: 'feeding', glassId, removed: true }
    case 'greens':
      return { kind: 'feeding', glassId, food: 'greens', portions: 1 }
    case 'leaves':
      return { kind: 'supplement', glassId, what: 'leaves', number: Number(values.number) }
    case 'calcium':
      return { kind: 'supplement', glassId, what: 'calcium' }
    case 'equipment':
    case 'mend': {
      const parts = String(values.parts).split(' ')
      const as = item.kind === 'mend' ? 'mended' : 'fine'
      return { kind: 'equipment', glassId, found: Object.fromEntries(parts.map(p => [p, as])) }
    }
    case 'clutch':
      return { kind: 'clutch', colonyId, clutchId: values.clutchId, event: 'checked' }
    case 'count':
    case 'test':
    case 'young':
    case 'limb':
    case 'grade':
    case 'takeOut':
    case 'saltStep':
    case 'greenWater':
    case 'larvaSample':
    case 'pick':
    case 'hatchCheck':
    case 'dryDown':
    case 'flood':
    case 'secondDose':
    case 'planStep':
    case 'calibration':
    case 'soil':
      return null
  }
}
