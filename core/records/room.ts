import { z } from 'zod'
import { Id, Moment } from './id'

/** Short text that a keeper types; never rendered as HTML. */
export const Label = z.string().trim().min(1, 'must not be empty').max(60, 'must have 60 letters at most')

/** Fields of every record that can be edited in place. The newest edit is the one shown; replaced versions go to the attic. */
const edited = { id: Id, editedAt: Moment }

/** Water that the keeper has at hand for changes. Zero hardness is pure water. */
export const ChangeWater = z.strictObject({
  ghDh: z.number().min(0).max(60),
  khDh: z.number().min(0).max(40),
})
export type ChangeWater = z.infer<typeof ChangeWater>

/** A room: the whole of one keeper's (or one co-op's) racks. */
export const Room = z.strictObject({
  ...edited,
  name: Label,
  /** initials of those who log */
  keepers: z.array(z.string().trim().min(1).max(8)).max(20),
  changeWater: ChangeWater,
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
  z.strictObject({ by: z.literal('netLitres'), netL: z.number().gt(0).max(5000) }),
  z.strictObject({ by: z.literal('height'), share: z.number().gt(0).max(1) }),
])
export type Fill = z.infer<typeof Fill>

/** A container of any kind ("glass"). Water belongs to the glass, so tests are logged for the glass. */
export const Glass = z.strictObject({
  ...edited,
  roomId: Id,
  name: Label,
  kind: z.enum(['tank', 'jar', 'tub', 'paludarium']),
  grossL: z.number().gt(0, 'must be above 0 L').max(5000, 'must be 5000 L at most'),
  fill: Fill,
  place: ShelfPlace,
}).refine(g => g.fill.by === 'height' || g.fill.netL <= g.grossL, { path: ['fill', 'netL'], message: 'net litres must not exceed gross litres' })
export type Glass = z.infer<typeof Glass>

/**
 * Litres of water in a glass. By fill height this is gross · share; substrate and rock are not taken off
 * (they are entered as net litres when it matters).
 */
export function netLitres(glass: Pick<Glass, 'grossL' | 'fill'>): number {
  return glass.fill.by === 'netLitres' ? glass.fill.netL : glass.grossL * glass.fill.share
}
