import type { OutlookAnswer } from '#core/outlook'
import type { Colony, ScenarioChange } from '#core/records'

/** A scenario on the chart: things as they are, the one that is being tried, and saved ones that are shown. */
export interface OutlookLine {
  id: string
  name: string
  change: ScenarioChange
  colour: string
  dash: number[]
}

/** Futures of each scenario: enough that a chance is known to half of one in a hundred. */
export const OUTLOOK_FUTURES = 10_000
const colours = ['weed', 'roe', 'water', 'straw'] as const
const dashes: readonly (readonly number[])[] = [[], [8, 4], [2, 4], [12, 4, 2, 4]]

/** What the Outlook of one colony stands on: its scenarios, what is asked, and the answers as they come. */
export function useOutlookDesk(colony: Readonly<Ref<Colony | undefined>>) {
  const statements = useStatementsStore()
  const numbers = useNumbers()
  const told = computed(() => (colony.value ? statements.of(colony.value.id) : null))
  const scenarios = useScenarios(colony)
  const asked = useOutlookAsk(() => told.value?.population.now.value)

  const lines = computed<OutlookLine[]>(() => {
    const saved = scenarios.saved.value
    const editing = scenarios.editing.value
    const read = scenarios.read.value
    const typed =
      read.ok && scenarios.changed.value
        ? [{ id: 'draft', name: saved.find(s => s.id === editing)?.name ?? 'This one', change: read.change }]
        : []
    const beside = saved.filter(s => scenarios.shown.value.includes(s.id) && s.id !== editing)
    return [{ id: 'now', name: 'As things are', change: {} }, ...typed, ...beside]
      .slice(0, colours.length)
      .map(({ id, name, change }, i) => ({ id, name, change, colour: colours[i]!, dash: [...dashes[i]!] }))
  })
  const answers = shallowRef(new Map<string, OutlookAnswer>())
  watchDebounced(
    [() => told.value?.asOf, lines, asked.ask],
    async () => {
      if (!colony.value || !told.value) return
      const ids = new Set(lines.value.map(l => l.id))
      answers.value = new Map([...answers.value].filter(([id]) => ids.has(id)))
      await numbers.outlook(colony.value, {
        scenarios: lines.value.map(({ id, change }) => ({ id, change })),
        ask: asked.ask.value,
        futures: OUTLOOK_FUTURES,
        give: (id, answer) => {
          answers.value = new Map(answers.value).set(id, answer)
        },
      })
    },
    { immediate: true, debounce: 250 },
  )
  /** Scenarios with their answers, in the order of the lines. */
  const drawn = computed(() =>
    lines.value.flatMap(line => {
      const answer = answers.value.get(line.id)
      return answer ? [{ ...line, answer, fan: asked.of.value === 'total' ? answer.fan : answer.halfGrown }] : []
    }),
  )
  return reactive({ told, numbers, lines, drawn, ...scenarios, ...asked })
}
