import { expose } from 'comlink'
import { createPinia, disposePinia, type Pinia, setActivePinia } from 'pinia'
import { effectScope, type EffectScope } from 'vue'
import { afterEach, beforeEach, vi } from 'vitest'
import type { Entry, Room } from '#core/records'
import { findRecipe } from '#core/water'
import { openDb } from '~/data/database'
import { saveTogether, type Write } from '~/data/saveRecord'
import { useWaterDeskStore } from '~/stores/waterDesk'
import { useSettingsStore } from '~/stores/settings'
import type { smallRoom } from '../../make'
import { NOW } from '../../make'

/** Workers that answer in tests of desks; the others take questions and never answer: they have tests of their own. */
const ANSWERING: Readonly<Record<string, object>> = { recipes: { findRecipe } }

/** Stands in for a worker: what it would do is done here, and reached through messages as there. */
class BenchWorker {
  private readonly channel = new MessageChannel()
  readonly addEventListener: MessagePort['addEventListener']
  readonly removeEventListener: MessagePort['removeEventListener']
  readonly postMessage: MessagePort['postMessage']
  constructor(_: URL, { name = '' }: WorkerOptions) {
    const { port1, port2 } = this.channel
    this.addEventListener = port1.addEventListener.bind(port1)
    this.removeEventListener = port1.removeEventListener.bind(port1)
    this.postMessage = port1.postMessage.bind(port1)
    port1.start()
    if (ANSWERING[name]) expose(ANSWERING[name], port2)
  }
  terminate() {
    this.channel.port1.close()
  }
}

let scope: EffectScope
let stores: Pinia

/**
 * Stores, database and clock as a page has them, new for each test. The clock stands still at `NOW`.
 * @example
 * useBench()
 * it('…', async () => {
 *   await put(room, [{ table: 'glasses', record: glass }], [waterTest])
 *   const desk = onPage(useHistoryDesk)
 *   await vi.waitFor(() => expect(desk.keys).toEqual(['khDh']))
 * })
 */
export function useBench() {
  beforeEach(() => {
    vi.useFakeTimers({ toFake: ['Date'], now: NOW })
    vi.stubGlobal('Worker', BenchWorker)
    vi.stubGlobal('navigator', { hardwareConcurrency: 2 })
    setActivePinia((stores = createPinia()))
    scope = effectScope()
  })
  afterEach(async () => {
    scope.stop()
    // what is saved as a page is left is written before the next test begins
    await new Promise(resolve => setTimeout(resolve, 20))
    // their queries would go on, and make the old stores the current ones again
    disposePinia(stores)
    vi.useRealTimers()
    vi.unstubAllGlobals()
    const db = openDb()
    await db.transaction('rw', db.tables, () => Promise.all(db.tables.map(t => t.clear())))
  })
}

/** Writes a room, its records and its log, and opens it as a keeper would have it open. */
export async function put(room: Room, records: readonly Write[], entries: readonly Entry[] = []) {
  await saveTogether(openDb(), [{ table: 'rooms', record: room }, ...records], entries, NOW)
  useSettingsStore(stores).roomId = room.id
}

/** Runs a composable as a component would, until the test ends. */
export const onPage = <T>(use: () => T): T => scope.run(use)!

/**
 * The water of the one glass of a small room at the bench, with its log read.
 * @param records what stands in the room beside the glass and its colony
 */
export async function atTheBench(
  s: ReturnType<typeof smallRoom>,
  entries: readonly Entry[],
  records: readonly Write[] = [],
) {
  await put(
    s.room,
    [
      { table: 'racks', record: s.rack },
      { table: 'glasses', record: s.glass },
      { table: 'colonies', record: s.colony },
      ...records,
    ],
    entries,
  )
  const desk = onPage(() => useWaterDeskStore())
  desk.glassId = s.glass.id
  await vi.waitFor(() => {
    if (!desk.ready || desk.entries.length < entries.length || !desk.glass) throw new Error('not read yet')
  })
  return desk
}
