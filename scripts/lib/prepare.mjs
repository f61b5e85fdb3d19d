// Sets up what a command needs, and only when it is missing or out of date. Node's own modules only: this runs before
// anything is installed.
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { spawn, spawnSync } from 'node:child_process'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))))
const at = (...path) => join(root, ...path)

/** Runs a command in the project's folder and ends this process with its code when it fails. */
export function run(command, args, env = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
  if (error) fail(`${command} could not be started: ${error.message}`)
  if (status !== 0) process.exit(status ?? 1)
}

/** Runs commands side by side in the project's folder; when one fails, the others are ended and so is this process. */
export async function runTogether(commands) {
  const running = commands.map(([command, args]) => spawn(command, args, { cwd: root, stdio: 'inherit' }))
  const endings = running.map(
    (child, i) =>
      new Promise(resolve => {
        child.on('error', error => fail(`${commands[i][0]} could not be started: ${error.message}`))
        child.on('close', code => {
          if (code === 0) return resolve()
          for (const other of running) other.kill()
          process.exit(code ?? 1)
        })
      }),
  )
  await Promise.all(endings)
}

export function fail(sentence) {
  console.error(sentence)
  process.exit(1)
}

function hashOf(paths) {
  const hash = createHash('sha256')
  const visit = path => {
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) visit(join(path, name))
    else hash.update(path.slice(root.length)).update(readFileSync(path))
  }
  for (const path of paths) visit(at(path))
  return hash.digest('hex')
}

const stampIs = (file, value) => existsSync(file) && readFileSync(file, 'utf8') === value

/** Installs from the lock file, unless just that lock file is installed already. */
export function ensureInstalled() {
  const stamp = at('node_modules', '.ulkin-lock')
  const lock = hashOf(['package-lock.json'])
  if (stampIs(stamp, lock)) return
  console.log('Installing from package-lock.json (about a minute) …')
  run('npm', ['ci', '--no-progress'])
  writeFileSync(stamp, lock)
}

const sourcesHash = () => hashOf(['app', 'core', 'demo', 'server', 'public', 'nuxt.config.ts', 'package-lock.json'])

/** Builds for production, unless the build at hand was made from these very sources. */
export function ensureBuilt() {
  const stamp = at('.output', '.ulkin-build')
  const sources = sourcesHash()
  if (stampIs(stamp, sources)) return
  console.log('Building (one to two minutes) …')
  run('npx', ['nuxt', 'build', '--logLevel', 'silent'])
  writeFileSync(stamp, sources)
}

/**
 * Builds what a plain web host serves, unless that at hand was made from these very sources.
 * @param base path under which the host serves it
 * @returns the folder of its files
 */
export function ensureStatic(base) {
  const stamp = at('.output-static', '.ulkin-build')
  const sources = `${sourcesHash()} ${base}`
  if (!stampIs(stamp, sources)) {
    console.log('Building the folder (one to two minutes) …')
    const env = { NITRO_PRESET: 'static', ULKIN_STATIC: '1', NUXT_APP_BASE_URL: base }
    run('npx', ['nuxt', 'build', '--logLevel', 'silent'], env)
    writeFileSync(stamp, sources)
  }
  return at('.output-static', 'public')
}

/** Nuxt's generated types and lint rules, which a fresh clone lacks. */
export function ensureTypes() {
  run('npx', ['nuxt', 'prepare', '--logLevel', 'silent'])
}

/** Path of Chromium; installs Debian's package when it is missing and this user may. */
export function ensureChromium() {
  const found = () =>
    [process.env.CHROMIUM_PATH, '/usr/bin/chromium', '/usr/bin/chromium-browser'].find(p => p && existsSync(p))
  if (!found() && process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    console.log('Installing Debian’s chromium …')
    run('apt-get', ['update', '-qq'])
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], {
      DEBIAN_FRONTEND: 'noninteractive',
    })
  }
  return (
    found() ??
    fail(
      'The end-to-end tests need Chromium: install Debian’s package with “apt-get install chromium” as root, or ' +
        'set CHROMIUM_PATH.',
    )
  )
}

/** A port that is free now. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer()
    server.on('error', reject)
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address()
      server.close(() => resolve(port))
    })
  })
}
