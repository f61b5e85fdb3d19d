import { ESLint } from 'eslint'
import { describe, expect, it } from 'vitest'

/** The floors of the house: a forbidden import must fail the lint run, in every folder that promises it. */
const eslint = new ESLint()
async function refusals(file: string, code: string): Promise<string[]> {
  const [result] = await eslint.lintText(code, { filePath: file })
  return result!.messages
    .filter(m =>
      ['no-restricted-imports', 'no-restricted-globals', 'no-restricted-properties'].includes(m.ruleId ?? ''),
    )
    .map(m => m.message)
}

describe('imports go down only', () => {
  it.each([
    ['core/water/x.ts', "import { ref } from 'vue'\nref(1)"],
    ['core/water/x.ts', "import { Dexie } from 'dexie'\nnew Dexie('a')"],
    ['core/water/x.ts', "import { say } from '~/words/say'\nsay()"],
    ['core/water/x.ts', "import { say } from '../../app/words/say'\nsay()"],
    ['core/water/x.ts', "import { Line } from 'vue-chartjs'\nLine()"],
    ['core/records/x.ts', "import { groups } from '#core/groups'\ngroups.at(0)"],
    ['core/water/x.ts', 'export const now = () => Date.now()'],
    ['core/water/x.ts', 'export const chance = () => Math.random()'],
    ['core/water/x.ts', 'export const page = () => document.title'],
    ['demo/x.ts', "import { say } from '~/words/say'\nsay()"],
    ['app/stores/x.ts', "import { Dexie } from 'dexie'\nnew Dexie('a')"],
    ['app/stores/x.ts', "import { lanternQuay } from '#demo'\nlanternQuay()"],
    ['core/water/x.ts', "import { groupOf } from '../groups/catalogue'\ngroupOf('a')"],
    ['app/stores/x.ts', "import { groupOf } from '#core/groups/catalogue'\ngroupOf('a')"],
    ['app/stores/x.ts', "import { groupOf } from '../../core/groups'\ngroupOf('a')"],
    ['app/data/x.ts', "import { ref } from 'vue'\nref(1)"],
    ['server/api/x.ts', "import { openDb } from '~/data/database'\nopenDb()"],
  ])(
    '%s must not: %s',
    async (file, code) => {
      expect(await refusals(file, code)).not.toEqual([])
    },
    30_000,
  )
  it('lets a floor use what lies below it', async () => {
    expect(await refusals('core/water/x.ts', "import { groups } from '#core/groups'\ngroups.at(0)")).toEqual([])
    expect(await refusals('app/stores/x.ts', "import { groups } from '#core/groups'\ngroups.at(0)")).toEqual([])
    expect(await refusals('app/data/x.ts', "import { Dexie } from 'dexie'\nnew Dexie('a')")).toEqual([])
  })
})
