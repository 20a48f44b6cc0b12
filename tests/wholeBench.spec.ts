/** The rest of the bench, in the browser: several vessels from one bowl. */
import { expect, open, SCONES, settled, test } from './support/lumbik'

test('minis and one large from one bowl: grams, depth and time of each, the first out, the last one short', async ({ page }) => {
  await open(page, SCONES, 'shape')
  await page.getByRole('button', { name: 'Large and small together' }).click()
  const panel = page.locator('[data-several]')
  await expect(panel).toHaveAttribute('data-several', 'settled')
  // The formula's own tin, as deep as it is filled, takes just the bowl.
  await expect(panel.locator('[data-several-left]')).toContainText('just emptied')
  await panel.getByLabel('Into').first().selectOption('m-ram8')
  await panel.getByRole('spinbutton', { name: 'How many' }).first().fill('1')
  await panel.getByRole('spinbutton', { name: 'How many' }).first().press('Enter')
  await panel.getByRole('button', { name: 'And another' }).click()
  await panel.getByLabel('Into').nth(1).selectOption('m-tart6')
  await panel.getByRole('spinbutton', { name: 'How many' }).nth(1).fill('40')
  await panel.getByRole('spinbutton', { name: 'How many' }).nth(1).press('Enter')
  await expect(panel).toHaveAttribute('data-several', 'settled')
  await expect(panel.locator('[data-filling="0"]')).toContainText('1 ×')
  await expect(panel.locator('[data-several-left]')).toContainText('Not enough for')
  await expect(panel.getByText('take these out first')).toHaveCount(1)
  // More of it fills them all, as one change that undo takes back.
  await panel.getByRole('button', { name: /^Make × .* to fill them all$/ }).click()
  await settled(page)
  await expect(panel.locator('[data-several-left]')).toContainText(/just emptied|left in the bowl/)
  await page.keyboard.press('Control+z')
  await settled(page)
  await expect(panel.locator('[data-several-left]')).toContainText('Not enough for')
  // What was asked is there after a reload.
  await page.reload()
  await settled(page)
  await expect(panel.locator('[data-filling="0"]')).toContainText('1 ×')
})

test('a moulded custard: what lies between it and its wall says how it is got out', async ({ page }) => {
  await page.goto('/shelf')
  await page.getByRole('link', { name: /Sweet lemon light custard, moulded/ }).first().click()
  await settled(page)
  await page.keyboard.press('3')
  await settled(page)
  const out = page.locator('[data-release]')
  const bare = await out.getAttribute('data-release')
  await page.getByLabel('Between it and the wall').selectOption('film')
  await settled(page)
  await expect(out).not.toHaveAttribute('data-release', bare!)
  await page.keyboard.press('Control+z')
  await settled(page)
  await expect(out).toHaveAttribute('data-release', bare!)
})
