/** Pictures of a running Lumbik: node scripts/shots.mjs URL FOLDER [name=path@WIDTHxHEIGHT …]. */
import { chromium } from '@playwright/test'
import { mkdirSync } from 'node:fs'

const ARGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]
const DEMO = n => `formula/0e1f0000-0006-4000-8000-${n.toString(16).padStart(12, '0')}`
const MAIN = DEMO(1)
const TUB = DEMO(4)
const LAYERED = DEMO(17)
const RUNNY = 'batch/0e1f0000-000a-4000-8000-000000000014'
const VIEWS = [
  'shelf=shelf',
  'new=new',
  'kitchen=kitchen',
  ...['stock', 'balance', 'heat', 'serve'].map(s => `${s}=${MAIN}/${s}`),
  `shape=${LAYERED}/shape`,
  `chill=${TUB}/chill`,
  `card=${DEMO(6)}/card`,
  'people=people',
  `heat-phone=${MAIN}/heat@390x844`,
  // These change the demo a little; so they come last.
  `balance-rebalance=${MAIN}/balance`,
  'book=book',
  `whole=${DEMO(18)}/whole`,
  'today=today?date=2026-11-28',
  `batch-why=${RUNNY}/why`,
  'learned=book/learned',
  `batch-cook=${DEMO(5)}/balance@1024x768`,
]

const [url = 'http://127.0.0.1:4600', folder = 'docs/screenshots', ...wanted] = process.argv.slice(2)
mkdirSync(folder, { recursive: true })
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ARGS })
for (const view of wanted.length ? wanted : VIEWS) {
  const [, name, path, w = 1280, h = 800, full] = /^([\w-]+)=([^@]+)(?:@(\d+)x(\d+)(full)?)?$/.exec(view)
  const page = await browser.newPage({ viewport: { width: Number(w), height: Number(h) } })
  page.on('pageerror', e => console.error(`${name}: ${e.message}`))
  page.on('console', m => m.type() === 'error' && console.error(`${name}: ${m.text()}`))
  await page.goto(`${url}/${path}`)
  await page.waitForSelector('main')
  if (name === 'card') await page.waitForSelector('[data-sheet="ready"] .order')
  else if (path.startsWith('formula/')) await page.waitForSelector('main[data-settled="true"]', { timeout: 30000 })
  if (/heat|chill/.test(path)) await page.waitForSelector('.chart svg, .after, dl.facts', { timeout: 15000 })
  if (/heat|chill/.test(path) && (await page.locator('.chart').count()))
    await page.waitForSelector('.chart svg', { timeout: 15000 })
  if (path === 'new') {
    await page.getByRole('button', { name: 'Try the example' }).click()
    await page.waitForSelector('.got')
  }
  if (/balance/.test(path)) await page.waitForSelector('[data-map="settled"]', { timeout: 30000 })
  const press = button => page.getByRole('button', { name: button, exact: true }).first().click()
  if (/^(book|batch|today)/.test(path)) await page.waitForSelector('main[data-settled="true"]')
  if (name === 'batch-why') {
    await press('Find out why')
    await page.waitForSelector('.why[data-work="done"] [data-courses] svg', { timeout: 120_000 })
  }
  if (name === 'learned') {
    await press('Work it out from the Book')
    await page.waitForSelector('main[data-work="done"]', { timeout: 240_000 })
  }
  if (name === 'batch-cook') {
    await press('Make it')
    await page.getByRole('radio', { name: 'the simulated kitchen (a demonstration)' }).check()
    await page.getByRole('radio', { name: 'hotter than planned' }).check()
    await press('Start the batch')
    await page.waitForSelector('.cook[data-watched="true"]')
    while ((await page.locator('.cook').getAttribute('data-step')) !== 'heatDirect') {
      for (let n = await page.locator('[data-in]').count(); n > 0; n--) {
        await page.locator('[data-pour]').first().click()
        await page.waitForFunction(() => !document.querySelector('[data-pour="runs"]'))
        await page.locator('[data-in]').first().click()
      }
      const at = await page.locator('.cook').getAttribute('data-step')
      await page.locator('[data-done]').click()
      await page.waitForSelector(`.cook:not([data-step="${at}"])`)
    }
    await press('It is on the heat')
    await press('60×')
    await page.waitForFunction(() => Number(document.querySelector('.tile.now b')?.textContent.split(' ')[0]) > 60)
    await press('1×')
  }
  if (name === 'chill') {
    await press('The cold going in')
    await page.waitForSelector('[data-cold="settled"] canvas')
  }
  if (name === 'serve')
    await page
      .getByLabel('Or: to be served at')
      .fill('2026-11-28T19:00')
      .then(() => page.locator('h1').first().click({ force: true }))
      .then(() => page.waitForSelector('[data-plan-way="latest"]'))
      .then(() => page.waitForSelector('main[data-settled="true"]'))
  if (name === 'balance-rebalance') {
    await page.locator('[data-ingredient="bergamot"]').getByRole('button', { name: /^Pin/ }).click()
    await press('Rebalance')
    await press('Find ways')
    await page.waitForSelector('[data-rebalance="settled"]', { timeout: 30000 })
  }
  await page.evaluate(() => Promise.all([document.fonts.ready, ...document.getAnimations().map(a => a.finished)]))
  if (path === 'shelf') await page.waitForSelector('[data-fresh="true"]')
  await page.screenshot({ path: `${folder}/${name}.png`, fullPage: Boolean(full) })
  await page.close()
}
await browser.close()
