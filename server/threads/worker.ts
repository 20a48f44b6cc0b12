/** Entry of a worker thread; bundled beside the server by `modules/threads.ts`. */
import { readlinkSync } from 'node:fs'
import { setPriority } from 'node:os'

/** Steps behind what answers pages: the answering thread and the database go first. */
const BEHIND = 10
try {
  // On Linux each thread has a priority of its own, under the number that this link ends with.
  setPriority(Number(readlinkSync('/proc/thread-self').split('/').at(-1)), BEHIND)
} catch {
  // Elsewhere it works beside them.
}

export * from './tasks'
