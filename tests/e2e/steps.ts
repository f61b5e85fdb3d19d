import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { expectWordsApart } from './wordsApart'

/** Steps that several stories share. */
export const statement = (page: Page, topic: 'number' | 'heading' | 'surplus' | 'water') =>
  page.locator(`[data-statement="${topic}"] h2`)
export const notice = (page: Page) => page.locator('.notice')
export const sheet = (page: Page) => page.getByRole('dialog')

/** A moment so many days ago, as a field for date and time takes it. */
export function before(days: number): string {
  const at = new Date(Date.now() - days * 86_400_000)
  at.setMinutes(at.getMinutes() - at.getTimezoneOffset())
  return at.toISOString().slice(0, 16)
}

/** Where the demo room lies, as a browser holds it that has opened it (`demo.setup.ts`). */
export const DEMO_STATE = 'test-results/demo/state.json'

/** The demo room with all its estimates: put into the browser, not fetched and reckoned by each story. */
export async function openDemo(page: Page) {
  await page.context().setStorageState(DEMO_STATE)
  await page.goto('/')
  await roomIsReady(page)
}

/** All estimates of the room are there. */
export async function roomIsReady(page: Page) {
  await expect(page.getByRole('heading', { name: /glasses? needs? you today|Nothing needs you/ })).toBeVisible()
}

/** An empty room of the keeper's own. */
export async function startRoom(page: Page, name = 'Cellar') {
  await page.goto('/')
  await page.getByLabel('Name of the room').fill(name)
  await page.getByRole('button', { name: 'Start with an empty room' }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
}

/** A colony in a new glass, through the guided sheet. */
export async function startColony(
  page: Page,
  {
    name,
    group = 'Neocaridina',
    litres = '60',
    females = '8',
    males = '',
  }: { name: string; group?: string; litres?: string; females?: string; males?: string },
) {
  await page.getByRole('button', { name: 'Start a colony' }).click()
  await page.getByRole('radio', { name: group }).check()
  await next(page)
  await page.getByLabel('Name of the glass').fill(name)
  await page.getByLabel('Holds, when full').fill(litres)
  await next(page)
  await expect(page.getByLabel('Water changes')).toBeVisible()
  await next(page)
  await page.getByLabel('Name of the line or colony').fill(name)
  await page.getByLabel('females').fill(females)
  if (males) await page.getByLabel('males', { exact: true }).fill(males)
  await page.getByRole('button', { name: 'Start the colony' }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
  await expect(statement(page, 'number')).toBeVisible()
}
const next = (page: Page) => page.getByRole('button', { name: 'Next' }).click()

/** Logs a count for the colony on screen. */
export async function logCount(page: Page, number: string) {
  await page.locator('header.top').getByRole('button', { name: 'Log' }).click()
  await page.getByRole('radio', { name: 'Count' }).check()
  await page.getByLabel('How many did you see?').fill(number)
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(sheet(page)).toBeHidden()
}

/** Switches to the other theme where the page stands, as another tab would. */
export async function otherTheme(page: Page) {
  await page.evaluate(() => {
    const key = 'ulkin.theme'
    const newValue = localStorage.getItem(key) === 'night' ? 'day' : 'night'
    localStorage.setItem(key, newValue)
    window.dispatchEvent(new StorageEvent('storage', { key, newValue, storageArea: localStorage }))
    return new Promise(resolve => requestAnimationFrame(() => requestAnimationFrame(resolve)))
  })
}

/**
 * Fails with every violation that axe finds, named, and with words that run together: all rules by the theme that is
 * on, and contrast, the one thing in which they differ, by the other one too.
 */
export async function expectAccessible(page: Page) {
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await expectWordsApart(page)
  await expectNoViolations(new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']))
  await otherTheme(page)
  await expectNoViolations(new AxeBuilder({ page }).withRules(['color-contrast']))
  await otherTheme(page)
}

async function expectNoViolations(axe: AxeBuilder) {
  const { violations } = await axe.analyze()
  expect(
    violations.map(
      v =>
        `${v.id}: ${v.nodes
          .map(n => `${n.target.join(' ')} ${n.any.map(a => a.message).join(' ')}`)
          .slice(0, 4)
          .join(' | ')}`,
    ),
  ).toEqual([])
}

/** Presses Tab until the element with a name has the focus, as a keeper without a mouse does. */
export async function tabTo(page: Page, name: RegExp | string, most = 80) {
  for (let i = 0; i < most; i++) {
    const focused = await page.evaluate(() => {
      const el = document.activeElement as HTMLElement | null
      if (!el || !el.matches('a, button, input, select, textarea, summary')) return ''
      const labels = 'labels' in el ? [...((el as HTMLInputElement).labels ?? [])].map(l => l.textContent ?? '') : []
      return [el.getAttribute('aria-label') ?? '', ...labels, el.tagName === 'INPUT' ? '' : (el.textContent ?? '')]
        .join(' ')
        .trim()
    })
    if (typeof name === 'string' ? focused.includes(name) : name.test(focused)) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`Tab never reached ${name}`)
}

/** The water place of a glass, by the keys and the list of glasses. */
export async function toWater(page: Page, glass: string) {
  await page.locator('body').press('Escape')
  await page.keyboard.press('Space')
  await page.keyboard.press('w')
  const list = page.getByLabel('Glass', { exact: true })
  await expect(list).toBeVisible()
  const id = await list
    .locator('option')
    .filter({ hasText: new RegExp(`^${glass}(:|$)`) })
    .first()
    .getAttribute('value')
  await list.selectOption(id)
  await page.waitForURL(`**/water/${id}`)
  await expect(page.getByRole('heading', { level: 1, name: /^Water for/ })).toBeVisible()
  await expect(page.getByRole('region', { name: 'What it does' }).getByRole('heading')).toBeVisible()
}
/** One part of the water place. */
export const waterPart = (page: Page, part: string) =>
  page.getByRole('tablist', { name: 'Parts of the water place' }).getByRole('tab', { name: part, exact: true }).click()
