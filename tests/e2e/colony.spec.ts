import { expect, test } from '@playwright/test'
import { logCount, notice, openDemo, sheet, startColony, startRoom, statement } from './steps'

test('every statement says why: inputs, method, formula, figures with their basis, and what would narrow it', async ({
  page,
}) => {
  await openDemo(page)
  await page
    .getByRole('link', { name: /^Slate: / })
    .first()
    .click()
  for (const [title, words] of [
    ['How many', 'Share found all seen'],
    ['Heading', 'Growth to expect in an uncrowded glass'],
    ['Can go', 'Fewest that should stay'],
    ['Water', 'Largest step'],
  ] as const) {
    await page.getByRole('button', { name: `Why? ${title}` }).click()
    for (const heading of ['What would narrow it', 'What went in', 'How', 'Figures and where they come from'])
      await expect(sheet(page).getByRole('heading', { name: heading, exact: true })).toBeVisible()
    await expect(sheet(page)).toContainText(words)
    await expect(sheet(page)).toContainText(/default from memory|common practice/)
    await page.keyboard.press('Escape')
    await expect(sheet(page)).toBeHidden()
  }
  await page.getByRole('button', { name: 'Why? How many' }).click()
  await expect(sheet(page)).toContainText('not believed')
})

test('the life line has a chart, a summary in words, a table, and other spans', async ({ page }) => {
  await openDemo(page)
  await page
    .getByRole('link', { name: /^Ember A: / })
    .first()
    .click()
  await expect(page.getByRole('img', { name: /^Life line: From about \d+ on .+ to about \d+ today/ })).toBeVisible()
  await page.getByRole('button', { name: '6 months' }).click()
  await expect(page.getByRole('button', { name: '6 months' })).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('tab', { name: 'Table' }).click()
  await expect(page.getByRole('columnheader', { name: 'Likely' })).toBeVisible()
  expect(await page.getByRole('row').count()).toBeGreaterThan(15)
})

test('the log keeps the old value: correct, take back, bring back, undo', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await logCount(page, '120')
  await expect(notice(page)).toContainText('count of 120 saved')
  await page.getByRole('tab', { name: /^Log 1/ }).click()
  const log = page.getByRole('region', { name: 'Log' })
  await log.getByRole('button', { name: 'Correct: Counted 120' }).click()
  await expect(sheet(page)).toContainText('The old value is kept in the log')
  await page.getByLabel('How many did you see?').fill('12')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(log).toContainText('Counted 12')
  await expect(log).not.toContainText('Counted 120')
  await expect(page.locator('[data-statement="number"]')).toContainText('12 all seen')
  await log.getByRole('button', { name: 'Show 1 replaced or taken back' }).click()
  await expect(log).toContainText('Counted 120')

  await log.getByRole('button', { name: 'Take back: Counted 12', exact: true }).click()
  await expect(page.locator('[data-statement="number"]')).toContainText('120 all seen')
  await log.getByRole('button', { name: 'Bring back: Counted 12', exact: true }).click()
  await expect(page.locator('[data-statement="number"]')).toContainText('12 all seen')
  await page.locator('h1').click()
  await page.keyboard.press('u')
  await expect(page.locator('[data-statement="number"]')).toContainText('120 all seen')
  await page.reload()
  await expect(page.locator('[data-statement="number"]')).toContainText('120 all seen')
})

test('every kind can be logged, also for a day in the past', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember', females: '40' })
  const log = async (kind: string, fill: () => Promise<void>) => {
    await page.keyboard.press('l')
    await page.getByRole('radio', { name: kind, exact: true }).check()
    await fill()
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(sheet(page)).toBeHidden()
  }
  await log('Added', async () => {
    await page.getByLabel('How many?').fill('6')
    await page.getByRole('radio', { name: 'a gift' }).check()
  })
  await log('Taken out', async () => {
    await page.getByLabel('How many?').fill('5')
    await page.getByRole('radio', { name: 'culled' }).check()
    await expect(sheet(page)).toContainText('Cull only humanely')
  })
  await log('Died', async () => {
    await page.getByLabel('How many?').fill('1')
    await page.getByRole('radio', { name: 'failed molt' }).check()
  })
  await log('Note', () =>
    page.getByLabel('Note', { exact: true }).last().fill('<img src=x onerror=alert(1)> moved the moss'),
  )
  await log('Count', async () => {
    await page.getByLabel('How many did you see?').fill('8')
    await page.getByRole('radio', { name: 'part of the tank' }).check()
    await page.getByLabel('Share of the tank that was counted').fill('20')
    await page.getByText('Split by sex and size').click()
    await page.getByLabel('half-grown').fill('3')
  })
  await page.getByRole('tab', { name: /^Log 5/ }).click()
  const region = page.getByRole('region', { name: 'Log' })
  for (const words of [
    'Put in 6',
    'Took out 5',
    '1 died',
    '<img src=x onerror=alert(1)> moved the moss',
    '20 % of the tank · 3 half-grown',
  ])
    await expect(region).toContainText(words)
  // forty began today, six came, five went, one died: a rough count of part of the tank does not shake that
  await expect(statement(page, 'number')).toContainText('40 here')
})

test('what was typed outlives a reload in the middle, and slips are asked about', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await page.keyboard.press('l')
  await page.getByLabel('How many did you see?').fill('77')
  await page.reload()
  await expect(page.getByLabel('How many did you see?')).toHaveValue('77')
  await page.getByRole('radio', { name: 'Water test' }).check()
  await page.getByLabel('pH', { exact: true }).fill('71')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toContainText('pH 71? It lies between 3 and 11.')
  await page.getByLabel('pH', { exact: true }).fill('7,1')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(notice(page)).toContainText('pH kept')
})
