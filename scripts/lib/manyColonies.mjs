// A large room for the bench: the demo's colonies again and again, each with years of weekly counts and water tests.
const WEEK_MS = 7 * 86_400_000
const at = ms => new Date(ms).toISOString()

/** Ids in the order of their making, and the stamps that the app gives to a record. */
function stamper() {
  let made = 0
  const id = ms => {
    const time = Math.round(ms).toString(16).padStart(12, '0')
    const n = (made++).toString(16).padStart(12, '0')
    return `${time.slice(0, 8)}-${time.slice(8)}-7000-8000-${n}`
  }
  const stamps = ms => {
    const made = id(ms)
    return { id: made, editedAt: at(ms), rev: `000001-${made.slice(-8)}` }
  }
  return { id, stamps }
}

/**
 * @param demo a backup
 * @param colonies how many
 * @param years of records
 * @returns a backup in which every colony has its own glass
 */
export function manyColonies(demo, colonies, years) {
  const { id, stamps } = stamper()
  const weeks = years * 52
  const start = Date.parse(demo.exportedAt) - weeks * WEEK_MS
  const room = { ...demo.rooms[0], ...stamps(start), name: 'Sixty' }
  const racks = Array.from({ length: 6 }, (_, order) => ({
    ...stamps(start),
    roomId: room.id,
    name: `Rack ${order + 1}`,
    kind: 'rack',
    shelves: 4,
    order,
  }))
  const none = Object.fromEntries(
    ['sources', 'shelf', 'plans', 'scenarios', 'orders', 'practice', 'photos', 'attic', 'animals', 'eggLots'].map(
      table => [table, []],
    ),
  )
  const out = { ...demo, ...none, rooms: [room], racks, glasses: [], colonies: [], entries: [] }
  // a hatch of one tub lives for weeks, not for years
  const lasting = demo.colonies.filter(c => c.form === 'colony' && !c.ended)
  for (let i = 0; i < colonies; i++) {
    const like = lasting[i % lasting.length]
    const glass = {
      ...demo.glasses.find(g => g.id === like.stays.at(-1).glassId),
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
    const seen = demo.entries.find(e => e.colonyId === like.id && (e.kind === 'berried' || e.kind === 'eggMass'))?.kind
    out.glasses.push(glass)
    out.colonies.push(colony)
    for (let week = 1; week < weeks; week++)
      out.entries.push(...weekOf({ week, ms: start + week * WEEK_MS + i * 60_000, i, colony, glass, id, seen }))
  }
  return out
}

/** A test each week, a count each third one, a look at the broods each second, and five sold each eleventh. */
function weekOf({ week, ms, i, colony, glass, id, seen }) {
  const wave = Math.sin(week / 9 + i)
  const line = rest => ({ id: id(ms), at: at(ms), loggedAt: at(ms), ...rest })
  const lines = []
  if (week % 3 === 0)
    lines.push(line({ colonyId: colony.id, kind: 'count', number: Math.round(60 + 20 * wave), method: 'allSeen' }))
  if (seen && week % 2 === 0)
    lines.push(line({ colonyId: colony.id, kind: seen, number: Math.max(0, Math.round(4 + 4 * wave)) }))
  if (week % 11 === 0) lines.push(line({ colonyId: colony.id, kind: 'removal', number: 5, outlet: 'sold' }))
  lines.push(
    line({
      glassId: glass.id,
      kind: 'waterTest',
      readings: {
        ghDh: { value: 7, method: 'liquidKit' },
        khDh: { value: Number((4 + 0.4 * wave).toFixed(1)), method: 'liquidKit' },
        temperatureC: { value: Number((23 + wave).toFixed(1)), method: 'probe' },
      },
    }),
  )
  return lines
}
