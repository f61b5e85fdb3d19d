// npm run calibrate [colonies of each group] [first seed]: how often the likely ranges hold the truth, against colonies
// of
// single animals that the fitted model does not know. Prints the table of docs/science.md.
import { ensureInstalled } from './lib/prepare.mjs'

ensureInstalled()
const { inWorker } = await import('./lib/inWorker.mjs')
const [perGroup = '60', firstSeed = String(Math.floor(Date.now() / 1000) % 1_000_000)] = process.argv.slice(2)
process.env.CALIBRATE_PER_GROUP = perGroup
process.env.CALIBRATE_FIRST_SEED = firstSeed
const start = Date.now()
const { rows } = await inWorker('scripts/lib/calibrateWork.mjs')
const per = share => `${Math.round(100 * share)} %`
console.log(
  `First seed ${firstSeed}, ${perGroup} colonies of each group, ${Math.round((Date.now() - start) / 1000)} s.\n`,
)
console.log(
  '| group | colonies | 80 % range holds, now | 50 %, now | 80 %, in 8 weeks | 50 %, in 8 weeks | median error ' +
    'now: model / last count / line | in 8 weeks: model / last count / line |',
)
console.log('|---|---|---|---|---|---|---|---|')
for (const { group, table: t } of rows)
  console.log(
    `| ${group} | ${t.n} | ${per(t.now.in80)} | ${per(t.now.in50)} | ${per(t.in8.in80)} | ${per(t.in8.in50)} | ` +
      `${[t.error.now.model, t.error.now.carried, t.error.now.logLinear].map(per).join(' / ')} | ` +
      `${[t.error.in8.model, t.error.in8.carried, t.error.in8.logLinear].map(per).join(' / ')} |`,
  )
const all = rows.at(-1).table
const holds = (share, low, high) => share >= low && share <= high
const good =
  holds(all.now.in80, 0.74, 0.86) &&
  holds(all.in8.in80, 0.74, 0.86) &&
  holds(all.now.in50, 0.43, 0.57) &&
  holds(all.in8.in50, 0.43, 0.57)
const beats = ['now', 'in8'].every(
  at => all.error[at].model < all.error[at].carried && all.error[at].model < all.error[at].logLinear,
)
console.log(
  `\n${good ? 'The ranges hold what they say' : 'The ranges do NOT hold what they say'} (80 % in 74 to 86 %, 50 % ` +
    `in 43 to 57 % of colonies); ${beats ? 'both simple ways are beaten' : 'a simple way is NOT beaten'}.`,
)
process.exitCode = good && beats ? 0 : 1
