/** A dead corner: the app opens without its server, computes in full, keeps what is written, and sends it once. */
import type { Page } from '@playwright/test'
import { answered, expect, open, SAGS, settled, saved, test } from './support/lumbik'

test.use({ serviceWorkers: 'allow' })
/** This device holds the app and what work needs. */
const stocked = async (page: Page) => {
  await page.goto('/shelf')
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => {}))
  await expect(page.locator('html')).toHaveAttribute('data-stocked', 'all')
}
const storedOf = async (url: string) => {
  const { document } = await answered(`${url}/api/formulas/${SAGS}`) as
    { document: { formula: { name: string, components: { lines: { massG: number }[] }[] } } }
  const { name, components } = document.formula
  return { name, grams: components[0]!.lines.map(l => l.massG) }
}

test('what happened in a batch with no network is said to wait wherever the cook goes, and is sent from there', async ({ page, context, lumbik }) => {
  await stocked(page)
  await page.goto(`/formula/${SAGS}/balance`)
  await settled(page)
  await page.getByRole('button', { name: 'Make it' }).click()
  await page.getByRole('button', { name: 'Start the batch' }).click()
  await expect(page.locator('main.batch')).toHaveAttribute('data-settled', 'true')
  const id = new URL(page.url()).pathname.split('/')[2]!
  await context.setOffline(true)
  await page.locator('#batch-note').fill('written in the walk-in')
  await page.locator('form.note button').click()
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Kitchen' }).click()
  const badge = page.locator('[data-all-saved]')
  await expect(badge).toHaveAttribute('data-all-saved', 'unsent')
  await expect(badge).toContainText('what happened in a batch')
  await context.setOffline(false)
  await expect(badge).toHaveAttribute('data-all-saved', 'saved')
  const { texts } = await answered(`${lumbik.url}/api/batches/${id}`) as { texts: { text: string }[] }
  expect(texts.map(t => t.text)).toEqual(['written in the walk-in'])
})

test('a formula never opened before opens, computes and is changed with no server; the change arrives when it is back', async ({ page, lumbik }) => {
  await stocked(page)
  const before = await storedOf(lumbik.url)
  await lumbik.stop()
  await page.goto(`/formula/${SAGS}/balance`)
  await settled(page)
  await expect(page.locator('[data-verdict]').first()).toBeVisible()
  await page.getByLabel('Name of the formula').fill('Named in the walk-in')
  await page.getByLabel('Name of the formula').blur()
  await expect(page.locator('[data-all-saved]')).toHaveAttribute('data-all-saved', 'unsent')
  // Closed and opened again, still without: it is as it was left.
  await page.reload()
  await settled(page)
  await expect(page.getByLabel('Name of the formula')).toHaveValue('Named in the walk-in')
  await page.goto('/today?date=2026-11-28')
  await expect(page.locator('.lane').first()).toBeVisible()
  await page.goto(`/formula/${SAGS}/balance`)
  await settled(page)
  await lumbik.start()
  await saved(page)
  expect(await storedOf(lumbik.url)).toEqual({ ...before, name: 'Named in the walk-in' })
})

test('two hundred notes of two tabs, written without a server and over a tab that ends, arrive exactly once', async ({ page, context, lumbik }) => {
  await stocked(page)
  await open(page, SAGS)
  await page.getByRole('button', { name: 'Make it' }).click()
  await page.getByRole('button', { name: 'Start the batch' }).click()
  const batch = (of: Page) => of.locator('main.batch')
  await expect(batch(page)).toHaveAttribute('data-settled', 'true')
  const path = new URL(page.url()).pathname
  const head = Number(await batch(page).getAttribute('data-head'))
  const other = await context.newPage()
  await other.goto(path)
  await expect(batch(other)).toHaveAttribute('data-settled', 'true')
  await lumbik.stop()
  // As quickly as somebody could ever tap.
  const write = (of: Page, tab: string, from: number, to: number) => of.evaluate(async ([name, first, last]) => {
    const field = document.querySelector<HTMLInputElement>('#batch-note')!
    for (let i = Number(first); i < Number(last); i++) {
      field.value = `${name} ${i}`
      field.dispatchEvent(new Event('input'))
      await new Promise(resolve => setTimeout(resolve))
      document.querySelector<HTMLButtonElement>('form.note button')!.click()
      while (field.value !== '') await new Promise(resolve => setTimeout(resolve))
    }
  }, [tab, from, to] as const)
  await Promise.all([write(page, 'a', 0, 60), write(other, 'b', 0, 100)])
  // One of them ends from one moment to the next, and comes again.
  await page.close({ runBeforeUnload: false })
  const again = await context.newPage()
  await again.goto(path, { waitUntil: 'commit' })
  await expect(batch(again)).toHaveAttribute('data-settled', 'true')
  await write(again, 'a', 60, 100)
  await lumbik.start()
  const arrived = async () => {
    const { texts, head: now } = await answered(`${lumbik.url}/api/batches/${path.split('/')[2]}`) as
      { texts: { text: string }[], head: number }
    return { notes: texts.map(t => t.text).sort(), more: now - head }
  }
  await expect.poll(async () => (await arrived()).more, { timeout: 120_000 }).toBe(200)
  const wanted = ['a', 'b'].flatMap(t => Array.from({ length: 100 }, (_, i) => `${t} ${i}`)).sort()
  expect((await arrived()).notes).toEqual(wanted)
})
