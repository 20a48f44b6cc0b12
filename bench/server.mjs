/**
 * The server with a full shelf: 10,000 formulas and 1,000,000 kept states (fewer with LUMBIK_BENCH_VERSIONS),
 * generated.
 * Each figure stands beside an empty route of the same run; nothing is asserted.
 */
import { randomUUID } from 'node:crypto'
import { chromium } from '@playwright/test'
import { freePort, startPostgres, startServer } from '../scripts/setup.mjs'
import { client, kitchenBody, quantile, wait } from '../scripts/probe.mjs'

const FORMULAS = 10_000
const VERSIONS = Number(process.env.LUMBIK_BENCH_VERSIONS ?? 1_000_000)
/** Batches of the Book, each with so many readings packed in one row. */
const BATCHES = Number(process.env.LUMBIK_BENCH_BATCHES ?? 100_000)
const READINGS = 500
/** States of one formula alone. */
const LONG = Math.min(20_000, VERSIONS / 2)
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

/** Copies of the demo's formulas, each with a result, and kept states over months. */
function generate(sql) {
  const rest = Math.floor((VERSIONS - LONG) / FORMULAS)
  sql(`insert into formula (id, kitchen_id, actor_id, created_at, updated_at, name, school, eggs, document, schema_version, version, demo, position, deleted_at, parent_formula_id, result, result_engine, result_revision, result_version, readable)
    select gen_random_uuid(), kitchen_id, actor_id, created_at, now() - n * interval '7 minutes', name || ', batch ' || n, school, eggs, document, schema_version, 1, false, 0, null, null, result, result_engine, result_revision, 1, true
    from generate_series(1, ${FORMULAS - 16}) n join lateral (select * from formula where demo order by id offset n % 16 limit 1) f on true`)
  const columns =
    'formula_version (id, kitchen_id, actor_id, created_at, formula_id, parent_id, label, document, schema_version, engine_version)'
  const state = (from, times, every) =>
    `insert into ${columns} select gen_random_uuid(), f.kitchen_id, f.actor_id, now() - n * interval '${every}', f.id, null, case when n % 97 = 0 then 'named ' || n else '' end, f.document, f.schema_version, '1' from ${from} f, generate_series(1, ${times}) n`
  if (rest > 0) sql(state('formula', rest, '9 hours'))
  sql(state('(select * from formula where demo order by position desc limit 1)', LONG, '20 seconds'))
  generateBook(sql)
  sql('analyze')
}

/** Copies of the demo's batches over years, every one with what it showed, and readings as they are kept. */
function generateBook(sql) {
  sql(`insert into batch (id, kitchen_id, actor_id, created_at, updated_at, formula_id, version_id, name, started_at, clock_at, clock_s, speed, frozen, simulation, simulated, demo, is_done, head, shown, lots, faults)
    select gen_random_uuid(), kitchen_id, actor_id, created_at, updated_at, formula_id, version_id, name || ', no. ' || n % 977, started_at - n * interval '41 minutes', clock_at, 0, 1, frozen, null, true, false, true, 0, shown, lots, faults
    from generate_series(1, ${BATCHES}) n join lateral (select * from batch where demo order by id offset n % 20 limit 1) b on true`)
  sql(`insert into reading select b.id, 'probe', 'pot', 0, b.kitchen_id, b.actor_id, ${3 * READINGS}, ${READINGS}, r.packed
    from batch b, (select decode(string_agg(lpad(to_hex((30 * i) % 256), 2, '0') || lpad(to_hex((30 * i) / 256 % 256), 2, '0') || '00000000' || lpad(to_hex(65 + i % 3), 2, '0') || '42', ''), 'hex') as packed from generate_series(0, ${READINGS - 1}) i) r
    where not b.demo`)
}

export async function benchServer() {
  const postgres = await startPostgres('bench-postgres', {
    fsync: 'off',
    synchronous_commit: 'off',
    full_page_writes: 'off',
    max_wal_size: '8GB',
    max_connections: '60',
  })
  let server
  try {
    postgres.sql('drop database if exists lumbik_bench with (force)')
    postgres.sql('create database lumbik_bench')
    const url = postgres.url('lumbik_bench')
    const port = await freePort(0)
    server = await startServer({ DATABASE_URL: url, LUMBIK_DEMO: '1' }, port, 'ignore')
    const warm = client(server.url)
    while ((await warm.call('GET', '/api/formulas')).json.items.some(i => i.stale)) await wait(200)
    for (let b = []; b.length < 20 || b.some(i => i.shown === null); b = (await warm.call('GET', '/api/batches')).json.items)
      await wait(300)
    warm.close()
    await server.stop()
    const started = Date.now()
    generate(statement => postgres.sql(statement, 'lumbik_bench'))
    console.log(
      `generated ${FORMULAS} formulas and ${VERSIONS} kept states in ${Math.round((Date.now() - started) / 1000)} s`,
    )
    server = await startServer({ DATABASE_URL: url, LUMBIK_DEMO: '1' }, port, 'ignore')
    await measure(server.url)
  } finally {
    await server?.stop()
    try {
      postgres.sql('drop database if exists lumbik_bench with (force)')
    } finally {
      postgres.stop()
    }
  }
}

async function measure(url) {
  const { call, close } = client(url)
  const ms = v => `${v.toFixed(1)} ms`
  let empty = NaN
  async function timeOf(name, path, runs = 40) {
    const times = []
    let bytes = 0
    for (let i = 0; i < runs + 5; i++) {
      const answer = await call('GET', typeof path === 'function' ? path(i) : path)
      if (answer.status >= 500 || answer.status === 0)
        throw new Error(`${name}: ${answer.status} ${answer.text.slice(0, 200)}`)
      if (i >= 5) times.push(answer.ms)
      bytes = answer.text.length
    }
    const median = quantile(times, 0.5)
    if (Number.isNaN(empty)) empty = median
    console.log(
      `${name.padEnd(44)} ${ms(median).padStart(10)}  p95 ${ms(quantile(times, 0.95)).padStart(9)}  × ${(median / empty).toFixed(1).padStart(6)}  ${(bytes / 1000).toFixed(1).padStart(7)} kB`,
    )
  }
  await timeOf('an empty route', '/api/nothing')
  const first = (await call('GET', '/api/formulas')).json
  let cursor = first.next
  for (let i = 0; i < 100; i++) cursor = (await call('GET', `/api/formulas?after=${cursor}`)).json.next
  const long = first.firstId
  const states = (await call('GET', `/api/formulas/${long}/versions`)).json
  let deep = states.next
  for (let i = 0; i < 50 && deep; i++)
    deep = (await call('GET', `/api/formulas/${long}/versions?after=${deep}`)).json.next ?? deep
  await timeOf('shelf, first page', '/api/formulas')
  await timeOf('shelf, page 101', `/api/formulas?after=${cursor}`)
  await timeOf('shelf, searched: many', '/api/formulas?search=posset')
  await timeOf('shelf, searched: one', '/api/formulas?search=batch%207777')
  await timeOf('shelf, searched: none', '/api/formulas?search=nothing%20of%20the%20kind')
  await timeOf('one formula', `/api/formulas/${long}`)
  await timeOf(`kept states of one (${LONG}), first page`, `/api/formulas/${long}/versions`)
  await timeOf('kept states of one, page 51', `/api/formulas/${long}/versions?after=${deep}`)
  await timeOf('kitchen', '/api/kitchen')
  await timeOf('bin', '/api/bin')
  const book = (await call('GET', '/api/batches')).json
  let late = book.next
  for (let i = 0; i < 100; i++) late = (await call('GET', `/api/batches?after=${late}`)).json.next
  const ofFormula = book.items.find(i => !i.name.includes('no.'))?.formulaId ?? book.items[0].formulaId
  await timeOf(`Book of ${BATCHES}, first page`, '/api/batches')
  await timeOf('Book, page 101', `/api/batches?after=${late}`)
  await timeOf('Book, searched: many', '/api/batches?search=posset')
  await timeOf('Book, searched: few', '/api/batches?search=no.%20777')
  await timeOf('Book, searched: none', '/api/batches?search=nothing%20of%20the%20kind')
  await timeOf('Book, one fault', '/api/batches?fault=grainy')
  await timeOf('Book, one lot', '/api/batches?lot=0e1f0000-0005-4000-8000-000000000001')
  await timeOf('Book, one formula', `/api/batches?formula=${ofFormula}`)
  await timeOf(`a batch with its ${READINGS} readings`, `/api/batches/${book.items[30].id}`)

  // A kitchen change makes every summary stale: the shelf says so and waits for nobody.
  const kitchen = kitchenBody((await call('GET', '/api/kitchen')).json)
  await call('PUT', '/api/kitchen', {
    mutationId: randomUUID(),
    ...kitchen,
    settings: { ...kitchen.settings, roomTempC: 22 },
  })
  await timeOf('shelf, first page, all of it stale', '/api/formulas', 15)

  async function beside(name, atOnce, count, work) {
    const waits = []
    let going = true
    const watching = (async () => {
      while (going) {
        waits.push((await call('GET', '/shelf')).ms)
        await wait(25)
      }
    })()
    let next = 0
    let refused = 0
    const started = performance.now()
    await Promise.all(
      Array.from({ length: atOnce }, async (_, w) => {
        while (next < count) {
          const answer = await work(next++, w)
          if (answer.status !== 200) refused++
        }
      }),
    )
    const rate = (1000 * count) / (performance.now() - started)
    going = false
    await watching
    console.log(
      `${name.padEnd(44)} ${rate.toFixed(1).padStart(8)} /s  refused ${refused}; a page meanwhile ${ms(quantile(waits, 0.5))}, p95 ${ms(quantile(waits, 0.95))}, most ${ms(Math.max(...waits))} (× ${(quantile(waits, 0.5) / empty).toFixed(1)})`,
    )
  }
  const documents = await Promise.all(
    first.items.slice(0, 16).map(async i => (await call('GET', `/api/formulas/${i.id}`)).json),
  )
  await beside('assessments, one at a time', 1, 40, i => call('POST', '/api/assess', documents[i % 16].document))
  await beside('assessments, 50 at once', 50, 300, i => call('POST', '/api/assess', documents[i % 16].document))
  const save = async (i, w) => {
    const d = documents[w % 16]
    const answer = await call('PUT', `/api/formulas/${d.id}`, {
      mutationId: randomUUID(),
      baseVersion: d.version,
      document: { ...d.document, formula: { ...d.document.formula, note: `bench ${i}` } },
    })
    if (answer.status === 200) d.version = answer.json.version
    return answer
  }
  await beside('saves, one at a time', 1, 200, save)
  await beside('saves, 16 at once', 16, 1000, save)
  close()

  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ARGS })
  const rows = []
  for (let i = 0; i < 3; i++) {
    const page = await (await browser.newContext()).newPage()
    const began = performance.now()
    await page.goto(`${url}/shelf`, { waitUntil: 'commit' })
    await page.waitForSelector('.rows > li')
    rows.push(performance.now() - began)
    await page.context().close()
  }
  await browser.close()
  console.log(
    `${'first rows of the shelf on screen, new browser'.padEnd(44)} ${ms(quantile(rows, 0.5)).padStart(10)}  (${rows.map(r => ms(r)).join(', ')})`,
  )
}
