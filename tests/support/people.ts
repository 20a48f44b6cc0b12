/** People on devices of their own: an owner, whoever is invited, the kitchen's tablet. */
import type { Browser, Page } from '@playwright/test'
import { expect, type Lumbik } from './lumbik'

export const PASSWORD = 'quince and medlar'
export const door = (page: Page) => page.locator('main.door')
/** Another device: nobody is signed in on it, the demonstration's door was left. */
export async function device(browser: Browser, lumbik: Lumbik, size = { width: 390, height: 800 }, hash = ''): Promise<Page> {
  const context = await browser.newContext({ baseURL: lumbik.url, viewport: size, locale: 'en-GB', timezoneId: 'UTC' })
  const page = await context.newPage()
  await page.goto('/people')
  await page.locator('[data-out]').click()
  await expect(door(page)).toBeVisible()
  if (hash) await page.goto(hash)
  return page
}
/** Leaves the demonstration and becomes the owner. @param site where, if not at the address tests go by */
export async function becomeOwner(page: Page, site = ''): Promise<void> {
  await page.goto(`${site}/people`)
  await page.locator('[data-out]').click()
  await beginAsOwner(page)
  await expect(page.locator('[data-me]')).toHaveAccessibleName('Olive Rush')
}
/** Says at the door of a first start who the owner is. */
export async function beginAsOwner(page: Page): Promise<void> {
  await expect(door(page)).toHaveAttribute('data-door', 'first')
  await page.getByLabel('Name of the kitchen').fill('Fernhollow glasshouse tea room')
  await page.getByLabel('Your name').fill('Olive Rush')
  await page.getByLabel('Login').fill('olive')
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Begin' }).click()
}
export async function invite(page: Page, name: string, role: string): Promise<string> {
  await page.goto('/people')
  await page.locator('[data-invite-name]').fill(name)
  await page.locator('[data-invite-role]').selectOption({ label: role })
  await page.getByRole('button', { name: 'Make a link' }).click()
  await expect(page.locator('[data-invitation] img')).toBeVisible()
  return (await page.locator('[data-invitation] code').textContent())!
}
export async function accept(page: Page, name: string, login: string): Promise<void> {
  await expect(door(page)).toContainText('You are invited to Fernhollow')
  await page.getByLabel('Your name').fill(name)
  await page.getByLabel('Login').fill(login)
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Join' }).click()
  await expect(page.locator('[data-me]')).toHaveAccessibleName(name)
}
/** A tablet that the owner adds, made the kitchen's by its code; a wrong code first. */
export async function enrolTablet(page: Page, browser: Browser, lumbik: Lumbik, name: string): Promise<Page> {
  await page.goto('/people')
  await page.locator('[data-tablet-name]').fill(name)
  await page.getByRole('button', { name: 'Add a tablet' }).click()
  const code = (await page.locator('[data-tablet-code] b').textContent())!
  const tablet = await device(browser, lumbik, { width: 1024, height: 768 })
  await tablet.getByRole('button', { name: 'This is the kitchen’s tablet' }).click()
  await tablet.getByLabel('Code').fill('WRONGONE')
  await tablet.getByRole('button', { name: 'Make it the kitchen’s' }).click()
  await expect(tablet.getByRole('alert')).toContainText('not right')
  await tablet.getByLabel('Code').fill(code.toLowerCase())
  await tablet.getByRole('button', { name: 'Make it the kitchen’s' }).click()
  return tablet
}
/** A cook takes the tablet up by finger; null: whoever was chosen already. */
export async function takeUp(tablet: Page, name: string | null, pin: string): Promise<void> {
  if (name) await tablet.getByRole('button', { name }).click()
  for (const k of [...pin, 'enter']) await tablet.getByRole('button', { name: k, exact: true }).click()
}
