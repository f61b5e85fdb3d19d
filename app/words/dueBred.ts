import type { DueItem, DueKind } from '#core/care'
import { formatNumber } from '#core/units'
import { whole } from './numbers'

type BredKind = Extract<
  DueKind,
  'saltStep' | 'greenWater' | 'larvaSample' | 'pick' | 'hatchCheck' | 'dryDown' | 'flood' | 'limb' | 'grade' | 'takeOut'
>
/** What larvae, pools, single animals and lines ask for. */
export function bredTitle(kind: BredKind, v: DueItem['values']): string {
  switch (kind) {
    case 'saltStep':
      return `Bring the salt ${v.up ? 'up' : 'down'} to ${formatNumber(Number(v.gKg ?? 0), 0)} g/kg`
    case 'greenWater':
      return 'Look how green the larvae’s water is'
    case 'larvaSample':
      return 'Take a sample of the larvae, by stage'
    case 'pick':
      return 'Pick out those that have settled'
    case 'hatchCheck':
      return 'Look whether anything has hatched'
    case 'dryDown':
      return 'Let the pool dry'
    case 'flood':
      return `${v.name}: may be flooded`
    case 'limb':
      return v.several ? 'Look whether buds show: until then it stays apart' : 'Look whether a bud shows'
    case 'grade':
      return v.again ? 'Grade them again' : 'Grade the new generation'
    case 'takeOut':
      return `Take out ${Number(v.n) === 1 ? 'a dull one' : `${whole(Number(v.n))} dull ones`} when you pass`
  }
}
