// Reads the flags of a command. Node's own modules only: this runs before anything is installed.
import { X509Certificate, createPrivateKey } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { fail } from './prepare.mjs'

/** The oldest Node.js that runs the app; package.json says the same. */
const OLDEST = [20, 19]

/** Ends with a sentence where Node.js is too old. */
export function checkNode(version = process.versions.node) {
  const [major, minor] = version.split('.').map(Number)
  if (major > OLDEST[0] || (major === OLDEST[0] && minor >= OLDEST[1])) return
  fail(`Ulkin needs Node.js ${OLDEST.join('.')} or newer; this is ${version}. Install a newer one from nodejs.org.`)
}

/** Reads flags strictly; one that is not known ends with a sentence that names those that are. */
export function readFlags(options, usage, allowPositionals = false) {
  try {
    return parseArgs({ options, allowPositionals })
  } catch (error) {
    return fail(`${error.message.split(/[.\n]/)[0]}. Known: ${usage}`)
  }
}

/** A port as typed; ends with a sentence where it is none. */
export function readPort(text) {
  const port = Number(text)
  if (Number.isInteger(port) && port > 0 && port < 65_536) return port
  return fail(`The port must be a whole number from 1 to 65535, got “${text}”.`)
}

/** Certificate and key of `--https CERT KEY`; ends with a sentence where they are none, or not of each other. */
export function readTls(certPath, keyPath) {
  if (!certPath || !keyPath) return fail('--https needs two files: the certificate and its key, both PEM.')
  const [cert, key] = [certPath, keyPath].map(path => {
    try {
      return readFileSync(path, 'utf8')
    } catch {
      return fail(`The file ${path} cannot be read: give the certificate and its key, both PEM.`)
    }
  })
  try {
    if (new X509Certificate(cert).checkPrivateKey(createPrivateKey(key))) return { cert, key }
  } catch {
    return fail(`${certPath} and ${keyPath} are no certificate and key in PEM.`)
  }
  return fail(`${keyPath} is not the key of ${certPath}.`)
}
