/** Several devices at once: what one changes the others show, also on another server; who else is there. */
import { freePort, startServer } from '../scripts/setup.mjs'
import { expect, NOW, open, SAGS, saved, settled, test } from './support/lumbik'

test('what one tab changes another shows, with who is there; also what another server was told', async ({ page, context, lumbik }) => {
  await open(page, SAGS)
  const other = await context.newPage()
  await other.clock.setFixedTime(new Date(NOW))
  await open(other, SAGS)
  await expect(page.locator('[data-others]').first()).toHaveText('Also here: Isolde Marsh, in another window')
  await expect(other.locator('[data-others]').first()).toHaveText('Also here: Isolde Marsh, in another window')
  const name = other.getByLabel('Name of the formula')
  await page.getByLabel('Name of the formula').fill('Passion rose curd, again')
  await page.getByLabel('Name of the formula').blur()
  await saved(page)
  await expect(name).toHaveValue('Passion rose curd, again')
  // A second server on the same database, as behind a proxy.
  const second = await startServer(
    { DATABASE_URL: lumbik.database, LUMBIK_DEMO: '1', LUMBIK_NOW: NOW }, await freePort(0), 'ignore')
  try {
    const renamed = await fetch(`${second.url}/api/formulas/${SAGS}`, {
      method: 'PATCH', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ name: 'From the other server' }),
    })
    expect(renamed.status).toBe(200)
    await expect(name).toHaveValue('From the other server')
    await expect(page.getByLabel('Name of the formula')).toHaveValue('From the other server')
  } finally {
    await second.stop()
  }
  await other.close()
  await expect(page.locator('[data-others]').first()).toHaveText('')
})

test('changes made while the server was away are heard of when it is back', async ({ page, context, lumbik }) => {
  await page.goto('/today?date=2026-12-24')
  await expect(page.locator('main.today')).toHaveAttribute('data-settled', 'true')
  const other = await context.newPage()
  await other.clock.setFixedTime(new Date(NOW))
  await open(other, SAGS)
  await lumbik.stop()
  await lumbik.start()
  const said = await fetch(`${lumbik.url}/api/formulas/${SAGS}`, {
    method: 'PATCH', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ name: 'Said meanwhile' }),
  })
  expect(said.status).toBe(200)
  await expect(other.getByLabel('Name of the formula')).toHaveValue('Said meanwhile')
  await settled(other)
})
