import { z } from 'zod'
import { Bench } from './bench'
import { edited } from './editedFields'
import { Id, Moment } from './id'
import { Label } from './label'
import { MAX_LITRES, MIN_LITRES } from './limits'
import { Stays } from './stays'

/** How the keepers of a room like their care laid out. */
export const RoomCare = z.strictObject({
  /** weekdays on which work that can wait is done, 0 is Sunday; none chosen means any day */
  days: z.array(z.int().min(0).max(6)).max(7),
  /**
   * glasses in the order of the round, where it is not the room's own; glasses that are missing come after, as they
   * stand
   */
  walk: z.array(Id).max(500),
  /** while the keepers are away */
  holiday: z
    .strictObject({ from: Moment, to: Moment, standIn: z.string().trim().max(30) })
    .refine(h => h.from < h.to, { path: ['to'], message: 'the last day comes after the first' })
    .optional(),
})
export type RoomCare = z.infer<typeof RoomCare>

/** A room: the whole of one keeper's (or one co-op's) racks. */
export const Room = z.strictObject({
  ...edited,
  name: Label,
  /** initials of those who log */
  keepers: z.array(z.string().trim().min(1).max(8)).max(20),
  /** what the keeper measures with */
  bench: Bench,
  care: RoomCare.optional(),
  /** sign of the money that prices are in, e.g. € */
  currency: z.string().trim().max(4, 'must have 4 letters at most').optional(),
})
export type Room = z.infer<typeof Room>

/** A rack, a windowsill or a piece of floor: anything with shelves, drawn as it stands. */
export const Rack = z.strictObject({
  ...edited,
  roomId: Id,
  name: Label,
  kind: z.enum(['rack', 'windowsill', 'floor']),
  /** shelves from top to bottom */
  shelves: z.int().min(1).max(8),
  /** from left to right in the room */
  order: z.number(),
})
export type Rack = z.infer<typeof Rack>

/** Where a glass stands: shelf 0 is the top one; positions sort from left to right and need not be whole. */
export const ShelfPlace = z.strictObject({
  rackId: Id,
  shelf: z.int().min(0).max(7),
  position: z.number(),
})
export type ShelfPlace = z.infer<typeof ShelfPlace>

/** How much water is in a glass: known litres, or the share of its height that is filled. */
export const Fill = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('netLitres'), netL: z.number().gt(0).max(MAX_LITRES) }),
  z.strictObject({
    by: z.literal('height'),
    share: z.number().gt(0).max(1),
    /** what a glass of this kind is usually filled to, which nobody has confirmed */
    assumed: z.literal(true).optional(),
  }),
])
export type Fill = z.infer<typeof Fill>

const edge = z.number().gt(0, 'must be above 0 cm').max(500, 'must be 500 cm at most')

/** What lies on the bottom. */
export const SubstrateKind = z.enum(['none', 'sand', 'gravel', 'activeSoil', 'carbonateSand', 'earth'])
export type SubstrateKind = z.infer<typeof SubstrateKind>

/** Boxes and incubators hang in a host glass: own animals, the host's water. */
export const GlassKind = z.enum(['tank', 'jar', 'tub', 'paludarium', 'box', 'incubator'])
export type GlassKind = z.infer<typeof GlassKind>

/** A container of any kind ("glass"). Water belongs to the glass, so tests are logged for the glass. */
export const Glass = z
  .strictObject({
    ...edited,
    roomId: Id,
    name: Label,
    kind: GlassKind,
    /** a box or an incubator hangs in other glasses, and shares their water */
    hosts: Stays.optional(),
    grossL: z.number().min(MIN_LITRES, 'must be 0.05 L or more').max(MAX_LITRES, 'must be 5000 L at most'),
    fill: Fill,
    place: ShelfPlace,
    /** inner edges, where they were measured: then they give the gross litres */
    inside: z.strictObject({ lengthCm: edge, widthCm: edge, heightCm: edge }).optional(),
    substrate: z.strictObject({ kind: SubstrateKind, depthCm: z.number().min(0).max(60) }).optional(),
    rockKg: z.number().min(0).max(1000).optional(),
    /** carbonate stone, sand or shell in the glass: it holds KH up */
    carbonateG: z.number().min(0).max(200_000).optional(),
    /** since when active soil is in the glass: it takes KH up */
    soilSince: Moment.optional(),
  })
  .refine(g => g.fill.by === 'height' || g.fill.netL <= g.grossL, {
    path: ['fill', 'netL'],
    message: 'net litres must not exceed gross litres',
  })
export type Glass = z.infer<typeof Glass>
