import { format } from 'date-fns'
import { deviceDay } from '~/forms/deviceDays'
import { DAY_MS, type Glass, toMoment } from '#core/records'
import { readoutsOf, recipeKeys, type RecipeStep } from '#core/water'
import { saveFile } from '~/files/saveFile'
import { cautionText } from '~/words/cautions'
import { plain } from '~/words/numbers'
import { type BenchNames, type BenchStep, recipeHeadline, weighAndPour } from '~/words/recipe'
import { rangeText, valueName, valueText, volumeText } from '~/words/unitPrefs'

/** A reading of the tank's temperature counts for so long when the bucket is brought to it. */
const FRESH_TEMPERATURE_DAYS = 60

/** The recipe at hand as steps at the bench, as a card to print, and as an entry once it is poured. */
export function useRecipeCard() {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const names: BenchNames = {
    source: id => desk.sources.find(s => s.source.id === id)?.source,
    item: id => desk.shelf.find(s => s.item.id === id)?.item,
  }

  const step = computed(() => desk.recipe?.steps[0] ?? null)
  const temperatureC = computed(() => {
    const read = desk.story.readings.get('temperatureC')?.at(-1)
    if (read && read.at > desk.nowMs - FRESH_TEMPERATURE_DAYS * DAY_MS) return read.value
    const target = desk.shared.targets.temperatureC
    return target ? (target.aim ?? (target.preferred[0] + target.preferred[1]) / 2) : null
  })
  const steps = computed(() =>
    step.value
      ? weighAndPour(step.value, names, { temperatureC: temperatureC.value, filling: desk.filling }, settings.units)
      : [],
  )
  const headline = computed(() => (desk.recipe ? recipeHeadline(desk.recipe, desk.filling, settings.units) : ''))
  const cautions = computed(() => [
    ...(step.value && step.value.weighs.length > 0 ? [cautionText('salts')!] : []),
    cautionText('electricity')!,
    ...(step.value && step.value.bucket.seaSaltGL > 1 ? [cautionText('seaSalt')!] : []),
  ])

  const { pouring, pourIt } = usePouring(step, names)
  const savePdf = useRecipePaper({ step, steps, headline, cautions })
  return { pouring, step, steps, temperatureC, headline, cautions, names, pourIt, savePdf }
}

/** Logging the change at hand as it was poured. */
function usePouring(step: Ref<RecipeStep | null>, names: BenchNames) {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const log = useLogStore()
  const pouring = ref(false)
  /**
   * Logs the first change as it was poured; the strips know of it at once. A second press while it is written does
   * nothing.
   */
  async function pourIt() {
    const glass = desk.glass
    const made = step.value
    if (!glass || !made || pouring.value) return
    pouring.value = true
    try {
      await write(glass, made)
    } finally {
      pouring.value = false
    }
  }
  async function write(glass: Glass, made: RecipeStep) {
    const saved = await log.save(
      {
        ...log.stamp(),
        at: toMoment(Date.now()),
        kind: 'waterChange',
        glassId: glass.id,
        litres: Number(made.changeL.toFixed(3)),
        water: made.bucket,
        poured: made.pours.map(p => ({ sourceId: p.id, name: names.source(p.id)?.name ?? 'water', litres: p.litres })),
        weighed: made.weighs.map(w => ({
          itemId: w.id,
          name: names.item(w.id)?.name ?? 'salt',
          grams: w.measured.grams,
        })),
      },
      desk.filling
        ? `${glass.name}: filled with ${volumeText(made.changeL, settings.units)}.`
        : `${glass.name}: change of ${volumeText(made.changeL, settings.units)} logged.`,
    )
    if (!saved) return
    desk.chosen = null
    desk.refilling = false
  }
  return { pouring, pourIt }
}

/** What is printed of a recipe. */
interface OnPaper {
  step: Ref<RecipeStep | null>
  steps: Ref<BenchStep[]>
  headline: Ref<string>
  cautions: Ref<string[]>
}
/** The recipe as a card to print. @returns what saves it */
function useRecipePaper({ step, steps, headline, cautions }: OnPaper): () => Promise<void> {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  return async function savePdf() {
    const glass = desk.glass
    const made = step.value
    if (!glass || !made) return
    const { recipePdf } = await import('~/files/recipePdf')
    const before = readoutsOf(made.before)
    const after = readoutsOf(made.after)
    const day = deviceDay(desk.nextChangeMs)
    const bytes = await recipePdf({
      title: `Water for ${glass.name}`,
      about:
        `${format(desk.nextChangeMs, 'EEE d MMM yyyy')} · ${volumeText(made.changeL, settings.units)} into ` +
        `${volumeText(desk.netL, settings.units)}`,
      headline: plain(headline.value),
      steps: steps.value.map(s => plain(s.text)),
      rows: recipeKeys
        .filter(k => desk.shared.targets[k])
        .map(k => ({
          name: valueName(k),
          now: desk.filling ? 'empty' : valueText(k, before[k], settings.units),
          then: valueText(k, after[k], settings.units),
          target: rangeText(k, ...desk.shared.targets[k]!.preferred, settings.units),
        })),
      cautions: cautions.value,
      foot: 'Made by Ulkin from your analyses and tests. Check the bucket before you pour.',
    })
    saveFile(`recipe-${glass.name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}-${day}.pdf`, bytes, 'application/pdf')
  }
}
export type RecipeCard = ReturnType<typeof useRecipeCard>
