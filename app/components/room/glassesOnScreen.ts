import type { Direction } from '#core/records'

/** Gives the keys to a glass, once it is drawn. */
export async function focusGlass(glassId: string): Promise<void> {
  await nextTick()
  document.querySelector<HTMLElement>(`[data-glass="${glassId}"] .whole`)?.focus()
}

/** The glass beside another as both are drawn now; null at the end of a shelf. */
export function glassBeside(glassId: string, direction: Direction): string | null {
  const boxes = [...document.querySelectorAll<HTMLElement>('[data-glass]')].map(el => ({
    id: el.dataset.glass!,
    rect: el.getBoundingClientRect(),
  }))
  return nextInDirection(boxes, glassId, direction)
}

/** Where a glass is drawn on screen. */
interface Box {
  id: string
  rect: DOMRect
}

/**
 * The nearest glass in a direction: along a shelf those at about the same height, between shelves the nearest row
 * first.
 */
function nextInDirection(boxes: readonly Box[], fromId: string, direction: Direction): string | null {
  const from = boxes.find(b => b.id === fromId)?.rect
  if (!from) return null
  const sideways = direction === 'left' || direction === 'right'
  const sign = direction === 'left' || direction === 'up' ? -1 : 1
  const centre = (r: DOMRect) => r.left + r.width / 2
  let best: { id: string; cost: number } | null = null
  for (const { id, rect } of boxes) {
    const dx = centre(rect) - centre(from)
    // glasses of a shelf share their lower edge, whatever their height
    const dy = rect.bottom - from.bottom
    const along = sideways ? sign * dx : sign * dy
    const across = Math.abs(sideways ? dy : dx)
    if (id === fromId || along < 8 || (sideways && across > 60)) continue
    const cost = sideways ? along + across * 4 : along * 3 + across
    if (!best || cost < best.cost) best = { id, cost }
  }
  return best?.id ?? null
}
