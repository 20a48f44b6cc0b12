/**
 * The whole slice as a new cook walks it: paste, grams, balance, shape, heat, chill, verdict, reload, conflict,
 * export, import.
 */
import { readFileSync } from 'node:fs'
import { coldPa, deaf, expect, numberIn, open, put, saved, settled, test, verdict, workspace } from './support/lumbik'

test('from pasted text to a verdict that survives, and out and in again', async ({ page, browser }, info) => {
  await page.goto('/new')
  await page
    .getByLabel('Formula text')
    .fill(
      '1 1/2 cups caster sugar\n10 large yolks\n150 ml lemon juice\njuice and zest of 2 lemons\n4 oz butter\na cup of stardust',
    )
  // Asked: whose cups (British words, no British cups), what stardust is. Eggs are told, not asked.
  await expect(page.locator('[data-read="cups"]')).toHaveCount(1)
  await expect(page.getByRole('button', { name: 'Put it on the bench' })).toBeDisabled()
  await page.getByRole('button', { name: /^US \(cup/ }).click()
  await expect(page.getByText('US cup 236.6 ml')).toBeVisible()
  await expect(page.getByText('EU large, 19.2 g each')).toBeVisible()
  await page.getByRole('group', { name: /stardust/ }).getByRole('button', { name: 'set it aside' }).click()
  await expect(page.locator('[data-questions]')).toHaveAttribute('data-questions', '0')
  await expect(page.locator('.got').filter({ hasText: 'Caster sugar' }).locator('b')).toHaveText('305 g')
  await page.getByLabel('Name', { exact: true }).fill('Palm house lemon curd')
  await page.getByRole('radio', { name: /^Spooned/ }).click()
  await page.getByRole('button', { name: 'Put it on the bench' }).click()

  // Balance: grams as read, edited by typing and by arrow keys.
  await settled(page)
  await expect(page.getByLabel('Name of the formula')).toHaveValue('Palm house lemon curd')
  const yolk = page.getByRole('spinbutton', { name: 'Grams of Egg yolk' })
  await expect(yolk).toHaveValue('192')
  const before = await coldPa(page)
  await yolk.focus()
  await yolk.press('Shift+ArrowUp')
  await expect(yolk).toHaveValue('217')
  await settled(page)
  expect(await coldPa(page)).toBeGreaterThan(before)
  for (const part of ['water', 'sugar', 'fat', 'egg', 'acid'])
    await expect(page.locator(`[data-part="${part}"]`)).toBeVisible()

  // Shape: another vessel, its depth, and the formula scaled to a depth.
  await page.getByRole('link', { name: /^Shape/ }).click()
  await page.getByRole('button', { name: 'Square, rectangle' }).click()
  await put(page, 'Length', 300)
  await put(page, 'Width', 200)
  const depth = await numberIn(page.locator('[data-fact="depth"]'))
  await page.getByRole('button', { name: 'Into another tin' }).click()
  await page.getByRole('button', { name: 'another', exact: true }).click()
  await page.getByRole('button', { name: 'to the gram' }).click()
  await page.getByRole('spinbutton', { name: 'Fill to' }).fill(String(2 * depth))
  await page.getByRole('spinbutton', { name: 'Fill to' }).press('Enter')
  await expect(page.locator('[data-fact="fit-depth"]')).toContainText(`${(2 * depth).toFixed(1)} mm`)
  await page.getByRole('button', { name: 'Put it in this one' }).click()
  await settled(page)
  await page.getByRole('button', { name: 'Tin and fill' }).click()
  expect(Math.abs((await numberIn(page.locator('[data-fact="depth"]'))) / (2 * depth) - 1)).toBeLessThan(0.03)

  // Heat: the target is reached, marked, and lethality shown.
  await page.getByRole('link', { name: /^Heat/ }).click()
  await expect(page.locator('.chart svg')).toBeVisible()
  await put(page, 'Take it to', 82)
  await put(page, 'Hold it there', 1)
  for (const cue of ['coats', 'done']) await expect(page.locator(`[data-cue="${cue}"]`)).toContainText('min')
  await expect(page.locator('[data-cue="grainy"]')).toContainText('never')
  await expect(page.locator('[data-fact="lethality"]')).toContainText('min')

  // Chill: a leg more, its effect, and the ribbon's word.
  await page.getByRole('link', { name: /^Chill/ }).click()
  await expect(page.locator('.chart svg')).toBeVisible()
  const slow = await page.locator('.stop', { hasText: 'Chill' }).innerText()
  await page.getByRole('button', { name: 'Ice bath first' }).click()
  await expect(page.locator('[data-leg]')).toHaveCount(3)
  await settled(page)
  expect(await page.locator('.stop', { hasText: 'Chill' }).innerText()).not.toBe(slow)

  // Serve: a start time gives the clock and a use-by.
  await page.getByRole('link', { name: /^Serve/ }).click()
  await page.getByLabel('Pan goes on at').fill('2026-11-28T09:00')
  await settled(page)
  await expect(page.locator('[data-plan="ready"]')).toHaveText(/^(1\d|2\d):\d\d$/)
  await page.getByRole('button', { name: 'Keeping' }).click()
  await expect(page.locator('[data-fact="useby"]')).toContainText('Fri 4 Dec')
  await page.getByRole('button', { name: 'The clock' }).click()
  const said = await verdict(page)

  // A reload keeps it: what "saved" says is committed.
  await saved(page)
  await page.reload()
  await settled(page)
  expect(await verdict(page)).toBe(said)
  await expect(page.getByLabel('Pan goes on at')).toHaveValue('2026-11-28T09:00')

  // Another browser on the same formula is told, and keeps both.
  const second = await (await browser.newContext()).newPage()
  await deaf(second)
  await second.goto(page.url())
  await settled(second)
  await put(page, 'Time on the table', 90)
  await saved(page)
  await put(second, 'Time on the table', 15)
  await expect(second.getByText('Changed in another window.')).toBeVisible()
  await second.getByLabel('Name for your variant').fill('Palm house, quick table')
  await second.getByRole('button', { name: 'Keep both' }).click()
  await expect(second.getByLabel('Name of the formula')).toHaveValue('Palm house, quick table')
  await settled(second)
  await expect(second.getByRole('spinbutton', { name: 'Time on the table' }).first()).toHaveValue('15')
  await page.reload()
  await settled(page)
  await expect(page.getByRole('spinbutton', { name: 'Time on the table' }).first()).toHaveValue('90')
  await second.context().close()

  // Out to a file, and in again as a formula of its own.
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export' }).click()
  const path = info.outputPath('formula.json')
  await (await download).saveAs(path)
  const file = JSON.parse(readFileSync(path, 'utf8')) as object
  expect(file).toMatchObject({
    formula: { format: 'lumbik-formula', version: 6, name: 'Palm house lemon curd' },
    occasion: { format: 'lumbik-occasion', version: 1 },
  })
  await page.goto('/shelf')
  await page.getByLabel('Formula file to import').setInputFiles(path)
  await settled(page)
  expect(await verdict(page)).toBe(said)
  await page.goto('/shelf')
  await expect(page.getByRole('link', { name: 'Palm house lemon curd' })).toHaveCount(2)
})

test('the same by keyboard alone: paste, answer, use, balance, stations, undo', async ({ page }) => {
  await page.goto('/new')
  await expect(page.getByRole('heading', { name: 'New formula' })).toBeVisible()
  const tabTo = async (name: RegExp, limit = 60) => {
    for (let i = 0; i < limit; i++) {
      await page.keyboard.press('Tab')
      const got = await page.evaluate(() => {
        const e = document.activeElement as HTMLElement | null
        if (e === document.body) return ''
        return `${e?.getAttribute('aria-label') ?? ''} ${(e as HTMLInputElement | null)?.labels?.[0]?.textContent ?? ''} ${e?.textContent ?? ''}`
      })
      if (name.test(got)) return
    }
    throw new Error(`${name} is not reached with Tab`)
  }
  await tabTo(/Formula text/)
  await page.keyboard.insertText('200 g sugar\n4 large eggs\n200 ml lemon juice\n110 g butter\n2 cups stardust')
  await expect(page.locator('[data-questions]')).toHaveAttribute('data-questions', '1')
  await tabTo(/set it aside/)
  await page.keyboard.press('Enter')
  await tabTo(/Spooned/)
  await page.keyboard.press('Enter')
  await tabTo(/Put it on the bench/)
  await page.keyboard.press('Enter')
  await settled(page)
  const before = await coldPa(page)
  await tabTo(/Grams of Whole egg/)
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowUp')
  await settled(page)
  const after = await coldPa(page)
  expect(after).toBeGreaterThan(before)
  // Out of the field, the digits go from station to station; undo goes back a whole gesture.
  await page.keyboard.press('Enter')
  await page.keyboard.press('4')
  await expect(page).toHaveURL(/\/heat$/)
  await page.keyboard.press('Control+z')
  await settled(page)
  expect(await coldPa(page)).toBe(before)
  await page.keyboard.press('Control+Shift+Z')
  await settled(page)
  expect(await coldPa(page)).toBe(after)
  await page.keyboard.press('/')
  await expect(page.locator('#add-line')).toBeFocused()
  await page.keyboard.insertText('Zest')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('spinbutton', { name: 'Grams of Zest' })).toBeFocused()
  await page.keyboard.insertText('2')
  await page.keyboard.press('Enter')
  await saved(page)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('go to a station')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
})

test('undo and redo cover every station, one step a gesture', async ({ page }) => {
  await open(page, '0e1f0000-0006-4000-8000-000000000002', 'heat')
  const undo = page.getByRole('button', { name: 'Undo' })
  await expect(undo).toBeDisabled()
  await page.getByRole('spinbutton', { name: 'Take it to' }).fill('77')
  await page.getByRole('spinbutton', { name: 'Take it to' }).press('Enter')
  await page.getByRole('link', { name: /^Chill/ }).click()
  await page.getByRole('button', { name: 'Ice bath first' }).click()
  await expect(page.locator('[data-leg]')).toHaveCount(3)
  await undo.click()
  await expect(page.locator('[data-leg]')).toHaveCount(2)
  await undo.click()
  await page.getByRole('link', { name: /^Heat/ }).click()
  await expect(page.getByRole('spinbutton', { name: 'Take it to' })).toHaveValue('80')
  await expect(undo).toBeDisabled()
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(page.getByRole('spinbutton', { name: 'Take it to' })).toHaveValue('77')
  await saved(page)
  await expect(workspace(page)).toHaveAttribute('data-settled', 'true')
})
