// Starts the production server and waits until it answers.
import { spawn } from 'node:child_process'
import { root } from './prepare.mjs'

/** @returns the address, and a function that ends the server (by its own process, nobody else's) */
export async function startServer(port, env = {}) {
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env, NITRO_HOST: '127.0.0.1', NITRO_PORT: String(port) },
  })
  let ended = null
  child.on('exit', code => {
    ended = code ?? 1
  })
  const address = `http://127.0.0.1:${port}`
  for (let tries = 0; tries < 150; tries++) {
    if (ended !== null) throw new Error(`the server ended with code ${ended}; is port ${port} in use?`)
    const answer = await fetch(`${address}/api/health`).catch(() => null)
    if (answer?.ok) return { address, child, stop: () => child.kill('SIGTERM') }
    await new Promise(resolve => setTimeout(resolve, 200))
  }
  child.kill('SIGTERM')
  throw new Error(`the server did not answer at ${address} within 30 seconds`)
}
