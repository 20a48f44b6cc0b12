/** A command under test: a folder of its own for files, and what it says and complains of. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, vi } from 'vitest'

export function commandLine() {
  let folder: string
  const out: string[] = []
  const err: string[] = []
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'lumbik-test-'))
    out.length = err.length = 0
    vi.spyOn(console, 'log').mockImplementation((...x) => void out.push(x.join(' ')))
    vi.spyOn(console, 'error').mockImplementation((...x) => void err.push(x.join(' ')))
  })
  afterEach(() => {
    vi.restoreAllMocks()
    rmSync(folder, { recursive: true })
  })
  /** A file in that folder: text as it is, anything else as JSON. */
  const file = (name: string, content: unknown) => {
    const path = join(folder, name)
    writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content))
    return path
  }
  return { out, err, file, folder: () => folder }
}
