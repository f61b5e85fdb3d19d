import { type Remote, wrap } from 'comlink'

/** A worker that did not load, or that broke down. */
export class WorkerTrouble extends Error {
  override readonly name = 'WorkerTrouble'
}

/** What a keeper reads when a worker does not answer. */
export const WORKER_TROUBLE =
  'What reckons in the background did not start or broke down. Nothing is lost: try again, or load the page anew.'

/** A worker that lasts, and is started anew after it broke down. */
export interface LastingWorker<Api> {
  /**
   * Uses the worker; it is started when it is used first.
   * @throws WorkerTrouble when it does not load or breaks down while it works: the next call starts a new one
   */
  call: <T>(use: (api: Remote<Api>) => Promise<T>) => Promise<T>
  end: () => void
}

/**
 * A worker outside of any component's life: whoever makes it ends it.
 * @param start makes it; the whole `new Worker(new URL(…))` stays in one expression, because Vite looks for that text
 */
export function lastingWorker<Api>(start: () => Worker): LastingWorker<Api> {
  let running: { worker: Worker; api: Remote<Api>; broken: Promise<never> } | null = null
  function begin() {
    const worker = start()
    // a worker that cannot start would never answer
    const broken = new Promise<never>((_, reject) => {
      const fail = (event: Event) =>
        reject(new WorkerTrouble(event instanceof ErrorEvent ? event.message : 'a message that cannot be read'))
      worker.addEventListener('error', fail)
      worker.addEventListener('messageerror', fail)
    })
    broken.catch(() => end())
    return { worker, api: wrap<Api>(worker), broken }
  }
  function end() {
    running?.worker.terminate()
    running = null
  }
  async function call<T>(use: (api: Remote<Api>) => Promise<T>): Promise<T> {
    running ??= begin()
    return Promise.race([use(running.api), running.broken])
  }
  return { call, end }
}

/**
 * The one way in which pages use a worker: it lasts as long as the page or component, and when it fails the page has a
 * sentence and a way to try again.
 * @example
 * const counting = useWorker<CountingApi>(() => new Worker(new URL('../workers/counting.worker.ts', import.meta.url), {
 * type: 'module' }))
 * const found = await counting.run(api => api.suggest(picture, settings))
 */
export function useWorker<Api>(start: () => Worker) {
  const { call, end } = lastingWorker<Api>(start)
  onScopeDispose(end)
  const busy = ref(0)
  /** a sentence while the last work failed */
  const failed = ref('')
  let last: (() => Promise<unknown>) | null = null

  /** Does some work. @returns its answer, or null when it failed: then `failed` says so */
  async function run<T>(use: (api: Remote<Api>) => Promise<T>): Promise<T | null> {
    last = () => run(use)
    busy.value++
    try {
      const answer = await call(use)
      failed.value = ''
      return answer
    } catch {
      failed.value = WORKER_TROUBLE
      return null
    } finally {
      busy.value--
    }
  }
  /** Does the last work again. */
  const again = () => last?.()
  return reactive({ run, again, failed, busy: computed(() => busy.value > 0) })
}
