// npm test: sets up a fresh machine, then lint, types, unit and reference tests, and the real interface in Chromium.
import { ensureBuilt, ensureChromium, ensureInstalled, ensureTypes, freePort, run } from './lib/prepare.mjs'

ensureInstalled()
const chromium = ensureChromium()
ensureTypes()
const step = (name, command, args, env) => {
  console.log(`\n— ${name}`)
  run(command, args, env)
}
step('lint', 'npm', ['run', '--silent', 'lint'])
step('types', 'npm', ['run', '--silent', 'typecheck'])
step('unit and reference tests', 'npx', ['vitest', 'run', '--coverage'])
ensureBuilt()
step('end-to-end tests', 'npx', ['playwright', 'test'], { CHROMIUM_PATH: chromium, E2E_PORT: String(await freePort()) })
