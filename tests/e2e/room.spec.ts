import { expect, type Page, test } from '@playwright/test'
import { notice, openDemo, roomIsReady, sheet, startColony, startRoom } from './steps'

const focusedGlass = (page: Page) =>
  page.evaluate(() => document.activeElement?.getAttribute('aria-label')?.split(':')[0] ?? '')
/** Names on a shelf from left to right. */
const shelf = (page: Page, rack: string, n: number) =>
  page.getByRole('region', { name: rack }).locator(`[data-shelf="${n}"] .name`).allInnerTexts()

test('the demo room shows its racks, what needs the keeper, and what can leave', async ({ page }) => {
  await openDemo(page)
  await expect(page.getByRole('heading', { level: 1, name: 'Lantern Quay' })).toBeVisible()
  for (const rack of ['Rack 1, door side', 'Rack 2, middle', 'Rack 3, harbour side', 'Windowsill', 'Floor'])
    await expect(page.getByRole('region', { name: rack })).toBeVisible()
  const needs = page.getByRole('complementary', { name: 'What needs you' })
  await expect(needs).toContainText(/Slate: KH has slid to \d\.\d °dH, below 3/)
  await expect(needs).toContainText(/Rime A: Conductivity has crept up/)
  await expect(needs).toContainText(/\d+ can leave today/)
  await expect(page.getByRole('link', { name: /^Slate: About \d+ here/ })).toBeVisible()
  await expect(page.locator('[data-glass]')).toHaveCount(24)

  // the mouse that rests on a glass reads its whole sentence, with what its signs stand for
  await page
    .getByRole('link', { name: /^Slate: / })
    .first()
    .hover()
  await expect(page.getByRole('tooltip')).toContainText(
    /^Slate: About \d+ here.*Molts fail too often.*died in six weeks.*KH has slid/,
  )
  await page.mouse.move(640, 5)
  await expect(page.getByRole('tooltip')).toBeHidden()
})

test('a room of which nothing is kept is told roughly at once, and then in full', async ({ page }) => {
  await openDemo(page)
  await page.evaluate(
    () =>
      new Promise(resolve => {
        const open = indexedDB.open('ulkin')
        open.onsuccess = () => {
          const change = open.result.transaction('summaries', 'readwrite')
          change.objectStore('summaries').clear()
          change.oncomplete = () => resolve(open.result.close())
        }
      }),
  )
  await page.reload()
  const needs = page.getByRole('complementary', { name: 'What needs you' })
  await expect(needs.getByRole('heading', { name: 'A first look.' })).toBeVisible()
  // all are told, most of them roughly yet; what is off in the water is off already
  await expect(page.locator('.glass .n')).toHaveCount(23)
  expect(await page.locator('.glass .first-look').count()).toBeGreaterThan(5)
  await expect(needs).toContainText(/Slate: KH has slid/)
  await expect(needs).not.toContainText(/you today|can leave today|never tested/)

  // the one that is opened is told in full before the others
  await page.locator('.whole').last().click()
  await expect(page.locator('[data-statement="number"]')).not.toContainText('A first look')
  await page.goBack()
  await roomIsReady(page)
  await expect(page.locator('.glass .first-look')).toHaveCount(0)
  await expect(needs).toContainText(/\d+ can leave today/)
})

test('arrows walk the shelves, Enter opens, the way back keeps the place', async ({ page }) => {
  await openDemo(page)
  await page.locator('.whole').first().focus()
  expect(await focusedGlass(page)).toBe('Ember A')
  for (const [key, name] of [
    ['ArrowRight', 'Ember box'],
    ['ArrowDown', 'Barley'],
    ['ArrowLeft', 'Slate'],
    ['ArrowDown', 'Rime A'],
    ['ArrowRight', 'Rime B'],
    ['ArrowRight', 'River shrimp'],
    ['ArrowUp', 'Copper rams'],
    ['ArrowLeft', 'Barley'],
  ] as const) {
    await page.keyboard.press(key)
    await expect.poll(() => focusedGlass(page)).toBe(name)
  }
  await expect(page.getByRole('tooltip')).toContainText('Barley: About')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Barley' })).toBeVisible()
  await expect(page.getByRole('tooltip')).toBeHidden()
  await expect(page.getByText('Also in this glass: Leaf rams')).toBeVisible()
  await page.keyboard.press('Space')
  await page.keyboard.press('r')
  await expect(page.getByRole('heading', { level: 1, name: 'Lantern Quay' })).toBeVisible()
})

test('a glass is carried with the keyboard, put down, and taken back', async ({ page }) => {
  await openDemo(page)
  const rack = 'Rack 1, door side'
  await page.getByRole('link', { name: /^Ember A: About/ }).focus()
  await page.keyboard.press('m')
  await page.keyboard.press('ArrowRight')
  await expect.poll(() => shelf(page, rack, 0)).toEqual(['Ember box', 'Ember A'])
  await page.keyboard.press('ArrowDown')
  await expect.poll(() => shelf(page, rack, 1)).toEqual(['Slate', 'Ember A', 'Barley'])
  expect(await focusedGlass(page)).toBe('Ember A')
  await page.keyboard.press('Escape')
  await expect.poll(() => shelf(page, rack, 0)).toEqual(['Ember A', 'Ember box'])
  await page.keyboard.press('m')
  await page.keyboard.press('ArrowRight')
  await expect.poll(() => shelf(page, rack, 0)).toEqual(['Ember box', 'Ember A'])
  await page.keyboard.press('Enter')
  await expect(notice(page)).toContainText('put down')
  await page.reload()
  await roomIsReady(page)
  expect(await shelf(page, rack, 0)).toEqual(['Ember box', 'Ember A'])
})

test('a glass is dragged to another rack, and the end of the drag opens nothing', async ({ page }) => {
  await openDemo(page)
  const from = await page.locator('[data-glass]', { hasText: 'Ember box' }).boundingBox()
  const to = await page.locator('[data-glass]', { hasText: 'Reed crays' }).boundingBox()
  await page.mouse.move(from!.x + from!.width / 2, from!.y + 40)
  await page.mouse.down()
  for (let i = 1; i <= 12; i++)
    await page.mouse.move(
      from!.x + from!.width / 2 + ((to!.x + to!.width * 0.7 - from!.x - from!.width / 2) * i) / 12,
      from!.y + 40 + ((to!.y - from!.y) * i) / 12,
    )
  await page.waitForTimeout(250)
  await page.mouse.up()
  await expect.poll(async () => (await shelf(page, 'Rack 2, middle', 0)).includes('Ember box')).toBe(true)
  expect(await shelf(page, 'Rack 1, door side', 0)).toEqual(['Ember A'])
  await expect(page).toHaveURL(/\/$/)
  // the picture moves at once, and the keeper is told when it is kept
  await expect(notice(page)).toContainText('Ember box stands on')
  await page.reload()
  await roomIsReady(page)
  expect(await shelf(page, 'Rack 2, middle', 0)).toContain('Ember box')
})

test('racks and glasses are added and changed; wrong input says what is wrong', async ({ page }) => {
  await startRoom(page)
  await page.getByRole('button', { name: 'Rack', exact: true }).click()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toContainText('Give it a name.')
  await page.getByLabel('Name').fill('Window')
  await page.getByRole('radio', { name: 'Windowsill' }).check()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('region', { name: 'Window' })).toBeVisible()

  await page.getByRole('region', { name: 'Window' }).getByRole('button', { name: 'Add a glass' }).click()
  await page.getByLabel('Name of the glass').fill('Jar')
  await page.getByLabel('Holds, when full').fill('much')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toContainText('“much” is no volume.')
  await page.getByLabel('Holds, when full').fill('6')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('button', { name: /^Jar, 6 L, no colony yet/ })).toBeVisible()

  await page.getByRole('button', { name: /^Jar, 6 L/ }).focus()
  await page.keyboard.press('e')
  await page.getByLabel('Where it stands').selectOption({ label: 'Rack 1' })
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('region', { name: 'Rack 1' }).locator('[data-glass]')).toHaveCount(1)

  // every save can be undone: the move goes back, and a rack begun by mistake is gone again
  await notice(page).getByRole('button', { name: 'Undo' }).click()
  await expect(notice(page)).toContainText('Taken back.')
  await expect(page.getByRole('region', { name: 'Window' }).locator('[data-glass]')).toHaveCount(1)
  await page.getByRole('button', { name: 'Rack', exact: true }).click()
  await page.getByLabel('Name').fill('Slip')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('region', { name: 'Slip' })).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByRole('region', { name: 'Slip' })).toHaveCount(0)
})

test('a colony begun by mistake goes again with its glass, and a new name goes back', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await expect(notice(page)).toContainText('Ember started.')
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByLabel('Name', { exact: true }).fill('Cinder')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Cinder')
  await page.keyboard.press('u')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ember')

  await page.keyboard.press('Space')
  await page.keyboard.press('r')
  await startColony(page, { name: 'Slip' })
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Slip')
  await page.keyboard.press('u')
  await expect(page.locator('[data-glass]')).toHaveCount(1)
  await expect(page.getByRole('link', { name: /^Slip/ })).toHaveCount(0)
})

test('a second colony goes into a glass that is there, and a keeper’s own group gets its ranges', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await page.keyboard.press('Space')
  await page.keyboard.press('r')
  await page.getByRole('button', { name: 'Start a colony' }).click()
  await page.getByRole('button', { name: 'Next' }).click()
  await expect(sheet(page)).toContainText('Choose the animals.')
  await page.getByRole('radio', { name: 'Your own group' }).check()
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByLabel('Into which glass?').selectOption({ label: 'Ember, 60 L' })
  await expect(sheet(page)).toContainText('They share the water, not the targets.')
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByLabel('Name of the line or colony').fill('Pearls')
  await page.getByRole('button', { name: 'Start the colony' }).click()
  await expect(sheet(page)).toContainText('At least one.')
  await page.getByLabel('grown, not sexed').fill('5')
  await page.getByRole('button', { name: 'Start the colony' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Pearls' })).toBeVisible()

  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByLabel('KH, preferred from').fill('1')
  await page.getByLabel('KH, preferred to').fill('2')
  await page.getByLabel('Fewest that should stay').fill('3')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await page.keyboard.press('l')
  await page.getByRole('radio', { name: 'Water test' }).check()
  await page.getByLabel('KH', { exact: true }).fill('8')
  await page.getByRole('button', { name: 'Save' }).click()
  // one water, two judgements
  await expect(page.locator('[data-statement="water"]')).toContainText('KH at 8.0 °dH, above 2')
  await page.getByRole('link', { name: 'Ember' }).click()
  await expect(page.locator('[data-statement="water"]')).toContainText('The one value tested is on target')
})
