/**
 * The page while the map is redrawn and dragged, in the real browser: every task of the main thread above 50 ms is
 * counted (the Long Tasks API), and the gaps between frames are set against those of the same page at rest.
 */
import { chromium } from '@playwright/test'
import { freePort, startPostgres, startServer } from '../scripts/setup.mjs'

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
const MAIN = 'formula/0e1f0000-0006-4000-8000-000000000001/balance'

/** Starts counting in the page: long tasks and frame gaps. */
const watch = page =>
  page.evaluate(() => {
    const seen = (window.lumbikBench = { tasks: [], gaps: [], on: true })
    new PerformanceObserver(list => list.getEntries().forEach(e => seen.tasks.push(e.duration))).observe({
      type: 'longtask',
    })
    let last = performance.now()
    const frame = (now) => {
      seen.gaps.push(now - last)
      last = now
      if (seen.on) requestAnimationFrame(frame)
    }
    requestAnimationFrame(frame)
  })
const read = page =>
  page.evaluate(() => {
    const { tasks, gaps } = window.lumbikBench
    const sorted = [...gaps].slice(1).sort((a, b) => a - b)
    const result = {
      tasks: [...tasks],
      median: sorted[sorted.length >> 1],
      most: sorted.at(-1),
      frames: sorted.length,
    }
    tasks.length = gaps.length = 0
    return result
  })
const settled = page => page.waitForSelector('[data-map="settled"]', { timeout: 60000 })
const print = (name, r, against) =>
  console.log(
    `${name}: ${r.frames} frames, median gap ${r.median.toFixed(1)} ms${against ? ` (× ${(r.median / against.median).toFixed(2)} of the page at rest)` : ''}, longest ${r.most.toFixed(0)} ms; tasks over 50 ms: ${r.tasks.length}${r.tasks.length ? ` (longest ${Math.max(...r.tasks).toFixed(0)} ms)` : ''}`,
  )

export async function benchBrowser() {
  const postgres = await startPostgres('bench-postgres', { fsync: 'off' })
  if (postgres.sql('select 1 from pg_database where datname = \'lumbik_bench\'').trim() !== '1')
    postgres.sql('create database lumbik_bench')
  const port = await freePort(0)
  const server = await startServer({ DATABASE_URL: postgres.url('lumbik_bench'), LUMBIK_DEMO: '1' }, port, 'ignore')
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ARGS })
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(`http://127.0.0.1:${port}/${MAIN}`)
    await page.waitForSelector('main[data-settled="true"]')
    await settled(page)
    await watch(page)
    await page.waitForTimeout(2000)
    const rest = await read(page)
    console.log('\nThe map in the browser\n')
    print('the page at rest', rest)
    // Other inputs: the whole field is computed and drawn, coarse, then fine.
    const axes = await page.locator('#map-x option').evaluateAll(list => list.map(o => o.value))
    const started = Date.now()
    for (const axis of axes.slice(1, 5)) {
      await page.locator('#map-x').selectOption(axis)
      await settled(page)
    }
    const redraw = await read(page)
    print(`redrawn 4 times (${((Date.now() - started) / 4000).toFixed(1)} s each)`, redraw, rest)
    // Dragged across: the formula, its verdict and every readout follow.
    const box = await page.locator('[data-map] .catch').boundingBox()
    const dot = await page.locator('[data-point-on-map] .dot').boundingBox()
    await page.mouse.move(dot.x + dot.width / 2, dot.y + dot.height / 2)
    await page.mouse.down()
    for (let i = 0; i <= 60; i++)
      await page.mouse.move(
        box.x + box.width * (0.2 + (0.6 * i) / 60),
        box.y + box.height * (0.3 + 0.4 * Math.sin(i / 6)),
      )
    await page.mouse.up()
    await page.waitForSelector('main[data-settled="true"]')
    print('dragged across in 60 moves', await read(page), rest)
    // Stepped in a line that is not on the map: the field is cancelled and begun anew at every step.
    const field = page.getByRole('spinbutton', { name: 'Grams of Butter, 82 % fat' })
    for (let i = 0; i < 20; i++) await field.press('ArrowUp')
    await settled(page)
    print('a line stepped 20 times, the map cancelled and redrawn', await read(page), rest)
  } finally {
    await browser.close()
    await server.stop()
    postgres.stop()
  }
}
