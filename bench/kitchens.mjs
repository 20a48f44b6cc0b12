/**
 * Many kitchens on one server: 500 of them, with 50,000 formulas, 1,000,000 kept states and 100,000 batches, generated;
 * a tenth of it all is one large kitchen's. `npm run bench -- kitchens`; LUMBIK_BENCH_VERSIONS and LUMBIK_BENCH_BATCHES
 * make it smaller, LUMBIK_BENCH_MINUTES (10) says how long its memory is watched.
 */
import { execFileSync } from 'node:child_process'
import { availableParallelism } from 'node:os'
import { client, quantile, wait } from '../scripts/probe.mjs'
import { freePort, startPostgres, startServer } from '../scripts/setup.mjs'

const KITCHENS = 500
const FORMULAS = 50_000
const VERSIONS = Number(process.env.LUMBIK_BENCH_VERSIONS ?? 1_000_000)
const BATCHES = Number(process.env.LUMBIK_BENCH_BATCHES ?? 100_000)
const MINUTES = Number(process.env.LUMBIK_BENCH_MINUTES ?? 10)
/** Kitchens that somebody is signed in to; the first is the large one. */
const SIGNED_IN = 24
const EVENTS = 8
const READINGS = 200
const LOTS = 20
const DAYS = 30
/** Requests a second, and for how long, s. */
const RATE = 100
const LOAD_S = 60
const WARM_S = 20
/** Tables of fewer rows may be read from end to end. */
const BIG_ROWS = 10_000

/** An id made of a kind of row and which: the same each time, and one that the server takes for one. */
const id = (kind, of) => `overlay(overlay(md5('${kind}' || ${of}) placing '4' from 13) placing '8' from 17)::uuid`
const PASSWORD = 'glasshouse-of-many-kitchens'
const login = n => `owner${n}`

/** Tables of one kitchen copied from the demonstration's, with every kitchen its share. */
function generate(sql) {
  const all = (statement, ...also) => sql(['set session_replication_role = replica', statement, ...also].join('; '))
  /** Of n-th of a thing, whose it is: a tenth is the large kitchen's. */
  const whose = n => `(case when ${n} % 10 = 0 then 1 else 1 + (${n} / 10 * 9 + ${n} % 10) % ${KITCHENS} end)`
  all(`insert into kitchen (id, actor_id, name, version, settings, created_at, updated_at, revision, learned_set_id)
    select ${id('k', 'n')}, ${id('a', 'n')}, 'Kitchen ' || n, 1, settings, created_at + n * interval '1 second', updated_at, revision, null
    from kitchen, generate_series(1, ${KITCHENS}) n where kitchen.name not like 'Kitchen %'`,
  `insert into actor (id, kitchen_id, name, created_at) select ${id('a', 'n')}, ${id('k', 'n')}, 'Owner ' || n, now() from generate_series(1, ${KITCHENS}) n`,
  `insert into person (id, login, name, password, codes, created_at) select ${id('p', 'n')}, 'owner' || n, 'Owner ' || n, (select password from person where password is not null limit 1), '[]', now() from generate_series(1, ${KITCHENS}) n`,
  `insert into membership (id, person_id, kitchen_id, actor_id, role, pin, created_at, ended_at) select ${id('m', 'n')}, ${id('p', 'n')}, ${id('k', 'n')}, ${id('a', 'n')}, 'owner', null, now(), null from generate_series(1, ${KITCHENS}) n`)
  // Things of the kitchen, as the demonstration has them; lots and days by the number.
  for (const [table, most] of [['place', null], ['vessel', null], ['equipment', null], ['device', null], ['lot', LOTS], ['day', DAYS]])
    all(`create temp table demo_rows as select row_number() over (order by id) as n_, t.* from "${table}" t`,
      `insert into "${table}" select (jsonb_populate_record(null::"${table}", to_jsonb(d) || jsonb_build_object(
        'id', ${id(table, 'd.n_ || \'/\' || x || \'/\' || k')}, 'kitchen_id', ${id('k', 'k')}, 'actor_id', ${id('a', 'k')}
        ${table === 'day' ? ', \'date\', to_char(date \'2026-11-01\' + x, \'YYYY-MM-DD\')' : ''}))).*
        from generate_series(1, ${KITCHENS}) k, generate_series(1, ${most ?? 1}) x
        join lateral (select * from demo_rows ${most ? 'where n_ = 1 + x % (select count(*) from demo_rows)' : ''}) d on true`)
  all(`insert into formula (id, kitchen_id, actor_id, created_at, updated_at, name, school, eggs, document, schema_version, version, demo, position, deleted_at, parent_formula_id, result, result_engine, result_revision, result_version, readable, things, trouble)
    select ${id('f', 'n')}, ${id('k', whose('n'))}, ${id('a', whose('n'))}, created_at, now() - n * interval '7 minutes', name || ', batch ' || n, school, eggs, document, schema_version, 1, false, 0, case when n % 50 = 7 then now() end, null, result, result_engine, result_revision, 1, true, things, trouble
    from generate_series(1, ${FORMULAS}) n join lateral (select * from formula where demo order by id offset n % 16 limit 1) f on true`)
  all(`insert into formula_version (id, kitchen_id, actor_id, created_at, formula_id, parent_id, label, document, schema_version, engine_version)
    select gen_random_uuid(), f.kitchen_id, f.actor_id, now() - n * interval '9 hours', f.id, null, case when n % 19 = 0 then 'named ' || n else '' end, f.document, f.schema_version, '1' from formula f, generate_series(1, ${Math.round(VERSIONS / FORMULAS)}) n where not f.demo`)
  all(`insert into batch (id, kitchen_id, actor_id, created_at, updated_at, formula_id, version_id, name, started_at, clock_at, clock_s, speed, frozen, simulation, simulated, demo, is_done, head, shown, lots, faults)
    select ${id('b', 'n')}, ${id('k', whose('n'))}, ${id('a', whose('n'))}, created_at, updated_at, formula_id, version_id, name || ', no. ' || n % 977, started_at - n * interval '11 minutes', clock_at, 0, 1, frozen, null, true, false, n % 400 > 0, ${EVENTS}, shown, lots, faults
    from generate_series(1, ${BATCHES}) n join lateral (select * from batch where demo order by id offset n % 20 limit 1) b on true`)
  all(`insert into batch_event (id, kitchen_id, actor_id, created_at, batch_id, number, at_s, happened)
    select gen_random_uuid(), b.kitchen_id, b.actor_id, now(), b.id, e.number, e.at_s, e.happened from batch b
    join lateral (select * from batch_event where batch_id = (select id from batch where demo order by id limit 1) order by number limit ${EVENTS}) e on true where not b.demo`)
  all(`insert into reading select b.id, 'probe', 'pot', 0, b.kitchen_id, b.actor_id, ${3 * READINGS}, ${READINGS}, r.packed
    from batch b, (select decode(string_agg(lpad(to_hex((30 * i) % 256), 2, '0') || lpad(to_hex((30 * i) / 256 % 256), 2, '0') || '00000000' || lpad(to_hex(65 + i % 3), 2, '0') || '42', ''), 'hex') as packed from generate_series(0, ${READINGS - 1}) i) r
    where not b.demo`)
  all(`insert into audit (id, kitchen_id, actor_id, created_at, what, about) select gen_random_uuid(), ${id('k', `1 + n % ${KITCHENS}`)}, null, now() - n * interval '1 minute', 'PUT /api/kitchen', null from generate_series(1, 50000) n`)
  sql('vacuum analyze')
}

/** What people look at, by where; each asked for by somebody of one kitchen. */
export async function looks(one) {
  const get = async (path) => {
    const answer = await one.call('GET', path)
    if (answer.status !== 200) throw new Error(`${path}: ${answer.status} ${answer.text.slice(0, 200)}`)
    return answer.json
  }
  const [shelf, book] = [await get('/api/formulas'), await get('/api/batches')]
  const formula = shelf.items[0].id
  const states = await get(`/api/formulas/${formula}/versions`)
  const { places, lots } = await get('/api/kitchen')
  const batch = book.items.at(-1).id
  return {
    'page': '/shelf',
    'who is signed in': '/api/door',
    'shelf, first page': '/api/formulas',
    'shelf, next page': shelf.next ? `/api/formulas?after=${shelf.next}` : '/api/formulas',
    'shelf, trouble first': '/api/formulas?order=trouble',
    'shelf, searched: many': '/api/formulas?search=posset',
    'shelf, searched: none': '/api/formulas?search=nothing%20of%20the%20kind',
    'shelf, one family': '/api/formulas?family=posset',
    'one formula': `/api/formulas/${formula}`,
    'kept states of one': `/api/formulas/${formula}/versions`,
    'one kept state': `/api/versions/${states.items[0].id}`,
    'kitchen': '/api/kitchen',
    'who uses a fridge': `/api/kitchen/uses/${places[0].id}`,
    'bin': '/api/bin',
    'Book, first page': '/api/batches',
    'Book, next page': book.next ? `/api/batches?after=${book.next}` : '/api/batches',
    'Book, searched: many': '/api/batches?search=posset',
    'Book, searched: none': '/api/batches?search=nothing%20of%20the%20kind',
    'Book, one fault': '/api/batches?fault=grainy',
    'Book, one lot': `/api/batches?lot=${lots[0].id}`,
    'Book, one formula': `/api/batches?formula=${book.items[0].formulaId}`,
    'Book, what is being made': '/api/batches?going=1',
    'one batch': `/api/batches/${batch}`,
    'the devices': '/api/devices',
    'a day': '/api/days/2026-11-12',
    'what was learned': '/api/learned',
    'people': '/api/people',
    'who did what': '/api/people/audit',
  }
}

/** Somebody signed in to a kitchen, asking each of several servers in its turn. */
export async function signedIn(urls, n) {
  const servers = [urls].flat().map(url => client(url))
  const [plain] = servers
  const said = await plain.call('POST', '/api/door/in', { login: login(n), password: PASSWORD })
  if (said.status !== 200) throw new Error(`kitchen ${n} could not be signed in to: ${said.status} ${said.text}`)
  const cookie = said.headers['set-cookie'].map(c => c.split(';')[0]).join('; ')
  let turn = n
  return {
    call: (method, path, body) => servers[turn++ % servers.length].call(method, path, body, { cookie }),
    close: () => servers.forEach(s => s.close()),
  }
}

const ms = v => `${v.toFixed(1)} ms`
const line = (name, ...rest) => console.log(`${name.padEnd(34)} ${rest.join('  ')}`)

/** Requests at a rate, however long each takes. @returns times by name, ms; what was refused */
async function load(rate, seconds, ask) {
  const times = {}
  const refused = []
  const began = performance.now()
  const all = []
  for (let i = 0; i < rate * seconds; i++) {
    const due = began + (1000 * i) / rate
    if (due > performance.now()) await wait(due - performance.now())
    all.push(ask(i).then(({ name, answer }) => {
      // From when it was due: what waits for its turn waits for the cook, too.
      (times[name] ??= []).push(performance.now() - due)
      if (answer.status !== 200) refused.push(`${name}: ${answer.status} ${answer.text.slice(0, 80)}`)
    }))
  }
  await Promise.all(all)
  return { times, refused }
}

/** How often each big table was read from end to end so far. */
const scansOf = sql => Object.fromEntries(JSON.parse(
  sql(`select json_agg(json_build_array(relname, seq_scan)) from pg_stat_user_tables where n_live_tup > ${BIG_ROWS}`)))

export async function pages(people, sql) {
  const ways = []
  for (const p of people) ways.push(Object.entries(await looks(p)))
  const one = async (i) => {
    // The large kitchen asks as often as three others.
    const of = (i * 7 + Math.floor(i / 28)) % (people.length + 2)
    const [person, kitchen] = of < people.length ? [people[of], ways[of]] : [people[0], ways[0]]
    const [name, path] = kitchen[i % kitchen.length]
    return { name, answer: await person.call('GET', path) }
  }
  const before = scansOf(sql)
  // A server and a database that have just begun have read nothing yet. The hourly round falls into what is measured.
  await load(RATE / 2, WARM_S, one)
  const { times, refused } = await load(RATE, LOAD_S, one)
  for (const [name, of] of Object.entries(times))
    line(name, `median ${ms(quantile(of, 0.5)).padStart(9)}`, `p99 ${ms(quantile(of, 0.99)).padStart(9)}`, `most ${ms(Math.max(...of)).padStart(9)}`)
  const every = Object.values(times).flat()
  line(`ALL at ${RATE}/s for ${LOAD_S} s`, `median ${ms(quantile(every, 0.5))}`, `p99 ${ms(quantile(every, 0.99))}`, `refused ${refused.length}`, ...refused.slice(0, 3))
  await wait(1500)
  const after = scansOf(sql)
  const scanned = Object.keys(after).filter(t => after[t] > (before[t] ?? 0))
  line('read from end to end', scanned.length ? `NOT AS IT SHOULD BE: ${scanned.join(', ')}` : `none of ${Object.keys(after).join(', ')}`)
}

/** How many assessments a second, all there is to be had; and how long one takes alone. */
async function saturate(person, documents) {
  const ask = i => person.call('POST', '/api/assess', documents[i % documents.length])
  const alone = []
  for (let i = 0; i < 40; i++) alone.push((await ask(i)).ms)
  let next = 0
  const count = 300
  const began = performance.now()
  await Promise.all(Array.from({ length: 12 }, async () => {
    while (next < count) await ask(next++)
  }))
  return { alone: quantile(alone.slice(8), 0.5), rate: (1000 * count) / (performance.now() - began) }
}

async function assessments(begin) {
  const rates = {}
  for (const cores of ['0', '0,1']) {
    const server = await begin()
    for (const pid of [server.child.pid]) execFileSync('taskset', ['-apc', cores, String(pid)], { stdio: 'ignore' })
    const person = await signedIn(server.url, 2)
    const shelf = (await person.call('GET', '/api/formulas')).json.items.slice(0, 16)
    const documents = await Promise.all(shelf.map(async i => (await person.call('GET', `/api/formulas/${i.id}`)).json.document))
    for (let i = 0; i < 30; i++) await person.call('POST', '/api/assess', documents[i % 16])
    const { alone, rate } = await saturate(person, documents)
    rates[cores] = rate
    line(`assessments, cores ${cores}`, `${rate.toFixed(1)} /s`, `one alone ${ms(alone)}`)
    if (cores !== '0') {
      const { times, refused } = await load(Math.max(1, Math.round(0.6 * rate)), 30, async i => i % 5 === 4
        ? { name: 'page', answer: await person.call('GET', '/api/formulas') }
        : { name: 'assess', answer: await person.call('POST', '/api/assess', documents[i % 16]) })
      line('at 60 % of that', `p99 ${ms(quantile(times.assess, 0.99))}, × ${(quantile(times.assess, 0.99) / alone).toFixed(1)} of one alone`,
        `shelf meanwhile median ${ms(quantile(times.page, 0.5))}, p95 ${ms(quantile(times.page, 0.95))}, p99 ${ms(quantile(times.page, 0.99))}`, `refused ${refused.length}`)
    }
    person.close()
    await server.stop()
  }
  line('two cores to one', `× ${(rates['0,1'] / rates['0']).toFixed(2)}`)
}

/** What the server holds, minute by minute, while it is asked half as much. */
export async function memory(people, url) {
  const ways = []
  for (const p of people) ways.push(Object.entries(await looks(p)))
  const figures = client(url)
  const held = []
  for (let minute = 0; minute < MINUTES; minute++) {
    const { refused } = await load(RATE / 2, 60, async (i) => {
      const of = i % people.length
      const [name, path] = ways[of][i % ways[of].length]
      return { name, answer: await people[of].call('GET', path) }
    })
    const said = (await figures.call('GET', '/metrics')).text
    const figure = name => Number(new RegExp(`^lumbik_${name} (\\S+)`, 'm').exec(said)[1]) / 1e6
    held.push({ rss: figure('process_resident_memory_bytes'), heap: figure('nodejs_heap_size_used_bytes') })
    line(`minute ${minute + 1}`, `resident ${held.at(-1).rss.toFixed(0)} MB`, `heap ${held.at(-1).heap.toFixed(0)} MB`, `refused ${refused.length}`)
  }
  figures.close()
  const least = (of, from, to) => Math.min(...held.slice(from, to).map(h => h[of]))
  const half = Math.ceil(held.length / 2)
  line('growth, second half to first', ...['rss', 'heap'].map(of => `${of} ${(least(of, half) - least(of, 0, half)).toFixed(1)} MB`))
}

export async function benchKitchens() {
  const postgres = await startPostgres('bench-postgres', {
    fsync: 'off', synchronous_commit: 'off', full_page_writes: 'off', max_wal_size: '8GB', max_connections: '60', shared_buffers: '1GB',
  })
  const of = 'lumbik_kitchens_bench'
  const sql = (statement, at = of) => postgres.sql(statement, at)
  try {
    const url = postgres.url(of)
    const port = await freePort(0)
    const env = { DATABASE_URL: url, LUMBIK_LOG_LEVEL: 'silent' }
    const begin = () => startServer(env, port, 'ignore')
    if (!process.env.LUMBIK_BENCH_KEPT) {
      postgres.sql(`drop database if exists ${of} with (force)`)
      postgres.sql(`create database ${of}`)
      const seeded = await startServer({ DATABASE_URL: url, LUMBIK_DEMO: '1' }, port, 'ignore')
      const warm = client(seeded.url)
      while ((await warm.call('GET', '/api/formulas')).json.items.some(i => i.stale)) await wait(200)
      for (let b = []; b.length < 20 || b.some(i => i.shown === null); b = (await warm.call('GET', '/api/batches')).json.items)
        await wait(300)
      const first = await warm.call('POST', '/api/door/owner', { login: 'first', name: 'First', kitchen: 'First', password: PASSWORD })
      if (first.status !== 200) throw new Error(`no owner: ${first.text}`)
      warm.close()
      await seeded.stop()
      const started = Date.now()
      generate(sql)
      console.log(`generated ${KITCHENS} kitchens, ${FORMULAS} formulas, ${VERSIONS} kept states, ${BATCHES} batches in ${Math.round((Date.now() - started) / 1000)} s, ${sql('select pg_size_pretty(pg_database_size(current_database()))').trim()}, on ${availableParallelism()} cores`)
    }
    const server = await begin()
    const second = await startServer({ ...env, LUMBIK_ROLE: 'web' }, await freePort(0), 'ignore')
    for (const urls of [[server.url], [server.url, second.url]]) {
      console.log(`one of ${urls.length} servers on these cores`)
      const people = []
      for (let n = 1; n <= SIGNED_IN; n++) people.push(await signedIn(urls, n))
      await pages(people, sql)
      if (urls.length === 1 && MINUTES > 0) await memory(people, server.url)
      for (const p of people) p.close()
    }
    await second.stop()
    await server.stop()
    await assessments(begin)
  } finally {
    try {
      if (!process.env.LUMBIK_BENCH_KEEP) postgres.sql(`drop database if exists ${of} with (force)`)
    } finally {
      postgres.stop()
    }
  }
}
