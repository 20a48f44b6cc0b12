/** Balance, in the browser: the map, rebalance, the swap guard, versions side by side, levers, cost and label. */
import {
  atRest,
  expect,
  numberIn,
  open,
  platePa,
  put,
  SAGS,
  saved,
  SCONES,
  settled,
  test,
  verdict,
  workspace,
} from './support/lumbik'
import type { Page } from '@playwright/test'

const beside = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Beside the lines' }).getByRole('button', { name, exact: true }).click()
const grams = (page: Page, name: string) => page.getByRole('spinbutton', { name: `Grams of ${name}`, exact: true })
const drawn = (page: Page) => expect(page.locator('[data-map]')).toHaveAttribute('data-map', 'settled')

test('the map: bands with their words, the formula as a point that is dragged and stepped', async ({ page }) => {
  await open(page, SAGS)
  await drawn(page)
  await expect(page.locator('[data-map]')).toHaveAttribute('data-grid', '64')
  await expect(page.locator('[data-map] .word').filter({ hasText: 'mounds, pipes' })).toBeVisible()
  const yolk = Number(await grams(page, 'Egg yolk').inputValue())
  const point = page.locator('[data-point-on-map]')
  await point.focus()
  await point.press('ArrowUp')
  await settled(page)
  expect(Number(await grams(page, 'Egg yolk').inputValue())).toBeGreaterThan(yolk)
  await point.press('Shift+ArrowLeft')
  await settled(page)
  expect(Number(await grams(page, 'Bergamot juice').inputValue())).toBeLessThan(265)
  // The field has not changed under the point: nothing to draw again. Dragged, the formula follows as one step of undo.
  await drawn(page)
  const box = (await page.locator('[data-map] .frame').boundingBox())!
  const from = await atRest(page.locator('[data-point-on-map] .dot'))
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + 0.3 * box.width, box.y + 0.4 * box.height, { steps: 6 })
  await page.mouse.move(box.x + 0.25 * box.width, box.y + 0.2 * box.height, { steps: 6 })
  await page.mouse.up()
  await settled(page)
  expect(Number(await grams(page, 'Egg yolk').inputValue())).toBeGreaterThan(200)
  expect(Number(await grams(page, 'Bergamot juice').inputValue())).toBeLessThan(230)
  expect(await platePa(page)).toBeGreaterThan(247)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await settled(page)
  expect(Number(await grams(page, 'Egg yolk').inputValue())).toBeLessThan(200)
  // Another pair of inputs, another field.
  await page.getByLabel('Upwards').selectOption('target')
  await page.getByLabel('Across').selectOption('hold')
  await drawn(page)
  await expect(page.locator('[data-map] text.axis').first()).toContainText('Hold, min')
  await expect(page.locator('[data-map] .word').filter({ hasText: 'grainy' })).toBeVisible()
})

test('a sharp, loose curd becomes bright and stands 25 mm when cut in one rebalance; the juice stays; undo brings it back', async ({
  page,
}) => {
  await open(page, SAGS)
  for (const [name, g] of [
    ['Egg yolk', 136],
    ['Caster sugar', 150],
    ['Bergamot juice', 300],
    ['Butter, 82 % fat', 120],
  ] as const)
    await put(page, `Grams of ${name}`, g)
  await expect(workspace(page)).toContainText('sharp')
  expect(await platePa(page)).toBeLessThan(200)
  await page.locator('[data-ingredient="bergamot"]').getByRole('button', { name: /^Pin/ }).click()
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await page.keyboard.press('r')
  await page.getByLabel('The set').selectOption('standsCut')
  await page.getByRole('spinbutton', { name: 'Cut so high' }).fill('25')
  await page.getByLabel('Sharpness', { exact: true }).selectOption('bright')
  await page.getByRole('button', { name: 'Find ways' }).click()
  const panel = page.locator('[data-rebalance]')
  await expect(panel).toHaveAttribute('data-rebalance', 'settled', { timeout: 20000 })
  const ways = panel.locator('[data-way]')
  expect(await ways.count()).toBeGreaterThan(1)
  await expect(ways.first()).toHaveAttribute('data-reached', 'true')
  await expect(ways.first()).not.toContainText('bergamot')
  await ways
    .first()
    .getByRole('button', { name: /^Do it/ })
    .click()
  await settled(page)
  await expect(grams(page, 'Bergamot juice')).toHaveValue('300')
  // S·ρ·g·h/2 with S = 4: about 540 Pa, a little less where butter makes it lighter.
  const pa = await platePa(page)
  expect(pa).toBeGreaterThan(450)
  expect(pa).toBeLessThan(600)
  expect(await verdict(page)).toBe('good')
  await expect(workspace(page)).toContainText('bright')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await settled(page)
  await expect(grams(page, 'Egg yolk')).toHaveValue('136')
  await saved(page)
  await page.reload()
  await settled(page)
  await expect(page.locator('[data-ingredient="bergamot"]').getByRole('button', { name: /^Pin/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
})

test('an orange for a lemon warns, says how much acid it takes, and can be done so that it keeps', async ({
  page,
}) => {
  await open(page, SCONES)
  await page
    .locator('[data-ingredient="lemon_sweet"]')
    .getByRole('button', { name: /^Something else/ })
    .click()
  await page.getByLabel('Take instead').selectOption({ label: 'Sweet orange juice' })
  const dialog = page.locator('[data-swap]')
  await expect(dialog).toHaveAttribute('data-swap', 'settled')
  await expect(dialog.locator('[data-warning="acidWeak"]')).toContainText('citric acid')
  await dialog.getByRole('button', { name: 'Swap: The same acid, with citric acid' }).click()
  await settled(page)
  await expect(page.locator('table.lines [data-ingredient="orange"]')).toBeVisible()
  // 3 g were in it; the orange lacks (2.9 − .9) % of 190 g.
  expect(Number(await grams(page, 'Citric acid').inputValue())).toBeCloseTo(6.8, 0)
})

test('versions: a named state, a variant with it on the map, side by side with the share of each change', async ({
  page,
}) => {
  await open(page, SAGS)
  await beside(page, 'Versions')
  await page.getByPlaceholder('Name this version').fill('Before Saturday')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.locator('[data-version="Before Saturday"]')).toBeVisible()
  // What is said at the foot of the page is reached by a key.
  await page.keyboard.press('F8')
  await expect.poll(() => page.evaluate(() => document.activeElement?.textContent ?? '')).toContain('Kept as')
  await put(page, 'Grams of Egg yolk', 230)
  await put(page, 'Grams of Caster sugar', 200)
  await saved(page)
  await page.locator('[data-version="Before Saturday"]').getByRole('button', { name: 'Compare' }).click()
  const panel = page.locator('.versions')
  await expect(panel).toHaveAttribute('data-compared', '1')
  await expect(panel).toHaveAttribute('data-explained', 'settled')
  await expect(panel.getByRole('cell', { name: /230 g/ })).toBeVisible()
  await expect(panel.getByRole('cell', { name: /173 g/ })).toBeVisible()
  // Each state that is seen carries its cut face and its verdict, beside what changed with it.
  await expect(panel.locator('[data-version="Before Saturday"]').getByRole('img')).toHaveAccessibleName(/sags/)
  await expect(panel.getByRole('row', { name: /On the plate/ })).toContainText('sags')
  const why = panel.locator('[data-explain]')
  await expect(why).toContainText('egg yolk 173 g → 230 g')
  await expect(why).toContainText('caster sugar 245 g → 200 g')
  const shares = (await why.locator('li').allInnerTexts()).map(t =>
    Number(/firm\s+([−-]?\d+)\s*%/.exec(t)![1]!.replace('−', '-')),
  )
  expect(Math.abs(shares.reduce((a, b) => a + b, 0) - 100)).toBeLessThanOrEqual(2)
  await page.getByRole('button', { name: 'Go back to it' }).click()
  await settled(page)
  await expect(grams(page, 'Egg yolk')).toHaveValue('173')
  // A variant is a formula of its own, and the one it came from stands on its map.
  await page.getByRole('button', { name: 'Make a variant' }).click()
  await expect(page.getByLabel('Name of the formula')).toHaveValue(/, variant$/)
  await settled(page)
  await beside(page, 'Map')
  await drawn(page)
  await put(page, 'Grams of Egg yolk', 200)
  await expect(page.locator('[data-ghost="Bergamot tart for the palm court"]')).toBeVisible()
})

test('levers, basis, order of lines, cost and label', async ({ page }) => {
  await open(page, SCONES)
  const before = await platePa(page)
  await page.locator('[data-lever="yolk_sep"]').click()
  await settled(page)
  expect(await platePa(page)).toBeGreaterThan(before)
  await page.getByRole('button', { name: 'the other way' }).click()
  await settled(page)
  await expect(page.locator('[data-levers]')).toContainText('−')
  // The basis is written above the shares, whatever it is.
  await page.getByLabel('Shares are').selectOption({ label: 'caster sugar = 100' })
  await expect(page.locator('table.lines thead')).toContainText('caster sugar = 100')
  await expect(page.locator('table.lines [data-ingredient="sugar"]')).toContainText('100.0')
  await expect(page.locator('[data-ratio="yolkJuice"]')).toContainText(': 1')
  // Alt and the arrow keys move a line; L pins it.
  const rows = () =>
    page.locator('table.lines tbody tr').evaluateAll(list => list.map(r => r.getAttribute('data-ingredient')))
  const first = (await rows())[0]
  await page.locator('table.lines tbody tr').first().locator('.handle').focus()
  await page.keyboard.press('Alt+ArrowDown')
  await settled(page)
  expect((await rows())[1]).toBe(first)
  await page.keyboard.press('l')
  await expect(page.locator(`[data-ingredient="${first}"]`).getByRole('button', { name: /^Pin/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await beside(page, 'Cost and label')
  expect(await numberIn(page.locator('[data-cost] b').first())).toBeGreaterThan(1)
  await expect(page.locator('[data-allergens]')).toContainText('egg')
  await expect(page.getByRole('row', { name: /Energy/ })).toContainText('kJ')
})
