/** A newer build waits for a press: whoever is at work is never reloaded away, and the press brings it. */
import { createServer, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect, test } from './support/lumbik'

test.use({ serviceWorkers: 'allow' })

test('a newer build is said to be there, leaves what is being written alone, and comes at a press', async ({ page, lumbik, guarded }) => {
  // Stands before the server; from a moment on the app's files are those of another build.
  let isNewer = false
  let askedFor = 0
  const before = createServer((asked, answer) => {
    const isWorker = asked.url === '/sw.js'
    const headers = { ...asked.headers, ...(isWorker ? { 'accept-encoding': 'identity' } : {}) }
    const on = request(`${lumbik.url}${asked.url}`, { method: asked.method, headers }, (said) => {
      if (!isWorker) {
        answer.writeHead(said.statusCode!, said.headers)
        return said.pipe(answer)
      }
      const chunks: Buffer[] = []
      said.on('data', (c: Buffer) => chunks.push(c)).on('end', () => {
        askedFor += 1
        answer.writeHead(200, { 'content-type': 'text/javascript', 'cache-control': 'no-cache' })
        answer.end(Buffer.concat([...chunks, Buffer.from(isNewer ? '\n// another build\n' : '')]))
      })
    })
    on.on('error', () => answer.destroy())
    asked.pipe(on)
  })
  await new Promise<void>(resolve => before.listen(0, '127.0.0.1', resolve))
  const site = `http://127.0.0.1:${(before.address() as AddressInfo).port}`
  try {
    await page.goto(`${site}/new`)
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => {}))
    await expect(page.locator('html')).toHaveAttribute('data-stocked', 'all')
    const told = page.locator('[data-new-version]')
    await expect(told).toHaveCount(0)
    const text = page.getByRole('textbox').first()
    await text.fill('120 g lemon juice')
    await page.evaluate(() => { document.documentElement.dataset.mark = 'as it was' })
    isNewer = true
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.update())
    await expect(told).toBeVisible()
    // It waits: another page opened meanwhile is of the old build, and nothing was reloaded.
    expect(await page.evaluate(async () => {
      const { waiting, active } = (await navigator.serviceWorker.getRegistration())!
      return [waiting !== null, active?.state]
    })).toEqual([true, 'activated'])
    await expect(page.locator('html')).toHaveAttribute('data-mark', 'as it was')
    await expect(text).toHaveValue('120 g lemon juice')
    await told.getByRole('button').click()
    await expect(page.locator('html')).not.toHaveAttribute('data-mark', /./)
    await expect(told).toHaveCount(0)
    const waiting = () => page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.waiting)
    await expect.poll(waiting).toBeNull()
    expect(askedFor).toBeGreaterThan(1)
    // What was being written is a draft of this browser: it is there.
    await expect(page.getByRole('textbox').first()).toHaveValue('120 g lemon juice')
  } finally {
    await page.goto('about:blank')
    before.closeAllConnections()
    before.close()
  }
  // The page stood before another address than the test's own: the only one it asked for.
  expect(guarded.every(f => f.startsWith(`request to ${site}/`))).toBe(true)
  guarded.length = 0
})
