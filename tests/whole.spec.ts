/**
 * Whole desserts as cooks use them: begun from a kind, drawn, judged, built in order; a bowl too small says its litres
 * and what fits; a part from the shelf; a mousse cake with its night in the freezer planned for a day.
 */
import type { Page } from '@playwright/test'
import { expect, SCONES, test } from './support/lumbik'

const main = (page: Page) => page.locator('main.plate')
async function settled(page: Page) {
  await expect(main(page)).toHaveAttribute('data-settled', 'true')
  await expect(main(page)).toHaveAttribute('data-save', 'saved')
}
async function begin(page: Page, kind: string) {
  await page.goto('/new')
  await page.locator(`[data-begin=${kind}]`).click()
  await page.waitForURL(/\/whole$/)
  await settled(page)
}
const verdict = (page: Page) => page.locator('[data-verdict]')
const levels = (page: Page) => page.locator('svg [data-level]')

test('a mousse cake with an insert is begun, drawn, judged and built; its layers move and come back', async ({ page }) => {
  await begin(page, 'mousseCake')
  await expect(verdict(page)).toHaveAttribute('data-verdict', 'stands')
  // Four parts, drawn from the fridge and on the plate.
  await expect(levels(page)).toHaveCount(8)
  await expect(page.locator('[data-build]')).toHaveCount(7)
  await expect(page.locator('[data-build=glaze]')).toContainText('28 °C to 35 °C')
  await expect(page.locator('[data-build=freezeInsert]')).toContainText('only frozen does it lift out whole')
  // Without its glaze it need not be frozen whole.
  await page.getByRole('button', { name: 'Take Lemon glaze out' }).click()
  await settled(page)
  await expect(levels(page)).toHaveCount(6)
  await expect(page.locator('[data-build=glaze]')).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await settled(page)
  await expect(levels(page)).toHaveCount(8)
})

test('a layered bowl: more of it than the bowl holds says its litres and a factor, which fits with one press', async ({ page }) => {
  await begin(page, 'trifle')
  const sponge = page.getByLabel('Weight of Sponge layer')
  await sponge.fill('500')
  await sponge.press('Enter')
  await settled(page)
  await expect(verdict(page)).toHaveAttribute('data-verdict', 'overflows')
  await expect(verdict(page)).toContainText(/It needs \d\.\d l and there is room for \d\.\d l: a larger vessel, or × \.\d\d/)
  await page.locator('[data-fit]').click()
  await settled(page)
  await expect(verdict(page)).not.toHaveAttribute('data-verdict', 'overflows')
  await sponge.fill('nonsense')
  await sponge.press('Enter')
  await expect(page.locator('[data-made]').filter({ hasText: 'by thickness' }).first()).toBeVisible()
  // By thickness instead, and back on the page after a reload.
  await page.getByRole('button', { name: 'by thickness' }).first().click()
  await settled(page)
  await expect(page.getByLabel(/^Thickness of/)).toHaveCount(1)
  await page.reload()
  await settled(page)
  await expect(page.getByLabel(/^Thickness of/)).toHaveCount(1)
})

test('a bare shell goes soft before it is eaten; sealed it does not', async ({ page }) => {
  await begin(page, 'gelatinTart')
  await expect(verdict(page)).toHaveAttribute('data-verdict', 'stands')
  const seal = page.locator('.seals button')
  await expect(seal).toHaveAttribute('aria-pressed', 'true')
  await seal.click()
  await settled(page)
  await expect(verdict(page)).toHaveAttribute('data-verdict', 'goesSoft')
  await expect(verdict(page)).toContainText('before it is eaten')
  await seal.click()
  await settled(page)
  await expect(verdict(page)).toHaveAttribute('data-verdict', 'stands')
})

test('a part comes from the shelf, says its version, and is taken anew once its formula has changed', async ({ page }) => {
  await begin(page, 'filledSponge')
  const whole = page.url()
  const shelf = page.getByLabel('A part from the shelf')
  await shelf.focus()
  await shelf.selectOption({ label: 'Sweet lemon curd for the scones' })
  await page.locator('[data-take-part]').click()
  await settled(page)
  await expect(page.locator('[data-from-shelf]')).toContainText('as of version')
  await expect(page.locator('[data-retake]')).toHaveCount(0)
  // The curd of the scones is changed where it stands.
  await page.goto(`/formula/${SCONES}/balance`)
  const workspace = page.locator('main.workspace')
  await expect(workspace).toHaveAttribute('data-settled', 'true')
  const name = page.getByLabel('Name of the formula')
  await name.fill('Sweet lemon curd, once more')
  await name.blur()
  await expect(workspace).toHaveAttribute('data-save', 'saved')
  await page.goto(whole)
  await settled(page)
  await page.locator('[data-retake]').click()
  await settled(page)
  await expect(page.locator('[data-retake]')).toHaveCount(0)
})

test('on a phone, in its words, with nothing over the edge; an open part leads to its stations', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await begin(page, 'pavlova')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await expect(page.locator('.legend')).toContainText('Berries, 15 mm')
  await page.locator('[data-part-row] button').click()
  await expect(page.locator('main.workspace')).toHaveAttribute('data-settled', 'true')
  await page.locator('[data-whole]').click()
  await settled(page)
})

test('the tea room\'s mousse cake is planned for a day with its night in the freezer', async ({ page }) => {
  await page.goto('/today?date=2026-12-12')
  const day = page.locator('main.today')
  await expect(day).toHaveAttribute('data-settled', 'true')
  await page.getByLabel('What is wanted, and by when').fill('orchid mousse cake 12 at 19:00')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(day).toHaveAttribute('data-unsent', 'false')
  await expect(day).toHaveAttribute('data-settled', 'true')
  await expect(page.locator('[data-chance]')).toContainText('on time in')
  const steps = page.locator('.cards td:nth-child(2)')
  await expect(steps.filter({ hasText: 'Lay in, frozen: Passion heart' })).toBeVisible()
  // What freezes through is begun the evening before.
  const glaze = page.locator('.cards tr').filter({ hasText: 'Glaze: Lemon glaze' }).first()
  await expect(glaze).toContainText('Fri 11 Dec')
})

test('domes are begun, filled upside down and turned out; how parts come together is chosen', async ({ page }) => {
  await begin(page, 'domes')
  await expect(page.locator('[data-build]')).toHaveText([/Pour/, /Lay in/, /Freeze the whole/, /Turn it out, frozen/, /Thaw/])
  const top = levels(page).last()
  await expect(top).toHaveClass(/filling/)
  await page.getByLabel('comes together').selectOption('level')
  await settled(page)
  await expect(page.locator('[data-build=turnOut]')).toHaveCount(0)
  await expect(top).toHaveClass(/sponge/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await settled(page)
  await expect(page.locator('[data-build=turnOut]')).toHaveCount(1)
})

test('fruit is a formula: read from a text, it yields and runs; laid into a dessert it is a part; a part goes onto the shelf', async ({ page }) => {
  await page.goto('/new')
  const text = page.getByLabel('Formula text')
  const lines = 'Raspberry coulis\n500 g raspberries\n75 g icing sugar\n30 g lemon juice\n'
  // With eggs whole fruit may lie in it or on it: that is asked. By itself it is what is made.
  await text.fill(`${lines}3 eggs`)
  await expect(page.getByRole('group', { name: 'Does “raspberries” go into it?' })).toBeVisible()
  await text.fill(`${lines}Blend everything and strain.`)
  await expect(page.locator('[data-questions="0"]')).toBeVisible()
  await expect(page.getByRole('radio', { name: /^Fruit or sauce/ })).toHaveAttribute('aria-checked', 'true')
  await expect(page.getByRole('radio', { name: /^Over or beside/ })).toHaveAttribute('aria-checked', 'true')
  await page.getByLabel('Name', { exact: true }).fill('Coulis of the palm house')
  await page.getByRole('button', { name: 'Put it on the bench' }).click()
  const workspace = page.locator('main.workspace')
  await expect(workspace).toHaveAttribute('data-settled', 'true')
  await expect(page.locator('[data-verdict]').first()).toContainText('it needs no set')
  // The map does not ask for a set, and no egg is blamed where there is none.
  await expect(page.locator('[data-fact="third"]')).toHaveCount(0)
  await expect(page.getByText('Nothing you can measure moves it.')).toBeVisible()
  await page.getByRole('link', { name: /^Shape/ }).click()
  const figures = page.locator('[data-fruit-figures]')
  await expect(figures.locator('[data-part-figure="yields"]')).toContainText('605 g')
  await expect(figures.locator('[data-part-figure="runs"]')).toContainText('mm')
  await expect(workspace).toHaveAttribute('data-save', 'saved')

  // Into a curd, as the part it is.
  await page.goto(`/formula/${SCONES}/shape`)
  await expect(workspace).toHaveAttribute('data-settled', 'true')
  await page.getByRole('button', { name: 'Crust, topping, layers' }).click()
  const shelf = page.getByLabel('A part from the shelf')
  await shelf.focus()
  await shelf.selectOption({ label: 'Coulis of the palm house' })
  await page.locator('[data-take-part]').click()
  await expect(workspace).toHaveAttribute('data-settled', 'true')
  const laid = page.locator('[data-part=layers] [data-made]').filter({ hasText: 'as of version' })
  await expect(laid.locator('[data-part-figures="coulis"]')).toBeVisible()

  // A sauce of this dessert onto the shelf, and open there.
  await page.getByLabel('Laid in', { exact: true }).selectOption({ label: 'Sauce of juice, bound' })
  await page.locator('[data-lay-in]').click()
  await expect(workspace).toHaveAttribute('data-settled', 'true')
  const sauce = page.locator('[data-made]').filter({ has: page.locator('[data-part-figures="boundSauce"]') })
  await sauce.locator('[data-alone]').click()
  await page.getByRole('button', { name: 'Open it' }).click()
  await expect(page.getByLabel('Name of the formula')).toHaveValue('Sauce of juice, bound')
  await expect(workspace).toHaveAttribute('data-settled', 'true')
  await page.getByRole('link', { name: /^Heat/ }).click()
  await page.getByRole('button', { name: 'Order of work' }).click()
  await expect(page.getByText(/till it thickens|boil/i).first()).toBeVisible()
})
