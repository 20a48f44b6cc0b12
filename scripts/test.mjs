/** `npm test`: set-up, lint, types, unit, server and browser tests; the last line counts them all. */
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import {
  dataDir,
  ensureBuild,
  ensureChromium,
  ensureNode,
  ensurePackages,
  ensurePostgresPrograms,
  freePort,
  Plain,
  root,
  run,
  say,
  startPostgres,
  startServer,
} from './setup.mjs'

const FIXED_NOW = '2026-11-28T08:00:00.000Z'
let passed = 0
let failed = 0
let postgres = null
const bin = (pkg, file) => join(root, 'node_modules', pkg, file)

async function step(name, args, count) {
  const started = Date.now()
  say(`${name} …`)
  const env = { ...process.env, ...step.env, NUXT_TELEMETRY_DISABLED: '1', NO_UPDATE_NOTIFIER: '1' }
  const child = spawn(process.execPath, args, { cwd: root, stdio: 'inherit', env })
  const ok = await new Promise((resolve) => {
    child.once('error', () => resolve(false))
    child.once('exit', code => resolve(code === 0))
  })
  const [good, bad] = count(ok)
  passed += good
  failed += bad
  // A runner that failed without a failed test still failed.
  if (!ok && bad === 0) failed += 1
  say(`${name}: ${good} passed, ${bad} failed (${Math.round((Date.now() - started) / 1000)} s)`)
}
step.env = {}
const asOne = ok => (ok ? [1, 0] : [0, 1])
const report = (file, read) => (ok) => {
  if (!existsSync(file)) return [0, ok ? 0 : 1]
  return read(JSON.parse(readFileSync(file, 'utf8')))
}
const vitest = file =>
  report(file, r => [
    r.numPassedTests,
    r.numFailedTests + r.testResults.filter(t => t.status === 'failed' && t.assertionResults.length === 0).length,
  ])
const playwright = file => report(file, r => [r.stats.expected + r.stats.flaky, r.stats.unexpected])

let code = 1
try {
  ensureNode()
  ensurePostgresPrograms()
  ensureChromium()
  ensurePackages()
  const reports = join(dataDir, 'reports')
  rmSync(reports, { recursive: true, force: true })
  mkdirSync(reports, { recursive: true })
  run(process.execPath, [bin('nuxt', 'bin/nuxt.mjs'), 'prepare'], { quiet: true })

  // Each keeps one core busy.
  await Promise.all([
    step('lint', [bin('eslint', 'bin/eslint.js'), '.', '--max-warnings=0'], asOne),
    step('types', [bin('nuxt', 'bin/nuxt.mjs'), 'typecheck'], asOne),
  ])
  postgres = await startPostgres('test-postgres', {
    fsync: 'off',
    synchronous_commit: 'off',
    full_page_writes: 'off',
    max_connections: '80',
  })
  for (const name of postgres
    .sql('select datname from pg_database where datname like \'lumbik_%\'')
    .split('\n')
    .filter(Boolean))
    postgres.sql(`drop database "${name}" with (force)`)
  step.env = { LUMBIK_TEST_DATABASE: postgres.url('postgres'), LUMBIK_NOW: FIXED_NOW }
  await step(
    'unit and server tests',
    [
      bin('vitest', 'vitest.mjs'),
      'run',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${join(reports, 'vitest.json')}`,
    ],
    vitest(join(reports, 'vitest.json')),
  )

  ensureBuild()
  // One migrated and seeded template; every browser test gets its own copy.
  postgres.sql('create database lumbik_template')
  const seeded = await startServer(
    { DATABASE_URL: postgres.url('lumbik_template'), LUMBIK_DEMO: '1', LUMBIK_NOW: FIXED_NOW },
    await freePort(0),
    'ignore',
  )
  // What shelf and Book show is worked out once, for all of them.
  for (let stale = true; stale;)
    stale = (await (await fetch(`${seeded.url}/api/formulas`)).json()).items.some(i => i.stale)
  for (let items = []; items.length < 20 || items.some(i => i.shown === null);) {
    await new Promise(resolve => setTimeout(resolve, 300))
    ;({ items } = await (await fetch(`${seeded.url}/api/batches`)).json())
  }
  await seeded.stop()
  step.env = { ...step.env, PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'playwright.json') }
  await step(
    'browser tests',
    [bin('@playwright/test', 'cli.js'), 'test', '--reporter=list,json'],
    playwright(join(reports, 'playwright.json')),
  )
  code = failed === 0 ? 0 : 1
} catch (error) {
  console.error(error instanceof Plain ? `lumbik: ${error.message}` : error)
  failed += 1
} finally {
  try {
    postgres?.stop()
  } catch (error) {
    console.error(error.message)
  }
}
console.log(`${passed} passed, ${failed} failed`)
process.exit(code)
