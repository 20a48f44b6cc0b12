/** `npm test`: set-up, lint, types, unit, server and browser tests; the last line counts them all. */
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { stripVTControlCharacters } from 'node:util'
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
/** What failed, with the first words of why: said again at the end, where whoever reads only that finds it. */
const failures = []
let postgres = null
const bin = (pkg, file) => join(root, 'node_modules', pkg, file)

async function step(name, args, count) {
  const started = Date.now()
  say(`${name} …`)
  const env = { ...process.env, ...step.env, NUXT_TELEMETRY_DISABLED: '1', NO_UPDATE_NOTIFIER: '1' }
  const stdio = count === asOne ? ['inherit', 'pipe', 'pipe'] : 'inherit'
  const child = spawn(process.execPath, args, { cwd: root, stdio, env })
  let told = ''
  for (const stream of [child.stdout, child.stderr])
    stream?.on('data', (chunk) => {
      process.stdout.write(chunk)
      told = (told + chunk).slice(-TOLD_LETTERS)
    })
  const ok = await new Promise((resolve) => {
    child.once('error', () => resolve(false))
    child.once('close', code => resolve(code === 0))
  })
  const [good, bad] = count(ok)
  passed += good
  failed += bad
  // A runner that failed without a failed test still failed.
  if (!ok && bad === 0) failed += 1
  if (!ok && (bad === 0 || count === asOne)) keepFailure(name, told.trim().split('\n').slice(-WHY_LINES).join('\n'))
  say(`${name}: ${good} passed, ${bad} failed (${Math.round((Date.now() - started) / 1000)} s)`)
}
step.env = {}
const asOne = ok => (ok ? [1, 0] : [0, 1])
const WHY_LINES = 12
const TOLD_LETTERS = 4000
function keepFailure(name, why) {
  const lines = stripVTControlCharacters(why ?? '').split('\n').slice(0, WHY_LINES)
  failures.push([name, ...lines.map(l => `    ${l}`)].join('\n'))
}
const report = (file, read) => (ok) => {
  if (!existsSync(file)) return [0, ok ? 0 : 1]
  return read(JSON.parse(readFileSync(file, 'utf8')))
}
const vitest = file =>
  report(file, (r) => {
    for (const { name, message, assertionResults } of r.testResults.filter(t => t.status === 'failed')) {
      const where = relative(root, name)
      if (message) keepFailure(where, message)
      for (const t of assertionResults.filter(x => x.status === 'failed'))
        keepFailure(`${where} › ${t.fullName}`, t.failureMessages[0])
    }
    return [
      r.numPassedTests,
      r.numFailedTests + r.testResults.filter(t => t.status === 'failed' && t.assertionResults.length === 0).length,
    ]
  })
const specsOf = suite => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsOf)]
const playwright = file =>
  report(file, (r) => {
    for (const { file: where, title, tests } of r.suites.flatMap(specsOf).filter(s => !s.ok))
      keepFailure(`${where} › ${title}`, tests.flatMap(t => t.results).find(x => x.error)?.error.message)
    return [r.stats.expected + r.stats.flaky, r.stats.unexpected]
  })

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
if (failures.length > 0) console.log(`\nWhat failed:\n${failures.join('\n')}\n`)
console.log(`${passed} passed, ${failed} failed`)
process.exit(code)
