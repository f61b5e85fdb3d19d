import { describe, expect, it, vi } from 'vitest'
import { toRaw } from 'vue'
import { DAY_MS } from '#core/records'
import { useBucketBlend } from '~/composables/useBucketBlend'
import { useBucketCautions } from '~/composables/useBucketCautions'
import { useBucketNotes } from '~/composables/useBucketNotes'
import { useRecipeCard } from '~/composables/useRecipeCard'
import { openDb } from '~/data/database'
import { entriesOf } from '~/data/log'
import { useSettingsStore } from '~/stores/settings'
import { useStatementsStore } from '~/stores/statements'
import { movedKeys } from '~/words/recipe'
import { plain } from '~/words/numbers'
import { NOW, shelfItem, smallRoom, source, test as waterTest, waterChange } from '../../make'
import { atTheBench, onPage, useBench } from './bench'

useBench()

/** A glass of 50 L with too little KH, a hard tap, pure water, and bicarbonate on the shelf. */
async function bucketBeside({ testedDays = 2, analysisDays = 30, changedDays = 0, stockG = 200, khDh = 2 } = {}) {
  const s = smallRoom()
  const at = new Date(NOW - analysisDays * DAY_MS).toISOString()
  const tap = source(s.room.id, {
    analyses: [{ at, by: 'ownTest', values: { ghDh: 12, khDh: 5, conductivityUsCm: 430 } }],
  })
  const pure = source(s.room.id, { name: 'Pure water', kind: 'pure', disinfectant: 'none', analyses: [] })
  const log = [
    waterTest(s.glass.id, testedDays, { ghDh: 7, khDh, temperatureC: 22, conductivityUsCm: 260 }),
    ...(changedDays > 0 ? [waterChange(s.glass.id, changedDays, 5)] : []),
  ]
  const desk = await atTheBench(s, log, [
    { table: 'sources', record: tap },
    { table: 'sources', record: pure },
    { table: 'shelf', record: shelfItem(s.room.id, { stockG }) },
  ])
  const card = onPage(() => useRecipeCard())
  const blend = onPage(() => useBucketBlend(card))
  const cautions = onPage(() => useBucketCautions(card, blend))
  const notes = onPage(() => useBucketNotes(card, () => (desk.recipe ? movedKeys(desk.recipe) : [])))
  await vi.waitFor(() => expect(card.step.value).not.toBeNull())
  return { s, desk, card, blend, cautions, notes, tap, pure }
}
const litresIn = (blend: ReturnType<typeof useBucketBlend>) => blend.rows.reduce((sum, r) => sum + r.litres, 0)

describe('what goes into the bucket', () => {
  it('is solved until the keeper takes it over, and always adds up to the change', async () => {
    const { desk, blend, tap } = await bucketBeside()
    expect(desk.chosen).toBeNull()
    expect(litresIn(blend)).toBeCloseTo(blend.totalL, 6)
    blend.pourOf(tap.id, '1.5')
    expect(blend.rows.find(r => r.id === tap.id)).toMatchObject({ litres: 1.5, shown: '1.5' })
    expect(litresIn(blend)).toBeCloseTo(desk.bucketL, 6)
    expect(blend.parts.map(p => p.name).toSorted()).toEqual(['Pure water', 'Tap'])
    // what is no number changes nothing
    blend.pourOf(tap.id, 'some')
    expect(blend.rows.find(r => r.id === tap.id)!.litres).toBe(1.5)
    desk.chosen = null
    expect(litresIn(blend)).toBeCloseTo(blend.totalL, 6)
  })
  it('is solved anew only when something else is asked, not with each minute', async () => {
    const { desk } = await bucketBeside()
    const solved = toRaw(desk.answer)
    vi.setSystemTime(NOW + 60_000)
    useStatementsStore().now = new Date(NOW + 60_000)
    await vi.waitFor(() => expect(desk.nowMs).toBeGreaterThanOrEqual(NOW + 60_000))
    expect(desk.solving).toBe(false)
    expect(toRaw(desk.answer)).toBe(solved)
    desk.changeL = 3
    // the last one stands meanwhile
    expect(desk.solving).toBe(true)
    expect(toRaw(desk.answer)).toBe(solved)
    await vi.waitFor(() => expect(desk.solving).toBe(false))
    expect(toRaw(desk.answer)).not.toBe(solved)
    expect(desk.recipe!.steps[0]!.changeL).toBeLessThanOrEqual(3)
  })
  it('is the answer to what is asked at last, however fast the asking', async () => {
    const { desk } = await bucketBeside()
    for (const litres of [2, 2.5, 3, 3.5, 4]) {
      desk.changeL = litres
      await Promise.resolve()
    }
    await vi.waitFor(() => expect(desk.solving).toBe(false))
    expect(desk.question!.changeL).toBe(4)
    expect(desk.recipe!.steps[0]!.changeL).toBeCloseTo(4, 6)
  })
  it('is never shown for another glass', async () => {
    const { desk } = await bucketBeside()
    expect(desk.recipe).not.toBeNull()
    desk.glassId = 'elsewhere'
    expect(desk.recipe).toBeNull()
    expect(desk.solving).toBe(false)
  })
  it('tells what is known of each source', async () => {
    const { blend } = await bucketBeside()
    expect(blend.rows.map(r => r.facts)).toEqual([expect.stringMatching(/^GH 12 · KH 5 · \d+ Oct$/), 'assumed'])
  })
  it('moves in the jug’s steps, finer where the bucket is small', async () => {
    const { desk, blend } = await bucketBeside()
    expect(desk.bench.jugStepL).toBe(0.1)
    expect(blend.stepL).toBe(0.1)
    blend.changeText = '1.5'
    blend.setChange()
    await vi.waitFor(() => expect(blend.totalL).toBeLessThan(2))
    expect(blend.stepL).toBe(0.01)
  })
  it('takes the size of the change in the keeper’s unit, and forgets the blend that was for another', async () => {
    const { desk, blend, tap } = await bucketBeside()
    blend.pourOf(tap.id, '1')
    useSettingsStore().units.volume = 'usGal'
    await vi.waitFor(() => expect(blend.unit).toBe('US gal'))
    blend.changeText = '2'
    blend.setChange()
    expect(desk.changeL).toBeCloseTo(7.571, 2)
    expect(desk.chosen).toBeNull()
    expect(blend.changeIssue).toBe('')
  })
  it('does not change more than is in the glass, and says what to do instead', async () => {
    const { desk, blend } = await bucketBeside()
    blend.changeText = '50'
    blend.setChange()
    expect(blend.changeIssue).toMatch(/^Less than the 50(\.0)? L in the glass; to fill anew use the button below\.$/)
    blend.changeText = 'half'
    blend.setChange()
    expect(blend.changeIssue).not.toBe('')
    expect(desk.changeL).toBeNull()
  })
})

describe('what must be said before it is poured', () => {
  it('is nothing while all is fresh and at hand', async () => {
    const { cautions, notes } = await bucketBeside()
    expect(cautions.value).toEqual([])
    expect(notes.limits.join()).toMatch(/KH/)
    expect(notes.tests).toMatch(/^GH .*KH .*Conductivity/)
  })
  it('is an old test, an old analysis, an early change, an empty shelf', async () => {
    const old = await bucketBeside({ testedDays: 45, analysisDays: 400 })
    expect(old.cautions.value.map(plain)).toEqual([
      'The last test is more than a month old: test before you correct.',
      expect.stringMatching(/Tap: the analysis is more than a year old\. Test it again, or ask your supplier\.$/),
    ])
  })
  it('is a change that comes too early', async () => {
    const { cautions } = await bucketBeside({ changedDays: 1 })
    expect(cautions.value.map(plain)[0]).toMatch(
      /^The last change was 24 Nov\. The next is due in 6 days, .*: poured earlier,/,
    )
  })
  it('is a salt that does not reach', async () => {
    const { cautions, desk } = await bucketBeside({ stockG: 1, khDh: 1 })
    expect(desk.recipe).toMatchObject({ reached: false, needs: [{ grams: expect.closeTo(1, 1), usedUp: true }] })
    const [short, usedUp] = cautions.value.map(plain)
    expect(short).toMatch(/KH/)
    expect(usedUp).toBe('It takes all that is left of Bicarbonate: the shelf does not reach.')
  })
  it('is that animals live in a glass that is to be filled anew', async () => {
    const { desk, blend, cautions } = await bucketBeside()
    blend.refill()
    expect(desk.refilling).toBe(true)
    await vi.waitFor(() => expect(cautions.value.join()).toContain('Animals live here'))
    blend.refill()
    expect(cautions.value.join()).not.toContain('Animals live here')
  })
})

describe('the card', () => {
  it('is poured once, however often it is pressed, and the glass knows of it at once', async () => {
    const { s, desk, card } = await bucketBeside()
    const before = desk.now.khDh
    await Promise.all([card.pourIt(), card.pourIt()])
    const log = await entriesOf(openDb(), s.glass.id)
    expect(log.filter(e => e.kind === 'waterChange')).toHaveLength(1)
    await vi.waitFor(() => expect(desk.now.khDh).toBeGreaterThan(before))
  })
})
