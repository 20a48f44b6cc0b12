/**
 * Runs one of `cli/`: bundled on the way, so that nothing has to be built before. `node scripts/cli.mjs assess
 * FILE.json`
 */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { ensurePackages, root } from './setup.mjs'

const [name, ...args] = process.argv.slice(2)
// What set-up has to say goes beside the answer, never into it.
console.log = console.error
ensurePackages({ quiet: true })
const { build } = await import('esbuild')
const folder = mkdtempSync(join(tmpdir(), 'lumbik-cli-'))
try {
  const outfile = join(folder, `${name}.mjs`)
  await build({
    entryPoints: [join(root, 'cli', `${name}.ts`)],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile,
    alias: { '#core': join(root, 'core') },
    logLevel: 'warning',
    tsconfigRaw: {},
    banner: { js: 'import { createRequire } from \'node:module\'; const require = createRequire(import.meta.url);' },
  })
  const code = `import(${JSON.stringify(pathToFileURL(outfile).href)}).then(m => { process.exitCode = m.main(${JSON.stringify(args)}) })`
  const run = spawnSync(process.execPath, ['--input-type=module', '-e', code], {
    stdio: 'inherit',
    cwd: process.env.INIT_CWD ?? process.cwd(),
  })
  process.exitCode = run.status ?? 1
} finally {
  rmSync(folder, { recursive: true, force: true })
}
