/** Waiting in unit tests: for what comes to be true, not for a time. Only what hangs is given up. */
import { vi } from 'vitest'
import { HANGS_MS } from './hangs'

/** Asks again and again until a check holds; for half of what a test may take, so that it says what did not. */
export const soon = <T>(check: () => T | Promise<T>): Promise<T> =>
  vi.waitFor(check, { timeout: HANGS_MS / 2, interval: 20 })
