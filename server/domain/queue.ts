/** The queue of work beside requests: pg-boss, on the same PostgreSQL. One for the process. */
import PgBoss from 'pg-boss'
import { faultName } from '../database/away'

let open: PgBoss | undefined

/** Opens it. @returns it, and how to close it */
export async function openQueue(url: string): Promise<{ queue: PgBoss, close: () => Promise<void> }> {
  const queue = new PgBoss({ connectionString: url, max: 3, application_name: 'lumbik jobs' })
  queue.on('error', error => console.error(`Lumbik: jobs (${faultName(error)})`))
  await queue.start()
  open = queue
  return {
    queue,
    close: async () => {
      open = undefined
      await queue.stop({ graceful: false })
    },
  }
}
/** Where work is asked for; undefined: none is open yet. */
export const queueNow = (): PgBoss | undefined => open
