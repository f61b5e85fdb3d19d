/**
 * Walking the rows of a time line with the arrows: the focus goes with the row that is picked.
 * @param list the element around the rows
 * @param step picks the row so many after the picked one
 */
export function useRowWalk(list: Ref<HTMLElement | undefined>, step: (by: number) => void) {
  return async (by: number) => {
    step(by)
    await nextTick()
    list.value?.querySelector<HTMLElement>('[aria-pressed="true"]')?.focus()
  }
}
