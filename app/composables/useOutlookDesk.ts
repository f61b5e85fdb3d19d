import { numberToAskFor, type OutlookAnswer } from '#core/outlook'
import { begun, type Colony, type Scenario, type ScenarioChange, toMoment } from '#core/records'
import { openDb } from '~/data/database'
import { newId } from '~/data/newId'
import { scenariosOf } from '~/data/records'
import { emptyScenario, readScenario, scenarioDraft } from '~/forms/scenarioDraft'
import { wholeNumber } from '~/forms/wholeNumber'
import { changeText } from '~/words/outlook'

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

/**
 * What the Outlook of one colony stands on: the scenario that is typed, those that were saved, what is asked, and the
 * answers as they come.
 */
export function useOutlookDesk(colony: Readonly<Ref<Colony | undefined>>) {
  const statements = useStatementsStore()
  const log = useLogStore()
  const numbers = useNumbers()
  const { save: saveRecord } = useSave({ queue: true })
  const told = computed(() => (colony.value ? statements.of(colony.value.id) : null))

  const draft = ref(emptyScenario())
  const name = ref('')
  const editing = ref('')
  const shown = ref<string[]>([])
  const read = computed(() => readScenario(draft.value))
  const changed = computed(() => read.value.ok && Object.keys(read.value.change).length > 0)
  const { value: saved } = useLiveQuery<Scenario[]>(
    () => scenariosOf(openDb(), colony.value?.id ?? ''),
    [],
    () => colony.value?.id,
  )
  function startAnew() {
    draft.value = emptyScenario()
    editing.value = ''
    name.value = ''
  }
  watch(
    () => colony.value?.id,
    () => {
      startAnew()
      shown.value = []
    },
  )

  // what is asked
  const number = ref('50')
  const of = ref<'total' | 'halfGrown'>('total')
  const byWeek = ref('12')
  const weeks = ref<'26' | '52' | '104'>('52')
  watch(
    () => colony.value && told.value?.population.now.value,
    now => {
      if (now) number.value = String(numberToAskFor(now))
    },
    { immediate: true },
  )
  const wanted = computed(() => wholeNumber(number.value, 1))
  const due = computed(() => wholeNumber(byWeek.value, 1))
  const ask = computed(() => ({
    weeks: Number(weeks.value),
    number: wanted.value.ok ? wanted.value.value : 50,
    of: of.value,
    byWeek: due.value.ok ? Math.min(Number(weeks.value), due.value.value) : 12,
  }))

  const lines = computed<OutlookLine[]>(() =>
    [
      { id: 'now', name: 'As things are', change: {} },
      ...(read.value.ok && changed.value
        ? [
            {
              id: 'draft',
              name: saved.value.find(s => s.id === editing.value)?.name ?? 'This one',
              change: read.value.change,
            },
          ]
        : []),
      ...saved.value
        .filter(s => shown.value.includes(s.id) && s.id !== editing.value)
        .map(s => ({ id: s.id, name: s.name, change: s.change })),
    ]
      .slice(0, colours.length)
      .map((line, i) => ({ ...line, colour: colours[i]!, dash: [...dashes[i]!] })),
  )
  const answers = shallowRef(new Map<string, OutlookAnswer>())
  watchDebounced(
    [() => told.value?.asOf, lines, ask],
    async () => {
      if (!colony.value || !told.value) return
      const ids = new Set(lines.value.map(l => l.id))
      answers.value = new Map([...answers.value].filter(([id]) => ids.has(id)))
      await numbers.outlook(colony.value, {
        scenarios: lines.value.map(({ id, change }) => ({ id, change })),
        ask: ask.value,
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
      return answer ? [{ ...line, answer, fan: of.value === 'total' ? answer.fan : answer.halfGrown }] : []
    }),
  )

  async function save() {
    if (!colony.value || !read.value.ok || !changed.value) return
    const id = editing.value || newId()
    const title = name.value.trim() || changeText(read.value.change).slice(0, 60)
    const old = saved.value.find(s => s.id === id) ?? begun(id, Date.now())
    const scenario = { ...old, colonyId: colony.value.id, name: title, change: read.value.change }
    if (!(await saveRecord('scenarios', scenario))) return
    shown.value = [...new Set([...shown.value, id])]
    startAnew()
    log.tell(`“${title}” saved.`)
  }
  function change(s: Scenario) {
    editing.value = s.id
    name.value = s.name
    draft.value = scenarioDraft(s.change)
  }
  async function putAway(s: Scenario) {
    const ended = { at: toMoment(Date.now()), why: 'putAway' as const }
    if (!(await saveRecord('scenarios', { ...s, ended }))) return
    if (editing.value === s.id) startAnew()
    log.tell(`“${s.name}” put away.`)
  }
  return {
    told,
    draft,
    name,
    shown,
    read,
    changed,
    saved,
    number,
    of,
    byWeek,
    weeks,
    wanted,
    due,
    ask,
    lines,
    drawn,
    numbers,
    save,
    change,
    putAway,
  }
}
