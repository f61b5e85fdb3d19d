import { isMineral, usualBench } from '#core/records'
import { doseOf, type Goals, type OnHand, stockLeft } from '#core/water'

/** What stands at the bench to make water from: sources as far as they are known, boxes with what is left in them. */
export function useBenchStock() {
  const room = useRoomStore()
  const pours = useShelfPours()
  const bench = computed(() => room.room?.bench ?? usualBench)
  const { sources, usable } = useKnownSources()
  const shelf = computed(() =>
    room.shelf
      .filter(isMineral)
      .map(item => ({ item, dose: doseOf(item.content), left: stockLeft(item, pours.value) })),
  )
  const onHand = computed<OnHand>(() => ({
    sources: usable.value.map(u => ({ id: u.source.id, water: u.water })),
    shelf: shelf.value.map(b => ({ id: b.item.id, dose: b.dose, ...(b.left !== undefined && { stockG: b.left }) })),
    bench: bench.value,
  }))
  /** Goals with the ratio of calcium to magnesium that the keeper wants. */
  const withRatio = (goals: Goals): Goals =>
    bench.value.caMgByMass === undefined ? goals : { ...goals, caMgByMass: bench.value.caMgByMass }
  return { bench, sources, usable, shelf, onHand, withRatio }
}
export type BenchStock = ReturnType<typeof useBenchStock>
