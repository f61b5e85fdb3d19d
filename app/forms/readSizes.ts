import { readNumber } from './readNumber'

/** Sizes as they are typed: "4.5, 8, 11,5 12". A comma before one digit alone is a decimal one. */
export function readSizes(text: string): number[] | null {
  const sizes = text
    .split(/[;\s]+|,(?=\s|\d{2}|$)/)
    .filter(Boolean)
    .map(part => readNumber(part))
  return sizes.length > 1 && sizes.every(s => s.ok && s.value > 0) ? sizes.map(s => (s.ok ? s.value : 0)) : null
}

/** Zones as their fields keep them: "white=6 even=18"; the last one ends at the size, whatever stands in it. */
export function readZones(text: string, size: string): { kind: string; endMm: number }[] | null {
  const most = readNumber(size)
  const zones = text
    .split(' ')
    .filter(Boolean)
    .map(part => part.split('='))
    .map(([kind, end]) => ({ kind: kind!, end: readNumber(end ?? '') }))
  if (!most.ok || !zones.slice(0, -1).every(z => z.end.ok)) return null
  return zones.map((z, i) => ({ kind: z.kind, endMm: i === zones.length - 1 || !z.end.ok ? most.value : z.end.value }))
}
