import { proxy } from 'comlink'
import type { OutlookAnswer, OutlookAsk } from '#core/outlook'
import type { Colony } from '#core/records'
import type { NumbersApi, NumbersSubject, ScenarioAsked, SurplusAsked, SurplusPart } from '~/workers/numbers.worker'

/** What is asked of the Outlook: scenarios with the same luck, and where their answers go. */
export interface OutlookWanted {
  scenarios: ScenarioAsked[]
  ask: OutlookAsk
  /** futures of each scenario */
  futures: number
  give: (id: string, answer: OutlookAnswer, done: number) => void
}

/** The worker behind Outlook and Surplus, for as long as a page needs it. A new question stops the one before. */
export function useNumbers() {
  const statements = useStatementsStore()
  const worker = useWorker<NumbersApi>(
    () => new Worker(new URL('../workers/numbers.worker.ts', import.meta.url), { type: 'module', name: 'numbers' }),
  )
  const busy = ref(false)

  async function ask(work: Parameters<typeof worker.run<boolean>>[0]) {
    busy.value = true
    // a stopped one leaves the busy mark to the one that stopped it
    if ((await worker.run(work)) !== false) busy.value = false
  }
  const about = (colony: Colony): NumbersSubject | null => {
    const subject = statements.subjectOf(colony)
    return subject && { subject, nowMs: Date.now() }
  }
  /** Lives scenarios through; answers come as they are ready. */
  async function outlook(colony: Colony, { give, ...wanted }: OutlookWanted) {
    const subject = about(colony)
    if (subject) await ask(api => api.outlook(subject, wanted, proxy(give)))
  }
  /** Searches a colony's surplus; parts come as they are found. */
  async function surplus(colony: Colony, asked: SurplusAsked, give: (part: SurplusPart) => void) {
    const subject = about(colony)
    if (subject) await ask(api => api.surplus(subject, asked, proxy(give)))
  }
  async function stop() {
    await worker.run(api => api.stop())
    busy.value = false
  }
  return reactive({ outlook, surplus, stop, busy, failed: toRef(worker, 'failed'), again: worker.again })
}
