import { readFileSync } from 'node:fs'
import { expect, type Page, test } from '@playwright/test'
import { expectAccessible, notice, openDemo, statement } from './steps'

/** Stages, Outlook, Surplus and Count desk, driven as a keeper does. */
const toColony = async (page: Page, name: string) => {
  await page
    .getByRole('link', { name: new RegExp(`^${name}: About`) })
    .first()
    .click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
}
const toPlace = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name, exact: true }).click()
const outlookDone = (page: Page) => expect(page.getByText(/futures of each, all with the same luck/)).toBeVisible()
const numberIn = async (page: Page, row: string, column: number) =>
  Number(
    (
      await page
        .getByRole('row', { name: new RegExp(`^${row}`) })
        .getByRole('cell')
        .nth(column)
        .innerText()
    )
      // its range stands below
      .split('\n')[0]!
      .replaceAll(/\D/g, ''),
  )

test('a colony tells its stages, what matters and what to look at', async ({ page }) => {
  await openDemo(page)
  await toColony(page, 'Ember A')
  await page.getByRole('tab', { name: 'Stages', exact: true }).click()
  const stages = page.getByRole('region', { name: 'Stages' })
  await expect(stages.getByRole('row', { name: /Grown females about \d+ likely \d+ to \d+/ })).toBeVisible()
  await expect(stages.getByRole('row', { name: /Hatchlings too small to count/ })).toBeVisible()
  await expect(stages.getByText(/What matters most for its growth/)).toBeVisible()
  await expect(stages.getByText(/A full count would narrow the number in eight weeks by about/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Why? How many' }).click()
  const why = page.getByRole('dialog')
  await expect(why.getByText(/possible colonies live through your log/)).toBeVisible()
  await expect(why.getByText(/Young that come up/)).toBeVisible()
})

test('the Outlook compares scenarios, keeps them and gives them as files', async ({ page }) => {
  await openDemo(page)
  await toColony(page, 'Ember A')
  await toPlace(page, 'Outlook')
  await expect(page.getByRole('heading', { level: 1, name: 'Outlook: Ember A' })).toBeVisible()
  await outlookDone(page)
  const as = await numberIn(page, 'As things are', 1)
  // wrong input is named and what stands is kept
  await page.getByLabel('Temperature', { exact: true }).fill('40')
  await expect(page.getByText('It must lie between 2 and 36 °C.')).toBeVisible()
  await page.getByLabel('Temperature', { exact: true }).fill('')
  await page.getByLabel('Take out each week').fill('6')
  await expect(page.getByRole('row', { name: /^This one/ })).toBeVisible()
  await outlookDone(page)
  expect(await numberIn(page, 'This one', 1)).toBeLessThan(as)
  // as things are did not move: all scenarios share their luck
  expect(await numberIn(page, 'As things are', 1)).toBe(as)
  await expect(page.getByText(/fewer than if nothing changes/)).toBeVisible()
  await page.getByLabel('Name to save it under').fill('Six a week')
  await page.getByRole('button', { name: 'Save scenario' }).click()
  await expect(notice(page)).toContainText('Six a week')
  await page.reload()
  await expect(page.getByLabel('Six a week', { exact: true })).toBeVisible()
  await page.getByLabel('Six a week', { exact: true }).check()
  await expect(page.getByRole('row', { name: /^Six a week/ })).toBeVisible()
  await outlookDone(page)
  const [csv] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'CSV' }).click()])
  const rows = readFileSync(await csv.path(), 'utf8')
    .trim()
    .split('\r\n')
  expect(rows[0]).toContain('As things are: middle (animals)')
  expect(rows).toHaveLength(54)
  const [svg] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'SVG' }).click()])
  expect(readFileSync(await svg.path(), 'utf8')).toMatch(/^<svg[\s\S]*<polyline[\s\S]*Six a week[\s\S]*<\/svg>$/)
  const [png] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'PNG' }).click()])
  expect(
    readFileSync(await png.path())
      .subarray(1, 4)
      .toString(),
  ).toBe('PNG')
  await page.getByRole('button', { name: 'Put Six a week away' }).click()
  await expect(page.getByLabel('Six a week', { exact: true })).toBeHidden()
  await expectAccessible(page)
})

test('the Surplus says what can go, keeps orders, serves them and writes the ledger', async ({ page }) => {
  await openDemo(page)
  await toColony(page, 'Ember A')
  await toPlace(page, 'Surplus')
  const row = page.getByRole('row', { name: /^Ember A/ })
  await expect(row).toBeVisible()
  await row.getByRole('button').click()
  const detail = page.getByRole('region', { name: 'What can go of Ember A' })
  await expect(detail.getByRole('row', { name: /^grown males/ })).toBeVisible()
  await expect(detail.getByText(/within half a year/)).toBeVisible()
  const canGo = async () =>
    Number(
      await detail
        .getByRole('row', { name: /^of any kind/ })
        .getByRole('cell')
        .first()
        .textContent(),
    )
  const before = await canGo()
  expect(before).toBeGreaterThan(10)
  // more must stay, fewer can go
  await detail.getByLabel('Must stay, in all').fill('80')
  await expect.poll(canGo).toBeLessThan(before)
  await expectAccessible(page)

  await page.getByRole('tab', { name: /^Orders/ }).click()
  await page.getByLabel('For whom').fill('Q. W.')
  await page.getByRole('button', { name: 'Save the order' }).click()
  await expect(page.getByText('By which day?')).toBeVisible()
  await page.getByLabel('How many').fill('7')
  const soon = new Date(Date.now() + 6 * 86_400_000).toISOString().slice(0, 10)
  await page.getByLabel('By', { exact: true }).fill(soon)
  await page.getByLabel('Price of each').fill('3')
  await page.getByRole('button', { name: 'Save the order' }).click()
  await expect(page.getByText(/7 for Q\. W\., due/)).toBeVisible()

  await page.getByRole('tab', { name: 'Weekly list' }).click()
  await expect(page.getByRole('heading', { name: /animals on offer/ })).toBeVisible()
  const [pdf] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'PDF' }).click()])
  expect(
    readFileSync(await pdf.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')
  const [csv] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'CSV' }).click()])
  expect(readFileSync(await csv.path(), 'utf8')).toContain('on offer')

  await page.getByRole('tab', { name: /^Orders/ }).click()
  await page.getByRole('button', { name: 'Serve Q. W.' }).click()
  await expect(page.getByRole('heading', { name: 'Serve Q. W.' })).toBeVisible()
  await page.getByRole('button', { name: 'Take out' }).click()
  await expect(notice(page)).toContainText('7 taken out of Ember A')
  await page.getByRole('tab', { name: 'Ledger' }).click()
  const month = page
    .getByRole('row')
    .filter({ has: page.getByRole('rowheader') })
    .first()
  await expect(month).toContainText('€')
  await page.getByRole('tab', { name: /^Orders/ }).click()
  await expect(page.getByText(/Ember A 7 for Q\. W\..*served/)).toBeVisible()
})

test('a harvest beyond what is safe is warned of, and culling is cautioned', async ({ page }) => {
  await openDemo(page)
  await toPlace(page, 'Surplus')
  await page
    .getByRole('row', { name: /^Slate/ })
    .getByRole('button')
    .click()
  await page.getByLabel('How many').fill('40')
  await expect(page.getByText(/That is more than the 0 that can go safely/)).toBeVisible()
  await page.getByRole('radio', { name: 'Culled' }).check()
  await expect(page.getByText(/Cull only humanely/)).toBeVisible()
  await expect(page.getByText(/Put the water right first/).first()).toBeVisible()
})

test('the practice tank is counted, learnt from, and its rate used on a photo', async ({ page }) => {
  await openDemo(page)
  await toPlace(page, 'Count desk')
  await page.getByRole('tab', { name: 'Practice tank' }).click()
  await expect(page.getByText('the tank is drawn by the app, not a real one')).toBeVisible()
  await page.getByRole('radio', { name: 'Few' }).check()
  await page.getByRole('button', { name: 'Show a picture' }).click()
  const picture = page.getByRole('application')
  await expect(picture).toBeVisible()
  const png = await page
    .locator('.marked canvas')
    .evaluate((c: HTMLCanvasElement) => c.toDataURL('image/png').split(',')[1]!)
  // with the keyboard: move the cross, mark, take back, mark
  await picture.focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^1 marked: 1 grown/)).toBeAttached()
  await page.keyboard.press('Backspace')
  await expect(page.getByText(/^0 marked: 0 grown/)).toBeAttached()
  const box = (await picture.boundingBox())!
  await page.mouse.click(box.x + 40, box.y + 40)
  await page.getByRole('button', { name: 'That is all I see' }).click()
  await expect(page.getByText(/of \d+ found/)).toBeVisible()
  await expect(page.getByRole('table', { name: /^Your hit rate/ })).toBeVisible()
  await expectAccessible(page)

  await page.getByRole('tab', { name: 'Photo', exact: true }).click()
  await page
    .getByLabel('Colony', { exact: true })
    .and(page.locator('select'))
    .selectOption({ label: 'Barley · Neocaridina' })
  await page
    .getByLabel('Open a picture of the tank')
    .setInputFiles({ name: 'not.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(page.getByText(/“not\.png” is no picture/)).toBeVisible()
  await page
    .getByLabel('Open a picture of the tank')
    .setInputFiles({ name: 'tank.png', mimeType: 'image/png', buffer: Buffer.from(png, 'base64') })
  const all = page.getByRole('button', { name: /^Take all \d+ suggestions/ })
  await expect(all).toBeVisible()
  await all.click()
  await expect(page.getByText(/^Speaks for about/)).toBeVisible()
  await expect(page.getByText(/You find about/)).toBeVisible()
  await page.getByLabel('Share of the tank in the picture').fill('200')
  await expect(page.getByText('A share above 0 and at most 100 %.')).toBeVisible()
  await page.getByLabel('Share of the tank in the picture').fill('50')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Log this count' }).click()
  await expect(notice(page)).toContainText('Count of Barley saved')
  await toPlace(page, 'Room')
  await toColony(page, 'Barley')
  await expect(page.locator('[data-statement="number"]')).toContainText('on a photo')
})

test('passes, samples, several counts and marks are reckoned and logged', async ({ page }) => {
  await openDemo(page)
  await toPlace(page, 'Count desk')
  await page
    .getByLabel('Colony', { exact: true })
    .and(page.locator('select'))
    .selectOption({ label: 'Copper rams · Ramshorn snails' })
  await page.getByRole('tab', { name: 'Passes' }).click()
  const passes = page.getByLabel(/Caught in each pass/)
  await passes.fill('30, x')
  await expect(page.getByText(/“x” is no whole number/)).toBeVisible()
  await passes.fill('30 30 31')
  await expect(page.getByText(/The catches do not fall: make another pass/)).toBeVisible()
  await passes.fill('64, 30, 9')
  await expect(page.getByText(/^Speaks for about 10\d|^Speaks for about 11\d/)).toBeVisible()
  await page.getByLabel('Minutes of each, if they differ').fill('10, 10')
  await expect(page.getByText('3 passes want 3 times; 2 stand here.')).toBeVisible()
  await page.getByLabel('Minutes of each, if they differ').fill('10, 10, 30')
  await expect(page.getByText(/^Speaks for about/)).toBeVisible()
  await page.getByRole('tab', { name: 'Marks', exact: true }).click()
  await page.getByLabel('Catch 1: caught').fill('30')
  await page.getByLabel('Catch 2: caught').fill('30')
  await page.getByLabel('Catch 2: with a mark').fill('31')
  await expect(page.getByText(/more with a mark than were caught/)).toBeVisible()
  await page.getByLabel('Catch 2: with a mark').fill('9')
  await expect(page.getByText(/^Speaks for about/)).toBeVisible()
  await page
    .getByLabel('Colony', { exact: true })
    .and(page.locator('select'))
    .selectOption({ label: 'Barley · Neocaridina' })
  await expect(page.getByText(/they shed their marks with the skin/)).toBeVisible()
  await page.getByRole('tab', { name: 'Samples' }).click()
  await page.getByLabel('Animals in each sample').fill('4, 6, 5')
  await page.getByLabel('Share of the tank in one sample').fill('40')
  await expect(page.getByText(/more than the whole tank/)).toBeVisible()
  await page.getByLabel('Share of the tank in one sample').fill('4')
  await expect(page.getByText(/^Speaks for about/)).toBeVisible()
  await page.getByRole('tab', { name: 'Several counts' }).click()
  await page.getByLabel('Counts of today').fill('98 104 101')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Log this count' }).click()
  await expect(notice(page)).toContainText('Count of Barley saved')
  await toPlace(page, 'Room')
  await toColony(page, 'Barley')
  await expect(page.locator('[data-statement="number"]')).toContainText('counted several times')
  await expect(statement(page, 'number')).toContainText('About')
})

test('every new place fits a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page)
  for (const [name, heading] of [
    ['Broods', 'Broods'],
    ['Outlook', /^Outlook/],
    ['Surplus', 'Surplus'],
    ['Count desk', 'Count desk'],
  ] as const) {
    await page.getByRole('button', { name: 'More', exact: true }).click()
    await page
      .getByRole('dialog')
      .getByRole('button', { name: new RegExp(`^${name}`) })
      .click()
    await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible()
    await page.waitForTimeout(500)
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(1)
  }
})
