/**
 * A Lumbik for every browser test as if it were new: the built server on a copy of the migrated, seeded template
 * database,
 * its rows put back before each test, with a fixed clock. A request of the page to anywhere but its own origin, or an
 * error in it, fails the test.
 */
import { test as base, type CDPSession, expect, type Locator, type Page } from '@playwright/test'
import { freePort, startServer } from '../../scripts/setup.mjs'
import { demoFormulas } from '../../server/database/demo'
import { restorable, testUrl } from './database'

export const NOW = '2026-11-28T08:00:00.000Z'
export const SAGS = '0e1f0000-0006-4000-8000-000000000001'
export const SCONES = '0e1f0000-0006-4000-8000-000000000002'
export const GRAINY = '0e1f0000-0006-4000-8000-000000000003'
export const TUB = '0e1f0000-0006-4000-8000-000000000004'
export const DEMO = { SAGS, SCONES, GRAINY, TUB }
/** Formulas on the demo's shelf. */
export const SHELF = demoFormulas().length

export interface Lumbik {
  url: string
  database: string
  /** Ended from one moment to the next. */
  kill: () => Promise<void>
  stop: () => Promise<void>
  start: () => Promise<void>
}

interface Running {
  url: string
  child: { kill: (signal: 'SIGKILL') => boolean }
  ended: Promise<unknown>
  stop: () => Promise<void>
}

export const test = base.extend<
  { lumbik: Lumbik, guarded: string[] },
  { house: Lumbik & { restore: () => Promise<void> } }
>({
  /** One server for the tests of a worker, each of which finds the rows of the template. */
  house: [
    async ({}, use) => {
      const database = await restorable('lumbik_template')
      const port = await freePort(0)
      let running: Running | null = null
      const house = {
        url: `http://127.0.0.1:${port}`,
        database: testUrl(database.name),
        restore: () => database.restore(async () => running && fetch(`${house.url}/api/health`)),
        async start() {
          running ??= (await startServer(
            { DATABASE_URL: testUrl(database.name), LUMBIK_DEMO: '1', LUMBIK_NOW: NOW },
            port,
            'ignore',
          )) as Running
        },
        async kill() {
          running?.child.kill('SIGKILL')
          await running?.ended
          running = null
        },
        async stop() {
          await running?.stop()
          running = null
        },
      }
      await house.start()
      await use(house)
      await house.stop()
      await database.drop()
    },
    { scope: 'worker' },
  ],
  lumbik: async ({ house }, use) => {
    await house.restore()
    await house.start()
    await use(house)
  },
  baseURL: async ({ lumbik }, use) => use(lumbik.url),
  /** Names what a page did that it must not; checked after every test. */
  guarded: [
    async ({ context, lumbik }, use) => {
      const faults: string[] = []
      context.on('page', (page) => {
        page.on('request', (request) => {
          const { origin, protocol } = new URL(request.url())
          if (origin !== lumbik.url && protocol !== 'data:' && protocol !== 'blob:')
            faults.push(`request to ${request.url()}`)
        })
        page.on('pageerror', error => faults.push(`error: ${error.message}`))
        page.on('console', message => /Content Security Policy/i.test(message.text()) && faults.push(message.text()))
      })
      await use(faults)
      expect(faults).toEqual([])
    },
    { auto: true },
  ],
  page: async ({ page }, use) => {
    await page.clock.setFixedTime(new Date(NOW))
    await use(page)
  },
})
export { expect }

/** What the API answers to a question, once it does: a server just begun on a busy machine may still say "not now". */
export async function answered(url: string): Promise<unknown> {
  for (;;) {
    const answer = await fetch(url).catch(() => null)
    if (answer?.ok) return answer.json()
    if (answer && answer.status !== 503) throw new Error(`${url}: ${answer.status} ${await answer.text()}`)
    await new Promise(resolve => setTimeout(resolve, 200))
  }
}

/** Opens a formula at a station and waits until its point values, shares and offers belong to what is shown. */
export async function open(page: Page, id: string, station = 'balance'): Promise<void> {
  // Not a first start: the tests say themselves where they begin.
  await page.goto(`/formula/${id}/${station}`)
  await settled(page)
}

/** A document as it came from the server, with one field of it changed. @param path as `formula.components.0.name` */
export function withField<T extends object>(document: T, path: string, value: unknown): T {
  const next = structuredClone(document)
  const keys = path.split('.')
  const last = keys.pop()!
  const at = keys.reduce((o, k) => o[k] as Record<string, unknown>, next as Record<string, unknown>)
  at[last] = value
  return next
}
/** A page that hears nothing of what others change, as behind a proxy that cuts streams: both really change at once. */
export const deaf = (page: Page) => page.route(/\/api\/live(\?|$)/, route => route.abort())

export const workspace = (page: Page): Locator => page.locator('main.workspace')

/** Everything computed belongs to the inputs shown. */
export const settled = (page: Page) => expect(workspace(page)).toHaveAttribute('data-settled', 'true')
/** Everything is committed. */
export const saved = (page: Page) => expect(workspace(page)).toHaveAttribute('data-save', 'saved')

export const verdict = (page: Page): Promise<string> =>
  page
    .locator('[data-verdict]')
    .first()
    .getAttribute('data-verdict')
    .then(v => v!)
/** A number in an element's text. */
export async function numberIn(locator: Locator): Promise<number> {
  const text = await locator.first().innerText()
  return Number(/[\d.,]+/.exec(text.replace('−', '-'))![0].replace(/,/g, ''))
}
const attribute = async (page: Page, name: string) => Number(await page.locator(`[${name}]`).first().getAttribute(name))
/** The stress behind the millimetres, as the verdict carries it. */
export const coldPa = (page: Page) => attribute(page, 'data-cold-pa')
export const platePa = (page: Page) => attribute(page, 'data-plate-pa')

/** Writes a number into a field and waits for the answer. */
export async function put(page: Page, label: string | RegExp, value: number | string): Promise<void> {
  const field = page.getByRole('spinbutton', { name: label, exact: typeof label === 'string' }).first()
  await field.fill(String(value))
  await field.press('Enter')
  await settled(page)
}

/** Where something is once the page has come to rest: six frames in one place, nothing rolling on under it. */
export const atRest = (locator: Locator) =>
  locator.evaluate(element => new Promise<{ x: number, y: number, width: number, height: number }>((done) => {
    let [same, last] = [0, element.getBoundingClientRect()]
    const look = () => {
      const now = element.getBoundingClientRect()
      same = now.x === last.x && now.y === last.y && now.height === last.height ? same + 1 : 0
      last = now
      if (same < 6) requestAnimationFrame(look)
      else done({ x: now.x, y: now.y, width: now.width, height: now.height })
    }
    look()
  }))

/** A finger from one place to another, in steps. */
export async function swipe(touch: CDPSession, [x0, y0]: [number, number], [x1, y1]: [number, number], steps = 8) {
  const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', x = 0, y = 0) =>
    touch.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] })
  await send('touchStart', x0, y0)
  for (let i = 1; i <= steps; i++) await send('touchMove', x0 + ((x1 - x0) * i) / steps, y0 + ((y1 - y0) * i) / steps)
  await send('touchEnd')
}
