import { expect, type Page, test } from '@playwright/test'
import { expectAccessible, openDemo, sheet, startColony, startRoom } from './steps'
import { counter, here, said, startWalk, toGlass, toLog, toRound } from './roundSteps'

/** More than this nobody does with wet hands. */
const MOST_TOUCHES = 6
const glassCount = (page: Page) => page.locator('.progress i').count()

test('all glasses of the demo by keyboard, in six keys at most for each', async ({ page }) => {
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
