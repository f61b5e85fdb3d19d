import { rm, writeFile } from 'node:fs/promises'
import { expect, type Page, test } from '@playwright/test'
import { notice, sheet, startColony, startRoom, statement } from './steps'

const bringIn = async (page: Page, name: string, buffer: Buffer | string) => {
  await page
    .getByLabel('Backup file')
    .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(buffer) })
}
async function backupText(page: Page): Promise<string> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save a backup file' }).click(),
  ])
  const chunks: Buffer[] = []
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer)
  return Buffer.concat(chunks).toString('utf8')
}
const rows = (page: Page) => page.getByText(/\d+ rooms?, \d+ glasses, \d+ colonies, \d+ log entries/).innerText()

test('broken files are refused whole, with one clear sentence, and change nothing', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await page.goto('/records')
  const good = await backupText(page)
  const before = await rows(page)
  const broken: [string, Buffer | string, RegExp][] = [
    ['truncated.json', good.slice(0, good.length / 2), /cut short or no backup/],
    ['other.json', '{"tanks":[]}', /not a backup made by Ulkin/],
    ['newer.json', good.replace(/"version": \d+/, '"version": 99'), /newer Ulkin \(version 99/],
    ['version.json', good.replace(/"version": \d+/, '"version": "one"'), /version that does not exist/],
    ['types.json', good.replace(/"grossL": \d+/, '"grossL": "much"'), /a fault; the first is at glasses\.0\.grossL/],
    [
      'dangling.json',
      good.replace(/"glassId": "[^"]+"/, '"glassId": "01900000-0000-7000-8000-000000000000"'),
      /points at a record that is not in it/,
    ],
  ]
  for (const [name, content, words] of broken) {
    await bringIn(page, name, content)
    const alert = page.getByRole('alert').filter({ hasText: name })
    await expect(alert).toHaveText(words)
    await expect(alert).toContainText('Nothing was changed.')
    await expect(sheet(page)).toBeHidden()
    expect(await rows(page)).toBe(before)
  }
})

test('a file that is too large is refused before it is read', async ({ page }, info) => {
  await startRoom(page)
  await page.goto('/records')
  const path = info.outputPath('large.json')
  await writeFile(path, Buffer.alloc(125_000_000, 'x'))
  await page.getByLabel('Backup file').setInputFiles(path)
  await expect(page.getByRole('alert').filter({ hasText: 'large.json' })).toHaveText(
    /The file is 125 MB; a backup has at most 120 MB.* Nothing was changed\./,
  )
  await rm(path)
})

test('HTML in names is shown as text', async ({ page }) => {
  let ran = false
  page.on('dialog', dialog => {
    ran = true
    void dialog.dismiss()
  })
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await page.goto('/records')
  const good = await backupText(page)
  await bringIn(
    page,
    'html.json',
    good
      .replaceAll('"Ember"', JSON.stringify('<img src=x onerror=alert(1)>'))
      .replace(/"editedAt": "20(\d\d)/g, '"editedAt": "21$1'),
  )
  await expect(sheet(page)).toContainText('<img src=x onerror=alert(1)>')
  for (const radio of await sheet(page).getByRole('radio', { name: 'Take the file’s' }).all()) await radio.check()
  await trustFile(page)
  await page.getByRole('button', { name: 'Bring it in' }).click()
  await page.getByRole('link', { name: 'Colony' }).click()
  await expect(page.getByRole('heading', { level: 1, name: '<img src=x onerror=alert(1)>' })).toBeVisible()
  expect(ran).toBe(false)
})

test('where both sides changed the same the keeper chooses; nothing of either is lost', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await page.goto('/records')
  const other = (await backupText(page)).replace('"Ember"', '"Ember of the other device"')
  await bringIn(page, 'other-device.json', other)
  await expect(sheet(page)).toContainText('Both sides changed these')
  // a file that was changed by hand says so, and waits for the keeper's word
  await expect(sheet(page)).toContainText('This file was changed after Ulkin had written it.')
  await expect(page.getByRole('button', { name: 'Bring it in' })).toBeDisabled()
  await sheet(page).getByRole('radio', { name: 'Take the file’s' }).check()
  await trustFile(page)
  await page.getByRole('button', { name: 'Bring it in' }).click()
  await expect(sheet(page)).toBeHidden()
  await expect(page.getByText('2 replaced versions in the attic')).toBeVisible()
  await page.getByRole('link', { name: 'Room', exact: true }).click()
  await page.getByRole('link', { name: /^Ember: / }).click()
  await expect(page.getByText('Ember of the other device, 60 L')).toBeVisible()
  await page.goto('/records')
  await bringIn(page, 'other-device.json', other)
  await expect(sheet(page)).toContainText('Nothing new in this file.')
})

test('everything can be erased, brought back, and goes for good only with a file that holds it', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await page.goto('/records')
  const early = await backupText(page)
  await page.keyboard.press('l')
  await page.getByLabel('How many did you see?').fill('9')
  await sheet(page).getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  const late = await backupText(page)
  const erase = async () => {
    await page.getByRole('button', { name: 'Erase everything' }).click()
    await page.getByLabel('Type “erase” to go on').fill('erase')
    await page.getByLabel('Type “erase” to go on').press('Enter')
    await expect(page.getByText('0 rooms, 0 glasses, 0 colonies, 0 log entries')).toBeVisible()
  }
  await erase()
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(page.getByText('1 room, 1 glasses, 1 colonies, 1 log entries')).toBeVisible()
  await erase()
  const show = (name: string, text: string) =>
    page
      .getByLabel('Show the backup and let it go for good')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  await show('early.json', early)
  await expect(page.getByText(/early\.json lacks .* everything stays aside/)).toBeVisible()
  await show('late.json', late)
  await expect(page.getByText('Gone for good from this device.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Bring it back' })).toBeHidden()
})

test('two tabs see each other’s entries', async ({ page, context }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(statement(other, 'number')).toContainText('8 here')
  await page.keyboard.press('l')
  await page.getByLabel('How many did you see?').fill('31')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(other.locator('[data-statement="number"]')).toContainText('31 all seen')
  await other.keyboard.press('l')
  await other.getByRole('radio', { name: 'Water test' }).check()
  await other.getByLabel('KH', { exact: true }).fill('5')
  await other.getByRole('button', { name: 'Save' }).click()
  await expect(statement(page, 'water')).toContainText('The one value tested is on target')
})

test('units follow the keeper everywhere, the records stay the same', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await page.keyboard.press('l')
  await page.getByRole('radio', { name: 'Water test' }).check()
  await page.getByLabel('Temperature', { exact: true }).fill('24')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await page.goto('/records')
  await page.getByRole('radio', { name: '°F' }).check()
  await page.getByRole('radio', { name: 'US gal' }).check()
  await page.getByRole('link', { name: 'Colony' }).click()
  await expect(page.getByRole('button', { name: /Temperature 75\.2 °F/ })).toBeVisible()
  await expect(page.getByText('Ember, 15.9 US gal')).toBeVisible()
})

test('rooms stand beside each other; the demo overwrites nothing', async ({ page }) => {
  await startRoom(page, 'Cellar')
  await startColony(page, { name: 'Ember' })
  await page.keyboard.press('l')
  await page.getByRole('radio', { name: 'Count' }).check()
  await page.getByLabel('How many did you see?').fill('77')
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await page.getByLabel('Holds, when full').fill('77')
  await page.goto('/records')
  await page.getByText('Start another room').click()
  await page.getByRole('button', { name: 'Open the demo room' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Lantern Quay' })).toBeVisible()
  // what was typed for one room means nothing in another
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await expect(page.getByLabel('Holds, when full')).not.toHaveValue('77')
  await page.keyboard.press('l')
  await page.getByRole('radio', { name: 'Count' }).check()
  await expect(page.getByLabel('How many did you see?')).toHaveValue('')
  await page.keyboard.press('Escape')
  await page.goto('/records')
  await page.getByLabel('Open room').selectOption({ label: 'Cellar' })
  await page.getByRole('link', { name: 'Room', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Cellar' })).toBeVisible()
  await page.goto('/records')
  await page.getByLabel('Keepers’ initials, with commas').fill('A. R., M. T.')
  await page.getByRole('button', { name: 'Save the room' }).click()
  await expect(notice(page)).toContainText('Room saved.')
})

test('asks the browser to keep the data, and says what it answered', async ({ page }) => {
  await startRoom(page)
  await page.goto('/records')
  await page.getByRole('button', { name: 'Ask the browser to keep it' }).click()
  await expect(page.getByText(/The browser said (yes|no)/)).toBeVisible()
})

/** Says that a file which was changed by hand may come in. */
async function trustFile(page: Page) {
  await sheet(page).getByLabel('I know this file; bring it in all the same').check()
}
