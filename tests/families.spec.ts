/** Every kind of dessert in the stations, "why" beside the numbers, and the way out for a cook's own script. */
import { answered, coldPa, expect, open, settled, test, withField } from './support/lumbik'
import type { Page } from '@playwright/test'

const demo = (n: number) => `0e1f0000-0006-4000-8000-${n.toString(16).padStart(12, '0')}`
const POSSET = demo(6)
const PIE = demo(9)
const MOUSSE = demo(12)
const FOOL = demo(13)
const TART = demo(16)
const fact = (page: Page, name: string) => page.locator(`[data-fact="${name}"]`)

test('a posset is boiled to the cream\'s volume and says what the pan weighs; half the sugar loosens it', async ({
  page,
}) => {
  await open(page, POSSET, 'heat')
  await expect(page.getByLabel('Then boil')).toHaveValue('creamVolume')
  await expect(page.getByLabel('Hold it there')).toHaveCount(0)
  await expect(page.locator('[data-cue]')).toHaveCount(0)
  // 720 g of cream, 130 g of sugar and 2 g of zest, less .62 ml a gram of sugar.
  await expect(fact(page, 'steam')).toContainText('81 g')
  // In a pan of 1120 g.
  await expect(fact(page, 'pan-stop')).toContainText('1,891 g')
  const firm = () => coldPa(page)
  const before = await firm()
  await open(page, POSSET, 'balance')
  await page.getByRole('spinbutton', { name: 'Grams of Caster sugar' }).fill('65')
  await page.getByRole('spinbutton', { name: 'Grams of Caster sugar' }).press('Enter')
  await settled(page)
  expect(await firm()).toBeLessThan(0.95 * before)
})

test('a pie has an oven and no burner; a fan shortens it; a stated time is kept', async ({ page }) => {
  await open(page, PIE, 'heat')
  await expect(page.getByRole('spinbutton', { name: 'Heat into the pan' })).toHaveCount(0)
  const minutes = async () => Number(/\d+/.exec(await fact(page, 'heat-time').innerText())![0])
  const still = await minutes()
  await page.getByRole('checkbox', { name: 'fan' }).check()
  await settled(page)
  expect(await minutes()).toBeLessThan(still)
  await page.getByLabel('Done by', { exact: true }).selectOption('time')
  const time = page.getByRole('spinbutton', { name: 'Time in it' })
  await time.fill('20')
  await time.press('Enter')
  await settled(page)
  await expect(fact(page, 'heat-time')).toContainText('20 min')
})

test('a mousse folded too cold strings, and the grade of its gelatine counts', async ({ page }) => {
  await open(page, MOUSSE, 'heat')
  const firm = () => coldPa(page)
  const before = await firm()
  await page.getByLabel('Grade').selectOption('140')
  await settled(page)
  expect(await firm()).toBeLessThan(before)
  const cooled = page.getByRole('spinbutton', { name: 'Cooled to' })
  await cooled.fill('16')
  await cooled.press('Enter')
  await settled(page)
  await expect(page.locator('.column')).toContainText('Gelatine strings')
})

test('what is not heated has no heat to set, and says to eat it the same day', async ({ page }) => {
  await open(page, FOOL, 'heat')
  await expect(page.getByRole('spinbutton', { name: 'Take it to' })).toHaveCount(0)
  await expect(page.locator('.chart')).toHaveCount(0)
  await expect(fact(page, 'air')).toContainText('%')
  await expect(page.locator('.ribbon .stop', { hasText: 'Heat' })).toContainText('not heated')
  await expect(page.locator('.column')).toContainText('Eat it the same day')
})

test('a tart is firm to unmould after its spell in the freezer, and thawed before it is served', async ({ page }) => {
  await open(page, TART, 'chill')
  await expect(page.locator('[data-leg]')).toHaveCount(4)
  await expect(fact(page, 'firm')).toContainText(/\d h/)
  await expect(fact(page, 'thawed')).toContainText(/\d h/)
})

test('another kind of dessert brings its own ways of making; undo brings the first back', async ({ page }) => {
  await open(page, POSSET, 'heat')
  await page.getByLabel('Kind of dessert').selectOption('gelatinCream')
  await settled(page)
  await expect(page.getByRole('button', { name: 'Whipped cream folded in' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'With sweet wine' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await settled(page)
  await expect(page.getByLabel('Kind of dessert')).toHaveValue('posset')
})

test('a number answers why: its equation in words, what went in, after whom, how sure', async ({ page }) => {
  await open(page, PIE, 'balance')
  await page.locator('[data-why="pH"]').click()
  const note = page.getByRole('dialog', { name: /^pH \d/ })
  await expect(note).toContainText('charges')
  await expect(note).toContainText('CRC Handbook')
  await expect(note).toContainText('±')
  await page.keyboard.press('Escape')
  await expect(note).toHaveCount(0)
  await page.locator('[data-why="cold"]').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog', { name: /^Yield stress/ })).toContainText('milk set by acid')
})

test('a new posset is known by its lines, and opens with its own way of making', async ({ page }) => {
  await page.goto('/new')
  await page.getByLabel('Formula text').fill('600 g double cream\n130 g caster sugar\n90 g lemon juice')
  await expect(page.locator('[data-family="posset"]')).toHaveAttribute('aria-checked', 'true')
  await page.getByRole('radio', { name: /^In a glass/ }).click()
  await page.getByRole('button', { name: 'Put it on the bench' }).click()
  await page.waitForURL(/\/balance$/)
  await settled(page)
  await expect(page.locator('.sub')).toContainText('Posset: reduced to the cream\'s volume')
  await expect(page.locator('[data-part="milk"]')).toBeVisible()
})

test('POST /api/assess gives the figures, and names the field of what cannot be', async ({ lumbik }) => {
  const { document } = (await answered(`${lumbik.url}/api/formulas/${PIE}`)) as {
    document: Record<string, unknown>
  }
  const post = (body: unknown) =>
    fetch(`${lumbik.url}/api/assess`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
  const figures = (await (await post(document)).json()) as {
    pH: number
    cold: { band: string, bandShares: Record<string, number> }
    storageDays: number
  }
  expect(figures.pH).toBeGreaterThan(4.3)
  expect(figures.cold.band).toBe('slicesCleanly')
  expect(Object.values(figures.cold.bandShares).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9)
  expect(figures.storageDays).toBe(7)
  const bad = await post(withField(document, 'formula.components.0.process.heat.oven.airTempC', 10))
  expect(bad.status).toBe(422)
  expect(((await bad.json()) as { data: { path: string } }).data.path).toBe('document.heat.oven.airTempC')
})
