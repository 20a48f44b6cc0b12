/** Four sizes: nothing runs over, nothing is too small to touch or to read, and no accessibility fault of any kind. */
import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect, open, SAGS, settled, test, TUB, verdict } from './support/lumbik'

const SIZES = [
  { name: 'desk', width: 1280, height: 800 },
  { name: 'tablet', width: 1024, height: 768 },
  { name: 'phone', width: 390, height: 844 },
  { name: 'small phone', width: 320, height: 640 },
]
const STATIONS = ['stock', 'balance', 'shape', 'heat', 'chill', 'serve']

/** Nothing sticks out of the page sideways. */
const fits = async (page: Page) =>
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
  ).toBeLessThanOrEqual(0)
/**
 * No text under 14 px, drawings included: their words count as large as they are shown. A drawing learns its width
 * with the frame after it stands, so a page measured between the two is measured again.
 */
async function legible(page: Page) {
  const small = () => page.evaluate(() =>
    [...document.querySelectorAll('body *')]
      .filter((e) => {
        const own = [...e.childNodes].some(n => n.nodeType === 3 && n.textContent!.trim())
        if (!own || e.getClientRects().length === 0 || e.closest('.sr')) return false
        const scale = e instanceof SVGGraphicsElement ? e.getScreenCTM()!.a : 1
        return Number.parseFloat(getComputedStyle(e).fontSize) * scale < 13.95
      })
      .map(e => `${e.textContent!.trim().slice(0, 40)} (${getComputedStyle(e).fontSize})`),
  )
  await expect.poll(small).toEqual([])
}
async function sound(page: Page) {
  // One frame, so it needs no blank page beside it to gather in.
  const { violations } = await new AxeBuilder({ page }).setLegacyMode().analyze()
  // Best practices included.
  expect(violations.map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).join(', ')}`)).toEqual([])
}

for (const size of SIZES) {
  test.describe(`at ${size.width} × ${size.height} (${size.name})`, () => {
    test.use({ viewport: { width: size.width, height: size.height } })
    test('every place and station fits, and is accessible', async ({ page, lumbik }) => {
      await page.goto('/shelf')
      await expect(page.locator('main')).toHaveAttribute('data-settled', 'true')
      await fits(page)
      await sound(page)
      await fetch(`${lumbik.url}/api/formulas/${TUB}`, { method: 'DELETE' })
      const batch = '/batch/0e1f0000-000a-4000-8000-000000000014'
      const book = ['/today?date=2026-11-28', '/book', '/book/learned', '/book/instruments', ...['cook', 'out', 'why', 'record'].map(v => `${batch}/${v}`)]
      for (const path of ['/new', '/kitchen', '/bin', ...book]) {
        await page.goto(path)
        await expect(page.locator('h1')).toBeVisible()
        if (book.includes(path)) await expect(page.locator('main')).toHaveAttribute('data-settled', 'true')
        await fits(page)
        if (book.includes(path)) await legible(page)
        if (size.name !== 'tablet') await sound(page)
      }
      await open(page, SAGS, 'stock')
      for (const station of STATIONS) {
        await page.locator(`.ribbon a[href$="/${station}"]`).click()
        await expect(page).toHaveURL(new RegExp(`/${station}$`))
        await settled(page)
        await fits(page)
        await legible(page)
        if (size.name !== 'tablet') await sound(page)
      }
    })
    // Widest and narrowest: the tablet lies between.
    if (size.name !== 'tablet')
      test('every view of Stock and Balance fits, and is accessible', async ({ page }) => {
        await open(page, SAGS, 'stock')
        const look = async () => {
          await settled(page)
          await fits(page)
          await legible(page)
          await sound(page)
        }
        for (const view of ['How many for', 'Fruit', 'Strength', 'Eggs', 'What binds']) {
          await page.getByRole('button', { name: view, exact: true }).click()
          if (view === 'Fruit') {
            await page.getByLabel('Add fruit').selectOption({ label: 'bergamot, medium' })
            await page.getByRole('button', { name: 'Add', exact: true }).click()
          }
          if (view === 'Strength') await page.getByRole('button', { name: 'A new lot' }).click()
          if (view === 'What binds') await page.getByRole('button', { name: /^Say how much Egg yolk/ }).click()
          await look()
        }
        await page.locator('.ribbon a[href$="/balance"]').click()
        await page.getByRole('button', { name: 'Rebalance', exact: true }).click()
        await page.getByRole('button', { name: 'Find ways' }).click()
        await expect(page.locator('[data-rebalance]')).toHaveAttribute('data-rebalance', 'settled', {
          timeout: 30_000,
        })
        await look()
        await page.getByRole('button', { name: 'Versions', exact: true }).click()
        await page.locator('[data-version="as first written"]').getByRole('button', { name: 'Compare' }).click()
        await expect(page.locator('[data-compared="1"][data-explained="settled"]')).toBeVisible()
        await look()
        await page.getByRole('button', { name: 'Cost and label', exact: true }).click()
        await look()
        await page
          .locator('[data-ingredient="bergamot"]')
          .getByRole('button', { name: /^Something else/ })
          .click()
        await page.getByLabel('Take instead').selectOption('orange')
        await expect(page.locator('[data-swap]')).toHaveAttribute('data-swap', 'settled')
        await sound(page)
      })
    if (size.name !== 'tablet')
      test('every view of Shape, Heat, Chill and Serve fits, and is accessible; card and label too', async ({
        page,
      }) => {
        await open(page, SAGS, 'shape')
        const VIEWS = {
          shape: ['Into another tin', 'Portions and cuts', 'Crust, topping, layers', 'Bowl from parts'],
          heat: ['Order of work', 'Other batches and tins'],
          chill: ['The cold going in', 'When'],
          serve: ['Keeping', 'Label and bench card'],
        }
        const READY = {
          'Into another tin': '[data-fit="settled"]',
          'Other batches and tins': '[data-variants="settled"] [data-variant]',
          'The cold going in': '[data-cold="settled"] canvas',
          'When': '[data-when="settled"] [data-fact="sweat-now"]',
        } as Record<string, string>
        for (const [station, views] of Object.entries(VIEWS)) {
          await page.locator(`.ribbon a[href$="/${station}"]`).click()
          for (const view of views) {
            await page.getByRole('button', { name: view, exact: true }).click()
            if (READY[view]) await expect(page.locator(READY[view]).first()).toBeVisible()
            await settled(page)
            await fits(page)
            await legible(page)
            if (size.name === 'desk') await sound(page)
          }
        }
        for (const sheet of ['card', 'label']) {
          await page.goto(`/formula/${SAGS}/${sheet}`)
          await expect(page.locator('[data-sheet="ready"] h1, [data-sheet="ready"] h2').first()).toBeVisible()
          await fits(page)
          await sound(page)
        }
      })
    test('verdict, Heat and Chill can be used', async ({ page }) => {
      await open(page, TUB, 'heat')
      await expect(page.locator('.sentence')).toBeVisible()
      await expect(page.locator('.chart svg')).toBeVisible()
      await page.getByRole('spinbutton', { name: 'Take it to' }).fill('88')
      await settled(page)
      expect(await verdict(page)).toBe('grainy')
      await page.locator('.ribbon a[href$="/chill"]').click()
      await page.getByRole('button', { name: 'Ice bath first' }).click()
      await expect(page.locator('[data-leg]')).toHaveCount(3)
      await settled(page)
      await fits(page)
    })
  })
}

test('what is pressed is at least 44 px high', async ({ page }) => {
  await open(page, SAGS)
  const low = await page.evaluate(() =>
    [...document.querySelectorAll('main button:not(.whynum), main select, main input:not([type=file])')]
      .filter(
        e => e.getClientRects().length > 0 && (e as HTMLElement).offsetHeight < 43 && !e.classList.contains('name'),
      )
      .map(e => (e as HTMLElement).outerHTML.slice(0, 80)),
  )
  expect(low).toEqual([])
  // A number that can be asked why stands in a line of text; what counts is how much of the page answers to it.
  const missed = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('main .whynum')]
      .filter((e) => {
        e.scrollIntoView({ block: 'center' })
        const r = e.getBoundingClientRect()
        return [-20, 20].some(
          dy =>
            document
              .elementFromPoint(r.x + Math.min(r.width / 2, 20), r.y + r.height / 2 + dy)
              ?.closest('.whynum') !== e,
        )
      })
      .map(e => `${e.dataset.why}: ${e.innerText}`),
  )
  expect(missed).toEqual([])
})

test('a number stepped quickly ends with its own shares, not those of a step before', async ({ page }) => {
  await open(page, SAGS)
  const field = page.getByRole('spinbutton', { name: 'Grams of Egg yolk' })
  await field.focus()
  for (let i = 0; i < 12; i++) await field.press('ArrowUp')
  await expect(field).toHaveValue('233')
  await settled(page)
  // The answer belongs to the last value, and its shares are no longer marked as catching up.
  await expect(page.locator('[data-shares]')).toHaveAttribute('data-shares', 'settled')
})
