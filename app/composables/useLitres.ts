import { editText, unitOf, volume } from '#core/units'
import type { NumberRead } from '~/forms/readNumber'
import { readVolume } from '~/forms/readVolume'
import { volumeText } from '~/words/unitPrefs'

/** A field of litres in the keeper's own unit: what it reads as, in litres, and how to fill it. */
export function useLitres(text: Ref<string>, low: number, high: number) {
  const settings = useSettingsStore()
  const unit = computed(() => unitOf(volume, settings.units.volume).symbol)
  const read = computed<NumberRead>(() => {
    const typed = readVolume(text.value, settings.units, 'Type a number.', high)
    if (!typed.ok || typed.value >= low) return typed
    const limits = `${volumeText(low, settings.units)} and ${volumeText(high, settings.units)}`
    return { ok: false, empty: false, issue: `It must lie between ${limits}.` }
  })
  const fill = (litres: number) => {
    text.value = editText(volume, Number(litres.toFixed(2)), settings.units.volume)
  }
  return { unit, read, fill }
}
