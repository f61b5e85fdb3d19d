import { expect, type Page, test } from '@playwright/test'
import { notice, openDemo, sheet, startColony, startRoom, statement } from './steps'

test('a colony is parted, joined again and ended; what has ended leaves the room and comes back', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember', females: '20' })
  await page.keyboard.press('Space')
  await page.keyboard.press('r')
  await page.getByRole('button', { name: 'Glass', exact: true }).click()
  await page.getByLabel('Name of the glass').fill('Second')
  await page.getByLabel('Holds, when full').fill('20')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()

  await page.getByRole('link', { name: /^Ember: / }).click()
  await toParting(page)
  await page.getByRole('button', { name: 'Part them' }).click()
  await expect(sheet(page)).toContainText('Which glass do they go into?')
  await expect(sheet(page)).toContainText('How many go? At least one.')
  await partEight(page, 'Spare')

  // taken back: they are where they were, and no colony of nobody is left
  await notice(page).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Ember', exact: true })).toBeVisible()
  await expect(statement(page, 'number')).toContainText('20')
  await expect(notice(page)).toHaveText('Taken back.')
  await toParting(page)
  await page.getByRole('radio', { name: 'Join to another colony' }).check()
  await expect(page.getByLabel('Into', { exact: true }).getByRole('option')).toHaveCount(1)
  await page.getByRole('radio', { name: 'Part into another glass' }).check()
  await partEight(page, 'Ember two')

  // joined again: it ends, and says into what
  await toParting(page)
  await page.getByRole('radio', { name: 'Join to another colony' }).check()
  await expect(page.getByLabel('females', { exact: true })).toHaveValue('8')
  await page.getByLabel('Into', { exact: true }).selectOption({ label: 'Ember in Ember' })
  await page.getByRole('button', { name: 'Join them' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Ember', exact: true })).toBeVisible()
  await expect(statement(page, 'number')).toContainText('20')
  await page.keyboard.press('Space')
  await page.keyboard.press('r')
  await expect(page.getByRole('link', { name: /^Ember two: / })).toBeHidden()

  // found only when it is asked for, and brought back from there
  await page.keyboard.press('/')
  await page.getByRole('combobox').fill('ember two')
  await expect(page.getByRole('option', { name: /ended colony/ })).toBeHidden()
  await page.getByRole('combobox').fill('ended ember')
  await page.getByRole('option', { name: /ended colony/ }).click()
  await expect(page.getByText('Ember two has ended: joined to another')).toBeVisible()
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(statement(page, 'number')).toBeVisible()
})

test('a glass that is empty leaves the room and comes back with undo; one begun by mistake goes for good', async ({
  page,
}) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByRole('button', { name: 'Change the glass' }).click()
  await page.getByText('No longer in use').click()
  await expect(sheet(page)).toContainText('Ember stands in it: move or end it first.')
  await page.getByRole('button', { name: 'Close' }).click()

  await toParting(page)
  await page.getByRole('radio', { name: 'It has ended' }).check()
  await page.getByRole('radio', { name: 'Sold out' }).check()
  await page.getByRole('button', { name: 'End it' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Cellar' })).toBeVisible()
  await expect(notice(page)).toContainText('Ember has ended.')
  await notice(page).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: /^Ember: / })).toBeVisible()

  await page.getByRole('button', { name: 'Glass', exact: true }).click()
  await page.getByLabel('Name of the glass').fill('Slip')
  await page.getByLabel('Holds, when full').fill('9')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await page.getByRole('button', { name: 'Change Slip' }).click()
  await page.getByText('No longer in use').click()
  await page.getByRole('button', { name: 'Take it away for good' }).click()
  await expect(page.getByRole('button', { name: 'Change Slip' })).toHaveCount(0)
})

test('a colony moves to another glass, and its past stays where it was; a line adds its glasses up', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: /^Barley: / }).click()
  await expect(statement(page, 'number')).toBeVisible()
  const lines = page.getByRole('region', { name: 'Log' }).getByRole('listitem')
  await page.getByRole('tab', { name: /^Log \d/ }).click()
  await expect(lines.first()).toBeVisible()
  const before = await lines.count()
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  const options = page.getByLabel('Lives in').locator('option')
  const other = await options.filter({ hasText: 'Slate' }).first().getAttribute('value')
  await page.getByLabel('Lives in').selectOption(other)
  await page.getByLabel('Line', { exact: true }).selectOption({ label: 'A new line …' })
  await page.getByLabel('Name of the line').fill('Yellow')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  // the water of the old glass is still in its log, and that of the new one only from today
  await expect(lines).toHaveCount(before)
  await page
    .getByRole('link', { name: /^Slate/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByLabel('Line', { exact: true }).selectOption({ label: 'Yellow' })
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(/Line Yellow, 2 glasses together: about/)).toBeVisible()
})

/** Parts eight females into the second glass, and is with the new colony then. */
async function partEight(page: Page, name: string) {
  await page.getByLabel('Name of the new colony').fill(name)
  await page.getByLabel('Into', { exact: true }).selectOption({ label: 'Second, 20 L' })
  await page.getByLabel('females', { exact: true }).fill('8')
  await page.getByRole('button', { name: 'Part them' }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
  await expect(statement(page, 'number')).toContainText('8')
}

/** The sheet in which a colony is parted, joined or ended. */
async function toParting(page: Page) {
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByRole('button', { name: 'Part, join, end' }).click()
}
