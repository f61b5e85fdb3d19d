import { describe, expect, it } from 'vitest'
import { diameterAt, zonePath } from '~/components/animals/whorl'

const frame = { cx: 92, cy: 104, radius: 100, mostMm: 22 }
const points = (path: string) =>
  path
    .slice(1, -1)
    .split('L')
    .map(p => p.split(' ').map(Number) as [number, number])

describe('a drawn whorl', () => {
  it('ends at its edge, and is as much smaller a turn before as shells grow', () => {
    const [first, last] = [points(zonePath(frame, 0, 22))[0]!, points(zonePath(frame, 0, 22))]
    const edge = last.find(([x, y]) => Math.abs(x - 192) < 0.1 && Math.abs(y - 104) < 0.1)
    expect(edge).toBeDefined()
    expect(Math.hypot(first[0] - 92, first[1] - 104)).toBeLessThan(5)
  })
  it('a touch on its drawing is the diameter that the shell had there', () => {
    // a turn before the edge it had 22 mm / 2.1
    expect(diameterAt(frame, 92 + 100 / 2.1 - 0.5, 104)).toBeCloseTo(22 / 2.1, 1)
    for (const mm of [3, 6, 10, 15, 21]) {
      // the middle of the band at the end of a zone
      const path = points(zonePath(frame, 0, mm))
      const outer = path[path.length / 2 - 1]!
      const inner = path[path.length / 2]!
      const at = diameterAt(frame, (outer[0] + inner[0]) / 2, (outer[1] + inner[1]) / 2)
      expect(at).toBeCloseTo(mm, 0)
    }
  })
  it('beside it there is nothing', () => {
    expect(diameterAt(frame, 199, 199)).toBeNull()
    expect(diameterAt(frame, 92, 104)).toBeNull()
  })
  it('zones follow each other without a gap', () => {
    const [a, b] = [points(zonePath(frame, 0, 9)), points(zonePath(frame, 9, 22))]
    expect(a[a.length / 2 - 1]).toEqual(b[0])
  })
})
