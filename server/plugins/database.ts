/** Prepares the database before the first request is answered, and closes its connections with the process. */
import { faultName } from '../database/away'
import { boot } from '../database/boot'
import { closeOrm, databaseUrl, newEm, now, setReady, watchDatabase } from '../utils/orm'
import { writeDemoBook } from '../domain/demoBook'
import { showMissing, startHousekeeping } from '../domain/housekeeping'
import { isDemo } from '../domain/kitchen'
import { startJobs } from '../domain/jobs'
import { closePool } from '../threads/pool'

/** Jobs that could not begin try again after this, ms. */
const JOBS_AGAIN_MS = 2000

export default defineNitroPlugin((nitro) => {
  const start = boot(databaseUrl(), now(), process.env.LUMBIK_DEMO === '1', line => console.log(`Lumbik: ${line}`))
  setReady(start)
  let stopHousekeeping = () => {}
  let stopJobs = async () => {}
  let isClosing = false
  start.then(async () => {
    stopHousekeeping = startHousekeeping()
    await watchDatabase()
  }).catch((error: Error) => {
    console.error(error.message)
    process.exit(1)
  })
  // A database that goes away as they begin is waited for, as everywhere else.
  const beginJobs = async (): Promise<void> => {
    while (!isClosing) {
      try {
        stopJobs = await startJobs(databaseUrl())
        return
      } catch (error) {
        console.error(`Lumbik: jobs wait for the database (${faultName(error)})`)
        await new Promise(resolve => setTimeout(resolve, JOBS_AGAIN_MS))
      }
    }
  }
  start.then(beginJobs, () => {})
  // Beside the first requests: what it shows is there a little later.
  start.then(async () => {
    if (process.env.LUMBIK_DEMO === '1' && (await isDemo(await newEm()))) await writeDemoBook(now())
    await showMissing(await newEm())
  }).catch((error: Error) => {
    if (!isClosing) console.error(`Lumbik: the demo's Book was not written (${faultName(error)})`)
  })
  nitro.hooks.hook('close', async () => {
    isClosing = true
    stopHousekeeping()
    await stopJobs()
    await Promise.all([closePool(), closeOrm()])
  })
})
