import { expect, type Page, test } from '@playwright/test'
import { before, expectAccessible, notice, openDemo, sheet } from './steps'

/** What one female carries that is followed by her name. */
async function logVesta(page: Page, days: number, number: string, eyed = '') {
  await page.keyboard.press('l')
  await page.getByLabel('Anything else').selectOption({ label: 'Berried' })
  await sheet(page).getByRole('checkbox', { name: 'Vesta' }).check()
  await sheet(page).getByLabel('Berried females').fill(number)
  if (eyed) await sheet(page).getByLabel('Of the berried ones, with eyed eggs').fill(eyed)
  if (days > 0) await page.getByLabel('When (empty: now)').fill(before(days))
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
}
const toPlace = (page: Page, name: string) => page.getByRole('link', { name, exact: true }).click()
/** The row of the calendar that is about a colony. */
const rows = (page: Page) => page.getByRole('button', { name: /: hatches / })
const fact = (page: Page, name: string) =>
  page.locator('.detail dl div').filter({ hasText: name }).first().locator('dd')

test('a berried sighting opens a window, eyes bring it near, and a look without eggs closes it', async ({ page }) => {
  await openDemo(page)
  await toPlace(page, 'Broods')
  const vesta = page.getByRole('button', { name: /^Ember A, Vesta: hatches / })
  await page
    .getByRole('button', { name: /^Ember A, / })
    .first()
    .click()
  // who is followed has a name; the log sheet offers it from then on
  await page.keyboard.press('/')
  await page.getByRole('combobox').fill('follow an')
  await page.keyboard.press('Enter')
  await sheet(page).getByLabel('Its name').fill('Vesta')
  await sheet(page).getByLabel('Lives in').selectOption({ label: 'Ember A · Neocaridina' })
  await sheet(page).getByRole('radio', { name: 'female', exact: true }).check()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await logVesta(page, 19, '0')
  await logVesta(page, 15, '1')
  await vesta.click()
  const wide = await fact(page, 'Hatches').innerText()
  // one brood
  await expect(fact(page, 'Young')).toHaveText('15 to 40')
  await expectAccessible(page)

  await logVesta(page, 0, '1', '1')
  await expect(page.locator('.detail')).toContainText('eyes seen')
  await expect(fact(page, 'Hatches')).not.toHaveText(wide)
  await page.getByRole('button', { name: 'Why?' }).click()
  await expect(sheet(page)).toContainText('Eyes show from about seven tenths')
  await page.keyboard.press('Escape')
  await expect(sheet(page)).toBeHidden()

  // reload in the middle: it is reckoned from the log again
  await page.reload()
  await expect(vesta).toBeVisible()
  await page
    .getByRole('button', { name: /^Ember A, / })
    .first()
    .click()
  await logVesta(page, 0, '0')
  await expect(vesta).toHaveCount(0)
  // a slip of the hand is taken back
  await notice(page).getByRole('button', { name: 'Undo' }).click()
  await expect(vesta).toHaveCount(1)

  // more with eyes than berried: one clear sentence, and nothing is lost
  await page.keyboard.press('l')
  await page.getByLabel('Anything else').selectOption({ label: 'Berried' })
  await sheet(page).getByLabel('Berried females').fill('2')
  await sheet(page).getByLabel('Of the berried ones, with eyed eggs').fill('5')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page).getByText(/more with eyed eggs than berried/i)).toBeVisible()
  await expect(sheet(page).getByLabel('Berried females')).toHaveValue('2')
})

test('all broods on one time line, walked by keys; a clutch in both schools', async ({ page }) => {
  await openDemo(page)
  await page.keyboard.press(' ')
  await page.keyboard.press('b')
  await expect(page.getByRole('heading', { level: 1, name: 'Broods' })).toBeVisible()
  await expect(page.getByText(/hatch(es)? this week/).first()).toBeVisible()
  await expect(page.getByText('still being read')).toHaveCount(0)
  const all = await rows(page).count()
  expect(all).toBeGreaterThan(5)
  await rows(page).first().focus()
  await page.keyboard.press('ArrowDown')
  await expect(rows(page).nth(1)).toBeFocused()
  await expect(rows(page).nth(1)).toHaveAttribute('aria-pressed', 'true')
  await page.getByText('As a table').click()
  await expect(page.getByRole('table', { name: /^Broods by the day/ }).getByRole('rowheader')).toHaveCount(all)
  await expectAccessible(page)

  // a clutch in the incubator is looked at, and has not hatched by then
  const clutch = rows(page)
    .filter({ has: page.locator('text=/incubator/') })
    .first()
  await clutch.click()
  await expect(page.locator('.detail')).toContainText('Damp, never wet')
  await clutch.press('Enter')
  await sheet(page).getByRole('radio', { name: 'looked at, fine' }).check()
  await sheet(page).getByLabel('Which clutch').selectOption({ index: 1 })
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await expect(page.locator('.timerow-pick circle').first()).toBeVisible()

  // the other school leaves it where it was laid: damp from the water under it, and the young fall in
  const left = rows(page)
    .filter({ has: page.locator('text=/where it was laid/') })
    .first()
  await left.click()
  await expect(page.locator('.detail')).toContainText(/drown|fall|water line/)
  await left.press('Enter')
  await sheet(page).getByRole('radio', { name: 'lost' }).check()
  await sheet(page).getByLabel('Which clutch').selectOption({ index: 1 })
  await sheet(page).getByRole('radio', { name: 'drowned' }).check()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await page.getByText('Ended of late').click()
  await expect(page.getByText(/drowned/).first()).toBeVisible()

  // where there is no room beside the rows, what is told of one opens over them
  await page.setViewportSize({ width: 820, height: 900 })
  await rows(page).first().click()
  await expect(sheet(page)).toContainText('What to do')
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await expect(sheet(page)).toBeHidden()
})
