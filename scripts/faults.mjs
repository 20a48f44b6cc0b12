/**
 * `npm run faults`: real processes killed, frozen and started at once, and what becomes of the work. Prints its table;
 * the one of the last change is kept in docs/reliability.md. The tests run short forms of the same.
 */
import { spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import {
  endProcess,
  ensureBuild,
  ensureNode,
  ensurePackages,
  ensurePostgresPrograms,
  freePort,
  gone,
  root,
  startPostgres,
} from './setup.mjs'
import { backup, contents, restore } from './backup.mjs'
import { client, quantile, rawRequest, wait } from './probe.mjs'
import { freshDatabase, noted, row, seconds, serve, timed, within } from './faultTools.mjs'
import { answersCut, clockBack, fullDisk, killedUnderMany, oneOfTwoKilled } from './manyHands.mjs'

/** Writes to every formula as fast as it goes, until told to stop. Each acknowledged write is remembered. */

function writers(url, ids, documents) {
  const { call, close } = client(url, { timeoutMs: 6000 })
  const acknowledged = new Map()
  const versions = new Map(ids.map(id => [id, 1]))
  let going = true
  let count = 0
  let taken = 0
  const one = async (id, n) => {
    while (going) {
      const note = `${n}:${++count}`
      const mutationId = randomUUID()
      for (let sent = false; !sent && going;) {
        const answer = await call('PUT', `/api/formulas/${id}`, {
          mutationId,
          baseVersion: versions.get(id),
          document: noted(documents.get(id), note),
        })
        if (answer.status === 200) {
          versions.set(id, answer.json.version)
          acknowledged.set(id, { note, version: answer.json.version })
          taken++
          sent = true
        } else if (answer.status === 409) {
          versions.set(id, answer.json.data.current.version)
          sent = true
        } else await wait(100)
      }
    }
  }
  const all = Promise.all(ids.map(one))
  return {
    acknowledged,
    taken: () => taken,
    /** Until so many more were acknowledged: then some are on their way. */
    async more(n) {
      const wanted = taken + n
      while (taken < wanted) await wait(20)
    },
    async stop() {
      going = false
      await all
      close()
    },
  }
}

/** What is stored is what was acknowledged, or a later write of the same writer. */
async function lost(url, acknowledged) {
  const { call, close } = client(url)
  let missing = 0
  for (const [id, { note, version }] of acknowledged) {
    const { json } = await call('GET', `/api/formulas/${id}`)
    if (json.version < version || (json.version === version && json.document.formula.note !== note)) missing++
  }
  close()
  return missing
}
async function formulasOf(url) {
  const { call, close } = client(url)
  const items = (await call('GET', '/api/formulas')).json.items
  const documents = new Map()
  for (const { id } of items) documents.set(id, (await call('GET', `/api/formulas/${id}`)).json.document)
  close()
  return { ids: items.map(i => i.id), documents }
}

/** The server, then the database, killed while everything is written to. */
export async function killedWhileWriting(postgres, { servers, databases }) {
  const url = await freshDatabase(postgres, 'lumbik_faults')
  const port = await freePort(0)
  let server = await serve(url, port, { LUMBIK_DEMO: '1' })
  const { ids, documents } = await formulasOf(server.url)
  const writing = writers(server.url, ids, documents)
  const back = []
  let db = postgres
  try {
    for (let i = 0; i < servers; i++) {
      await writing.more(ids.length)
      server.child.kill('SIGKILL')
      await server.ended
      server = await serve(url, port, { LUMBIK_DEMO: '1' })
    }
    for (let i = 0; i < databases; i++) {
      await writing.more(ids.length)
      const pid = db.postmaster()
      process.kill(pid, 'SIGKILL')
      await gone(pid, 5000)
      const [next, ms] = await timed(async () => {
        db = await startPostgres('faults-postgres', {}, db.port)
        const { call, close } = client(server.url)
        while ((await call('GET', '/api/health')).status !== 200) await wait(50)
        close()
        return db
      })
      db = next
      back.push(ms)
    }
    await writing.more(ids.length)
  } finally {
    await writing.stop()
  }
  const missing = await lost(server.url, writing.acknowledged)
  await server.stop()
  return {
    postgres: db,
    rows: [
      row(
        `server killed ${servers} times, PostgreSQL ${databases} times, while ${ids.length} formulas are written`,
        `${writing.taken()} writes acknowledged, ${missing} of them lost; ` +
        `back ${seconds(quantile(back, 0.5))} after the database is started (median)`,
        missing === 0 && writing.taken() > ids.length * (servers + databases),
      ),
    ],
  }
}

/** The database frozen under a running server: everything answers, says what it waits for, and goes on afterwards. */
export async function frozenDatabase(postgres) {
  const url = await freshDatabase(postgres, 'lumbik_faults')
  const server = await serve(url, await freePort(0), { LUMBIK_DEMO: '1' })
  const { call, close } = client(server.url)
  await call('GET', '/api/kitchen')
  const pids = backendsOf(postgres)
  for (const pid of pids) process.kill(pid, 'SIGSTOP')
  const rows = []
  try {
    const [kitchen, kitchenMs] = await timed(() => call('GET', '/api/kitchen'))
    const [page, pageMs] = await timed(() => call('GET', '/shelf'))
    rows.push(
      row(
        'PostgreSQL frozen: a request for data',
        `${kitchen.status} ${kitchen.json.data.code} after ${seconds(kitchenMs)}`,
        kitchen.status === 503 && kitchen.json.data.code === 'database' && within(kitchenMs, 3000),
      ),
    )
    rows.push(
      row(
        'PostgreSQL frozen: a new page',
        `${page.status} after ${seconds(pageMs)}`,
        page.status === 200 && within(pageMs, 3000),
      ),
    )
    const many = await Promise.all(Array.from({ length: 30 }, () => timed(() => call('GET', '/api/formulas'))))
    const worst = Math.max(...many.map(([, ms]) => ms))
    rows.push(
      row(
        'PostgreSQL frozen: 30 requests at once',
        `${many.filter(([a]) => a.status === 503).length} told within ${seconds(worst)}`,
        many.every(([a]) => a.status === 503) && within(worst, 6000),
      ),
    )
  } finally {
    for (const pid of pids) process.kill(pid, 'SIGCONT')
  }
  const [, backMs] = await timed(async () => {
    while ((await call('GET', '/api/kitchen')).status !== 200) await wait(50)
  })
  rows.push(row('PostgreSQL thawed', `data again after ${seconds(backMs)}, without a restart`, within(backMs, 5000)))
  close()
  // Told to stop while the database is frozen, the server still ends.
  for (const pid of backendsOf(postgres)) process.kill(pid, 'SIGSTOP')
  const [, stopMs] = await timed(() => server.stop())
  for (const pid of backendsOf(postgres)) process.kill(pid, 'SIGCONT')
  rows.push(row('told to stop while PostgreSQL is frozen', `ended after ${seconds(stopMs)}`, within(stopMs, 6000)))
  return rows
}
const backendsOf = postgres => [
  postgres.postmaster(),
  ...readFileSync(`/proc/${postgres.postmaster()}/task/${postgres.postmaster()}/children`, 'utf8')
    .trim()
    .split(/\s+/)
    .filter(Boolean)
    .map(Number),
]

/** Two servers begin at once on one empty database, again and again. */
export async function twoAtOnce(postgres, times) {
  let good = 0
  let kitchens = 0
  for (let i = 0; i < times; i++) {
    const url = await freshDatabase(postgres, 'lumbik_faults_two')
    const ports = [await freePort(0), await freePort(0)]
    const both = await Promise.allSettled(ports.map(port => serve(url, port, { LUMBIK_DEMO: i % 2 ? '1' : '' })))
    if (both.every(b => b.status === 'fulfilled')) good++
    kitchens = Math.max(kitchens, Number(postgres.sql('select count(*) from kitchen', 'lumbik_faults_two')))
    for (const b of both) if (b.status === 'fulfilled') await b.value.stop()
  }
  return row(
    `two servers at once on one empty database, ${times} times`,
    `${good} of ${times} both up; at most ${kitchens} kitchen`,
    good === times && kitchens === 1,
  )
}

/** Two servers on one database, both saving the same formulas: nothing is overwritten, whoever is late is told. */
export async function twoSaving(postgres, writes) {
  const url = await freshDatabase(postgres, 'lumbik_faults')
  const servers = [await serve(url, await freePort(0), { LUMBIK_DEMO: '1' })]
  servers.push(await serve(url, await freePort(0), { LUMBIK_DEMO: '1' }))
  const { ids, documents } = await formulasOf(servers[0].url)
  const clients = servers.map(s => client(s.url))
  const id = ids[0]
  let [taken, told, version] = [0, 0, 1]
  for (let i = 0; i < writes; i++) {
    const answers = await Promise.all(
      clients.map(({ call }, n) =>
        call('PUT', `/api/formulas/${id}`, {
          mutationId: randomUUID(),
          baseVersion: version,
          document: noted(documents.get(id), `${n}:${i}`),
        }),
      ),
    )
    taken += answers.filter(a => a.status === 200).length
    told += answers.filter(a => a.status === 409).length
    version = answers.find(a => a.status === 200)?.json.version ?? version
  }
  const { json } = await clients[0].call('GET', `/api/formulas/${id}`)
  for (const c of clients) c.close()
  for (const s of servers) await s.stop()
  return row(
    `two servers save the same formula at once, ${writes} times`,
    `${taken} taken, ${told} told; it is at version ${json.version}`,
    taken === writes && told === writes && json.version === writes + 1,
  )
}

/** Requests that begin and never end. */
export async function halfSent(postgres) {
  const url = await freshDatabase(postgres, 'lumbik_faults')
  const server = await serve(url, await freePort(0), { LUMBIK_DEMO: '1' })
  const port = Number(new URL(server.url).port)
  const open = [
    'POST /api/formulas HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 900000\r\n\r\n{"id":',
    'GET /api/kitchen HTTP/1.1\r\nHost: 127',
    'P',
  ].flatMap(bytes => Array.from({ length: 4 }, () => rawRequest(port, bytes, 20_000)))
  await wait(300)
  const [, ms] = await timed(() => server.stop())
  await Promise.all(open)
  return row('told to stop with 12 half-sent requests', `ended after ${seconds(ms)}`, within(ms, 4000))
}

/** Addresses beyond this machine. */
export async function doors(postgres) {
  const url = await freshDatabase(postgres, 'lumbik_faults')
  const start = env =>
    new Promise((resolve) => {
      const child = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
        env: { ...process.env, DATABASE_URL: url, PORT: '0', HOST: '', NITRO_HOST: '', LUMBIK_HOSTS: '', ...env },
        stdio: ['ignore', 'pipe', 'pipe'],
      })
      let text = ''
      let heard = ''
      const take = (chunk) => {
        text += chunk
        const at = /listens on http:\/\/(\S+?):\d+/.exec(text)
        if (at) {
          heard = `listens on ${at[1]}`
          child.kill('SIGTERM')
        }
      }
      child.stdout.on('data', take)
      child.stderr.on('data', take)
      child.once('exit', code => resolve(heard || `ended with ${code}: ${text.split('\n')[0]}`))
    })
  const [plain, open, listed] = [
    await start({}),
    await start({ HOST: '0.0.0.0' }),
    await start({ HOST: '0.0.0.0', LUMBIK_HOSTS: 'kitchen.example' }),
  ]
  return [
    row('the server started without HOST', plain, plain === 'listens on 127.0.0.1'),
    row(
      'the server started with HOST=0.0.0.0',
      open,
      open.startsWith('ended with 1: Lumbik does not start: HOST=0.0.0.0'),
    ),
    row('with HOST=0.0.0.0 and LUMBIK_HOSTS', listed, listed === 'listens on 0.0.0.0'),
  ]
}

/** Everything backed up, the database destroyed, and everything back. */
export async function backedUp(postgres) {
  const url = await freshDatabase(postgres, 'lumbik_faults')
  const port = await freePort(0)
  let server = await serve(url, port, { LUMBIK_DEMO: '1' })
  const { ids, documents } = await formulasOf(server.url)
  const put = client(server.url)
  await put.call('PUT', `/api/formulas/${ids[0]}`, {
    mutationId: randomUUID(),
    baseVersion: 1,
    document: noted(documents.get(ids[0]), 'kept through the end of the world'),
  })
  put.close()
  const folder = mkdtempSync(join(tmpdir(), 'lumbik-backup-'))
  try {
    const file = backup(postgres.bin, url, join(folder, 'all.dump'))
    const before = contents(postgres.bin, url)
    const mode = (statSync(file).mode & 0o777).toString(8)
    await server.stop()
    postgres.sql('drop database "lumbik_faults" with (force)')
    restore(postgres.bin, url, file)
    server = await serve(url, port, { LUMBIK_DEMO: '1' })
    const after = contents(postgres.bin, url)
    const { documents: back } = await formulasOf(server.url)
    const same = [...documents.keys()].every(
      id => JSON.stringify(noted(back.get(id), '')) === JSON.stringify(noted(documents.get(id), '')),
    )
    return row(
      'backed up, the database destroyed, restored',
      `${after} before and after; file mode ${mode}`,
      before === after && same && back.get(ids[0]).formula.note.startsWith('kept through') && mode === '600',
    )
  } finally {
    await server.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

/** What the database's log holds of a statement that fails. */
export async function discreet(postgres) {
  const secret = `a cook's own words ${randomUUID()}`
  try {
    postgres.sql(`select '${secret.replaceAll('\'', '\'\'')}'::uuid`)
  } catch {
    /* as it must */
  }
  await wait(200)
  const log = readFileSync(postgres.log, 'utf8')
  const mode = (statSync(postgres.log).mode & 0o777).toString(8)
  return row(
    'a statement that fails, in the database\'s log',
    `file mode ${mode}; neither the statement nor its value ${log.includes('own words') ? 'is missing' : 'is in it'}`,
    mode === '600' && log.length > 0 && !log.includes('own words'),
  )
}

/** A demo of its own, in a data folder of its own. */
function startDemo(folder, port) {
  const child = spawn(process.execPath, [join(root, 'scripts/demo.mjs')], {
    cwd: root,
    env: { ...process.env, LUMBIK_DATA: folder, PORT: String(port), DATABASE_URL: '' },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let text = ''
  const waiting = []
  const look = () => {
    for (const w of [...waiting]) {
      const found = w.pattern.exec(text)
      if (found) {
        waiting.splice(waiting.indexOf(w), 1)
        w.resolve(found)
      }
    }
  }
  for (const stream of [child.stdout, child.stderr]) {
    stream.on('data', (chunk) => {
      text += chunk
      look()
    })
  }
  const ended = new Promise(resolve => child.once('exit', code => resolve(code)))
  return {
    child,
    ended,
    text: () => text,
    says: (pattern, ms = 90_000) =>
      Promise.race([
        new Promise((resolve) => {
          waiting.push({ pattern, resolve })
          look()
        }),
        ended.then(() => {
          if (!pattern.test(text)) throw new Error(`the demo ended and never said ${pattern}:\n${text}`)
        }),
        wait(ms).then(() => {
          throw new Error(`the demo did not say ${pattern} in time:\n${text}`)
        }),
      ]),
  }
}

/** The demo killed, doubled, and bereft of its database. */
export async function demoKeptRunning() {
  const folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'lumbik-demo-'))
  // PostgreSQL's own account works in it.
  chmodSync(folder, 0o755)
  const port = await freePort(0)
  const rows = []
  const noteOf = () => JSON.parse(readFileSync(join(folder, 'demo.json'), 'utf8'))
  let last
  try {
    let demo = (last = startDemo(folder, port))
    await demo.says(/ready: (\S+)/)
    const second = startDemo(folder, port)
    const code = await second.ended
    rows.push(
      row(
        'a second demo',
        second
          .text()
          .trim()
          .split('\n')
          .at(-1)
          .replace(/\d{4,}/g, 'N'),
        code === 1 && second.text().includes('already runs here: http://127.0.0.1'),
      ),
    )

    const before = noteOf()
    process.kill(before.serverPid, 'SIGSTOP')
    demo.child.kill('SIGKILL')
    await demo.ended
    demo = last = startDemo(folder, port)
    const [, takeMs] = await timed(() => demo.says(/ready: (\S+)/))
    const after = noteOf()
    const oldGone = await gone(before.serverPid, 2000)
    rows.push(
      row(
        'the demo killed with -9, its server left frozen, started again',
        `ready after ${seconds(takeMs)} on ${after.url === before.url ? 'the same address' : after.url}; the old server is ${oldGone ? 'gone' : 'still there'}`,
        after.url === before.url && oldGone,
      ),
    )

    const { call, close } = client(after.url)
    const pid = Number(readFileSync(join(folder, 'postgres', 'postmaster.pid'), 'utf8').split('\n')[0])
    process.kill(pid, 'SIGKILL')
    const [, backMs] = await timed(async () => {
      await demo.says(/the database is back/)
      while ((await call('GET', '/api/health')).status !== 200) await wait(50)
    })
    rows.push(
      row(
        'PostgreSQL killed under the demo',
        `noticed, started again, answering after ${seconds(backMs)}`,
        within(backMs, 20_000),
      ),
    )
    close()

    const dbPid = Number(readFileSync(join(folder, 'postgres', 'postmaster.pid'), 'utf8').split('\n')[0])
    process.kill(dbPid, 'SIGSTOP')
    demo.child.kill('SIGINT')
    const [endCode, endMs] = await timed(() => demo.ended)
    const [dbGone, serverGone] = [await gone(dbPid, 2000), await gone(after.serverPid, 2000)]
    rows.push(
      row(
        'Ctrl-C while PostgreSQL is frozen',
        `ended with ${endCode} after ${seconds(endMs)}; database ${dbGone ? 'gone' : 'still there'}, server ${serverGone ? 'gone' : 'still there'}`,
        endCode === 0 && dbGone && serverGone && within(endMs, 25_000),
      ),
    )
  } finally {
    if (last.child.exitCode === null && last.child.signalCode === null) await endProcess(last.child.pid, 30_000)
    rmSync(folder, { recursive: true, force: true })
  }
  return rows
}

async function main() {
  ensureNode()
  ensurePostgresPrograms()
  ensurePackages()
  ensureBuild()
  let postgres = await startPostgres('faults-postgres', { max_connections: '80' })
  const rows = []
  const add = (...more) => {
    for (const r of more) {
      rows.push(r)
      console.log(`${r.ok ? 'ok  ' : 'FAIL'}  ${r.what}: ${r.figures}`)
    }
  }
  try {
    const killed = await killedWhileWriting(postgres, { servers: 20, databases: 10 })
    postgres = killed.postgres
    add(...killed.rows)
    add(...(await frozenDatabase(postgres)))
    add(await twoAtOnce(postgres, 20))
    add(await twoSaving(postgres, 200))
    add(await halfSent(postgres))
    add(...(await doors(postgres)))
    add(await backedUp(postgres))
    add(await discreet(postgres))
    add(...(await demoKeptRunning()))
    const many = await killedUnderMany(postgres, 20)
    postgres = many.postgres
    add(...many.rows)
    add(await oneOfTwoKilled(postgres))
    add(await answersCut(postgres))
    add(await fullDisk(postgres))
    add(await clockBack(postgres))
  } finally {
    postgres.stop()
  }
  console.log('\n| what | what came of it |\n| --- | --- |')
  for (const r of rows) console.log(`| ${r.what} | ${r.ok ? '' : '**not as it must be:** '}${r.figures} |`)
  const failed = rows.filter(r => !r.ok).length
  console.log(`${rows.length - failed} passed, ${failed} failed`)
  process.exitCode = failed ? 1 : 0
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) await main()
