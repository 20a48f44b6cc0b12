/** The verdict changes as a cook would expect, in the real interface. */
import {
  coldPa,
  expect,
  GRAINY,
  numberIn,
  open,
  platePa,
  put,
  SAGS,
  saved,
  SCONES,
  settled,
  test,
  TUB,
  verdict,
} from './support/lumbik'

test('the first start says whose kitchen it is and leads to the formula that sags; more yolk mends it, and an offer does it with one click', async ({
  page,
}) => {
  await page.goto('/')
  await expect(page.locator('[data-whose]')).toContainText('Fernhollow glasshouse tea room')
  await expect(page.getByRole('textbox', { name: 'Paste a recipe of yours' })).toBeVisible()
  await expect(page.getByText(/sags on the table\. Open it and press/)).toBeVisible()
  await page.getByRole('link', { name: 'Open it' }).click()
  await expect(page).toHaveURL(new RegExp(`/formula/${SAGS}/balance`))
  await settled(page)
  expect(await verdict(page)).toBe('sagsOnTable')
  await expect(page.locator('.sentence')).toContainText('sags')
  await expect(page.getByText('What would bring it there')).toBeVisible()
  const before = await platePa(page)
  await put(page, 'Grams of Egg yolk', 230)
  expect(await platePa(page)).toBeGreaterThan(before)
  await page.getByRole('button', { name: 'Undo' }).click()
  await settled(page)
  await page.locator('.adjust').first().click()
  await settled(page)
  expect(await verdict(page)).toBe('good')
  await expect(page.locator('.adjust:not(.lever)')).toHaveCount(0)
  // The second start is the shelf.
  await page.goto('/')
  await expect(page).toHaveURL(/\/shelf$/)
})

test('yolk, sugar, juice, temperature, depth and fridge each move it the right way', async ({ page }) => {
  await open(page, SCONES)
  const start = await coldPa(page)
  await put(page, 'Grams of Egg yolk', 240)
  expect(await coldPa(page)).toBeGreaterThan(start)
  await put(page, 'Grams of Egg yolk', 192)
  const sour = await page.locator('[data-figure="sweet"]').innerText()
  await put(page, 'Grams of Sweet lemon juice', 300)
  expect(await coldPa(page)).toBeLessThan(start)
  expect(await page.locator('[data-figure="sweet"]').innerText()).not.toBe(sour)
  await put(page, 'Grams of Sweet lemon juice', 190)
  const ratio = await numberIn(page.locator('[data-figure="ratio"]'))
  await put(page, 'Grams of Caster sugar', 260)
  expect(await numberIn(page.locator('[data-figure="ratio"]'))).toBeGreaterThan(ratio)
  await put(page, 'Grams of Caster sugar', 175)

  await page.getByRole('link', { name: /^Heat/ }).click()
  await put(page, 'Take it to', 74)
  expect(['looseCold', 'runny', 'good']).toContain(await verdict(page))
  expect(await coldPa(page)).toBeLessThan(0.8 * start)
  await page.getByLabel('Heat', { exact: true }).selectOption('direct')
  await put(page, 'Take it to', 88)
  expect(await verdict(page)).toBe('grainy')
  await put(page, 'Take it to', 79)

  await page.getByRole('link', { name: /^Chill/ }).click()
  const shallow = await page.locator('[data-fact="set"]').innerText()
  await page.getByRole('link', { name: /^Shape/ }).click()
  await page.getByRole('button', { name: 'Round tin', exact: true }).click()
  await put(page, 'Width at the rim', 90)
  await put(page, 'Height', 130)
  await page.getByRole('link', { name: /^Chill/ }).click()
  expect(await page.locator('[data-fact="set"]').innerText()).not.toBe(shallow)
  await expect(page.locator('.v-more .cautions').first()).toContainText(/Cool/)
  const plate = await coldPa(page)
  await page.getByLabel('Where').nth(1).selectOption({ label: 'fridge, still air, 4 °C' })
  await settled(page)
  expect(await coldPa(page)).not.toBe(plate)
})

test('the demo fails instructively: grainy, and too slow to cool, each with what mends it', async ({ page }) => {
  await open(page, GRAINY, 'heat')
  expect(await verdict(page)).toBe('grainy')
  await page.locator('.adjust', { hasText: 'Stop at' }).click()
  await settled(page)
  expect(await verdict(page)).toBe('good')
  await open(page, TUB, 'chill')
  await expect(page.locator('.v-more .cautions')).toContainText('Cools too slowly.')
  const offers = await page.locator('.adjust').allInnerTexts()
  expect(offers.length).toBeGreaterThan(0)
})

test('orange juice alone warns that it will not do', async ({ page }) => {
  await open(page, SCONES)
  await page.getByRole('button', { name: 'Take out Sweet lemon juice' }).click()
  await page.getByRole('button', { name: 'Take out Citric acid' }).click()
  await page.getByLabel('Add a line').fill('Sweet orange juice')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await put(page, 'Grams of Sweet orange juice', 190)
  await expect(page.locator('.v-more .cautions')).toContainText('Too little acid for a curd.')
  await expect(page.locator('.v-more .cautions')).toContainText('a sixth of lemon')
})

test('wrong values are refused by name, and the last good one stays', async ({ page }) => {
  await open(page, SCONES)
  const before = await coldPa(page)
  const yolk = page.getByRole('spinbutton', { name: 'Grams of Egg yolk' })
  await yolk.fill('a handful')
  await expect(page.getByRole('alert')).toContainText('is not a number')
  await yolk.fill('-5')
  await expect(page.getByRole('alert')).toContainText('between 0 g and 1000000 g')
  await yolk.press('Tab')
  await expect(yolk).toHaveValue('192')
  await settled(page)
  expect(await coldPa(page)).toBe(before)
  await page.getByLabel('Add a line').fill('moon dust')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('not among the ingredients')
})

test('a juice measured under Stock carries through to pH and taste; a lot can be chosen', async ({ page }) => {
  await open(page, SCONES, 'stock')
  const ribbon = page.locator('.stop', { hasText: 'Balance' })
  const before = await ribbon.innerText()
  const where = page.getByLabel(/strength of Sweet lemon juice comes from/)
  await where.selectOption('measured')
  await put(page, 'Measured acid of Sweet lemon juice', 5.5)
  expect(await ribbon.innerText()).not.toBe(before)
  await expect(page.locator('.stop', { hasText: 'Stock' })).toContainText('5.5 % measured')
  await where.selectOption({ label: 'typical fruit, 2.6 % acid (1.6–3.6)' })
  await settled(page)
  await expect(page.locator('.stop', { hasText: 'Stock' })).toContainText('2.6 % typical')
  await saved(page)
})

test('the use can be changed anywhere, and what is asked of the set follows', async ({ page }) => {
  await open(page, SCONES, 'serve')
  await page.getByRole('button', { name: /change the use/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('radio', { name: /^Cut/ }).click()
  await dialog.getByRole('spinbutton', { name: 'Height of the slice' }).fill('30')
  await dialog.getByRole('button', { name: 'Done' }).click()
  await settled(page)
  expect(await verdict(page)).toBe('looseCold')
  await expect(page.locator('.sentence')).toContainText('Too loose to cut')
})

test('pasteurised white that is folded in is a word of care; guests at risk make it a stop, also after a reload', async ({ page }) => {
  await page.goto('/shelf')
  await page.getByRole('link', { name: 'Sweet lemon light custard, moulded' }).first().click()
  await settled(page)
  const head = page.locator('.v-more .cautions')
  await expect(head.locator('li.look').filter({ hasText: 'Egg that is not cooked.' })).toContainText('Not for pregnant')
  await page.getByRole('button', { name: /change the use/ }).click()
  await page.getByRole('checkbox', { name: /Guests at risk/ }).check()
  await page.getByRole('button', { name: 'Done' }).click()
  await settled(page)
  const stop = head.locator('li.stop').filter({ hasText: 'Egg that is not cooked.' })
  await expect(stop).toContainText('Your guests are at risk')
  await saved(page)
  await page.reload()
  await settled(page)
  await expect(stop).toBeVisible()
})

test('zest, sugar and cream: how they are taken says scent, grit, gain and minutes', async ({ page }) => {
  const figure = (key: string) => page.locator(`[data-figure="${key}"]`)
  await open(page, SCONES, 'balance')
  await put(page, 'Grams of Zest', '12')
  await settled(page)
  await expect(page.locator('[data-aroma]')).toContainText('scent full')
  const fine = await numberIn(figure('aroma'))
  const zest = page.locator('[data-ingredient="zest"]')
  await zest.getByText('How it is taken off').click()
  await zest.getByLabel('Cut').selectOption('strips')
  await zest.getByLabel('rubbed into the sugar').uncheck()
  await settled(page)
  await expect.poll(() => numberIn(figure('aroma'))).toBeLessThan(0.9 * fine)
  await expect(figure('grains')).toContainText('0 %')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await settled(page)
  await expect.poll(() => numberIn(figure('aroma'))).toBeCloseTo(fine, 1)
})

test('a mousse whipped by hand: the peak gives the gain, and a cup on the scale says what it really was', async ({ page }) => {
  await page.goto('/shelf')
  await page.getByRole('link', { name: /Bergamot mousse/ }).first().click()
  await settled(page)
  await page.keyboard.press('4')
  await settled(page)
  const whip = page.locator('[data-whipping]')
  await whip.getByLabel('The whisk stops at').selectOption('soft')
  await whip.getByLabel('With').selectOption('hand')
  await settled(page)
  await expect(whip).toHaveAttribute('data-whipping', 'soft')
  await expect(whip.locator('[data-whip-says]')).toContainText('over-whipped')
  await page.getByRole('button', { name: 'Order of work' }).click()
  await expect(page.getByText(/By hand: about/)).toBeVisible()
  await page.getByRole('button', { name: 'The cook' }).click()
  await whip.getByText('Weigh a cup of it before and after').click()
  const cup = async (label: string, g: string) => {
    const field = whip.getByRole('spinbutton', { name: label })
    await field.fill(g)
    await field.press('Tab')
  }
  await cup('Cup of cream, before', '240')
  await cup('Same cup, whipped', '250')
  await expect(whip.getByRole('alert')).toContainText('cannot weigh more')
  await cup('Same cup, whipped', '125')
  await expect(whip.locator('[data-cup]')).toContainText('92 %')
  await whip.getByRole('button', { name: 'Use it' }).click()
  await settled(page)
  await expect(whip.locator('[data-whip-says]')).toContainText('92 %')
})
