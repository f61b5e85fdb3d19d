import { type ResolvedGroup, sharedTargets } from '#core/groups'
import type { Plan } from '#core/records'
import { type FillWish, needsTap, readoutsOf, recipeKeys, type RecipeStep } from '#core/water'
import { gramsText, num } from '~/words/numbers'
import { boughtText } from '~/words/planFit'
import { khForPhText, settlingText } from '~/words/recipeAside'
import { preciseVolume, valueName, valueText } from '~/words/unitPrefs'

/** What is filled for a plan. */
interface PlannedFill {
  plan: Plan
  groups: readonly ResolvedGroup[]
  netL: number
}

/** The first fill of a plan: from its water or the tap, with what is at hand and what has to be bought. */
export function usePlanFill(of: PlannedFill) {
  const settings = useSettingsStore()
  const desk = useWaterDeskStore()
  const shared = computed(() => sharedTargets(of.groups))
  /** The chosen water, or the tap, and pure water to thin it: that alone is no water to live in. */
  const sources = computed(() => {
    const { usable } = desk
    const base = usable.find(u => u.source.id === of.plan.sourceId) ?? usable.find(u => u.source.kind === 'tap')
    const pure = usable.filter(u => u !== base && (u.source.kind === 'pure' || u.source.kind === 'distilled'))
    return { base, all: base ? [base, ...pure] : pure }
  })
  function asked(): FillWish | null {
    const { targets } = shared.value
    if ((!sources.value.base && needsTap(targets)) || !(of.netL > 0) || of.groups.length === 0) return null
    const waters = sources.value.all.map(u => ({ id: u.source.id, water: u.water }))
    const onHand = { ...desk.onHand, sources: waters }
    return { onHand, netL: of.netL, targets, caMgByMass: desk.bench.caMgByMass }
  }
  const { question, standing, recipeWorker } = useAsked(
    asked,
    () => of.plan.id,
    (api, wish) => api.fillToBuy(wish),
  )
  const recipe = computed(() => (standing.value?.answer.ok ? standing.value.answer.recipe : null))
  const after = computed(() => recipe.value?.steps[0]!.after ?? null)
  const toBuy = computed(() => (standing.value?.toBuy ?? []).map(b => boughtText(b, settings.units)))
  const atHand = useAtHandLines(() => recipe.value?.steps[0] ?? null)
  /** "GH 7.2 °dH, KH 5.0 °dH": what it comes to. */
  const comes = computed(() => {
    const { targets } = shared.value
    const water = after.value
    if (!water) return ''
    return recipeKeys
      .filter(k => targets[k] && k !== 'calciumMgL')
      .map(k => `${valueName(k)} ${num(valueText(k, readoutsOf(water)[k], settings.units))}`)
      .join(', ')
  })
  const settles = computed(() => (after.value ? settlingText(after.value, shared.value.targets, null) : ''))
  const khForPh = computed(() => khForPhText(shared.value.targets, settings.units))
  /** salts do at once what the planned stone does in weeks: either is enough in the end */
  const stoneDoes = computed(
    () => of.plan.tank.carbonateGL > 0 && (standing.value?.toBuy ?? []).some(b => b.kind === 'salt'),
  )
  return reactive({
    shared,
    question,
    standing,
    recipeWorker,
    recipe,
    atHand,
    toBuy,
    comes,
    settles,
    khForPh,
    stoneDoes,
  })
}

/** What of a change is at hand: litres of the keeper's waters, grams of their boxes. */
function useAtHandLines(step: () => Pick<RecipeStep, 'pours' | 'weighs'> | null) {
  const room = useRoomStore()
  const settings = useSettingsStore()
  return computed(() => {
    const { pours, weighs } = step() ?? { pours: [], weighs: [] }
    const waters = new Map(room.sources.map(s => [s.id, s.name]))
    const boxes = new Map(room.shelf.map(s => [s.id, s.name]))
    return [
      ...pours.map(p => ({ amount: preciseVolume(p.litres, settings.units), what: waters.get(p.id) })),
      ...weighs.map(w => ({ amount: `${gramsText(w.measured.grams)} g`, what: boxes.get(w.id) })),
    ].filter(l => l.what !== undefined)
  })
}
