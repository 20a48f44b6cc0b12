/**
 * Faults of many hands: people signing in, devices that listen, long work and notes of a batch, under servers, workers
 * and databases that are killed; servers behind a round-robin; a full disk, a clock set back, answers cut in two. Rows
 * of `npm run faults`; the tests run short forms.
 */
import { spawn, execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync, chownSync, statSync, writeFileSync } from 'node:fs'
import { Agent, createServer, request } from 'node:http'
import { connect, createServer as createSocketServer } from 'node:net'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { freshDatabase, noted, row, seconds, serve, timed, within } from './faultTools.mjs'
import { client, wait } from './probe.mjs'
import { freePort, gone, root, startPostgres } from './setup.mjs'

const PASSWORD = 'glasshouse under glass'
const cookieOf = answer => (answer.headers['set-cookie'] ?? []).map(c => c.split(';')[0]).join('; ')
/** Asks until somebody answers, whatever is down meanwhile. */
async function asked(call, ...what) {
  for (;;) {
    const answer = await call(...what)
    if (answer.status !== 0 && answer.status !== 502 && answer.status !== 503) return answer
    await wait(80)
  }
}

/** Listens to what changes, as a device does: comes back by the id it heard last. */
function listener(url) {
  const heard = new Map()
  let [last, isOver, times] = ['', false, 0]
  const agent = new Agent()
  let open
  const begin = () => {
    if (isOver) return
    times++
    open = request(`${url}/api/live`, { agent, headers: last ? { 'last-event-id': last } : {} }, (answer) => {
      let text = ''
      answer.on('data', (chunk) => {
        text += chunk
        for (let at; (at = text.indexOf('\n\n')) >= 0; text = text.slice(at + 2)) {
          const fields = Object.fromEntries(text.slice(0, at).split('\n').map(l => l.split(/: ?(.*)/s).slice(0, 2)))
          if (fields.id) last = fields.id
          if (fields.data && (fields.event ?? 'message') === 'message')
            for (const { kind, target, version } of JSON.parse(fields.data)) heard.set(`${kind} ${target}`, version)
        }
      })
      answer.on('close', () => setTimeout(begin, 50))
      answer.on('error', () => {})
    })
    open.on('error', () => setTimeout(begin, 50))
    open.end()
  }
  begin()
  return {
    heard,
    times: () => times,
    stop() {
      isOver = true
      open.destroy()
      agent.destroy()
    },
  }
}

/** Somebody who signs in and out again and again. Whoever was let in is known; a wrong word never lets in. */
function comers(url, going) {
  const count = { in: 0, waited: 0, unknown: 0, wrong: 0, why: new Set() }
  const one = async () => {
    const { call, close } = client(url, { timeoutMs: 6000 })
    while (going()) {
      const said = await asked(call, 'POST', '/api/door/in', { login: 'olive', password: PASSWORD })
      // Killed between counting a try and finding it right, a server leaves it counted: the next may wait for seconds.
      if (said.status === 429) {
        count.waited++
        await wait(1000 * Number(said.json.data.waitS))
        continue
      }
      if (said.status !== 200) {
        count.unknown++
        count.why.add(`${said.status} ${said.json.data?.code}`)
        continue
      }
      count.in++
      const door = await asked(call, 'GET', '/api/door', undefined, { cookie: cookieOf(said) })
      if (door.json.me?.name !== 'Olive') {
        count.unknown++
        count.why.add(`the door said ${door.text.slice(0, 90)}`)
      }
      const out = await asked(call, 'POST', '/api/door/out', {}, { cookie: cookieOf(said) })
      // Signed out, the old cookie opens nothing, also on a server that has just begun.
      const after = await asked(call, 'GET', '/api/batches', undefined, { cookie: cookieOf(said) })
      if (out.status !== 200 || after.status !== 401) count.wrong++
      await wait(60)
    }
    close()
  }
  return { count, done: Promise.all([one(), one()]) }
}

const aNote = atS => ({ id: randomUUID(), atS, happened: { kind: 'foundSet' }, text: null })
/** A cook's notes of a batch, each with an id of its own, sent again until they are taken. */
async function notesOf(url, batchId, going) {
  const { call, close } = client(url, { timeoutMs: 4000 })
  const sent = []
  for (let i = 0; going(); i++) {
    const event = aNote(i)
    sent.push(event.id)
    // What was not answered may have been taken: it goes with the next.
    for (;;) {
      const answer = await call('POST', `/api/batches/${batchId}/events`, { events: [event] })
      if (answer.status === 200) break
      if (answer.status >= 400 && ![502, 503].includes(answer.status)) throw new Error(`a note was refused: ${answer.text}`)
      await wait(60)
    }
    await wait(25)
  }
  close()
  return sent
}

/** Saves of formulas, one after another. @returns the last version that was acknowledged of each */
async function saves(url, going) {
  const { call, close } = client(url, { timeoutMs: 4000 })
  const items = (await asked(call, 'GET', '/api/formulas')).json.items.slice(0, 4)
  const known = new Map()
  for (const { id } of items) known.set(id, (await asked(call, 'GET', `/api/formulas/${id}`)).json)
  const versions = new Map()
  for (let i = 0; going(); i++) {
    const of = known.get(items[i % 4].id)
    const body = { mutationId: randomUUID(), baseVersion: of.version, document: noted(of.document, `many ${i}`) }
    const answer = await asked(call, 'PUT', `/api/formulas/${of.id}`, body)
    if (answer.status !== 200 && answer.status !== 409) throw new Error(`a save was refused: ${answer.status} ${answer.text}`)
    of.version = answer.json.version ?? answer.json.data.current.version
    if (answer.status === 200) versions.set(of.id, of.version)
    await wait(30)
  }
  close()
  return versions
}

/** Long work asked for again and again. @returns its ids */
async function works(url, going) {
  const { call, close } = client(url, { timeoutMs: 4000 })
  const batches = (await asked(call, 'GET', '/api/batches')).json.items.filter(b => b.isDone).slice(0, 6)
  const targets = new Set()
  for (let i = 0; going(); i++) {
    const id = batches[i % batches.length].id
    if ((await asked(call, 'POST', `/api/batches/${id}/diagnosis`, {})).status === 200) targets.add(id)
    await wait(400)
  }
  close()
  return [...targets]
}

function startWorker(url) {
  const child = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
    // The channel is how it notices that we are gone.
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    env: { ...process.env, NODE_ENV: 'production', DATABASE_URL: url, LUMBIK_ROLE: 'worker' },
  })
  child.channel?.unref()
  return { child, ended: new Promise(resolve => child.once('exit', resolve)) }
}

/** An owner who signs in, and a demonstration without one to sign in as. */
async function becomeOwner(url) {
  const { call, close } = client(url)
  const said = await call('POST', '/api/door/owner', { login: 'olive', name: 'Olive', kitchen: 'Palm house', password: PASSWORD })
  close()
  if (said.status !== 200) throw new Error(`no owner: ${said.text}`)
}
/** Until the demonstration's Book is written. */
async function theBook(url) {
  const { call, close } = client(url)
  while ((await asked(call, 'GET', '/api/batches')).json.items.length < 20) await wait(200)
  close()
}
/** A batch of the first formula on the shelf. */
async function beginBatch(url) {
  const { call, close } = client(url)
  const [item] = (await call('GET', '/api/formulas')).json.items
  const { document } = (await call('GET', `/api/formulas/${item.id}`)).json
  const id = randomUUID()
  const componentId = document.formula.components.find(c => c.process).id
  const answer = await call('POST', '/api/batches', { id, formulaId: item.id, document, componentId, simulated: false })
  close()
  if (answer.status >= 300) throw new Error(`no batch: ${answer.text}`)
  return id
}
const eventsOf = async (url, id) => {
  const { call, close } = client(url)
  const { record } = (await asked(call, 'GET', `/api/batches/${id}`)).json
  close()
  return record.events
}

/** Everything many hands do at once, while a server, a worker and the database are killed so many times each. */
export async function killedUnderMany(postgres, times) {
  const url = await freshDatabase(postgres, 'lumbik_many')
  const port = await freePort(0)
  const env = { LUMBIK_DEMO: '1', LUMBIK_ROLE: 'web' }
  let server = await serve(url, port, { ...env, LUMBIK_ROLE: '' })
  const at = server.url
  await becomeOwner(at)
  await theBook(at)
  await server.stop()
  server = await serve(url, port, env)
  let worker = startWorker(url)
  let db = postgres
  let isGoing = true
  const going = () => isGoing
  const batchId = await beginBatch(at)
  const ear = listener(at)
  const people = comers(at, going)
  const doing = Promise.all([notesOf(at, batchId, going), saves(at, going), works(at, going)])
  doing.catch(() => {
    isGoing = false
  })
  for (let i = 0; i < times && isGoing; i++) {
    await wait(300)
    server.child.kill('SIGKILL')
    await server.ended
    server = await serve(url, port, env)
    await wait(300)
    worker.child.kill('SIGKILL')
    await worker.ended
    worker = startWorker(url)
    await wait(300)
    const pid = db.postmaster()
    process.kill(pid, 'SIGKILL')
    await gone(pid, 5000)
    db = await startPostgres(basename(db.folder), {}, db.port)
  }
  await wait(1500)
  isGoing = false
  await people.done
  const [sent, versions, targets] = await doing
  const { call, close } = client(at)
  // What was asked for last comes to its end by itself.
  const [left, workMs] = await timed(async () => {
    for (const began = Date.now(); ; await wait(200)) {
      const states = []
      for (const id of targets) states.push((await asked(call, 'GET', `/api/batches/${id}/diagnosis`)).json.work?.state)
      const open = states.filter(s => s !== 'done').length
      if (open === 0 || Date.now() - began > 120_000) return open
    }
  })
  const unheard = () => [...versions].filter(([id, v]) => (ear.heard.get(`formula ${id}`) ?? 0) < v).length
  const [, hearMs] = await timed(async () => {
    for (let i = 0; i < 600 && unheard() > 0; i++) await wait(50)
  })
  ear.stop()
  close()
  const happened = (await eventsOf(at, batchId)).map(e => e.id)
  const ours = happened.filter(id => sent.includes(id))
  await server.stop()
  worker.child.kill('SIGTERM')
  await worker.ended
  const killed = `server, worker and PostgreSQL killed ${times} times each`
  const { count } = people
  return {
    postgres: db,
    rows: [
      row(`${killed}: people sign in and out`, `${count.in} let in, ${count.waited} told to wait some seconds, ${count.unknown} not known after, ${count.wrong} not out ${[...count.why].join(', ')}`,
        count.in > times && count.unknown === 0 && count.wrong === 0),
      row(`${killed}: notes of a batch, sent again until taken`,
        `${sent.length} sent, ${new Set(ours).size} there, ${ours.length - new Set(ours).size} twice`,
        sent.length > times && ours.length === sent.length && new Set(ours).size === sent.length),
      row(`${killed}: a device that listens`,
        `${versions.size} formulas' last versions heard but ${unheard()}, ${seconds(hearMs)} after the last; it came back ${ear.times() - 1} times`,
        versions.size === 4 && unheard() === 0),
      row(`${killed}: long work`, `${targets.length} diagnoses asked for, ${left} not done ${seconds(workMs)} after the last kill`,
        targets.length > 1 && left === 0),
    ],
  }
}

/** Passes requests on to each server in its turn, and knows nothing of them; one that is down is passed over. */
export async function roundRobin(ports) {
  const agent = new Agent({ keepAlive: false })
  let turn = 0
  const proxy = createServer((asked, answer) => {
    const chunks = []
    asked.on('data', c => chunks.push(c))
    asked.on('end', () => {
      const pass = (tries) => {
        const on = request(
          { host: '127.0.0.1', port: ports[turn++ % ports.length], method: asked.method, path: asked.url, headers: asked.headers, agent },
          (from) => {
            answer.writeHead(from.statusCode, from.headers)
            from.pipe(answer)
            from.on('error', () => answer.destroy())
          })
        // Refused before anything was sent: the next may have it. Cut in the middle: whoever asked must ask again.
        on.on('error', e => e.code === 'ECONNREFUSED' && tries > 1 ? pass(tries - 1) : answer.headersSent ? answer.destroy() : answer.writeHead(502).end())
        answer.on('close', () => on.destroy())
        on.end(Buffer.concat(chunks))
      }
      pass(ports.length)
    })
  })
  await new Promise(resolve => proxy.listen(0, '127.0.0.1', resolve))
  return {
    url: `http://127.0.0.1:${proxy.address().port}`,
    close: () => new Promise((resolve) => {
      proxy.close(resolve)
      proxy.closeAllConnections()
    }),
  }
}

/** Two servers behind a round-robin; one is killed while a batch is cooked. */
export async function oneOfTwoKilled(postgres) {
  const url = await freshDatabase(postgres, 'lumbik_many')
  const ports = [await freePort(0), await freePort(0)]
  const servers = [await serve(url, ports[0], { LUMBIK_DEMO: '1' })]
  servers.push(await serve(url, ports[1], { LUMBIK_DEMO: '1' }))
  await becomeOwner(servers[0].url)
  const front = await roundRobin(ports)
  let isGoing = true
  const going = () => isGoing
  try {
    const batchId = await beginBatch(front.url)
    const ear = listener(front.url)
    const people = comers(front.url, going)
    const doing = Promise.all([notesOf(front.url, batchId, going), saves(front.url, going)])
    await wait(1500)
    servers[0].child.kill('SIGKILL')
    await wait(1500)
    servers[0] = await serve(url, ports[0], { LUMBIK_DEMO: '1' })
    await wait(1000)
    isGoing = false
    await people.done
    const [sent, versions] = await doing
    const unheard = () => [...versions].filter(([id, v]) => (ear.heard.get(`formula ${id}`) ?? 0) < v).length
    for (let i = 0; i < 200 && unheard() > 0; i++) await wait(50)
    ear.stop()
    const ids = (await eventsOf(front.url, batchId)).map(e => e.id).filter(id => sent.includes(id))
    const { count } = people
    return row('two servers behind a round-robin, one killed in mid-cook and started again',
      `${sent.length} notes sent, ${ids.length} there; ${unheard()} changes not heard; ${count.in} let in, ${count.unknown + count.wrong} not known by the other`,
      sent.length > 10 && new Set(ids).size === sent.length && ids.length === sent.length && unheard() === 0
      && count.in > 2 && count.unknown + count.wrong === 0)
  } finally {
    isGoing = false
    await front.close()
    for (const s of servers) await s.stop()
  }
}

/** Passes bytes to a server, and of each answer only so many back. */
async function cutting(port) {
  let most = Infinity
  const proxy = createSocketServer((socket) => {
    const on = connect(port, '127.0.0.1')
    let left = most
    on.on('data', (chunk) => {
      const part = chunk.subarray(0, left)
      left -= part.length
      if (part.length > 0) socket.write(part)
      if (left <= 0) socket.destroySoon()
    })
    if (left === 0) on.once('data', () => socket.destroy())
    socket.pipe(on)
    for (const s of [on, socket]) s.on('error', () => {})
    on.on('close', () => socket.destroy())
    socket.on('close', () => setTimeout(() => on.destroy(), 2000).unref())
  })
  await new Promise(resolve => proxy.listen(0, '127.0.0.1', resolve))
  return {
    url: `http://127.0.0.1:${proxy.address().port}`,
    after(bytes) { most = bytes },
    close: () => proxy.close(),
  }
}
/** The answer to a save cut after each of its bytes (or every so many), and the save sent again. */
export async function answersCut(postgres, every = 1) {
  const url = await freshDatabase(postgres, 'lumbik_many')
  const server = await serve(url, await freePort(0), { LUMBIK_DEMO: '1' })
  const cut = await cutting(Number(new URL(server.url).port))
  const plain = client(server.url)
  const id = (await plain.call('GET', '/api/formulas')).json.items[0].id
  let { version, document } = (await plain.call('GET', `/api/formulas/${id}`)).json
  const save = n => ({ mutationId: randomUUID(), baseVersion: version, document: noted(document, `cut ${n}`) })
  const first = await plain.call('PUT', `/api/formulas/${id}`, save(-1))
  version = first.json.version
  const head = Object.entries(first.headers).map(([k, v]) => `${k}: ${v}\r\n`).join('').length
  const bytes = head + first.text.length + 60
  const from = version
  let [saves, wrong] = [0, 0]
  try {
    for (let n = 0; n <= bytes; n += every) {
      const body = save(n)
      cut.after(n)
      const lossy = client(cut.url, { timeoutMs: 3000 })
      await lossy.call('PUT', `/api/formulas/${id}`, body)
      lossy.close()
      // What was lost is sent again, the same; it counts once, whether it had come through or not.
      const again = await plain.call('PUT', `/api/formulas/${id}`, body)
      if (again.status !== 200 || again.json.version !== version + 1) wrong++
      version = again.json?.version ?? version
      saves++
    }
    const now = (await plain.call('GET', `/api/formulas/${id}`)).json
    return row(`a connection cut after ${every === 1 ? 'each byte' : `every ${every}th byte`} of a save's answer`,
      `${saves} saves of ${bytes} bytes each, ${wrong} counted otherwise than once; ${now.version - from} versions`,
      wrong === 0 && now.version - from === saves && now.document.formula.note === `cut ${Math.floor(bytes / every) * every}`)
  } finally {
    plain.close()
    cut.close()
    await server.stop()
  }
}

/** The database's disk full under a running server, and with room again. Needs to mount a small disk. */
export async function fullDisk(postgres) {
  const folder = mkdtempSync(join(tmpdir(), 'lumbik-full-'))
  const what = 'the database\'s disk full under a running server'
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=48m,mode=0755', 'tmpfs', folder], { stdio: 'ignore' })
  } catch {
    rmSync(folder, { recursive: true, force: true })
    return row(what, 'NOT TRIED: a small disk may not be mounted here', process.getuid?.() !== 0)
  }
  let server
  try {
    const { uid, gid } = statSync(postgres.folder)
    chownSync(folder, uid, gid)
    postgres.sql(`create tablespace small location '${folder}'`)
    postgres.sql('drop database if exists lumbik_full with (force)')
    postgres.sql('create database lumbik_full tablespace small')
    server = await serve(postgres.url('lumbik_full'), await freePort(0), { LUMBIK_DEMO: '1' })
    const { call, close } = client(server.url)
    const id = (await call('GET', '/api/formulas')).json.items[0].id
    const { version, document } = (await call('GET', `/api/formulas/${id}`)).json
    try {
      writeFileSync(join(folder, 'full'), Buffer.alloc(48e6))
    } catch { /* full, as it must be */ }
    // The room left in pages that are there already is used up first.
    let [last, refused] = [version, null]
    const acknowledged = []
    for (let n = 0; n < 4000 && !refused; n++) {
      const body = { mutationId: randomUUID(), baseVersion: last, document: noted(document, `full ${n} ${'x'.repeat(1500)}`) }
      const answer = await call('PUT', `/api/formulas/${id}`, body)
      if (answer.status === 200) {
        last = answer.json.version
        acknowledged.push(n)
      } else refused = { answer, body, n }
    }
    const read = await call('GET', `/api/formulas/${id}`)
    rmSync(join(folder, 'full'))
    const again = refused && await asked(call, 'PUT', `/api/formulas/${id}`, refused.body)
    close()
    return row(what,
      `${acknowledged.length} saves taken, then ${refused?.answer.status} ${refused?.answer.json.data.code}; read ${read.status} at the last version taken; with room again the same save ${again?.status}`,
      refused?.answer.status === 503 && refused.answer.json.data.code === 'databaseFull' && read.status === 200
      && read.json.version === last && again.status === 200 && again.json.version === last + 1)
  } finally {
    await server?.stop()
    postgres.sql('drop database if exists lumbik_full with (force)')
    postgres.sql('drop tablespace if exists small')
    execFileSync('umount', [folder])
    rmSync(folder, { recursive: true, force: true })
  }
}

/** The server's clock an hour back after a restart. */
export async function clockBack(postgres) {
  const url = await freshDatabase(postgres, 'lumbik_many')
  const port = await freePort(0)
  let server = await serve(url, port, { LUMBIK_DEMO: '1', LUMBIK_NOW: '2026-11-28T10:00:00Z' })
  await becomeOwner(server.url)
  const { call, close } = client(server.url)
  try {
    const said = await call('POST', '/api/door/in', { login: 'olive', password: PASSWORD })
    const mine = { cookie: cookieOf(said) }
    for (let i = 0; i < 7; i++) await call('POST', '/api/door/in', { login: 'olive', password: 'not this one' })
    const slowed = await call('POST', '/api/door/in', { login: 'olive', password: PASSWORD })
    const id = (await call('GET', '/api/formulas')).json.items[0].id
    const before = (await call('GET', `/api/formulas/${id}`)).json
    const batchId = await beginBatch(server.url)
    await server.stop()
    server = await serve(url, port, { LUMBIK_DEMO: '1', LUMBIK_NOW: '2026-11-28T09:00:00Z' })
    const door = (await call('GET', '/api/door', undefined, mine)).json
    const saved = await call('PUT', `/api/formulas/${id}`,
      { mutationId: randomUUID(), baseVersion: before.version, document: noted(before.document, 'an hour before') })
    const event = aNote(5)
    const logged = await call('POST', `/api/batches/${batchId}/events`, { events: [event] })
    const [, inMs] = await timed(async () => {
      for (let i = 0; i < 20; i++) {
        if ((await call('POST', '/api/door/in', { login: 'olive', password: PASSWORD })).status === 200) return
        await wait(500)
      }
      throw new Error('nobody is let in with the right word')
    })
    const versions = (await call('GET', `/api/formulas/${id}/versions`)).status
    return row('the clock set back an hour',
      `still signed in: ${door.me?.name}; a save ${saved.status}, a note ${logged.status}, kept states ${versions}; who was slowed (${slowed.status}) gets in after ${seconds(inMs)}`,
      door.me?.name === 'Olive' && saved.status === 200 && logged.status === 200 && versions === 200
      && slowed.status === 429 && within(inMs, 8000))
  } finally {
    close()
    await server.stop()
  }
}
