import { expect, type Page } from '@playwright/test'

export const here = (page: Page) => page.getByRole('heading', { level: 1 })
export const counter = (page: Page, name: string) => page.getByRole('textbox', { name })
export async function toRound(page: Page) {
  await page.getByRole('link', { name: 'Round', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^(Due today|Nothing is due)/ })).toBeVisible()
}
/** Goes to a glass of the walk by its name. */
export const toGlass = async (page: Page, name: string) => {
  await page
    .getByRole('navigation', { name: 'Glasses of the round' })
    .getByRole('button', { name: new RegExp(`^${name} (\\d|nothing|looked|passed)`) })
    .click()
  await expect(here(page)).toHaveText(name)
}

export const said = (page: Page) => page.locator('.walk .said')
export async function startWalk(page: Page) {
  await toRound(page)
  await page.getByRole('button', { name: 'Start the round' }).click()
  await expect(page.getByRole('progressbar', { name: 'Glasses looked at' })).toBeVisible()
}
/** The log of a colony, by its glass in the Room. */
export async function toLog(page: Page, name: string) {
  await page.getByRole('link', { name: 'Room', exact: true }).click()
  await page.locator(`a.whole[aria-label^="${name}: "]`).first().click()
  await expect(here(page)).toHaveText(name)
  await page.getByRole('tab', { name: /^Log \d/ }).click()
}
