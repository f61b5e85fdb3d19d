/**
 * Pointing at a picture: a tap, or a cross that arrows move and Enter sets.
 * @param size of the picture in its own pixels
 * @param hit gets the spot in those pixels
 * @param back what Backspace does
 */
export function usePictureCross(
  size: () => { width: number; height: number },
  { hit, back }: { hit: (x: number, y: number) => void; back: () => void },
) {
  const cross = ref({ x: 0, y: 0, shown: false })
  function tap(event: MouseEvent) {
    const box = (event.currentTarget as Element).getBoundingClientRect()
    cross.value.shown = false
    const { width, height } = size()
    hit(((event.clientX - box.left) / box.width) * width, ((event.clientY - box.top) / box.height) * height)
  }
  function key(event: KeyboardEvent) {
    const { width, height } = size()
    const step = width / (event.shiftKey ? 12 : 60)
    const moves: Record<string, [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    }
    const move = moves[event.key]
    if (move) {
      const from = cross.value.shown ? cross.value : { x: width / 2, y: height / 2 }
      cross.value = {
        x: Math.min(width, Math.max(0, from.x + move[0] * step)),
        y: Math.min(height, Math.max(0, from.y + move[1] * step)),
        shown: true,
      }
    } else if (event.key === 'Enter' && cross.value.shown) hit(cross.value.x, cross.value.y)
    else if (event.key === 'Backspace') back()
    else return
    event.preventDefault()
  }
  return { cross, tap, key }
}
