import { defineStore } from 'pinia'
import { type Colony, type Glass, inUse, presentGlassId, type Rack, stayAt, waterOf } from '#core/records'
import { openDb } from '~/data/database'
import { noRoom, roomRecords } from '~/data/records'

/** A rack with its shelves from top to bottom and the glasses on each from left to right. */
export interface DrawnRack {
  rack: Rack
  shelves: Glass[][]
}

/** The room on screen: its racks, glasses and colonies, following every write. What has ended is in `all` alone. */
export const useRoomStore = defineStore('room', () => {
  const settings = useSettingsStore()
  const { value: all, ready } = useLiveQuery(
    () => roomRecords(openDb(), settings.roomId),
    noRoom,
    () => settings.roomId,
  )
  const rooms = computed(() => all.value.rooms.filter(inUse))
  const room = computed(() => all.value.room)
  const racks = computed(() => all.value.racks.filter(inUse))
  const glasses = computed(() => all.value.glasses.filter(inUse))
  const colonies = computed(() => all.value.colonies.filter(inUse))
  const lines = computed(() => all.value.lines.filter(inUse))
  const sources = computed(() => all.value.sources.filter(inUse))
  const shelf = computed(() => all.value.shelf.filter(inUse))
  const plans = computed(() => all.value.plans.filter(inUse))
  // by their ids the ended ones are found too: the log speaks of them
  const glassById = computed(() => new Map(all.value.glasses.map(g => [g.id, g])))
  const colonyById = computed(() => new Map(all.value.colonies.map(c => [c.id, c])))
  const coloniesByGlass = computed(() => {
    const map = new Map<string, Colony[]>()
    for (const colony of colonies.value) {
      const glassId = presentGlassId(colony)
      map.set(glassId, [...(map.get(glassId) ?? []), colony])
    }
    return map
  })
  /** The glass in which a colony lives. */
  const glassOf = (colony: Colony | undefined): Glass | undefined =>
    colony && glassById.value.get(presentGlassId(colony))
  /** The glass whose water a colony lived in at a moment; that of its host for one in a box. */
  function waterIdAt(colony: Colony, atMs: number): string {
    const { glassId } = stayAt(colony.stays, atMs)
    const glass = glassById.value.get(glassId)
    return glass ? waterOf(glass, atMs, glassById.value).id : glassId
  }
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
    all,
    rooms,
    room,
    racks,
    glasses,
    colonies,
    lines,
    sources,
    shelf,
    plans,
    glassById,
    colonyById,
    coloniesByGlass,
    glassOf,
    waterIdAt,
    drawn,
  }
})
