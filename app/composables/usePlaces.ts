import {
  mdiBasketOutline,
  mdiBookOpenPageVariantOutline,
  mdiChartBellCurveCumulative,
  mdiCounter,
  mdiEggOutline,
  mdiEyeOutline,
  mdiPencilRulerOutline,
  mdiRoutes,
  mdiStairsUp,
  mdiViewGridOutline,
  mdiWaterOutline,
} from '@mdi/js'

export interface Place {
  id: string
  title: string
  letter: string
  icon: string
  to: string
  what: string
}

/** The places of the app in the order of the work; each has a letter after Space. */
const places: readonly Omit<Place, 'to'>[] = [
  { id: 'room', title: 'Room', letter: 'r', icon: mdiViewGridOutline, what: 'What needs me, and where' },
  {
    id: 'round',
    title: 'Round',
    letter: 'o',
    icon: mdiRoutes,
    what: 'What is due, and the walk from glass to glass',
  },
  {
    id: 'plan',
    title: 'Plan',
    letter: 'p',
    icon: mdiPencilRulerOutline,
    what: 'Which animals, which glass, how many starters, when',
  },
  {
    id: 'water',
    title: 'Water',
    letter: 'w',
    icon: mdiWaterOutline,
    what: 'What to weigh and pour; history, drip, salt water, medicine',
  },
  {
    id: 'colony',
    title: 'Colony',
    letter: 'c',
    icon: mdiChartBellCurveCumulative,
    what: 'How many, heading where, how many can go, is the water right',
  },
  {
    id: 'broods',
    title: 'Broods',
    letter: 'b',
    icon: mdiEggOutline,
    what: 'What hatches when, and what to do before then',
  },
  {
    id: 'outlook',
    title: 'Outlook',
    letter: 'u',
    icon: mdiEyeOutline,
    what: 'What if: warmer, more food, fish, takes; when can I have 50?',
  },
  {
    id: 'lines',
    title: 'Lines',
    letter: 'l',
    icon: mdiStairsUp,
    what: 'Is the line improving; who breeds; what comes next',
  },
  {
    id: 'surplus',
    title: 'Surplus',
    letter: 's',
    icon: mdiBasketOutline,
    what: 'What can leave, orders, the weekly list, where they went',
  },
  {
    id: 'count',
    title: 'Count desk',
    letter: 'n',
    icon: mdiCounter,
    what: 'How many in this picture, these passes, these marks; practice',
  },
  {
    id: 'records',
    title: 'Records',
    letter: 'd',
    icon: mdiBookOpenPageVariantOutline,
    what: 'Where my data is: backups, units, rooms',
  },
]

/** The places with where each leads just now: to the glass and colony at hand, into a round that is under way. */
export function usePlaces() {
  const settings = useSettingsStore()
  const room = useRoomStore()
  const round = useStoredRound()
  return computed<Place[]>(() => {
    const colony = room.colonyById.get(settings.lastColonyId) ?? room.colonies[0]
    const glass = room.glassById.has(settings.lastGlassId)
      ? settings.lastGlassId
      : (room.glassOf(colony)?.id ?? room.glasses[0]?.id)
    const special: Record<string, string> = {
      room: '/',
      ...(round.value && !round.value.endedAt && { round: '/round/walk' }),
      ...(glass && { water: `/water/${glass}` }),
      ...(colony && { colony: `/colony/${colony.id}`, outlook: `/outlook/${colony.id}` }),
    }
    return places.map(place => ({ ...place, to: special[place.id] ?? `/${place.id}` }))
  })
}
