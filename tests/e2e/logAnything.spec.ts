import { expect, test } from '@playwright/test'
import { expectAccessible, openDemo, otherTheme, sheet, startColony, startRoom } from './steps'
import { counter, toRound, toGlass } from './roundSteps'

test('any kind of entry can be logged, corrected and read', async ({ page }) => {
  await openDemo(page)
  await page
    .getByRole('link', { name: /^Slate: / })
    .first()
    .click()
  const log = async (kind: string) => {
    await page.keyboard.press('l')
    await page.getByLabel('Anything else').selectOption({ label: kind })
  }
  // each kind asks for its own numbers only; a number that is asked of all would take the focus, and what is typed
  for (const kind of ['Equipment', 'Egg masses', 'Berried']) {
    await log(kind)
    await expect(sheet(page).getByLabel('Remark')).toBeVisible()
    await expect(sheet(page).getByLabel('How many?', { exact: true }), kind).toHaveCount(0)
    await page.keyboard.press('Escape')
    await expect(sheet(page)).toBeHidden()
  }
  await log('Berried')
  await page.getByLabel('Berried females').fill('2')
  await page.getByLabel('Of the berried ones, with eyed eggs').fill('3')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page).getByText('More with eyed eggs than berried.')).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Of the berried ones, with eyed eggs').fill('1')
  // a date of which a part was typed is not taken for now
  await page.getByLabel('When (empty: now)').pressSequentially('12')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page).getByText(/^Only a part of the date was typed/)).toBeVisible()
  await page.getByLabel('When (empty: now)').fill('')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await log('Equipment')
  await page.getByLabel('Intake sponge').selectOption('broken')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await page.getByRole('tab', { name: /^Log \d/ }).click()
  const line = page.getByRole('listitem').filter({ hasText: '2 berried' }).first()
  await expect(line).toContainText('1 with eyed eggs')
  await line.getByRole('button', { name: /^Correct/ }).click()
  await page.getByLabel('Berried females').fill('4')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: '4 berried' }).first()).toContainText('corrected')
  // the schedule knows of it at once
  await page.getByRole('link', { name: 'Room', exact: true }).click()
  await expect(page.getByRole('region', { name: 'The round' })).toContainText('Slate: Mend intake sponge')
})

test('a change says what it does to them before it is logged, and a correction keeps its water', async ({ page }) => {
  await openDemo(page)
  await page
    .getByRole('link', { name: /^Rime A: / })
    .first()
    .click()
  await page.keyboard.press('l')
  await page.getByLabel('Anything else').selectOption({ label: 'Water changed' })
  await page.getByLabel('How much was changed').fill('10')
  const shock = page.getByRole('region', { name: 'What this change does' })
  await expect(shock).toContainText('Choose the water')
  const waters = page.getByLabel('With which water')
  const tap = await waters.locator('option').filter({ hasText: /tap/i }).first().textContent()
  await waters.selectOption({ label: tap!.trim() })
  // hard tap water into a soft glass
  await expect(shock).toContainText(/too much\. At most \d+(\.\d+)? m?L of this water at once/)
  await expectAccessible(page)
  await page.getByLabel('How much was changed').fill('0.2')
  await expect(shock).toContainText(/an ordinary change|pour it slowly/)
  await page.getByLabel('Temperature of the new water').fill('4')
  await expect(shock).toContainText(/Temperature \d+(\.\d)? → \d+(\.\d)? °C/)
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await page.getByRole('tab', { name: /^Log \d/ }).click()
  const line = page.getByRole('listitem').filter({ hasText: 'Changed' }).first()
  await expect(line).toContainText(tap!.trim())
  await line.getByRole('button', { name: /^Correct/ }).click()
  await expect(page.getByLabel('With which water')).toHaveValue('asLogged')
  await page.getByLabel('How much was changed').fill('0.3')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Changed 0.3 L' }).first()).toContainText(tap!.trim())
})

test('a move between colonies changes both, and a photo stays with its line', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Left', females: '30' })
  await page.getByRole('link', { name: 'Room', exact: true }).click()
  await startColony(page, { name: 'Right', females: '10' })
  await page.keyboard.press('l')
  await sheet(page).getByLabel('Colony', { exact: true }).selectOption({ label: 'Left · Neocaridina' })
  await page.getByLabel('Anything else').selectOption({ label: 'Moved to another colony' })
  await page.getByLabel('How many moved?').fill('8')
  await page.getByLabel('Into which colony').selectOption({ label: 'Right · Neocaridina' })
  await page.getByRole('button', { name: 'Save' }).click()
  // two lines of one kind cross: it is asked once, and kept when the keeper says so
  await expect(sheet(page).getByText(/another line of the same kind.*Do it once more/)).toBeVisible()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.locator('[data-statement="number"] h2')).toContainText('18')
  await page.keyboard.press('l')
  await page.getByRole('radio', { name: 'Photo' }).check()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page).getByText('Take or choose a photo.')).toBeVisible()
  const picture = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(2600, 1300)
    canvas.getContext('2d')!.fillRect(0, 0, 900, 900)
    return [...new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer())]
  })
  await sheet(page)
    .locator('input[type=file]')
    .setInputFiles({ name: 'no-picture.png', mimeType: 'image/png', buffer: Buffer.from('nothing') })
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page).getByText('“no-picture.png” is no picture')).toBeVisible()
  await sheet(page)
    .locator('input[type=file]')
    .setInputFiles({ name: 'tank.png', mimeType: 'image/png', buffer: Buffer.from(picture) })
  await page.getByLabel('Remark').fill('By the moss.')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await page.getByRole('tab', { name: /^Log \d/ }).click()
  const image = page.getByRole('img', { name: /^Photo of/ })
  await expect(image).toBeVisible()
  expect(await image.evaluate((el: HTMLImageElement) => [el.naturalWidth, el.naturalHeight])).toEqual([1280, 640])
  await page.reload()
  await page.getByRole('tab', { name: /^Log \d/ }).click()
  await expect(image).toBeVisible()
})

test('axe finds nothing on the round, and by night nothing is bright', async ({ page }) => {
  await openDemo(page)
  await toRound(page)
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Start the round' }).click()
  await toGlass(page, 'Barley')
  await counter(page, 'Dead of Barley').fill('1')
  await expectAccessible(page)
  await otherTheme(page)
  // dim throughout: no large bright surface is left
  const bright = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('body *')]
      .filter(el => {
        const [r = 0, g = 0, b = 0, a = 1] = (getComputedStyle(el).backgroundColor.match(/[\d.]+/g) ?? []).map(Number)
        const box = el.getBoundingClientRect()
        return (
          a > 0.5 &&
          Number(getComputedStyle(el).opacity) > 0.5 &&
          0.2126 * r + 0.7152 * g + 0.0722 * b > 110 &&
          box.width * box.height > 12_000
        )
      })
      .map(el => el.className),
  )
  expect(bright).toEqual([])
})
