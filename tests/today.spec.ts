/**
 * Today as cooks use it: an empty sheet is planned from a pasted line, put by hand, undone, kept over a reload; the
 * tea room's Saturday stands; what cannot be in time says what would do, and a press does it.
 */
import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, test } from './support/lumbik'

const main = (page: Page) => page.locator('main.today')
const planned = async (page: Page) => {
  await expect(main(page)).toHaveAttribute('data-settled', 'true')
  await expect(main(page)).toHaveAttribute('data-unsent', 'false')
}
async function plan(page: Page, date: string, text: string) {
  await page.goto(`/today?date=${date}`)
  await expect(main(page)).toHaveAttribute('data-settled', 'true')
  await page.getByLabel('What is wanted, and by when').fill(text)
  await page.getByRole('button', { name: 'Plan it' }).click()
  await planned(page)
}
const start = async (page: Page, task: string) =>
  (await page.locator('[data-one] p').first().textContent() ?? `no ${task}`).slice(0, 5)

test('tea and supper are planned from an empty sheet by one line; a step is moved, undone, ticked; it is kept', async ({ page }) => {
  await plan(page, '2026-12-05', 'orange curd 12 by 14:30, posset 64 at 19:00, croquembouche 8 at 20:00')
  await expect(page.getByRole('alert')).toContainText('Not on the shelf: croquembouche')
  await expect(page.locator('[data-dessert]')).toHaveCount(2)
  await expect(page.locator('[data-chance]').first()).toContainText('on time in')
  const bar = page.locator('[data-task]').first()
  const key = (await bar.getAttribute('data-task'))!
  await bar.press('Enter')
  const before = await start(page, key)
  await page.locator('[data-earlier]').click()
  await planned(page)
  await expect(page.locator('[data-let-go]')).toBeVisible()
  expect(await start(page, key)).not.toBe(before)
  await page.getByRole('button', { name: 'Undo' }).click()
  await planned(page)
  expect(await start(page, key)).toBe(before)
  const first = await page.locator('[data-next="0"] .what').textContent()
  await page.locator('[data-tick]').click()
  await planned(page)
  await expect(page.locator('[data-next="0"] .what')).not.toHaveText(first!)
  const file = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Calendar file' }).click()
  const ics = readFileSync(await (await file).path(), 'utf8')
  expect(ics).toContain('BEGIN:VALARM')
  await page.reload()
  await planned(page)
  await expect(page.locator('[data-dessert]')).toHaveCount(2)
  await expect(page.locator(`[data-task="${key}"]`).first()).toHaveClass(/pinned/)
})

test('what cannot be in time says why and what would do; one press does it', async ({ page }) => {
  // Nobody is there before seven, and a plate stands for an hour at most.
  await plan(page, '2026-12-06', 'orange curd 12 by 6:30 am')
  await expect(page.locator('[data-conflict=cannotBeInTime]')).toContainText('cannot be in time')
  await expect(page.locator('[data-way=beginShiftEarlier]')).toBeVisible()
  await page.locator('[data-way=serveLater]').click()
  await planned(page)
  await expect(page.locator('[data-conflict]')).toHaveCount(0)
  await expect(page.locator('[data-task]').first()).toBeVisible()
})

test('the tea room\'s Saturday stands, in lanes, at three sizes, with nothing over its edge', async ({ page }) => {
  await page.goto('/today?date=2026-11-28')
  await planned(page)
  await expect(page.locator('[data-dessert]')).toHaveCount(4)
  for (const [width, height] of [[1280, 800], [820, 1180], [390, 844]] as const) {
    await page.setViewportSize({ width, height })
    await expect(page.locator('.lane').filter({ hasText: 'Ines' })).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width)
  }
})

test('two who change one day are asked which of them counts', async ({ page, browser, lumbik }) => {
  await page.goto('/today?date=2026-11-28')
  await planned(page)
  const other = await (await browser.newContext()).newPage()
  await other.goto(`${lumbik.url}/today?date=2026-11-28`)
  await planned(other)
  await other.getByRole('button', { name: /Leave out Calamansi/ }).click()
  await planned(other)
  await page.getByRole('button', { name: /Leave out Key lime/ }).click()
  await expect(page.getByText('This day was changed elsewhere')).toBeVisible()
  await page.getByRole('button', { name: 'Take what is there' }).click()
  await planned(page)
  await expect(page.locator('[data-dessert]')).toHaveText([/scones/, /Bergamot/, /Key lime/])
  await other.close()
})
