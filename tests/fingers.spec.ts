/** A stray finger changes nothing: only the map's point drags, and what was pressed keeps its place. */
import type { Page } from '@playwright/test'
import { atRest, expect, open, SAGS, settled, swipe, test, verdict } from './support/lumbik'

const yolkOf = async (page: Page) => Number(await page.getByRole('spinbutton', { name: 'Grams of Egg yolk' }).inputValue())
for (const [name, viewport] of [['tablet', { width: 1024, height: 768 }], ['phone', { width: 390, height: 844 }]] as const)
  test.describe(`on a ${name}`, () => {
    test.use({ viewport, hasTouch: true })
    test('scrolling over the map leaves the recipe alone; its point drags', async ({ page }) => {
      await open(page, SAGS)
      const map = page.locator('[data-map="settled"]')
      await expect(map).toBeVisible()
      const yolk = await yolkOf(page)
      const frame = map.locator('.frame')
      // In the middle of the screen, so that there is room to scroll.
      await frame.evaluate(e => e.scrollIntoView({ block: 'center' }))
      const touch = await page.context().newCDPSession(page)
      const box = await atRest(frame)
      const dot = (await map.locator('.dot').boundingBox())!
      const far = dot.x + dot.width / 2 > box.x + box.width / 2 ? 0.15 : 0.85
      const x = box.x + far * box.width
      const scrolled = await page.evaluate(() => window.scrollY)
      await swipe(touch, [x, box.y + 0.8 * box.height], [x, box.y + 0.8 * box.height - 160])
      await expect.poll(() => page.evaluate(() => window.scrollY)).toBeGreaterThan(scrolled)
      await settled(page)
      expect(await yolkOf(page)).toBe(yolk)
      await page.touchscreen.tap(x, (await atRest(frame)).y + 40)
      await settled(page)
      expect(await yolkOf(page)).toBe(yolk)
      // The point itself, and a little beside it: within its 44 px.
      await frame.evaluate(e => e.scrollIntoView({ block: 'center' }))
      const at = await atRest(map.locator('.dot'))
      const from: [number, number] = [at.x + at.width / 2 + 12, at.y + at.height / 2]
      await swipe(touch, from, [from[0], from[1] - 60])
      await expect.poll(() => yolkOf(page)).toBeGreaterThan(yolk)
    })
  })

test('a second tap on an offer takes nothing else; undo stands beside it', async ({ page }) => {
  await open(page, SAGS)
  const offer = page.locator('.adjust:not(.lever)').filter({ hasText: 'egg yolk' }).first()
  await expect(offer).toBeVisible()
  const box = await atRest(offer)
  const [x, y] = [box.x + 30, box.y + box.height / 2]
  const lines = () => page.locator('table.lines input').evaluateAll(list => list.map(e => (e as HTMLInputElement).value))
  const before = await lines()
  await page.mouse.click(x, y)
  const taken = page.locator('.taken[role="status"]')
  await expect(taken).toContainText('Done')
  await settled(page)
  const after = await lines()
  expect(after).not.toEqual(before)
  expect(await verdict(page)).toBe('good')
  // Mended, nothing says that nothing mends it.
  await expect(page.getByText('No single change mends it')).toHaveCount(0)
  const still = (await taken.boundingBox())!
  expect(Math.abs(still.y - box.y)).toBeLessThan(4)
  await page.mouse.click(x, y)
  await settled(page)
  expect(await lines()).toEqual(after)
  await taken.getByRole('button', { name: 'Undo' }).click()
  await settled(page)
  expect(await lines()).toEqual(before)
  await expect(taken).toHaveCount(0)
  await expect(offer).toBeVisible()
})
