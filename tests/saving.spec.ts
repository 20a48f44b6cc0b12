/** "Saved" means committed; what is unsent survives, and is sent once. */
import { coldPa, expect, open, put, saved, SCONES, settled, test, workspace } from './support/lumbik'

const api = (url: string, path: string) => fetch(`${url}${path}`).then(r => r.json()) as Promise<{ version: number, document: { name: string, components: { lines: { ingredientId: string, massG: number }[] }[] } }>
const sugar = async (url: string) => (await api(url, `/api/formulas/${SCONES}`)).document.components[0]!.lines.find(l => l.ingredientId === 'sugar')!.massG

test('saved is what the database holds, over a server restart too', async ({ page, lumbik }) => {
  await open(page, SCONES)
  await put(page, 'Grams of Caster sugar', 181)
  await saved(page)
  expect(await sugar(lumbik.url)).toBe(181)
  await lumbik.stop()
  await lumbik.start()
  await page.reload()
  await settled(page)
  await expect(page.getByRole('spinbutton', { name: 'Grams of Caster sugar' })).toHaveValue('181')
})

test('with the server stopped a change is kept, and sent once it is back', async ({ page, lumbik }) => {
  await open(page, SCONES)
  await lumbik.stop()
  await put(page, 'Grams of Caster sugar', 199)
  await expect(workspace(page)).toHaveAttribute('data-save', 'unsent')
  await expect(page.getByText('Not sent yet: kept in this browser')).toBeVisible()
  await lumbik.start()
  await saved(page)
  expect(await sugar(lumbik.url)).toBe(199)
  expect((await api(lumbik.url, `/api/formulas/${SCONES}`)).version).toBe(2)
})

test('an unsent change survives a reload, and is sent then', async ({ page, lumbik }) => {
  await open(page, SCONES)
  let refuse = true
  await page.route('**/api/formulas/*', (route, request) => request.method() === 'PUT' && refuse ? route.abort('connectionrefused') : route.fallback())
  await put(page, 'Grams of Caster sugar', 205)
  await expect(workspace(page)).toHaveAttribute('data-save', 'unsent')
  expect(await sugar(lumbik.url)).toBe(175)
  refuse = false
  await page.reload()
  await settled(page)
  await expect(page.getByRole('spinbutton', { name: 'Grams of Caster sugar' })).toHaveValue('205')
  await saved(page)
  expect(await sugar(lumbik.url)).toBe(205)
})

test('a write whose answer was lost is not taken twice, nor mistaken for somebody else\'s', async ({ page, lumbik }) => {
  await open(page, SCONES)
  let lose = true
  await page.route('**/api/formulas/*', async (route, request) => {
    if (request.method() !== 'PUT' || !lose) return route.fallback()
    lose = false
    await route.fetch()
    await route.abort('connectionreset')
  })
  await put(page, 'Grams of Caster sugar', 210)
  await saved(page)
  expect(await sugar(lumbik.url)).toBe(210)
  expect((await api(lumbik.url, `/api/formulas/${SCONES}`)).version).toBe(2)
  await put(page, 'Grams of Caster sugar', 211)
  await saved(page)
  expect((await api(lumbik.url, `/api/formulas/${SCONES}`)).version).toBe(3)
})

test('what a closed tab left unsent is taken up by the next one', async ({ page, context, lumbik }) => {
  await open(page, SCONES)
  await page.route('**/api/formulas/*', (route, request) => request.method() === 'PUT' ? route.abort('connectionrefused') : route.fallback())
  await put(page, 'Grams of Caster sugar', 222)
  await expect(workspace(page)).toHaveAttribute('data-save', 'unsent')
  await page.close()
  const next = await context.newPage()
  await next.goto(`${lumbik.url}/formula/${SCONES}/balance`)
  await settled(next)
  await saved(next)
  await expect(next.getByRole('spinbutton', { name: 'Grams of Caster sugar' })).toHaveValue('222')
  expect(await sugar(lumbik.url)).toBe(222)
})

test('a second tab is told of a conflict, and may take the other\'s, with undo behind it', async ({ page, context, lumbik }) => {
  await open(page, SCONES)
  const second = await context.newPage()
  await second.goto(`${lumbik.url}/formula/${SCONES}/balance`)
  await settled(second)
  await put(page, 'Grams of Caster sugar', 150)
  await saved(page)
  await put(second, 'Grams of Caster sugar', 250)
  await expect(workspace(second)).toHaveAttribute('data-save', 'conflict')
  expect(await sugar(lumbik.url)).toBe(150)
  await second.getByRole('button', { name: 'Take the other' }).click()
  await expect(second.getByRole('spinbutton', { name: 'Grams of Caster sugar' })).toHaveValue('150')
  await second.getByRole('button', { name: 'Undo' }).click()
  await expect(second.getByRole('spinbutton', { name: 'Grams of Caster sugar' })).toHaveValue('250')
  await saved(second)
  expect(await sugar(lumbik.url)).toBe(250)
})

test('a formula deleted elsewhere says so', async ({ page, lumbik }) => {
  await open(page, SCONES)
  await fetch(`${lumbik.url}/api/formulas/${SCONES}`, { method: 'DELETE' })
  await page.getByRole('spinbutton', { name: 'Grams of Caster sugar' }).fill('190')
  await expect(page.getByRole('heading', { name: 'This formula is not here' })).toBeVisible()
})

test('fast typing ends with the last value\'s answer, never a late one', async ({ page }) => {
  await open(page, SCONES)
  await put(page, 'Grams of Egg yolk', 260)
  const wanted = await coldPa(page)
  const field = page.getByRole('spinbutton', { name: 'Grams of Egg yolk' })
  await field.focus()
  for (let i = 0; i < 20; i++) await field.press('ArrowDown')
  for (let i = 0; i < 20; i++) await field.press('ArrowUp')
  await settled(page)
  await expect(field).toHaveValue('260')
  expect(await coldPa(page)).toBe(wanted)
})

test('workers that die are replaced, and the answer still comes', async ({ page }) => {
  await open(page, SCONES)
  const before = await coldPa(page)
  // The live one, the bulk one, and the map's.
  await expect(page.locator('[data-map]')).toHaveAttribute('data-map', 'settled')
  expect(page.workers().length).toBe(3)
  for (const worker of page.workers()) await worker.evaluate(() => self.close())
  await page.getByRole('spinbutton', { name: 'Grams of Egg yolk' }).fill('260')
  await expect(workspace(page)).toHaveAttribute('data-settled', 'true', { timeout: 30_000 })
  expect(await coldPa(page)).toBeGreaterThan(before)
  // The map depends on the butter too: its dead worker is noticed by its silence and replaced.
  await page.getByRole('spinbutton', { name: 'Grams of Butter, 82 % fat' }).fill('140')
  await expect(page.locator('[data-map]')).toHaveAttribute('data-map', 'settled', { timeout: 30_000 })
})
