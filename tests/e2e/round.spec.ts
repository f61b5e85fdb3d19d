import { readFile } from 'node:fs/promises'
import { expect, type Page, test } from '@playwright/test'
import ICAL from 'ical.js'
import { expectAccessible, notice, openDemo, roomIsReady, sheet, startColony, startRoom } from './steps'

/** More than this nobody does with wet hands. */
const MOST_TOUCHES = 6
const here = (page: Page) => page.getByRole('heading', { level: 1 })
const said = (page: Page) => page.locator('.walk .said')
const counter = (page: Page, name: string) => page.getByRole('textbox', { name })

async function toRound(page: Page) {
  await page.getByRole('link', { name: 'Round', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^(Due today|Nothing is due)/ })).toBeVisible()
}
async function startWalk(page: Page) {
  await toRound(page)
  await page.getByRole('button', { name: 'Start the round' }).click()
  await expect(page.getByRole('progressbar', { name: 'Glasses looked at' })).toBeVisible()
}
const glassCount = (page: Page) => page.locator('.progress i').count()
/** The log of a colony, by its glass in the Room. */
async function toLog(page: Page, name: string) {
  await page.getByRole('link', { name: 'Room', exact: true }).click()
  await page.locator(`a.whole[aria-label^="${name}: "]`).first().click()
  await expect(here(page)).toHaveText(name)
  await page.getByRole('tab', { name: /^Log \d/ }).click()
}
/** Goes to a glass of the walk by its name. */
const toGlass = async (page: Page, name: string) => {
  await page
    .getByRole('navigation', { name: 'Glasses of the round' })
    .getByRole('button', { name: new RegExp(`^${name} (\\d|nothing|looked|passed)`) })
    .click()
  await expect(here(page)).toHaveText(name)
}

test('all glasses of the demo by keyboard, in six keys at most for each', async ({ page }) => {
  test.setTimeout(150_000)
  await openDemo(page)
  await startWalk(page)
  const glasses = await glassCount(page)
  expect(glasses).toBeGreaterThanOrEqual(16)
  const seen = new Set<string>()
  for (let i = 0; i < glasses; i++) {
    const name = (await here(page).textContent())!
    seen.add(name)
    let keys = 0
    const press = async (key: string) => {
      keys++
      await page.keyboard.press(key)
    }
    // what became of the food, and everything that is due here and done with a touch
    if (await page.getByRole('button', { name: /^Gone in an hour/ }).isVisible()) await press('h')
    const due = page.locator('.touches .chip.asked')
    if ((await due.count()) === 1)
      await due
        .first()
        .evaluate(el => el.querySelector('kbd')!.textContent!.toLowerCase())
        .then(press)
    else if ((await due.count()) > 1) await press('a')
    await press('Enter')
    await (i < glasses - 1 ? expect(here(page)).not.toHaveText(name) : page.waitForURL('**/round/report'))
    expect(keys, name).toBeLessThanOrEqual(MOST_TOUCHES)
  }
  expect(seen.size).toBe(glasses)
  await expect(page.getByText(`${glasses} glasses looked at`)).toBeVisible()
  await expect(page.getByRole('region', { name: 'What was seen' })).toContainText('feedings')
  await expect(page.getByRole('region', { name: 'What comes next' })).toContainText(
    /Leftovers: look at .+ glasses again from \d\d:\d\d on/,
  )
  // what was done is no longer due
  await page.getByRole('link', { name: 'Round', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^Due today/ })).toBeVisible()
  await expect(page.locator('.due summary').filter({ hasText: 'Feeding' })).toBeHidden()
  await expect(page.locator('.due summary').filter({ hasText: 'Equipment' })).toBeHidden()
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })
  test('all glasses by touch, in six touches at most for each', async ({ page }) => {
    test.setTimeout(150_000)
    await openDemo(page)
    await startWalk(page)
    const glasses = await glassCount(page)
    for (let i = 0; i < glasses; i++) {
      const name = (await here(page).textContent())!
      let touches = 0
      const tap = async (target: ReturnType<Page['locator']>) => {
        touches++
        await target.tap()
      }
      const hour = page.getByRole('button', { name: /^Gone in an hour/ })
      if (await hour.isVisible()) await tap(hour)
      const all = page.getByRole('button', { name: /^All of it/ })
      const due = page.locator('.touches .chip.asked')
      if (await all.isVisible()) await tap(all)
      else if ((await due.count()) > 0) await tap(due.first())
      await tap(page.getByRole('button', { name: /^Save, / }))
      await (i < glasses - 1 ? expect(here(page)).not.toHaveText(name) : page.waitForURL('**/round/report'))
      expect(touches, name).toBeLessThanOrEqual(MOST_TOUCHES)
    }
    await expect(page.getByText(`${glasses} glasses looked at`)).toBeVisible()
  })
  test('counters, touches and buttons are large enough for wet fingers, and nothing is under the bars', async ({
    page,
  }) => {
    await openDemo(page)
    await startWalk(page)
    for (const target of await page.locator('.walk button:visible, .walk input:visible, .walk select:visible').all()) {
      const box = (await target.boundingBox())!
      expect(
        Math.min(box.width, box.height),
        await target.evaluate(el => el.outerHTML.slice(0, 120)),
      ).toBeGreaterThanOrEqual(
        await target.evaluate(el => (el.matches('.said button, .number, .link, .photo input') ? 30 : 44)),
      )
    }
    await page.getByRole('button', { name: 'Berried of Ember A: one more' }).tap()
    await page.getByRole('button', { name: 'Berried of Ember A: one more' }).tap()
    await expect(counter(page, 'Berried of Ember A')).toHaveValue('2')
    await page.getByRole('button', { name: 'Berried of Ember A: one less' }).tap()
    await expect(counter(page, 'Berried of Ember A')).toHaveValue('1')
    const [foot, bar] = [
      await page.locator('.walk footer').boundingBox(),
      await page.getByRole('navigation', { name: 'Places' }).boundingBox(),
    ]
    expect(foot!.y + foot!.height).toBeLessThanOrEqual(bar!.y + 1)
    await expectAccessible(page)
  })
  test('the other places are under More', async ({ page }) => {
    await openDemo(page)
    await page.getByRole('button', { name: 'More', exact: true }).click()
    await sheet(page)
      .getByRole('button', { name: /^Records/ })
      .click()
    await expect(here(page)).toHaveText('Records')
  })
})

for (const size of [
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
]) {
  test(`the round fits a screen of ${size.width} px, and nothing lies outside it`, async ({ page }) => {
    await page.setViewportSize(size)
    await openDemo(page)
    const fits = async () =>
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
      ).toBeLessThanOrEqual(0)
    await toRound(page)
    await fits()
    await page.getByRole('button', { name: 'Start the round' }).click()
    await expect(counter(page, 'Berried of Ember A')).toBeVisible()
    await fits()
    // what is saved with stands on the screen, wherever the glass is scrolled to
    const save = (await page.getByRole('button', { name: /^Save, next/ }).boundingBox())!
    expect(save.y + save.height).toBeLessThanOrEqual(size.height)
    await page.goto('/round/report')
    await fits()
    await page.goto('/round/holiday')
    await expect(page.getByRole('heading', { name: /^Before you leave/ })).toBeVisible()
    await fits()
  })
}

test('digits type into the counter, arrows and Backspace move between them, u takes the glass back', async ({
  page,
}) => {
  await openDemo(page)
  await startWalk(page)
  await expect(counter(page, 'Berried of Ember A')).toBeFocused()
  await page.keyboard.press('3')
  await page.keyboard.press('ArrowRight')
  await expect(counter(page, 'Molts of Ember A')).toBeFocused()
  await page.keyboard.type('88')
  await page.keyboard.press('Tab')
  await expect(counter(page, 'Dead of Ember A')).toBeFocused()
  await page.keyboard.press('+')
  await expect(counter(page, 'Dead of Ember A')).toHaveValue('1')
  await page.getByRole('radio', { name: 'failed molt' }).check()
  await counter(page, 'Dead of Ember A').focus()
  await page.keyboard.press('-')
  await page.keyboard.press('Backspace')
  await page.keyboard.press('Backspace')
  await expect(counter(page, 'Molts of Ember A')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(here(page)).toHaveText('Ember box')
  await expect(said(page)).toContainText('Ember A: two lines saved')
  await page.keyboard.press('u')
  await expect(here(page)).toHaveText('Ember A')
  await expect(said(page)).toContainText('Ember A: taken back')
  await expect(page.locator('.saved')).toBeHidden()
  await expect(page.locator('.progress i.d')).toHaveCount(0)
  // what was typed stands there again; put right, the log of the colony has it once
  await expect(counter(page, 'Molts of Ember A')).toHaveValue('88')
  await expect(counter(page, 'Berried of Ember A')).toHaveValue('3')
  await counter(page, 'Molts of Ember A').fill('77')
  await page.keyboard.press('Enter')
  await expect(here(page)).toHaveText('Ember box')
  await toGlass(page, 'Ember A')
  await expect(page.locator('.saved')).toContainText('Saved on this round: 3 berried, 77 shed skins')
  await toLog(page, 'Ember A')
  await expect(page.getByRole('listitem').filter({ hasText: '77 shed skins' })).toHaveCount(1)
  await expect(page.getByRole('listitem').filter({ hasText: '88 shed skins' })).toHaveCount(0)
})

test('a slip is asked about once, and what cannot be is kept as a note', async ({ page }) => {
  await openDemo(page)
  await startWalk(page)
  await toGlass(page, 'Slate')
  await page.getByRole('button', { name: 'More values' }).click()
  await page.getByRole('textbox', { name: /pH/ }).fill('71')
  await page.getByRole('textbox', { name: /^KH/ }).fill('2.0')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'pH 71? It lies between 3 and 11.' })).toBeVisible()
  await expect(here(page)).toHaveText('Slate')
  await page.getByRole('textbox', { name: /pH/ }).fill('7.1')
  await expect(page.getByRole('alert').filter({ hasText: 'pH 71?' })).toBeHidden()
  await page.getByRole('textbox', { name: /pH/ }).fill('71')
  await page.keyboard.press('Enter')
  await expect(here(page)).toHaveText('Barley')
  await expect(said(page)).toContainText('Slate: two lines saved')
  await toGlass(page, 'Slate')
  await expect(page.locator('.saved')).toContainText('KH 2.0 °dH, Note')
})

test('the strip moves as a value is typed', async ({ page }) => {
  await openDemo(page)
  await startWalk(page)
  await toGlass(page, 'Slate')
  const tick = page
    .locator('.row')
    .filter({ has: page.getByRole('textbox', { name: /^KH/ }) })
    .locator('.latest')
  const before = (await tick.boundingBox())!.x
  await page.getByRole('textbox', { name: /^KH/ }).fill('7')
  await expect.poll(async () => (await tick.boundingBox())!.x).toBeGreaterThan(before + 50)
})

test('a tab that is killed half-way loses nothing', async ({ page, context }) => {
  await openDemo(page)
  await startWalk(page)
  await counter(page, 'Molts of Ember A').fill('4')
  await page.keyboard.press('Enter')
  await expect(here(page)).toHaveText('Ember box')
  await counter(page, 'Berried of Ember box').fill('2')
  await page.keyboard.press('h')
  await page.getByRole('textbox', { name: /°C/ }).fill('23.1')
  await page.getByRole('button', { name: /^Note/ }).click()
  await page.getByLabel('Note', { exact: true }).fill('Sponge off again.')
  // the renderer dies without a word to the page
  await Promise.all([page.waitForEvent('crash'), page.goto('chrome://crash').catch(() => null)])
  const again = await context.newPage()
  await again.goto('/')
  await roomIsReady(again)
  await again.getByRole('link', { name: /^Go on with the round: 1 of/ }).click()
  await expect(here(again)).toHaveText('Ember box')
  await expect(counter(again, 'Berried of Ember box')).toHaveValue('2')
  await expect(again.getByRole('textbox', { name: /°C/ })).toHaveValue('23.1')
  await expect(again.getByRole('button', { name: /^Gone in an hour/ })).toHaveAttribute('aria-pressed', 'true')
  await expect(again.getByLabel('Note', { exact: true })).toHaveValue('Sponge off again.')
  await again.getByRole('button', { name: /^Save, next/ }).click()
  await expect(again.locator('.progress i.d')).toHaveCount(2)
  await expect(said(again)).toContainText('Ember box: four lines saved')
})

test('a round pauses, passes glasses over, ends early, and goes on', async ({ page }) => {
  await openDemo(page)
  await startWalk(page)
  await page.keyboard.press('s')
  await expect(here(page)).toHaveText('Ember box')
  await page.keyboard.press('Enter')
  await page.getByRole('link', { name: 'Pause' }).click()
  await expect(page.getByText(/^1 of \d+ looked at/)).toBeVisible()
  await page.getByRole('button', { name: 'End it here' }).click()
  await expect(page.getByText('One glass looked at, 1 passed over')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Go on with it' }).click()
  await expect(here(page)).toHaveText('Slate')
  // what is typed and left is named, and said to be old on the next round
  await counter(page, 'Molts of Slate').fill('6')
  await page.getByRole('link', { name: 'Pause' }).click()
  await page.getByRole('button', { name: 'End it here' }).click()
  await expect(page.getByText('Typed and not saved yet: Slate.')).toBeVisible()
  await page.getByRole('link', { name: 'Round', exact: true }).click()
  await page.getByRole('button', { name: 'Start the round' }).click()
  await toGlass(page, 'Slate')
  await expect(page.getByText('typed on an earlier round and never saved')).toBeVisible()
  await expect(counter(page, 'Molts of Slate')).toHaveValue('6')
  await page.getByRole('button', { name: 'Forget it' }).click()
  await expect(counter(page, 'Molts of Slate')).toHaveValue('')
})

test('several keepers on one device put their initials to what they saw', async ({ page }) => {
  await openDemo(page)
  await startWalk(page)
  await page.getByLabel('Keeper').selectOption('M. T.')
  await counter(page, 'Molts of Ember A').fill('4')
  await page.keyboard.press('Enter')
  await page.getByLabel('Keeper').selectOption('S. O.')
  await counter(page, 'Molts of Ember box').fill('1')
  await page.keyboard.press('Enter')
  await expect(here(page)).toHaveText('Slate')
  for (const [name, keeper] of [
    ['Ember A', 'M. T.'],
    ['Ember box', 'S. O.'],
  ] as const) {
    await toLog(page, name)
    await expect(
      page
        .getByRole('listitem')
        .filter({ hasText: /shed skins?/ })
        .first(),
    ).toContainText(keeper)
  }
})

test('the rounds of two devices come together by a file', async ({ browser }) => {
  const [mine, theirs] = await Promise.all([browser.newContext(), browser.newContext()])
  const [a, b] = [await mine.newPage(), await theirs.newPage()]
  for (const [page, name, molts] of [
    [a, 'Ember A', '3'],
    [b, 'Ember box', '5'],
  ] as const) {
    await openDemo(page)
    await startWalk(page)
    await toGlass(page, name)
    await counter(page, `Molts of ${name}`).fill(molts)
    await page.keyboard.press('Enter')
    await expect(page.locator('.progress i.d')).toHaveCount(1)
  }
  await a.goto('/records')
  const [file] = await Promise.all([
    a.waitForEvent('download'),
    a.getByRole('button', { name: 'Save a backup' }).click(),
  ])
  await b.goto('/records')
  await b
    .getByLabel('Backup file')
    .setInputFiles({ name: 'theirs.json', mimeType: 'application/json', buffer: await readFile((await file.path())!) })
  await b.getByRole('button', { name: 'Bring it in' }).click()
  await expect(b.getByText('Brought in')).toBeVisible()
  await b.goto('/round/walk')
  await toGlass(b, 'Ember box')
  await expect(b.locator('.saved')).toContainText('5 shed skins')
  for (const [name, molts] of [
    ['Ember A', '3'],
    ['Ember box', '5'],
  ] as const) {
    await toLog(b, name)
    await expect(
      b
        .getByRole('listitem')
        .filter({ hasText: `${molts} shed skins` })
        .first(),
    ).toBeVisible()
  }
  await Promise.all([mine.close(), theirs.close()])
})

test('the due list: done now, done earlier, put off, left out, and undone', async ({ page }) => {
  await openDemo(page)
  await toRound(page)
  const total = async () =>
    Number(/\d+/.exec((await page.getByRole('heading', { name: /^Due today/ }).textContent())!)![0])
  const start = await total()
  const feeding = page.locator('.due details').filter({ has: page.locator('summary', { hasText: 'Feeding' }) })
  await feeding.locator('summary').click()
  const first = feeding.getByRole('button', { name: /^Done: / }).first()
  const subject = /^Done: (.+?), /.exec((await first.getAttribute('aria-label'))!)![1]!
  await first.click()
  await expect(notice(page)).toContainText(`${subject}: feed`)
  await expect.poll(total).toBe(start - 1)
  await expect(feeding.getByRole('button', { name: `Done: ${subject}, ` })).toHaveCount(0)
  await notice(page).getByRole('button', { name: 'Undo' }).click()
  await expect(feeding.getByRole('button', { name: `Done: ${subject}, ` })).toHaveCount(1)

  // everything about one piece of work
  await feeding
    .locator('.what')
    .filter({ hasText: `${subject}:` })
    .click()
  await expect(sheet(page)).toContainText('If left out')
  await expectAccessible(page)
  await page.getByRole('button', { name: '3 days', exact: true }).click()
  await expect(notice(page)).toContainText('feeding put off by 3 days')
  await expect(feeding.getByRole('button', { name: `Done: ${subject}, ` })).toHaveCount(0)
  await notice(page).getByRole('button', { name: 'Undo' }).click()
  await expect(feeding.getByRole('button', { name: `Done: ${subject}, ` })).toHaveCount(1)
  await feeding
    .locator('.what')
    .filter({ hasText: `${subject}:` })
    .click()
  await page.getByRole('button', { name: 'Log it for then' }).click()
  await expect(sheet(page).getByRole('alert').filter({ hasText: 'When was it?' })).toBeVisible()
  // earlier today, also in a run that begins just past midnight
  const midnight = new Date().setHours(0, 0, 0, 0)
  const earlier = new Date(Math.max(midnight, Date.now() - 3 * 3_600_000))
  await page
    .getByLabel('Or it was done at')
    .fill(new Date(earlier.getTime() - earlier.getTimezoneOffset() * 60_000).toISOString().slice(0, 16))
  await page.getByRole('button', { name: 'Log it for then' }).click()
  await expect(feeding.getByRole('button', { name: `Done: ${subject}, ` })).toHaveCount(0)

  // leaving out moves it to its next turn
  const tests = page.locator('.due details').filter({ has: page.locator('summary', { hasText: 'Water test' }) })
  await tests.locator('summary').click()
  const what = tests.locator('.what').first()
  const glass = (await what.locator('b').textContent())!
  await what.click()
  await page.getByRole('button', { name: 'Leave it out this time' }).click()
  await expect(tests.locator('.what').filter({ hasText: glass })).toHaveCount(0)
})

test('the way and the days of the round are the keeper’s own', async ({ page }) => {
  await openDemo(page)
  await toRound(page)
  await page.getByRole('button', { name: 'Days and way' }).click()
  await page.getByRole('button', { name: 'Ember A later' }).click()
  await expect(sheet(page).getByRole('listitem').first()).toContainText('Ember box')
  await page.getByLabel('Sat').uncheck()
  await page.getByLabel('Tue').uncheck()
  await page.getByLabel('Sun').check()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await expect(sheet(page)).toBeHidden()
  await expect(page.locator('.day h3').filter({ hasText: / Sun / }).first()).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Start the round' }).click()
  await expect(here(page)).toHaveText('Ember box')
})

test('only glasses with something due', async ({ page }) => {
  await openDemo(page)
  await toRound(page)
  const only = page.getByRole('button', { name: 'Only glasses with something due' })
  await only.click()
  await expect(page.getByRole('progressbar', { name: 'Glasses looked at' })).toBeVisible()
  const list = page.getByRole('navigation', { name: 'Glasses of the round' }).getByRole('button')
  const glasses = (await list.allTextContents()).map(t => ({
    name: t.replace(/(\d+ due|nothing due)\s*$/, '').trim(),
    due: !/nothing due/.test(t),
  }))
  expect(glasses.some(g => !g.due)).toBe(true)
  await expect(here(page)).toHaveText(glasses.find(g => g.due)!.name)
  // the glass before one with nothing due leads past it
  const before = glasses.findIndex((g, i) => g.due && glasses[i + 1]?.due === false)
  await toGlass(page, glasses[before]!.name)
  const next = glasses.slice(before + 1).find(g => g.due) ?? glasses.find(g => g.due)!
  await expect(page.getByRole('button', { name: `Save, next: ${next.name}` })).toBeVisible()
})

test('the schedule goes into a calendar, all of it or one colony’s', async ({ page }) => {
  await openDemo(page)
  await toRound(page)
  const save = async () => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save the calendar' }).click(),
    ])
    expect(file.suggestedFilename()).toMatch(/\.ics$/)
    return new ICAL.Component(ICAL.parse(await readFile((await file.path())!, 'utf8')) as unknown[])
      .getAllSubcomponents('vevent')
      .map(e => new ICAL.Event(e))
  }
  const all = await save()
  expect(all.length).toBeGreaterThan(40)
  expect(new Set(all.map(e => e.uid)).size).toBe(all.length)
  const today = new Date().toISOString().slice(0, 10)
  for (const e of all) expect(e.startDate.toString() >= today).toBe(true)
  await page.getByLabel('What', { exact: true }).selectOption({ label: 'Slate' })
  const slate = await save()
  expect(slate.every(e => e.summary.includes('Slate'))).toBe(true)
  expect(slate.map(e => e.uid).every(uid => all.some(e => e.uid === uid))).toBe(true)
})

test('a holiday: what to do before, what cannot wait, and a sheet for the stand-in', async ({ page }) => {
  await openDemo(page)
  await toRound(page)
  await page.getByRole('link', { name: 'Holiday' }).click()
  await expect(page.getByRole('heading', { name: /^Before you leave/ })).toBeVisible()
  await page.getByLabel('Who comes by').fill('Nell')
  await expect(page.getByRole('heading', { name: /visits? of Nell$/ })).toBeVisible()
  const stand = page.getByRole('region', { name: 'Sheet for the stand-in' })
  await expect(stand).toContainText('Apple snails')
  await expect(stand).toContainText('Feed less rather than more')
  await expect(page.getByRole('region', { name: 'What can wait' })).toContainText('Water test')
  await expectAccessible(page)
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PDF' }).click(),
  ])
  expect((await readFile((await file.path())!)).subarray(0, 5).toString()).toBe('%PDF-')
  await page.getByRole('link', { name: 'Back to the Round' }).click()
  await page.getByRole('link', { name: /what to do before, and the sheet/ }).click()
  await expect(page.getByLabel('Who comes by')).toHaveValue('Nell')
  await page.getByLabel('You are back').fill('2020-01-01')
  await expect(page.getByText('The day you are back comes after the day you leave.')).toBeVisible()
  await expect(stand).toBeHidden()
})

test('any kind of entry can be logged, corrected and read', async ({ page }) => {
  await openDemo(page)
  await page
    .getByRole('link', { name: /^Slate: / })
    .first()
    .click()
  const log = async (kind: string) => {
    await page.keyboard.press('l')
    await page.getByLabel('Anything else').selectOption({ label: kind })
  }
  await log('Berried')
  await page.getByLabel('Berried females').fill('2')
  await page.getByLabel('Of the berried ones, with eyed eggs').fill('3')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page).getByText('More with eyed eggs than berried.')).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Of the berried ones, with eyed eggs').fill('1')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await log('Equipment')
  await page.getByLabel('Intake sponge').selectOption('broken')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await page.getByRole('tab', { name: /^Log \d/ }).click()
  const line = page.getByRole('listitem').filter({ hasText: '2 berried' }).first()
  await expect(line).toContainText('1 with eyed eggs')
  await line.getByRole('button', { name: /^Correct/ }).click()
  await page.getByLabel('Berried females').fill('4')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: '4 berried' }).first()).toContainText('corrected')
  // the schedule knows of it at once
  await page.getByRole('link', { name: 'Room', exact: true }).click()
  await expect(page.getByRole('region', { name: 'The round' })).toContainText('Slate: Mend intake sponge')
})

test('a move between colonies changes both, and a photo stays with its line', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Left', females: '30' })
  await page.getByRole('link', { name: 'Room', exact: true }).click()
  await startColony(page, { name: 'Right', females: '10' })
  await page.keyboard.press('l')
  await sheet(page).getByLabel('Colony', { exact: true }).selectOption({ label: 'Left · Neocaridina' })
  await page.getByLabel('Anything else').selectOption({ label: 'Moved to another colony' })
  await page.getByLabel('How many moved?').fill('8')
  await page.getByLabel('Into which colony').selectOption({ label: 'Right · Neocaridina' })
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.locator('[data-statement="number"] h2')).toContainText('18')
  await page.keyboard.press('l')
  await page.getByRole('radio', { name: 'Photo' }).check()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page).getByText('Take or choose a photo.')).toBeVisible()
  const picture = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(2600, 1300)
    canvas.getContext('2d')!.fillRect(0, 0, 900, 900)
    return [...new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer())]
  })
  await sheet(page)
    .locator('input[type=file]')
    .setInputFiles({ name: 'no-picture.png', mimeType: 'image/png', buffer: Buffer.from('nothing') })
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page).getByText('“no-picture.png” is no picture')).toBeVisible()
  await sheet(page)
    .locator('input[type=file]')
    .setInputFiles({ name: 'tank.png', mimeType: 'image/png', buffer: Buffer.from(picture) })
  await page.getByLabel('Remark').fill('By the moss.')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await page.getByRole('tab', { name: /^Log \d/ }).click()
  const image = page.getByRole('img', { name: /^Photo of/ })
  await expect(image).toBeVisible()
  expect(await image.evaluate((el: HTMLImageElement) => [el.naturalWidth, el.naturalHeight])).toEqual([1280, 640])
  await page.reload()
  await page.getByRole('tab', { name: /^Log \d/ }).click()
  await expect(image).toBeVisible()
})

for (const theme of ['day', 'night'] as const) {
  test(`axe finds nothing on the round by ${theme}`, async ({ page }) => {
    await page.addInitScript(t => localStorage.setItem('ulkin.theme', t), theme)
    await openDemo(page)
    await toRound(page)
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Start the round' }).click()
    await toGlass(page, 'Barley')
    await counter(page, 'Dead of Barley').fill('1')
    await expectAccessible(page)
    if (theme === 'night') {
      // dim throughout: no large bright surface is left
      const bright = await page.evaluate(() =>
        [...document.querySelectorAll<HTMLElement>('body *')]
          .filter(el => {
            const [r = 0, g = 0, b = 0, a = 1] = (getComputedStyle(el).backgroundColor.match(/[\d.]+/g) ?? []).map(
              Number,
            )
            const box = el.getBoundingClientRect()
            return (
              a > 0.5 &&
              Number(getComputedStyle(el).opacity) > 0.5 &&
              0.2126 * r + 0.7152 * g + 0.0722 * b > 110 &&
              box.width * box.height > 12_000
            )
          })
          .map(el => el.className),
      )
      expect(bright).toEqual([])
    }
  })
}

test('a first round in a keeper’s own room', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember', females: '20' })
  await startWalk(page)
  await page.getByRole('textbox', { name: /°C/ }).fill('hot')
  await counter(page, 'Berried of Ember').fill('2')
  await page.getByRole('button', { name: /^Save, end of the round/ }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Temperature hot?' })).toBeVisible()
  await page.reload()
  await expect(counter(page, 'Berried of Ember')).toHaveValue('2')
  await page.getByRole('textbox', { name: /°C/ }).fill('23.4')
  await page.getByRole('button', { name: /^Save, end of the round/ }).click()
  await page.waitForURL('**/round/report')
  await expect(page.getByRole('region', { name: 'What was seen' })).toContainText('2 berried')
  await expect(page.getByRole('region', { name: 'What it changed' })).toContainText('the water is on target now')
})

test('a round in an empty room says what will be here', async ({ page }) => {
  await startRoom(page)
  await page.getByRole('link', { name: 'Round', exact: true }).click()
  await expect(page.getByText('The round will go past your glasses here.')).toBeVisible()
  await page.goto('/round/walk')
  await expect(page.getByText('The round will go past your glasses here.')).toBeVisible()
  await page.goto('/round/report')
  await expect(page.getByText('The report of your last round will stand here.')).toBeVisible()
})
