import type { CountingApi } from '~/workers/counting.worker'

/** The worker that looks at pictures, for as long as a page needs it. */
export const useCounting = () =>
  useWorker<CountingApi>(
    () => new Worker(new URL('../workers/counting.worker.ts', import.meta.url), { type: 'module', name: 'counting' }),
  )
