import { expect, type Page, test } from '@playwright/test'
import { expectAccessible, notice, openDemo, sheet, startColony, startRoom } from './steps'

const toLines = (page: Page) => page.getByRole('link', { name: 'Lines', exact: true }).first().click()
const openLine = async (page: Page, name: string) => {
  await toLines(page)
  await page.getByRole('link', { name, exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
}
const toTab = (page: Page, name: string) => page.getByRole('tab', { name }).click()

test('from the words of a ladder over sixty grades by keys to breeders and a forecast', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Cinder', females: '40', males: '30' })
  await toLines(page)
  await page.getByLabel('Name of the line').fill('Cinder line')
  await page.getByLabel('The colony that holds it').selectOption({ label: 'Cinder' })
  await page.getByRole('button', { name: 'Begin the line' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Cinder line' })).toBeVisible()
  // its own words; a ladder of two is refused with a sentence
  await page.getByRole('button', { name: 'vigour' }).click()
  await page.getByRole('textbox', { name: 'Words of rung 3' }).fill('never tires')
  await page.getByRole('button', { name: 'Save the ladder' }).click()
  await expect(notice(page)).toContainText('ladder saved')

  await page.keyboard.press('g')
  await expect(page.locator('p.statement')).toContainText('graded')
  await expect(page.getByRole('button', { name: /^Female/ })).toBeVisible()
  await page.keyboard.press('f')
  for (let i = 0; i < 34; i++) await page.keyboard.press(String(1 + (i % 3)))
  await page.keyboard.press('m')
  for (let i = 0; i < 27; i++) await page.keyboard.press(String(1 + (i % 3)))
  await page.keyboard.press('u')
  await expect(page.locator('p.statement')).toHaveText('60 animals graded')
  // a reload in the middle keeps them
  await page.reload()
  await expect(page.locator('p.statement')).toHaveText('60 animals graded')
  await page.getByRole('radio', { name: 'No, a part' }).check()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.locator('p.statement')).toContainText('One generation was graded')
  await expect(page.getByRole('row', { name: /First, now/ })).toContainText('60 graded')

  await toTab(page, 'Breed')
  await page.getByRole('button', { name: 'Put them to breed' }).click()
  await expect(page.getByRole('heading', { name: /^Breed \d+: \d+ females?, \d+ males?/ })).toBeVisible()
  await expect(page.locator('aside dl')).toContainText('Inbreeding a generation')
  await expectAccessible(page)
  // the choice is kept, and what it brings is there again
  await page.waitForTimeout(900)
  const title = await page.getByRole('heading', { name: /^Breed \d+/ }).innerText()
  await page.reload()
  await expect(page.getByRole('heading', { name: title })).toBeVisible({ timeout: 20_000 })
  await page.getByRole('button', { name: 'Set the breeders' }).click()
  await sheet(page).getByRole('button', { name: 'Set them' }).click()
  await expect(notice(page)).toContainText('the breeders are set')
  await expect(page.getByRole('row', { name: /Next, forecast/ })).toBeVisible()
  // taken back, the choice is a draft again
  await page.keyboard.press('u')
  await expect(page.getByRole('row', { name: /Next, forecast/ })).toHaveCount(0)
})

test('lines of the room: which improves, which fell, and how two keepers see', async ({ page }) => {
  await openDemo(page)
  await toLines(page)
  await expect(page.locator('p.statement')).toContainText('improves fastest', { timeout: 30_000 })
  const line = (name: string) =>
    page.getByRole('listitem').filter({ has: page.getByRole('link', { name, exact: true }) })
  await expect(line('Ember')).toContainText('The line is rising')
  await expect(line('Slate')).toContainText('plateau')
  await expect(line('Rime')).toContainText('fell further than breeding explains')
  await expect(line('Barley')).toContainText('passed already')
  await expectAccessible(page)

  await page.getByRole('link', { name: 'Rime', exact: true }).click()
  await expect(page.getByText('Look for a stranger')).toBeVisible()
  await page.getByRole('link', { name: 'All lines' }).click()
  await page.getByRole('link', { name: 'Ember', exact: true }).click()
  await expect(page.getByRole('row', { name: /Next, forecast/ })).toBeVisible({ timeout: 30_000 })
  await expect(page.getByText(/The newest was foreseen with 4 or better in/)).toBeVisible()
  await expectAccessible(page)
  await toTab(page, 'Kinship')
  await expect(page.getByRole('table', { name: 'Inbreeding by generation' })).toContainText('17 females, 7 males')
  await expect(page.getByRole('img', { name: /No. 1: 26 graded; .*17 ♀ 7 ♂: now, Ember A/ })).toBeVisible()
  await expect(page.getByText(/Unrelated males once: .* of the next are grade 4 or 5/)).toBeVisible()
  await page.getByLabel('One male and four females in each').selectOption({ label: '8 boxes' })
  await expect(page.getByRole('row', { name: /go to the next box/ })).toContainText('%')
  await expectAccessible(page)
  await toTab(page, 'Sessions')
  await expect(page.getByText(/M. T.: \d+ graded, grades 0.\d of a rung lower than A. R./)).toBeVisible()
  await expect(page.getByText(/agree (fairly|well): weighted kappa/).first()).toBeVisible()
  await toTab(page, 'Ladder')
  await page.getByRole('button', { name: 'split' }).first().click()
  await page.getByRole('button', { name: 'Save the ladder' }).click()
  await expect(page.getByText('Older rungs, kept for old grades: dense to the legs')).toBeVisible()
  // saved again it is the same ladder
  await page.getByRole('textbox', { name: 'Words of rung 6' }).fill('dense to the toes')
  await page.getByRole('button', { name: 'Save the ladder' }).click()
  await expect(page.getByText('has grades on it')).toHaveCount(0)
  await toTab(page, 'Generations')
  await expect(page.getByRole('columnheader', { name: '6 dense to the toes' })).toBeVisible({ timeout: 20_000 })
})

test('a stack is sent by a key, part of it by a number, and lines that cross are kept apart', async ({ page }) => {
  await openDemo(page)
  await openLine(page, 'Slate')
  await toTab(page, 'Breed')
  const tray = (name: string) => page.getByRole('region', { name: new RegExp(`^${name}: `) })
  await expect(tray('breed')).toHaveAccessibleName('breed: 0', { timeout: 40_000 })
  const stack = (name: string, kind: RegExp) => tray(name).getByRole('button', { name: kind }).first()
  await stack('hold', /females? of 4/).focus()
  await page.keyboard.press('b')
  await stack('hold', /^\d+ males? of 4/).focus()
  await page.keyboard.press('b')
  await stack('hold', /females? of 2/).click()
  await page.getByLabel(/^How many females of 2/).fill('1')
  await page.getByRole('button', { name: 'part', exact: true }).click()
  await expect(tray('part')).toHaveAccessibleName('part: 1')
  await expect(page.locator('aside')).toContainText('Effective size')
  await page.getByRole('button', { name: 'Set the breeders' }).click()
  const parted = sheet(page).getByLabel(/parted go/)
  await parted.selectOption({ label: 'Barley · Barley' })
  await sheet(page).getByRole('button', { name: 'Set them' }).click()
  await expect(sheet(page)).toContainText('they cross, and the young fall back to dull')
  await parted.selectOption('given')
  await sheet(page).getByLabel('Where they breed').selectOption({ label: 'A new box in Slate' })
  await sheet(page).getByRole('button', { name: 'Set them' }).click()
  await expect(notice(page)).toContainText('the breeders are set')
  // the box hangs in the same water, and its females are let back when they carry eggs
  await toTab(page, 'Breed')
  await expect(page.getByText(/breed in Slate box since/)).toBeVisible({ timeout: 30_000 })
  await page.getByRole('button', { name: 'Let them back' }).click()
  await expect(sheet(page).getByLabel('Where they go')).toContainText('Slate · Slate')
  await sheet(page).getByLabel('Females that go').fill('all')
  await sheet(page).getByRole('button', { name: 'Let them back' }).click()
  await expect(sheet(page)).toContainText('How many females go back?')
  await sheet(page).getByLabel('Females that go').fill('2')
  await sheet(page).getByRole('button', { name: 'Let them back' }).click()
  await expect(notice(page)).toContainText('2 of Slate let back into Slate.')
  await expect(page.getByText(/breed in Slate box/)).toHaveCount(0)
})

/** Taps on the card of practice pictures until one is measured. */
async function measureOne(page: Page) {
  for (let picture = 0; picture < 6; picture++) {
    await page.getByRole('button', { name: 'A practice picture' }).click()
    await expect(page.getByText('Tap on the card in the picture.')).toBeVisible({ timeout: 20_000 })
    const shown = page.getByRole('application')
    const box = (await shown.boundingBox())!
    for (const part of [0.3, 0.45, 0.6]) {
      await shown.click({ position: { x: 0.8 * box.width, y: part * box.height } })
      const read = page.locator('p.statement').filter({ hasText: /covered|Hardly/ })
      if (
        await read.waitFor({ timeout: 4000 }).then(
          () => true,
          () => false,
        )
      )
        return
    }
  }
}

test('on a phone a session is graded by touch, and by numbers', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page)
  await page.goto('/lines')
  await page.getByRole('link', { name: 'Ember', exact: true }).click()
  await page.getByRole('link', { name: 'Grade a session' }).click()
  await page.getByRole('button', { name: /^Female/ }).click()
  await page.getByRole('button', { name: /dense to the legs/ }).click()
  await page.getByRole('button', { name: /^4 dense/ }).click()
  await expect(page.locator('p.statement')).toHaveText('Two animals graded')
  await page.getByRole('button', { name: 'One back' }).click()
  await expect(page.getByText('last: 5 dense to the legs')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Grade meter' }).click()
  await measureOne(page)
  await expect(page.getByText('Too little is known: 0 practice pictures')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('group', { name: 'Keep it with its rung' }).getByRole('button', { name: /^3/ }).click()
  await expect(page.getByText('Tap on the card in the picture.')).toBeVisible({ timeout: 20_000 })
  await page.goBack()
  await page.getByRole('radio', { name: 'By numbers' }).check()
  await page.getByLabel('dense, female').fill('a few')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('A number cannot be read')).toBeVisible()
})
