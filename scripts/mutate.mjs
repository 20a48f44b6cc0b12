/**
 * `npm run mutate`: small changes to the code, by Stryker; `npm run mutate -- server` those of the server's rules, on a
 * PostgreSQL of its own. Whatever else is given goes to Stryker (`--mutate 'core/physics/set/starch.ts'`).
 */
import { join } from 'node:path'
import { spawn } from 'node:child_process'
import { ensurePostgresPrograms, root, startPostgres } from './setup.mjs'

const [which, ...rest] = process.argv.slice(2)
const isServer = which === 'server'
const env = { ...process.env, LUMBIK_MUTATE: isServer ? 'server' : 'core' }
let postgres = null
if (isServer) {
  ensurePostgresPrograms()
  postgres = await startPostgres('mutate-postgres', { fsync: 'off', synchronous_commit: 'off', full_page_writes: 'off' })
  env.LUMBIK_TEST_DATABASE = postgres.url('postgres')
}
const given = isServer ? rest : process.argv.slice(2)
const stryker = spawn(process.execPath, [join(root, 'node_modules/@stryker-mutator/core/bin/stryker.js'), 'run', ...given], {
  cwd: root, stdio: 'inherit', env,
})
stryker.once('exit', async (code) => {
  await postgres?.stop()
  process.exit(code ?? 1)
})
