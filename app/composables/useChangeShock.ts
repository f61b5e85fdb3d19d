import { DAY_MS, type ValueKey } from '#core/records'
import { freshDays, largestChange, readoutsOf, shockKeys, shockOf, sourceWater } from '#core/water'
import { numberIn } from '~/forms/readNumber'
import { readVolume } from '~/forms/readVolume'
import { storedValue } from '~/words/unitPrefs'

/** What is about to be poured, as it stands in the fields. */
export interface PouredInto {
  glassId: string
  litres: string
  sourceId: string
  /** typed temperature of the new water, in the keeper's unit */
  temperature: string
  exchange: boolean
}

/** What a change does to those in the glass, while it is typed. */
export function useChangeShock(of: () => PouredInto) {
  const room = useRoomStore()
  const settings = useSettingsStore()
  const water = useGlassWater(computed(() => of().glassId))

  /** what was read of the glass, as far as it still holds */
  const glass = computed(() => {
    const known: Partial<Record<ValueKey, number>> = {}
    for (const key of shockKeys) {
      const last = water.story.value.readings.get(key)?.at(-1)
      if (last && water.nowMs.value - last.at <= freshDays[key] * DAY_MS) known[key] = last.value
    }
    return known
  })
  const poured = computed((): Partial<Record<ValueKey, number>> => {
    const source = room.sources.find(s => s.id === of().sourceId)
    const known = source && sourceWater(source)
    const ph = source?.analyses.findLast(a => a.values.ph !== undefined)?.values.ph
    const typed = numberIn(of().temperature)
    return {
      ...(known && readoutsOf(known.water)),
      ...(ph !== undefined && { ph }),
      ...(typed !== null && { temperatureC: storedValue('temperatureC', typed, settings.units) }),
    }
  })
  const asked = computed(() => ({
    exchange: of().exchange,
    netL: Math.max(0.1, water.netL.value),
    glass: glass.value,
    poured: poured.value,
    largestStep: Object.fromEntries(
      shockKeys.flatMap(key => {
        const step = water.shared.value.largestStepPerWeek[key]
        return step ? [[key, step.value]] : []
      }),
    ),
  }))
  const litres = computed(() => {
    const read = readVolume(of().litres, settings.units)
    return read.ok ? read.value : null
  })
  const shock = computed(() =>
    water.ready.value && litres.value !== null ? shockOf({ ...asked.value, litres: litres.value }) : null,
  )
  /** litres that would do, where these are too many */
  const atMost = computed(() => (shock.value?.state === 'off' ? largestChange(asked.value) : null))
  return { shock, atMost, litres, ready: water.ready }
}
