import { defineStore } from 'pinia'
import { lastColony, livedIn, type Whereabouts, whereabouts } from '#core/animals'
import { type Animal, currentEntries, type Entry, inUse } from '#core/records'
import { openDb } from '~/data/database'
import { entriesOfAnimals } from '~/data/log'

/** A followed animal with where it lived and the standing entries that name it. */
export interface Followed {
  animal: Animal
  entries: readonly Entry[]
  where: Whereabouts
}

/** The followed animals of the room, each with where it lives: that follows from the log, and is stored nowhere. */
export const useAnimalsStore = defineStore('animals', () => {
  const room = useRoomStore()
  const { value: log, ready: read } = useLiveQuery(
    () =>
      entriesOfAnimals(
        openDb(),
        room.all.animals.map(a => a.id),
      ),
    new Map<string, Entry[]>(),
    () => room.all.animals.map(a => a.id).join(),
  )
  const lives = computed<Followed[]>(() =>
    room.all.animals.map(animal => {
      const entries = currentEntries(log.value.get(animal.id) ?? [])
      return { animal, entries, where: whereabouts(animal, entries) }
    }),
  )
  const ready = computed(() => room.ready && (room.all.animals.length === 0 || read.value))
  /** All that ever lived in a colony. */
  const everIn = (colonyId: string): Animal[] =>
    lives.value.filter(l => l.where.stays.some(s => s.colonyId === colonyId)).map(l => l.animal)
  /** Those that lived in a colony at a moment. */
  const livingIn = (colonyId: string, atMs: number): Animal[] =>
    lives.value.filter(l => inUse(l.animal) && livedIn(l.where, atMs) === colonyId).map(l => l.animal)
  const of = (animalId: string): Followed | null => lives.value.find(l => l.animal.id === animalId) ?? null
  /** The colony in which an animal lives, or lived last. */
  const homeOf = (animalId: string): string | null => {
    const life = of(animalId)
    return life && lastColony(life.where)
  }
  const nameOf = (animalId: string): string => room.animalById.get(animalId)?.name ?? 'one that is followed'
  return { ready, lives, everIn, livingIn, of, homeOf, nameOf }
})
