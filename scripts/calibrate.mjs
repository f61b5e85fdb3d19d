// npm run calibrate [colonies of each group] [first seed] [variant] [particles]: how often the likely ranges hold the
// truth, and how far the answers lie off, against colonies that the fitted model does not know. Prints the tables of
// docs/science.md.
// Variants: all, countsOnly, sightingsOnly, little, youngApart; or every, for each in turn; or deaths, for their alarm;
// losses, for what is told of them; luck, for what it alone leaves of the coming eight weeks;
// water, for what is called drifting; molts, for the alarm of failed molts; broods, for the windows of hatching;
// shells, for ages and sizes of measured animals; hatches, for larvae in a tub and pools of dry eggs; lines, for
// heritability, the next generation and inbreeding of bred lines; beside, for another trait of theirs; families, for
// choices of breeders by family against the best rungs; meter, for photos of one animal and the suggested rung.
import { availableParallelism } from 'node:os'
import { ensureInstalled } from './lib/prepare.mjs'

ensureInstalled()
const { inWorker } = await import('./lib/inWorker.mjs')
const [perGroup = '60', firstSeed = String(Math.floor(Date.now() / 1000) % 1_000_000), wanted = 'all', particles] =
  process.argv.slice(2)
const seeds = Array.from({ length: Number(perGroup) }, (_, i) => Number(firstSeed) + i)
const workers = availableParallelism()

const per = share => (Number.isFinite(share) ? `${Math.round(100 * share)} %` : '–')
const signed = x => `${x >= 0 ? '+' : '−'}${Math.round(100 * Math.abs(Math.expm1(x)))} %`
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

/** What is not about the numbers: the columns, what stands in them, and whether the whole is good enough. */
const others = {
  deaths: {
    columns: ['', 'n', 'false alarms a year', 'sicknesses called', 'median days', 'called where over 30 % died'],
    cells: t => [t.colonies, t.falsePerYear.toFixed(2), per(t.called), t.medianDays.toFixed(0), per(t.largeCalled)],
    good: t => t.falsePerYear <= 0.5,
  },
  losses: {
    columns: [
      '',
      'n',
      'in vain a year',
      'calm counts that ask',
      'first asks',
      'told',
      'by the second',
      'median days',
      'over 60 % gone',
    ],
    cells: t => [
      t.colonies,
      t.falsePerYear.toFixed(2),
      per(t.calmAsks),
      per(t.asked),
      per(t.told),
      per(t.bySecond),
      t.medianDays.toFixed(0),
      per(t.largeTold),
    ],
    good: t => t.falsePerYear <= 0.5,
  },
  water: {
    of: r => r.kind,
    columns: ['', 'n', 'false alarms a year', 'days flagged', 'slides found', 'median day', 'nine of ten by day'],
    cells: t => [
      t.values,
      t.falsePerYear.toFixed(2),
      per(t.flagged),
      per(t.found),
      t.medianDays.toFixed(0),
      t.ninthDays.toFixed(0),
    ],
    // of the six values conductivity is a target of every third group
    good: t => (5 + 1 / 3) * t.falsePerYear <= 1,
  },
  molts: {
    of: r => r.size,
    columns: ['', 'n', 'molts of three weeks', 'false alarms a year', 'troubles told', 'median days', 'reckoned weeks'],
    cells: t => [
      t.colonies,
      t.molts.toFixed(0),
      t.falsePerYear.toFixed(2),
      per(t.found),
      t.medianDays.toFixed(0),
      t.reckonedWeeks.toFixed(0),
    ],
    good: t => t.falsePerYear <= 0.5,
  },
  broods: {
    of: r => `${r.groupId}${r.watched ? ', after six' : ''}`,
    columns: ['', 'n', '80 % window holds', 'median days wide', 'median days off', 'leans by days'],
    cells: t => [t.n, per(t.in80), t.width.toFixed(1), t.off.toFixed(1), t.bias.toFixed(1)],
    good: t => t.in80 >= 0.74 && t.in80 <= 0.86,
  },
  shells: {
    of: r => `${r.groupId}, ${r.sizes === 1 ? 'one size' : `${r.sizes} sizes`}`,
    columns: ['', 'n', 'age: 80 % range holds', 'wide', 'leans', 'in 8 weeks: holds', 'mm wide', 'leans by mm'],
    cells: t => [
      t.n,
      per(t.ageHeld),
      per(t.ageWidth),
      per(t.ageOff),
      per(t.aheadHeld),
      t.aheadWidth.toFixed(1),
      t.aheadOff.toFixed(1),
    ],
    good: t => t.aheadHeld >= 0.7,
  },
  hatches: {
    of: r => `${r.groupId}, ${r.looks === 0 ? 'no look' : r.looks === 1 ? 'one look' : `${r.looks} looks`}`,
    columns: [
      '',
      'n',
      'there: holds',
      'leans',
      'in all: holds',
      'leans',
      'half of them: holds',
      'days wide',
      'days off',
    ],
    cells: t => [
      t.n,
      per(t.alive.held),
      signed(t.alive.off),
      per(t.total.held),
      signed(t.total.off),
      per(t.half.held),
      t.half.width.toFixed(1),
      t.half.off.toFixed(1),
    ],
    good: t => t.alive.held >= 0.7 && t.total.held >= 0.7 && t.half.held >= 0.7,
  },
  lines: {
    of: r => `${r.generations} generations`,
    columns: [
      '',
      'n',
      'heritability: holds',
      'median wide',
      'leans',
      'next rungs: hold',
      'points off',
      'as the last grading',
      'inbreeding: holds',
      'leans',
      'median off',
      'by sexes alone leans',
      'falls called in vain',
      'crossings called',
    ],
    cells: t => [
      t.n,
      per(t.heritabilityHeld),
      t.heritabilityWidth.toFixed(2),
      t.heritabilityOff.toFixed(3),
      per(t.sharesHeld),
      (100 * t.sharesOff).toFixed(1),
      (100 * t.asLastOff).toFixed(1),
      per(t.inbreedingHeld),
      t.inbreedingOff.toFixed(3),
      t.inbreedingError.toFixed(3),
      t.bySexesOff.toFixed(3),
      per(t.calledInVain),
      per(t.crossingsCalled),
    ],
    good: t =>
      [t.heritabilityHeld, t.sharesHeld, t.inbreedingHeld].every(x => x >= 0.74 && x <= 0.86) &&
      t.heritabilityWidth <= 0.35 &&
      t.sharesOff <= Math.min(0.05, 0.8 * t.asLastOff) &&
      Math.abs(t.inbreedingOff) <= 0.015 &&
      t.inbreedingError <= 0.03,
  },
  beside: {
    columns: ['', 'n', 'slope: holds', 'wide', 'leans', 'learnt', 'next: holds', 'rungs off', 'were it none'],
    cells: t => [
      ...[t.n, per(t.slopeHeld), t.slopeWidth.toFixed(2), t.slopeOff.toFixed(3), per(t.learnt), per(t.nextHeld)],
      ...[t.nextOff, t.asNone].map(x => x.toFixed(3)),
    ],
    good: t => t.slopeHeld >= 0.74 && t.slopeHeld <= 0.86,
  },
  families: {
    of: r => `${r.families} families`,
    columns: [
      '',
      'pairs',
      'gain',
      'of the best rungs',
      'more by',
      'se',
      'kinship',
      'of the best rungs',
      'more by',
      'se',
    ],
    cells: t => [
      t.n,
      ...[t.gain, t.gainOfBest, t.more, t.moreSe].map(x => x.toFixed(3)),
      ...[t.kinship, t.kinshipOfBest, t.kinshipMore, t.kinshipSe].map(x => x.toFixed(4)),
    ],
    // no worse: what the fit promises beyond the best rungs is less than these pairs can tell
    good: t => t.more > -2 * t.moreSe && t.kinshipMore < 2 * t.kinshipSe,
  },
  meter: {
    columns: [
      '',
      'pictures',
      'not found',
      'cover within 5 points',
      'depth within 4 ΔE',
      'suggested',
      'right',
      'within one',
    ],
    cells: t => [t.n, per(t.lost), per(t.cover), per(t.depth), t.suggested, per(t.right), per(t.withinOne)],
    good: t => t.cover >= 0.8 && t.depth >= 0.8 && t.right >= 0.7 && t.withinOne >= 0.95,
  },
  luck: {
    columns: ['', 'n', 'error in 8 that luck alone leaves'],
    cells: t => [t.colonies, per(t.error)],
    good: () => true,
  },
}
if (Object.hasOwn(others, wanted)) {
  const { columns, cells, good, of = r => r.groupId } = others[wanted]
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
