import { carried, type Direction, onShelf, placeAt, type ShelfPlace } from '#core/records'
import { focusGlass, glassBeside } from '~/components/room/glassesOnScreen'

const arrows: Record<string, Direction> = { ArrowLeft: 'left', ArrowRight: 'right', ArrowUp: 'up', ArrowDown: 'down' }

/** Walking the shelves with arrow keys, and carrying a glass from one place to another. */
export function useRoomWalk() {
  const room = useRoomStore()
  const sheets = useSheets()
  const { place, put, toldOf, whereText } = usePlacing()
  const atHand = useAtHand()
  const walked = useState('room.focused', () => '')
  const movingId = ref('')
  const announcement = ref('')
  let before: ShelfPlace | null = null

  const focusedId = computed({
    // one glass can be reached with Tab, the others with arrows; the first one until the keeper has walked
    get: () =>
      room.glassById.has(walked.value) ? walked.value : (room.drawn.flatMap(d => d.shelves.flat())[0]?.id ?? ''),
    set: id => {
      walked.value = id
      atHand.value = room.coloniesByGlass.get(id)?.[0]?.id ?? atHand.value
    },
  })

  async function carry(direction: Direction) {
    const glass = room.glassById.get(movingId.value)
    const to = glass && carried(room.racks, room.glasses, glass, direction)
    if (!glass || !to) return
    await place(glass.id, to)
    announcement.value = `${glass.name}: ${whereText(to.rackId, to.shelf)}`
    await focusGlass(glass.id)
  }

  function walk(direction: Direction) {
    const next = glassBeside(focusedId.value, direction)
    if (next) void focusGlass(next)
  }

  function keydown(event: KeyboardEvent) {
    const glassId = (event.target as HTMLElement).closest<HTMLElement>('[data-glass]')?.dataset.glass
    if (!glassId || event.ctrlKey || event.metaKey || event.altKey) return
    const direction = arrows[event.key]
    if (direction) {
      event.preventDefault()
      if (movingId.value) void carry(direction)
      else walk(direction)
    } else if (event.key === 'm' && !movingId.value) {
      movingId.value = glassId
      before = room.glassById.get(glassId)?.place ?? null
      announcement.value = 'Arrows carry the glass, Enter puts it down, Escape takes it back.'
    } else if (movingId.value && (event.key === 'Enter' || event.key === 'm')) {
      event.preventDefault()
      toldOf(movingId.value, before, 'put down.')
      movingId.value = ''
    } else if (movingId.value && event.key === 'Escape') {
      const id = movingId.value
      movingId.value = ''
      if (before) void place(id, before).then(() => focusGlass(id))
    } else if (event.key === 'e') {
      event.preventDefault()
      sheets.glass.value = { glassId }
    }
  }
  return { focusedId, movingId, put, keydown, announcement }
}

/** Putting glasses to other places in the room. */
function usePlacing() {
  const room = useRoomStore()
  const log = useLogStore()
  const { save } = useSave({ queue: true })

  /** Writes the new place and waits until it has come back from the records: only then does the glass stand there. */
  async function place(glassId: string, to: ShelfPlace) {
    const glass = room.glassById.get(glassId)
    if (!glass) return
    if (!(await save('glasses', { ...glass, place: to }))) return
    await until(() => room.glassById.get(glassId)?.place).toMatch(
      p => p?.rackId === to.rackId && p.shelf === to.shelf && p.position === to.position,
      { timeout: 1000 },
    )
  }

  /** Puts a glass at an index of a shelf (drag and drop). */
  async function put(glassId: string, rackId: string, shelf: number, index: number) {
    const from = room.glassById.get(glassId)?.place ?? null
    await place(
      glassId,
      placeAt(
        onShelf(room.glasses, rackId, shelf).filter(g => g.id !== glassId),
        rackId,
        shelf,
        index,
      ),
    )
    toldOf(glassId, from, `stands on ${whereText(rackId, shelf)} now.`)
  }
  /** Says where a glass stands now; the notice carries it back to where it stood. */
  function toldOf(glassId: string, from: ShelfPlace | null, words: string) {
    log.tell(
      `${room.glassById.get(glassId)?.name ?? 'The glass'} ${words}`,
      from
        ? async () => {
            await place(glassId, from)
            return 'Taken back.'
          }
        : undefined,
    )
  }

  const whereText = (rackId: string, shelf: number) =>
    `${room.racks.find(r => r.id === rackId)?.name ?? ''}, shelf ${shelf + 1}`
  return { place, put, toldOf, whereText }
}
