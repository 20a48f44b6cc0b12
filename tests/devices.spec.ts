/** Heat and cold by other devices: a pouch, a microwave's bursts, steam, an oven's load, a fridge's door. */
import type { Page } from '@playwright/test'
import { expect, numberIn, open, put, saved, SCONES, settled, test, TUB } from './support/lumbik'

const BARS = '0e1f0000-0006-4000-8000-000000000008'
const fact = (page: Page, name: string) => page.locator(`[data-fact="${name}"]`)
const heatBy = async (page: Page, method: string) => {
  await page.getByLabel('Heat', { exact: true }).selectOption({ label: method })
  await settled(page)
}

test('a curd in a sealed pouch takes longer the thicker it lies, loses no steam, and is cautioned', async ({ page }) => {
  await open(page, SCONES, 'heat')
  await heatBy(page, 'sealed pouch')
  await put(page, 'Layer in the pouch', 10)
  const thin = await numberIn(fact(page, 'heat-time'))
  await put(page, 'Layer in the pouch', 20)
  expect(await numberIn(fact(page, 'heat-time'))).toBeGreaterThan(1.8 * thin)
  await expect(fact(page, 'steam')).toHaveCount(0)
  await expect(page.locator('.cautions').first()).toContainText('Sealed without air')
  await page.getByRole('button', { name: 'Order of work', exact: true }).click()
  await expect(page.locator('main')).toContainText('Seal it flat and sink it')
  await saved(page)
  await page.reload()
  await settled(page)
  await page.getByRole('button', { name: 'The cook', exact: true }).click()
  await expect(page.getByLabel('Heat', { exact: true })).toHaveValue('sousVide')
})

test('a microwave begins with its own rating, and bursts that are too long leave the middle cold', async ({ page }) => {
  await open(page, SCONES, 'heat')
  await heatBy(page, 'microwave')
  await expect(page.getByLabel('Microwave rated')).toHaveValue('900')
  await expect(fact(page, 'heat-time')).toContainText('bursts of 20 s')
  const behind = await numberIn(fact(page, 'behind'))
  await put(page, 'Bursts of', 90)
  expect(await numberIn(fact(page, 'behind'))).toBeGreaterThan(3 * behind)
  await expect(page.locator('.cautions').first()).toContainText('The middle stays behind')
})

test('steam shortens a bake, and says to cover it; more tins than shelves go in loads', async ({ page }) => {
  await open(page, BARS, 'heat')
  const dry = await numberIn(fact(page, 'heat-time'))
  await put(page, 'Steam in the air', 60)
  expect(await numberIn(fact(page, 'heat-time'))).toBeLessThan(dry)
  await expect(page.locator('.cautions').first()).toContainText('Cover it')
  await page.locator('.ribbon a[href$="/shape"]').click()
  await put(page, 'How many', 12)
  await page.locator('.ribbon a[href$="/heat"]').click()
  await settled(page)
  await expect(fact(page, 'at-once')).toContainText('loads')
  await put(page, 'In it at once', 12)
  await expect(fact(page, 'at-once')).not.toContainText('loads')
})

test('a door that is opened often warms the fridge, and the plan keeps it', async ({ page }) => {
  await open(page, TUB, 'chill')
  const leg = page.locator('[data-leg="1"]')
  await leg.getByText('door and load').click()
  await leg.getByLabel('Door opened').fill('30')
  await leg.getByLabel('Door opened').press('Enter')
  await settled(page)
  await expect(fact(page, 'air')).toContainText('climbs to')
  const often = await numberIn(fact(page, 'air'))
  await leg.getByLabel('Other hot food').fill('3 kg')
  await leg.getByLabel('Other hot food').press('Enter')
  await settled(page)
  expect(await numberIn(fact(page, 'air'))).toBeGreaterThan(often)
  await saved(page)
  await page.reload()
  await settled(page)
  await expect(page.locator('[data-leg="1"]').getByLabel('Door opened')).toHaveValue('30')
})
