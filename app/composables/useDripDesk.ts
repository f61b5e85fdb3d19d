import {
  type AcclimationKey,
  acclimationKeys,
  type AcclimationValues,
  type DripMode,
  largestPerHour,
  planDrip,
  planSteps,
} from '#core/water'
import { typedKeys } from '~/forms/typedKeys'
import { fieldText, largestRates, rateText, typedWater, type TypedValues } from '~/forms/dripWater'
import type { NumberRead } from '~/forms/readNumber'
import { dripCourse, dripDrawing, dripHeadline } from '~/words/drip'

/** The difference between bag and glass that is bridged at the end. */
const BRIDGED = 0.9
/** Share of the vessel that one step exchanges. */
const EXCHANGED = 0.25

/** Bringing animals in: what is in the bag and in the glass, and the drip or the steps that bridge them. */
export function useDripDesk() {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const bag = useSessionStorage<TypedValues>(typedKeys.bag, {})
  const glass = ref<TypedValues>({})
  const rates = useDripRates()
  const vesselText = useSessionStorage(typedKeys.vessel, '1')
  const mode = ref<DripMode>('overflow')
  const { unit: litreUnit, read: vessel } = useLitres(vesselText, 0.05, 200)

  const salty = computed(() => desk.shared.targets.salinityGKg !== undefined || desk.present.seaSaltGL > 0.5)
  const keys = computed(() => acclimationKeys.filter(k => k !== 'salinityGKg' || salty.value))
  watch(
    [() => desk.glassId, () => desk.story, () => settings.units],
    () => {
      const newest = (k: AcclimationKey) => desk.story.readings.get(k)?.at(-1)?.value
      glass.value = Object.fromEntries(keys.value.map(k => [k, fieldText(k, newest(k), settings.units)]))
    },
    { immediate: true, deep: true },
  )

  const from = computed(() => typedWater(bag.value, keys.value, settings.units))
  const to = computed(() => typedWater(glass.value, keys.value, settings.units))
  const known = computed(() => keys.value.filter(k => from.value[k] !== undefined && to.value[k] !== undefined))
  const bridging = computed(() => ({ share: BRIDGED, limits: rates.largest.value }))
  const plan = computed(() =>
    vessel.value.ok
      ? planDrip({ mode: mode.value, vesselL: vessel.value.value }, from.value, to.value, bridging.value)
      : null,
  )
  const steps = computed(() => planSteps(EXCHANGED, from.value, to.value, bridging.value))
  const told = useDripTold({ plan, vessel, mode, known, from, to, largest: rates.largest })
  return reactive({
    bag,
    glass,
    vesselText,
    litreUnit,
    vessel,
    mode,
    keys,
    rateOf: rates.of,
    setRate: rates.set,
    from,
    to,
    known,
    plan,
    steps,
    ...told,
  })
}
export type DripDesk = ReturnType<typeof useDripDesk>

/** What a drip comes to: in a sentence, as a table, and drawn. */
function useDripTold({ plan, vessel, mode, known, from, to, largest }: Dripping) {
  const settings = useSettingsStore()
  const headline = computed(() => (plan.value ? dripHeadline(plan.value, known.value.length > 0) : ''))
  const course = computed(() =>
    plan.value && vessel.value.ok
      ? dripCourse({
          ...plan.value,
          mode: mode.value,
          vesselL: vessel.value.value,
          values: known.value.map(key => ({ key, from: from.value[key]!, to: to.value[key]! })),
          units: settings.units,
        })
      : [],
  )
  /** The value that is bridged hardest, drawn; nothing until something of the bag is known. */
  const drawing = computed(() => {
    const key = plan.value?.pace ?? known.value[0]
    if (!plan.value || !vessel.value.ok || !key) return null
    const perHour = largest.value[key] ?? largestPerHour[key]
    const value = { key, from: from.value[key]!, to: to.value[key]!, perHour }
    if (value.from === value.to) return null
    const { value: vesselL } = vessel.value
    return dripDrawing({ ...plan.value, mode: mode.value, vesselL, value, units: settings.units })
  })
  return { headline, course, drawing }
}
interface Dripping {
  plan: Ref<ReturnType<typeof planDrip> | null>
  vessel: Ref<NumberRead>
  mode: Ref<DripMode>
  /** values of which bag and glass are both known */
  known: Ref<AcclimationKey[]>
  from: Ref<AcclimationValues>
  to: Ref<AcclimationValues>
  largest: Ref<Partial<Record<AcclimationKey, number>>>
}

/** How fast each value may move: the keeper's own rates, kept on the device, or the defaults. */
function useDripRates() {
  const settings = useSettingsStore()
  const own = useLocalStorage<TypedValues>('ulkin.dripRates', {})
  const largest = computed(() => largestRates(own.value, settings.units))
  const of = (key: AcclimationKey) => rateText(key, own.value, settings.units)
  const set = (key: AcclimationKey, text: string) => (own.value = { ...own.value, [key]: text })
  return { largest, of, set }
}
