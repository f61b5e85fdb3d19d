import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { groups } from '#core/groups'
import { groupFigures } from '~/components/drawing/groupFigures'
import { glossary, glossaryIds } from '~/words/glossary'

const app = new URL('../../app', import.meta.url).pathname
const pages = (readdirSync(app, { recursive: true }) as string[])
  .filter(f => f.endsWith('.vue'))
  .map(f => readFileSync(join(app, f), 'utf8'))
  .join('\n')

describe('dotted words', () => {
  it('none lacks its entry, and no entry stands unused', () => {
    const dotted = [...pages.matchAll(/<GlossWord\s+of="([^"]+)"/g)].map(m => m[1]!)
    expect(dotted.length).toBeGreaterThan(5)
    for (const id of dotted) expect(glossaryIds).toContain(id)
    // those that the groups dot by what they are
    const ofGroups = ['amphidromous', 'berried', 'mass', 'clutch', 'paludarium']
    expect(new Set([...dotted, ...ofGroups])).toEqual(new Set(glossaryIds))
  })
  it('say something, in whole sentences', () => {
    for (const { word, says } of Object.values(glossary)) {
      expect(word).toMatch(/\S/)
      expect(says).toMatch(/\.$/)
      expect(says.length).toBeGreaterThan(20)
    }
  })
})

describe('silhouettes', () => {
  it('there is one of each group, and no two are alike', () => {
    for (const g of groups) expect(Object.keys(groupFigures)).toContain(g.id)
    const drawn = groups.map(g => JSON.stringify(groupFigures[g.id]))
    expect(new Set(drawn).size).toBe(groups.length)
  })
})
