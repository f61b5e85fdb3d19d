// What the budget of lines names, timed in a worker: kinship of two thousand animals, forty in each generation.
import { parentPort } from 'node:worker_threads'
import { inbreedingOf, kinships } from '#core/lines'

const ANIMALS = 2000
const EACH = 40
const animals = Array.from({ length: ANIMALS }, (_, i) => {
  const generation = Math.floor(i / EACH)
  const parent = by => `a${(generation - 1) * EACH + ((i * by) % EACH)}`
  return { id: `a${i}`, sireIds: generation > 0 ? [parent(7)] : [], damIds: generation > 0 ? [parent(13)] : [] }
})
const times = Array.from({ length: 9 }, () => {
  const start = performance.now()
  kinships(animals)
  return performance.now() - start
})
parentPort.postMessage({
  kinship: times.sort((a, b) => a - b)[4],
  animals: ANIMALS,
  inbreeding: inbreedingOf(kinships(animals), `a${ANIMALS - 1}`),
})
