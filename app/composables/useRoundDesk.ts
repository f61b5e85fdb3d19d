/** The glass at hand on a round, whole: what is asked, what was typed, saving it and taking it back. */
export function useRoundDesk() {
  const glass = useRoundGlass()
  const counters = useRoundCounters(glass)
  const values = useRoundValues(glass)
  const { keep, ...undo } = useRoundUndo(glass.glassId)
  const saving = useRoundSaving(glass, values, keep)
  return { ...glass, ...counters, ...values, ...saving, ...undo }
}
export type RoundDesk = ReturnType<typeof useRoundDesk>
