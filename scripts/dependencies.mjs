/**
 * `npm run dependencies`: what is installed, from the lock file alone, without asking anybody: licences, packages whose
 * contents are not sealed, packages that run something when they are installed, and how long the lock file has stood.
 */
import { spawnSync } from 'node:child_process'
import { readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { differenceInDays } from 'date-fns'
import { root } from './setup.mjs'

/** Licences under which the application may be given on, whole. */
const LICENCES = new Set([
  'MIT', 'ISC', '0BSD', 'BSD-2-Clause', 'BSD-3-Clause', 'Apache-2.0', 'BlueOak-1.0.0', 'CC0-1.0', 'Python-2.0',
  'MPL-2.0', 'OFL-1.1', 'CC-BY-3.0', 'CC-BY-4.0',
])
/** Packages that name no licence in their manifest, and where it stands instead. */
const SAID_ELSEWHERE = { 'vaul-vue': 'MIT, in its repository (from memory: its package says nothing)' }
/** What may run as it is installed: a compiler's binary, and a shim that picks a framework's version. */
const MAY_RUN = new Set(['esbuild', 'vue-demi'])
/** A lock file that has stood longer is looked through for what was mended since, days. */
export const STALE_DAYS = 90

/** `MIT`, `(A OR B)`, `A AND B`: whether one of the choices is wholly taken. */
export const isTaken = licence =>
  licence.replace(/[()]/g, '').split(/\s+OR\s+/).some(choice => choice.split(/\s+AND\s+/).every(l => LICENCES.has(l)))

/** What is the matter with a lock file's packages, by package. @param lock as npm writes it (version 3) */
export function lookThrough(lock) {
  const wrong = []
  const licences = {}
  const packages = Object.entries(lock.packages ?? {}).filter(([path, p]) => path !== '' && !p.link)
  for (const [path, { license, integrity, inBundle, hasInstallScript, resolved }] of packages) {
    const name = path.split('node_modules/').at(-1)
    const licence = license ?? SAID_ELSEWHERE[name]?.split(',')[0]
    licences[licence] = (licences[licence] ?? 0) + 1
    if (!licence || !isTaken(licence)) wrong.push(`${name}: licence ${licence ?? 'unknown'}`)
    if (!integrity && !inBundle) wrong.push(`${name}: its contents are not sealed by a hash`)
    if (hasInstallScript && !MAY_RUN.has(name)) wrong.push(`${name}: runs something as it is installed`)
    if (resolved && /^(?:git|http:|file:)/.test(resolved)) wrong.push(`${name}: comes from ${resolved.split('/')[0]}, not from a registry`)
  }
  return { count: packages.length, licences, wrong }
}
/** How long the lock file has stood, days: since it was last committed, or written. */
export function ageDays(at) {
  const { stdout } = spawnSync('git', ['log', '-1', '--format=%cI', '--', 'package-lock.json'], { cwd: root, encoding: 'utf8' })
  const since = stdout?.trim() ? new Date(stdout.trim()) : statSync(join(root, 'package-lock.json')).mtime
  return differenceInDays(at, since)
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const { count, licences, wrong } = lookThrough(JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8')))
  const age = ageDays(new Date())
  console.log(`${count} packages; ${Object.entries(licences).sort((a, b) => b[1] - a[1]).map(([l, n]) => `${l} ${n}`).join(', ')}`)
  console.log(`the lock file has stood for ${age} days${age > STALE_DAYS ? ': look through what was mended since' : ''}`)
  for (const w of wrong) console.log(`not as it must be: ${w}`)
  process.exitCode = wrong.length ? 1 : 0
}
