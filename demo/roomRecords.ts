import {
  begun,
  DAY_MS,
  type Glass,
  type Order,
  type Plan,
  type Practice,
  type Scenario,
  type ShelfItem,
  type Source,
  toMoment,
} from '#core/records'
import type { Making } from './making'
import type { GlassPlan } from './planShapes'
import { shelfPlans, sourcePlans } from './supplies'

/** Sources and shelf of the room. */
export function suppliesOf(making: Making, roomId: string, began: number): { sources: Source[]; shelf: ShelfItem[] } {
  const at = (weeksAgo: number) => toMoment(making.untilMs - weeksAgo * 7 * DAY_MS)
  return {
    sources: sourcePlans.map(({ analyses, ...s }) => ({
      ...begun(making.id(began), began),
      roomId,
      ...s,
      analyses: analyses.map(a => ({ at: at(a.weeksAgo), by: a.by, values: a.values })),
    })),
    shelf: shelfPlans.map(s => ({ ...begun(making.id(began), began), roomId, ...s })),
  }
}

/** What was tried in the Outlook and kept. */
export function scenariosOf(making: Making, idOf: (name: string) => string): Scenario[] {
  const at = making.untilMs - 20 * DAY_MS
  const saved = (colonyId: string, name: string, change: Scenario['change']): Scenario => ({
    ...begun(making.id(at), at),
    colonyId,
    name,
    change,
  })
  return [
    saved(idOf('Ember A'), 'Cool for the winter', { temperatureC: 20.5 }),
    saved(idOf('Ember A'), 'Four out each week', { weekly: { of: 'halfGrown', number: 4 } }),
  ]
}

/** Who wants animals. */
export function ordersOf(making: Making, roomId: string, idOf: (name: string) => string): Order[] {
  const at = making.untilMs - 9 * DAY_MS
  const order = (colony: string, days: number, wanted: Pick<Order, 'who' | 'number' | 'of' | 'priceEach'>): Order => ({
    ...begun(making.id(at), at),
    roomId,
    colonyId: idOf(colony),
    ...wanted,
    dueAt: toMoment(making.untilMs + days * DAY_MS),
    state: 'open',
  })
  return [
    order('Ember A', 17, { who: 'B. N.', number: 30, of: 'halfGrown', priceEach: 2.5 }),
    order('Barley', 10, { who: 'The school', number: 12, of: 'any', priceEach: 2 }),
    order('Fen isopods', 24, { who: 'C. L.', number: 40, of: 'any', priceEach: 0.5 }),
  ]
}

/** What the keepers counted in the practice tank; the keeper of the demo has no initials yet. */
export function practiceOf(making: Making, roomId: string): Practice[] {
  const random = making.randomFor('practice')
  return Array.from({ length: 9 }, (_, i) => {
    const at = making.untilMs - (60 - 6 * i) * DAY_MS
    const shown = [12, 24, 38, 70, 31, 9, 55, 26, 18][i]!
    const found = Math.round(shown * (0.93 - 0.0011 * shown + 0.06 * (random() - 0.5)))
    return {
      ...begun(making.id(at), at),
      roomId,
      shown,
      density: shown / 6,
      stage: i % 3 === 2 ? ('halfGrown' as const) : ('grown' as const),
      found,
      strays: random() < 0.3 ? 1 : 0,
    }
  })
}

/** The plan behind a glass that is being cured. */
export function planOf(making: Making, plan: GlassPlan, glass: Glass, sources: readonly Source[]): Plan {
  const { weeks, groupId, planName, starters } = plan.curing!
  const started = making.untilMs - weeks * 7 * DAY_MS
  const at = toMoment(started)
  return {
    ...begun(making.id(started), started),
    roomId: glass.roomId,
    name: planName,
    groupIds: [groupId],
    schools: {},
    tank: {
      kind: plan.kind,
      grossL: plan.grossL,
      fillShare: plan.fillShare,
      inside: plan.inside,
      substrate: plan.substrate,
      carbonateGL: 0,
      filterRatedL: 40,
      cover: true,
      intakeGuard: true,
      lightHours: 8,
      leaves: 3,
    },
    starters: [starters],
    sourceId: sources[1]!.id,
    startsAt: at,
    done: {
      legal: at,
      place: at,
      substrate: at,
      equipment: at,
      fill: at,
      start: at,
      firstTest: toMoment(started + 7 * DAY_MS),
      grown: toMoment(started + 20 * DAY_MS),
    },
    seen: { biofilm: true, algae: false },
    glassId: glass.id,
  }
}
