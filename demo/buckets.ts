import type { Source } from '#core/records'
import { blend, ghOf, sourceWater } from '#core/water'
import type { GlassPlan } from './planShapes'

/**
 * What the keepers wrote of a bucket that they made for a glass: pure water to make up what evaporated; else tap and
 * pure water to the glass's own hardness.
 * @returns nothing where the glass has no hardness of its own to be met, or nobody wrote down what it was
 */
export function bucketFor(
  plan: GlassPlan,
  kind: 'waterChange' | 'topUp',
  litres: number,
  sources: readonly Source[],
): object {
  const [pure, tap] = sources as [Source, Source]
  const gh = plan.water.ghDh?.base
  if (kind === 'topUp') return poured([{ source: pure, litres }])
  if (gh === undefined || plan.changes) return {}
  const share = Math.min(1, gh / ghOf(waterOf(tap)))
  const tapL = Number((share * litres).toFixed(1))
  return poured([
    { source: tap, litres: tapL },
    { source: pure, litres: Number((litres - tapL).toFixed(1)) },
  ])
}

const waterOf = (source: Source) => sourceWater(source)!.water

interface Pour {
  source: Source
  litres: number
}

/** Waters of a bucket, with what they make together. */
export function poured(pours: readonly Pour[]) {
  const some = pours.filter(p => p.litres > 0)
  return {
    poured: some.map(p => ({ sourceId: p.source.id, name: p.source.name, litres: p.litres })),
    water: blend(some.map(p => ({ water: waterOf(p.source), litres: p.litres }))),
  }
}
