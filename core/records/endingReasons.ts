/**
 * Why something is no longer in use: colonies first, then glasses, then what is put away (racks, rooms, boxes, plans).
 * A pool of dry eggs is let dry.
 */
export const endingReasons = ['soldOut', 'died', 'merged', 'movedOn', 'emptied', 'left', 'putAway', 'dried'] as const
