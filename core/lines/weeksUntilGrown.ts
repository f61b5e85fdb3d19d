/** Stages of a group by which its young grow up. */
interface Growing {
  eggWeeks: { value: number }
  firstWeeks: { value: number }
  youngWeeks: { value: number }
}

/** Weeks from when breeders are set until the first of their young are grown and can be graded. */
export const weeksUntilGrown = ({ eggWeeks, firstWeeks, youngWeeks }: Growing): number =>
  eggWeeks.value + firstWeeks.value + youngWeeks.value
