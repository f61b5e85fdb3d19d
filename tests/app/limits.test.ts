import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

/** What must be readable at a glance, and stays so. Data files of groups and golden files are data. */
const MOST_COLUMNS = 120
const MOST_LINES = 300
const root = new URL('../../', import.meta.url).pathname
const folders = ['app', 'core', 'demo', 'server', 'scripts', 'tests']

function filesIn(folder: string): string[] {
  return readdirSync(join(root, folder)).flatMap(name => {
    const path = join(folder, name)
    if (statSync(join(root, path)).isDirectory()) return filesIn(path)
    return /\.(ts|vue|mjs|css|py)$/.test(name) ? [path] : []
  })
}
const atRoot = readdirSync(root).filter(name => /\.(ts|mjs)$|^package\.json$|^tsconfig.*\.json$/.test(name))
const files = [...folders.flatMap(filesIn), ...atRoot].map(path => ({
  path,
  lines: readFileSync(join(root, path), 'utf8').split('\n'),
}))

describe('the code is readable at a glance', () => {
  it(`no line is over ${MOST_COLUMNS} columns`, () => {
    const long = files.flatMap(({ path, lines }) =>
      lines.flatMap((line, i) => (line.length > MOST_COLUMNS ? [`${path}:${i + 1}`] : [])),
    )
    expect(long).toEqual([])
  })
  it(`no file is over ${MOST_LINES} lines`, () => {
    const long = files.filter(f => f.lines.length > MOST_LINES + 1).map(f => f.path)
    expect(long).toEqual([])
  })
})

describe('the look is made of few measures', () => {
  const styles = files
    .filter(f => /^app\/.*\.(vue|css)$/.test(f.path) && !/(tokens|breakpoints)\.css$/.test(f.path))
    .flatMap(({ path, lines }) => {
      const from = path.endsWith('.css') ? 0 : lines.findIndex(l => l.startsWith('<style'))
      return from < 0 ? [] : lines.slice(from).map((line, i) => ({ line, where: `${path}:${from + i + 1}` }))
    })
  const thoseWith = (pattern: RegExp) => styles.filter(({ line }) => pattern.test(line)).map(s => s.where)

  it('sizes of type are those of tokens.css, seven at most', () => {
    expect(thoseWith(/(font-size|\bfont): [^;]*\d(px|r?em)/)).toEqual([])
    const tokens = readFileSync(join(root, 'app/assets/tokens.css'), 'utf8')
    expect(tokens.match(/--type-\w+:/g)!.length).toBeLessThanOrEqual(7)
  })
  it('distances are those of tokens.css; a hairline and a measured place may be their own', () => {
    const own = /(padding-left: 224px|padding-bottom: 76px|calc\(|env\(|\b1px|-\d)/
    expect(
      styles
        .filter(({ line }) => /^\s*((row-|column-)?gap|(padding|margin)[a-z-]*): [^;]*\d(px|rem)/.test(line))
        .filter(({ line }) => !own.test(line))
        .map(s => s.where),
    ).toEqual([])
  })
  it('breakpoints are named', () => {
    expect(thoseWith(/@media[^{]*\d(px|r?em)/)).toEqual([])
  })
})
