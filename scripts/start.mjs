// npm start [-- --host] [--port 3000] [--https CERT KEY]: the built app with the keeper's own room, on this machine or
// for the phones of the house.
import { networkInterfaces } from 'node:os'
import { checkNode, readFlags, readPort, readTls } from './lib/flags.mjs'
import { ensureBuilt, ensureInstalled, fail } from './lib/prepare.mjs'
import { portIsFree, startServer } from './lib/server.mjs'

const USUAL_PORT = 3000

checkNode()
const { values, positionals } = readFlags(
  { host: { type: 'boolean' }, port: { type: 'string', short: 'p' }, https: { type: 'string' } },
  '--host, --port NUMBER, --https CERT KEY.',
  true,
)
if (positionals.length > (values.https ? 1 : 0))
  fail(`What is “${positionals.at(-1)}” for? Known: --host, --port NUMBER, --https CERT KEY.`)
const port = readPort(values.port ?? (process.env.PORT || USUAL_PORT))
const tls = values.https === undefined ? null : readTls(values.https, positionals[0])
const host = values.host ? '0.0.0.0' : '127.0.0.1'
if (!(await portIsFree(port, host)))
  fail(`Port ${port} is in use: end what runs there, or take another one with “npm start -- --port ${port + 1}”.`)

/** Addresses of this machine in the house. */
const inTheHouse = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter(a => a && a.family === 'IPv4' && !a.internal)
    .map(a => `${tls ? 'https' : 'http'}://${a.address}:${port}/`)

async function tellTheHouse() {
  const addresses = inTheHouse()
  if (addresses.length === 0) return console.log('This machine is in no network: no phone can reach it.')
  const { default: qrcode } = await import('qrcode')
  console.log(`In the house:\n${addresses.map(a => `  ${a}`).join('\n')}\n`)
  console.log(await qrcode.toString(addresses[0], { type: 'terminal', small: true }))
  console.log('Everybody in the house can open this page. Your data is not on it: it lies on each device by itself.')
  if (!tls)
    console.log(
      'Without HTTPS a phone neither installs the app nor starts it without this machine: “--https CERT KEY” takes ' +
        'your certificate, and “npm run static” makes a folder for a web host that has one.',
    )
}

ensureInstalled()
ensureBuilt()
try {
  const server = await startServer(port, {}, { host, ...(tls && { tls }) })
  console.log(`\nUlkin runs at ${server.address.replace('127.0.0.1', 'localhost')}/\n`)
  if (values.host) await tellTheHouse()
  console.log('Ctrl+C ends it. What you log stays in your browser.')
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.stop())
  server.child.on('exit', code => process.exit(code ?? 0))
} catch (error) {
  fail(`Ulkin could not be started: ${error.message}.`)
}
