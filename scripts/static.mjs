// npm run static [-- --out FOLDER] [--base /path/]: the app as a folder for any plain web host.
import { cpSync, existsSync, mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { checkNode, readFlags } from './lib/flags.mjs'
import { ensureInstalled, ensureStatic, fail, root } from './lib/prepare.mjs'

checkNode()
const { values } = readFlags({ out: { type: 'string' }, base: { type: 'string' } }, '--out FOLDER, --base /PATH/.')
const base = values.base ?? '/'
if (!/^\/([\w.-]+\/)*$/.test(base)) fail(`The base must begin and end with a slash, such as /ulkin/; got “${base}”.`)
const out = resolve(values.out ?? join(root, 'dist'))
/** A folder that was made by this command; nothing else is emptied. */
const MARK = '.ulkin-static'
if (existsSync(out) && readdirSync(out).length > 0 && !existsSync(join(out, MARK)))
  fail(`${out} is not empty, and was not made by this command: name another folder with “--out”.`)

ensureInstalled()
const made = ensureStatic(base)
rmSync(out, { recursive: true, force: true })
mkdirSync(out, { recursive: true })
cpSync(made, out, { recursive: true })
// every place is the same page; hosts that know no fallback find it under its own name, others under these
const page = join(out, 'index.html')
for (const name of ['404.html', '200.html']) cpSync(page, join(out, name))
for (const place of ['round', 'plan', 'water', 'colony', 'broods', 'outlook', 'lines', 'surplus', 'count', 'records']) {
  mkdirSync(join(out, place), { recursive: true })
  cpSync(page, join(out, place, 'index.html'))
}
writeFileSync(join(out, MARK), '')
console.log(`The folder ${out} is ready: put all of it on a web host, at ${base}.`)
