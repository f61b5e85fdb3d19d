import { expect, test } from '@playwright/test'
import { DEMO_STATE, roomIsReady } from './steps'

test('a keeper opens the demo room', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Open the demo room' }).click()
  await roomIsReady(page)
  // the statements are kept as well, so that the stories do not reckon them again
  const kept = () =>
    page.evaluate(
      () =>
        new Promise<number>(resolve => {
          const open = indexedDB.open('ulkin')
          open.onsuccess = () => {
            const count = open.result.transaction('summaries').objectStore('summaries').count()
            count.onsuccess = () => {
              open.result.close()
              resolve(count.result)
            }
          }
        }),
    )
  await expect.poll(kept).toBeGreaterThan(20)
  await page.context().storageState({ path: DEMO_STATE, indexedDB: true })
})
