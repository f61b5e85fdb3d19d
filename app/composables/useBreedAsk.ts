import type { Pick } from '#core/lines'
import type { OutlookAnswer } from '#core/outlook'
import { WEEK_MS } from '#core/records'
import type { ChoiceTold, LinesApi } from '~/workers/lines.worker'
import type { LineOf } from './useLines'
import type { TraysDesk } from './useTrays'

/** Generations that are told ahead. */
export const GENERATIONS_AHEAD = 4
/** Generations that a choice shall stay under the keeper's limit of inbreeding. */
export const GENERATIONS_WITHIN = 10
/** Futures that say when a number is back, and weeks they look ahead. */
const FUTURES = 300
const WEEKS = 104
/** A number is back where the middle future has this much of it: the last few animals may take for ever. */
const AS_GOOD_AS_BACK = 0.95

/** What a choice of breeders brings and costs: from the fit of the line, and from the population model. */
export function useBreedAsk(
  of: () => LineOf,
  desk: TraysDesk,
  worker: { run: ReturnType<typeof useWorker<LinesApi>>['run'] },
) {
  const choice = shallowRef<ChoiceTold | null>(null)
  const curve = shallowRef<Pick[]>([])
  watch(
    [desk.breeders, () => of().told],
    async ([breeders]) => {
      const text = JSON.stringify(breeders)
      const lineId = of().line.id
      const asked = { lineId, breeders: JSON.parse(text) as typeof breeders }
      const told = of().told ? await worker.run(api => api.choose({ ...asked, generations: GENERATIONS_AHEAD })) : null
      // an older answer is not shown over a newer question
      if (text === JSON.stringify(desk.breeders.value)) choice.value = told
    },
    { immediate: true },
  )
  watch(
    [desk.stockOf, () => of().told],
    async ([stock]) => {
      if (!stock || !of().told) return
      curve.value = (await worker.run(api => api.curve(of().line.id, { ...stock }))) ?? []
    },
    { immediate: true },
  )
  return { choice, curve, ...useComingBack(desk, curve) }
}
export type BreedAsk = ReturnType<typeof useBreedAsk>

/** Weeks until the middle future has so many again; null where it does not within two years. */
function weeksBack({ fan }: OutlookAnswer, number: number): number | null {
  const from = fan[0]?.at ?? 0
  const point = fan.find((p, i) => i > 0 && p.p50 >= number)
  return point ? (point.at - from) / WEEK_MS : null
}

/** When the number of the colony is back after some have left. */
function useComingBack(desk: TraysDesk, curve: Readonly<Ref<Pick[]>>) {
  const statements = useStatementsStore()
  const numbers = useNumbers()
  const { colony } = desk
  const there = computed(() => (colony.value && statements.of(colony.value.id)?.population.now.value) || 0)
  const back = shallowRef(new Map<number, number | null>())
  const leaving = computed(() => desk.total('offer') + desk.total('part'))
  /** Whom each pick of the curve would leave over, were the rest parted. */
  const parted = computed(() =>
    curve.value.map(p => Math.round((1 - p.share) * (desk.grown.value.females + desk.grown.value.males))),
  )
  watchDebounced(
    [leaving, parted, colony, there],
    async () => {
      const wanted = [...new Set([leaving.value, ...parted.value])].filter(n => n > 0)
      if (!colony.value || wanted.length === 0 || there.value === 0) return
      const number = Math.max(1, Math.round(there.value))
      const found = new Map<number, number | null>()
      await numbers.outlook(colony.value, {
        scenarios: wanted.map(n => ({ id: String(n), change: { takeNow: { of: 'adults' as const, number: n } } })),
        ask: { weeks: WEEKS, number, of: 'total', byWeek: 26 },
        futures: FUTURES,
        give: (id, answer) => void found.set(Number(id), weeksBack(answer, AS_GOOD_AS_BACK * number)),
      })
      back.value = found
    },
    { immediate: true, debounce: 300 },
  )
  const backOf = (number: number) => (number === 0 ? 0 : back.value.get(number))
  return { parted, leaving, backOf, there, colony, numbers }
}
