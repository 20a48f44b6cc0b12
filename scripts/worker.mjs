/** `npm run worker`: only the long work and the housekeeping, beside servers that do none (`LUMBIK_ROLE=web`). */
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { ensureBuild, ensureNode, ensurePackages, root } from './setup.mjs'

ensureNode()
if (!process.env.DATABASE_URL) {
  console.error('lumbik: a worker needs the database its servers use: set DATABASE_URL.')
  process.exit(1)
}
ensurePackages()
ensureBuild()
const child = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
  stdio: 'inherit', env: { ...process.env, NODE_ENV: 'production', LUMBIK_ROLE: 'worker' },
})
for (const name of ['SIGTERM', 'SIGINT', 'SIGHUP']) process.on(name, () => child.kill('SIGTERM'))
child.once('exit', (code, by) => process.exit(code ?? (by ? 1 : 0)))
