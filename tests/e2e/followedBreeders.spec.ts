import { expect, test } from '@playwright/test'
import { openLine, toTab } from './lineSteps'
import { expectAccessible, notice, openDemo, sheet } from './steps'

test('a male that is followed breeds again, and is known as the same one', async ({ page }) => {
  await openDemo(page)
  await openLine(page, 'Barley')
  await toTab(page, 'Kinship')
  await expect(page.getByText('Least related: Sorrel with Reed, young inbred by 19 %.')).toBeVisible({
    timeout: 30_000,
  })
  const pairs = page.getByRole('table', { name: 'Inbreeding of the young of each pair' })
  await expect(pairs.getByRole('row', { name: /^Tansy/ })).toContainText('38 %')
  await expect(page.getByRole('row', { name: /^No. 4/ })).toContainText('(Marsh)')
  await expectAccessible(page)
  await pairs.getByRole('link', { name: 'Reed' }).click()
  await expect(page.getByText('by the parents that you wrote down')).toBeVisible()
  await openLine(page, 'Barley')
  await toTab(page, 'Breed')
  await page.getByRole('button', { name: 'Put them to breed' }).click({ timeout: 40_000 })
  await page.getByRole('button', { name: 'Set the breeders' }).click()
  await sheet(page).getByRole('checkbox', { name: 'Marsh' }).check()
  await sheet(page).getByRole('button', { name: 'Set them' }).click()
  await expect(notice(page)).toContainText('the breeders are set')
  await toTab(page, 'Breed')
  await expect(page.getByText(/since .*, among them Marsh\./)).toBeVisible()
})
