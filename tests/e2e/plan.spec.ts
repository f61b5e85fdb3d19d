import { expect, test } from '@playwright/test'
import { notice, openDemo, sheet, startRoom, waterPart } from './steps'

test('a bee-shrimp tank from nothing to the logged first fill, its tests, and the animals', async ({ page }) => {
  await startRoom(page)
  await page.keyboard.press('Space')
  await page.keyboard.press('p')
  await page.getByRole('button', { name: 'Banded shrimp of soft water' }).click()
  await expect(page.getByText(/starters reach the first/)).toBeVisible()
  await expect(page.getByText('The intake has its sponge', { exact: false })).toBeVisible()

  // wrong input is named, and what was right stays
  await page.getByLabel('Holds, when full').fill('big')
  await expect(page.getByText('“big” is no volume.')).toBeVisible()
  await page.getByLabel('Holds, when full').fill('60')
  await page.getByLabel('Starters', { exact: true }).fill('5')
  await expect(page.getByText(/10 instead of 5 would bring it \d+ weeks sooner/)).toBeVisible()
  await page.getByLabel('Starters', { exact: true }).fill('15')
  await page.getByLabel('sponge over the intake').uncheck()
  await expect(page.getByText(/The intake is bare/)).toBeVisible()
  await page.getByLabel('sponge over the intake').check()
  await page.getByLabel('Name of the plan').fill('Snow')
  await expect(page.getByRole('heading', { level: 1, name: 'Snow' })).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Holds, when full')).toHaveValue('60')
  // pure water alone cannot do it: the plan says what has to be bought beside it
  const fill = page.getByRole('region', { name: /First fill/ })
  await expect(fill).toContainText(/\d+(\.\d+)? L Pure water/)
  await expect(fill).toContainText(/\d+(\.\d+)? g mineral mix for soft water \(of a usual strength\), to buy/)
  // active soil is not rinsed, and the steps begin today
  await expect(page.getByText(/active soil.*as it comes/)).toBeVisible()

  await page.getByRole('button', { name: 'Make it a glass' }).click()
  await sheet(page).getByLabel('Name of the glass').fill('Snow tank')
  await sheet(page).getByRole('button', { name: 'Make it a glass' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Water for Snow tank' })).toBeVisible()
  await waterPart(page, 'Sources and shelf')
  await page.getByRole('button', { name: 'Add a salt or mix' }).click()
  await page.getByRole('radio', { name: 'A mineral mix' }).check()
  await page.getByLabel('Name on the box').fill('Soft mix')
  await page.getByLabel('GH', { exact: true }).fill('33')
  await page.getByLabel('Conductivity', { exact: true }).fill('1260')
  await page.getByLabel('Left in it (empty: not followed)').fill('100')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
  await waterPart(page, 'Bucket')
  await expect(
    page.getByRole('heading', { name: /^This fill comes to GH 5\.\d.*Conductivity (19|20)\d\.$/ }),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Filled: log it' }).click()
  await expect(notice(page)).toContainText(/Snow tank: filled with \d+ L\./)
  await waterPart(page, 'Sources and shelf')
  await expect(page.getByRole('button', { name: /^Soft mix/ })).toContainText(/9\d(\.\d)? g left/)

  // the fill is a step of the plan that nobody has to tick
  await page.getByRole('link', { name: 'Room', exact: true }).click()
  await page
    .getByRole('region', { name: 'The round' })
    .getByRole('link', { name: /^Snow tank: / })
    .click()
  await expect(page.getByText('Filled, and logged.')).toBeVisible()
  await expect(page.getByText('Curing has not begun, week 1.')).toBeVisible()
  await page.getByRole('button', { name: 'Log a test' }).click()
  await expect(sheet(page).getByLabel('Ammonia')).toBeFocused()
  await sheet(page).getByLabel('Ammonia').fill('2')
  await sheet(page).getByLabel('Nitrite').fill('0')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('In the ammonia stage, week 1.')).toBeVisible()
})

test('a newcomer finds from the first page to a first fill that can be made today', async ({ page }) => {
  await startRoom(page)
  await page.getByRole('link', { name: 'Plan a first colony' }).first().click()
  await expect(page.getByRole('heading', { name: 'What do you have?' })).toBeVisible()
  // what is wrong is named, and the rest goes on
  await page.getByLabel('Holds, when full').fill('lots')
  await expect(page.getByText('“lots” is no volume.')).toBeVisible()
  await page.getByLabel('Holds, when full').fill('30')
  await expect(page.getByRole('heading', { name: /would suit this tank, if your tap does/ })).toBeVisible()
  // hard water: another order, and another way to the water
  await page.getByLabel('GH', { exact: true }).fill('16')
  await page.getByLabel('KH', { exact: true }).fill('9')
  const animals = page.getByRole('list', { name: 'Animals' }).getByRole('listitem')
  await expect(animals.first()).toContainText('Water isopods')
  await expect(animals.filter({ hasText: 'Dwarf shrimp in many colours' })).toContainText('Thinned')
  await page.getByLabel('GH', { exact: true }).fill('7.2')
  await page.getByLabel('KH', { exact: true }).fill('5')
  await expect(
    page.getByRole('heading', { name: 'Dwarf shrimp in many colours would live in your tap water as it is.' }),
  ).toBeVisible()
  // a word is explained where it stands
  await page.getByRole('button', { name: 'KH', exact: true }).click()
  await expect(page.getByRole('note')).toContainText('keeps the pH where it is')
  await page.keyboard.press('Escape')
  await page.reload()
  await expect(page.getByLabel('Holds, when full')).toHaveValue('30')
  await page.getByRole('button', { name: 'Dwarf shrimp in many colours' }).click()
  const fill = page.getByRole('region', { name: /First fill, 27 L/ })
  await expect(fill).toContainText(/27 L Tap/)
  await expect(fill).toContainText(/settles at about pH 7\.\d/)
  await expect(page.getByRole('region', { name: 'To get' })).toContainText('heater')
  await page.getByRole('button', { name: 'Make it a glass' }).click()
  await sheet(page).getByLabel('Name of the glass').fill('First')
  await sheet(page).getByRole('button', { name: 'Make it a glass' }).click()
  await expect(page.getByRole('heading', { name: /^This fill comes to GH 7\.2/ })).toBeVisible()
  await page.getByRole('button', { name: 'Filled: log it' }).click()
  await expect(notice(page)).toContainText(/First: filled with 27 L\./)
})

test('a plan becomes glass and colony with one action where the animals are in already', async ({ page }) => {
  await startRoom(page)
  await page.goto('/plan')
  await page.getByRole('button', { name: 'Ramshorn snails' }).click()
  await page.getByRole('button', { name: 'Make it a glass' }).click()
  await page.getByRole('radio', { name: 'are in already' }).check()
  await sheet(page).getByLabel('Name of the line or colony').fill('Copper')
  await sheet(page).getByRole('button', { name: 'Make it a glass' }).click()
  await expect(notice(page)).toContainText('Copper started.')
  await page.getByRole('link', { name: 'Copper' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Copper' })).toBeVisible()
})

test('who cannot live together is said before it is done: in the plan, at a new colony, and at a move', async ({
  page,
}) => {
  await openDemo(page)
  await page.goto('/plan')
  await page.getByRole('button', { name: 'Dwarf shrimp in many colours' }).click()
  await page.getByLabel('Together with').selectOption('brackish-pool-shrimp')
  await expect(page.getByRole('heading', { name: 'They should not live together.' })).toBeVisible()
  await expect(page.getByText('No water suits both: Salinity lies apart.')).toBeVisible()
  await page.getByLabel('Together with').selectOption('ramshorn-snail')
  await expect(
    page.getByRole('img', { name: /^GH: Neocaridina 6 to 8, Ramshorn snails 8 to 16, in common only 8/ }),
  ).toBeVisible()
  await page.goto('/')
  await page.getByRole('button', { name: 'Start a colony' }).click()
  await page.getByRole('radio', { name: 'Neocaridina' }).check()
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByLabel('Into which glass?').selectOption({ label: 'Slate, 60 L' })
  await expect(sheet(page).getByRole('alert').filter({ hasText: 'Two lines of Neocaridina cross' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page
    .getByRole('link', { name: /^Ember A: / })
    .first()
    .click()
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByLabel('Lives in').selectOption({ label: 'Slate, 60 L' })
  await expect(
    sheet(page).getByRole('alert').filter({ hasText: 'Slate: Two lines of Neocaridina cross' }),
  ).toBeVisible()
})

test('the demo’s curing glass knows its stage, and its plan can be put away', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await page.getByRole('link', { name: 'Slate, second line' }).click()
  await expect(page.getByText(/In the nitrite stage, week \d/)).toBeVisible()
  await page.getByRole('button', { name: 'Put this plan away' }).click()
  await expect(page.getByRole('heading', { name: 'Which animals shall it be?' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Slate, second line' })).toHaveCount(0)
})
