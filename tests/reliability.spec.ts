/** What a cook sees when something is away, damaged, deleted, long or many. */
import type { Page } from '@playwright/test'
import { DEMO, answered, expect, open, put, saved, SCONES, settled, SHELF, test, workspace } from './support/lumbik'
import { execute } from './support/database'

/** As the server answers while its database is frozen (`npm run faults` sees that it does). */
const databaseAway = (page: Page) =>
  page.route('**/api/**', route =>
    route.fulfill({
      status: 503,
      contentType: 'application/json',
      body: JSON.stringify({ data: { path: '', code: 'database' } }),
    }),
  )
const paste = (page: Page, text: string) =>
  page.getByLabel('Formula text').evaluate((el, value) => {
    ;(el as HTMLTextAreaElement).value = value
    el.dispatchEvent(new Event('input', { bubbles: true }))
  }, text)

test('while the database is away it says so, keeps what is changed, and goes on by itself', async ({ page }) => {
  await open(page, SCONES)
  await databaseAway(page)
  await put(page, 'Grams of Caster sugar', 188)
  await expect(page.locator('[data-away="database"]')).toContainText('Waiting for the database')
  await expect(workspace(page)).toHaveAttribute('data-save', 'unsent')
  await page.unroute('**/api/**')
  await saved(page)
  await expect(page.locator('[data-away]')).toHaveCount(0)
})

test('a first visit while nobody answers says what it waits for, and opens when it can', async ({ page }) => {
  await databaseAway(page)
  await page.goto('/shelf')
  await expect(page.getByRole('heading', { name: 'Waiting for the database' })).toBeVisible()
  await page.unroute('**/api/**')
  await page.route('**/api/**', route => route.abort('connectionrefused'))
  await expect(page.getByRole('heading', { name: 'Waiting for the server' })).toBeVisible()
  await page.unroute('**/api/**')
  await expect(page.locator('.rows > li').first()).toBeVisible()
})

test('a formula that cannot be opened now opens by itself once it can', async ({ page }) => {
  await page.goto('/shelf')
  await expect(page.locator('.rows > li').first()).toBeVisible()
  await databaseAway(page)
  await page.locator(`[data-formula="${SCONES}"] a.title`).click()
  await expect(page.getByRole('heading', { name: 'This formula cannot be opened now' })).toBeVisible()
  await page.unroute('**/api/**')
  await settled(page)
})

test('a part of the program that fails to load is tried again until it is there', async ({ page }) => {
  await page.goto('/shelf')
  await expect(page.locator('.rows > li').first()).toBeVisible()
  let refused = 0
  const entry = await page.evaluate(
    () => document.querySelector<HTMLScriptElement>('script[type="module"][src]')!.src,
  )
  // Four files fail. The entry does not: without it there is no program that could try again.
  await page.route('**/_nuxt/*.js', (route) => {
    if (refused < 4 && route.request().url() !== entry) {
      refused++
      return route.abort('connectionreset')
    }
    return route.fallback()
  })
  // No link on the shelf leads there, so nothing of it was fetched ahead.
  await page.evaluate((id) => {
    const { useNuxtApp } = window as unknown as {
      useNuxtApp: () => { $router: { push: (to: string) => Promise<void> } }
    }
    // As a link does it: what it comes to is the router's to handle.
    useNuxtApp()
      .$router.push(`/formula/${id}/card`)
      .catch(() => {})
  }, SCONES)
  await expect(page.getByRole('heading', { name: 'Sweet lemon curd for the scones' })).toBeVisible()
  expect(refused).toBeGreaterThan(0)
})

test('a text that is no recipe is not read, is not lost, and blocks nothing; a long one is read', async ({
  page,
}) => {
  await page.goto('/new')
  await paste(page, '1 cup sugar\n'.repeat(100_000))
  await expect(page.locator('[data-reading="too-long"]')).toContainText('1,200,000 characters')
  await page.getByLabel('Name', { exact: true }).fill('Still alive')
  await page.reload()
  await expect(page.locator('[data-reading="too-long"]')).toBeVisible()
  expect(await page.getByLabel('Formula text').evaluate(el => (el as HTMLTextAreaElement).value.length)).toBe(
    1_200_000,
  )
  await paste(page, '1 g x\n'.repeat(3000))
  await expect(page.locator('[data-reading="too-long"]')).toContainText('3,001 lines')
  await paste(page, '7'.repeat(200_001))
  await expect(page.locator('[data-reading="too-long"]')).toContainText('200,001 characters')
  await paste(page, `${'7'.repeat(190_000)}\n200 g sugar`)
  await expect(page.locator('[data-reading="settled"]')).toContainText('200 g')
  await paste(page, '200 g sugar\n'.repeat(600))
  await expect(page.locator('[data-reading="settled"] .got')).toHaveCount(600)
})

test('what was deleted lies in the bin and comes back: a formula with its versions, a tin, a lot', async ({
  page,
  lumbik,
}) => {
  await open(page, SCONES)
  await put(page, 'Grams of Caster sugar', 171)
  await saved(page)
  await page.goto('/shelf')
  await page.getByRole('button', { name: 'Delete Sweet lemon curd for the scones', exact: true }).click()
  await expect(page.locator(`[data-formula="${SCONES}"]`)).toHaveCount(0)
  await page.goto('/kitchen')
  await page.getByRole('button', { name: 'Take out Potting-shed tub' }).click()
  await page.getByRole('button', { name: 'Take it out' }).click()
  await expect(page.locator('main.kitchen')).toHaveAttribute('data-kitchen-save', 'saved')
  const { lots } = (await answered(`${lumbik.url}/api/kitchen`)) as {
    lots: { id: string, name: string }[]
  }
  await fetch(`${lumbik.url}/api/lots/${lots[0]!.id}`, { method: 'DELETE' })
  // Opened by its address it says where it is.
  await page.goto(`/formula/${SCONES}/balance`)
  await expect(page.getByRole('heading', { name: 'This formula is in the bin' })).toBeVisible()
  await page.goto('/bin')
  await expect(page.locator('[data-bin]')).toHaveCount(3)
  for (const name of ['Sweet lemon curd for the scones', 'Potting-shed tub', lots[0]!.name]) {
    await page.getByRole('button', { name: `Bring back ${name}` }).click()
    await expect(page.getByRole('button', { name: `Bring back ${name}` })).toHaveCount(0)
  }
  await expect(page.getByText('The bin is empty')).toBeVisible()
  const kitchen = (await answered(`${lumbik.url}/api/kitchen`)) as {
    lots: unknown[]
    vessels: { name: string }[]
  }
  expect([kitchen.lots.length, kitchen.vessels.some(v => v.name === 'Potting-shed tub')]).toEqual([lots.length, true])
  const { items } = (await answered(`${lumbik.url}/api/formulas/${SCONES}/versions`)) as {
    items: unknown[]
  }
  expect(items).toHaveLength(2)
})

test('a stored formula that cannot be read is shown as such, and takes nothing else down', async ({
  page,
  lumbik,
}) => {
  await execute(
    lumbik.database,
    `update formula set document = '{"format":"nonsense"}', version = 2 where id = '${SCONES}'`,
  )
  await page.goto('/shelf')
  await expect(page.locator(`[data-formula="${SCONES}"]`)).toContainText('cannot be read')
  await expect(page.locator(`[data-formula="${DEMO.SAGS}"]`)).toContainText('sags on the table')
  await page.locator(`[data-formula="${SCONES}"] a.title`).click()
  await expect(page.getByRole('heading', { name: 'This formula cannot be read' })).toBeVisible()
})

test('a long shelf is fetched as it is scrolled, found by name, and never drawn whole', async ({ page, lumbik }) => {
  await execute(
    lumbik.database,
    `insert into formula select gen_random_uuid(), kitchen_id, actor_id, created_at, updated_at - n * interval '1 hour',
    'Batch ' || n || ' of a long winter', document, schema_version, 1, false, 0, null,
    result, result_engine, result_revision, school, eggs, null, 1, true from formula, generate_series(1, 140) n where id = '${SCONES}'`,
  )
  await page.goto('/shelf')
  await expect(page.getByText(`${SHELF + 140} formulas`)).toBeVisible()
  await expect(page.locator('.rows > li').first()).toBeVisible()
  const last = page.getByRole('link', { name: 'Batch 140 of a long winter' })
  await expect(async () => {
    await page.mouse.wheel(0, 4000)
    await expect(last).toBeVisible({ timeout: 200 })
  }).toPass()
  expect(await page.locator('.rows > li').count()).toBeLessThan(80)
  await page.getByLabel('Find a formula').fill('batch 77 of')
  await expect(page.locator('.rows > li')).toHaveCount(1)
  await expect(page.getByRole('link', { name: 'Batch 77 of a long winter' })).toBeVisible()
  await page.getByLabel('Find a formula').fill('nothing of the kind')
  await page.getByRole('button', { name: 'Show all' }).click()
  await expect(page.getByText(`${SHELF + 140} formulas`)).toBeVisible()
})

test('after a kitchen change the shelf says what is being worked out, and follows', async ({ page, lumbik }) => {
  await page.goto('/shelf')
  await expect(page.locator('main.shelf')).toHaveAttribute('data-fresh', 'true')
  const before = await page.locator(`[data-formula="${SCONES}"] .figures`).innerText()
  await execute(
    lumbik.database,
    'update kitchen set revision = revision + 1, settings = jsonb_set(settings, \'{altitudeM}\', \'3000\')',
  )
  const answer = (await answered(`${lumbik.url}/api/formulas`)) as {
    items: { stale: boolean, summary: object | null }[]
  }
  expect(answer.items.every(i => i.stale && i.summary)).toBe(true)
  await page.reload()
  await expect(page.locator('main.shelf')).toHaveAttribute('data-fresh', 'true')
  await expect(page.locator(`[data-formula="${SCONES}"] .figures`)).not.toHaveText(before)
})
