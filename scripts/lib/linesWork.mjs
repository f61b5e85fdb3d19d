// What the budgets of lines name, timed in a worker: kinship of two thousand animals, forty in each generation; the fit
// of a line of ten generations of two hundred graded, and what a choice in the trays asks of it.
import { parentPort } from 'node:worker_threads'
import { fitLine, generationsAhead, inbreedingOf, kinships, nextGeneration, pickCurve } from '#core/lines'

const ANIMALS = 2000
const EACH = 40
const animals = Array.from({ length: ANIMALS }, (_, i) => {
  const generation = Math.floor(i / EACH)
  const parent = by => `a${(generation - 1) * EACH + ((i * by) % EACH)}`
  return { id: `a${i}`, sireIds: generation > 0 ? [parent(7)] : [], damIds: generation > 0 ? [parent(13)] : [] }
})
const middle = (times, work) => {
  const taken = Array.from({ length: times }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  })
  return taken.sort((a, b) => a - b)[Math.floor(times / 2)]
}

/** Two hundred graded in each generation, rising by a tenth of a rung. */
const GENERATIONS = 10
const cells = (t, of) => {
  const top = Math.min(60, 10 + 5 * t)
  return [20, 30, 30 - t, 20, top].map((number, k) => ({ from: k, to: k, number: Math.round(number * of) }))
}
const history = {
  rungs: 5,
  groups: Array.from({ length: GENERATIONS }, (_, t) => ({
    id: `g${t}`,
    size: 200,
    breeders:
      t === 0
        ? []
        : ['male', 'female'].map((sex, s) => ({
            ...{ groupId: `g${t - 1}`, sex, number: 8 + 12 * s, rungs: [0, 0, 0, 0, 8 + 12 * s], grader: 'A' },
          })),
    period: `p${t}`,
    gradings: ['female', 'male'].map(sex => ({ grader: t % 3 === 2 ? 'B' : 'A', sex, cells: cells(t, 0.9) })),
    twice: [],
  })),
}
const breeders = ['male', 'female'].map(sex => ({
  groupId: 'g9',
  sex,
  number: 10,
  rungs: [0, 0, 0, 4, 6],
  grader: 'A',
}))
const fit = fitLine(history)
const stock = { groupId: 'g9', grader: 'A', females: [10, 20, 30, 25, 15], males: [10, 20, 30, 25, 15] }
parentPort.postMessage({
  kinship: middle(9, () => kinships(animals)),
  animals: ANIMALS,
  inbreeding: inbreedingOf(kinships(animals), `a${ANIMALS - 1}`),
  fit: middle(7, () => fitLine(history)),
  choice: middle(15, () => {
    nextGeneration(fit, { breeders, young: 150 })
    generationsAhead(fit, { breeders, generations: 4, young: 150 })
  }),
  curve: middle(5, () => pickCurve(fit, stock, 150)),
})
