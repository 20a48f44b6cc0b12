/** What begins beside the first requests and needs the database: tried again until it is done. */
import { setTimeout as wait } from 'node:timers/promises'
import { faultName } from '../database/away'

/** What did not succeed is tried again after this, ms. */
export const AGAIN_MS = 2000

/**
 * Does a work, again and again where it fails; what is there already must stay as it is.
 * @param what as the log names it @param isOver whether the server stops: then nothing is tried or said any more
 */
export async function untilDone(what: string, work: () => Promise<unknown>, isOver: () => boolean): Promise<void> {
  while (!isOver()) {
    try {
      await work()
      return
    } catch (error) {
      if (isOver()) return
      console.error(`Lumbik: ${what} waits for the database (${faultName(error)})`)
      await wait(AGAIN_MS, undefined, { ref: false })
    }
  }
}
