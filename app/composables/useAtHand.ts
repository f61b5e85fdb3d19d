/**
 * The colony that the keeper is looking at: on its page, or its glass has the focus in the Room. The log sheet starts
 * with it.
 */
export const useAtHand = () => useState('atHand', () => '')
