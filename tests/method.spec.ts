/**
 * A pasted method put to use: its order, boil, cold and use go into the formula without a question; a line is moved by
 * drag, touch and key; the cook's own steps stand beside the order of work, and theirs can be kept.
 */
import type { Page } from '@playwright/test'
import { atRest, expect, open, settled, test } from './support/lumbik'

const POSSET = `Fern-house posset
600 ml double cream
150 g caster sugar
90 ml lemon juice
Method
Bring the cream and sugar to the boil and simmer for 3 minutes.
Take off the heat, stir in the lemon juice and cool for 15 minutes.
Pour into 6 glasses and chill for 1 hour.`

async function paste(page: Page, text: string) {
  await page.goto('/new')
  await page.getByLabel('Formula text, one ingredient a line').fill(text)
  await expect(page.locator('[data-reading="settled"] [data-read="read"]').first()).toBeVisible()
}
const row = (page: Page, text: string) => page.locator('[data-line-index]').filter({ hasText: text })
const part = (page: Page, text: string) => row(page, text).locator('select')

test('two presses from a pasted posset to its verdict; the method is the plan, and what is too short is said', async ({ page }) => {
  await paste(page, POSSET)
  await expect(page.locator('[data-use="by-method"]')).toBeVisible()
  await expect(page.locator('[data-stated]')).toContainText('3 min at the boil')
  await expect(page.locator('[data-stated]')).toContainText('1 h in the cold')
  await page.getByRole('button', { name: 'Put it on the bench' }).click()
  await settled(page)
  await page.keyboard.press('4')
  await page.getByRole('button', { name: 'Order of work' }).click()
  // The juice joins after the heat, as told; the boil lasts its three minutes.
  const order = page.locator('.order')
  await expect(order.locator('[data-work="boilHold"]')).toContainText('double cream')
  await expect(order.locator('[data-work="boilHold"]')).not.toContainText('lemon juice')
  await expect(order.locator('[data-work="juiceIn"]')).toContainText('lemon juice')
  const pasted = page.locator('[data-part="pasted"]')
  await expect(pasted.locator('li')).toHaveCount(3)
  await expect(pasted.locator('li').nth(1)).toContainText('Stir the juice in')
  // An hour in the cold sets nothing: said at their own line, and theirs can be kept.
  const cold = pasted.locator('li').nth(2).locator('[data-differs="cold"]')
  await expect(cold).toContainText('1 h in the cold')
  await cold.getByRole('button', { name: 'Keep mine' }).click()
  await settled(page)
  await expect(cold).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await settled(page)
  await expect(cold).toHaveCount(1)
})

test('a note of one\'s own is no method; what is baked is poured as heavy as it was mixed', async ({ page }) => {
  // The tea room's bars: 707 g less 2 % in the sieve and 10 g in the bowl; "on shortbread, cut four by four".
  await open(page, '0e1f0000-0006-4000-8000-000000000008', 'heat')
  await page.getByRole('button', { name: 'Order of work' }).click()
  await expect(page.locator('.order [data-work="pour"]')).toContainText('683 g')
  await expect(page.locator('.order [data-work="bake"]')).toContainText('middle 86 °C')
  await expect(page.locator('[data-part="pasted"]')).toHaveCount(0)
})

test('a line goes to another part by mouse, by the arrow keys, and back by undo', async ({ page }) => {
  await paste(page, POSSET)
  await expect(part(page, '150 g caster sugar')).toHaveValue('filling')
  const grip = row(page, '150 g caster sugar').locator('.grip')
  await grip.hover()
  await page.mouse.down()
  await page.mouse.move(300, 400, { steps: 4 })
  const target = page.locator('[data-target="topping"]')
  await expect(target).toBeVisible()
  const box = await atRest(target)
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 8 })
  await page.mouse.up()
  await expect(part(page, '150 g caster sugar')).toHaveValue('topping')
  await expect(target).toBeHidden()
  await expect(page.locator('[data-line-index]')).toHaveCount(8)
  await row(page, '150 g caster sugar').locator('.grip').press('ArrowLeft')
  await expect(part(page, '150 g caster sugar')).toHaveValue('crust')
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(part(page, '150 g caster sugar')).toHaveValue('filling')
})

test.describe('under a finger', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })
  test('the grip drags, the row scrolls', async ({ page }) => {
    await paste(page, POSSET)
    const grip = row(page, '90 ml lemon juice').locator('.grip')
    await grip.scrollIntoViewIfNeeded()
    const from = await atRest(grip)
    const touch = await page.context().newCDPSession(page)
    const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', x = 0, y = 0) => touch.send('Input.dispatchTouchEvent', {
      type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }],
    })
    const [x, y] = [from.x + 20, from.y + 20]
    await send('touchStart', x, y)
    for (let i = 1; i <= 5; i++) await send('touchMove', x + 4 * i, y + 6 * i)
    const target = page.locator('[data-target="insert"]')
    await expect(target).toBeVisible()
    const box = await atRest(target)
    for (let i = 1; i <= 10; i++)
      await send('touchMove', x + ((box.x + box.width / 2 - x) * i) / 10, y + ((box.y + box.height / 2 - y) * i) / 10)
    await send('touchEnd')
    await expect(part(page, '90 ml lemon juice')).toHaveValue('insert')
    // A finger on the words of a row moves nothing.
    const words = await atRest(row(page, '150 g caster sugar').locator('.written'))
    await send('touchStart', words.x + 30, words.y + 8)
    for (let i = 1; i <= 8; i++) await send('touchMove', words.x + 30, words.y + 8 - 20 * i)
    await send('touchEnd')
    await expect(target).toBeHidden()
    await expect(part(page, '150 g caster sugar')).toHaveValue('filling')
  })
})
