import { Backup } from '#core/formats'
import { openDb } from '~/data/database'
import { addMissing } from '~/data/backups'
import { saveRecord } from '~/data/records'
import { newId } from '~/data/newId'
import { type Source, toMoment, usualBench } from '#core/records'

/** Beginning: with the demo room, or with an empty one. Neither touches what is already on the device. */
export function useStart() {
  const settings = useSettingsStore()
  const busy = useState('start.busy', () => false)
  const problem = useState('start.problem', () => '')

  /** Fetches the invented room from the server and opens it beside any room that is here. */
  async function openDemo() {
    busy.value = true
    problem.value = ''
    try {
      const backup = Backup.parse(await $fetch('/api/demo/lantern-quay'))
      await addMissing(openDb(), backup, Date.now())
      settings.roomId = backup.rooms[0]!.id
      await navigateTo('/')
    } catch {
      problem.value =
        'The demo room could not be fetched: the server does not answer. Nothing was changed; try again, or start with an empty room.'
    } finally {
      busy.value = false
    }
  }

  /** A room with one rack, for the first glass. */
  async function openEmpty(name: string) {
    const now = Date.now()
    const editedAt = toMoment(now)
    const db = openDb()
    const room = { id: newId(), editedAt, name: name.trim() || 'My room', keepers: [], bench: usualBench }
    await saveRecord(db, 'rooms', room, now)
    await saveRecord(
      db,
      'racks',
      { id: newId(), editedAt, roomId: room.id, name: 'Rack 1', kind: 'rack', shelves: 2, order: 0 },
      now,
    )
    // pure water and a tap are what nearly everyone has; the tap says nothing until it is tested
    const source = (name: string, kind: Source['kind'], disinfectant: Source['disinfectant']): Source => ({
      id: newId(),
      editedAt,
      roomId: room.id,
      name,
      kind,
      disinfectant,
      analyses: [],
      retired: false,
    })
    await saveRecord(db, 'sources', source('Pure water', 'pure', 'none'), now)
    await saveRecord(db, 'sources', source('Tap', 'tap', 'unknown'), now)
    settings.roomId = room.id
    await navigateTo('/')
  }

  /** On a device without any room the server may ask for the demo (`npm run demo`). No answer is no problem. */
  async function begin() {
    // a database that does not open is told of by the Room itself
    const rooms = await openDb()
      .rooms.count()
      .catch(() => null)
    if (rooms === null || rooms > 0) return
    const health = await $fetch<{ startWith?: string }>('/api/health').catch(() => null)
    if (health?.startWith === 'demo' && (await openDb().rooms.count()) === 0) await openDemo()
  }
  return { busy, problem, openDemo, openEmpty, begin }
}
