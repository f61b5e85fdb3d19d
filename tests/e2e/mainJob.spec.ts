import { expect, type Page, test, type TestInfo } from '@playwright/test'
import { notice, sheet, statement, tabTo } from './steps'

// the whole main job, from an empty device to the same data on another one
/** The four statements as they stand; what was kept from before is shown until the new answer comes. */
async function statementsOf(page: Page) {
  await expect(statement(page, 'water')).toBeVisible()
  return page.locator('[data-statement] h2').allInnerTexts()
}

/** A room and a colony in it, by keys. */
async function startByKeys(page: Page) {
  const { keyboard } = page
  await tabTo(page, 'Name of the room')
  await keyboard.type('Cellar')
  await keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Cellar' })).toBeVisible()

  await tabTo(page, 'Start a colony')
  await keyboard.press('Enter')
  await tabTo(page, 'Neocaridina')
  await keyboard.press('Space')
  await keyboard.press('Enter')
  await tabTo(page, 'Name of the glass')
  await keyboard.type('Left tank')
  await tabTo(page, 'Holds, when full')
  await keyboard.type('60')
  await keyboard.press('Enter')
  await expect(page.getByLabel('Water changes')).toBeVisible()
  await tabTo(page, 'Next')
  await keyboard.press('Enter')
  await expect(page.getByLabel('Name of the line or colony')).toBeFocused()
  await tabTo(page, 'Name of the line')
  await keyboard.press('Control+a')
  await keyboard.type('Ember')
  await tabTo(page, 'females')
  await keyboard.type('10')
  await tabTo(page, /^males/)
  await keyboard.type('5')
  await keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Ember' })).toBeVisible()
  await expect(statement(page, 'number')).toHaveText(/About 15 by now|15 here/)
  await expect(statement(page, 'water')).toContainText('The water was never tested')
  await expect(sheet(page)).toBeHidden()
}
/** A count and a test of the water, by keys. */
async function logByKeys(page: Page) {
  const { keyboard } = page
  await keyboard.press('l')
  await tabTo(page, 'How many did you see?')
  await keyboard.type('14')
  await keyboard.press('Enter')
  await expect(notice(page)).toContainText('Ember: count of 14 saved.')
  await expect(statement(page, 'number')).toContainText('here')
  await expect(page.locator('[data-statement="number"]')).toContainText('14 all seen')
  await expect(sheet(page)).toBeHidden()

  await keyboard.press('l')
  // the sheet gives the focus to its number a moment after it opens
  await expect(page.getByLabel('How many did you see?')).toBeFocused()
  await tabTo(page, /^Count/)
  await keyboard.press('ArrowRight')
  await tabTo(page, /^KH/)
  await keyboard.type('2')
  await tabTo(page, /^GH/)
  await keyboard.type('7')
  await keyboard.press('Enter')
  await expect(statement(page, 'water')).toContainText('KH at 2.0 °dH, below 3')
}
/** A backup file. @returns where it lies */
async function backUpByKeys(page: Page, info: TestInfo): Promise<string> {
  const { keyboard } = page
  await keyboard.press('Space')
  await keyboard.press('d')
  await expect(page.getByRole('heading', { level: 1, name: 'Records' })).toBeVisible()
  await tabTo(page, 'Save a backup file')
  const [download] = await Promise.all([page.waitForEvent('download'), keyboard.press('Enter')])
  const file = info.outputPath(download.suggestedFilename())
  await download.saveAs(file)
  expect(download.suggestedFilename()).toMatch(/^ulkin-\d{4}-\d{2}-\d{2}-\d{4}\.json$/)
  return file
}
/** Erases all that is on the device. */
async function eraseByKeys(page: Page) {
  const { keyboard } = page
  await tabTo(page, 'Erase everything')
  await keyboard.press('Enter')
  await tabTo(page, 'Type “erase” to go on')
  await keyboard.type('erase')
  await keyboard.press('Enter')
  await expect(page.getByText('0 rooms, 0 glasses, 0 colonies, 0 log entries')).toBeVisible()
}
/** Brings a backup file in. */
async function bringInByKeys(page: Page, file: string) {
  const { keyboard } = page
  // the browser's own file dialog cannot be driven: the file is put in where Enter on the button would ask for it
  await tabTo(page, 'Bring a backup in')
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), keyboard.press('Enter')])
  await chooser.setFiles(file)
  await expect(sheet(page)).toContainText(
    'one room, one rack, one glass, one colony, two sources, two entries of the log',
  )
  await tabTo(page, 'Bring it in')
  await keyboard.press('Enter')
  await expect(notice(page)).toContainText('Brought in')
  await expect(sheet(page)).toBeHidden()
}

test('by keyboard alone: room, colony, count, water test, statements, reload, backup, erase, bring in', async ({
  page,
}, info) => {
  const { keyboard } = page
  // from now on file dialogs are caught: a first listener that comes with the key press would come too late
  page.on('filechooser', () => undefined)
  await page.goto('/')
  await expect(page.getByText('How many there are')).toBeVisible()
  await startByKeys(page)
  await logByKeys(page)
  const before = await statementsOf(page)
  await page.reload()
  await expect.poll(() => statementsOf(page)).toEqual(before)
  await expect(sheet(page)).toBeHidden()
  const file = await backUpByKeys(page, info)
  await eraseByKeys(page)
  await bringInByKeys(page, file)
  await keyboard.press('Space')
  await keyboard.press('c')
  await expect(page.getByRole('heading', { level: 1, name: 'Ember' })).toBeVisible()
  await expect.poll(() => statementsOf(page)).toEqual(before)
})

test.describe('by touch on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('room, colony, count, water test, statements, reload, backup, erase, bring in', async ({ page }, info) => {
    await page.goto('/')
    await page.getByLabel('Name of the room').fill('Sill')
    await page.getByRole('button', { name: 'Start with an empty room' }).tap()
    await page.getByRole('button', { name: 'Start a colony' }).tap()
    await page.getByText('Ramshorn snails', { exact: true }).tap({ force: true })
    await page.getByRole('button', { name: 'Next' }).tap()
    await page.getByLabel('Name of the glass').fill('Jar')
    await page.getByText('jar', { exact: true }).tap({ force: true })
    await page.getByLabel('Holds, when full').fill('8')
    await page.getByRole('button', { name: 'Next' }).tap()
    await page.getByRole('button', { name: 'Next' }).tap()
    await page.getByLabel('grown, not sexed').fill('4')
    await page.getByRole('button', { name: 'Start the colony' }).tap()
    await expect(statement(page, 'number')).toContainText('4')
    await page.getByRole('navigation', { name: 'Places' }).getByRole('button', { name: 'Log' }).tap()
    await page.getByLabel('How many did you see?').fill('6')
    await page.getByRole('button', { name: 'Save' }).tap()
    await expect(page.locator('[data-statement="number"]')).toContainText('6 all seen')
    await page.getByRole('navigation', { name: 'Places' }).getByRole('button', { name: 'Log' }).tap()
    await page.getByText('Water test', { exact: true }).tap({ force: true })
    await page.getByLabel('GH', { exact: true }).fill('12')
    await page.getByLabel('KH', { exact: true }).fill('8')
    await page.getByRole('button', { name: 'Save' }).tap()
    await expect(statement(page, 'water')).toHaveText('on target: Water is right: all 2 values on target')
    await page.reload()
    await expect(statement(page, 'water')).toContainText('all 2 values on target')
    const before = await statementsOf(page)

    await page.getByRole('button', { name: 'More', exact: true }).tap()
    await sheet(page)
      .getByRole('button', { name: /^Records/ })
      .tap()
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save a backup file' }).tap(),
    ])
    const file = info.outputPath(download.suggestedFilename())
    await download.saveAs(file)
    await page.getByRole('button', { name: 'Erase everything' }).tap()
    await page.getByLabel('Type “erase” to go on').fill('erase')
    await page.getByLabel('Type “erase” to go on').press('Enter')
    await expect(page.getByText('0 rooms, 0 glasses, 0 colonies, 0 log entries')).toBeVisible()
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Bring a backup in' }).tap(),
    ])
    await chooser.setFiles(file)
    await page.getByRole('button', { name: 'Bring it in' }).tap()
    await expect(sheet(page)).toBeHidden()
    await page.getByRole('link', { name: 'Colony' }).tap()
    await expect.poll(() => statementsOf(page)).toEqual(before)
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Room' }).tap()
    await expect(page.getByRole('link', { name: /^Jar: / })).toBeVisible()
    // everything fits: a page that scrolls sideways cannot be used with one wet hand
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true)
  })
})
