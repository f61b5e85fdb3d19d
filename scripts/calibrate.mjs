// npm run calibrate [colonies of each group] [first seed] [variant] [particles]: how often the likely ranges hold the
// truth, and how far the answers lie off, against colonies that the fitted model does not know. Prints the tables of
// docs/science.md.
// Variants: all, countsOnly, sightingsOnly, little, youngApart; or every, for each in turn; or deaths, for their alarm;
// losses, for what is told of them; luck, for what it alone leaves of the coming eight weeks;
// water, for what is called drifting; molts, for the alarm of failed molts; broods, for the windows of hatching;
// shells, for ages and sizes of measured animals; hatches, for larvae in a tub and pools of dry eggs; lines, for
// heritability, the next generation and inbreeding of bred lines; rolling, for colonies that breed all the time and are
// culled now and then; strangers, for how soon a dull male is seen in these; beside, for another trait of theirs;
// families, for choices of breeders by family against the best rungs; meter, for photos of one animal and the suggested
// rung.
import { availableParallelism } from 'node:os'
import { tables } from './lib/calibrateTables.mjs'
import { per, signed } from './lib/calibrateWords.mjs'
import { ensureInstalled } from './lib/prepare.mjs'

ensureInstalled()
const { inWorker } = await import('./lib/inWorker.mjs')
const [perGroup = '60', firstSeed = String(Math.floor(Date.now() / 1000) % 1_000_000), wanted = 'all', particles] =
  process.argv.slice(2)
const seeds = Array.from({ length: Number(perGroup) }, (_, i) => Number(firstSeed) + i)
const workers = availableParallelism()

const row = cells => console.log(`| ${cells.join(' | ')} |`)

const start = Date.now()
const parts = await Promise.all(
  Array.from({ length: workers }, (_, k) =>
    inWorker('scripts/lib/calibrateWork.mjs', {
      seeds: seeds.filter((_, i) => i % workers === k),
      variant: wanted,
      ...(particles && { particles: Number(particles) }),
    }),
  ),
)
const every = parts.flat()
/** The results by what they have in common. */
const by = (results, of) =>
  [...new Set(results.map(of))].map(name => ({ name, results: results.filter(r => of(r) === name) }))
const heading = cells => {
  row(cells)
  row(cells.map(() => '---'))
}
const took = () => `first seed ${firstSeed}, in ${Math.round((Date.now() - start) / 1000)} s.`

if (Object.hasOwn(tables, wanted)) {
  const { columns, cells, good, of = r => r.groupId } = tables[wanted]
  const sets = [...by(every, of), { name: 'all', results: every }]
  const rows = await inWorker('scripts/lib/calibrateTable.mjs', { of: wanted, sets })
  heading(columns)
  for (const { name, table } of rows) row([name, ...cells(table)])
  console.log(`\n${every.length} in all, ${took()}`)
  process.exit(good(rows.at(-1).table) ? 0 : 1)
}
let good = true
for (const { name: variant, results } of by(every, r => r.variant)) {
  const sets = [...by(results, r => r.groupId), ...by(results, r => r.way), { name: 'all', results }]
  const rows = await inWorker('scripts/lib/calibrateTable.mjs', { sets })
  console.log(`\nVariant ${variant}: first seed ${firstSeed}, ${perGroup} colonies of each group.\n`)
  heading([
    '',
    'n',
    'bias now',
    '80 %',
    '50 %',
    'error now: model / last / line',
    'bias in 8',
    '80 %',
    '50 %',
    'error in 8',
    'growth 80 %',
    'hatching 80 %',
  ])
  const errors = e => [e.model, e.carried, e.logLinear].map(per).join(' / ')
  for (const { name, table: t } of rows)
    row([
      name,
      t.n,
      signed(t.now.bias),
      per(t.now.in80),
      per(t.now.in50),
      errors(t.now.error),
      signed(t.in8.bias),
      per(t.in8.in80),
      per(t.in8.in50),
      errors(t.in8.error),
      per(t.growth.in80),
      per(t.hatching.in80),
    ])
  const { heading: h, ...all } = rows.at(-1).table
  console.log(
    `\nGrowing said of ${per(h.growing)}, true of ${per(h.growingTrue)} of them, found ${per(h.growingFound)} of ` +
      `those that grow by more than 3 % a week; steady said of ${per(h.steady)}, true of ${per(h.steadyTrue)}, found ` +
      `${per(h.steadyFound)}; shrinking said of ${per(h.shrinking)}.`,
  )
  const { asks } = all
  console.log(
    `The last count asked for another one in ${per(asks.said)}: of these the count was off in ${per(asks.count)}, ` +
      `the number in ${per(asks.number)}, neither in ${per(asks.neither)}.`,
  )
  good &&= ['now', 'in8'].every(
    at => all[at].in80 >= 0.74 && all[at].in80 <= 0.86 && all[at].in50 >= 0.43 && all[at].in50 <= 0.57,
  )
}
console.log(`\n${every.length} colonies, ${took()}`)
console.log(`\n${good ? 'The ranges hold what they say' : 'The ranges do NOT hold what they say'}.`)
process.exitCode = good ? 0 : 1
