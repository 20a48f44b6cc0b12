/**
 * One day of many hands: an owner, a tablet with two cooks, a phone, an inspector. A batch is cooked on the tablet
 * while the server is killed and the network cut, and is seen whole on the phone.
 */
import { expect, SAGS, settled, test } from './support/lumbik'
import { accept, becomeOwner, device, door, enrolTablet, invite, takeUp } from './support/people'

test('a batch is cooked on the tablet by two cooks through a killed server and a cut network; the phone sees all of it', async ({
  page,
  browser,
  lumbik,
}) => {
  await becomeOwner(page)
  const tablet = await enrolTablet(page, browser, lumbik, 'By the stove')
  const phone = await device(browser, lumbik, undefined, await invite(page, 'Rowan', 'Chef'))
  await accept(phone, 'Rowan Pike', 'rowan')
  const note = async (text: string) => {
    await tablet.locator('#batch-note').fill(text)
    await tablet.locator('form.note button').click()
  }
  await takeUp(tablet, 'Bram Alder', '1111')
  await expect(tablet.locator('[data-me]')).toHaveAccessibleName('Bram Alder')
  await tablet.goto(`/formula/${SAGS}/balance`)
  await settled(tablet)
  await tablet.getByRole('button', { name: 'Make it' }).click()
  await tablet.getByRole('button', { name: 'Start the batch' }).click()
  const cooking = tablet.locator('main.batch')
  await expect(cooking).toHaveAttribute('data-settled', 'true')
  const path = new URL(tablet.url()).pathname
  await note('Bram weighs the yolks')
  // The phone looks on while it is made.
  const record = phone.locator('[data-record]')
  await phone.goto(`${path.split('/').slice(0, 3).join('/')}/record`)
  await expect(record).toContainText('Bram weighs the yolks')
  await lumbik.kill()
  await note('written while nobody answered')
  await tablet.context().setOffline(true)
  await lumbik.start()
  await note('written in the walk-in')
  await tablet.context().setOffline(false)
  await expect(record).toContainText('written in the walk-in')
  await expect(record).toContainText('written while nobody answered')
  // The other cook takes over where the first was.
  await tablet.goto('/people')
  await tablet.locator('[data-out]').click()
  await expect(door(tablet)).toContainText('who are you?')
  await takeUp(tablet, 'Tamsin Oake', '1111')
  await expect(tablet.locator('[data-me]')).toHaveAccessibleName('Tamsin Oake')
  await tablet.goto(path)
  await expect(cooking).toHaveAttribute('data-settled', 'true')
  await note('Tamsin pours')
  await expect(record).toContainText('Tamsin pours')
  for (const text of ['Bram weighs the yolks', 'written while nobody answered', 'written in the walk-in', 'Tamsin pours'])
    await expect(record).toContainText(text)
  for (const [text, who] of [['written in the walk-in', 'Bram Alder'], ['Tamsin pours', 'Tamsin Oake']])
    await expect(record.getByRole('row').filter({ hasText: text })).toContainText(who!)

  // An inspector prints that record, and can change nothing of it.
  const visitor = await device(browser, lumbik, undefined, await invite(page, 'Ines', 'Inspector'))
  await accept(visitor, 'Ines Hall', 'ines')
  await visitor.goto(`${path.split('/').slice(0, 3).join('/')}/record`)
  await expect(visitor.locator('[data-record]')).toContainText('Tamsin pours')
  await expect(visitor.locator('[data-record]').getByRole('button', { name: 'Take the text back' })).toHaveCount(0)
  await visitor.emulateMedia({ media: 'print' })
  await expect(visitor.locator('[data-record]')).toContainText('written in the walk-in')
  const status = await visitor.evaluate(async at => (await fetch(`/api${at}/events`, {
    method: 'POST', headers: { 'content-type': 'application/json' }, body: '{"events":[]}',
  })).status, path.split('/').slice(0, 3).join('/').replace('/batch/', '/batches/'))
  expect(status).toBe(403)
  for (const p of [tablet, phone, visitor]) await p.context().close()
})
