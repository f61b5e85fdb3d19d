import { defineStore } from 'pinia'
import { type Colony, type Glass, inUse, presentGlassId, type Rack, stayAt, waterOf } from '#core/records'
import { openDb } from '~/data/database'
import { noRoom, type RoomRecords, roomRecords } from '~/data/records'

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
  const used = useUsed(all)
  // by their ids the ended ones are found too: the log speaks of them
  const glassById = computed(() => new Map(all.value.glasses.map(g => [g.id, g])))
  const colonyById = computed(() => new Map(all.value.colonies.map(c => [c.id, c])))
  const animalById = computed(() => new Map(all.value.animals.map(a => [a.id, a])))
  const rungById = computed(() => new Map(all.value.ladders.flatMap(l => l.rungs.map(r => [r.id, r]))))
  /** What a rung is called, whichever ladder it stands on. */
  const rungWords = (id: string): string => rungById.value.get(id)?.words ?? 'a rung that is gone'
  const coloniesByGlass = computed(() => {
    const map = new Map<string, Colony[]>()
    for (const colony of used.colonies.value) {
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
    used.racks.value.map(rack => ({
      rack,
      shelves: Array.from({ length: rack.shelves }, (_, shelf) =>
        used.glasses.value
          .filter(g => g.place.rackId === rack.id && g.place.shelf === shelf)
          .sort((a, b) => a.place.position - b.place.position),
      ),
    })),
  )
  return {
    ready,
    all,
    ...used,
    room: computed(() => all.value.room),
    glassById,
    colonyById,
    animalById,
    coloniesByGlass,
    glassOf,
    rungWords,
    waterIdAt,
    drawn,
  }
})

/** What has not ended. */
function useUsed(all: Ref<RoomRecords>) {
  return {
    rooms: computed(() => all.value.rooms.filter(inUse)),
    racks: computed(() => all.value.racks.filter(inUse)),
    glasses: computed(() => all.value.glasses.filter(inUse)),
    colonies: computed(() => all.value.colonies.filter(inUse)),
    animals: computed(() => all.value.animals.filter(inUse)),
    eggLots: computed(() => all.value.eggLots.filter(inUse)),
    ladders: computed(() => all.value.ladders.filter(inUse)),
    lines: computed(() => all.value.lines.filter(inUse)),
    generations: computed(() => all.value.generations.filter(inUse)),
    breedingGroups: computed(() => all.value.breedingGroups.filter(inUse)),
    sources: computed(() => all.value.sources.filter(inUse)),
    shelf: computed(() => all.value.shelf.filter(inUse)),
    plans: computed(() => all.value.plans.filter(inUse)),
  }
}
