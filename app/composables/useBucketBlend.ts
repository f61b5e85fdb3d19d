import { unitOf, volume } from '#core/units'
import { setByHand } from '#core/water'
import { readVolume } from '~/forms/readVolume'
import { sourceFacts } from '~/words/recipe'
import { volumeText } from '~/words/unitPrefs'
import type { RecipeCard } from './useRecipeCard'

/** What goes into the bucket: litres of each source, solved or the keeper's own, and the size of the change. */
export function useBucketBlend(card: RecipeCard) {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const scale = computed(() => unitOf(volume, settings.units.volume).scale)
  const unit = computed(() => unitOf(volume, settings.units.volume).symbol)
  const shownLitres = (litres: number) => String(Number((litres / scale.value).toFixed(2)))

  const litresOf = computed<Record<string, number>>(
    () => desk.chosen ?? Object.fromEntries(card.step.value?.pours.map(p => [p.id, p.litres]) ?? []),
  )
  const totalL = computed(() => (desk.chosen ? desk.bucketL : (card.step.value?.changeL ?? desk.bucketL)))
  const rows = computed(() =>
    desk.usable.map(({ source }) => {
      const testedMs = desk.sources.find(s => s.source.id === source.id)?.known?.testedMs ?? null
      return {
        id: source.id,
        name: source.name,
        litres: litresOf.value[source.id] ?? 0,
        shown: shownLitres(litresOf.value[source.id] ?? 0),
        facts: sourceFacts(source, testedMs, desk.nowMs, settings.units),
        testedMs,
      }
    }),
  )
  const parts = computed(() => rows.value.filter(r => r.litres > 0 || (desk.chosen && desk.chosen[r.id] !== undefined)))
  /** litres that one key on the drawn bucket moves: the jug's, finer where the bucket is small */
  const stepL = computed(() => {
    const { jugStepL } = desk.bench
    if (totalL.value < 2) return Math.min(jugStepL, 0.01)
    return totalL.value < 20 * jugStepL ? Math.min(jugStepL, 0.05) : jugStepL
  })

  const blendTo = (litres: Record<string, number>) => void (desk.chosen = litres)
  /** A source set to some litres: the others make room for it. What is no number changes nothing. */
  function pourOf(id: string, text: string) {
    const read = readVolume(text, settings.units)
    if (!read.ok) return
    const now = Object.fromEntries(rows.value.map(r => [r.id, r.litres]))
    desk.chosen = setByHand(now, id, read.value, desk.bucketL)
  }
  /** From a change to a new first fill, or back; a blend by hand was for the other. */
  function refill() {
    desk.refilling = !desk.refilling
    desk.chosen = null
  }

  return reactive({
    unit,
    rows,
    parts,
    totalL,
    stepL,
    blendTo,
    pourOf,
    refill,
    ...useChangeSize(unit, shownLitres),
  })
}

/** The field for the litres of a change. */
function useChangeSize(unit: Ref<string>, shownLitres: (litres: number) => string) {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const changeText = ref('')
  const changeIssue = ref('')
  watch([() => desk.bucketL, unit], () => (changeText.value = shownLitres(desk.bucketL)), { immediate: true })
  const typeChange = (text: string) => (changeText.value = text)
  function setChange() {
    const read = readVolume(changeText.value, settings.units)
    const inIt = volumeText(desk.netL, settings.units)
    const tooMuch = `Less than the ${inIt} in the glass; to fill anew use the button below.`
    changeIssue.value = !read.ok ? read.issue : read.value >= desk.netL ? tooMuch : ''
    if (!read.ok || changeIssue.value) return
    desk.chosen = null
    desk.changeL = read.value
  }
  return { changeText, changeIssue, typeChange, setChange }
}
export type BucketBlend = ReturnType<typeof useBucketBlend>
