/**
 * The Book as cooks use it: a curd on a stove that runs hot is called off in time, survives its server and moves to a
 * phone; a posset that stayed runny is explained; the kitchen learns; a batch by hand is corrected and exported.
 */
import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { answered, expect, open, test } from './support/lumbik'

const CURD = '0e1f0000-0006-4000-8000-000000000005'
const RUNNY = '0e1f0000-000a-4000-8000-000000000014'
const batch = (page: Page) => page.locator('main.batch')
const cook = (page: Page) => page.locator('.cook')
const begun = async (page: Page) => {
  await expect(batch(page)).toHaveAttribute('data-settled', 'true')
  await expect(cook(page)).toHaveAttribute('data-watched', 'true')
}

/** "Make it" on a formula. */
async function make(page: Page, id: string, choices: string[], also = async () => {}) {
  await open(page, id)
  await page.getByRole('button', { name: 'Make it' }).click()
  for (const name of choices) await page.getByRole('radio', { name }).check()
  await also()
  await page.getByRole('button', { name: 'Start the batch' }).click()
  await begun(page)
}
const step = (page: Page) => cook(page).getAttribute('data-step')
async function done(page: Page) {
  const before = await step(page)
  const events = Number(await batch(page).getAttribute('data-head'))
  await page.locator('[data-done]').click()
  await expect.poll(async () => Number(await batch(page).getAttribute('data-head'))).toBeGreaterThan(events)
  if (before !== 'chill') await expect(cook(page)).not.toHaveAttribute('data-step', before!)
}
/** Everything of the step on the scale, and on to the next. */
async function weighAll(page: Page) {
  const buttons = page.locator('[data-in]')
  for (let left = await buttons.count(); left > 0; left--) {
    // The scale of the demonstration runs as it is poured.
    await page.locator('[data-pour]').first().click()
    await expect(page.locator('[data-pour=runs]')).toHaveCount(0)
    await buttons.first().click()
    await expect(buttons).toHaveCount(left - 1)
  }
  await done(page)
}
const toHeat = async (page: Page) => {
  while ((await step(page)) !== 'heatDirect') await weighAll(page)
}
const speed = (page: Page, n: number) => page.getByRole('button', { name: `${n}×`, exact: true }).click()

test.describe('on a tablet at the stove', () => {
  test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true })
  test('a stove that runs hot is noticed and called off in time; what came out stands beside what was foretold', async ({ page, lumbik, browser }) => {
    await make(page, CURD, ['the simulated kitchen (a demonstration)', 'hotter than planned'])
    await expect(page.locator('[data-simulated]')).toBeVisible()
    await toHeat(page)
    await page.getByRole('button', { name: 'It is on the heat' }).click()
    await speed(page, 20)
    const pot = page.locator('.pot')
    await expect(pot).toHaveAttribute('data-fed', 'true')
    await expect(page.locator('[data-heat]')).toContainText('more than planned', { timeout: 60_000 })

    // The server ends in the middle of it; on a phone it goes on where it was.
    await speed(page, 1)
    const events = Number(await batch(page).getAttribute('data-head'))
    await lumbik.stop()
    await lumbik.start()
    const small = { viewport: { width: 390, height: 844 }, hasTouch: true }
    const pocket = await browser.newContext({ ...small, baseURL: lumbik.url })
    const phone = await pocket.newPage()
    await phone.goto(new URL(page.url()).pathname)
    await begun(phone)
    await expect(cook(phone)).toHaveAttribute('data-step', 'heatDirect')
    await expect(batch(phone)).toHaveAttribute('data-head', String(events))
    await expect(phone.locator('.pot')).toHaveAttribute('data-fed', 'true')
    await speed(phone, 20)
    // A press that comes a second late is twenty late at this speed: the last of it goes slower.
    await expect.poll(async () => Number.parseFloat(await phone.locator('.pot .now b').innerText()) || 0, { timeout: 60_000 })
      .toBeGreaterThan(65)
    await speed(phone, 5)
    await expect(phone.locator('.pot')).toHaveAttribute('data-pot', 'call', { timeout: 120_000 })
    await phone.getByRole('button', { name: 'Off the heat now' }).tap()
    await expect(phone.locator('.pot')).toHaveAttribute('data-pot', 'off')
    await expect(pot).toHaveAttribute('data-pot', 'off', { timeout: 30_000 })
    await pocket.close()

    // Poured, chilled, measured by the ring.
    await done(page)
    for (let left = 12; left > 0 && (await step(page)) !== 'pour'; left--) await weighAll(page)
    const pour = page.locator('.pour')
    for (let n = 1; await pour.locator('[data-poured-by-eye]').count(); n++) {
      await pour.locator('[data-poured-by-eye]').click()
      await expect(pour).toHaveAttribute('data-poured', String(n))
    }
    await done(page)
    // In a glass the bubbles are seen: it is tapped before it goes into the cold.
    expect(await step(page)).toBe('tap')
    await done(page)
    for (let leg = 0; (await step(page)) === 'chill'; leg++) {
      await page.locator('.cold .press').click()
      await expect(page.locator('.cold')).toHaveAttribute('data-cold', 'in')
      for (let hours = 0; hours < (leg === 0 ? 1 : 5); hours++) await page.getByRole('button', { name: 'Pass an hour' }).click()
      if (leg === 1) {
        await expect(page.locator('[data-stage="met"]')).toHaveCount(2, { timeout: 30_000 })
        expect(Number.parseFloat(await page.locator('[data-core]').innerText())).toBeLessThan(8)
      }
      await done(page)
    }
    while ((await step(page)) !== 'end') await done(page)
    await page.getByRole('link', { name: 'Write down what came out' }).click()
    await page.getByRole('button', { name: 'Let the simulated kitchen measure it' }).click()
    await expect(page.getByLabel('Weight, all')).toHaveValue(/^\d{3}/)
    await expect(page.locator('[data-keep]')).toBeEnabled()
    await page.locator('[data-keep]').click()
    await expect(page.getByText('Kept in the Book.')).toBeVisible()
    await expect(page.locator('[data-beside] tbody tr').first()).toBeVisible({ timeout: 30_000 })
    // Called in time: it came out with nothing grainy about it.
    const { items } = (await answered(`${lumbik.url}/api/batches`)) as { items: { faults: string[], name: string }[] }
    expect(items[0]!.faults).not.toContain('grainy')
    expect(items[0]!.name).toContain('Bitter orange')
  })
})

test('a posset that stayed runny is explained and rescued; it can be stopped, and asked again', async ({ page }) => {
  await page.goto('/book')
  await expect(page.locator('main.book')).toHaveAttribute('data-settled', 'true')
  await page.locator(`[data-batch="${RUNNY}"]`).getByRole('link', { name: 'Why?' }).click()
  const why = page.locator('.why')
  await page.getByRole('button', { name: 'Find out why' }).click()
  await page.getByRole('button', { name: 'Stop', exact: true }).click()
  await expect(why).toHaveAttribute('data-work', /cancelled|done/)
  if ((await why.getAttribute('data-work')) === 'cancelled') await page.getByRole('button', { name: 'Find out why' }).click()
  await expect(why).toHaveAttribute('data-work', 'done', { timeout: 120_000 })
  await expect(page.locator('[data-cause]').first()).toHaveAttribute('data-cause', /chilledTooShortS|openedWarm/)
  await expect(page.locator('[data-rescue="chillLonger"]')).toContainText('longer')
  await expect(page.locator('[data-rescue="addGelatine"]')).toContainText('gelatine')
  await expect(page.locator('[data-courses] svg').first()).toBeVisible()
  // Kept: asked again by another page it is there at once.
  await page.reload()
  await expect(why).toHaveAttribute('data-work', 'done')
})

test('the kitchen learns from its batches: the error of what was left out falls, and it counts once accepted', async ({ page }) => {
  await page.goto('/book/learned')
  await expect(page.locator('[data-goes-by]')).toContainText('what is stated')
  await page.getByRole('button', { name: 'Work it out from the Book' }).click()
  await expect(page.locator('main.learned')).toHaveAttribute('data-work', 'done', { timeout: 240_000 })
  const gain = page.locator('[data-gain]')
  const [before, after] = await Promise.all(['data-before', 'data-after'].map(async a => Number(await gain.getAttribute(a))))
  expect(after!).toBeLessThan(0.75 * before!)
  await expect(page.locator('[data-learned="probeBiasK"]')).toContainText(/The thermometer shows 2\.\d °C too much/)
  await page.locator('[data-accept]').click()
  await expect(page.locator('[data-goes-by]')).toContainText('set 1')
  await open(page, CURD, 'heat')
  await expect(page.locator('[data-learned]')).toHaveText(/learned set 1/)
  await page.goto('/book/learned')
  await page.locator('[data-none]').click()
  await expect(page.locator('[data-goes-by]')).toContainText('what is stated')
  await open(page, CURD, 'heat')
  await expect(page.locator('[data-learned]')).toHaveCount(0)
})

test('by hand: typed, noted, corrected with a reason, recorded, exported; unsent while the server is away', async ({ page, lumbik }) => {
  await make(page, CURD, [])
  await expect(page.locator('[data-simulated]')).toHaveCount(0)
  const first = page.locator('[data-line]').first()
  await first.getByRole('spinbutton').fill('2')
  await first.getByRole('spinbutton').press('Enter')
  await first.locator('[data-in]').click()
  await expect(first).toContainText('in: 2 g')
  await first.getByRole('button', { name: /^Take back/ }).click()
  await expect(first.locator('[data-in]')).toBeVisible()
  await page.getByLabel('Note').fill('Ines was at the stove')
  // While it is on its way nothing on the page moves: the next press finds its button where it was.
  const inButton = first.getByRole('button', { name: 'In, without a scale' })
  const where = await inButton.boundingBox()
  let go = () => {}
  const held = new Promise<void>((resolve) => { go = resolve })
  await page.route('**/api/batches/*/events', async (route) => {
    await held
    await route.continue()
  })
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(batch(page)).toHaveAttribute('data-waits', '1')
  expect(await inButton.boundingBox()).toEqual(where)
  go()
  await expect(batch(page)).toHaveAttribute('data-waits', '0')
  await page.unroute('**/api/batches/*/events')
  expect(await inButton.boundingBox()).toEqual(where)

  // The server is away: what happens is kept, and sent once it is back.
  const path = new URL(page.url()).pathname
  await lumbik.stop()
  await first.getByRole('button', { name: 'In, without a scale' }).click()
  await expect(page.locator('[data-unsent]')).toContainText('not sent yet')
  await page.reload().catch(() => {})
  await lumbik.start()
  await page.goto(path)
  await begun(page)
  await expect(page.locator('[data-line]').first()).toContainText('in, not weighed')
  await expect(batch(page)).toHaveAttribute('data-waits', '0')
  await expect(page.locator('[data-unsent]')).toHaveCount(0)

  await page.getByRole('link', { name: 'What came out' }).click()
  await page.getByRole('button', { name: 'No', exact: true }).click()
  await page.getByRole('button', { name: 'grainy' }).click()
  await page.locator('[data-keep]').click()
  await page.getByRole('button', { name: 'grainy' }).click()
  await page.getByRole('button', { name: 'weeping' }).click()
  await page.getByLabel('Why it is corrected').fill('looked again in daylight')
  await page.locator('[data-keep]').click()
  await expect(page.locator('[data-outcome]')).toHaveAttribute('data-outcome', 'kept')
  await page.getByRole('link', { name: 'Record' }).click()
  const record = page.locator('[data-record]')
  await expect(record).toContainText('Ines was at the stove')
  await expect(record).toContainText('looked again in daylight')
  const json = page.waitForEvent('download')
  await record.getByRole('button', { name: 'Everything (JSON)' }).click()
  const saved = readFileSync(await (await json).path(), 'utf8')
  expect(JSON.parse(saved)).toMatchObject({ format: 'lumbik-batch', simulated: false })
  expect(saved).not.toContain('Ines')
  await record.getByRole('row').filter({ hasText: 'Ines' }).getByRole('button', { name: 'Take the text back' }).click()
  await expect(record).not.toContainText('Ines')
})

test('the Book is looked through by outcome, name and formula; one formula has its control chart', async ({ page }) => {
  await page.goto('/book')
  const main = page.locator('main.book')
  const rows = page.locator('[data-batch]')
  await expect(main).toHaveAttribute('data-settled', 'true')
  await expect(rows).toHaveCount(20)
  await page.getByLabel('Every outcome').selectOption('grainy')
  await expect(rows).toHaveCount(1)
  await page.getByRole('button', { name: 'Show all' }).click()
  await page.getByLabel('Find a batch').fill('lime pie')
  await expect(rows).toHaveCount(2)
  await page.getByRole('button', { name: 'Show all' }).click()
  await expect(rows).toHaveCount(20)
  await page.getByRole('button', { name: 'Only this formula Bitter orange' }).first().click()
  await expect(rows).toHaveCount(7)
  await expect(page.getByRole('heading', { name: /pot, on the heat, batch by batch/ })).toBeVisible()
  await expect(page.locator('[data-drift]')).toContainText('Steady')
  await page.getByLabel('Across batches').selectOption('fridge, its air: Upright fan fridge')
  await expect(page.getByRole('heading', { name: /fridge, its air: Upright fan fridge, batch by batch/ })).toBeVisible()
  const csv = page.waitForEvent('download')
  await page.getByRole('button', { name: 'The Book (CSV)' }).click()
  expect(readFileSync(await (await csv).path(), 'utf8').split('\n')).toHaveLength(8)
  await page.getByLabel('Every lot').selectOption({ label: 'Bergamot, east bench crate' })
  await expect(rows).toHaveCount(0)
  await expect(page.getByText('No batch fits.')).toBeVisible()
})

test('a probe whose battery goes flat is told, another is typed; set and cut have their times', async ({ page }) => {
  await make(page, CURD, ['the simulated kitchen (a demonstration)'], async () => {
    await page.getByLabel('Its probe').selectOption('has a battery that is nearly flat')
  })
  await toHeat(page)
  await page.getByRole('button', { name: 'It is on the heat' }).click()
  await speed(page, 20)
  await expect(page.locator('[data-notice=silent]')).toContainText('said nothing for')
  await speed(page, 1)
  await page.getByRole('textbox', { name: 'probe shows' }).fill('61')
  await page.getByRole('button', { name: 'Write down' }).click()
  await expect(page.locator('.pot .tile.now')).toContainText('61.0 °C')
  // A time before the batch began is refused; a good one is kept over a reload, and can be taken out.
  await page.goto(page.url().replace('/cook', '/out'))
  const set = page.getByLabel('Found set at')
  const began = (await set.getAttribute('min'))!
  await set.fill(began.replace(/^\d{4}/, '2020'))
  await set.blur()
  await expect(page.getByRole('alert')).toContainText('Found set at: a time from the batch')
  await set.fill((await set.getAttribute('max'))!)
  await set.blur()
  await expect(batch(page)).toHaveAttribute('data-waits', '0')
  await page.reload()
  await expect(page.getByLabel('Found set at')).not.toHaveValue('')
  await page.getByLabel('Found set at').fill('')
  await page.getByLabel('Found set at').blur()
  await expect(page.getByLabel('Found set at')).toHaveValue('')
})

test('instruments say when they drift or are out of date; a lot says what it went into', async ({ page }) => {
  await page.goto('/book/instruments')
  const pen = page.locator('[data-device=pHMeter]')
  await expect(pen.locator('[data-drifts]')).toContainText('It drifts: +0.05')
  await expect(page.locator('[data-device=scale] [data-drifts]')).toHaveCount(0)
  await pen.getByRole('button', { name: /buffer pH 7.00/ }).click()
  await pen.getByLabel('it shows').fill('7.2')
  await pen.getByRole('button', { name: 'Write the check down' }).click()
  await expect(pen).toContainText('7.20')
  await page.goto(`/formula/${CURD}/stock`)
  await page.getByRole('navigation', { name: 'Parts of the stock' }).getByRole('button', { name: 'Strength' }).click()
  await page.getByRole('link', { name: 'Every batch with Bergamot, east bench crate' }).click()
  await expect(page.locator('main.book')).toHaveAttribute('data-settled', 'true')
  await expect(page.getByText('Every batch with Bergamot, east bench crate')).toBeVisible()
})
