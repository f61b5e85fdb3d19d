// Starts the production server and waits until it answers.
import { spawn } from 'node:child_process'
import http from 'node:http'
import https from 'node:https'
import { createServer } from 'node:net'
import { root } from './prepare.mjs'

/** Whether a port of this machine can be taken. */
export const portIsFree = (port, host) =>
  new Promise(resolve => {
    const server = createServer()
    server.once('error', () => resolve(false))
    server.listen(port, host, () => server.close(() => resolve(true)))
  })

/** Whether something answers well; a keeper's own certificate is as good as any here. */
const answers = address =>
  new Promise(resolve => {
    const ask = address.startsWith('https') ? https : http
    const request = ask.get(`${address}/api/health`, { rejectUnauthorized: false }, answer => {
      answer.resume()
      resolve(answer.statusCode === 200)
    })
    request.on('error', () => resolve(false))
  })

/**
 * @param env for the server beside its own: what it starts with
 * @param host where it listens: this machine alone, or 0.0.0.0 for the house
 * @param tls certificate and key as PEM text, for HTTPS
 * @returns the address, and a function that ends the server (by its own process, nobody else's)
 */
export async function startServer(port, env = {}, { host = '127.0.0.1', tls } = {}) {
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    cwd: root,
    // Nitro's own line names an address that is of no use in the house
    stdio: ['ignore', host === '127.0.0.1' ? 'inherit' : 'ignore', 'inherit'],
    env: {
      ...process.env,
      ...env,
      NITRO_HOST: host,
      NITRO_PORT: String(port),
      ...(tls && { NITRO_SSL_CERT: tls.cert, NITRO_SSL_KEY: tls.key }),
    },
  })
  let ended = null
  child.on('exit', code => {
    ended = code ?? 1
  })
  const address = `${tls ? 'https' : 'http'}://127.0.0.1:${port}`
  for (let tries = 0; tries < 150; tries++) {
    if (ended !== null) throw new Error(`the server ended with code ${ended}`)
    if (await answers(address)) return { address, child, stop: () => child.kill('SIGTERM') }
    await new Promise(resolve => setTimeout(resolve, 200))
  }
  child.kill('SIGTERM')
  throw new Error(`the server did not answer at ${address} within 30 seconds`)
}
