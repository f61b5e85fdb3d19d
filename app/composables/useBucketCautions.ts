import { carbonateRemark } from '#core/care'
import { DAY_MS } from '#core/records'
import { recipeKeys } from '#core/water'
import { purchaseText, shortText } from '~/words/recipe'
import { stoneText } from '~/words/recipeAside'
import { aheadText, dayText } from '~/words/when'
import type { BucketBlend } from './useBucketBlend'
import type { RecipeCard } from './useRecipeCard'

/** So many days make a test of the glass old, and an analysis of a source: waters change with the year. */
const TEST_DAYS = 30
const ANALYSIS_DAYS = 365

/** What speaks against pouring a recipe as it stands, in the order of weight; empty when nothing does. */
export function useBucketCautions(card: RecipeCard, blend: BucketBlend) {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()

  const shortOf = computed(() => {
    if (!desk.recipe || !desk.question || desk.recipe.reached) return ''
    const remedy = desk.chosen
      ? 'Let it be solved, or choose another blend.'
      : purchaseText(desk.purchase, desk.question, desk.now)
    return `${shortText(desk.recipe, settings.units)}. ${remedy}`
  })
  const usedUp = computed(() => {
    const { reached = true, needs = [] } = desk.recipe ?? {}
    const boxes = reached ? [] : needs.filter(n => n.usedUp).map(n => card.names.item(n.id)?.name ?? 'a salt')
    return boxes.length > 0 ? `It takes all that is left of ${boxes.join(' and ')}: the shelf does not reach.` : ''
  })
  const early = computed(() => {
    if (!desk.early) return ''
    const [last, next] = [dayText(desk.lastChangeMs!, desk.nowMs), aheadText(desk.nextChangeMs, desk.nowMs)]
    const why = 'poured earlier, values move faster than these animals take in a week.'
    return `The last change was ${last}. The next is due ${next}: ${why}`
  })
  const oldTest = computed(() => {
    const readings = recipeKeys.filter(k => desk.shared.targets[k]).map(k => desk.story.readings.get(k)?.at(-1)?.at)
    const newest = Math.max(...readings.map(ms => ms ?? -Infinity))
    const old = Number.isFinite(newest) && desk.nowMs - newest > TEST_DAYS * DAY_MS
    return old && !desk.filling ? 'The last test is more than a month old: test before you correct.' : ''
  })
  const oldAnalysis = computed(() => {
    const isOld = (testedMs: number | null) => testedMs !== null && desk.nowMs - testedMs > ANALYSIS_DAYS * DAY_MS
    const named = blend.rows.filter(r => r.litres > 0 && isOld(r.testedMs)).map(r => r.name)
    const again = 'the analysis is more than a year old. Test it again, or ask your supplier.'
    return named.length > 0 ? `${named.join(', ')}: ${again}` : ''
  })
  const livesHere = computed(() =>
    desk.refilling && desk.colonies.length > 0
      ? 'Animals live here: a whole new fill is for an empty glass. Take them out first, and bring them back by drip.'
      : '',
  )
  const stone = computed(() => {
    const [first] = desk.groups
    if (!desk.glass || !first || !(desk.netL > 0) || !desk.glass.carbonateG) return ''
    const remark = carbonateRemark(first.group, desk.glass.carbonateG, desk.netL)
    return remark ? stoneText(remark, first.group.name) : ''
  })
  return computed(() =>
    [shortOf, livesHere, usedUp, early, oldTest, oldAnalysis, stone].map(c => c.value).filter(Boolean),
  )
}
