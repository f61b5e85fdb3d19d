import { proxy, wrap } from 'comlink'
import type { OutlookAnswer, OutlookAsk } from '#core/outlook'
import type { Colony } from '#core/records'
import type { NumbersApi, NumbersSubject, ScenarioAsked, SurplusAsked, SurplusPart } from '~/workers/numbers.worker'

/** The worker behind Outlook and Surplus, for as long as a page needs it. A new question stops the one before. */
export function useNumbers() {
  const statements = useStatementsStore()
  const worker = new Worker(new URL('../workers/numbers.worker.ts', import.meta.url), {
    type: 'module',
    name: 'numbers',
  })
  const api = wrap<NumbersApi>(worker)
  onScopeDispose(() => worker.terminate())
  const busy = ref(false)
  const failed = ref('')

  async function ask(work: () => Promise<boolean>) {
    busy.value = true
    failed.value = ''
    try {
      // a stopped one leaves the busy mark to the one that stopped it
      if (await work()) busy.value = false
    } catch (error) {
      failed.value = error instanceof Error ? error.message : String(error)
      busy.value = false
    }
  }
  const about = (colony: Colony): NumbersSubject | null => {
    const subject = statements.subjectOf(colony)
    return subject && { subject, nowMs: Date.now() }
  }
  /** Lives scenarios through; answers come as they are ready. */
  async function outlook(
    colony: Colony,
    scenarios: ScenarioAsked[],
    asked: OutlookAsk,
    futures: number,
    give: (id: string, answer: OutlookAnswer, done: number) => void,
  ) {
    const subject = about(colony)
    if (subject) await ask(() => api.outlook(subject, scenarios, asked, futures, proxy(give)))
  }
  /** Searches a colony's surplus; parts come as they are found. */
  async function surplus(colony: Colony, asked: SurplusAsked, give: (part: SurplusPart) => void) {
    const subject = about(colony)
    if (subject) await ask(() => api.surplus(subject, asked, proxy(give)))
  }
  async function stop() {
    await api.stop()
    busy.value = false
  }
  return { outlook, surplus, stop, busy, failed }
}
