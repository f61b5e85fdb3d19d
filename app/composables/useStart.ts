import { DAY_MS } from '#core/records'
import type { DemoApi } from '~/workers/demo.worker'
import { hasServer } from '~/devices/hasServer'
import { openDb } from '~/data/database'
import { dropOldAside } from '~/data/aside'
import { emptyRoom } from '~/forms/emptyRoom'
import { nameIssue } from '~/forms/nameIssue'

/** The invented room as a backup: from the server, or made beside the page where there is none. */
async function demoBackup(): Promise<unknown> {
  if (hasServer()) return $fetch('/api/demo/lantern-quay')
  const worker = lastingWorker<DemoApi>(
    () => new Worker(new URL('../workers/demo.worker.ts', import.meta.url), { type: 'module', name: 'demo' }),
  )
  // its records end as the day begins, in UTC, as those of the server do
  const untilMs = Math.floor(Date.now() / DAY_MS) * DAY_MS
  try {
    return await worker.call(api => api.make(untilMs))
  } finally {
    worker.end()
  }
}

/** Beginning: with the demo room, or with an empty one. Neither touches what is already on the device. */
export function useStart() {
  const settings = useSettingsStore()
  const { saveAll } = useSave()
  const busy = useState('start.busy', () => false)
  const problem = useState('start.problem', () => '')

  /** Fetches the invented room from the server and opens it beside any room that is here. */
  async function openDemo() {
    busy.value = true
    problem.value = ''
    try {
      const [file, { Backup }, { addMissing }] = await Promise.all([
        demoBackup(),
        import('#core/formats'),
        import('~/data/backups'),
      ])
      const backup = Backup.parse(file)
      await addMissing(openDb(), backup, Date.now())
      settings.roomId = backup.rooms[0]!.id
      await navigateTo('/')
    } catch {
      problem.value = hasServer()
        ? 'The demo room could not be fetched: the server does not answer. Nothing was changed; try again, or start ' +
          'with an empty room.'
        : 'The demo room could not be made. Nothing was changed; load the page anew, or start with an empty room.'
    } finally {
      busy.value = false
    }
  }

  /** Begins with a room that holds no glass yet. */
  async function openEmpty(name: string) {
    const label = name.trim() || 'My room'
    problem.value = nameIssue(label, '')
    if (problem.value) return
    const { room, records } = emptyRoom(label, Date.now())
    if (!(await saveAll(records))) return
    settings.roomId = room.id
    await navigateTo('/')
  }

  /** On a device without any room the server may ask for the demo (`npm run demo`). No answer is no problem. */
  async function begin() {
    // a database that does not open is told of on every page
    void dropOldAside(openDb(), Date.now()).catch(() => undefined)
    const rooms = await openDb()
      .records('rooms')
      .count()
      .catch(() => null)
    if (rooms === null || rooms > 0) return
    if (!hasServer()) return
    const health = await $fetch<{ startWith?: string }>('/api/health').catch(() => null)
    if (health?.startWith === 'demo' && (await openDb().records('rooms').count()) === 0) await openDemo()
  }
  return { busy, problem, openDemo, openEmpty, begin }
}
