import { mdiBookOpenPageVariantOutline, mdiChartBellCurveCumulative, mdiViewGridOutline } from '@mdi/js'

export interface Place { id: string, title: string, letter: string, icon: string, to: string, what: string }

/** The places of the app in the order of the work; each has a letter after Space. */
export function usePlaces() {
  const settings = useSettingsStore()
  const room = useRoomStore()
  return computed<Place[]>(() => {
    const colony = room.colonyById.get(settings.lastColonyId) ?? room.colonies[0]
    return [
      { id: 'room', title: 'Room', letter: 'r', icon: mdiViewGridOutline, to: '/', what: 'What needs me, and where' },
      { id: 'colony', title: 'Colony', letter: 'c', icon: mdiChartBellCurveCumulative, to: colony ? `/colony/${colony.id}` : '/colony', what: 'How many, heading where, how many can go, is the water right' },
      { id: 'records', title: 'Records', letter: 'd', icon: mdiBookOpenPageVariantOutline, to: '/records', what: 'Where my data is: backups, units, rooms' },
    ]
  })
}
