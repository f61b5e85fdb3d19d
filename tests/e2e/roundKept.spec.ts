import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { expectAccessible, openDemo, roomIsReady } from './steps'
import { counter, here, said, startWalk, toGlass, toLog } from './roundSteps'

test('a tab that is killed half-way loses nothing', async ({ page, context }) => {
  await openDemo(page)
  await startWalk(page)
  await counter(page, 'Molts of Ember A').fill('4')
  await page.keyboard.press('Enter')
  await expect(here(page)).toHaveText('Ember box')
  await counter(page, 'Berried of Ember box').fill('2')
  await page.keyboard.press('h')
  await page.getByRole('textbox', { name: /°C/ }).fill('23.1')
  await page.getByRole('button', { name: /^Note/ }).click()
  await page.getByLabel('Note', { exact: true }).fill('Sponge off again.')
  // the renderer dies without a word to the page
  await Promise.all([page.waitForEvent('crash'), page.goto('chrome://crash').catch(() => null)])
  const again = await context.newPage()
  await again.goto('/')
  await roomIsReady(again)
  await again.getByRole('link', { name: /^Go on with the round: 1 of/ }).click()
  await expect(here(again)).toHaveText('Ember box')
  await expect(counter(again, 'Berried of Ember box')).toHaveValue('2')
  await expect(again.getByRole('textbox', { name: /°C/ })).toHaveValue('23.1')
  await expect(again.getByRole('button', { name: /^Gone in an hour/ })).toHaveAttribute('aria-pressed', 'true')
  await expect(again.getByLabel('Note', { exact: true })).toHaveValue('Sponge off again.')
  await again.getByRole('button', { name: /^Save, next/ }).click()
  await expect(again.locator('.progress i.d')).toHaveCount(2)
  await expect(said(again)).toContainText('Ember box: four lines saved')
})

test('a round pauses, passes glasses over, ends early, and goes on', async ({ page }) => {
  await openDemo(page)
  await startWalk(page)
  await page.keyboard.press('s')
  await expect(here(page)).toHaveText('Ember box')
  await page.keyboard.press('Enter')
  await page.getByRole('link', { name: 'Pause' }).click()
  await expect(page.getByText(/^1 of \d+ looked at/)).toBeVisible()
  await page.getByRole('button', { name: 'End it here' }).click()
  await expect(page.getByText('One glass looked at, 1 passed over')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Go on with it' }).click()
  await expect(here(page)).toHaveText('Slate')
  // what is typed and left is named, and said to be old on the next round
  await counter(page, 'Molts of Slate').fill('6')
  await page.getByRole('link', { name: 'Pause' }).click()
  await page.getByRole('button', { name: 'End it here' }).click()
  await expect(page.getByText('Typed and not saved yet: Slate.')).toBeVisible()
  await page.getByRole('link', { name: 'Round', exact: true }).click()
  await page.getByRole('button', { name: 'Start the round' }).click()
  await toGlass(page, 'Slate')
  await expect(page.getByText('typed on an earlier round and never saved')).toBeVisible()
  await expect(counter(page, 'Molts of Slate')).toHaveValue('6')
  await page.getByRole('button', { name: 'Forget it' }).click()
  await expect(counter(page, 'Molts of Slate')).toHaveValue('')
})

test('several keepers on one device put their initials to what they saw', async ({ page }) => {
  await openDemo(page)
  await startWalk(page)
  await page.getByLabel('Keeper').selectOption('M. T.')
  await counter(page, 'Molts of Ember A').fill('4')
  await page.keyboard.press('Enter')
  await page.getByLabel('Keeper').selectOption('S. O.')
  await counter(page, 'Molts of Ember box').fill('1')
  await page.keyboard.press('Enter')
  await expect(here(page)).toHaveText('Slate')
  for (const [name, keeper] of [
    ['Ember A', 'M. T.'],
    ['Ember box', 'S. O.'],
  ] as const) {
    await toLog(page, name)
    await expect(
      page
        .getByRole('listitem')
        .filter({ hasText: /shed skins?/ })
        .first(),
    ).toContainText(keeper)
  }
})

test('the rounds of two devices come together by a file', async ({ browser }) => {
  const [mine, theirs] = await Promise.all([browser.newContext(), browser.newContext()])
  const [a, b] = [await mine.newPage(), await theirs.newPage()]
  for (const [page, name, molts] of [
    [a, 'Ember A', '3'],
    [b, 'Ember box', '5'],
  ] as const) {
    await openDemo(page)
    await startWalk(page)
    await toGlass(page, name)
    await counter(page, `Molts of ${name}`).fill(molts)
    await page.keyboard.press('Enter')
    await expect(page.locator('.progress i.d')).toHaveCount(1)
  }
  await a.goto('/records')
  const [file] = await Promise.all([
    a.waitForEvent('download'),
    a.getByRole('button', { name: 'Save a backup' }).click(),
  ])
  await b.goto('/records')
  await b
    .getByLabel('Backup file')
    .setInputFiles({ name: 'theirs.json', mimeType: 'application/json', buffer: await readFile((await file.path())!) })
  await b.getByRole('button', { name: 'Bring it in' }).click()
  await expect(b.getByText('Brought in')).toBeVisible()
  await b.goto('/round/walk')
  await toGlass(b, 'Ember box')
  await expect(b.locator('.saved')).toContainText('5 shed skins')
  for (const [name, molts] of [
    ['Ember A', '3'],
    ['Ember box', '5'],
  ] as const) {
    await toLog(b, name)
    await expect(
      b
        .getByRole('listitem')
        .filter({ hasText: `${molts} shed skins` })
        .first(),
    ).toBeVisible()
  }
  await Promise.all([mine.close(), theirs.close()])
})
