import { defineStore } from 'pinia'
import type { Colony, Glass, Rack } from '#core/records'
import { openDb } from '~/data/database'
import { roomRecords, type RoomRecords } from '~/data/records'

/** A rack with its shelves from top to bottom and the glasses on each from left to right. */
export interface DrawnRack {
  rack: Rack
  shelves: Glass[][]
}

/** The room on screen: its racks, glasses and colonies, following every write. */
export const useRoomStore = defineStore('room', () => {
  const settings = useSettingsStore()
  const none: RoomRecords = {
    rooms: [],
    room: null,
    racks: [],
    glasses: [],
    colonies: [],
    sources: [],
    shelf: [],
    plans: [],
  }
  const { value: records, ready } = useLiveQuery(
    () => roomRecords(openDb(), settings.roomId),
    none,
    () => settings.roomId,
  )

  // a watched query keeps silent about a database that does not open
  const error = ref('')
  void openDb()
    .open()
    .catch((e: unknown) => {
      error.value = e instanceof Error ? e.message : String(e)
    })

  const rooms = computed(() => records.value.rooms)
  const room = computed(() => records.value.room)
  const racks = computed(() => records.value.racks)
  const glasses = computed(() => records.value.glasses)
  const colonies = computed(() => records.value.colonies)
  const sources = computed(() => records.value.sources.filter(s => !s.retired))
  const shelf = computed(() => records.value.shelf.filter(s => !s.retired))
  const plans = computed(() => records.value.plans.filter(p => !p.retired))
  const glassById = computed(() => new Map(glasses.value.map(g => [g.id, g])))
  const colonyById = computed(() => new Map(colonies.value.map(c => [c.id, c])))
  const coloniesByGlass = computed(() => {
    const map = new Map<string, Colony[]>()
    for (const colony of colonies.value) map.set(colony.glassId, [...(map.get(colony.glassId) ?? []), colony])
    return map
  })
  const drawn = computed<DrawnRack[]>(() =>
    racks.value.map(rack => ({
      rack,
      shelves: Array.from({ length: rack.shelves }, (_, shelf) =>
        glasses.value
          .filter(g => g.place.rackId === rack.id && g.place.shelf === shelf)
          .sort((a, b) => a.place.position - b.place.position),
      ),
    })),
  )
  return {
    ready,
    error,
    rooms,
    room,
    racks,
    glasses,
    colonies,
    sources,
    shelf,
    plans,
    glassById,
    colonyById,
    coloniesByGlass,
    drawn,
  }
})
