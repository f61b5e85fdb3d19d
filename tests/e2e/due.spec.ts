import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import ICAL from 'ical.js'
import { expectAccessible, notice, openDemo, sheet } from './steps'
import { here, toRound, toGlass } from './roundSteps'

test('the due list: done now, done earlier, put off, left out, and undone', async ({ page }) => {
  await openDemo(page)
  await toRound(page)
  const total = async () =>
    Number(/\d+/.exec((await page.getByRole('heading', { name: /^Due today/ }).textContent())!)![0])
  const start = await total()
  const feeding = page.locator('.due details').filter({ has: page.locator('summary', { hasText: 'Feeding' }) })
  await feeding.locator('summary').click()
  const first = feeding.getByRole('button', { name: /^Done: / }).first()
  const subject = /^Done: (.+?), /.exec((await first.getAttribute('aria-label'))!)![1]!
  const ticks = feeding.getByRole('button', { name: `Done: ${subject}, ` })
  const open = () =>
    feeding
      .locator('.what')
      .filter({ hasText: `${subject}:` })
      .click()
  await first.click()
  await expect(notice(page)).toContainText(`${subject}: feed`)
  await expect.poll(total).toBe(start - 1)
  await expect(ticks).toHaveCount(0)
  await notice(page).getByRole('button', { name: 'Undo' }).click()
  await expect(ticks).toHaveCount(1)

  // everything about one piece of work
  await open()
  await expect(sheet(page)).toContainText('If left out')
  await expectAccessible(page)
  await page.getByRole('button', { name: '3 days', exact: true }).click()
  await expect(notice(page)).toContainText('feeding put off by 3 days')
  await expect(ticks).toHaveCount(0)
  await notice(page).getByRole('button', { name: 'Undo' }).click()
  await expect(ticks).toHaveCount(1)
  await open()
  await page.getByRole('button', { name: 'Log it for then' }).click()
  await expect(sheet(page).getByRole('alert').filter({ hasText: 'When was it?' })).toBeVisible()
  // earlier today, also in a run that begins just past midnight
  const midnight = new Date().setHours(0, 0, 0, 0)
  const earlier = new Date(Math.max(midnight, Date.now() - 3 * 3_600_000))
  await page
    .getByLabel('Or it was done at')
    .fill(new Date(earlier.getTime() - earlier.getTimezoneOffset() * 60_000).toISOString().slice(0, 16))
  await page.getByRole('button', { name: 'Log it for then' }).click()
  await expect(ticks).toHaveCount(0)

  // leaving out moves it to its next turn
  const tests = page.locator('.due details').filter({ has: page.locator('summary', { hasText: 'Water test' }) })
  await tests.locator('summary').click()
  const what = tests.locator('.what').first()
  const glass = (await what.locator('b').textContent())!
  await what.click()
  await page.getByRole('button', { name: 'Leave it out this time' }).click()
  await expect(tests.locator('.what').filter({ hasText: glass })).toHaveCount(0)
})

test('the way and the days of the round are the keeper’s own', async ({ page }) => {
  await openDemo(page)
  await toRound(page)
  await page.getByRole('button', { name: 'Days and way' }).click()
  await page.getByRole('button', { name: 'Ember A later' }).click()
  await expect(sheet(page).getByRole('listitem').first()).toContainText('Ember box')
  await page.getByLabel('Sat').uncheck()
  await page.getByLabel('Tue').uncheck()
  await page.getByLabel('Sun').check()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await expect(sheet(page)).toBeHidden()
  await expect(page.locator('.day h3').filter({ hasText: / Sun / }).first()).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Start the round' }).click()
  await expect(here(page)).toHaveText('Ember box')
})

test('only glasses with something due', async ({ page }) => {
  await openDemo(page)
  await toRound(page)
  const only = page.getByRole('button', { name: 'Only glasses with something due' })
  await only.click()
  await expect(page.getByRole('progressbar', { name: 'Glasses looked at' })).toBeVisible()
  const list = page.getByRole('navigation', { name: 'Glasses of the round' }).getByRole('button')
  const glasses = (await list.allTextContents()).map(t => ({
    name: t.replace(/(\d+ due|nothing due)\s*$/, '').trim(),
    due: !/nothing due/.test(t),
  }))
  expect(glasses.some(g => !g.due)).toBe(true)
  await expect(here(page)).toHaveText(glasses.find(g => g.due)!.name)
  // the glass before one with nothing due leads past it
  const before = glasses.findIndex((g, i) => g.due && glasses[i + 1]?.due === false)
  await toGlass(page, glasses[before]!.name)
  const next = glasses.slice(before + 1).find(g => g.due) ?? glasses.find(g => g.due)!
  await expect(page.getByRole('button', { name: `Save, next: ${next.name}` })).toBeVisible()
})

test('the schedule goes into a calendar, all of it or one colony’s', async ({ page }) => {
  await openDemo(page)
  await toRound(page)
  const save = async () => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save the calendar' }).click(),
    ])
    expect(file.suggestedFilename()).toMatch(/\.ics$/)
    return new ICAL.Component(ICAL.parse(await readFile((await file.path())!, 'utf8')) as unknown[])
      .getAllSubcomponents('vevent')
      .map(e => new ICAL.Event(e))
  }
  const all = await save()
  expect(all.length).toBeGreaterThan(40)
  expect(new Set(all.map(e => e.uid)).size).toBe(all.length)
  const today = new Date().toISOString().slice(0, 10)
  for (const e of all) expect(e.startDate.toString() >= today).toBe(true)
  await page.getByLabel('What', { exact: true }).selectOption({ label: 'Slate' })
  const slate = await save()
  expect(slate.every(e => e.summary.includes('Slate'))).toBe(true)
  expect(slate.map(e => e.uid).every(uid => all.some(e => e.uid === uid))).toBe(true)
})

test('a holiday: what to do before, what cannot wait, and a sheet for the stand-in', async ({ page }) => {
  await openDemo(page)
  await toRound(page)
  await page.getByRole('link', { name: 'Holiday' }).click()
  await expect(page.getByRole('heading', { name: /^Before you leave/ })).toBeVisible()
  await page.getByLabel('Who comes by').fill('Nell')
  await expect(page.getByRole('heading', { name: /visits? of Nell$/ })).toBeVisible()
  const stand = page.getByRole('region', { name: 'Sheet for the stand-in' })
  await expect(stand).toContainText('Apple snails')
  await expect(stand).toContainText('Feed less rather than more')
  await expect(page.getByRole('region', { name: 'What can wait' })).toContainText('Water test')
  await expectAccessible(page)
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PDF' }).click(),
  ])
  expect((await readFile((await file.path())!)).subarray(0, 5).toString()).toBe('%PDF-')
  await page.getByRole('link', { name: 'Back to the Round' }).click()
  await page.getByRole('link', { name: /what to do before, and the sheet/ }).click()
  await expect(page.getByLabel('Who comes by')).toHaveValue('Nell')
  await page.getByLabel('You are back').fill('2020-01-01')
  await expect(page.getByText('The day you are back comes after the day you leave.')).toBeVisible()
  await expect(stand).toBeHidden()
})
