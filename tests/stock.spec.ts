/**
 * Taking stock, in the browser: a pasted formula becomes grams, lots have their strength, and what binds is answered.
 */
import { expect, open, put, SAGS, saved, SCONES, settled, test, workspace } from './support/lumbik'
import type { Page } from '@playwright/test'

const view = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Parts of the stock' }).getByRole('button', { name, exact: true }).click()
const usCups = async (page: Page) => {
  await page.goto('/kitchen')
  await page.getByLabel('Cups and spoons in recipes you paste').selectOption('us')
  await expect(page.locator('main.kitchen')).toHaveAttribute('data-kitchen-save', 'saved')
}

const UNSEEN = `# Lime pie for the orchid room

## Filling
- 2 cans condensed milk
- 6 large egg yolks (84 g)
- 1/2 cup plus 1 tbsp lime juice
- ½ cup heavy cream
- zest of 3 limes

## For the crust
- 1 1/2 cups graham cracker crumbs
- 1 stick butter, melted

## Method
1. Whisk yolks, condensed milk, cream and lime juice.
2. Press the crumbs and butter into the dish and bake at 350 °F 160 °C.`

test('an unseen formula in cups and cans becomes grams, with every doubt asked and every gap found', async ({
  page,
}) => {
  await page.goto('/new')
  await page.getByLabel('Formula text, one ingredient a line').fill(UNSEEN)
  const ask = (text: string) => page.locator('[data-line-index]').filter({ hasText: text })
  await expect(ask('2 cans condensed milk')).toHaveAttribute('data-read', 'can')
  // Sticks, graham crackers and heavy cream say whose cups they are.
  await expect(page.locator('[data-country]')).toHaveAttribute('data-country', 'us')
  // The lint: a yolk too light for its grade, zest that is never added, two temperatures, a tin with no size.
  for (const code of ['tinNoSize', 'yolkWeight', 'zestNeverAdded', 'twoTemperatures'])
    await expect(page.locator(`[data-lint="${code}"]`)).toBeVisible()
  await ask('2 cans condensed milk').getByRole('button', { name: '397 g' }).click()
  // While a pointer is over the list nothing in it slides.
  await page.locator('[data-lints] h3').hover()
  await page
    .locator('[data-lint="zestNeverAdded"]')
    .getByRole('button', { name: /add “Add the zest/ })
    .click()
  await page.locator('[data-lint="twoTemperatures"]').getByRole('button').first().click()
  await page
    .locator('[data-lint="yolkWeight"]')
    .getByRole('button', { name: /6 large egg yolks/ })
    .click()
  await expect(page.locator('[data-questions]')).toHaveAttribute('data-questions', '0')
  await expect(page.locator('[data-lint]')).toHaveCount(0)
  // By hand: 2 × 397 g; 6 × 17 g; (118.3 + 14.8) ml × 1.03; 118.3 × 1.005; 3 × 1.5 g.
  await expect(ask('2 cans condensed milk')).toContainText('794 g')
  await expect(ask('6 large egg yolks')).toContainText('102 g')
  await expect(ask('1/2 cup plus 1 tbsp lime juice')).toContainText('137 g')
  await expect(ask('½ cup heavy cream')).toContainText('119 g')
  // The oven of the method is told.
  await expect(page.locator('[data-stated]')).toContainText('oven')
  await page.getByRole('radio', { name: /^Cut/ }).click()
  await page.getByRole('button', { name: 'Put it on the bench' }).click()
  await settled(page)
  await expect(page.getByLabel('Name of the formula')).toHaveValue('Lime pie for the orchid room')
  await expect(page.locator('[data-ingredient="condensed"]')).toContainText('2 cans of 397 g, kept whole')
  // The crust's butter is not in the filling.
  await expect(page.locator('table.lines [data-ingredient]')).toHaveCount(5)
  // The cook's own method stands beside the order of work; what differs can be kept; the text can be read again.
  await page.keyboard.press('4')
  await page.getByRole('button', { name: 'Order of work' }).click()
  const pasted = page.locator('[data-part="pasted"]')
  await expect(pasted).toContainText('Whisk yolks, condensed milk, cream and lime juice.')
  await page.getByRole('button', { name: 'The cook' }).click()
  const at = page.getByRole('spinbutton', { name: /Oven at/ })
  await at.fill('140')
  await at.press('Enter')
  await settled(page)
  await page.getByRole('button', { name: 'Order of work' }).click()
  await pasted.locator('[data-differs="oven"]').getByRole('button', { name: 'Keep mine' }).click()
  await settled(page)
  await expect(pasted.locator('[data-differs="oven"]')).toHaveCount(0)
  await pasted.getByRole('button', { name: 'Read the text again' }).click()
  await expect(page.getByLabel('Formula text, one ingredient a line')).toHaveValue(/Lime pie for the orchid room/)
})

test('four cups of juice, two cups of yolk: factor, limit, leftovers, and what using it all would take', async ({
  page,
}) => {
  await usCups(page)
  await open(page, SCONES)
  // Equal measures, a cup each.
  await put(page, 'Grams of Sweet lemon juice', '1 cup')
  await put(page, 'Grams of Egg yolk', '1 cup')
  await page.goto(`/formula/${SCONES}/stock`)
  await settled(page)
  await view(page, 'What binds')
  const say = async (name: string, amount: string) => {
    await page.getByRole('button', { name: `Say how much ${name} there is` }).click()
    const field = page.getByRole('spinbutton', { name: `How much ${name} there is` })
    await field.fill(amount)
    await field.press('Enter')
  }
  await say('Sweet lemon juice', '4 cups')
  await say('Egg yolk', '2 cups')
  const answer = page.locator('[data-answer="binds"]')
  await expect(answer).toContainText('× 2.00')
  await expect(answer).toContainText('Egg yolk stops it')
  const left = answer.locator('[data-left="lemon_sweet"]')
  await expect(left).toContainText('487 g sweet lemon juice')
  await expect(left).toContainText('To use all of it: × 4.00, which takes 487 g more egg yolk')
  await saved(page)
  await page.reload()
  await settled(page)
  await expect(page.locator('[data-answer="binds"]')).toContainText('× 2.00')
  await page.getByRole('button', { name: 'Scale the formula to this' }).click()
  await settled(page)
  await page.goto(`/formula/${SCONES}/balance`)
  await settled(page)
  expect(Number(await page.getByRole('spinbutton', { name: 'Grams of Sweet lemon juice' }).inputValue())).toBeCloseTo(
    487.4,
    0,
  )
})

test('a titration of 1.5 g with 12.1 ml of 0.1 M is 5.2 %, and the formula follows', async ({ page }) => {
  await open(page, SCONES, 'stock')
  await view(page, 'Strength')
  await page.getByRole('button', { name: 'A new lot' }).click()
  await page.getByLabel('Name of the lot').fill('Vine house, Saturday')
  for (const [label, value] of [
    ['Sample', '1.5'],
    ['NaOH used', '12.1'],
    ['Strength of NaOH', '0.1'],
  ] as const)
    await page.getByRole('spinbutton', { name: label, exact: true }).fill(value)
  await expect(page.locator('[data-answer="strength"]')).toContainText('5.2 %')
  await page.getByRole('button', { name: 'Save and use it here' }).click()
  await expect(workspace(page)).toContainText('5.2 % measured')
  await settled(page)
  await saved(page)
  await page.reload()
  await settled(page)
  await expect(workspace(page)).toContainText('5.2 % measured')
  await view(page, 'On the bench')
  await expect(page.locator('[data-ingredient="lemon_sweet"] select')).toContainText(
    'lot: Vine house, Saturday, 5.2 %',
  )
  // Twenty grams of citric acid and the like: brought to a strength by arithmetic.
  await view(page, 'Strength')
  await page.getByLabel('Lot', { exact: true }).selectOption({ label: 'Vine house, Saturday, 5.2 %' })
  await page.getByRole('spinbutton', { name: 'How much of it' }).fill('500')
  await page.getByRole('spinbutton', { name: 'Wanted strength' }).fill('4')
  // 500 × (5.166 / 4 − 1) = 146 g of water.
  await expect(page.locator('[data-answer="to-strength"]')).toContainText('146 g water')
  // A card that cannot be says which field; nothing typed is lost by leaving.
  await page.getByRole('button', { name: 'A new lot' }).click()
  await page.getByRole('button', { name: 'pH', exact: true }).click()
  await page.getByRole('spinbutton', { name: 'Reading' }).fill('5.9')
  await expect(page.locator('[data-answer="strength"]')).toContainText('No juice of this kind has that pH')
  await page.reload()
  await settled(page)
  await view(page, 'Strength')
  await expect(page.getByRole('spinbutton', { name: 'Reading' })).toHaveValue('5.9')
})

test('covers, fruit and eggs: multiplied, never spent twice, kept whole, and all of it there after a reload', async ({
  page,
}) => {
  await open(page, SAGS, 'stock')
  await view(page, 'How many for')
  await page.getByRole('spinbutton', { name: 'People' }).fill('16')
  await page.getByRole('spinbutton', { name: 'Pieces each' }).fill('3')
  // Twelve slices now, 48 wanted: a little under four times, since the pan keeps the same grams.
  await expect(page.locator('[data-answer="covers"]')).toContainText(/× 3\.9\d|× 4\.0/)
  await page.getByRole('button', { name: 'Multiply the formula' }).click()
  await settled(page)
  await expect(page.getByText('The formula makes just that.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await settled(page)

  await view(page, 'Fruit')
  await page.getByLabel('Add fruit').selectOption({ label: 'bergamot, medium' })
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  const fruit = page.locator('[data-fruit="bergamot"]')
  // 265 g of juice at 50 g each: six.
  await expect(fruit.getByRole('spinbutton', { name: 'how many', exact: true })).toHaveValue('6')
  const part = (name: string) => fruit.getByRole('spinbutton', { name: new RegExp(`^${name}: from how many`) })
  await part('zest').fill('4')
  await part('peel').fill('5')
  await part('peel').press('Enter')
  await expect(part('zest')).toHaveValue('1')
  await expect(fruit.locator('[data-part="juice"]')).toContainText('300 g')
  await fruit.getByRole('spinbutton', { name: 'juice as it came' }).fill('250')
  await expect(page.locator('[data-ledger="bergamot"]')).toContainText('250 g measured')
  await expect(page.locator('[data-ledger="bergamot"]')).toContainText('15 g short')
  await page
    .getByRole('row', { name: /^Bergamot juice/ })
    .getByRole('button', { name: 'Line to 250 g' })
    .click()

  await view(page, 'Eggs')
  await expect(page.locator('[data-answer="eggs"]')).toContainText('9 eggs to crack; 9 whites left over')
  await expect(page.locator('[data-surplus="whites"]')).toContainText('light custard')
  await page.getByRole('button', { name: 'Keep whole: 9' }).click()
  await settled(page)
  await saved(page)
  await page.reload()
  await settled(page)
  await expect(page.getByRole('button', { name: 'Kept whole' })).toBeVisible()
  await view(page, 'Fruit')
  await expect(
    page.locator('[data-fruit="bergamot"]').getByRole('spinbutton', { name: 'juice as it came' }),
  ).toHaveValue('250')
})

test('what the table does not know is added from its package, at the line and in a pasted text', async ({ page }) => {
  await open(page, SCONES, 'balance')
  await page.getByLabel('Add a line').fill('Rowan jelly')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await page.getByRole('button', { name: 'Add “Rowan jelly” from its package label' }).click()
  const card = page.getByRole('dialog', { name: 'From its package label' })
  await expect(card.getByLabel('Name, as you write it')).toHaveValue('Rowan jelly')
  await card.getByLabel('What it is like').selectOption('sugar')
  const say = async (label: string, value: string) => {
    const field = card.getByRole('spinbutton', { name: label, exact: true })
    await field.fill(value)
    await field.press('Tab')
  }
  // More sugars than carbohydrate: refused by its field, and nothing of it is lost.
  await say('of which sugars', '60')
  await say('Carbohydrate', '40')
  await card.getByRole('button', { name: 'Keep it' }).click()
  await expect(card.getByRole('alert')).toContainText('sugars')
  await say('Carbohydrate', '62')
  await expect(card.locator('[data-label-water]')).toContainText('38.0 g of water')
  await say('Acid (as citric; of milk, lactic)', '1.5')
  await say('A 15 ml spoon weighs', '19.5')
  await say('Price', '12')
  await card.getByLabel('sesame').check()
  await card.getByRole('button', { name: 'Keep it' }).click()
  await put(page, 'Grams of Rowan jelly', '30 ml')
  await expect(page.getByRole('spinbutton', { name: 'Grams of Rowan jelly' })).toHaveValue('39')
  await page.goto(`/formula/${SCONES}/serve`)
  await settled(page)
  await expect(page.getByText(/sesame/).first()).toBeVisible()
  // The kitchen has it, with its price; a pasted text names it; what is changed is another from then on.
  await page.goto('/kitchen')
  await expect(page.locator('[data-own="Rowan jelly"]')).toContainText('60 g sugars')
  await expect(page.locator('[data-price^="own:Rowan jelly"]')).toBeVisible()
  await page.goto('/new')
  await page.getByLabel('Formula text, one ingredient a line').fill('200 g rowan jelly\n3 eggs\n100 g lemon juice\n80 g butter')
  const line = page.locator('[data-line-index]').filter({ hasText: '200 g rowan jelly' })
  await expect(line).toContainText('Rowan jelly')
  await expect(line).toContainText('200 g')
})
