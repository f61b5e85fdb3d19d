// npm test: sets up a fresh machine, then lint, types, unit and reference tests, and the real interface in Chromium.
import { ensureChromium, ensureInstalled, ensureTypes, freePort, run, runTogether } from './lib/prepare.mjs'

ensureInstalled()
const chromium = ensureChromium()
ensureTypes()
const step = (name, command, args, env) => {
  console.log(`\n— ${name}`)
  run(command, args, env)
}
console.log('\n— lint and types')
// neither uses more than one core
await runTogether([
  ['npm', ['run', '--silent', 'lint']],
  ['npm', ['run', '--silent', 'typecheck']],
])
step('unit and reference tests', 'npx', ['vitest', 'run'])
console.log('\n— the app with its server, and as a folder for a plain web host')
await runTogether([
  ['node', ['scripts/build.mjs']],
  ['node', ['scripts/static.mjs']],
])
step('end-to-end tests', 'npx', ['playwright', 'test'], { CHROMIUM_PATH: chromium, E2E_PORT: String(await freePort()) })
