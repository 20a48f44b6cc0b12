/** `npm run backup [-- FILE]` and `npm run restore -- FILE`: the whole database in one file, and back. */
import { chmodSync, existsSync, mkdirSync, readFileSync, statSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import {
  alive,
  commandOf,
  dataDir,
  ensureNode,
  ensurePostgresPrograms,
  Plain,
  run,
  say,
  startPostgres,
} from './setup.mjs'

const stamp = () => new Date().toISOString().slice(0, 19).replaceAll(':', '')

/** PostgreSQL's programs told where to go; the password goes by the environment, never by the command line. */
function connection(url) {
  const { hostname, port, username, password, pathname } = new URL(url)
  const database = decodeURIComponent(pathname.slice(1))
  const env = { ...process.env, PGPASSWORD: decodeURIComponent(password), PGCONNECT_TIMEOUT: '10' }
  return { database, env, args: ['-h', hostname, '-p', port || '5432', '-U', decodeURIComponent(username)] }
}

/** Writes everything into a file that only its owner may read. @returns the file */
export function backup(bin, url, file) {
  const { database, env, args } = connection(url)
  mkdirSync(dirname(file), { recursive: true })
  run(join(bin, 'pg_dump'), [...args, '-d', database, '-Fc', '--no-owner', '--no-privileges', '-f', file], {
    quiet: true,
    env,
  })
  chmodSync(file, 0o600)
  // A file that cannot be read again is no backup.
  run(join(bin, 'pg_restore'), ['--list', file], { quiet: true })
  return file
}

/** Puts a backup in place of what is there: all of it, or nothing of it. */
export function restore(bin, url, file) {
  const { database, env, args } = connection(url)
  const psql = (statement, from = 'postgres') =>
    run(join(bin, 'psql'), [...args, '-d', from, '-v', 'ON_ERROR_STOP=1', '-qAtc', statement], {
      quiet: true,
      env,
    }).trim()
  if (psql(`select 1 from pg_database where datname = '${database.replaceAll('\'', '\'\'')}'`) !== '1')
    psql(`create database "${database.replaceAll('"', '""')}"`)
  // Its policies name the role the server works as; a dump brings no roles.
  psql('do $$ begin if not exists (select from pg_roles where rolname = \'lumbik_app\') then create role lumbik_app nologin; end if; end $$')
  run(
    join(bin, 'pg_restore'),
    [
      ...args,
      '-d',
      database,
      '--clean',
      '--if-exists',
      '--no-owner',
      '--no-privileges',
      '--single-transaction',
      '--exit-on-error',
      file,
    ],
    { quiet: true, env },
  )
}

/** How much a database holds, for whoever wants to see that it is all there. */
export function contents(bin, url) {
  const { database, env, args } = connection(url)
  const query =
    'select (select count(*) from formula where deleted_at is null), (select count(*) from formula_version), (select count(*) from lot where deleted_at is null)'
  const [formulas, versions, lots] = run(join(bin, 'psql'), [...args, '-d', database, '-qAtc', query], {
    quiet: true,
    env,
  })
    .trim()
    .split('|')
  return `${formulas} formulas with ${versions} kept states, ${lots} lots`
}

/** The database of this installation; the demo's own is started for as long as it takes. */
async function withDatabase(work) {
  if (process.env.DATABASE_URL) return work(ensurePostgresPrograms(), process.env.DATABASE_URL)
  if (!existsSync(join(dataDir, 'postgres.password')))
    throw new Plain('there is no database here yet: start the demo once, or set DATABASE_URL.')
  const postgres = await startPostgres('postgres')
  try {
    if (postgres.sql('select 1 from pg_database where datname = \'lumbik\'').trim() !== '1')
      postgres.sql('create database lumbik')
    return work(postgres.bin, postgres.url('lumbik'))
  } finally {
    postgres.stop()
  }
}

/** The demo that runs here, if one does: what it holds in memory must not meet another database. */
function runningDemo() {
  try {
    const { pid, url } = JSON.parse(readFileSync(join(dataDir, 'demo.json'), 'utf8'))
    return alive(pid) && /demo\.mjs/.test(commandOf(pid)) ? (url ?? 'being started') : null
  } catch {
    return null
  }
}

async function main([what, given]) {
  ensureNode()
  const folder = join(dataDir, 'backups')
  if (what === 'backup') {
    await withDatabase((bin, url) => {
      const file = backup(
        bin,
        url,
        resolve(process.env.INIT_CWD ?? '.', given ?? join(folder, `lumbik-${stamp()}.dump`)),
      )
      say(`backed up ${contents(bin, url)}: ${file} (${Math.ceil(statSync(file).size / 1000)} kB)`)
    })
    return
  }
  if (!given) throw new Plain('say which file: npm run restore -- FILE')
  const file = resolve(process.env.INIT_CWD ?? '.', given)
  if (!existsSync(file)) throw new Plain(`there is no file ${file}`)
  const demo = process.env.DATABASE_URL ? null : runningDemo()
  if (demo) throw new Plain(`the demo runs (${demo}). Stop it with Ctrl-C, restore, and start it again.`)
  await withDatabase((bin, url) => {
    try {
      run(join(bin, 'pg_restore'), ['--list', file], { quiet: true })
    } catch {
      throw new Plain(`${file} is no backup of Lumbik, or not a whole one. Nothing was changed.`)
    }
    let before = null
    try {
      say(`now there: ${contents(bin, url)}`)
      before = backup(bin, url, join(folder, `before-restore-${stamp()}.dump`))
    } catch {
      /* an empty or missing database has nothing to keep */
    }
    restore(bin, url, file)
    say(`restored ${contents(bin, url)}${before ? `; what was there before is in ${before}` : ''}`)
  })
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  main(process.argv.slice(2)).catch((error) => {
    console.error(error instanceof Plain ? `lumbik: ${error.message}` : error)
    process.exit(1)
  })
}
