/** Shelf, Kitchen, import: the places outside a formula. */
import { writeFileSync } from 'node:fs'
import { DEMO, answered, expect, open, SCONES, settled, SHELF, test, withField } from './support/lumbik'

/** Places of the demo. */
const PLACES = 4

test.describe('Shelf', () => {
  test('shows each formula with its cut face, band and sharpness; rename, duplicate, delete and undo', async ({
    page,
  }) => {
    await page.goto('/shelf')
    await expect(page.locator('.rows > li')).toHaveCount(SHELF)
    await expect(page.locator('.rows > li svg[role="img"]')).toHaveCount(SHELF)
    await expect(page.locator('.rows > li', { hasText: 'Bergamot tart' })).toContainText('sags on the table')
    await expect(page.locator('.rows > li', { hasText: 'Sweet lemon curd' })).toContainText('holds as meant')
    await page.getByRole('button', { name: 'Duplicate Sweet lemon curd for the scones', exact: true }).click()
    await expect(page.locator('.rows > li')).toHaveCount(SHELF + 1)
    await page.getByRole('button', { name: 'Rename Sweet lemon curd for the scones, copy', exact: true }).click()
    await page.getByLabel('New name').fill('Fernery curd')
    await page.getByLabel('New name').press('Enter')
    await expect(page.getByRole('link', { name: 'Fernery curd' })).toBeVisible()
    await page.getByRole('button', { name: 'Delete Fernery curd', exact: true }).click()
    await expect(page.locator('.rows > li')).toHaveCount(SHELF)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByRole('link', { name: 'Fernery curd' })).toBeVisible()
    await page.reload()
    await expect(page.locator('.rows > li')).toHaveCount(SHELF + 1)
  })

  test('empty, it says what to do next', async ({ page, lumbik }) => {
    const { items } = (await answered(`${lumbik.url}/api/formulas`)) as { items: { id: string }[] }
    for (const { id } of items) await fetch(`${lumbik.url}/api/formulas/${id}`, { method: 'DELETE' })
    await page.goto('/shelf')
    await expect(page.getByText('Nothing on the shelf yet')).toBeVisible()
    await page.getByRole('link', { name: 'Make the first formula' }).click()
    await expect(page).toHaveURL(/\/new$/)
  })

  test('a file that cannot be taken says which field, and nothing is imported', async ({ page, lumbik }, info) => {
    const { document } = (await answered(`${lumbik.url}/api/formulas/${SCONES}`)) as {
      document: Record<string, unknown>
    }
    await page.goto('/shelf')
    const offer = async (name: string, content: string) => {
      const path = info.outputPath(name)
      writeFileSync(path, content)
      await page.getByLabel('Formula file to import').setInputFiles(path)
    }
    const alert = page.getByRole('alert')
    await offer('a.json', 'not json at all')
    await expect(alert).toContainText('it is not JSON')
    await offer('b.json', '{"hello":1}')
    await expect(alert).toContainText('field “format”')
    await offer('c.json', JSON.stringify(withField(document, 'formula.version', 7)))
    await expect(alert).toContainText('newer version')
    await offer('d.json', JSON.stringify(withField(document, 'formula.components.0.process.heat.targetTempC', 300)))
    await expect(alert).toContainText('heat.targetTempC')
    await expect(alert).toContainText('at most 105')
    await offer('e.json', JSON.stringify(withField(document, 'formula.note', 'x'.repeat(1_100_000))))
    await expect(alert).toContainText('limit of 1 MB')
    await page.reload()
    await expect(page.locator('.rows > li')).toHaveCount(SHELF)
  })
})

test.describe('Kitchen', () => {
  test('degrees, words, eggs, fridges and code are kept, and reach the formulas', async ({ page }) => {
    await page.goto('/kitchen')
    const main = page.locator('main.kitchen')
    await page.getByRole('button', { name: '°F' }).click()
    await page.getByRole('button', { name: 'American' }).click()
    await expect(main).toHaveAttribute('data-kitchen-save', 'saved')
    await page.getByLabel('Limits to judge by').selectOption('uk')
    await page.getByLabel('Egg grade').selectOption('usL')
    await page.getByRole('spinbutton', { name: 'Altitude' }).fill('1500')
    await page.getByRole('spinbutton', { name: 'Air in it' }).first().fill('36')
    await expect(main).toHaveAttribute('data-kitchen-save', 'saved')
    await expect(page.getByText('Water boils here at 203')).toBeVisible()
    await page.reload()
    await expect(page.getByRole('spinbutton', { name: 'Air in it' }).first()).toHaveValue('36')
    await open(page, SCONES, 'chill')
    await expect(page.locator('.facts')).toContainText('46 °F')
    await expect(page.locator('[data-leg="1"]')).toContainText('36.0 °F')
    await page.getByRole('link', { name: /^Balance/ }).click()
    await expect(page.locator('[data-ingredient="sugar"] th')).toHaveText(/^Sugar/)
    await expect(page.locator('[data-ingredient="yolk_sep"]')).toContainText('US large')
  })

  test('a place can be added, taken out, and the last change undone', async ({ page }) => {
    await page.goto('/kitchen')
    const main = page.locator('main.kitchen')
    await page.getByRole('button', { name: 'Add a place' }).click()
    await expect(main).toHaveAttribute('data-kitchen-save', 'saved')
    await expect(page.locator('.places li')).toHaveCount(PLACES + 1)
    await page.getByRole('button', { name: 'Take out New fridge' }).click()
    await expect(main).toHaveAttribute('data-kitchen-save', 'saved')
    await expect(page.locator('.places li')).toHaveCount(PLACES)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.locator('.places li')).toHaveCount(PLACES + 1)
    // And by the keys, change by change, back to how it was.
    await expect(main).toHaveAttribute('data-kitchen-save', 'saved')
    await page.locator('h1').click()
    await page.keyboard.press('Control+z')
    await expect(page.locator('.places li')).toHaveCount(PLACES)
  })

  test('a tin that formulas use is asked about before it goes; kept, it stays; taken out, the keys bring it back', async ({ page }) => {
    await page.goto('/kitchen')
    const tins = page.locator('[data-kitchen-part="vessels"] .tins li')
    await expect(tins.first()).toBeVisible()
    const count = await tins.count()
    const asked = page.locator('[data-part="used"]')
    // The first tin that a formula stands in.
    for (let i = 0; i < count && (await asked.count()) === 0; i++) {
      const before = await tins.count()
      await tins.nth(i - (count - before)).getByRole('button', { name: /^Take out/ }).click()
      await expect.poll(async () => (await asked.count()) > 0 || (await tins.count()) < before).toBe(true)
    }
    await expect(asked).toContainText(/Used by \d+ of your formulas: /)
    const now = await tins.count()
    await asked.getByRole('button', { name: 'Keep it' }).click()
    await expect(asked).toHaveCount(0)
    await expect(tins).toHaveCount(now)
    await tins.nth(count - now).getByRole('button', { name: /^Take out/ }).click()
    await asked.getByRole('button', { name: 'Take it out' }).click()
    await expect(tins).toHaveCount(now - 1)
    await expect(page.locator('main.kitchen')).toHaveAttribute('data-kitchen-save', 'saved')
    await page.locator('h1').click()
    await page.keyboard.press('Control+z')
    await expect(tins).toHaveCount(now)
  })
})

test('a text half pasted is still there after a reload', async ({ page }) => {
  await page.goto('/new')
  await page.getByLabel('Formula text').fill('3 lemons\n2 cups sugar')
  await page.getByRole('button', { name: 'juice and zest' }).click()
  await page.reload()
  await expect(page.getByLabel('Formula text')).toHaveValue('3 lemons\n2 cups sugar')
  // Juice, zest and sugar: cups alone are American ones.
  await expect(page.locator('.got')).toHaveCount(3)
})

test('a kitchen that always measures in US cups is not asked whose cups they are, but told', async ({ page }) => {
  await page.goto('/kitchen')
  await page.getByLabel('Cups and spoons in recipes you paste').selectOption('us')
  await expect(page.locator('main.kitchen')).toHaveAttribute('data-kitchen-save', 'saved')
  await page.goto('/new')
  await page.getByLabel('Formula text').fill('1 cup caster sugar')
  await expect(page.getByText('US cup 236.6 ml')).toBeVisible()
  await expect(page.locator('[data-questions]')).toHaveAttribute('data-questions', '0')
})

test('an address that is none is said in the house style, with the way back; keys skip the bar', async ({ page }) => {
  await page.goto('/no-such-place')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('There is nothing at this address.')
  await page.getByRole('button', { name: 'Back to the shelf' }).click()
  await expect(page).toHaveURL(/\/shelf$/)
  await expect(page.locator('.rows > li').first()).toBeVisible()
  await page.reload()
  await expect(page.locator('.rows > li').first()).toBeVisible()
  await page.keyboard.press('Tab')
  const skip = page.getByRole('link', { name: 'Skip to the content' })
  await expect(skip).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.locator('main')).toBeFocused()
  await open(page, SCONES)
  await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1)
})

test('an unknown formula leads back to the shelf', async ({ page }) => {
  await page.goto(`/formula/${DEMO.SAGS.replace(/0001$/, '0999')}/balance`)
  await page.getByRole('link', { name: 'Back to the shelf' }).click()
  await expect(page.locator('.rows > li').first()).toBeVisible()
})

test('a formula emptied of its lines says what it needs, and undo brings them back', async ({ page }) => {
  await open(page, SCONES)
  for (const name of ['Egg yolk', 'Caster sugar', 'Sweet lemon juice', 'Citric acid', 'Butter, 82 % fat', 'Zest'])
    await page.getByRole('button', { name: `Take out ${name}` }).click()
  await expect(page.getByRole('alert')).toContainText('cannot be computed')
  await expect(page.locator('.ribbon .stop', { hasText: 'Balance' })).toContainText('error')
  for (let i = 0; i < 6; i++) await page.getByRole('button', { name: 'Undo' }).click()
  await settled(page)
  await expect(page.locator('.lines tbody tr')).toHaveCount(6)
})
