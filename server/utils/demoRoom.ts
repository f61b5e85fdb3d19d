import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'
import { lanternQuay } from '#demo'

/** What to make: see `lanternQuay`. */
interface DemoAsked {
  seed: number
  untilMs: number
}

/** Rooms that are kept: a room of one seed and day is always the same. */
const KEPT = 4
const made = new Map<string, Promise<string>>()

/** The demo room as JSON text: made once for each seed and day, beside the thread that answers, and kept. */
export function demoRoom(asked: DemoAsked): Promise<string> {
  const key = `${asked.seed} ${asked.untilMs}`
  const kept = made.get(key)
  if (kept) return kept
  const making = make(asked)
  made.set(key, making)
  // what failed is tried again
  making.catch(() => made.delete(key))
  if (made.size > KEPT) made.delete(made.keys().next().value!)
  return making
}

/**
 * The build puts the worker beside the server's own file; the development server has none and makes the room itself.
 */
const workerUrl = new URL('./demo.worker.mjs', import.meta.url)

function make(asked: DemoAsked): Promise<string> {
  if (!existsSync(fileURLToPath(workerUrl))) return Promise.resolve(JSON.stringify(lanternQuay(asked).backup))
  return new Promise((resolve, reject) => {
    const worker = new Worker(workerUrl, { workerData: asked })
    worker.once('message', resolve)
    worker.once('error', reject)
    worker.once('exit', code => {
      if (code !== 0) reject(new Error(`the demo's worker ended with ${code}`))
    })
  })
}
