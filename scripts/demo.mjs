/** `npm run demo`: everything from a bare machine to a running Lumbik with the tea room's data. */
import { ensureBuild, ensureNode, ensurePackages, ensurePostgresPrograms, freePort, Plain, say, startPostgres, startServer } from './setup.mjs'

const WANTED_PORT = Number(process.env.PORT ?? 4600)
let postgres = null
let server = null
let stopping = null

function stop() {
  stopping ??= (async () => {
    if (!server && !postgres) return
    say('stopping …')
    await server?.stop()
    postgres?.stop()
    say('stopped; everything is kept')
  })()
  return stopping
}
const end = code => stop().then(() => process.exit(code), (error) => {
  console.error(error.message)
  process.exit(1)
})
process.on('SIGINT', () => end(0))
process.on('SIGTERM', () => end(0))
process.on('SIGHUP', () => end(0))

try {
  ensureNode()
  if (!process.env.DATABASE_URL) ensurePostgresPrograms()
  ensurePackages()
  ensureBuild()
  let databaseUrl = process.env.DATABASE_URL
  if (!databaseUrl) {
    postgres = await startPostgres('postgres')
    if (postgres.sql('select 1 from pg_database where datname = \'lumbik\'').trim() !== '1') postgres.sql('create database lumbik')
    databaseUrl = postgres.url('lumbik')
  }
  const port = await freePort(WANTED_PORT)
  if (port !== WANTED_PORT) say(`port ${WANTED_PORT} is taken; using ${port}`)
  if (!stopping) {
    server = await startServer({ DATABASE_URL: databaseUrl, LUMBIK_DEMO: '1' }, port, 'ignore')
    say(`ready: ${server.url}`)
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
