/**
 * Why something is no longer in use: colonies first, then glasses, then what is put away (racks, rooms, boxes, plans).
 */
export const endingReasons = ['soldOut', 'died', 'merged', 'movedOn', 'emptied', 'left', 'putAway'] as const
