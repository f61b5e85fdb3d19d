import { toMoment } from '#core/records'
import { readVisit } from '~/forms/readVisit'
import type { GlassDraft, RoundQuestion } from '~/forms/roundDraft'
import { counted } from '~/words/numbers'
import type { RoundGlassAtHand } from './useRoundGlass'
import type { RoundValues } from './useRoundValues'

/**
 * Saving the glass at hand and going on.
 * @param keep gets what stood at a glass when it was saved
 */
export function useRoundSaving(
  at: RoundGlassAtHand,
  { verdicts, method }: RoundValues,
  keep: (glassId: string, draft: GlassDraft) => void,
) {
  const statements = useStatementsStore()
  const settings = useSettingsStore()
  const log = useLogStore()
  const rounds = useRoundStore()
  const { glassId, glass, colonies, draft, touches } = at

  const asked = ref(new Set<string>())
  const questions = ref<RoundQuestion[]>([])
  const saving = ref(false)
  watch(glassId, () => {
    asked.value = new Set()
  })
  // what was asked about is being put right
  watch([glassId, draft], () => (questions.value = []), { flush: 'sync' })

  function read(roundId: string) {
    const nowMs = Date.now()
    const loggedAt = toMoment(nowMs)
    return readVisit(draft.value, {
      glassId: glassId.value,
      colonies: colonies.value,
      roundId,
      items: new Map(touches.value.map(d => [d.item.key, d.item])),
      verdicts: verdicts.value,
      method,
      units: settings.units,
      nowMs,
      high: id => statements.of(id)?.population.now.high ?? null,
      stamp: () => ({ ...log.stamp(), loggedAt }),
      asked: asked.value,
    })
  }
  async function write(roundId: string, name: string): Promise<boolean> {
    const typed = read(roundId)
    if (!typed.ok) {
      questions.value = typed.questions
      for (const q of typed.questions) asked.value.add(q.key)
      return false
    }
    if (!(await log.saveAll(typed.entries, `${name}: ${savedText(typed.entries.length - 1)}`))) return false
    if (typed.entries.some(e => e.kind === 'molts')) settings.skinsTold = true
    keep(glassId.value, draft.value)
    rounds.keepDraft(glassId.value, null)
    rounds.settle(glassId.value, true)
    return true
  }
  /** Saves what stands there, with the visit, as one step. @returns whether it is saved */
  async function save(): Promise<boolean> {
    if (!rounds.round || !glass.value || saving.value) return false
    saving.value = true
    try {
      return await write(rounds.round.id, glass.value.name)
    } finally {
      saving.value = false
    }
  }

  return { questions, saving, save, ...useRoundSteps(at, save) }
}

/** What one glass of a round left in the log, beside that it was looked at. */
const savedText = (lines: number) =>
  lines === 0 ? 'looked at, nothing odd.' : `${counted(lines, 'line', 'lines').toLowerCase()} saved.`

/** Going on from the glass at hand: with what was typed, or past it. */
function useRoundSteps({ glassId, glass }: RoundGlassAtHand, save: () => Promise<boolean>) {
  const log = useLogStore()
  const rounds = useRoundStore()
  function goOn() {
    const next = rounds.nextAfter(glassId.value)
    if (next) return rounds.goTo(next)
    rounds.end()
    void navigateTo('/round/report')
  }
  async function saveAndGoOn() {
    if (await save()) goOn()
  }
  /** Passes the glass over; what was typed stays for later. */
  async function pass() {
    const round = rounds.round
    if (!round || !glass.value) return
    const passed = { kind: 'visit', glassId: glassId.value, roundId: round.id, outcome: 'passed' } as const
    const saved = await log.save(
      { ...log.stamp(), at: toMoment(Date.now()), ...passed },
      `${glass.value.name}: passed over.`,
    )
    if (!saved) return
    rounds.settle(glassId.value, true)
    goOn()
  }
  return { saveAndGoOn, pass }
}
