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
  await expect(page.locator('[data-conflict=heldInTheWay]')).toHaveCount(0)
  expect(await start(page, key)).not.toBe(before)
  await page.getByRole('button', { name: 'Undo' }).click()
  await planned(page)
  expect(await start(page, key)).toBe(before)
  const first = await page.locator('[data-next="0"] .what').textContent()
  await page.locator('[data-tick]').click()
  await planned(page)
  await expect(page.locator('[data-next="0"] .what')).not.toHaveText(first!)
  const file = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Calendar file', exact: true }).click()
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

test('a step made late moves what must and says who must know; a call comes before the next', async ({ page }) => {
  await page.goto('/today?date=2026-11-28')
  await planned(page)
  const bar = page.locator('.lane').filter({ hasText: 'Ines' }).locator('[data-task]').nth(4)
  await bar.press('Enter')
  await page.locator('[data-later]').click()
  await planned(page)
  const must = page.locator('[data-must-know]').first()
  await expect(must).toContainText('must know')
  await expect(must.locator('li').first()).toContainText(/\d\d:\d\d, not \d\d:\d\d|instead of|is for/)
  const people = await page.locator('[data-must-know]').count()
  await must.locator('[data-told]').click()
  await expect(page.locator('[data-must-know]')).toHaveCount(people - 1)
  await page.locator('[data-call]').click()
  await expect(page.locator('[data-call]')).toHaveAttribute('aria-pressed', 'true')
})

test('the day\'s ledger: what to squeeze, crack, buy; what is short says which dessert would give, and one press does it', async ({ page }) => {
  await page.goto('/today?date=2026-11-28')
  await planned(page)
  await page.locator('[data-to-ledger]').click()
  const ledger = page.locator('[data-ledger]')
  await expect(ledger.locator('[data-station=crack]')).toContainText('eggs to crack, over all desserts')
  await expect(ledger.locator('[data-fruit]').first()).toContainText('×')
  await expect(ledger.locator('[data-shopping]')).toContainText(/Double cream: \d+ × 600 g tub/)
  await expect(ledger.locator('[data-tins]')).toContainText('64 × Fern-etched glass')
  // Four kilograms of cream are not enough for sixty-four.
  const cream = ledger.locator('[data-line=cream48] input')
  await cream.fill('4000')
  await cream.press('Enter')
  await planned(page)
  await expect(page.locator('[data-binds]')).toContainText('Double cream is for')
  await page.locator('[data-cut]').first().click()
  await planned(page)
  await expect(page.locator('[data-binds]')).toHaveCount(0)
  const covers = Number(await page.locator('[data-dessert^=Calamansi] input[type=number]').first().inputValue())
  expect(covers).toBeGreaterThan(20)
  expect(covers).toBeLessThan(40)
  // Whites are kept as a lot, with their date.
  const whites = ledger.locator('[data-leftover=white]')
  await expect(whites).toContainText('good until Wed 2 Dec, common practice')
  await whites.locator('[data-keep]').click()
  await expect(whites).toContainText('kept as a lot')
})

test('steps of one\'s own are planned; the calendar goes out, is moved, and comes back; the table is a file', async ({ page }) => {
  await page.goto('/today?date=2026-12-19')
  await expect(main(page)).toHaveAttribute('data-settled', 'true')
  await page.getByText('Something with steps of its own').click()
  await page.locator('[data-own-name]').fill('Brittle')
  await page.locator('[data-own-steps]').fill('boil on the ring 12, spread 5, cool 40, break 10')
  await page.locator('[data-own-add]').click()
  await planned(page)
  await expect(page.locator('[data-dessert=Brittle]')).toBeVisible()
  await expect(page.locator('[data-task$="own-0"]').first()).toBeVisible()
  const out = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Calendar file', exact: true }).click()
  const ics = readFileSync(await (await out).path(), 'utf8')
  const moved = ics.replace(/(DTSTART:20261219T)(\d{2})/, (_, a: string, hour: string) => `${a}${String(Number(hour) - 1).padStart(2, '0')}`)
  expect(moved).not.toBe(ics)
  const back = (text: string) => page.locator('[data-take-back]').setInputFiles({
    name: 'day.ics', mimeType: 'text/calendar', buffer: Buffer.from(text),
  })
  await back('no calendar at all')
  await expect(page.locator('[data-returned]')).toContainText('That is no calendar file')
  await back(ics)
  await expect(page.locator('[data-returned]')).toContainText('Nothing of this day was moved')
  await back(moved)
  await expect(page.locator('[data-returned]')).toContainText('held there: 1')
  await planned(page)
  await expect(page.locator('.bar.pinned').first()).toBeVisible()
  const csv = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Table (CSV)' }).click()
  expect(readFileSync(await (await csv).path(), 'utf8').split('\r\n')[0]).toContain('start,end,dessert,step,who')
})

test('a batch that is begun puts its dessert\'s first step where it began', async ({ page }) => {
  await page.goto('/today?date=2026-11-28')
  await planned(page)
  await expect(page.locator('[data-cooked]')).toHaveCount(0)
  await page.locator('[data-dessert^="Sweet lemon"]').getByRole('link', { name: 'open' }).click()
  await page.locator('[data-make]').click()
  await page.getByRole('dialog').getByRole('button', { name: 'Start the batch' }).click()
  await page.waitForURL(/\/batch\//)
  await page.goto('/today?date=2026-11-28')
  await planned(page)
  await expect(page.locator('[data-dessert^="Sweet lemon"] [data-cooked]')).toContainText('being made now')
  await planned(page)
  await expect(page.locator('.bar.pinned').first()).toBeVisible()
})

test('a slow meringue shell and a lime pie share one oven: the pie first, or the evening before; each way is a press', async ({ page }) => {
  await plan(page, '2026-12-20', 'key lime pie 10 at 19:00')
  await page.getByText('Something with steps of its own').click()
  await page.locator('[data-own-name]').fill('Meringue shell')
  await page.locator('[data-own-steps]').fill('beat 20, dry in the oven 93 C 90 min, cool in the oven 93 C 150 min, door shut')
  await page.locator('form.own').getByLabel('served at').fill('19:00')
  await page.locator('[data-own-add]').click()
  await planned(page)
  const conflict = page.locator('[data-conflict=ovenTemperatures]').first()
  await expect(conflict).toContainText('cannot share the oven')
  await expect(conflict.locator('[data-way=thisFirst]')).toBeVisible()
  await conflict.locator('[data-way=thisFirst]').click()
  await planned(page)
  await expect(page.locator('.bar.pinned').first()).toBeVisible()
  // Held to the second, it is in nobody's way.
  await expect(page.locator('[data-conflict=heldInTheWay]')).toHaveCount(0)
  // The pie has left the oven before the shell goes in, or is of another day.
  const row = (text: string) => page.locator('.cards tr').filter({ hasText: text }).first().locator('td').first()
  const [pie, shell] = [await row('Key lime pie, orchid room: Bake Deck').textContent(), await row('Meringue shell: beat').textContent()]
  expect(pie!.length > 5 || pie! < shell!).toBe(true)
  await expect(page.locator('[data-chance]').first()).toContainText('on time in')
})
