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
