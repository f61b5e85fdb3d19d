import type { Remote } from 'comlink'
import type { StatementSubject } from '~/data/summaries'
import type { StatementsApi } from '~/workers/statements.worker'
import { lastingWorker } from './useWorker'

/**
 * The workers that reckon statements.
 * @returns `start`; `ask`, which asks each for the subjects that are its own, at once; and `look`, which tells them at
 * whom the keeper looks
 */
export function useStatementWorkers() {
  const startWorker = () =>
    lastingWorker<StatementsApi>(
      () =>
        new Worker(new URL('../workers/statements.worker.ts', import.meta.url), { type: 'module', name: 'statements' }),
    )
  /**
   * Several, where the device has cores to spare for them beside the page; each keeps the fits of its own colonies at
   * hand.
   */
  const POOL = Math.max(1, Math.min(3, (navigator.hardwareConcurrency || 2) - 1))
  const workers = new Map<number, ReturnType<typeof startWorker>>()
  /** Ids end in chance, so their tails share colonies out evenly. */
  const placeOf = (colonyId: string) => Number.parseInt(colonyId.slice(-4), 16) % POOL
  function workerAt(place: number) {
    const worker = workers.get(place) ?? startWorker()
    workers.set(place, worker)
    return worker
  }
  async function ask(
    subjects: readonly StatementSubject[],
    question: (api: Remote<StatementsApi>, own: StatementSubject[]) => Promise<void>,
  ): Promise<void> {
    await Promise.all(
      Array.from({ length: POOL }, async (_, place) => {
        const own = subjects.filter(s => placeOf(s.colony.id) === place)
        if (own.length > 0) await workerAt(place).call(api => question(api, own))
      }),
    )
  }
  function look(colonyId: string): void {
    // a worker that was never asked for anything has nothing to put first
    for (const worker of workers.values()) void worker.call(api => api.look(colonyId)).catch(() => undefined)
  }
  /** Starts them before the first question: they load while the page reads its records. */
  function start(): void {
    for (let place = 0; place < POOL; place++) void workerAt(place).call(() => Promise.resolve())
  }
  return { ask, look, start }
}
