import { openDb } from '~/data/database'

interface Stamped<T> {
  value: T
  /** grows with every change, so that the later of two copies is known */
  turn: number
}

/**
 * Something that this device must not forget, not even when the browser is killed: it is read at once from local
 * storage, which browsers write to disk only after a while, and kept in the database as well, which they write at once.
 * Whichever copy is later counts.
 */
export function useDurable<T>(key: string, empty: T) {
  const stored = useLocalStorage<Stamped<T>>(
    key,
    { value: empty, turn: 0 },
    { shallow: true, serializer: { read: text => readStamped(text, empty), write: JSON.stringify } },
  )
  const db = openDb()
  void db.kept
    .get(key)
    .then(copy => {
      if (copy && copy.turn > stored.value.turn) stored.value = { value: copy.value as T, turn: copy.turn }
    })
    // trouble with the database is told by its own store
    .catch(() => undefined)
  return computed<T>({
    get: () => stored.value.value,
    set: value => {
      const turn = stored.value.turn + 1
      stored.value = { value, turn }
      void db.kept.put({ id: key, value: toRaw(value), turn }).catch(() => undefined)
    },
  })
}

/** Reads what local storage holds; text of an earlier version of the app has no turn. */
function readStamped<T>(text: string, empty: T): Stamped<T> {
  try {
    const read = JSON.parse(text) as unknown
    if (typeof read === 'object' && read !== null && 'turn' in read) return read as Stamped<T>
    return { value: read === null || typeof read !== 'object' ? empty : (read as T), turn: 0 }
  } catch {
    return { value: empty, turn: 0 }
  }
}
