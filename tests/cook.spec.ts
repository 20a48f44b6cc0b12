/**
 * Shape, Heat, Chill and Serve as a new cook uses them: fit, cuts and parts, the boil and the oven, the cold as a
 * picture, dinner at seven.
 */
import type { Page } from '@playwright/test'
import { expect, numberIn, open, put, saved, settled, test, TUB } from './support/lumbik'

const demo = (n: number) => `0e1f0000-0006-4000-8000-${n.toString(16).padStart(12, '0')}`
const [POSSET, BARS, PIE, MERINGUE, TART] = [demo(6), demo(8), demo(9), demo(10), demo(16)]
const fact = (page: Page, name: string) => page.locator(`[data-fact="${name}"]`)
const view = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).first().click()
/** The clock of a text, in minutes of its day. */
const minutesOf = (text: string) => {
  const [h, m] = /(\d\d):(\d\d)/.exec(text)!.slice(1).map(Number) as [number, number]
  return 60 * h + m
}

test('a 9 × 13 formula goes into an 8 × 8 tin with whole eggs: depth, new oven time, grid and crust follow', async ({
  page,
}) => {
  await open(page, BARS, 'shape')
  const fit = async (key: string) => {
    await view(page, 'Into another tin')
    await page.getByLabel('Into', { exact: true }).selectOption(key)
    await expect(page.locator('[data-fit]')).toHaveAttribute('data-fit', 'settled')
  }
  await fit('us-9x13')
  // 9 × 13 over 20 × 20 cm, both a little narrower below: about 1.8 times four eggs.
  await expect(page.locator('[data-answer="fit"]')).toContainText('4 eggs become 7 eggs')
  await page.getByRole('button', { name: 'Put it in this one' }).click()
  await settled(page)
  await fit('us-sq8')
  await expect(page.locator('[data-answer="fit"]')).toContainText('7 eggs become 4 eggs')
  const depth = await numberIn(fact(page, 'fit-depth'))
  const time = await numberIn(fact(page, 'fit-time'))
  await page.getByRole('button', { name: 'Put it in this one' }).click()
  await settled(page)
  await view(page, 'Tin and fill')
  expect(await numberIn(fact(page, 'depth'))).toBeCloseTo(depth, 1)
  await page.locator('.ribbon a[href$="/heat"]').click()
  expect(await numberIn(fact(page, 'heat-time'))).toBe(time)
  await page.locator('.ribbon a[href$="/shape"]').click()
  await view(page, 'Portions and cuts')
  await put(page, 'Trim off all round', 5)
  await expect(fact(page, 'piece')).toContainText(/^(\d+) × (\d+) mm$/)
  await put(page, 'A slice this high', 24)
  await expect(fact(page, 'cut-so-high')).toHaveText(/can be cut|is too high to cut/)
  await view(page, 'Crust, topping, layers')
  const crust = await numberIn(fact(page, 'crust-mass'))
  await put(page, 'Thickness', 12)
  expect(await numberIn(fact(page, 'crust-mass'))).toBeCloseTo(2 * crust, -1)
  await page.locator('[data-part="topping"]').getByRole('button', { name: 'Meringue, boiled sugar' }).click()
  await settled(page)
  await expect(fact(page, 'meringue')).toContainText('no proof that they are cooked')
  await expect(page.locator('.parts .cautions')).toContainText('pasteurised', { ignoreCase: true })
  await page.locator('[data-part="topping"]').getByRole('button', { name: 'Meringue, warmed over a bath' }).click()
  await settled(page)
  await expect(fact(page, 'meringue')).toContainText('72 °C')
  await saved(page)
})

test('the pie doubled in one tin and in two gets two times, each with its reason; a time is scaled by its rule', async ({
  page,
}) => {
  await open(page, PIE, 'heat')
  await view(page, 'Other batches and tins')
  await expect(page.locator('[data-variants="settled"] [data-variant]').first()).toBeVisible()
  const row = (code: string) => page.locator('tr', { has: page.locator(`[data-variant="${code}"]`) })
  const minutes = async (code: string) => {
    const [, h, m] = /(?:(\d+) h )?(\d+)(?: min|\n|\t|$)/.exec(await row(code).locator('td').nth(1).innerText())!
    return 60 * Number(h ?? 0) + Number(m)
  }
  const planned = await minutes('planned')
  expect(await minutes('doubleSameTin')).toBeGreaterThan(1.6 * planned)
  expect(Math.abs((await minutes('doubleTwoTins')) - planned)).toBeLessThanOrEqual(2)
  await expect(row('doubleSameTin')).toContainText('heat has to come from further away')
  await expect(row('doubleTwoTins')).toContainText('bakes as before')
  await put(page, 'It took', 20)
  await put(page, 'at a depth of', 20)
  await put(page, 'now at', 40)
  await expect(page.locator('[data-answer="scaled"]')).toContainText('47 min')
  await view(page, 'Whip')
  await expect(page.locator('[data-answer="scaled"]')).toContainText('20 min')
})

test('a posset stops by the scale, earlier with less sugar; a pan is weighed once, for the whole kitchen', async ({
  page,
}) => {
  await open(page, POSSET, 'heat')
  await view(page, 'The boil')
  // 1120 g of pan, 720 of cream, 130 of sugar, 2 of zest, less .62 · 130.
  await expect(page.locator('[data-answer="stop"]')).toContainText('1,891 g')
  await page.locator('.ribbon a[href$="/balance"]').click()
  await put(page, 'Grams of Caster sugar', 90)
  await page.locator('.ribbon a[href$="/heat"]').click()
  await expect(page.locator('[data-answer="stop"]')).toContainText('1,876 g')
  await view(page, 'The cook')
  await page.getByLabel('Pan', { exact: true }).selectOption('Tall milk pan')
  await settled(page)
  await expect(page.locator('.v-more .cautions')).toContainText('The pan is too small.')
  await page.getByRole('spinbutton', { name: 'It weighs, empty' }).fill('900')
  await page.getByRole('spinbutton', { name: 'It weighs, empty' }).press('Enter')
  await expect(fact(page, 'pan-stop')).toContainText('1,656 g')
  await saved(page)
  await page.goto('/kitchen')
  await expect(
    page.locator('[data-kitchen-part="pans"] li').nth(1).getByRole('spinbutton', { name: 'Weighs, empty' }),
  ).toHaveValue('900')
})

test('the deep tub fails the cooling rule in the picture, split it passes; the section runs; ranges say what decides', async ({
  page,
}) => {
  await open(page, TUB, 'chill')
  await view(page, 'The cold going in')
  const way = (key: string) => page.locator(`[data-cold="settled"] [data-way="${key}"]`)
  await expect(way('planned').locator('[data-safe]')).toHaveAttribute('data-safe', 'no')
  await expect(way('split4').locator('[data-safe]')).toHaveAttribute('data-safe', 'yes')
  await expect(page.locator('.coldmap')).toHaveCount(2)
  await expect(page.locator('.coldmap canvas').first()).toBeVisible()
  const slider = page.getByRole('slider', { name: 'Time after pouring' })
  await slider.press('Home')
  await expect(page.locator('[data-scrub]')).toHaveText('poured')
  await slider.press('End')
  await expect(way('split4')).toContainText('100 % of it set')
  await page.getByLabel('Beside it').selectOption('iceBath')
  await expect(way('iceBath')).toBeVisible()
  await page.getByLabel('Beside it').selectOption('split4')
  await way('split4').getByRole('button', { name: 'Do it this way' }).click()
  await settled(page)
  await expect(page.locator('.sentence')).not.toContainText('Cools too slowly')
  await view(page, 'When')
  await expect(page.locator('[data-when]')).toHaveAttribute('data-when', 'settled')
  const row = page.locator('[data-when-row="serve"]')
  await expect(row).toContainText('set through, by egg')
  const [likely, quick, slow] = (await row.innerText()).match(/\d\d:\d\d/g)!.map(minutesOf)
  expect(quick!).toBeLessThan(likely!)
  expect(likely!).toBeLessThan(slow!)
  expect(await numberIn(fact(page, 'sweat-now'))).toBeGreaterThan(await numberIn(fact(page, 'sweat-later')))
})

test('a tart frozen to leave its ring: firm in the freezer, thawed before the knife', async ({ page }) => {
  await open(page, TART, 'chill')
  await view(page, 'When')
  await expect(page.locator('[data-when]')).toHaveAttribute('data-when', 'settled')
  const at = async (what: string) =>
    minutesOf(await page.locator(`[data-when-row="${what}"] [data-likely]`).innerText())
  const [unmould, thawed, cut] = [await at('unmould'), await at('thawed'), await at('cut')]
  expect(unmould).toBeLessThan(thawed)
  expect(cut).toBeGreaterThanOrEqual(thawed)
  await expect(page.locator('[data-when-row="unmould"]')).toContainText('a frozen edge')
})

test('dinner at 19:00 gives the start, and a bench card with weights, degrees and cues; a label in two sizes', async ({
  page,
}) => {
  await open(page, MERINGUE, 'serve')
  await page.getByLabel('Or: to be served at').fill('2026-11-28T19:00')
  const way = page.locator('[data-plan-way="latest"]')
  await expect(way).toContainText('Begin at the latest')
  const begins = async () => minutesOf(await way.locator('[data-fact="begins"]').innerText())
  const latest = await begins()
  await way.getByRole('button', { name: 'Plan it so' }).click()
  await settled(page)
  // The shell is made first: work begins before the pan goes on.
  const start = minutesOf((await page.getByLabel('Pan goes on at').inputValue()).slice(11))
  expect(start - latest).toBeGreaterThan(60)
  expect(minutesOf(await page.locator('[data-plan="begins"]').innerText())).toBe(latest)
  // From its mould, cut and served are three times, not one.
  expect(minutesOf(await page.locator('[data-plan="out"]').innerText())).toBeLessThan(19 * 60)
  await expect(page.locator('[data-plan="served"]')).toHaveText('19:00')
  // Asked for again it is as it is; eaten warmer it comes out of the cold before, and starts earlier.
  await expect(way.getByRole('button', { name: 'Planned so' })).toBeDisabled()
  await put(page, 'Eaten at, its mean', 12)
  await settled(page)
  await expect(way).toContainText('Out of the cold 18:')
  await expect.poll(begins).toBeLessThan(latest)
  await way.getByRole('button', { name: 'Plan it so' }).click()
  await expect(way.getByRole('button', { name: 'Planned so' })).toBeDisabled()
  await expect(page.locator('[data-plan="served"]')).toHaveText(/19:0|18:5/)
  // This cook's own minutes move the start, and nothing else.
  const planned = await begins()
  await page.getByText('My own minutes').click()
  await put(page, 'Rest before pouring', 20)
  await expect.poll(begins).toBe(planned - 20)
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect.poll(begins).toBe(planned)
  await expect(fact(page, 'temper')).toContainText('out of the cold')
  // The time of service is kept with the occasion.
  await saved(page)
  await page.reload()
  await expect(page.getByLabel('Or: to be served at')).toHaveValue('2026-11-28T19:00')
  await expect(way).toBeVisible()
  await view(page, 'Keeping')
  await put(page, 'Somebody says it keeps', 28)
  await expect(page.locator('.keeping')).toContainText('28 days is longer than it may be kept.')
  await put(page, 'Somebody says it keeps', '')
  await saved(page)
  await view(page, 'Label and bench card')
  await page.getByRole('link', { name: 'To print' }).click()
  await expect(page.locator('[data-sheet="ready"] [data-label]')).toContainText('Use by')
  await expect(page.locator('[data-label]')).toContainText('egg yolk (egg)')
  const width = async () => ((await page.locator('[data-label]').boundingBox())!.width / 96) * 25.4
  expect(await width()).toBeCloseTo(62, 0)
  await page.getByRole('link', { name: 'A6 card' }).click()
  await expect.poll(width).toBeGreaterThan(104)
  await page.goto(`/formula/${MERINGUE}/card`)
  const steps = page.locator('[data-sheet="ready"] [data-work]')
  await expect(steps.first()).toBeVisible()
  const card = await page.locator('.order').innerText()
  for (const part of [
    '330 g water',
    '120 g lemon juice',
    '97 °C',
    'Until: thick, slow bubbles that plop',
    'oven 175 °C',
  ])
    expect(card.replace(/\s+/g, ' ')).toContain(part)
  expect(card).toMatch(/18:5\d|19:0\d/)
  const pages = (await page.pdf({ preferCSSPageSize: true })).toString('latin1').match(/\/Type\s*\/Page[^s]/g)!.length
  expect(pages).toBeLessThanOrEqual(2)
  await expect(page.locator('[data-weigh]').first()).toContainText('g')
  await expect(page.locator('[data-preheat]').first()).toContainText('175 °C by the dial')
  await expect(page.locator('[data-card-allergens]')).toContainText('egg')
})

test('every kind of dessert runs through all six stations', async ({ page }) => {
  for (const n of [1, 6, 8, 9, 11, 12, 13, 14, 15, 22]) {
    await open(page, demo(n), 'stock')
    for (const station of ['balance', 'shape', 'heat', 'chill', 'serve']) {
      await page.locator(`.ribbon a[href$="/${station}"]`).click()
      await expect(page).toHaveURL(new RegExp(`/${station}$`))
      const part = {
        balance: null,
        shape: 'Crust, topping, layers',
        heat: 'Order of work',
        chill: 'The plan',
        serve: 'Label and bench card',
      }[station]
      if (part) await view(page, part)
      await settled(page)
      await expect(page.locator('.conflict')).toHaveCount(0)
      expect(await page.locator('main').innerText()).not.toMatch(/NaN|undefined|Infinity/)
    }
  }
})

test('tins, ovens and pans are the kitchen\'s: one known by its water is filled by it', async ({ page }) => {
  await page.goto('/kitchen')
  const tins = page.locator('[data-kitchen-part="vessels"]')
  await tins.getByLabel('Add one like').selectOption('m-dome')
  const mine = tins.locator('li').last()
  await mine.getByLabel('Name').fill('Moon mould')
  await mine.getByRole('spinbutton', { name: 'Holds, by water' }).fill('70')
  await mine.getByRole('spinbutton', { name: 'Holds, by water' }).press('Enter')
  await expect(mine).toContainText('holds 70 ml, by water')
  await page.locator('[data-kitchen-part="ovens"]').getByRole('button', { name: 'Add an oven' }).click()
  await expect(page.locator('main.kitchen')).toHaveAttribute('data-kitchen-save', 'saved')
  await open(page, demo(11), 'shape')
  await page.getByLabel('Tin or dish').selectOption('Moon mould')
  await settled(page)
  await put(page, 'How many', 12)
  await expect(page.locator('.shape figcaption').first()).toContainText('Holds 70 ml to the rim')
  await saved(page)
})
