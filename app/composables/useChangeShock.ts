import { heldValues, largestChange, type ShockInput, shockKeys, shockOf, sourceValues } from '#core/water'
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

  const poured = computed((): ShockInput['poured'] => {
    const source = room.sources.find(s => s.id === of().sourceId)
    const typed = numberIn(of().temperature)
    return {
      ...(source && sourceValues(source)),
      ...(typed !== null && { temperatureC: storedValue('temperatureC', typed, settings.units) }),
    }
  })
  const asked = computed(() => ({
    exchange: of().exchange,
    netL: Math.max(0.1, water.netL.value),
    glass: heldValues(water.story.value, water.nowMs.value),
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
  return { shock, atMost, litres }
}
