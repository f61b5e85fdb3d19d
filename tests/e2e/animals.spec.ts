import { expect, type Page, test } from '@playwright/test'
import { before, expectAccessible, notice, openDemo, sheet, statement } from './steps'

/** Logs something about the animal whose page is open. */
async function logOf(page: Page, kind: string, fill: (dialog: ReturnType<typeof sheet>) => Promise<void>, at = '') {
  await page.keyboard.press('l')
  await page.getByLabel('Anything else').selectOption({ label: kind })
  await expect(sheet(page).getByRole('checkbox', { name: 'Bram' })).toBeChecked()
  await fill(sheet(page))
  if (at) await page.getByLabel('When (empty: now)').fill(at)
  await page.getByRole('button', { name: 'Save' }).click()
}

test('an animal is followed through a lost claw; a colony of such alone is exact; a whorl is read', async ({
  page,
}) => {
  await openDemo(page)
  await page
    .getByRole('link', { name: /^Tide crabs: / })
    .first()
    .click()
  const number = await statement(page, 'number').innerText()
  await page.getByRole('tab', { name: 'Bodies' }).click()
  const followed = page.getByRole('region', { name: 'Followed one by one' })
  await expect(followed.getByRole('link', { name: 'Ash' })).toBeVisible()
  await expectAccessible(page)

  // without a name it is nobody: one clear sentence, and what was typed stays
  await followed.getByRole('button', { name: 'Follow another' }).click()
  await expect(sheet(page).getByLabel('Its name')).toBeFocused()
  await sheet(page).getByLabel('What you know it by').fill('torn left feeler')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page).getByText('Give it a name: it is logged by it.')).toBeVisible()
  await sheet(page).getByLabel('Its name').fill('ash')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page).getByText(/Ash is followed here already/)).toBeVisible()
  await sheet(page).getByLabel('Its name').fill('Bram')
  await sheet(page).getByRole('radio', { name: 'male', exact: true }).check()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await followed.getByRole('link', { name: 'Bram' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Bram' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Bram is well, as far as the log tells.' })).toBeVisible()

  await logOf(page, 'Limbs lost', async s => s.getByRole('radio', { name: 'one each' }).check(), before(9))
  await expect(page.getByRole('heading', { name: /Bram is growing back a limb: no molt since/ })).toBeVisible()
  await expect(page.getByText(/Bram lost a limb .*: look again from/)).toBeVisible()
  await logOf(page, 'Molts', async s => s.getByLabel('Shed skins seen').fill('1'))
  await expect(page.getByRole('heading', { name: /Bram is soft until/ })).toBeVisible()
  await expectAccessible(page)

  // a size, then one that shrank: asked about once, and nothing is lost
  await logOf(page, 'Shells', async s => s.getByLabel('Size of one').fill('11'), before(30))
  await expect(sheet(page)).toBeHidden()
  await logOf(page, 'Shells', async s => s.getByLabel('Size of one').fill('8'))
  await expect(sheet(page).getByText(/8\.0 mm\? It measured 11\.0 mm before/)).toBeVisible()
  await sheet(page).getByLabel('Size of one').fill('11.5')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await expect(page.getByRole('img', { name: /^11\.5 mm on/ })).toBeVisible()

  // reload in the middle: all of it is read from the log again
  await page.reload()
  await expect(page.getByRole('heading', { name: /Bram is soft until/ })).toBeVisible()
  await expect(page.getByRole('img', { name: /^Life of Bram: .*shed its skin.*lost a limb/ })).toBeVisible()

  // who is soft is kept from nets, by name
  await page.keyboard.press('l')
  await page.getByRole('radio', { name: 'Taken out' }).check()
  await expect(sheet(page).getByText(/leave Bram in peace until/)).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(sheet(page)).toBeHidden()

  // its colony counts it once
  await page.getByRole('link', { name: 'Back to its colony' }).click()
  await expect(statement(page, 'number')).toContainText(number.match(/\d+/)![0])

  // a colony of followed animals alone
  await page.goto('/')
  await page.getByText('Fan pair').first().click()
  await expect(statement(page, 'number')).toHaveText('2 here')
  await expect(page.getByText('All 2 are followed one by one')).toBeVisible()
  await page.keyboard.press('l')
  await page.getByRole('radio', { name: 'Died' }).check()
  await sheet(page).getByRole('checkbox', { name: 'Alder' }).check()
  await expect(sheet(page).getByLabel('How many?')).toHaveValue('1')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await expect(statement(page, 'number')).toHaveText('1 here')
  await page.getByRole('tab', { name: 'Bodies' }).click()
  await page.getByRole('region', { name: 'Followed one by one' }).getByRole('link', { name: 'Alder' }).click()
  await expect(page.getByRole('heading', { name: /^Alder died on/ })).toBeVisible()
  await notice(page).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('heading', { name: /^Alder is well/ })).toBeVisible()

  // a whorl: touched where its look changes, told in sentences with dates
  await page.keyboard.press('/')
  await page.getByRole('combobox').fill('Penny')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Penny' })).toBeVisible()
  await page.keyboard.press('l')
  await page.getByLabel('Anything else').selectOption({ label: 'Shells' })
  await sheet(page).getByLabel('Size of one').fill('22')
  const whorl = sheet(page).getByRole('img', { name: /^A shell from its middle outwards/ })
  await whorl.click({ position: { x: 60, y: 88 } })
  await sheet(page).getByLabel('Zone 1', { exact: true }).selectOption({ label: 'white patches' })
  await sheet(page).getByRole('button', { name: 'Add a zone' }).click()
  await sheet(page).getByLabel('Zone 2', { exact: true }).selectOption({ label: 'pits' })
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  const told = page.getByRole('region', { name: 'What its shell tells' })
  await expect(told.getByText(/Pits speak of the water now/)).toBeVisible()
  await expect(told.getByText(/short of calcium: 0 to \d+ mm, until/)).toBeVisible()
})
