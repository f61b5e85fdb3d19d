import { expect, type Page } from '@playwright/test'

/** Words of different elements that stand on one line without a gap: a space that a template lost. */
export async function expectWordsApart(page: Page) {
  const found = await page.evaluate(() => {
    const out: string[] = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    let before: { node: Text; last: DOMRect } | null = null
    while (walker.nextNode()) {
      const node = walker.currentNode as Text
      if (!node.data.trim() || node.parentElement?.closest('.hidden-to-eyes, svg')) continue
      const range = document.createRange()
      range.selectNodeContents(node)
      const rects = [...range.getClientRects()].filter(r => r.width > 0)
      const [first, last] = [rects[0], rects.at(-1)]
      if (!first || !last) continue
      if (before && before.node.parentElement !== node.parentElement) {
        const gap = first.left - before.last.right
        const onOneLine = Math.abs(before.last.bottom - first.bottom) < 6 && gap > -3 && gap < 1.5
        if (onOneLine && /[\p{L}\p{N}.:;,)]$/u.test(before.node.data) && /^[\p{L}\p{N}(]/u.test(node.data))
          out.push(`${before.node.data.slice(-20)}|${node.data.slice(0, 20)}`)
      }
      before = { node, last }
    }
    return out
  })
  expect(found).toEqual([])
}
