import { expect, test } from '@playwright/test'
import { logCount, notice, sheet, startColony, startRoom, statement } from './steps'

/**
 * In Melbourne clocks go forward in the night to Sunday, 4 October 2026: that day has 23 hours, and no half past two.
 * It is still Saturday in Greenwich for most of the keeper's Sunday.
 */
test.use({ timezoneId: 'Australia/Melbourne' })

test('a keeper lives through the change of clocks: days stay days, and food is due each day', async ({ page }) => {
  const at = (wall: string) => page.clock.setFixedTime(new Date(wall))
  // timers run on, so that the page itself lives; only what it takes for now is set
  await page.clock.install({ time: new Date('2026-10-03T08:00:00+10:00') })
  await startRoom(page)
  await startColony(page, { name: 'Ember', females: '12' })
  const round = () => page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Round', exact: true })
  const feeding = page.locator('.due details').filter({ has: page.locator('summary', { hasText: 'Feeding' }) })
  const done = feeding.getByRole('button', { name: /^Done: Ember, / })
  async function feedIsDue() {
    await round().click()
    if ((await feeding.getAttribute('open')) === null) await feeding.locator('summary').click()
    await expect(done).toHaveCount(1)
    await done.click()
    await expect(notice(page)).toContainText('Ember: feed')
    await expect(done).toHaveCount(0)
  }
  await at('2026-10-03T22:30:00+10:00')
  await feedIsDue()

  // Sunday morning, summer time, and Saturday evening in Greenwich
  await at('2026-10-04T08:30:00+11:00')
  await page.reload()
  await page.goto('/')
  await expect(page.locator('header.top')).toContainText('Sun 4 Oct')
  await page
    .getByRole('link', { name: /^Ember: / })
    .first()
    .click()
  await logCount(page, '12')
  await expect(statement(page, 'number')).toContainText('12')
  // today is not in the future, and tomorrow is
  await page.keyboard.press('l')
  await page.getByRole('radio', { name: 'Died', exact: true }).check()
  await page.getByLabel('How many?').fill('1')
  await page.getByLabel('When').fill('2026-10-05T01:00')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page).getByRole('alert').first()).toContainText('future')
  // a time that the clock leapt over is taken for the hour after it, the same night
  await page.getByLabel('When').fill('2026-10-04T02:30')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await page.getByRole('tab', { name: /^Log 3/ }).click()
  const died = page.getByRole('region', { name: 'Log' }).locator('li').filter({ hasText: '1 died' })
  await expect(died).toContainText('4 Oct')

  // the short day: fed on Saturday at half past ten, due again on Sunday, 23 hours later by the wall
  await at('2026-10-04T22:30:00+11:00')
  await page.reload()
  await feedIsDue()
  await at('2026-10-05T07:00:00+11:00')
  await page.reload()
  await page.goto('/')
  await expect(page.locator('header.top')).toContainText('Mon 5 Oct')
})
