/** What stands in a date field of which only a part was typed. */
export const HALF_TYPED = 'half typed'
