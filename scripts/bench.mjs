/** `npm run bench`: ratios measured in one run, never asserted. */
import { build } from 'esbuild'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { dataDir, root } from './setup.mjs'

const outfile = join(dataDir, 'bench', 'core.mjs')
await build({ entryPoints: [join(root, 'bench/core.ts')], bundle: true, platform: 'node', format: 'esm', outfile, alias: { '#core': join(root, 'core') }, logLevel: 'warning' })
await import(pathToFileURL(outfile).href)
