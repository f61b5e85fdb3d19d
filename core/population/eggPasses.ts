import { EGG_ROOMS } from '#core/broods'
import { binomialFrom, binomialShared, normalFrom, poissonFrom, type SharedChance, sharedChance } from '#core/stats'
import { broodsIn } from './broodsIn'
import type { StageRates } from './lifeCycle'
import { DRAWS, drawn, type Pass } from './pass'
import { EGGS, FEMALES, FIRST, MALES } from './stages'

/** Spread of one brood's size beside its mean (from memory). */
export const BROOD_SPREAD = 0.35

/** What the females lay: into their own row, because it is no part of this step yet. */
export function laying(r: StageRates): Pass {
  const { carried, needsMale, broods } = r
  return ({ cloud, size }, { stream, half, laid }) => {
    for (let i = 0; i < size; i++) {
      const females = cloud[FEMALES * size + i]!
      const free = carried ? Math.max(0, females - broodsIn(cloud, size, i)) : females
      const u = drawn(stream[i]!, DRAWS.taken)
      laid[i] =
        needsMale && !(cloud[MALES * size + i]! > 0)
          ? 0
          : carried
            ? binomialFrom(u, free, broods * half[i]!)
            : poissonFrom(u, free * broods * half[i]!)
    }
  }
}

/** A chance that is none, and one that is sure, but for rounding. */
const HARDLY = 1e-9
const SURELY = 1 - HARDLY

/** Shares that are drawn one after the other: of what the ways before have left, each takes with such a chance. */
function inTurn(shares: readonly number[]): SharedChance[] {
  let left = 1
  return shares.map(share => {
    const chance = sharedChance(Math.min(1, share / left))
    left -= share
    return chance
  })
}

/** A way out of a room. */
interface Hop {
  /** the row that they come to; null for those that hatch */
  to: number | null
  chance: SharedChance
}

/** The ways out of each room, those that stay left out. */
function hopsOf({ hop }: StageRates['eggs'], room: number): Hop[] {
  const ways: { to: number | null; share: number }[] = []
  for (let by = 1; by < hop.length && room + by < EGG_ROOMS; by++) ways.push({ to: EGGS + room + by, share: hop[by]! })
  ways.push({ to: null, share: hop.slice(EGG_ROOMS - room).reduce((a, b) => a + b, 0) })
  const taken = ways.filter(w => w.share > HARDLY)
  const chances = inTurn(taken.map(w => w.share))
  return taken.map(({ to }, nth) => ({ to, chance: chances[nth]! }))
}

/** Broods go on through their rooms, the last room first, and out of them. */
export function hatching(r: StageRates): Pass {
  const rooms = Array.from({ length: EGG_ROOMS }, (_, room) => hopsOf(r.eggs, room))
  const most = Math.max(...rooms.map(hops => hops.length))
  return ({ cloud, size }, { stream, hatched }) => {
    hatched.fill(0)
    for (let room = EGG_ROOMS - 1; room >= 0; room--) {
      const row = (EGGS + room) * size
      for (const [nth, { to, chance }] of rooms[room]!.entries()) {
        const luck = DRAWS.hop + room * most + nth
        // who is left takes the last way: there is nothing to draw
        const rest = chance.p > SURELY
        // what this way leaves is what the next one may take: those that have gone lie in other rows already
        for (let i = 0; i < size; i++) {
          const there = cloud[row + i]!
          if (there === 0) continue
          const gone = rest ? there : binomialShared(chance, drawn(stream[i]!, luck), there)
          if (gone === 0) continue
          cloud[row + i] = there - gone
          if (to === null) hatched[i] = hatched[i]! + gone
          else cloud[to * size + i] = cloud[to * size + i]! + gone
        }
      }
    }
  }
}

/** Out of the broods that hatch come eggs in numbers that differ, and of those some come up. */
export function arriving(broodSize: number): Pass {
  return ({ cloud, size }, { stream, hatched, comeUp }) => {
    for (let i = 0, place = FIRST * size; i < size; i++, place++) {
      const broods = hatched[i]!
      if (broods === 0) continue
      const z = normalFrom(drawn(stream[i]!, DRAWS.size))
      const eggs = Math.max(0, Math.round(broodSize * (broods + BROOD_SPREAD * Math.sqrt(broods) * z)))
      cloud[place] = cloud[place]! + binomialFrom(drawn(stream[i]!, DRAWS.arrives), eggs, comeUp[i]!)
    }
  }
}

/** What was laid all through the step joins the rooms. */
export function joining(r: StageRates): Pass {
  const starts = r.eggs.start.map((share, room) => ({ row: EGGS + room, share })).filter(s => s.share > HARDLY)
  const chances = inTurn(starts.map(s => s.share))
  return ({ cloud, size }, { stream, laid }) => {
    for (const [nth, { row }] of starts.entries()) {
      const luck = DRAWS.laid + nth
      const chance = chances[nth]!
      for (let i = 0; i < size; i++) {
        const all = laid[i]!
        if (all === 0) continue
        const here = nth === starts.length - 1 ? all : binomialShared(chance, drawn(stream[i]!, luck), all)
        laid[i] = all - here
        cloud[row * size + i] = cloud[row * size + i]! + here
      }
    }
  }
}
