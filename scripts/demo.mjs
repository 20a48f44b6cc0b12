/**
 * `npm run demo`: everything from a bare machine to a running Lumbik with the tea room's data, kept running.
 * `npm start`: the same for a kitchen of one's own, in a database of its own, which asks for its owner first.
 */
import { closeSync, mkdirSync, openSync, readFileSync, readlinkSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import {
  alive,
  commandOf,
  dataDir,
  endProcess,
  ensureBuild,
  ensureNode,
  ensurePackages,
  ensurePostgresPrograms,
  freePort,
  Plain,
  root,
  say,
  startPostgres,
  startServer,
} from './setup.mjs'

const isOwn = process.argv.includes('--own')
const DATABASE = isOwn ? 'lumbik_own' : 'lumbik'
const WANTED_PORT = Number(process.env.PORT ?? 4600)
/** Who runs here: this demo's process, its server's, and where that listens. */
const NOTE = join(dataDir, 'demo.json')
const WATCH_MS = 1000
/** A database that ends more often than this within the time is not started again. */
const RESTARTS = 3
const RESTARTS_MS = 300_000
let postgres = null
let server = null
let noted = false
let stopping = null
let watching

function stop() {
  stopping ??= (async () => {
    clearInterval(watching)
    if (server || postgres) say('stopping …')
    await server?.stop()
    postgres?.stop()
    if (noted) rmSync(NOTE, { force: true })
    if (server || postgres) say('stopped; everything is kept')
  })()
  return stopping
}
const end = code =>
  stop().then(
    () => process.exit(code),
    (error) => {
      console.error(`lumbik: ${error.message}`)
      process.exit(1)
    },
  )
for (const name of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(name, () => end(0))

const folderOf = (pid) => {
  try {
    return readlinkSync(`/proc/${pid}/cwd`)
  } catch {
    return ''
  }
}
const isDemo = pid => pid !== process.pid && alive(pid) && /demo\.mjs/.test(commandOf(pid)) && folderOf(pid) === root
const isServer = pid => pid > 0 && alive(pid) && commandOf(pid).includes(join(root, '.output/server/index.mjs'))

/** Says that this demo runs; or that another does; or takes over from one that was killed. */
async function takeNote() {
  mkdirSync(dataDir, { recursive: true })
  for (let tries = 0; tries < 3; tries++) {
    try {
      const file = openSync(NOTE, 'wx', 0o600)
      writeFileSync(file, JSON.stringify({ pid: process.pid }))
      closeSync(file)
      noted = true
      return
    } catch (error) {
      if (error.code !== 'EEXIST') throw error
    }
    const before = readNote()
    if (isDemo(before.pid)) {
      throw new Plain(
        before.url
          ? `the demo already runs here: ${before.url} (process ${before.pid}). Ctrl-C there stops it.`
          : `the demo is just being started here by process ${before.pid}.`,
      )
    }
    if (isServer(before.serverPid)) {
      say('a demo that ended without stopping left its server behind; taking over')
      await endProcess(before.serverPid)
    }
    rmSync(NOTE, { force: true })
  }
}
function readNote() {
  try {
    const { pid = 0, serverPid = 0, url = '' } = JSON.parse(readFileSync(NOTE, 'utf8'))
    return { pid: Number(pid), serverPid: Number(serverPid), url: String(url) }
  } catch {
    return { pid: 0, serverPid: 0, url: '' }
  }
}

/** A database that ends by itself is started again where it was; the server finds it there. */
function watchPostgres() {
  const ended = []
  let busy = false
  watching = setInterval(async () => {
    if (busy || stopping || postgres.running()) return
    busy = true
    const at = Date.now()
    ended.push(at)
    if (ended.filter(t => at - t < RESTARTS_MS).length > RESTARTS) {
      console.error(
        'lumbik: the database ends again and again; its log is in the data folder. Everything committed is kept.',
      )
      return end(1)
    }
    say('the database ended by itself; starting it again')
    try {
      postgres = await startPostgres('postgres', {}, postgres.port)
      say('the database is back')
    } catch (error) {
      console.error(`lumbik: the database could not be started again: ${error.message}`)
      return end(1)
    }
    busy = false
  }, WATCH_MS)
}

try {
  ensureNode()
  let databaseUrl = process.env.DATABASE_URL
  if (!databaseUrl) {
    await takeNote()
    ensurePostgresPrograms()
  }
  ensurePackages()
  ensureBuild()
  if (!databaseUrl) {
    postgres = await startPostgres('postgres')
    if (postgres.sql(`select 1 from pg_database where datname = '${DATABASE}'`).trim() !== '1')
      postgres.sql(`create database ${DATABASE}`)
    databaseUrl = postgres.url(DATABASE)
  }
  const port = await freePort(WANTED_PORT)
  if (port !== WANTED_PORT) say(`port ${WANTED_PORT} is taken; using ${port}`)
  if (!stopping) {
    server = await startServer({ DATABASE_URL: databaseUrl, LUMBIK_DEMO: isOwn ? '' : '1' }, port, 'ignore')
    if (noted)
      writeFileSync(NOTE, JSON.stringify({ pid: process.pid, serverPid: server.child.pid, url: server.url }), {
        mode: 0o600,
      })
    if (postgres) watchPostgres()
    say(`ready: ${server.url}`)
    if (!isOwn) say('nobody signs in to the demonstration: on this machine you are its owner')
    say('Ctrl-C stops it; what you change is kept')
    server.ended.then((code) => {
      if (!stopping) {
        console.error(`lumbik: the server ended by itself (${code})`)
        end(1)
      }
    })
  }
} catch (error) {
  console.error(error instanceof Plain ? `lumbik: ${error.message}` : error)
  await stop().catch(() => {})
  process.exit(1)
}
