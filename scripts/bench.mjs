/**
 * `npm run bench`: ratios measured in one run, never asserted; `npm run bench -- core`, `-- browser` or `-- server`
 * for one of the three; `-- kitchens` for hundreds of kitchens at once, which takes half an hour.
 */
import { build } from 'esbuild'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { dataDir, ensureBuild, ensureChromium, ensurePostgresPrograms, root } from './setup.mjs'

const which = process.argv[2]
if (!which || which === 'core') {
  const outfile = join(dataDir, 'bench', 'core.mjs')
  await build({
    entryPoints: [join(root, 'bench/core.ts')],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile,
    alias: { '#core': join(root, 'core') },
    logLevel: 'warning',
  })
  await import(pathToFileURL(outfile).href)
}
if (which !== 'core') {
  ensurePostgresPrograms()
  ensureChromium()
  ensureBuild()
  if (which === 'kitchens') await (await import('../bench/kitchens.mjs')).benchKitchens()
  else {
    if (which !== 'server') await (await import('../bench/browser.mjs')).benchBrowser()
    if (which !== 'browser') await (await import('../bench/server.mjs')).benchServer()
  }
}
