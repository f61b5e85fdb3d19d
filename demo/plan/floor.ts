import type { RackPlan } from '../planShapes'
import { fresh } from './figures'

/** Floor, with its glasses. */
export const floor: RackPlan = {
  name: 'Floor',
  kind: 'floor',
  shelves: [
    [
      {
        name: 'Net tub',
        kind: 'tub',
        grossL: 110,
        fillShare: 0.75,
        water: fresh(9, 6, 7.1, 400, 20.5),
        colonies: [
          {
            name: 'Bank crays',
            groupId: 'burrowing-crayfish',
            founders: { females: 2, males: 1 },
            began: 40,
            births: 0.012,
            deaths: 0.003,
            capacity: 12,
            counts: { method: 'allSeen', every: 6 },
          },
        ],
      },
    ],
  ],
}
