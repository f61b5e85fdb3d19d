import { editText, parseQuantity, unitOf, volume } from '#core/units'
import type { NumberRead } from '~/forms/readNumber'
import { volumeText } from '~/words/unitPrefs'

/** A field of litres in the keeper's own unit: what it reads as, in litres, and how to fill it. */
export function useLitres(text: Ref<string>, low: number, high: number) {
  const settings = useSettingsStore()
  const unit = computed(() => unitOf(volume, settings.units.volume).symbol)
  const read = computed<NumberRead>(() => {
    const parsed = parseQuantity(text.value, volume, settings.units.volume)
    if (!parsed.ok)
      return {
        ok: false,
        empty: parsed.issue === 'empty',
        issue: parsed.issue === 'empty' ? 'Type a number.' : `“${text.value.trim().slice(0, 20)}” is no volume.`,
      }
    if (parsed.value < low || parsed.value > high)
      return {
        ok: false,
        empty: false,
        issue: `It must lie between ${volumeText(low, settings.units)} and ${volumeText(high, settings.units)}.`,
      }
    return { ok: true, value: parsed.value }
  })
  const fill = (litres: number) => {
    text.value = editText(volume, Number(litres.toFixed(2)), settings.units.volume)
  }
  return { unit, read, fill }
}
