import { spawnSync } from 'node:child_process'
import { generateKeyPairSync } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'

const root = join(import.meta.dirname, '../..')
const folder = mkdtempSync(join(tmpdir(), 'ulkin-start-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** Runs a command that is to be refused before it builds anything. @returns its one sentence */
function refused(script: string, ...flags: string[]): string {
  const { status, stderr } = spawnSync(process.execPath, [join(root, 'scripts', script), ...flags], {
    encoding: 'utf8',
    env: { ...process.env, PORT: '' },
  })
  expect(status).toBe(1)
  const lines = stderr.trim().split('\n')
  expect(lines).toHaveLength(1)
  return lines[0]!
}
const file = (name: string, text: string) => {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}

describe('starting, said wrongly', () => {
  it('names the flags that are known', () => {
    expect(refused('start.mjs', '--hots')).toMatch(/--hots.*Known: --host, --port NUMBER, --https CERT KEY\.$/)
    expect(refused('start.mjs', 'phone')).toContain('What is “phone” for?')
    expect(refused('demo.mjs', '--host')).toContain('Known: --port NUMBER.')
  })
  it('says which port can be, and when one is in use', async () => {
    expect(refused('start.mjs', '--port', '80000')).toBe(
      'The port must be a whole number from 1 to 65535, got “80000”.',
    )
    const server = createServer()
    await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve))
    const { port } = server.address() as { port: number }
    expect(refused('start.mjs', '--port', String(port))).toBe(
      `Port ${port} is in use: end what runs there, or take another one with “npm start -- --port ${port + 1}”.`,
    )
    await new Promise(resolve => server.close(resolve))
  })
  it('wants a certificate with its own key', () => {
    const key = generateKeyPairSync('ec', { namedCurve: 'P-256' }).privateKey.export({ type: 'pkcs8', format: 'pem' })
    expect(refused('start.mjs', '--https', join(folder, 'none.pem'))).toContain('--https needs two files')
    expect(refused('start.mjs', '--https', join(folder, 'none.pem'), file('a.pem', String(key)))).toContain(
      'none.pem cannot be read',
    )
    expect(refused('start.mjs', '--https', file('b.pem', 'no certificate'), file('c.pem', String(key)))).toContain(
      'are no certificate and key in PEM',
    )
  })
  it('needs a Node.js that is new enough', () => {
    const check = (version: string) =>
      spawnSync(
        process.execPath,
        ['-e', `import('${join(root, 'scripts/lib/flags.mjs')}').then(m => m.checkNode('${version}'))`],
        { encoding: 'utf8' },
      )
    expect(check('18.20.4')).toMatchObject({ status: 1 })
    expect(check('20.18.9').stderr).toContain('needs Node.js 20.19 or newer; this is 20.18.9')
    for (const version of ['20.19.0', '22.1.0', '24.0.0']) expect(check(version)).toMatchObject({ status: 0 })
  })
})

describe('the folder for a web host, said wrongly', () => {
  it('touches no folder that it did not make, and wants a base between slashes', () => {
    const kept = file('kept.txt', 'mine')
    expect(refused('static.mjs', '--out', folder)).toContain('is not empty, and was not made by this command')
    expect(refused('static.mjs', '--base', 'ulkin')).toContain('must begin and end with a slash')
    expect(readFileSync(kept, 'utf8')).toBe('mine')
  })
})
