import { expect, test } from '@playwright/test'
import { expectAccessible, notice, openDemo, sheet, statement } from './steps'

test('failed molts call the keeper, and taking them back ends it; signs are drawn and practised', async ({ page }) => {
  await openDemo(page)
  await page
    .getByRole('link', { name: /^Ember A: / })
    .first()
    .click()
  await page.getByRole('tab', { name: 'Bodies' }).click()
  const molts = page.getByRole('region', { name: 'Molts' })
  await expect(molts.getByRole('heading', { name: /Molts are ordinary: \d of about \d+ failed/ })).toBeVisible()
  await expect(molts.getByRole('img', { name: /^Failed molts that are found add up/ })).toBeVisible()
  await expectAccessible(page)

  await page.keyboard.press('l')
  // a shed skin is good news: said until the first one was logged
  await page.getByLabel('Anything else').selectOption({ label: 'Molts' })
  await expect(sheet(page).getByText('Leave it in: others eat it for the minerals.')).toBeVisible()
  await sheet(page).getByLabel('Shed skins seen').fill('4')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await page.keyboard.press('l')
  await page.getByLabel('Anything else').selectOption({ label: 'Molts' })
  await expect(sheet(page).getByText('Leave it in')).toHaveCount(0)
  // who is soft is not netted
  await page.getByRole('radio', { name: 'Taken out' }).check()
  await expect(sheet(page).getByText(/Ember A: skins were found .*in peace until/)).toBeVisible()

  await page.getByLabel('Anything else').selectOption({ label: 'Molt trouble' })
  await sheet(page).getByLabel('Animals in molt trouble, alive').fill('9')
  await sheet(page).getByRole('radio', { name: 'white gap behind the head' }).check()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await expect(statement(page, 'heading')).toContainText(/Molts fail too often: \d+ of about \d+ in eight weeks/)
  await expect(statement(page, 'surplus')).toHaveText('None to spare now')
  await expect(molts.getByRole('heading', { name: 'What to look at first' })).toBeVisible()
  await expect(molts.getByRole('listitem').first()).toContainText('Hardness: GH and KH')
  await page.getByRole('link', { name: 'Room', exact: true }).click()
  await expect(page.getByRole('complementary', { name: 'What needs you' })).toContainText(
    /Ember A: Molts fail too often/,
  )
  await page.goBack()

  // who accepts more is called later; what was a slip of the hand is taken back
  await notice(page).getByRole('button', { name: 'Undo' }).click()
  await expect(statement(page, 'heading')).not.toContainText('Molts fail')
  await expect(molts.getByRole('heading', { name: 'What molts may fail of' })).toBeVisible()

  // signs are drawn where a newcomer hesitates; what was typed stays
  await page.keyboard.press('l')
  await page.getByLabel('Anything else').selectOption({ label: 'Berried' })
  await sheet(page).getByLabel('Berried females').fill('7')
  await sheet(page).getByRole('button', { name: 'Saddle, fresh eggs or eggs with eyes?' }).click()
  const guide = page.getByRole('dialog', { name: 'Signs: how to tell' })
  await expect(guide.getByRole('img', { name: 'Drawing: Eggs with eyes' })).toBeInViewport()
  await expectAccessible(page)
  await guide.getByRole('button', { name: 'Practise: ten questions' }).click()
  for (let nth = 1; nth <= 10; nth++) {
    await expect(guide.getByText(`Question ${nth} of 10`)).toBeVisible()
    await guide.locator('.options button').first().click()
  }
  await expect(guide.getByRole('heading', { name: /^\d+ of 10 right$/ })).toBeVisible()
  // who is always right by the first answer has been lucky: what was mistaken is named
  const right = Number((await guide.getByRole('heading', { name: /right$/ }).innerText()).split(' ')[0])
  await expect(guide.getByText(/ taken for /)).toHaveCount(10 - right)
  await page.keyboard.press('Escape')
  await expect(guide).toBeHidden()
  await expect(sheet(page).getByLabel('Berried females')).toHaveValue('7')
})
