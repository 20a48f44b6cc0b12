/** "Saved" means committed; what is unsent survives, and is sent once. */
import type { Browser } from '@playwright/test'
import { answered, deaf, coldPa, expect, open, put, SAGS, saved, SCONES, settled, test, workspace, type Lumbik } from './support/lumbik'

const api = (url: string, path: string) =>
  fetch(`${url}${path}`).then(r => r.json()) as Promise<{
    version: number
    document: { formula: { name: string, components: { lines: { ingredientId: string, massG: number }[] }[] } }
  }>
const sugar = async (url: string) =>
  (await api(url, `/api/formulas/${SCONES}`)).document.formula.components[0]!.lines.find(l => l.ingredientId === 'sugar')!
    .massG

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
  await expect(page.getByText('Not sent yet: “Sweet lemon curd for the scones”, kept in this browser')).toBeVisible()
  await lumbik.start()
  await saved(page)
  expect(await sugar(lumbik.url)).toBe(199)
  expect((await api(lumbik.url, `/api/formulas/${SCONES}`)).version).toBe(2)
})

test('an unsent change survives a reload, and is sent then', async ({ page, lumbik }) => {
  await open(page, SCONES)
  let refuse = true
  await page.route('**/api/formulas/*', (route, request) =>
    request.method() === 'PUT' && refuse ? route.abort('connectionrefused') : route.fallback(),
  )
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

test('a write whose answer was lost is not taken twice, nor mistaken for somebody else\'s', async ({
  page,
  lumbik,
}) => {
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
  await page.route('**/api/formulas/*', (route, request) =>
    request.method() === 'PUT' ? route.abort('connectionrefused') : route.fallback(),
  )
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

/** The same formula in another browser: nothing is told from one to the other but by the server. */
async function elsewhere(browser: Browser, lumbik: Lumbik) {
  const other = await browser.newContext({ baseURL: lumbik.url })
  const page = await other.newPage()
  await deaf(page)
  await page.goto(`/formula/${SCONES}/balance`)
  await settled(page)
  return page
}

test('where two changed the same, both values are shown; the other\'s may be taken, with undo behind it', async ({
  page,
  browser,
  lumbik,
}) => {
  const second = await elsewhere(browser, lumbik)
  await open(page, SCONES)
  await put(page, 'Grams of Caster sugar', 150)
  await saved(page)
  await put(second, 'Grams of Caster sugar', 250)
  await expect(workspace(second)).toHaveAttribute('data-save', 'conflict')
  expect(await sugar(lumbik.url)).toBe(150)
  const clash = second.locator('[data-clash]')
  await expect(clash).toHaveCount(1)
  await expect(clash).toContainText('Caster sugar, grams')
  await expect(clash).toContainText('250 g')
  await expect(clash).toContainText('150 g')
  await second.getByRole('button', { name: 'Take the other' }).click()
  await expect(second.getByRole('spinbutton', { name: 'Grams of Caster sugar' })).toHaveValue('150')
  await second.getByRole('button', { name: 'Undo' }).click()
  await expect(second.getByRole('spinbutton', { name: 'Grams of Caster sugar' })).toHaveValue('250')
  await saved(second)
  expect(await sugar(lumbik.url)).toBe(250)
  await second.context().close()
})

test('where two changed different fields, both are kept and nobody is asked; a rename on the shelf is no conflict', async ({
  page,
  browser,
  lumbik,
}) => {
  const second = await elsewhere(browser, lumbik)
  await open(page, SCONES)
  await put(page, 'Grams of Caster sugar', 150)
  await saved(page)
  await fetch(`${lumbik.url}/api/formulas/${SCONES}`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Renamed on the shelf' }),
  })
  await put(second, 'Grams of Egg yolk', 222)
  await saved(second)
  await expect(second.getByRole('spinbutton', { name: 'Grams of Caster sugar' })).toHaveValue('150')
  await expect(second.getByLabel('Name of the formula')).toHaveValue('Renamed on the shelf')
  // Undo takes back what was changed here, and nothing else.
  await second.getByRole('button', { name: 'Undo' }).click()
  await expect(second.getByRole('spinbutton', { name: 'Grams of Egg yolk' })).toHaveValue('192')
  await expect(second.getByRole('spinbutton', { name: 'Grams of Caster sugar' })).toHaveValue('150')
  await saved(second)
  const now = await api(lumbik.url, `/api/formulas/${SCONES}`)
  expect([now.document.formula.name, await sugar(lumbik.url)]).toEqual(['Renamed on the shelf', 150])
  await second.context().close()
})

test('another tab of this browser follows what is saved here', async ({ page, context, lumbik }) => {
  await open(page, SCONES)
  const second = await context.newPage()
  await second.goto(`${lumbik.url}/formula/${SCONES}/balance`)
  await settled(second)
  await put(page, 'Grams of Caster sugar', 166)
  await saved(page)
  await expect(second.getByRole('spinbutton', { name: 'Grams of Caster sugar' })).toHaveValue('166')
})

test('a formula left unsent for another is named, marked on the shelf, and sent without being opened', async ({
  page,
  lumbik,
}) => {
  await open(page, SCONES)
  let refuse = true
  await page.route(`**/api/formulas/${SCONES}`, (route, request) =>
    request.method() === 'PUT' && refuse ? route.abort('connectionrefused') : route.fallback(),
  )
  await put(page, 'Grams of Caster sugar', 233)
  await expect(workspace(page)).toHaveAttribute('data-save', 'unsent')
  await page.getByRole('link', { name: 'Shelf', exact: true }).click()
  await expect(page.locator(`[data-formula="${SCONES}"] [data-unsent]`)).toBeVisible()
  await page.locator(`[data-formula="${SAGS}"] a.title`).click()
  await settled(page)
  // This one is saved, but not everything of this browser is.
  await expect(workspace(page)).toHaveAttribute('data-save', 'saved')
  await expect(page.locator('[data-all-saved]')).toHaveAttribute('data-all-saved', 'unsent')
  await expect(page.locator('[data-all-saved]')).toContainText('Sweet lemon curd for the scones')
  refuse = false
  await expect(page.locator('[data-all-saved]')).toHaveAttribute('data-all-saved', 'saved')
  expect(await sugar(lumbik.url)).toBe(233)
})

test('what was deleted elsewhere while it was being changed can be kept', async ({ page, lumbik }) => {
  await deaf(page)
  await open(page, SCONES)
  await fetch(`${lumbik.url}/api/formulas/${SCONES}`, { method: 'DELETE' })
  await page.getByRole('spinbutton', { name: 'Grams of Caster sugar' }).fill('190')
  await expect(page.locator('[data-notice="deleted"]')).toContainText('was deleted in another window')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await saved(page)
  expect(await sugar(lumbik.url)).toBe(190)
})

test('a name typed and left at once is kept', async ({ page, lumbik }) => {
  await page.goto('/kitchen')
  const tin = page.locator('[data-kitchen-part="vessels"]')
  await tin.getByRole('button', { name: 'Add a round tin' }).click()
  await tin.getByLabel('Name', { exact: true }).fill('Potting tin')
  // Left by the address, without leaving the field first.
  await page.goto('/shelf')
  await expect(page.locator('[data-all-saved]')).toHaveAttribute('data-all-saved', 'saved')
  const { vessels } = (await answered(`${lumbik.url}/api/kitchen`)) as { vessels: { name: string }[] }
  expect(vessels.map(v => v.name)).toContain('Potting tin')
})

test('kitchen and lots are kept through a stopped server and a reload, and merged with what others changed', async ({
  page,
  lumbik,
}) => {
  await page.goto('/kitchen')
  await expect(page.getByRole('spinbutton', { name: 'Altitude' })).toBeVisible()
  let refuse = true
  await page.route('**/api/kitchen', (route, request) =>
    request.method() === 'PUT' && refuse ? route.abort('connectionrefused') : route.fallback(),
  )
  await page.getByRole('spinbutton', { name: 'Altitude' }).fill('777')
  await expect(page.locator('main.kitchen')).toHaveAttribute('data-kitchen-save', 'unsent')
  // Somebody else names the kitchen meanwhile.
  const {
    id: _,
    lots,
    revision: __,
    ...kitchen
  } = (await answered(`${lumbik.url}/api/kitchen`)) as {
    id: string
    lots: { id: string, name: string, version: number }[]
    revision: number
    name: string
  }
  const send = (path: string, body: object) =>
    fetch(`${lumbik.url}${path}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ mutationId: crypto.randomUUID(), ...body }),
    })
  expect((await send('/api/kitchen', { ...kitchen, name: 'Named elsewhere' })).status).toBe(200)
  await page.reload()
  await expect(page.getByRole('spinbutton', { name: 'Altitude' })).toHaveValue('777')
  refuse = false
  await expect(page.locator('[data-all-saved]')).toHaveAttribute('data-all-saved', 'saved')
  await expect(page.getByLabel('Name of the kitchen')).toHaveValue('Named elsewhere')
  const now = (await answered(`${lumbik.url}/api/kitchen`)) as {
    name: string
    settings: { altitudeM: number }
  }
  expect([now.name, now.settings.altitudeM]).toEqual(['Named elsewhere', 777])
  // A lot's grams written from an older state are a conflict, not a silent loss.
  const { version, ...lot } = lots[0]!
  expect((await send(`/api/lots/${lot.id}`, { baseVersion: version, lot: { ...lot, massG: 500 } })).status).toBe(200)
  expect((await send(`/api/lots/${lot.id}`, { baseVersion: version, lot: { ...lot, massG: 700 } })).status).toBe(409)
})

test('storage that is full or denied costs the keeping only: it says so, and saves', async ({ page, lumbik }) => {
  await page.addInitScript(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
  })
  await open(page, SCONES)
  await put(page, 'Grams of Caster sugar', 144)
  await saved(page)
  await expect(page.locator('[data-storage="failing"]')).toBeVisible()
  expect(await sugar(lumbik.url)).toBe(144)
})

test('a browser that gives no storage at all opens every view, and saves', async ({ page, lumbik }) => {
  await page.addInitScript(() => {
    for (const name of ['localStorage', 'sessionStorage']) {
      Object.defineProperty(window, name, {
        get: () => {
          throw new DOMException('denied', 'SecurityError')
        },
      })
    }
  })
  await open(page, SCONES)
  await put(page, 'Grams of Caster sugar', 145)
  await saved(page)
  expect(await sugar(lumbik.url)).toBe(145)
  await expect(page.locator('[data-storage="failing"]')).toBeVisible()
  for (const station of ['stock', 'shape', 'heat', 'chill', 'serve']) {
    await page.locator(`.ribbon a[href$="/${station}"]`).click()
    await expect(workspace(page)).toHaveAttribute('data-station', station)
  }
  await page.getByRole('link', { name: 'Shelf', exact: true }).click()
  await page.getByRole('link', { name: 'New formula' }).click()
  await page.getByLabel('Formula text').fill('200 g sugar')
  await expect(page.locator('[data-reading="settled"]')).toContainText('200 g')
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
