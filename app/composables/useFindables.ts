import { groupOf } from '#core/groups'

/** Something that can be found by a few letters, and what opening it does. */
export interface Findable {
  id: string
  title: string
  about: string
  run: () => void
}

/** Colonies, waters, plans and places of the room on screen; what has ended apart: it is found when asked for. */
export function useFindables() {
  const room = useRoomStore()
  const places = usePlaces()
  const actions = useFindableActions()
  const going = (id: string, to: string, words: Pick<Findable, 'title' | 'about'>): Findable => ({
    id,
    ...words,
    run: () => void navigateTo(to),
  })
  const ended = computed(() =>
    room.all.colonies
      .filter(c => c.ended)
      .map(c => going(c.id, `/colony/${c.id}`, { title: c.name, about: `ended colony · ${groupOf(c.groupId).name}` })),
  )
  const all = computed(() => [
    ...room.colonies.map(c =>
      going(c.id, `/colony/${c.id}`, {
        title: c.name,
        about: `colony · ${groupOf(c.groupId).name} · ${room.glassOf(c)?.name ?? ''}`,
      }),
    ),
    ...room.animals.map(a =>
      going(a.id, `/animal/${a.id}`, { title: a.name, about: `followed ${groupOf(a.groupId).animal[0]}` }),
    ),
    ...room.glasses.map(g =>
      going(`water ${g.id}`, `/water/${g.id}`, {
        title: `Water for ${g.name}`,
        about: 'bucket, history, drip, medicine',
      }),
    ),
    ...room.plans.map(p =>
      going(p.id, `/plan/${p.id}`, {
        title: p.name,
        about: `plan · ${p.groupIds.map(id => groupOf(id).name).join(' and ')}`,
      }),
    ),
    ...room.lines.map(l =>
      going(l.id, `/lines/${l.id}`, { title: `Line ${l.name}`, about: l.goal ?? 'generations, breeders, kinship' }),
    ),
    ...places.value.map(p => going(p.id, p.to, { title: p.title, about: p.what })),
    ...actions.value,
  ])
  return { all, ended }
}

/** What can be done from anywhere. */
function useFindableActions() {
  const sheets = useSheets()
  const settings = useSettingsStore()
  const logSheet = useLogSheetStore()
  const action = (id: string, title: string, about: string, run: () => void): Findable => ({ id, title, about, run })
  return computed(() => [
    action('newAnimal', 'Follow an animal', 'a crab, a crayfish, a large snail, a breeding male', () => {
      sheets.animal.value = { animalId: null, colonyId: settings.lastColonyId }
    }),
    action(
      'holiday',
      'Holiday',
      'what can wait, and a sheet for your stand-in',
      () => void navigateTo('/round/holiday'),
    ),
    action('log', 'Log something', 'counts, water, molts, broods, food, equipment, photos, notes', () =>
      logSheet.show(settings.lastColonyId),
    ),
    action('newColony', 'Start a colony', 'group, glass, starters', () => {
      sheets.colony.value = { glassId: null }
    }),
    action('newGlass', 'Add a glass', 'a tank, jar, tub or paludarium', () => {
      sheets.glass.value = { glassId: null }
    }),
    action('newRack', 'Add a rack', 'a rack, a windowsill or a piece of floor', () => {
      sheets.rack.value = { rackId: null }
    }),
    action(
      'night',
      settings.theme === 'day' ? 'Night theme' : 'Day theme',
      'dim for rounds with the lights off',
      () => {
        settings.theme = settings.theme === 'day' ? 'night' : 'day'
      },
    ),
    action('signs', 'Signs: how to tell', 'shed skin or dead, eggs, sexes, shells, clutches; practice', () => {
      sheets.signs.value = 'skin'
    }),
    action('help', 'Help and keys', '', () => {
      sheets.help.value = true
    }),
  ])
}
