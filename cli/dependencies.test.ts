/** What is installed, as the lock file has it; and that the look through it notices. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { ageDays, isTaken, lookThrough, STALE_DAYS } from '../scripts/dependencies.mjs'

const lock = JSON.parse(readFileSync(join(process.cwd(), 'package-lock.json'), 'utf8')) as
  { packages: Record<string, object> }
const sealed = { license: 'MIT', integrity: 'sha512-x' }
const wrongOf = (p: object) => lookThrough({ packages: { '': {}, 'node_modules/a': p } }).wrong.join()

describe('what is installed', () => {
  it('may be given on, is sealed, comes from a registry, and runs nothing as it is installed but what is known', () => {
    const { count, wrong } = lookThrough(lock)
    expect(wrong).toEqual([])
    expect(count).toBeGreaterThan(1000)
  })
  it('a licence that asks for more, none, no hash, a script, another source: each is told', () => {
    expect(wrongOf(sealed)).toBe('')
    expect(wrongOf({ ...sealed, license: 'GPL-3.0' })).toContain('licence GPL-3.0')
    expect(wrongOf({ integrity: 'x' })).toContain('licence unknown')
    expect(wrongOf({ license: 'MIT' })).toContain('not sealed')
    expect(wrongOf({ license: 'MIT', inBundle: true })).toBe('')
    expect(wrongOf({ ...sealed, hasInstallScript: true })).toContain('runs something')
    expect(wrongOf({ ...sealed, resolved: 'git+ssh://somewhere/x.git' })).toContain('not from a registry')
  })
  it('choices and sums of licences', () => {
    expect(['(MIT OR GPL-3.0)', 'MIT AND ISC', 'MIT AND GPL-3.0', 'GPL-2.0'].map(isTaken)).toEqual([true, true, false, false])
  })
  it('is looked through again after a while: the age of the lock file is counted', () => {
    const day = 24 * 3600 * 1000
    const now = ageDays(new Date())
    expect(ageDays(new Date(Date.now() + STALE_DAYS * day)) - now).toBe(STALE_DAYS)
  })
})
