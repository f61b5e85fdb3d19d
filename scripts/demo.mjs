// npm run demo [-- --port 4000]: everything from an empty clone to the running app with the demo room.
import { checkNode, readFlags, readPort } from './lib/flags.mjs'
import { ensureBuilt, ensureInstalled, fail, freePort } from './lib/prepare.mjs'
import { portIsFree, startServer } from './lib/server.mjs'

checkNode()
const { values } = readFlags({ port: { type: 'string', short: 'p' } }, '--port NUMBER.')
const wanted = values.port ?? (process.env.PORT || undefined)
const port = wanted === undefined ? await freePort() : readPort(wanted)
if (!(await portIsFree(port, '127.0.0.1'))) fail(`Port ${port} is in use: leave it out, and a free one is taken.`)

ensureInstalled()
ensureBuilt()
try {
  const server = await startServer(port, { ULKIN_START: 'demo' })
  console.log(
    `\nUlkin runs with the demo room at ${server.address}/\nCtrl+C ends it. What you log stays in your browser.`,
  )
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.stop())
  server.child.on('exit', code => process.exit(code ?? 0))
} catch (error) {
  fail(`The demo could not be started: ${error.message}.`)
}
