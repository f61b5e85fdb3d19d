// A large room for the bench: the demo's colonies again and again, each with three years of weekly counts and water
// tests.
const WEEK_MS = 7 * 86_400_000

/**
 * @param demo a backup
 * @param colonies how many
 * @param years of records
 * @returns a backup in which every colony has its own glass
 */
export function manyColonies(demo, colonies, years) {
  let made = 0
  const now = Date.parse(demo.exportedAt)
  const id = ms => {
    const time = Math.round(ms).toString(16).padStart(12, '0')
    const n = (made++).toString(16).padStart(12, '0')
    return `${time.slice(0, 8)}-${time.slice(8)}-7000-8000-${n}`
  }
  const start = now - years * 52 * WEEK_MS
  const at = ms => new Date(ms).toISOString()
  /** stamps of a record, as the app gives them */
  const stamps = ms => {
    const made = id(ms)
    return { id: made, editedAt: at(ms), rev: `000001-${made.slice(-8)}` }
  }
  const room = { ...demo.rooms[0], ...stamps(start), name: 'Sixty' }
  const racks = Array.from({ length: 6 }, (_, order) => ({
    ...stamps(start),
    roomId: room.id,
    name: `Rack ${order + 1}`,
    kind: 'rack',
    shelves: 4,
    order,
  }))
  const out = {
    ...demo,
    rooms: [room],
    racks,
    glasses: [],
    colonies: [],
    sources: [],
    shelf: [],
    plans: [],
    scenarios: [],
    orders: [],
    practice: [],
    photos: [],
    entries: [],
    attic: [],
  }
  for (let i = 0; i < colonies; i++) {
    const like = demo.colonies[i % demo.colonies.length]
    const likeGlass = demo.glasses.find(g => g.id === like.stays.at(-1).glassId)
    const glass = {
      ...likeGlass,
      ...stamps(start),
      roomId: room.id,
      name: `Glass ${i + 1}`,
      place: { rackId: racks[i % 6].id, shelf: Math.floor(i / 6) % 4, position: i },
    }
    const colony = {
      ...like,
      ...stamps(start),
      stays: [{ glassId: glass.id, from: at(start) }],
      name: `Line ${i + 1}`,
      startedAt: at(start),
    }
    out.glasses.push(glass)
    out.colonies.push(colony)
    for (let week = 1; week < years * 52; week++) {
      const ms = start + week * WEEK_MS + i * 60_000
      const wave = Math.sin(week / 9 + i)
      const stamp = { at: at(ms), loggedAt: at(ms) }
      if (week % 3 === 0)
        out.entries.push({
          id: id(ms),
          ...stamp,
          colonyId: colony.id,
          kind: 'count',
          number: Math.round(60 + 20 * wave),
          method: 'allSeen',
        })
      if (week % 11 === 0)
        out.entries.push({ id: id(ms), ...stamp, colonyId: colony.id, kind: 'removal', number: 5, outlet: 'sold' })
      out.entries.push({
        id: id(ms),
        ...stamp,
        glassId: glass.id,
        kind: 'waterTest',
        readings: {
          ghDh: { value: 7, method: 'liquidKit' },
          khDh: { value: Number((4 + 0.4 * wave).toFixed(1)), method: 'liquidKit' },
          temperatureC: { value: Number((23 + wave).toFixed(1)), method: 'probe' },
        },
      })
    }
  }
  return out
}
