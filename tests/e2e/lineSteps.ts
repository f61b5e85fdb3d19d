import { expect, type Page } from '@playwright/test'

/** To the place of the lines. */
export const toLines = (page: Page) => page.getByRole('link', { name: 'Lines', exact: true }).first().click()
/** Opens a line from the list. */
export const openLine = async (page: Page, name: string) => {
  await toLines(page)
  await page.getByRole('link', { name, exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
}
/** To a part of the line. */
export const toTab = (page: Page, name: string) => page.getByRole('tab', { name }).click()

/** Taps on the card of practice pictures until one is measured. */
export async function measureOne(page: Page) {
  for (let picture = 0; picture < 6; picture++) {
    await page.getByRole('button', { name: 'A practice picture' }).click()
    await expect(page.getByText('Tap on the card in the picture.')).toBeVisible()
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
