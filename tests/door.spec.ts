/** The door: a first owner, a tablet with its PINs, somebody invited, an inspector; each on their own device. */
import { freePort, startServer } from '../scripts/setup.mjs'
import { expect, NOW, SAGS, settled, test } from './support/lumbik'
import { accept, becomeOwner, beginAsOwner, device, door, enrolTablet, invite, PASSWORD, takeUp } from './support/people'

test('the demonstration says that nobody signs in; left by its door it asks for an owner', async ({ page }) => {
  await page.goto('/shelf')
  await expect(page.locator('[data-demo-door]')).toContainText('nobody signs in')
  await becomeOwner(page)
  await expect(page.locator('[data-demo-door]')).toHaveCount(0)
  await page.locator('[data-me]').click()
  await page.locator('[data-out]').click()
  await expect(door(page)).toHaveAttribute('data-door', 'out')
  await page.getByLabel('Login').fill('OLIVE')
  await page.getByLabel('Password').fill('not this one')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('alert')).toContainText('not right')
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.locator('[data-me]')).toHaveAccessibleName('Olive Rush')
  await page.locator('[data-me]').click()
  await page.locator('[data-audit]').click()
  await expect(page.locator('.audit')).toContainText('became the owner')
  await expect(page.locator('.audit')).toContainText('signed in')
})

test('a tablet is enrolled by its code, taken up by PIN, locked, and cut off', async ({ page, browser, lumbik }) => {
  await becomeOwner(page)
  const tablet = await enrolTablet(page, browser, lumbik, 'By the stove')
  await takeUp(tablet, 'Bram Alder', '1112')
  await expect(tablet.getByRole('alert')).toContainText('not right')
  await takeUp(tablet, null, '1111')
  await expect(tablet.locator('[data-me]')).toHaveAccessibleName('Bram Alder')
  // A cook reads formulas and may try; nothing is kept of it.
  await tablet.goto(`/formula/${SAGS}/balance`)
  await settled(tablet)
  await expect(tablet.locator('[data-reads-only]')).toContainText('as cook')
  await tablet.goto('/people')
  await expect(tablet.locator('[data-invite-name]')).toHaveCount(0)
  await tablet.locator('[data-out]').click()
  await expect(door(tablet)).toContainText('By the stove: who are you?')
  await page.reload()
  await page.locator('[data-tablet="By the stove"] button').click()
  await expect(page.locator('[data-tablet]')).toHaveCount(0)
  await tablet.reload()
  await expect(tablet.getByLabel('Login')).toBeVisible()
  await tablet.context().close()
})

test('an inspector is invited, reads the Book and one record, and can change nothing', async ({ page, browser, lumbik }) => {
  await becomeOwner(page)
  const link = await invite(page, 'Ines', 'Inspector')
  const phone = await device(browser, lumbik, undefined, link)
  await accept(phone, 'Ines Hall', 'ines')
  await phone.goto('/shelf')
  await expect(phone).toHaveURL(/\/book$/)
  await expect(phone.getByRole('navigation').getByRole('link')).toHaveText(['Book'])
  const said = await phone.evaluate(async (id) => {
    const ask = async (path: string, method = 'GET', body?: unknown) => (await fetch(path, {
      method, ...(body ? { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } } : {}),
    })).status
    return [
      await ask('/api/batches'), await ask(`/api/formulas/${id}`), await ask(`/api/formulas/${id}`, 'DELETE'),
      await ask('/api/people'), await ask('/api/kitchen', 'PUT', {}), await ask('/api/batches', 'POST', {}),
    ]
  }, SAGS)
  expect(said).toEqual([200, 403, 403, 403, 403, 403])
  // The link was good once.
  const other = await device(browser, lumbik, undefined, link)
  await expect(other.getByRole('alert')).toContainText('used, taken back')
  await phone.context().close()
  await other.context().close()
})

for (const role of ['Inspector', 'Cook']) {
  test(`nothing that ${role === 'Cook' ? 'a cook' : 'an inspector'} can press is refused`, async ({ page, browser, lumbik }) => {
    await becomeOwner(page)
    const phone = await device(browser, lumbik, { width: 1280, height: 800 }, await invite(page, 'Ines', role))
    await accept(phone, 'Ines Hall', 'ines')
    const refused: string[] = []
    let asked = 0
    phone.on('response', r => (asked += 1) && r.status() === 403 && refused.push(`${r.request().method()} ${r.url()}`))
    phone.on('dialog', d => void d.accept())
    await phone.goto('/book')
    const settled = phone.locator('main[data-settled="true"]')
    await expect(settled).toBeVisible()
    const batch = (await phone.locator('[data-batch]').first().getAttribute('data-batch'))!
    let pressed = 0
    for (const path of ['/book', '/book/instruments', '/book/learned', `/batch/${batch}/record`, `/batch/${batch}/out`]) {
      await phone.goto(path)
      await expect(settled).toBeVisible()
      const buttons = settled.getByRole('button')
      for (let i = 0; i < await buttons.count(); i++) {
        // Printing opens a window of the browser's own.
        if (!(await buttons.nth(i).isEnabled()) || (await buttons.nth(i).textContent())?.includes('Print')) continue
        await buttons.nth(i).click()
        pressed += 1
      }
      await phone.waitForLoadState('load')
      await phone.evaluate(async () => fetch('/api/door'))
    }
    expect(pressed).toBeGreaterThan(role === 'Cook' ? 20 : 5)
    expect(asked).toBeGreaterThan(10)
    expect(refused).toEqual([])
    await phone.context().close()
  })
}

test('where others could be first, the first owner needs the code in the log', async ({ page, lumbik, guarded }) => {
  await lumbik.stop()
  const port = await freePort(0)
  const env = { DATABASE_URL: lumbik.database, LUMBIK_NOW: NOW, LUMBIK_HOSTS: 'kitchen.example' }
  const server = await startServer(env, port, 'pipe')
  let log = ''
  const { stdout } = server.child as { stdout: NodeJS.ReadableStream }
  stdout.on('data', (c: Buffer) => { log += String(c) })
  try {
    const site = `http://127.0.0.1:${port}`
    await expect.poll(() => log).toMatch(/needs this code: (\S+)/)
    const code = /needs this code: (\S+)/.exec(log)![1]!
    await page.goto(site)
    await beginAsOwner(page)
    await expect(page.getByRole('alert')).toContainText('code')
    await door(page).locator('summary').filter({ hasText: 'Not on this machine?' }).click()
    await door(page).locator('details input').fill(code.toLowerCase())
    await page.getByRole('button', { name: 'Begin' }).click()
    await expect(page.locator('[data-me]')).toHaveAccessibleName('Olive Rush')
    await page.goto('about:blank')
    expect(guarded.every(f => f.startsWith(`request to ${site}/`))).toBe(true)
    guarded.length = 0
  } finally {
    await server.stop()
  }
})

test('a tablet that nobody touches locks itself after ten minutes, never under a cook at the stove', async ({ page, browser, lumbik }) => {
  await becomeOwner(page)
  const tablet = await enrolTablet(page, browser, lumbik, 'By the stove')
  await takeUp(tablet, 'Bram Alder', '1111')
  await expect(tablet.locator('[data-me]')).toHaveAccessibleName('Bram Alder')
  await tablet.clock.install()
  for (const [path, isLocked] of [[`/batch/${SAGS}/cook`, false], ['/shelf', true]] as const) {
    await tablet.goto(path)
    await expect(tablet.locator('[data-me]')).toHaveAccessibleName('Bram Alder')
    await tablet.clock.runFor(9.5 * 60_000)
    await expect(tablet.locator('[data-me]')).toHaveAccessibleName('Bram Alder')
    await tablet.clock.runFor(60_000)
    if (isLocked) await expect(door(tablet)).toContainText('who are you?')
    else await expect(tablet.locator('[data-me]')).toHaveAccessibleName('Bram Alder')
  }
  await tablet.context().close()
})

test('somebody who leaves is signed out where they are, and what they wrote is a former cook’s', async ({ page, browser, lumbik }) => {
  await becomeOwner(page)
  const phone = await device(browser, lumbik, undefined, await invite(page, 'Rowan', 'Chef'))
  await accept(phone, 'Rowan Pike', 'rowan')
  await phone.goto(`/formula/${SAGS}/balance`)
  await settled(phone)
  await page.goto('/people')
  const row = page.locator('[data-person="Rowan Pike"]')
  await row.getByRole('button').click()
  await row.getByRole('button', { name: 'Leaves and is forgotten' }).click()
  await expect(row).toHaveCount(0)
  await page.locator('[data-audit]').click()
  await expect(page.locator('.audit')).toContainText('a former cook')
  await phone.reload()
  await expect(door(phone)).toBeVisible()
  await phone.context().close()
})

test('a key of one’s own device is made with the password, signs in without it, and is taken away', async ({ page, lumbik, guarded }) => {
  // Keys open by a name, never by a number; this machine has one.
  const site = lumbik.url.replace('127.0.0.1', 'localhost')
  const devtools = await page.context().newCDPSession(page)
  await devtools.send('WebAuthn.enable')
  await devtools.send('WebAuthn.addVirtualAuthenticator', { options: {
    protocol: 'ctap2', transport: 'internal', hasResidentKey: true, hasUserVerification: true, isUserVerified: true,
    automaticPresenceSimulation: true,
  } })
  await page.goto('/people')
  await page.getByText('Keys of your devices').click()
  await expect(page.locator('[data-no-keys]')).toContainText('by name')
  await becomeOwner(page, site)
  await page.locator('[data-me]').click()
  await page.getByText('Keys of your devices').click()
  const keys = page.locator('details.keys')
  await keys.getByLabel('Name of this device').fill('Desk by the palms')
  await keys.getByLabel('Your password, as it is now').fill('not this one')
  await keys.getByRole('button', { name: 'Make a key here' }).click()
  await expect(keys.getByRole('alert')).toContainText('not right')
  await keys.getByLabel('Your password, as it is now').fill(PASSWORD)
  await keys.getByRole('button', { name: 'Make a key here' }).click()
  await expect(keys.locator('[data-key="Desk by the palms"]')).toContainText('since 28 Nov 2026')
  await page.locator('[data-out]').click()
  await page.locator('[data-with-key]').click()
  await expect(page.locator('[data-me]')).toHaveAccessibleName('Olive Rush')
  await page.goto(`${site}/people`)
  await page.getByText('Keys of your devices').click()
  await keys.locator('[data-key="Desk by the palms"] button').click()
  await expect(keys).toContainText('You have none yet')
  await page.locator('[data-out]').click()
  await page.locator('[data-with-key]').click()
  await expect(page.getByRole('alert')).toContainText('opens nothing here')
  // The page stood on this machine's other name: the only address it asked for but its own.
  expect(guarded.every(f => f.startsWith(`request to ${site}/`))).toBe(true)
  guarded.length = 0
})

test('the kitchen is downloaded as a file, and read in again as a kitchen of its own', async ({ page }) => {
  await page.goto('/people')
  await expect(page.locator('[data-kitchen-file]')).toHaveCount(0)
  await page.locator('[data-write-file]').click()
  await expect(page.locator('[data-kitchen-file]')).toBeVisible()
  const downloading = page.waitForEvent('download')
  await page.locator('[data-kitchen-file]').click()
  const download = await downloading
  expect(download.suggestedFilename()).toBe('lumbik-kitchen-2026-11-28.ndjson')
  const path = await download.path()
  const chooser = page.getByLabel('Make a kitchen of a file', { exact: true }).and(page.locator('input'))
  await chooser.setInputFiles({ name: 'x.ndjson', mimeType: 'application/x-ndjson', buffer: Buffer.from('no kitchen') })
  await expect(page.getByRole('alert')).toContainText('no kitchen’s file')
  const kitchens = page.getByRole('combobox', { name: /^Kitchen/ })
  await expect(kitchens).toHaveCount(0)
  await chooser.setInputFiles(path)
  await expect(kitchens.locator('option')).toHaveCount(2)
})
