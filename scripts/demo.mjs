// npm run demo [-- --port 4000]: everything from an empty clone to the running app with the demo room.
import { parseArgs } from 'node:util'
import { ensureBuilt, ensureInstalled, fail, freePort } from './lib/prepare.mjs'
import { startServer } from './lib/server.mjs'

const { values } = parseArgs({ options: { port: { type: 'string', short: 'p' } } })
const wanted = values.port ?? process.env.PORT
if (wanted !== undefined && !(Number.isInteger(Number(wanted)) && Number(wanted) > 0 && Number(wanted) < 65_536))
  fail(`The port must be a whole number from 1 to 65535, got “${wanted}”.`)

ensureInstalled()
ensureBuilt()
try {
  const server = await startServer(wanted ? Number(wanted) : await freePort(), { ULKIN_START: 'demo' })
  console.log(
    `\nUlkin runs with the demo room at ${server.address}/\nCtrl+C ends it. What you log stays in your browser.`,
  )
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.stop())
  server.child.on('exit', code => process.exit(code ?? 0))
} catch (error) {
  fail(`The demo could not be started: ${error.message}.`)
}
